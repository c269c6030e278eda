import type { Span } from './timeline.ts';

/** How both sides of a one-sided move get their turn. */
export const SIDES = {
  'swap at half': 'swap at half time',
  'two slots': 'a slot for each side',
  alternate: 'alternate each rep',
  'other side each round': 'the other side each round',
  'when tired': 'change when tired',
} as const;
export type Sides = keyof typeof SIDES;
export const SIDES_IDS = Object.keys(SIDES) as [Sides, ...Sides[]];

/** Where a move begins or ends: 0 standing, 1 seated, 2 on the floor. */
export type Level = 0 | 1 | 2;

/** One thing done at a station, with what its dose comes to in time. */
export interface PartWork {
  readonly entry: number;
  /** What one counted rep takes, in seconds. */
  readonly repSeconds: Span;
  /** Reps that one count stands for: 2 where the count is for each side. */
  readonly per: 1 | 2;
  /** The trainer's count, each side or in all as `per` says; null where time is the dose. */
  readonly count: number | null;
  /** Seconds the whole dose takes, both sides together. */
  readonly takes: Span;
  /** Its dose is a time or a distance, which no step's count changes. */
  readonly fixed: boolean;
  /** Short bouts inside a slot: so many of so many seconds. */
  readonly bouts: { readonly times: number; readonly seconds: number } | null;
}

/** What a station is to a clock. */
export interface StationWork {
  /** Index among all stations of the session. */
  readonly station: number;
  readonly sides: Sides;
  readonly starts: Level;
  readonly ends: Level;
  /** Sets of its own, where a clock goes in sets; null where it has as many as the others. */
  readonly sets: number | null;
  /** A chain of parts, the same in every round but where rounds climb a ladder. */
  readonly parts: (round: number) => readonly PartWork[];
}

/** What a format needs to know besides its own inputs. */
export interface Surroundings {
  /** Seconds from the end of one station to the start of the next. */
  readonly change: (from: StationWork, to: StationWork) => Span;
  /** Share by which each further round takes longer. */
  readonly fatigue: number;
}

export const span = (lo: number, mid = lo, hi = mid): Span => ({ lo, mid, hi });
export const plus = (a: Span, b: Span): Span => ({ lo: a.lo + b.lo, mid: a.mid + b.mid, hi: a.hi + b.hi });
export const times = (a: Span, n: number): Span => ({ lo: a.lo * n, mid: a.mid * n, hi: a.hi * n });
const NOTHING: Span = span(0);

/** Seconds that so many counted reps of a part take; its own time where its dose is one. */
export const takesFor = (part: PartWork, count: number, timed = false): Span =>
  part.fixed ? part.takes : timed ? span(count) : times(part.repSeconds, count * part.per);

/** Seconds of one go through everything at a station. */
export const goTakes = (parts: readonly PartWork[]): Span =>
  parts.reduce((sum, part) => plus(sum, part.takes), NOTHING);

/** Seconds of one pass over all stations, changes between them and back to the first counted. */
export function passTakes(stations: readonly StationWork[], around: Surroundings): Span {
  return stations.reduce((sum, station, i) => {
    const next = stations[(i + 1) % stations.length]!;
    const change = stations.length > 1 ? around.change(station, next) : NOTHING;
    return plus(plus(sum, goTakes(station.parts(0))), change);
  }, NOTHING);
}

/**
 * Rounds that fit into a time when each takes a share longer than the one before: whole ones and, after
 * the point, the part of the next. Nothing where a pass takes no time.
 */
export function roundsIn(capSeconds: number, passSeconds: number, fatigue: number): number {
  if (passSeconds <= 0 || capSeconds <= 0) return 0;
  let left = capSeconds;
  let pass = passSeconds;
  let rounds = 0;
  while (left >= pass && rounds < 999) {
    left -= pass;
    rounds++;
    pass *= 1 + fatigue;
  }
  return rounds + left / pass;
}

/** Seconds that so many rounds take, each a share longer than the one before. */
export function secondsFor(rounds: number, passSeconds: number, fatigue: number): number {
  let total = 0;
  for (let k = 0; k < rounds; k++) total += passSeconds * (1 + fatigue) ** k;
  return total;
}

/** The counts of a pyramid: up from `from` by `by` to `to`, down again where it says so. */
export function stepsOf(
  from: number,
  by: number,
  to: number,
  way: 'up' | 'down' | 'up and down',
): readonly number[] {
  const up: number[] = [];
  if (by > 0) for (let n = from; n <= to && up.length < 100; n += by) up.push(n);
  if (way === 'up') return up;
  const down = [...up].reverse();
  return way === 'down' ? down : [...up, ...down.slice(1)];
}
