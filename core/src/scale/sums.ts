import { lengthOf, type Segment } from '../clock/index.ts';
import { kcalPerMinute } from '../person/index.ts';
import { type Block, timelineOf } from '../session/index.ts';
import { type LibraryIndex, rowOf } from './library-index.ts';
import type { Use, Version } from './version.ts';

/** Easy walking about between stations. Estimate. */
const REST_MET = { lo: 1.8, hi: 2.5 };
const STAND = 0;
const SEAT = 1;
const FLOOR = 2;

/** Seconds that getting from one posture to another takes the fit. Common practice: 3–4 s for a floor change. */
const CHANGE_SECONDS = [
  [3, 4, 5],
  [4, 3, 6],
  [6, 6, 3],
] as const;

export interface Change {
  readonly from: number;
  readonly to: number;
  /** Seconds needed, and seconds the clock gives. */
  readonly needs: number;
  readonly has: number;
}

export interface Sums {
  readonly lengthSeconds: number;
  readonly workSeconds: number;
  readonly metLo: number;
  readonly metHi: number;
  readonly kcal: { readonly lo: number; readonly hi: number } | null;
  readonly lightLandings: number;
  readonly hardLandings: number;
  /** Times somebody gets down to the floor and up again. */
  readonly floorChanges: number;
  readonly changes: readonly Change[];
}

/** Adds up a version: times in seconds, MET as time-weighted ends, landings and floor changes. */
export function sumUp(
  index: LibraryIndex,
  block: Block,
  uses: Version['uses'],
  person: { massKg?: number | undefined; changeSeconds?: number | undefined } = {},
): Sums {
  const segments = timelineOf(block);
  let metLo = 0;
  let metHi = 0;
  let work = 0;
  let light = 0;
  let high = 0;
  for (const segment of segments) {
    const use = segment.kind === 'work' ? uses[segment.station] : null;
    metLo += segment.lengthSeconds * (use?.metLo ?? REST_MET.lo);
    metHi += segment.lengthSeconds * (use?.metHi ?? REST_MET.hi);
    if (segment.kind !== 'work') continue;
    work += segment.lengthSeconds;
    light += Math.ceil(((use?.lightPerMinute ?? 0) * segment.lengthSeconds) / 60);
    high += Math.ceil(((use?.highPerMinute ?? 0) * segment.lengthSeconds) / 60);
  }
  const length = lengthOf(segments);
  const changes = changesIn(index, segments, uses, person.changeSeconds ?? 0);
  const at = (use: Use | null | undefined, end: 'startsAt' | 'endsAt') => {
    const row = use ? rowOf(index, use.move) : -1;
    return row < 0 ? STAND : index[end][row]!;
  };
  let floorChanges = 0;
  let where = STAND;
  for (const segment of segments) {
    if (segment.kind !== 'work') continue;
    const use = uses[segment.station];
    if (at(use, 'startsAt') === FLOOR && where !== FLOOR) floorChanges++;
    where = at(use, 'endsAt');
  }
  return {
    lengthSeconds: length,
    workSeconds: work,
    metLo: length > 0 ? metLo / length : 0,
    metHi: length > 0 ? metHi / length : 0,
    kcal:
      person.massKg === undefined
        ? null
        : {
            lo: (kcalPerMinute(metLo / Math.max(1, length), person.massKg) * length) / 60,
            hi: (kcalPerMinute(metHi / Math.max(1, length), person.massKg) * length) / 60,
          },
    lightLandings: light,
    hardLandings: high,
    floorChanges,
    changes,
  };
}

/** Every step from one work slot to the next, round seams included, with the time it needs and has. */
function changesIn(
  index: LibraryIndex,
  segments: readonly Segment[],
  uses: Version['uses'],
  floorSeconds: number,
): Change[] {
  const changes: Change[] = [];
  let last: Segment | null = null;
  let gap = 0;
  for (const segment of segments) {
    if (segment.kind !== 'work') {
      gap += segment.lengthSeconds;
      continue;
    }
    if (last) {
      const before = uses[last.station];
      const after = uses[segment.station];
      const from = before ? index.endsAt[rowOf(index, before.move)]! : STAND;
      const to = after ? index.startsAt[rowOf(index, after.move)]! : STAND;
      const same = last.station === segment.station;
      const usual = same ? 2 : CHANGE_SECONDS[from as 0 | 1 | 2]![to as 0 | 1 | 2]!;
      const needs =
        from === to || same ? usual : Math.max(usual, from === SEAT && to === SEAT ? 0 : floorSeconds);
      changes.push({ from: last.station, to: segment.station, needs, has: gap });
    }
    last = segment;
    gap = 0;
  }
  return changes;
}
