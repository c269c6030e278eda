import type { Ladder, Library } from '../ladder/index.ts';
import { evidenceOf } from './decide.ts';
import { loadOf, type SessionRecord } from './record.ts';
import { WEEKLY, type Week } from './weeks.ts';

/** Where somebody stood on a ladder, session by session. */
export interface Climb {
  readonly ladder: Ladder;
  readonly steps: readonly { readonly on: string; readonly rung: number }[];
}

/** The ladders somebody worked on at least twice, the one they went furthest on first. */
export function climbsOf(library: Library, person: string, records: readonly SessionRecord[]): Climb[] {
  const did = new Set(
    records.flatMap((r) => r.results.find((one) => one.person === person)?.pieces.map((p) => p.move) ?? []),
  );
  const span = ({ steps }: Climb) => steps.at(-1)!.rung - steps[0]!.rung;
  return library.ladders
    .filter((ladder) => ladder.branchOf.length === 0 && ladder.rungs.some((rung) => did.has(rung.move)))
    .map(
      (ladder): Climb => ({
        ladder,
        steps: evidenceOf(library, ladder, person, records).map(({ on, rung }) => ({ on, rung })),
      }),
    )
    .filter(({ steps }) => steps.length >= 2)
    .sort((a, b) => span(b) - span(a) || (a.ladder.name < b.ladder.name ? -1 : 1));
}

/** Sessions and weeks to look back on. Estimate. */
const LOOK_BACK = 4;

/**
 * Load that so many sessions ahead come to if each is as the last four were; null where nobody ever asked how hard it
 * was.
 */
export function loadAhead(
  person: string,
  records: readonly SessionRecord[],
  sessions: number,
): number | null {
  const loads = [...records]
    .sort((a, b) => (a.on < b.on ? 1 : -1))
    .flatMap((record) => {
      const result = record.results.find((one) => one.person === person);
      return (result && loadOf(record, result)) ?? [];
    })
    .slice(0, LOOK_BACK);
  if (loads.length === 0) return null;
  return Math.round((loads.reduce((a, b) => a + b, 0) / loads.length) * sessions);
}

/** Sessions of a person's groups that they were at, of those recorded since their first. */
export function attendanceOf(
  person: string,
  records: readonly SessionRecord[],
): { readonly there: number; readonly of: number } {
  const listed = records.flatMap((r) => r.results.find((one) => one.person === person) ?? []);
  return { there: listed.filter((r) => r.present).length, of: listed.length };
}

/** Somebody's last weeks in plain sentences, for them or whoever looks after them. */
export function weeksInWords(
  weeks: readonly Week[],
  attendance: { readonly there: number; readonly of: number },
): string[] {
  const last = weeks.slice(-LOOK_BACK);
  if (last.length === 0) return [];
  const mean = (of: (week: Week) => number) =>
    Math.round(last.reduce((sum, week) => sum + of(week), 0) / last.length);
  const whole = last.length === 1 ? 'this week' : `over the last ${last.length} weeks`;
  const harder = mean((w) => w.bands[2]! + w.bands[3]!);
  const said = [
    `At ${attendance.there} of ${attendance.of} sessions so far.`,
    `${whole.charAt(0).toUpperCase()}${whole.slice(1)}: about ${mean((w) => w.minutes)} minutes of sessions a week; in them about ${mean((w) => w.bands[0]!)} minutes of light work, ${mean((w) => w.bands[1]!)} of moderate${harder > 0 ? ` and ${harder} harder` : ''}.`,
    `That is ${mean((w) => w.towards)} minutes towards the ${WEEKLY.moderate} moderate minutes a week that are advised for adults (WHO 2020); walking and everything else outside these sessions counts too and isn’t in it.`,
  ];
  const landings = mean((w) => w.landings);
  said.push(
    landings === 0
      ? 'No jumps or landings.'
      : `About ${landings} landings a week from jumps, hops and running steps.`,
  );
  return said;
}
