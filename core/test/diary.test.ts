import { HAPPENED_IDS, monthOf, recordsWith, type SessionRecord } from '@inner-rung/core/log';
import fc from 'fast-check';
import { record, result } from './results.ts';

const anyResult = fc.record({
  person: fc.constantFrom('ada', 'ben', 'cy'),
  present: fc.boolean(),
  sign: fc.option(fc.constant({ sign: 'faint or dizzy' as const, note: '' }), { nil: null }),
  pain: fc.option(fc.constant({ where: 'knee', note: '' }), { nil: null }),
  left: fc.boolean(),
  share: fc.constantFrom(0, 0.2, 0.89, 0.91, 1),
});
const anyRecord = fc
  .record({
    on: fc
      .integer({ min: 0, max: 60 })
      .map((n) => new Date(Date.UTC(2026, 9, 1 + n)).toISOString().slice(0, 10)),
    results: fc.array(anyResult, { minLength: 1, maxLength: 4 }),
  })
  .map(
    ({ on, results }): SessionRecord =>
      record(
        on,
        results.map((one) => result(one)),
      ),
  );
const records = fc.array(anyRecord, { maxLength: 12 });
const nothing = { group: null, person: null, moves: null };
const count = (some: readonly SessionRecord[]) =>
  some.reduce((sum, record) => sum + record.results.length, 0);

test('days are both inclusive, and the two halves of any span are the whole', () => {
  fc.assert(
    fc.property(records, fc.integer({ min: 1, max: 30 }), (all, n) => {
      const day = `2026-10-${String(n).padStart(2, '0')}`;
      const after = new Date(Date.parse(day) + 86_400_000).toISOString().slice(0, 10);
      const until = recordsWith(all, { ...nothing, to: day });
      const from = recordsWith(all, { ...nothing, from: after });
      expect(until.every((one) => one.on <= day)).toBe(true);
      expect(count(until) + count(from)).toBe(count(all));
      expect(recordsWith(all, { ...nothing, from: day, to: day })).toEqual(
        all.filter((one) => one.on === day),
      );
    }),
  );
});

test('what happened: who was absent isn’t among those to whom something did, and nobody is in it twice', () => {
  fc.assert(
    fc.property(records, (all) => {
      for (const happened of HAPPENED_IDS) {
        const found = recordsWith(all, { ...nothing, happened }).flatMap((record) => record.results);
        expect(found.every((one) => one.present !== (happened === 'absent'))).toBe(true);
        if (happened === 'stopped') expect(found.every((one) => one.sign !== null)).toBe(true);
        if (happened === 'pain') expect(found.every((one) => one.pain !== null)).toBe(true);
        if (happened === 'part') expect(found.every((one) => one.left || one.share < 0.9)).toBe(true);
      }
    }),
  );
});

test('a month has every day of its own, and adds up to what was recorded in it', () => {
  expect(
    monthOf([], '2028-02')
      .map(({ on }) => on)
      .at(-1),
  ).toBe('2028-02-29');
  expect(monthOf([], '2026-11')).toHaveLength(30);
  fc.assert(
    fc.property(records, (all) => {
      const month = monthOf(all, '2026-10');
      const here = all.filter((one) => one.on.startsWith('2026-10'));
      expect(month.reduce((sum, one) => sum + one.sessions, 0)).toBe(here.length);
      expect(month.reduce((sum, one) => sum + one.people, 0)).toBe(
        here.flatMap((one) => one.results).filter((one) => one.present).length,
      );
      expect(month.every((one) => one.incidents <= one.people)).toBe(true);
    }),
  );
});
