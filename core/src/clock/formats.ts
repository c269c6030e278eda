import * as z from 'zod';
import { type ChoiceKey, type InputKey, whole } from './inputs.ts';
import { clockText, type Doing, type Piece, rangeOf, type Span, Track } from './timeline.ts';
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
  stepsOf,
  takesFor,
  times,
} from './work.ts';

const turns = {
  workSeconds: whole('workSeconds'),
  restSeconds: whole('restSeconds'),
  rounds: whole('rounds'),
  /** Least to most rounds, decided on the day: `rounds` is the least. */
  mostRounds: whole('mostRounds').optional(),
  roundRestSeconds: whole('roundRestSeconds'),
  /** A rest after the last station of a round as after any other. */
  closingRest: z.boolean(),
};

export const formatSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('intervals'), ...turns }),
  z.strictObject({ kind: z.literal('progressive'), ...turns }),
  z.strictObject({
    kind: z.literal('staggered'),
    ...turns,
    innerPercent: whole('innerPercent'),
    middlePercent: whole('middlePercent'),
  }),
  z.strictObject({ kind: z.literal('rotation'), ...turns, groups: whole('groups') }),
  z.strictObject({
    kind: z.literal('tabata'),
    workSeconds: whole('workSeconds'),
    restSeconds: whole('restSeconds'),
    bouts: whole('bouts'),
  }),
  z.strictObject({
    kind: z.literal('one-minute'),
    rounds: whole('rounds'),
    mostRounds: whole('mostRounds').optional(),
    roundRestSeconds: whole('roundRestSeconds'),
  }),
  z.strictObject({ kind: z.literal('amrap'), capSeconds: whole('capSeconds'), led: z.boolean() }),
  z.strictObject({
    kind: z.literal('emom'),
    minutes: whole('minutes'),
    order: z.enum(['station by station', 'in turn']),
    stationRestSeconds: whole('stationRestSeconds'),
    leastFillSeconds: whole('leastFillSeconds'),
  }),
  z.strictObject({
    kind: z.literal('for time'),
    rounds: whole('rounds'),
    capSeconds: whole('capSeconds').optional(),
    led: z.boolean(),
  }),
  z.strictObject({
    kind: z.literal('rounds'),
    rounds: whole('rounds'),
    mostRounds: whole('mostRounds').optional(),
    restSeconds: whole('restSeconds'),
    roundRestSeconds: whole('roundRestSeconds'),
  }),
  z.strictObject({
    kind: z.literal('sets'),
    sets: whole('sets'),
    restSeconds: whole('restSeconds'),
    stationRestSeconds: whole('stationRestSeconds'),
  }),
  z.strictObject({
    kind: z.literal('superset'),
    sets: whole('sets'),
    restSeconds: whole('restSeconds'),
    pairRestSeconds: whole('pairRestSeconds'),
  }),
  z.strictObject({
    kind: z.literal('pyramid'),
    from: whole('from'),
    by: whole('by'),
    to: whole('to'),
    way: z.enum(['up', 'down', 'up and down']),
    holdSeconds: whole('holdSeconds'),
    stepRestSeconds: whole('stepRestSeconds'),
  }),
  z.strictObject({
    kind: z.literal('descending'),
    from: whole('from'),
    by: whole('by'),
    to: whole('to'),
    rounds: whole('rounds'),
    capSeconds: whole('capSeconds').optional(),
  }),
  z.strictObject({ kind: z.literal('flow'), restSeconds: whole('restSeconds') }),
]);
export type Format = z.infer<typeof formatSchema>;
export type FormatKind = Format['kind'];
type FormatOf<K extends FormatKind> = Extract<Format, { kind: K }>;

/** What an estimate comes to and what it is made of. */
export interface Estimate {
  readonly of: 'rounds' | 'seconds left' | 'seconds';
  readonly lo: number;
  readonly hi: number;
  readonly says: string;
  readonly madeOf: readonly string[];
}

/** An input that can't be as it is, and what to change it to where one value would mend it. */
export interface FormatFault {
  readonly field: string;
  readonly says: string;
  readonly station: number | null;
}

interface FormatEntry<F> {
  readonly name: string;
  readonly says: string;
  /** What a form asks for; an input ending in ? may be left out. */
  readonly inputs: readonly (InputKey | `${InputKey}?` | ChoiceKey)[];
  readonly usual: F;
  /** Whether a station's dose is a count, or the clock alone says how long. */
  readonly counts: boolean;
  /** More than once round: what is checked between neighbours is checked from last to first as well. */
  readonly ring: (format: F) => boolean;
  readonly compile: (format: F, stations: readonly StationWork[], around: Surroundings) => Piece[];
  readonly words: (format: F) => string;
  readonly estimate?: (format: F, stations: readonly StationWork[], around: Surroundings) => Estimate | null;
  readonly faults?: (format: F, stations: readonly StationWork[]) => FormatFault[];
}

const once = (n: number) => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} rounds`);
const roundsWords = (f: { rounds: number; mostRounds?: number | undefined }) =>
  f.mostRounds !== undefined && f.mostRounds > f.rounds
    ? `${f.rounds} to ${f.mostRounds} rounds`
    : once(f.rounds);
const minutesWords = (seconds: number) => (seconds % 60 === 0 ? `${seconds / 60} min` : clockText(seconds));

interface SlotOf {
  readonly at: StationWork;
  readonly side: 'left' | 'right' | null;
}
/** A round's slots: one a station, two where each side has its own. */
function slotsIn(stations: readonly StationWork[], round: number): SlotOf[] {
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
function inSlot(parts: readonly PartWork[], seconds: number): Doing[] {
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
function byCount(parts: readonly PartWork[], goes = 1, mostGoes = goes, count?: number): Doing[] {
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
function pushOpen(track: Track, takes: Span, more: Partial<Piece>): void {
  track.push('work', Math.max(1, takes.mid), { ...more, open: rounded(takes) });
}
/** One set of a station, as long as its dose takes. */
function pushSet(track: Track, at: StationWork, slot: number, set: number, sets: number): void {
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
function pushChange(
  track: Track,
  rest: number,
  from: StationWork,
  to: StationWork,
  around: Surroundings,
  more: Partial<Piece>,
): void {
  const change = from === to ? span(0) : around.change(from, to);
  if (rest >= change.mid) track.push('rest', rest, more);
  else
    track.push('change', change.mid, {
      ...more,
      open: { lo: Math.max(rest, Math.round(change.lo)), hi: Math.round(change.hi) },
    });
}

type Turns = Omit<FormatOf<'intervals'>, 'kind'>;
/** Work and rest by the clock, station after station, round after round. */
function byTurns(f: Turns, stations: readonly StationWork[], laneEnds?: readonly number[]): Piece[] {
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
const turnsWords = (f: Turns) => `${f.workSeconds} on, ${f.restSeconds} off, ${roundsWords(f)}`;
const turnsInputs = [
  'workSeconds',
  'restSeconds',
  'rounds',
  'roundRestSeconds',
  'mostRounds?',
  'closingRest',
] as const;
const TURNS: Turns = {
  workSeconds: 40,
  restSeconds: 20,
  rounds: 2,
  roundRestSeconds: 60,
  closingRest: false,
};
const several = (f: { rounds: number; mostRounds?: number | undefined }) =>
  Math.max(f.rounds, f.mostRounds ?? 0) > 1;

/** Seconds of the slot that each of four lanes works. */
const endsOf = (f: FormatOf<'staggered'>): number[] => {
  const part = (percent: number) => Math.round((f.workSeconds * percent) / 100);
  return [part(f.innerPercent), part(f.innerPercent), part(f.middlePercent), f.workSeconds];
};

/** Led in unison everybody keeps the leader's pace, give or take a twentieth. Estimate. */
const paced = (pass: Span, led: boolean): Span =>
  led ? span(pass.mid * 0.95, pass.mid, pass.mid * 1.05) : pass;

const passWords = (pass: Span) =>
  `a round takes ${Math.round(pass.lo)} to ${Math.round(pass.hi)} s, changes counted`;
const fatigueWords = (around: Surroundings) =>
  around.fatigue > 0 ? [`each further round ${Math.round(around.fatigue * 100)} % longer`] : [];

/** Rounds reached in a time: slowest and quickest pass. */
function reached(capSeconds: number, pass: Span, around: Surroundings) {
  return {
    lo: roundsIn(capSeconds, pass.hi, around.fatigue),
    mid: roundsIn(capSeconds, pass.mid, around.fatigue),
    hi: roundsIn(capSeconds, pass.lo, around.fatigue),
  };
}
const roundsRange = (lo: number, hi: number) => {
  const a = Math.floor(lo * 2) / 2;
  const b = Math.floor(hi * 2) / 2;
  const say = (n: number) => (Number.isInteger(n) ? String(n) : `${Math.floor(n)}½`);
  return a === b ? `about ${say(a)} rounds` : `${say(a)} to ${say(b)} rounds`;
};

const EMOM_MINUTE = 60;
/** What a minute's count takes and leaves. */
function minuteOf(station: StationWork): { takes: Span; left: { lo: number; hi: number } } {
  const [first] = station.parts(0);
  const takes = first ? first.takes : span(0);
  return { takes, left: { lo: EMOM_MINUTE - takes.hi, hi: EMOM_MINUTE - takes.lo } };
}

/**
 * Every format, each an entry with its inputs, its compile to pieces, its estimate and its words. Lengths
 * are never worked out a second way: they are read off the pieces.
 */
export const FORMATS: { readonly [K in FormatKind]: FormatEntry<FormatOf<K>> } = {
  intervals: {
    name: 'Intervals',
    says: 'work and rest by the clock, station after station',
    inputs: turnsInputs,
    usual: { kind: 'intervals', ...TURNS },
    counts: false,
    ring: several,
    compile: (f, stations) => byTurns(f, stations),
    words: turnsWords,
  },
  progressive: {
    name: 'Progressive rounds',
    says: 'each round a rung harder, as far as each can go',
    inputs: turnsInputs,
    usual: { kind: 'progressive', ...TURNS, rounds: 3 },
    counts: false,
    ring: several,
    compile: (f, stations) => byTurns(f, stations),
    words: (f) => `${turnsWords(f)}, a rung harder each`,
  },
  staggered: {
    name: 'Staggered finish',
    says: 'one clock; inner lanes end earlier inside the slot and keep moving gently',
    inputs: [...turnsInputs, 'innerPercent', 'middlePercent'],
    usual: { kind: 'staggered', ...TURNS, innerPercent: 67, middlePercent: 83 },
    counts: false,
    ring: several,
    compile: (f, stations) => byTurns(f, stations, endsOf(f)),
    words: (f) => {
      const ends = [...new Set(endsOf(f))];
      return `${ends.join(', ')} of ${f.workSeconds} s, ${f.restSeconds} off, ${roundsWords(f)}`;
    },
    faults: (f) =>
      f.innerPercent > f.middlePercent
        ? [
            {
              field: 'innerPercent',
              station: null,
              says: `The inner lanes would end after the middle one: ${f.innerPercent} % is more than ${f.middlePercent} %.`,
            },
          ]
        : [],
  },
  rotation: {
    name: 'Rotation',
    says: 'groups move round the stations; everything is in use at once',
    inputs: [...turnsInputs, 'groups'],
    usual: { kind: 'rotation', ...TURNS, groups: 4 },
    counts: false,
    ring: several,
    compile: (f, stations) => byTurns(f, stations),
    words: (f) => `${f.groups} groups rotate, ${turnsWords(f)}`,
    faults: (f, stations) =>
      f.groups > stations.length && stations.length > 0
        ? [
            {
              field: 'groups',
              station: null,
              says: `${f.groups} groups can’t be spread over ${stations.length} ${stations.length === 1 ? 'station' : 'stations'}.`,
            },
          ]
        : [],
  },
  tabata: {
    name: 'Short bouts',
    says: 'twenty seconds hard, ten off, eight times',
    inputs: ['workSeconds', 'restSeconds', 'bouts'],
    usual: { kind: 'tabata', workSeconds: 20, restSeconds: 10, bouts: 8 },
    counts: false,
    ring: (f) => f.bouts > 1,
    compile: (f, stations) => {
      const track = new Track();
      const n = Math.max(1, slotsIn(stations, 0).length);
      for (let bout = 0; bout < f.bouts && stations.length > 0; bout++) {
        const round = Math.floor(bout / n);
        const slots = slotsIn(stations, round);
        const { at, side } = slots[bout % n]!;
        track.push('work', f.workSeconds, {
          slot: bout % n,
          round,
          station: at.station,
          side,
          does: inSlot(at.parts(round), f.workSeconds),
          note: `bout ${bout + 1} of ${f.bouts}`,
        });
        const next = slots[(bout + 1) % n]!;
        track.push('rest', f.restSeconds, {
          slot: (bout + 1) % n,
          round,
          station: next.at.station,
          side: next.side,
        });
      }
      return track.pieces;
    },
    words: (f) => `${f.workSeconds} s hard, ${f.restSeconds} off, ${f.bouts} times`,
    faults: (f, stations) => {
      const slots = slotsIn(stations, 0);
      const missed = slots[f.bouts];
      if (!missed) return [];
      const first = stations.indexOf(missed.at);
      const left = stations.length - first;
      return [
        {
          field: 'bouts',
          station: first,
          says: `${f.bouts} bouts end before station ${first + 1}${left > 1 ? ` and the ${left === 2 ? 'one' : left - 1} after it` : ''}; once round takes ${slots.length}.`,
        },
      ];
    },
  },
  'one-minute': {
    name: 'One-minute stations',
    says: 'a minute each, straight on to the next',
    inputs: ['rounds', 'roundRestSeconds', 'mostRounds?'],
    usual: { kind: 'one-minute', rounds: 3, roundRestSeconds: 60 },
    counts: false,
    ring: several,
    compile: (f, stations) =>
      byTurns({ ...f, workSeconds: 60, restSeconds: 0, closingRest: false }, stations),
    words: (f) => `a minute each, ${roundsWords(f)}`,
  },
  amrap: {
    name: 'AMRAP, most rounds',
    says: 'a fixed time; rounds are counted',
    inputs: ['capSeconds', 'led'],
    usual: { kind: 'amrap', capSeconds: 600, led: false },
    counts: true,
    ring: () => true,
    compile: (f, stations, around) => {
      const track = new Track();
      if (stations.length === 0) return track.pieces;
      const pass = paced(passTakes(stations, around), f.led);
      const { mid, hi } = reached(f.capSeconds, pass, around);
      track.push('work', f.capSeconds, {
        slot: 0,
        station: stations.length === 1 ? stations[0]!.station : -1,
        does: withinCap(stations, f.capSeconds, mid, hi),
        note: f.led ? 'led in unison' : 'each at their own pace',
      });
      return track.pieces;
    },
    words: (f) => `as many rounds as you can in ${minutesWords(f.capSeconds)}${f.led ? ', together' : ''}`,
    estimate: (f, stations, around) => {
      const pass = paced(passTakes(stations, around), f.led);
      if (stations.length === 0 || pass.mid <= 0) return null;
      const { lo, hi } = reached(f.capSeconds, pass, around);
      return {
        of: 'rounds',
        lo,
        hi,
        says: roundsRange(lo, hi),
        madeOf: [passWords(pass), ...fatigueWords(around), `${minutesWords(f.capSeconds)} in all`],
      };
    },
  },
  emom: {
    name: 'EMOM, every minute',
    says: 'a count at the top of each minute, a second move to fill it',
    inputs: ['minutes', 'order', 'stationRestSeconds', 'leastFillSeconds'],
    usual: {
      kind: 'emom',
      minutes: 4,
      order: 'station by station',
      stationRestSeconds: 20,
      leastFillSeconds: 20,
    },
    counts: true,
    ring: (f) => f.order === 'in turn',
    compile: (f, stations) => {
      const track = new Track();
      const minute = (at: StationWork, slot: number, k: number, of: number, round: number) => {
        const [first, fill] = at.parts(round);
        const does: Doing[] = [];
        if (first) {
          does.push(...byCount([first]).map((d) => ({ ...d, seconds: Math.min(EMOM_MINUTE, d.seconds) })));
          const left = EMOM_MINUTE - does[0]!.seconds;
          if (fill && left > 0)
            does.push({ entry: fill.entry, seconds: left, goes: 1, reps: null, most: null });
        }
        track.push('work', EMOM_MINUTE, {
          slot,
          station: at.station,
          round,
          does,
          note: `minute ${k + 1} of ${of}`,
        });
      };
      if (f.order === 'in turn') {
        for (let k = 0; k < f.minutes && stations.length > 0; k++) {
          const slot = k % stations.length;
          minute(stations[slot]!, slot, k, f.minutes, Math.floor(k / stations.length));
        }
      } else
        stations.forEach((at, i) => {
          for (let k = 0; k < f.minutes; k++) minute(at, i, k, f.minutes, k);
          if (i < stations.length - 1)
            track.push('rest', f.stationRestSeconds, { slot: i + 1, station: stations[i + 1]!.station });
        });
      return track.pieces;
    },
    words: (f) =>
      f.order === 'in turn'
        ? `every minute a station, ${f.minutes} minutes`
        : `every minute on the minute, ${f.minutes} minutes a station`,
    estimate: (f, stations) => {
      if (stations.length === 0) return null;
      const lefts = stations.map((s) => minuteOf(s).left);
      const lo = Math.min(...lefts.map((l) => l.lo));
      const hi = Math.max(...lefts.map((l) => l.hi));
      return {
        of: 'seconds left',
        lo,
        hi,
        says: `${Math.max(0, Math.round(lo))} to ${Math.max(0, Math.round(hi))} s of the minute left`,
        madeOf: [
          ...stations.map((s, i) => {
            const { takes } = minuteOf(s);
            return `station ${i + 1}: ${Math.round(takes.lo)} to ${Math.round(takes.hi)} s of work`;
          }),
          `at least ${f.leastFillSeconds} s to be left`,
        ],
      };
    },
    faults: (f, stations) =>
      stations.flatMap((s, i): FormatFault[] => {
        const { takes, left } = minuteOf(s);
        return left.lo < f.leastFillSeconds
          ? [
              {
                field: 'minute',
                station: i,
                says:
                  takes.mid > EMOM_MINUTE
                    ? `The count takes about ${Math.round(takes.mid)} s: more than the minute.`
                    : `The count takes up to ${Math.round(takes.hi)} s and leaves ${Math.max(0, Math.round(left.lo))} of the minute; ${f.leastFillSeconds} are wanted.`,
              },
            ]
          : [];
      }),
  },
  'for time': {
    name: 'Rounds for time',
    says: 'so many rounds as quickly as is clean, a cap where one is set',
    inputs: ['rounds', 'capSeconds?', 'led'],
    usual: { kind: 'for time', rounds: 3, capSeconds: 720, led: false },
    counts: true,
    ring: (f) => f.rounds > 1,
    compile: (f, stations, around) => {
      const track = new Track();
      if (stations.length === 0) return track.pieces;
      const takes = forTime(f.rounds, stations, around, f.led);
      const cap = f.capSeconds ?? Number.POSITIVE_INFINITY;
      const length = Math.min(cap, takes.mid);
      track.push('work', length, {
        slot: 0,
        station: stations.length === 1 ? stations[0]!.station : -1,
        does: withinCap(stations, length, f.rounds, f.rounds),
        open: { lo: Math.round(Math.min(cap, takes.lo)), hi: Math.round(Math.min(cap, takes.hi)) },
        note: f.led ? 'led in unison' : 'each at their own pace',
      });
      return track.pieces;
    },
    words: (f) =>
      f.capSeconds === undefined
        ? `${once(f.rounds)} for time`
        : `${minutesWords(f.capSeconds)} or ${f.rounds === 1 ? 'one round' : `${f.rounds} rounds`}, whichever comes first`,
    estimate: (f, stations, around) => {
      if (stations.length === 0) return null;
      const takes = forTime(f.rounds, stations, around, f.led);
      const over = f.capSeconds !== undefined && takes.hi > f.capSeconds;
      return {
        of: 'seconds',
        lo: takes.lo,
        hi: takes.hi,
        says: `${clockText(takes.lo)} to ${clockText(takes.hi)}${over ? `; ends at ${clockText(f.capSeconds!)}` : ''}`,
        madeOf: [
          passWords(paced(passTakes(stations, around), f.led)),
          ...fatigueWords(around),
          once(f.rounds),
        ],
      };
    },
    faults: (f, stations) =>
      f.capSeconds !== undefined && stations.length > 0 && soonest(f.rounds, stations) > f.capSeconds
        ? [
            {
              field: 'capSeconds',
              station: null,
              says: `Even the quickest take ${clockText(soonest(f.rounds, stations))} for ${once(f.rounds)}; the cap is ${clockText(f.capSeconds)}.`,
            },
          ]
        : [],
  },
  rounds: {
    name: 'Fixed rounds',
    says: 'a count at each station, round after round, rest as set',
    inputs: ['rounds', 'restSeconds', 'roundRestSeconds', 'mostRounds?'],
    usual: { kind: 'rounds', rounds: 3, restSeconds: 15, roundRestSeconds: 60 },
    counts: true,
    ring: several,
    compile: (f, stations, around) => {
      const track = new Track();
      for (let round = 0; round < f.rounds; round++) {
        const slots = slotsIn(stations, round);
        slots.forEach(({ at, side }, i) => {
          const parts = sided(at, round, side);
          pushOpen(track, goTakes(parts), {
            slot: i,
            round,
            station: at.station,
            side,
            does: byCount(parts),
          });
          const next = slots[i + 1];
          if (next)
            pushChange(track, f.restSeconds, at, next.at, around, {
              slot: i + 1,
              round,
              station: next.at.station,
              side: next.side,
            });
        });
        if (round < f.rounds - 1) track.push('round rest', f.roundRestSeconds, { round });
      }
      return track.pieces;
    },
    words: (f) => `${roundsWords(f)} by count, ${f.restSeconds} s between`,
  },
  sets: {
    name: 'Sets and reps',
    says: 'all sets of a station, then the next',
    inputs: ['sets', 'restSeconds', 'stationRestSeconds'],
    usual: { kind: 'sets', sets: 3, restSeconds: 60, stationRestSeconds: 90 },
    counts: true,
    ring: (f) => f.sets > 1,
    compile: (f, stations, around) => {
      const track = new Track();
      stations.forEach((at, i) => {
        for (let set = 0; set < f.sets; set++) {
          pushSet(track, at, i, set, f.sets);
          if (set < f.sets - 1)
            track.push('rest', f.restSeconds, { slot: i, round: set, station: at.station });
        }
        const next = stations[i + 1];
        if (next)
          pushChange(track, f.stationRestSeconds, at, next, around, {
            slot: i + 1,
            station: next.station,
          });
      });
      return track.pieces;
    },
    words: (f) => `${f.sets} ${f.sets === 1 ? 'set' : 'sets'} each, ${f.restSeconds} s between`,
  },
  superset: {
    name: 'Supersets',
    says: 'stations in pairs: one, the other, rest',
    inputs: ['sets', 'restSeconds', 'pairRestSeconds'],
    usual: { kind: 'superset', sets: 3, restSeconds: 10, pairRestSeconds: 60 },
    counts: true,
    ring: (f) => f.sets > 1,
    compile: (f, stations, around) => {
      const track = new Track();
      for (let pair = 0; pair < stations.length; pair += 2)
        for (let set = 0; set < f.sets; set++) {
          const two = stations.slice(pair, pair + 2);
          two.forEach((at, k) => {
            pushSet(track, at, pair + k, set, f.sets);
            const next = k === 0 && two[1] ? two[1] : set < f.sets - 1 ? two[0]! : stations[pair + 2];
            if (next)
              pushChange(track, k === 0 && two[1] ? f.restSeconds : f.pairRestSeconds, at, next, around, {
                slot: stations.indexOf(next),
                round: set,
                station: next.station,
              });
          });
        }
      return track.pieces;
    },
    words: (f) => `pairs, ${f.sets} times each, ${f.pairRestSeconds} s after a pair`,
    faults: (_f, stations) =>
      stations.length % 2 === 1
        ? [
            {
              field: 'stations',
              station: stations.length - 1,
              says: 'The last station has no partner: supersets go in pairs.',
            },
          ]
        : [],
  },
  pyramid: {
    name: 'Pyramid',
    says: 'the count climbs step by step, and comes down again where asked',
    inputs: ['from', 'by', 'to', 'way', 'holdSeconds', 'stepRestSeconds'],
    usual: { kind: 'pyramid', from: 2, by: 2, to: 10, way: 'up', holdSeconds: 0, stepRestSeconds: 10 },
    counts: true,
    ring: () => true,
    compile: (f, stations, around) => {
      const track = new Track();
      const steps = stepsOf(f.from, f.by, f.to, f.way);
      steps.forEach((count, step) => {
        stations.forEach((at, i) => {
          const parts = at.parts(step);
          pushOpen(track, stepTakes(parts, count), {
            slot: i,
            round: step,
            station: at.station,
            does: byCount(parts, 1, 1, count),
            note: `${count} each`,
          });
          const next = stations[i + 1];
          if (next)
            pushChange(track, 0, at, next, around, { slot: i + 1, round: step, station: next.station });
        });
        // What was done last is held after every step, the last one too.
        const last = stations.at(-1);
        const held = last?.parts(step).at(-1);
        if (last && held)
          track.push('hold', f.holdSeconds, {
            slot: stations.length - 1,
            round: step,
            station: last.station,
            does: [{ entry: held.entry, seconds: f.holdSeconds, goes: 1, reps: 0, most: 0 }],
          });
        if (step < steps.length - 1) {
          track.push('rest', f.stepRestSeconds, {
            slot: 0,
            round: step,
            station: stations[0]?.station ?? -1,
          });
        }
      });
      return track.pieces;
    },
    words: (f) =>
      `${stepsOf(f.from, f.by, f.to, f.way).slice(0, 3).join('-')}… to ${f.way === 'up' ? f.to : f.from}${f.way === 'up and down' ? ' again' : ''} of each`,
    faults: (f) => stepFaults(f),
  },
  descending: {
    name: 'Descending reps',
    says: 'five of each, four of each, down to one',
    inputs: ['from', 'by', 'to', 'rounds', 'capSeconds?'],
    usual: { kind: 'descending', from: 5, by: 1, to: 1, rounds: 1 },
    counts: true,
    ring: () => true,
    compile: (f, stations, around) => {
      const track = new Track();
      if (stations.length === 0) return track.pieces;
      const counts = stepsOf(f.to, f.by, f.from, 'down');
      const total = counts.reduce((sum, n) => sum + n, 0);
      const pass = descentTakes(counts, stations, around);
      const cap = f.capSeconds;
      const goes = cap === undefined ? span(f.rounds) : span(...spread(reached(cap, pass, around)));
      const length = cap ?? secondsFor(f.rounds, pass.mid, around.fatigue);
      const does = stations.flatMap((s) => byCount(s.parts(0), goes.mid, goes.hi, total));
      const busy = does.reduce((sum, d) => sum + d.seconds, 0);
      track.push('work', length, {
        slot: 0,
        station: stations.length === 1 ? stations[0]!.station : -1,
        does: busy > length ? does.map((d) => ({ ...d, seconds: (d.seconds * length) / busy })) : does,
        open:
          cap === undefined
            ? {
                lo: Math.round(secondsFor(f.rounds, pass.lo, around.fatigue)),
                hi: Math.round(secondsFor(f.rounds, pass.hi, around.fatigue)),
              }
            : null,
        note: counts.join('-'),
      });
      return track.pieces;
    },
    words: (f) =>
      `${stepsOf(f.to, f.by, f.from, 'down').join('-')}, ${f.capSeconds === undefined ? once(f.rounds) : `as often as it goes in ${minutesWords(f.capSeconds)}`}`,
    estimate: (f, stations, around) => {
      if (stations.length === 0) return null;
      const pass = descentTakes(stepsOf(f.to, f.by, f.from, 'down'), stations, around);
      const made = [passWords(pass), ...fatigueWords(around)];
      if (f.capSeconds === undefined) {
        const lo = secondsFor(f.rounds, pass.lo, around.fatigue);
        const hi = secondsFor(f.rounds, pass.hi, around.fatigue);
        return { of: 'seconds', lo, hi, says: `${clockText(lo)} to ${clockText(hi)}`, madeOf: made };
      }
      const { lo, hi } = reached(f.capSeconds, pass, around);
      return { of: 'rounds', lo, hi, says: roundsRange(lo, hi), madeOf: made };
    },
    faults: (f) => stepFaults({ from: f.to, by: f.by, to: f.from }),
  },
  flow: {
    name: 'One after another',
    says: 'a time for each, straight through: warm-up, cool-down',
    inputs: ['restSeconds'],
    usual: { kind: 'flow', restSeconds: 0 },
    counts: true,
    ring: () => false,
    compile: (f, stations) => {
      const track = new Track();
      stations.forEach((at, i) => {
        const parts = at.parts(0);
        const takes = goTakes(parts);
        track.push('work', Math.max(1, takes.mid), {
          slot: i,
          station: at.station,
          does: byCount(parts),
        });
        const next = stations[i + 1];
        if (next) track.push('rest', f.restSeconds, { slot: i + 1, station: next.station });
      });
      return track.pieces;
    },
    words: () => 'straight through',
  },
};

const spread = (s: Span): [number, number, number] => [s.lo, s.mid, s.hi];

/** A side's share where each has a slot of its own, or its own round. */
function sided(at: StationWork, round: number, side: 'left' | 'right' | null): readonly PartWork[] {
  const parts = at.parts(round);
  return side === null
    ? parts
    : parts.map((part) => ({ ...part, per: 1, takes: part.per === 2 ? times(part.takes, 0.5) : part.takes }));
}

/** A count of a step for parts that are counted; the others take their own time. */
const stepTakes = (parts: readonly PartWork[], count: number): Span =>
  parts.reduce((sum, part) => plus(sum, takesFor(part, count)), span(0));

function descentTakes(
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

const forTime = (
  rounds: number,
  stations: readonly StationWork[],
  around: Surroundings,
  led: boolean,
): Span => {
  const pass = paced(passTakes(stations, around), led);
  const total = (one: number) => secondsFor(rounds, one, around.fatigue);
  return span(total(pass.lo), total(pass.mid), total(pass.hi));
};
const soonest = (rounds: number, stations: readonly StationWork[]): number =>
  rounds * stations.reduce((sum, s) => sum + goTakes(s.parts(0)).lo, 0);

/** So many goes of every station inside a length: their time, never more than there is. */
function withinCap(stations: readonly StationWork[], length: number, goes: number, most: number): Doing[] {
  const does = stations.flatMap((s) => byCount(s.parts(0), goes, most));
  const busy = does.reduce((sum, d) => sum + d.seconds, 0);
  return busy > length ? does.map((d) => ({ ...d, seconds: (d.seconds * length) / busy })) : does;
}

function stepFaults(f: { from: number; by: number; to: number }): FormatFault[] {
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

/** The entry of a format, typed for use with any of them. */
export const formatEntry = (kind: FormatKind): FormatEntry<Format> =>
  FORMATS[kind] as unknown as FormatEntry<Format>;

/** A block's pieces. */
export function compileFormat(
  format: Format,
  stations: readonly StationWork[],
  around: Surroundings,
): Piece[] {
  return formatEntry(format.kind).compile(format, stations, around);
}

/** Shortest and longest a format comes to in seconds, most rounds counted where they may be more; `pieces` if they are there. */
export function formatRange(
  format: Format,
  stations: readonly StationWork[],
  around: Surroundings,
  pieces: readonly Piece[] = compileFormat(format, stations, around),
): { lo: number; hi: number } {
  const least = rangeOf(pieces);
  if (!('mostRounds' in format) || format.mostRounds === undefined || format.mostRounds <= format.rounds)
    return least;
  const most = compileFormat({ ...format, rounds: format.mostRounds }, stations, around);
  return { lo: least.lo, hi: rangeOf(most).hi };
}

export const formatWords = (format: Format): string => formatEntry(format.kind).words(format);
