import { formatEntry } from '@inner-rung/core/clock';
import { goesOf, type Switches, type Use } from '@inner-rung/core/engine';
import type { Library } from '@inner-rung/core/ladder';
import { outlookOf, standsFor } from '@inner-rung/core/person';
import type { Room } from '@inner-rung/core/room';
import { type Cast, type Does, factsFor, type Run } from '@inner-rung/core/run';
import { entriesOf, factsIn, levelFor, type Plan, timelineOf } from '@inner-rung/core/session';
import { doseHere, formName } from '@inner-rung/core/words';
import { spoken } from '../class/spoken.ts';
import type { Taking } from '../class/use-class.ts';
import { newId, today } from '../ui/day.ts';

/** A use as a run carries it: with its name and its dose in words, so that a phone needs no library. */
export function doesOf(
  library: Library,
  plan: Pick<Plan, 'blocks' | 'forWhom'>,
  uses: readonly (Use | null)[],
): Does[] {
  const entries = entriesOf(plan.blocks);
  const goes = goesOf(timelineOf(plan, factsIn(library)).segments, entries.length);
  return uses.map((use, i): Does => {
    const move = use && library.move(use.move);
    if (!use || !move) return null;
    const { block, inBlock, dose } = entries[i]!;
    const { format, stations } = plan.blocks[block]!;
    const counts = formatEntry(format.kind).counts && format.kind !== 'flow';
    return {
      move: use.move,
      ...(move.drawing ? { drawing: move.drawing } : {}),
      ...(Object.keys(use.settings).length > 0 ? { settings: use.settings } : {}),
      name: formName(library, use.move, use.settings).slice(0, 200),
      dose: doseHere(
        library,
        move,
        use,
        { sides: stations[inBlock]!.sides, ...(dose ? { dose } : {}) },
        goes[i]!.longest,
        counts,
      ).slice(0, 200),
      pace: use.pace,
      lane: use.lane,
    };
  });
}

/** One person as a run knows them. */
export function castOf(
  library: Library,
  plan: Pick<Plan, 'blocks' | 'forWhom' | 'levels'>,
  taking: Taking,
  uses: readonly (Use | null)[],
  switches: readonly Switches[],
  group = 0,
): Cast {
  const { person } = taking;
  const way = (pick: (s: Switches) => Use | 'same' | null) => {
    const to = switches.map(pick);
    const said = doesOf(
      library,
      plan,
      to.map((use) => (use === 'same' ? null : use)),
    );
    return to.map((use, i) => (use === 'same' ? ('same' as const) : said[i]!));
  };
  const [down, up, wrist, knee, back] = [
    way((s) => s.down),
    way((s) => s.up),
    way((s) => s.sideways.wrist),
    way((s) => s.sideways.knee),
    way((s) => s.sideways.back),
  ];
  return {
    id: taking.id,
    name: spoken(taking).name.slice(0, 80),
    byNumber: standsFor(person) !== null,
    group,
    does: doesOf(library, plan, uses),
    switches: switches.map((_, i) => ({
      down: down[i] as Does,
      up: up[i] as Does,
      wrist: wrist[i]!,
      knee: knee[i]!,
      back: back[i]!,
    })),
    cautions: outlookOf(person, today())
      .cautions.slice(0, 20)
      .map((line) => line.slice(0, 300)),
    today: {
      conditions: taking.today?.conditions ?? [],
      level: levelFor(plan, taking.id) ?? taking.today?.level ?? null,
    },
  };
}

/** One cue and one fault of each move, as a run carries them. */
const cuesFor = (library: Library, moves: readonly string[]): Run['cues'] =>
  Object.fromEntries(
    [...new Set(moves)].flatMap((id) => {
      const move = library.move(id);
      const [fault] = move?.faults ?? [];
      return move
        ? [
            [
              id,
              {
                say: move.cues[0]!.slice(0, 300),
                see: (fault?.see ?? '').slice(0, 300),
                fix: (fault?.say ?? '').slice(0, 300),
              },
            ],
          ]
        : [];
    }),
  );

/** A run of a planned class, by value: nothing it needs is looked up again in the hall. */
export function makeRun(
  library: Library,
  plan: Plan,
  group: string | null,
  room: Room,
  cast: readonly Cast[],
  how: Run['how'],
): Run {
  const entries = entriesOf(plan.blocks);
  return {
    version: 1,
    id: newId('run'),
    plan: { id: plan.id, title: plan.title, forWhom: plan.forWhom, blocks: plan.blocks },
    facts: factsFor(
      entries.map((entry) => entry.move),
      factsIn(library),
    ),
    how,
    group,
    room: room.name,
    on: today(),
    cast: [...cast],
    names: entries.map((entry) => formName(library, entry.move, entry.settings).slice(0, 200)),
    cues: cuesFor(library, [
      ...entries.map((entry) => entry.move),
      ...cast.flatMap((one) => one.does.flatMap((does) => does?.move ?? [])),
    ]),
    emergency: room.notes.slice(0, 600),
  };
}

/** Puts a run on the server; the sentence of what went wrong where it couldn't. */
export async function sendRun(run: Run): Promise<string | null> {
  try {
    const answer = await fetch('/api/runs', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(run),
    });
    if (answer.ok) return null;
    return ((await answer.json()) as { detail?: string }).detail ?? 'The run couldn’t be made.';
  } catch {
    return 'The server is away: a run is made there. Start Inner Rung again and press once more.';
  }
}
