import type { Answers, Asks } from '@inner-rung/core/ask';
import type { ClassWish } from '@inner-rung/core/class';
import { SIDEWAYS } from '@inner-rung/core/engine';
import type { Library } from '@inner-rung/core/ladder';
import type { FormRef } from '@inner-rung/core/move';
import type { ConditionId, LevelIndex, Person } from '@inner-rung/core/person';
import type { Room } from '@inner-rung/core/room';
import { type Cast, type Does, type Present, type Run, type RunEvent, whoInRun } from '@inner-rung/core/run';
import { type Block, entriesOf, type Plan } from '@inner-rung/core/session';
import { engine } from '../engine/index.ts';
import { today as thisDay } from '../ui/day.ts';
import { castOf, doesOf } from './make-run.ts';
import { newcomer } from './newcomer.ts';

/** What planning in the middle of a run stands on. */
export interface Ground {
  readonly library: Library;
  readonly room: Room;
  /** Files, and those of the group known by number. */
  readonly expected: readonly Person[];
  /** The session as it is kept, for its dials; the run's own blocks are what is done. */
  readonly plan: Plan | null;
}

/** What holds for somebody by now: of today, and what they said hurt in the run itself. */
const asToday = ({ cast, doing }: Present): Pick<Cast, 'id' | 'today'> => {
  const said = new Set(doing.flatMap((list) => list.map((one) => one.why)));
  const hurts = Object.values(SIDEWAYS).filter((way) => said.has(way.says));
  return {
    id: cast.id,
    today: {
      ...cast.today,
      conditions: [
        ...cast.today.conditions,
        ...hurts.map(({ condition }) => ({ id: condition, side: 'both' as const })),
      ],
    },
  };
};

type AskedOf = Asks<'class'>['people'][number];

const asked = (ground: Ground, cast: Pick<Cast, 'id' | 'today'>): AskedOf => ({
  id: cast.id,
  ...whoInRun(cast, ground.expected),
});

/** The class planned once, with where each can go mid-set. */
async function planOnce(
  ground: Ground,
  run: Run,
  blocks: readonly Block[],
  wishes: readonly ClassWish[],
  people: AskedOf[],
): Promise<Answers<'class'> & { switches: NonNullable<Answers<'class'>['switches']> }> {
  const { plan, switches } = await engine.once(
    ground.library,
    'class',
    {
      session: { blocks: [...blocks], forWhom: run.plan.forWhom },
      dials: ground.plan && { writtenFor: ground.plan.writtenFor, dials: ground.plan.dials },
      room: ground.room,
      on: thisDay(),
      most: MOST_FORMS,
      how: run.how,
      wishes: [...wishes],
      before: null,
      people,
    },
    (answer) => answer.switches !== null,
  );
  return { plan, switches: switches! };
}

/** What everybody here does now, kept as it is: a change for one is none for the others. */
const kept = (people: readonly Present[], entries: number, but: (person: string, entry: number) => boolean) =>
  people.flatMap(({ id, doing }) =>
    Array.from({ length: entries }, (_, entry): ClassWish | null => {
      const does = doing[entry]?.at(-1)?.does;
      return does && !but(id, entry) ? { entry, kind: 'give', form: formOf(does), person: id } : null;
    }).filter((wish) => wish !== null),
  );

const formOf = (does: Exclude<Does, null>): FormRef => {
  const { trim: _, ...settings } = does.settings ?? {};
  return { move: does.move, ...(Object.keys(settings).length > 0 ? { settings } : {}) };
};

const MOST_FORMS = 4;

/** Somebody who walks in, planned for what is known of them among those who are here, who all keep what they do. */
export async function planWalkIn(
  ground: Ground,
  run: Run,
  people: readonly Present[],
  conditions: readonly ConditionId[],
  level: LevelIndex,
): Promise<Cast> {
  const here = people.filter((p) => p.is === 'here');
  const { id, n } = newcomer(people);
  const today = { conditions: conditions.map((one) => ({ id: one, side: 'both' as const })), level };
  const { person } = whoInRun({ id, today }, []);
  const { blocks } = run.plan;
  const { plan, switches } = await planOnce(
    ground,
    run,
    blocks,
    kept(here, entriesOf(blocks).length, () => false),
    [...here.map((p) => asked(ground, asToday(p))), asked(ground, { id, today })],
  );
  const groups = here.map((p) => p.cast.group);
  // Into the smallest of the groups that go round.
  const counts = new Map(groups.map((g) => [g, groups.filter((other) => other === g).length]));
  const group = [...counts].sort((a, b) => a[1] - b[1] || a[0] - b[0])[0]?.[0] ?? 0;
  const cast = castOf(ground.library, run.plan, { id, person, today }, plan.uses[id]!, switches[id]!, group);
  return { ...cast, name: `walk-in ${n}${cast.name ? `: ${cast.name}` : ''}`.slice(0, 80), byNumber: true };
}

type Swap = Omit<Extract<RunEvent, { kind: 'swap' }>, 'id' | 'at'>;

/**
 * Another move at an entry, for one or for everybody: each gets the form of it that is open to them, or what they
 * have instead where none is. Everything else stays.
 */
export async function planSwap(
  ground: Ground,
  run: Run,
  people: readonly Present[],
  entry: number,
  move: string,
  person: string | null,
): Promise<Swap[]> {
  const here = people.filter((p) => p.is === 'here');
  const at = entriesOf(run.plan.blocks)[entry]!;
  const blocks = run.plan.blocks.map((block, b) =>
    b !== at.block
      ? block
      : {
          ...block,
          stations: block.stations.map((station, i) => {
            if (i !== at.inBlock) return station;
            const { settings: _, ...rest } = station;
            if (at.part === 0) return { ...rest, move };
            return {
              ...station,
              chain: station.chain?.map((part, k) => (k === at.part - 1 ? { ...part, move } : part)),
            };
          }),
        },
  ) as Block[];
  const entries = entriesOf(blocks);
  const changes = (id: string, e: number) => e === entry && (person === null || id === person);
  const { plan, switches } = await planOnce(
    ground,
    run,
    blocks,
    [
      ...kept(here, entries.length, changes),
      ...here
        .filter((p) => changes(p.id, entry))
        .map((p): ClassWish => ({ entry, kind: 'give', form: { move }, person: p.id })),
    ],
    here.map((p) => asked(ground, asToday(p))),
  );
  return here
    .filter((p) => changes(p.id, entry))
    .map((p): Swap => {
      const uses = plan.uses[p.id]!;
      const session = { blocks, forWhom: run.plan.forWhom };
      const does = doesOf(ground.library, session, uses)[entry] ?? null;
      const [way] = castOf(
        ground.library,
        session,
        { id: p.id, person: whoInRun(p.cast, ground.expected).person },
        uses,
        switches[p.id]!,
      ).switches.slice(entry, entry + 1);
      return { kind: 'swap', person: p.id, entry, does, ...(way ? { switches: way } : {}) };
    });
}

/** Who does something else than was asked for in a swap, with what. */
export const swappedOtherwise = (swaps: readonly Swap[], move: string) =>
  swaps.flatMap((swap) => (swap.does?.move === move ? [] : [{ person: swap.person, does: swap.does }]));
