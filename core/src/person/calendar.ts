import { type Group, WEEKDAYS } from './group.ts';

/** Minutes of a session where nobody said. Common practice. */
const USUAL_MINUTES = 60;

/** A session of a group's week, on its day. */
export interface Occurrence {
  readonly group: string;
  readonly name: string;
  /** YYYY-MM-DD */
  readonly on: string;
  /** HH:MM by the clock on the wall; null where only the day is known. */
  readonly time: string | null;
  readonly minutes: number;
  /** The session they do; null where it isn't chosen. */
  readonly plan: string | null;
  readonly room: string | null;
  /** Not held that day. */
  readonly off: boolean;
  /** Who said they aren't coming. */
  readonly away: readonly string[];
}

/** The day of a moment where this machine is, as YYYY-MM-DD: the day on which its local time is. */
export function dayOf(moment: Date | string): string {
  const at = new Date(moment);
  const two = (n: number) => String(n).padStart(2, '0');
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
}

const DAY_MS = 86_400_000;
const dayAfter = (day: string, days: number) =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);

/** The weekday of a day, by its name. Days are dates, so that no daylight saving shifts them. */
export const weekdayOf = (day: string): (typeof WEEKDAYS)[number] =>
  WEEKDAYS[(new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7]!;

/** Every group's sessions from a day on, for so many days, in the order in which they come. */
export function occurrencesOf(groups: readonly Group[], from: string, days: number): Occurrence[] {
  const found: Occurrence[] = [];
  for (let d = 0; d < days; d++) {
    const on = dayAfter(from, d);
    for (const group of groups) {
      const change = group.changes.find((one) => one.on === on);
      if (group.weekday !== weekdayOf(on) && !change?.time) continue;
      found.push({
        group: group.id,
        name: group.name,
        on,
        time: change?.time ?? group.time ?? null,
        minutes: group.minutes ?? USUAL_MINUTES,
        plan: change?.plan ?? group.plan ?? null,
        room: group.room ?? null,
        off: change?.off ?? false,
        away: change?.away ?? [],
      });
    }
  }
  const key = (o: Occurrence) => `${o.on} ${o.time ?? ''} ${o.name}`;
  return found.sort((a, b) => (key(a) < key(b) ? -1 : 1));
}
