import { clockText } from '../clock/index.ts';
import type { Version } from '../engine/index.ts';
import type { Library } from '../ladder/index.ts';
import { rungDemand } from '../ladder/index.ts';
import { type DemandKey, MUSCLES, type Muscle } from '../move/index.ts';
import { factsIn, type Timed, timelineOf } from '../session/index.ts';
import { REST_MET, type Sums } from './sums.ts';

/** From where on a joint is worked and not only moved: 3 is hard on the scale of the demand rubric. Estimates. */
export const LOADED: readonly { readonly joint: string; readonly on: DemandKey; readonly least: number }[] = [
  { joint: 'wrists', on: 'wrist.load', least: 30 },
  { joint: 'shoulders', on: 'shoulder.load', least: 3 },
  { joint: 'knees', on: 'knee.load', least: 3 },
  { joint: 'kneeling', on: 'knee.kneel', least: 1 },
  { joint: 'bending back', on: 'spine.bend', least: 2 },
  { joint: 'turning back', on: 'spine.turn', least: 2 },
  { joint: 'ankles', on: 'ankle.load', least: 3 },
];

/** A version over its session, to be laid beside another. */
export interface Profile {
  /** MET at its middle from a second on, until the next; the last ends the session. */
  readonly effort: readonly { readonly at: number; readonly met: number }[];
  /** Landings in each whole minute, of both kinds. */
  readonly landings: readonly { readonly light: number; readonly hard: number }[];
  /** Seconds of work that load each joint of {@link LOADED}. */
  readonly joints: readonly number[];
  /** Seconds on each of MUSCLES. */
  readonly muscles: readonly number[];
}

/** Effort, landings, joints and muscles over a session as somebody does it. */
export function profileOf(library: Library, session: Timed, uses: Version['uses']): Profile {
  const { segments, lengthSeconds } = timelineOf(session, factsIn(library));
  const rest = (REST_MET.lo + REST_MET.hi) / 2;
  const effort: { at: number; met: number }[] = [];
  const landings = Array.from({ length: Math.max(1, Math.ceil(lengthSeconds / 60)) }, () => ({
    light: 0,
    hard: 0,
  }));
  const joints = LOADED.map(() => 0);
  const muscles = MUSCLES.map(() => 0);
  for (const segment of segments) {
    const { startSeconds, lengthSeconds: length } = segment;
    let met = 0;
    let busy = 0;
    for (const doing of segment.does) {
      const use = uses[doing.entry] ?? null;
      const ends = segment.laneEnds && use ? segment.laneEnds[use.lane]! : length;
      const bouts = use?.own?.bouts;
      const seconds = Math.min(bouts ? bouts.times * bouts.seconds : doing.seconds, length, ends);
      busy += seconds;
      met += seconds * (use ? (use.metLo + use.metHi) / 2 : rest);
      if (!use) continue;
      const counted =
        doing.most !== null && use.pace ? (doing.most * (use.own?.share ?? 1)) / use.pace : null;
      const minutes = counted ?? Math.min(doing.seconds, ends) / 60;
      spread(landings, startSeconds, length, minutes * use.lightPerMinute, 'light');
      spread(landings, startSeconds, length, minutes * use.highPerMinute, 'hard');
      const demand = rungDemand(library, use);
      LOADED.forEach(({ on, least }, j) => {
        if (!demand || !((demand[on].hi ?? Number.POSITIVE_INFINITY) < least)) joints[j]! += seconds;
      });
      const shares = library.move(use.move)?.muscles ?? {};
      MUSCLES.forEach((muscle: Muscle, m) => {
        muscles[m]! += seconds * (shares[muscle] ?? 0);
      });
    }
    met = (met + Math.max(0, length - busy) * rest) / Math.max(1, length);
    if (effort.at(-1)?.met !== met) effort.push({ at: startSeconds, met });
  }
  return { effort, landings, joints: joints.map(Math.round), muscles: muscles.map(Math.round) };
}

/** Landings of a stretch shared out over the minutes it lies in. */
function spread(
  minutes: { light: number; hard: number }[],
  start: number,
  length: number,
  landings: number,
  key: 'light' | 'hard',
): void {
  if (landings === 0 || length === 0) return;
  for (let m = Math.floor(start / 60); m < minutes.length && m * 60 < start + length; m++) {
    const inside = Math.min(start + length, (m + 1) * 60) - Math.max(start, m * 60);
    minutes[m]![key] += (landings * inside) / length;
  }
}

/** What tells two versions apart in figures, as one row each. */
export interface CompareRow {
  readonly says: string;
  readonly of: (sums: Sums) => string;
}

export const COMPARED: readonly CompareRow[] = [
  { says: 'Effort', of: (s) => `${s.metLo.toFixed(1)} to ${s.metHi.toFixed(1)} MET` },
  { says: 'Light landings', of: (s) => String(s.lightLandings) },
  { says: 'Hard landings', of: (s) => String(s.hardLandings) },
  { says: 'Most landings in a minute', of: (s) => String(s.mostLandingsAMinute) },
  { says: 'Down to the floor and up', of: (s) => `${s.floorChanges} times` },
  { says: 'Work', of: (s) => clockText(s.workSeconds) },
];
