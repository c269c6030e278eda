import * as z from 'zod';
import { lazily } from '../../record/index.ts';
import { maybe, whole } from '../inputs.ts';
import { type ClockPiece, clockText, type Doing, type Span, Track } from '../timeline.ts';
import {
  goTakes,
  type PartWork,
  passTakes,
  plus,
  roundsIn,
  type StationWork,
  type Surroundings,
  secondsFor,
  span,
  takesFor,
  times,
} from '../work.ts';
import type { FormatFault } from './entry.ts';

export const turns = {
  workSeconds: whole('workSeconds'),
  restSeconds: whole('restSeconds'),
  rounds: whole('rounds'),
  /** Least to most rounds, decided on the day: `rounds` is the least. */
  get mostRounds() {
    return maybe('mostRounds');
  },
  roundRestSeconds: whole('roundRestSeconds'),
  /** A rest after the last station of a round as after any other. */
  closingRest: lazily(() => z.boolean()),
};

export const once = (n: number) => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} rounds`);
export const roundsWords = (f: { rounds: number; mostRounds?: number | undefined }) =>
  f.mostRounds !== undefined && f.mostRounds > f.rounds
    ? `${f.rounds} to ${f.mostRounds} rounds`
    : once(f.rounds);
export const minutesWords = (seconds: number) =>
  seconds % 60 === 0 ? `${seconds / 60} min` : clockText(seconds);

export interface SlotOf {
  readonly at: StationWork;
  readonly side: 'left' | 'right' | null;
}
/** A round's slots: one a station, two where each side has its own. */
export function slotsIn(stations: readonly StationWork[], round: number): SlotOf[] {
  return stations.flatMap((at): SlotOf[] => {
    if (at.sides === 'two slots')
      return [
        { at, side: 'left' },
        { at, side: 'right' },
      ];
    return [{ at, side: at.sides === 'other side each round' ? (round % 2 === 0 ? 'left' : 'right') : null }];
  });
}

/** What is done in a slot of a fixed length: a chain shares it by what each link takes. */
export function inSlot(parts: readonly PartWork[], seconds: number): Doing[] {
  const all = parts.reduce((sum, part) => sum + Math.max(0.1, part.takes.mid), 0);
  return parts.map((part) => {
    const share = parts.length === 1 ? seconds : (seconds * Math.max(0.1, part.takes.mid)) / all;
    if (parts.length === 1 && part.bouts)
      return {
        entry: part.entry,
        seconds: Math.min(seconds, part.bouts.times * part.bouts.seconds),
        goes: 1,
        reps: null,
        most: null,
      };
    if (parts.length === 1 && part.count !== null) {
      const reps = part.count * part.per;
      return { entry: part.entry, seconds: Math.min(seconds, part.takes.mid), goes: 1, reps, most: reps };
    }
    return { entry: part.entry, seconds: share, goes: 1, reps: null, most: null };
  });
}

/** What is done when a dose is done as often as it says; `scale` is how many goes it is. */
export function byCount(parts: readonly PartWork[], goes = 1, mostGoes = goes, count?: number): Doing[] {
  return parts.map((part) => {
    const n = part.fixed ? null : (count ?? part.count);
    const reps = n === null ? null : n * part.per;
    const takes = count === undefined ? part.takes : takesFor(part, count);
    return {
      entry: part.entry,
      seconds: takes.mid * goes,
      goes: Math.max(1, goes),
      reps: reps === null ? null : Math.round(reps * goes),
      most: reps === null ? null : Math.ceil(reps * mostGoes),
    };
  });
}

const rounded = (s: Span) => ({ lo: Math.round(s.lo), hi: Math.round(s.hi) });
/** A stretch whose length is how long the dose takes. */
export function pushOpen(track: Track, takes: Span, more: Partial<ClockPiece>): void {
  track.push('work', Math.max(1, takes.mid), { ...more, open: rounded(takes) });
}
/** One set of a station, as long as its dose takes. */
export function pushSet(track: Track, at: StationWork, slot: number, set: number, sets: number): void {
  const parts = at.parts(set);
  pushOpen(track, goTakes(parts), {
    slot,
    round: set,
    station: at.station,
    does: byCount(parts),
    note: `set ${set + 1} of ${sets}`,
  });
}
/** From one station to the next: the change where it is longer than the rest that was asked for. */
export function pushChange(
  track: Track,
  rest: number,
  from: StationWork,
  to: StationWork,
  around: Surroundings,
  more: Partial<ClockPiece>,
): void {
  const change = from === to ? span(0) : around.change(from, to);
  if (rest >= change.mid) track.push('rest', rest, more);
  else
    track.push('change', change.mid, {
      ...more,
      open: { lo: Math.max(rest, Math.round(change.lo)), hi: Math.round(change.hi) },
    });
}

export type Turns = z.infer<z.ZodObject<typeof turns>>;
/** Work and rest by the clock, station after station, round after round. */
export function byTurns(
  f: Turns,
  stations: readonly StationWork[],
  laneEnds?: readonly number[],
): ClockPiece[] {
  const track = new Track();
  for (let round = 0; round < f.rounds; round++) {
    const slots = slotsIn(stations, round);
    slots.forEach(({ at, side }, i) => {
      track.push('work', f.workSeconds, {
        slot: i,
        round,
        station: at.station,
        side,
        does: inSlot(at.parts(round), f.workSeconds),
        ...(laneEnds ? { laneEnds } : {}),
      });
      if (i < slots.length - 1 || f.closingRest) {
        const next = (i + 1) % slots.length;
        track.push('rest', f.restSeconds, {
          slot: next,
          round,
          station: slots[next]!.at.station,
          side: slots[next]!.side,
        });
      }
    });
    if (round < f.rounds - 1) track.push('round rest', f.roundRestSeconds, { round });
  }
  return track.pieces;
}
export const turnsWords = (f: Turns) => `${f.workSeconds} on, ${f.restSeconds} off, ${roundsWords(f)}`;
export const turnsInputs = [
  'workSeconds',
  'restSeconds',
  'rounds',
  'roundRestSeconds',
  'mostRounds?',
  'closingRest',
] as const;
export const TURNS: Turns = {
  workSeconds: 40,
  restSeconds: 20,
  rounds: 2,
  roundRestSeconds: 60,
  closingRest: false,
};
export const several = (f: { rounds: number; mostRounds?: number | undefined }) =>
  Math.max(f.rounds, f.mostRounds ?? 0) > 1;

/** Seconds of the slot that each of four lanes works. */
export const endsOf = (f: {
  readonly workSeconds: number;
  readonly innerPercent: number;
  readonly middlePercent: number;
}): number[] => {
  const part = (percent: number) => Math.round((f.workSeconds * percent) / 100);
  return [part(f.innerPercent), part(f.innerPercent), part(f.middlePercent), f.workSeconds];
};

/** Led in unison everybody keeps the leader's pace, give or take a twentieth. Estimate. */
export const paced = (pass: Span, led: boolean): Span =>
  led ? span(pass.mid * 0.95, pass.mid, pass.mid * 1.05) : pass;

export const passWords = (pass: Span) =>
  `a round takes ${Math.round(pass.lo)} to ${Math.round(pass.hi)} s, changes counted`;
export const fatigueWords = (around: Surroundings) =>
  around.fatigue > 0 ? [`each further round ${Math.round(around.fatigue * 100)} % longer`] : [];

/** Rounds reached in a time: slowest and quickest pass. */
export function reached(capSeconds: number, pass: Span, around: Surroundings) {
  return {
    lo: roundsIn(capSeconds, pass.hi, around.fatigue),
    mid: roundsIn(capSeconds, pass.mid, around.fatigue),
    hi: roundsIn(capSeconds, pass.lo, around.fatigue),
  };
}
export const roundsRange = (lo: number, hi: number) => {
  const a = Math.floor(lo * 2) / 2;
  const b = Math.floor(hi * 2) / 2;
  const say = (n: number) => (Number.isInteger(n) ? String(n) : `${Math.floor(n)}½`);
  return a === b ? `about ${say(a)} rounds` : `${say(a)} to ${say(b)} rounds`;
};

export const EMOM_MINUTE = 60;
/** What a turn's count takes and leaves. */
export function minuteOf(
  station: StationWork,
  every = EMOM_MINUTE,
): { takes: Span; left: { lo: number; hi: number } } {
  const [first] = station.parts(0);
  const takes = first ? first.takes : span(0);
  return { takes, left: { lo: every - takes.hi, hi: every - takes.lo } };
}

export const spread = (s: Span): [number, number, number] => [s.lo, s.mid, s.hi];

/** A side's share where each has a slot of its own, or its own round. */
export function sided(at: StationWork, round: number, side: 'left' | 'right' | null): readonly PartWork[] {
  const parts = at.parts(round);
  return side === null
    ? parts
    : parts.map((part) => ({ ...part, per: 1, takes: part.per === 2 ? times(part.takes, 0.5) : part.takes }));
}

/** A count of a step for parts that are counted; the others take their own time. */
export const stepTakes = (parts: readonly PartWork[], count: number, timed = false): Span =>
  parts.reduce((sum, part) => plus(sum, takesFor(part, count, timed)), span(0));
/** What is done in a step whose number is seconds: nobody counts. */
export const byTime = (parts: readonly PartWork[], seconds: number): Doing[] =>
  parts.map((part) => ({
    entry: part.entry,
    seconds: part.fixed ? part.takes.mid : seconds,
    goes: 1,
    reps: null,
    most: null,
  }));

export function descentTakes(
  counts: readonly number[],
  stations: readonly StationWork[],
  around: Surroundings,
): Span {
  const changes = stations.reduce((sum, s, i) => {
    const next = stations[(i + 1) % stations.length]!;
    return stations.length > 1 ? plus(sum, around.change(s, next)) : sum;
  }, span(0));
  return counts.reduce(
    (sum, count) =>
      plus(
        sum,
        stations.reduce((all, s) => plus(all, stepTakes(s.parts(0), count)), changes),
      ),
    span(0),
  );
}

export const timeFor = (
  rounds: number,
  stations: readonly StationWork[],
  around: Surroundings,
  led: boolean,
): Span => {
  const pass = paced(passTakes(stations, around), led);
  const total = (one: number) => secondsFor(rounds, one, around.fatigue);
  return span(total(pass.lo), total(pass.mid), total(pass.hi));
};
export const soonest = (rounds: number, stations: readonly StationWork[]): number =>
  rounds * stations.reduce((sum, s) => sum + goTakes(s.parts(0)).lo, 0);

/** So many goes of every station inside a length: their time, never more than there is. */
export function withinCap(
  stations: readonly StationWork[],
  length: number,
  goes: number,
  most: number,
): Doing[] {
  const does = stations.flatMap((s) => byCount(s.parts(0), goes, most));
  const busy = does.reduce((sum, d) => sum + d.seconds, 0);
  return busy > length ? does.map((d) => ({ ...d, seconds: (d.seconds * length) / busy })) : does;
}

export function stepFaults(f: { from: number; by: number; to: number }): FormatFault[] {
  if (f.from > f.to)
    return [
      {
        field: 'to',
        station: null,
        says: `It would go from ${f.from} to ${f.to}: the top is below the bottom.`,
      },
    ];
  if ((f.to - f.from) % f.by !== 0)
    return [
      {
        field: 'by',
        station: null,
        says: `Steps of ${f.by} from ${f.from} never reach ${f.to}: they end at ${f.from + Math.floor((f.to - f.from) / f.by) * f.by}.`,
      },
    ];
  const steps = (f.to - f.from) / f.by + 1;
  return steps > 40
    ? [{ field: 'by', station: null, says: `${steps} steps are more than anybody counts; 40 at most.` }]
    : [];
}
