import { type Group, occurrencesOf } from '@inner-rung/core/person';
import { createEvents, type EventAttributes } from 'ics';

/** Weeks that a calendar file looks ahead: a term and a bit. */
export const WEEKS_AHEAD = 26;

/** A group's sessions as an iCalendar text, for the calendar on a phone: times as on the wall, no zone of its own. */
export function calendarText(groups: readonly Group[], from: string): string {
  const events = occurrencesOf(groups, from, WEEKS_AHEAD * 7)
    .filter((one) => !one.off)
    .map((one): EventAttributes => {
      const [year, month, day] = one.on.split('-').map(Number) as [number, number, number];
      const [hour, minute] = (one.time ?? '00:00').split(':').map(Number) as [number, number];
      return {
        uid: `${one.group}-${one.on}@inner-rung`,
        title: one.name,
        start: one.time === null ? [year, month, day] : [year, month, day, hour, minute],
        startInputType: 'local',
        startOutputType: 'local',
        duration: one.time === null ? { days: 1 } : { minutes: one.minutes },
        productId: 'inner-rung',
      };
    });
  const { error, value } = createEvents(events, { productId: 'inner-rung', calName: 'Inner Rung' });
  if (error) throw error;
  return value ?? '';
}
