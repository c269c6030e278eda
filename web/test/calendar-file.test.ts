import { groupSchema } from '@inner-rung/core/person';
import ICAL from 'ical.js';
import { calendarText, WEEKS_AHEAD } from '../src/people/calendar-file.ts';

const group = groupSchema.parse({
  version: 2,
  id: 'tuesday',
  name: 'Tuesday evening; all welcome, come',
  weekday: 'Tuesday',
  time: '18:30',
  minutes: 45,
  changes: [
    { on: '2026-12-01', off: true },
    { on: '2026-12-08', time: '19:00' },
  ],
});

test('read back by another library: every session, as on the wall, without the one that is off', () => {
  const calendar = new ICAL.Component(ICAL.parse(calendarText([group], '2026-11-24')));
  const events = calendar.getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
  expect(events).toHaveLength(WEEKS_AHEAD - 1);
  const days = events.map((e) => e.startDate.toString());
  expect(days.slice(0, 3)).toEqual(['2026-11-24T18:30:00', '2026-12-08T19:00:00', '2026-12-15T18:30:00']);
  expect(events[0]!.summary).toBe('Tuesday evening; all welcome, come');
  expect(events[0]!.duration.toSeconds()).toBe(45 * 60);
  expect(new Set(events.map((e) => e.uid)).size).toBe(events.length);
});

test('a group without a day is an empty calendar, and still one', () => {
  const text = calendarText([groupSchema.parse({ version: 2, id: 'c', name: 'Whenever' })], '2026-11-24');
  expect(new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent')).toEqual([]);
});
