import * as z from 'zod';
import { type ClassWish, planClass } from '../class/index.ts';
import { SIDEWAYS, type Switches, switchesOf } from '../engine/index.ts';
import { type FormRef, idSchema } from '../move/index.ts';
import { CONDITION_IDS, type ConditionId, LEVELS, type LevelIndex, type Person } from '../person/index.ts';
import { lazily } from '../record/index.ts';
import {
  type Cast,
  castOf,
  type Does,
  doesOf,
  type Present,
  peopleOf,
  type Run,
  type RunEvent,
  runEventSchema,
  runSchema,
  walkInName,
  whoInRun,
} from '../run/index.ts';
import { type Block, dialsSchema, entriesOf } from '../session/index.ts';
import type { Ground } from './ground.ts';
import { classPerson, day, level, personDocument, roomDocument } from './parts.ts';
import { defineQuestion } from './question.ts';

/** What planning in the middle of a run stands on. */
const inRun = {
  run: runSchema,
  events: z.array(runEventSchema).max(20_000),
  /** Files, and those of the group known by number. */
  expected: z.array(personDocument).max(200),
  /** The session's as it is kept; the run's own blocks are what is done. */
  dials: z.object({ writtenFor: level, dials: dialsSchema }).nullable(),
  room: roomDocument,
  on: day,
};
interface InRun {
  readonly run: Run;
  readonly events: readonly RunEvent[];
  readonly expected: readonly Person[];
  readonly dials: Parameters<typeof classPerson>[2];
  readonly room: Parameters<Ground['scaler']>[0];
  readonly on: string;
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

/** The class planned anew with where each can go mid-set, everybody within what holds for them by now. */
function planned(
  { library, scaler }: Ground,
  { run, expected, dials, room, on }: InRun,
  blocks: readonly Block[],
  wishes: readonly ClassWish[],
  who: readonly Pick<Cast, 'id' | 'today'>[],
) {
  const people = who.map((cast) =>
    classPerson(
      library,
      { blocks: [...blocks], forWhom: run.plan.forWhom },
      dials,
      { id: cast.id, ...whoInRun(cast, expected) },
      on,
    ),
  );
  const plan = planClass(scaler(room), room, {
    most: MOST_FORMS,
    besides: true,
    how: run.how,
    wishes,
    people,
  });
  const switches: Record<string, readonly Switches[]> = Object.fromEntries(
    people.map(({ id, request }) => [
      id,
      switchesOf(scaler(room), request, { original: [], uses: plan.uses[id]!, reasons: [], cost: 0 }),
    ]),
  );
  return { plan, switches };
}

/** Somebody more, planned among those who are here, who all keep what they do, into the smallest group that goes round. */
function joining(
  ground: Ground,
  question: InRun,
  id: string,
  today: { readonly conditions: readonly { id: ConditionId; side: 'both' }[]; readonly level: LevelIndex },
  as: Present | undefined,
): Cast {
  const { run, events, on } = question;
  const { blocks } = run.plan;
  const here = peopleOf(run, events).filter((p) => p.is === 'here');
  const entries = entriesOf(blocks).length;
  const given = as ? kept([as], entries, () => false).map((wish) => ({ ...wish, person: id })) : [];
  const holds = { conditions: [...today.conditions], level: today.level };
  const { plan, switches } = planned(
    ground,
    question,
    blocks,
    [...kept(here, entries, () => false), ...given],
    [...here.map(asToday), { id, today: holds }],
  );
  const groups = here.map((p) => p.cast.group);
  const counts = new Map(groups.map((g) => [g, groups.filter((other) => other === g).length]));
  const group = [...counts].sort((a, b) => a[1] - b[1] || a[0] - b[0])[0]?.[0] ?? 0;
  const { person } = whoInRun({ id, today: holds }, []);
  const cast = castOf(
    ground.library,
    run.plan,
    on,
    { id, person, today: holds },
    plan.uses[id]!,
    switches[id]!,
    group,
  );
  return { ...cast, byNumber: true };
}

/**
 * Somebody who walks in, planned for what is known of them among those who are here, who all keep what they do; `as`
 * is somebody whose forms they are given as far as those are open to them.
 */
export const walkIn = defineQuestion({
  says: 'Somebody who walks into a run, planned among those who are here',
  asks: lazily(() =>
    z.strictObject({
      ...inRun,
      id: z.string().min(1).max(80),
      conditions: z.array(z.enum(CONDITION_IDS as [ConditionId, ...ConditionId[]])).max(20),
      level,
      as: z.string().max(80).nullable().default(null),
    }),
  ),
  answers: null,
  *run(ground, question): Iterable<Cast> {
    const people = peopleOf(question.run, question.events);
    const as = people.find((p) => p.is === 'here' && p.id === question.as);
    const conditions = question.conditions.map((id) => ({ id, side: 'both' as const }));
    const cast = joining(ground, question, question.id, { conditions, level: question.level }, as);
    yield { ...cast, name: walkInName(people, as ? '' : cast.name) };
  },
});

/** Whom nobody knows, at each level: what a run carries to where nothing can be planned. */
export const newcomers = defineQuestion({
  says: 'Somebody whom nobody knows, at each level, planned among those of a run',
  asks: lazily(() => z.strictObject(inRun)),
  answers: null,
  *run(ground, question): Iterable<readonly Cast[]> {
    yield LEVELS.map(({ name }, level) => ({
      ...joining(
        ground,
        question,
        `newcomer-${level}`,
        { conditions: [], level: level as LevelIndex },
        undefined,
      ),
      name,
    }));
  },
});

export type Swap = Omit<Extract<RunEvent, { kind: 'swap' }>, 'id' | 'at'>;

/** A run's blocks with another move at an entry. */
function withMove(blocks: readonly Block[], entry: number, move: string): Block[] {
  const at = entriesOf(blocks)[entry]!;
  return blocks.map((block, b) =>
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
}

/**
 * Another move at an entry, for one or for everybody: each gets the form of it that is open to them, or what they
 * have instead where none is. Everything else stays.
 */
export const swap = defineQuestion({
  says: 'Another move at an entry of a run, for one or for everybody',
  asks: lazily(() =>
    z.strictObject({
      ...inRun,
      entry: z.number().int().min(0).max(399),
      move: idSchema,
      person: z.string().max(80).nullable(),
    }),
  ),
  answers: null,
  *run(ground, question): Iterable<readonly Swap[]> {
    const { run, events, on, entry, move, person, expected } = question;
    const here = peopleOf(run, events).filter((p) => p.is === 'here');
    const blocks = withMove(run.plan.blocks, entry, move);
    const changes = (id: string, e: number) => e === entry && (person === null || id === person);
    const { plan, switches } = planned(
      ground,
      question,
      blocks,
      [
        ...kept(here, entriesOf(blocks).length, changes),
        ...here
          .filter((p) => changes(p.id, entry))
          .map((p): ClassWish => ({ entry, kind: 'give', form: { move }, person: p.id })),
      ],
      here.map(asToday),
    );
    const session = { blocks, forWhom: run.plan.forWhom };
    yield here
      .filter((p) => changes(p.id, entry))
      .map((p): Swap => {
        const uses = plan.uses[p.id]!;
        const does = doesOf(ground.library, session, uses)[entry] ?? null;
        const who = { id: p.id, person: whoInRun(p.cast, expected).person };
        const [way] = castOf(ground.library, session, on, who, uses, switches[p.id]!).switches.slice(
          entry,
          entry + 1,
        );
        return { kind: 'swap', person: p.id, entry, does, ...(way ? { switches: way } : {}) };
      });
  },
});

/** Who does something else than was asked for in a swap, with what. */
export const swappedOtherwise = (swaps: readonly Swap[], move: string) =>
  swaps.flatMap((one) => (one.does?.move === move ? [] : [{ person: one.person, does: one.does }]));
