import { GROUPS, PEOPLE } from './people.ts';
import { PLANS } from './plans.ts';
import { recordsBefore } from './records.ts';
import { ROOMS } from './rooms.ts';

export { GROUPS, PEOPLE, PLANS, RECORDS, ROOMS };

/** The day on which the scenario was written: its dates are told from here. */
const WRITTEN_ON = '2026-11-24';
const DAY_MS = 86_400_000;
const RECORDS = recordsBefore(WRITTEN_ON);

/** Moves every date but birth dates by so many days. */
function moved<T>(value: T, days: number): T {
  if (typeof value === 'string')
    return (
      /^\d{4}-\d{2}-\d{2}$/.test(value)
        ? new Date(Date.parse(`${value}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10)
        : value
    ) as T;
  if (Array.isArray(value)) return value.map((one) => moved(one, days)) as T;
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(
      Object.entries(value).map(([key, inner]) => [key, key === 'born' ? inner : moved(inner, days)]),
    ) as T;
  return value;
}

/** The scenario as it stands on a day (YYYY-MM-DD): screenings and tests as old as they are meant to be. */
export function scenarioOn(day: string) {
  const days = Math.round((Date.parse(`${day}T00:00:00Z`) - Date.parse(`${WRITTEN_ON}T00:00:00Z`)) / DAY_MS);
  return moved({ people: PEOPLE, groups: GROUPS, rooms: ROOMS, plans: PLANS, records: RECORDS }, days);
}
