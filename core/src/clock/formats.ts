import * as z from 'zod';
import { lazily } from '../record/index.ts';
import { amrap } from './formats/amrap.ts';
import { descending } from './formats/descending.ts';
import { emom } from './formats/emom.ts';
import type { Estimate, FormatEntry, FormatFault } from './formats/entry.ts';
import { flow } from './formats/flow.ts';
import { forTime } from './formats/for-time.ts';
import { intervals } from './formats/intervals.ts';
import { oneMinute } from './formats/one-minute.ts';
import { progressive } from './formats/progressive.ts';
import { pyramid } from './formats/pyramid.ts';
import { rotation } from './formats/rotation.ts';
import { rounds } from './formats/rounds.ts';
import { sets } from './formats/sets.ts';
import { staggered } from './formats/staggered.ts';
import { superset } from './formats/superset.ts';
import { tabata } from './formats/tabata.ts';
import { type ClockPiece, rangeOf } from './timeline.ts';
import type { StationWork, Surroundings } from './work.ts';

export type { Estimate, FormatFault };

/** Every format there is. A format more is its own file, its entry here and in the schema below. */
const ALL = {
  intervals,
  progressive,
  staggered,
  rotation,
  tabata,
  'one-minute': oneMinute,
  amrap,
  emom,
  'for time': forTime,
  rounds,
  sets,
  superset,
  pyramid,
  descending,
  flow,
} as const;

export const formatSchema = lazily(() =>
  z.discriminatedUnion('kind', [
    intervals.schema,
    progressive.schema,
    staggered.schema,
    rotation.schema,
    tabata.schema,
    oneMinute.schema,
    amrap.schema,
    emom.schema,
    forTime.schema,
    rounds.schema,
    sets.schema,
    superset.schema,
    pyramid.schema,
    descending.schema,
    flow.schema,
  ]),
);
export type Format = z.infer<typeof formatSchema>;
export type FormatKind = Format['kind'];
type FormatOf<K extends FormatKind> = Extract<Format, { kind: K }>;

/** Lengths are never worked out a second way: they are read off the pieces that an entry compiles to. */
export const FORMATS: { readonly [K in FormatKind]: FormatEntry<FormatOf<K>> } = ALL;

/** Whether rounds of it are counted for each, whatever the clock. */
export const isTallied = (format: Format): boolean => formatEntry(format.kind).tallies === true;

/** The entry of a format, typed for use with any of them. */
export const formatEntry = (kind: FormatKind): FormatEntry<Format> =>
  FORMATS[kind] as unknown as FormatEntry<Format>;

/** Whose pace a format goes by: the clock's, a leader's, everybody's own. */
export const paceOf = (format: Format): 'clock' | 'led' | 'own' =>
  formatEntry(format.kind).pace?.(format) ?? 'clock';

/** A block's pieces. */
export function compileFormat(
  format: Format,
  stations: readonly StationWork[],
  around: Surroundings,
): ClockPiece[] {
  return formatEntry(format.kind).compile(format, stations, around);
}

/** Shortest and longest a format comes to in seconds, most rounds counted where they may be more; `pieces` if they are there. */
export function formatRange(
  format: Format,
  stations: readonly StationWork[],
  around: Surroundings,
  pieces: readonly ClockPiece[] = compileFormat(format, stations, around),
): { lo: number; hi: number } {
  const least = rangeOf(pieces);
  if (!('mostRounds' in format) || format.mostRounds === undefined || format.mostRounds <= format.rounds)
    return least;
  const most = compileFormat({ ...format, rounds: format.mostRounds }, stations, around);
  return { lo: least.lo, hi: rangeOf(most).hi };
}

export const formatWords = (format: Format): string => formatEntry(format.kind).words(format);
