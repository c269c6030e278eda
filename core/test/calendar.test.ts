import { type Group, groupSchema, occurrencesOf, WEEKDAYS, weekdayOf } from '@inner-rung/core/person';
import fc from 'fast-check';

const group = (more: Partial<Group>): Group =>
  groupSchema.parse({
    version: 2,
    id: 'g',
    name: 'Tuesday evening',
    weekday: 'Tuesday',
    time: '18:30',
    ...more,
  });

test('weekdays of known days', () => {
  expect(weekdayOf('2026-11-25')).toBe('Wednesday');
  expect(weekdayOf('2024-02-29')).toBe('Thursday');
  expect(weekdayOf('2000-01-01')).toBe('Saturday');
});

test('a weekly session, through the end of daylight saving: the same time on the wall', () => {
  const list = occurrencesOf([group({})], '2026-10-20', 14);
  expect(list.map((o) => [o.on, o.time])).toEqual([
    ['2026-10-20', '18:30'],
    ['2026-10-27', '18:30'],
  ]);
});

test('a day it isn’t held, one at another time with another session, and a day more', () => {
  const list = occurrencesOf(
    [
      group({
        plan: 'ten',
        changes: [
          { on: '2026-12-01', off: true },
          { on: '2026-12-08', off: false, time: '19:00', plan: 'twelve' },
          { on: '2026-12-10', off: false, time: '10:00' },
        ],
      }),
    ],
    '2026-11-24',
    21,
  );
  expect(list.map((o) => [o.on, o.time, o.plan, o.off])).toEqual([
    ['2026-11-24', '18:30', 'ten', false],
    ['2026-12-01', '18:30', 'ten', true],
    ['2026-12-08', '19:00', 'twelve', false],
    ['2026-12-10', '10:00', 'ten', false],
  ]);
});

test('in the order in which they come, and a group without a day has none', () => {
  const list = occurrencesOf(
    [
      group({ id: 'b', name: 'Late', time: '20:00' }),
      group({ id: 'a', name: 'Early', time: '09:00' }),
      groupSchema.parse({ version: 2, id: 'c', name: 'Whenever' }),
    ],
    '2026-11-24',
    1,
  );
  expect(list.map((o) => o.name)).toEqual(['Early', 'Late']);
});

test('over any 28 days a weekly session comes four times, on its day', () => {
  fc.assert(
    fc.property(fc.constantFrom(...WEEKDAYS), fc.integer({ min: 0, max: 20_000 }), (weekday, n) => {
      const from = new Date(n * 86_400_000).toISOString().slice(0, 10);
      const list = occurrencesOf([group({ weekday })], from, 28);
      expect(list).toHaveLength(4);
      for (const one of list) expect(weekdayOf(one.on)).toBe(weekday);
    }),
    { numRuns: 500, seed: 20261125 },
  );
});
