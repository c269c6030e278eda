import { type Library, rungDemand } from '../ladder/index.ts';
import { middle } from '../move/index.ts';
import { bandOfMet, bandOfRpe } from '../person/index.ts';
import { loadOf, type Result, type SessionRecord } from './record.ts';

/**
 * Weekly amounts for adults: moderate 150 to 300 minutes, or vigorous half of that, or a mix, a vigorous minute
 * counting as two (WHO 2020, from memory).
 */
export const WEEKLY = { moderate: 150, vigorousCounts: 2 } as const;

export interface Week {
  /** Monday, YYYY-MM-DD. */
  readonly from: string;
  readonly sessions: number;
  readonly minutes: number;
  /** Minutes of work in each effort band, light first. */
  readonly bands: readonly number[];
  /** Session load, where somebody asked how hard it was; sessions without an answer are counted in `unknown`. */
  readonly load: number;
  readonly unknown: number;
  /** Landings of both kinds, by pace and time. */
  readonly landings: number;
  /** Minutes towards the weekly amount, a vigorous one as two. */
  readonly towards: number;
}

const DAY_MS = 86_400_000;
/** The Monday of a day's week. */
export function mondayOf(day: string): string {
  const date = new Date(`${day}T00:00:00Z`);
  const since = (date.getUTCDay() + 6) % 7;
  return new Date(date.getTime() - since * DAY_MS).toISOString().slice(0, 10);
}

/** Minutes of work by band: as hard as they said it was; without an answer by the forms' own MET. */
function bandsOf(library: Library, result: Result): number[] {
  const bands = [0, 0, 0, 0];
  for (const piece of result.pieces) {
    const demand = rungDemand(library, piece);
    const met = demand ? middle(demand['effort.met']) : Number.NaN;
    const band =
      result.effort !== null
        ? bandOfRpe(Math.max(1, result.effort))
        : Number.isNaN(met)
          ? null
          : bandOfMet(met, null, 'adult');
    if (band !== null) bands[band]! += piece.seconds / 60;
  }
  return bands;
}

function landingsOf(library: Library, result: Result): number {
  return result.pieces.reduce((sum, piece) => {
    const demand = rungDemand(library, piece);
    if (!demand || piece.reps === null) return sum;
    return sum + piece.reps * (middle(demand['impact.landings']) + middle(demand['impact.highLandings']));
  }, 0);
}

/** Somebody's weeks, oldest first, from the first in which they did something to that of a day; empty ones stand. */
export function weeksOf(
  library: Library,
  person: string,
  records: readonly SessionRecord[],
  today: string,
): Week[] {
  const done = records
    .filter((record) => record.on <= today)
    .flatMap((record) => {
      const result = record.results.find((r) => r.person === person);
      return result?.present ? [{ record, result }] : [];
    });
  if (done.length === 0) return [];
  const first = mondayOf(done.map(({ record }) => record.on).sort()[0]!);
  const weeks: Week[] = [];
  for (let at = Date.parse(`${first}T00:00:00Z`); at <= Date.parse(`${today}T00:00:00Z`); at += 7 * DAY_MS) {
    const from = new Date(at).toISOString().slice(0, 10);
    const here = done.filter(({ record }) => mondayOf(record.on) === from);
    const bands = [0, 0, 0, 0];
    let load = 0;
    let unknown = 0;
    let landings = 0;
    for (const { record, result } of here) {
      bandsOf(library, result).forEach((minutes, b) => {
        bands[b]! += minutes;
      });
      const own = loadOf(record, result);
      if (own === null) unknown++;
      else load += own;
      landings += landingsOf(library, result);
    }
    const [, moderate, vigorous, most] = bands as [number, number, number, number];
    weeks.push({
      from,
      sessions: here.length,
      minutes: Math.round(here.reduce((sum, { record }) => sum + record.minutes, 0)),
      bands: bands.map((minutes) => Math.round(minutes * 10) / 10),
      load,
      unknown,
      landings: Math.round(landings),
      towards: Math.round(moderate + WEEKLY.vigorousCounts * (vigorous + most)),
    });
  }
  return weeks;
}

/** Weeks before it that a week is laid beside, and how much more is worth a word. Estimates. */
const BEFORE = 4;
const LEAST_BEFORE = 2;
const RISE = 1.5;

/** A sudden rise of the last week's load or landings, in words; none is no promise of anything. */
export function rises(weeks: readonly Week[]): string[] {
  const last = weeks.at(-1);
  const before = weeks.slice(-1 - BEFORE, -1);
  if (!last || before.length < LEAST_BEFORE) return [];
  const mean = (of: (week: Week) => number) =>
    before.reduce((sum, week) => sum + of(week), 0) / before.length;
  const said: string[] = [];
  for (const [what, of] of [
    ['Load', (week: Week) => week.load],
    ['Landings', (week: Week) => week.landings],
  ] as const) {
    const usual = mean(of);
    if (usual > 0 && of(last) > usual * RISE)
      said.push(
        `${what} this week: ${of(last)}, ${Math.round((of(last) / usual - 1) * 100)} % over the ${before.length} weeks before. A rise like this is worth a look; it foretells nothing by itself.`,
      );
  }
  return said;
}
