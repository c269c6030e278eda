import { formatEntry } from '../clock/index.ts';
import { goesOf, type Switches, type Use } from '../engine/index.ts';
import type { Library } from '../ladder/index.ts';
import {
  bandOfRpe,
  effortOn,
  isAgeless,
  type OneOf,
  outlookOf,
  rateTargets,
  standsFor,
} from '../person/index.ts';
import type { Room } from '../room/index.ts';
import { aimFor, entriesOf, factsIn, levelFor, type Plan, timelineOf } from '../session/index.ts';
import { restingSays } from '../ways/index.ts';
import { doseHere, formName, spokenAs } from '../words/index.ts';
import { restStylesIn } from './resting.ts';
import { type Cast, type Does, factsFor, type Run } from './run.ts';

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
    const { block, inBlock, dose, move: written } = entries[i]!;
    const { format, stations } = plan.blocks[block]!;
    const counts = formatEntry(format.kind).dose === 'count';
    return {
      move: use.move,
      ...(move.drawing ? { drawing: move.drawing } : {}),
      ...(Object.keys(use.settings).length > 0 ? { settings: use.settings } : {}),
      name: formName(library, use.move, use.settings).slice(0, 200),
      dose: doseHere(
        library,
        move,
        use,
        { move: written, sides: stations[inBlock]!.sides, ...(dose ? { dose } : {}) },
        goes[i]!.longest,
        counts,
      ).slice(0, 200),
      ...(use.own?.reps ? { reps: use.own.reps } : {}),
      pace: use.pace,
      lane: use.lane,
    };
  });
}

/** Somebody who takes part: a person, or one of several who are known by number. */
export interface Taking extends OneOf {
  /** What holds today beyond their file; it is in `person` already, and goes along into a run. */
  readonly today?: Cast['today'];
}

/** One person as a run knows them, on a day (YYYY-MM-DD). */
export function castOf(
  library: Library,
  plan: Pick<Plan, 'blocks' | 'forWhom' | 'levels' | 'aim'>,
  on: string,
  taking: Taking,
  uses: readonly (Use | null)[],
  switches: readonly Switches[],
  group = 0,
  toBeat: NonNullable<Cast['toBeat']> = [],
): Cast {
  const { person } = taking;
  const styles = restStylesIn(plan.blocks);
  const way = (pick: (s: Switches) => Use | 'same' | null) => {
    const to = switches.map(pick);
    const said = doesOf(
      library,
      plan,
      to.map((use) => (use === 'same' ? null : use)),
    );
    return to.map((use, i) => (use === 'same' ? ('same' as const) : said[i]!));
  };
  const [down, up, hold, wrist, knee, back] = [
    way((s) => s.down),
    way((s) => s.up),
    way((s) => s.hold),
    way((s) => s.sideways.wrist),
    way((s) => s.sideways.knee),
    way((s) => s.sideways.back),
  ];
  return {
    id: taking.id,
    name: spokenAs(person).name.slice(0, 80),
    byNumber: standsFor(person) !== null,
    group,
    does: doesOf(library, plan, uses),
    switches: switches.map((_, i) => ({
      down: down[i] as Does,
      up: up[i] as Does,
      hold: hold[i] as Does,
      wrist: wrist[i]!,
      knee: knee[i]!,
      back: back[i]!,
    })),
    cautions: outlookOf(person, on)
      .cautions.slice(0, 20)
      .map((line) => line.slice(0, 300)),
    today: {
      conditions: taking.today?.conditions ?? [],
      level: levelFor(plan, taking.id) ?? taking.today?.level ?? null,
    },
    ...aimed(plan, taking, on),
    ...(styles.length > 0 ? { resting: restingSays(library, person, on, styles) } : {}),
    ...(toBeat.length > 0 ? { toBeat } : {}),
  };
}

/** What one who takes part aims for on 0–10, on the level they have today and under their own limit; null without an aim. */
export function aimOf(
  plan: Pick<Plan, 'levels' | 'aim'>,
  { id, person, today }: Taking,
  on: string,
): number | null {
  const level = levelFor(plan, id) ?? today?.level ?? person.assumedLevel;
  return aimFor(plan.aim, level, effortOn(outlookOf(person, on)));
}

/** The same as a run carries it, in beats a minute as well where they mean something. */
function aimed(plan: Pick<Plan, 'levels' | 'aim'>, taking: Taking, on: string): Pick<Cast, 'aim'> {
  const effort = aimOf(plan, taking, on);
  if (effort === null) return {};
  const { person } = taking;
  const { age, byWords } = outlookOf(person, on);
  const [target] = rateTargets(age, person.sex, person.restingRate, byWords);
  const band = target?.bands[bandOfRpe(effort)];
  // Nobody is told a beat who may have been born in any year.
  const told = band && !isAgeless(person);
  return { aim: { effort, ...(told ? { beats: [band.from, band.to] } : {}) } };
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
  made: { readonly id: string; readonly on: string },
): Run {
  const entries = entriesOf(plan.blocks);
  return {
    version: 1,
    id: made.id,
    plan: {
      id: plan.id,
      title: plan.title,
      forWhom: plan.forWhom,
      blocks: plan.blocks,
      ...(plan.aim ? { aim: plan.aim } : {}),
    },
    facts: factsFor(
      entries.map((entry) => entry.move),
      factsIn(library),
    ),
    how,
    group,
    room: room.name,
    on: made.on,
    cast: [...cast],
    names: entries.map((entry) => formName(library, entry.move, entry.settings).slice(0, 200)),
    cues: cuesFor(library, [
      ...entries.map((entry) => entry.move),
      ...cast.flatMap((one) => one.does.flatMap((does) => does?.move ?? [])),
    ]),
    emergency: room.notes.slice(0, 600),
  };
}
