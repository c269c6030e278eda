import {
  attendanceOf,
  climbsOf,
  findInLog,
  indexLog,
  loadAhead,
  logLines,
  mondayOf,
  type Result,
  rises,
  type SessionRecord,
  weeksInWords,
  weeksOf,
} from '@inner-rung/core/log';
import fc from 'fast-check';
import { record as recordOn, result as resultOf } from './results.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const result = (more: Partial<Result> = {}): Result =>
  resultOf({
    effort: 6,
    pieces: [
      { entry: 0, move: 'jumping-jack', seconds: 600, reps: 540, counted: false },
      { entry: 1, move: 'squat', seconds: 600, reps: 200, counted: false },
    ],
    ...more,
  });
const record = (on: string, more: Partial<Result> = {}): SessionRecord => recordOn(on, [result(more)]);

test('a week begins on its Monday, whatever the year does', () => {
  expect(mondayOf('2026-11-25')).toBe('2026-11-23');
  expect(mondayOf('2026-11-23')).toBe('2026-11-23');
  expect(mondayOf('2026-11-29')).toBe('2026-11-23');
  expect(mondayOf('2027-01-01')).toBe('2026-12-28');
  // Over the ends of daylight saving.
  expect(mondayOf('2026-03-29')).toBe('2026-03-23');
  expect(mondayOf('2026-10-25')).toBe('2026-10-19');
});

test('by hand: two sessions of 30 minutes at 6 are a load of 360, 40 moderate minutes, 2,160 landings', () => {
  const [week] = weeksOf(library, 'ada', [record('2026-11-23'), record('2026-11-25')], '2026-11-25');
  expect(week).toMatchObject({
    from: '2026-11-23',
    sessions: 2,
    minutes: 60,
    load: 360,
    unknown: 0,
    bands: [0, 40, 0, 0],
    towards: 40,
    landings: 2160,
  });
});

test('a vigorous minute counts as two towards the weekly amount (WHO 2020)', () => {
  const [week] = weeksOf(library, 'ada', [record('2026-11-23', { effort: 8 })], '2026-11-25');
  expect(week!.bands).toEqual([0, 0, 20, 0]);
  expect(week!.towards).toBe(40);
});

test('without an answer the load is unknown, never nought, and the bands are the forms’ own', () => {
  const [week] = weeksOf(library, 'ada', [record('2026-11-23', { effort: null })], '2026-11-25');
  expect(week).toMatchObject({ load: 0, unknown: 1 });
  // Jacks are vigorous, squats moderate, by their MET.
  expect(week!.bands).toEqual([0, 10, 10, 0]);
});

test('weeks without a session stand, days to come don’t, and who wasn’t there has none', () => {
  const weeks = weeksOf(library, 'ada', [record('2026-11-03'), record('2026-12-24')], '2026-11-25');
  expect(weeks.map((w) => w.sessions)).toEqual([1, 0, 0, 0]);
  expect(weeksOf(library, 'ada', [record('2026-11-03', { present: false })], '2026-11-25')).toEqual([]);
  expect(weeksOf(library, 'bo', [record('2026-11-03')], '2026-11-25')).toEqual([]);
});

describe('a sudden rise', () => {
  const weeks = (...loads: number[]) =>
    loads.map((load) => ({
      from: '2026-11-02',
      sessions: 1,
      minutes: 30,
      bands: [0, 0, 0, 0],
      load,
      unknown: 0,
      landings: 0,
      towards: 0,
    }));
  test.each<[number[], boolean]>([
    [[100, 100, 150], false],
    [[100, 100, 151], true],
    [[100, 300], false],
    [[0, 0, 300], false],
  ])('%j: %s', (loads, said) => {
    expect(rises(weeks(...loads)).length > 0).toBe(said);
  });
  test('is told in words that foretell nothing', () => {
    expect(rises(weeks(100, 100, 200))[0]).toMatch(/100 % over the 2 weeks before.*foretells nothing/);
  });
});

test('every session is in exactly one week: sums over weeks are sums over sessions, 300 random logs', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          ago: fc.integer({ min: 0, max: 200 }),
          effort: fc.option(fc.integer({ min: 0, max: 10 })),
        }),
        { minLength: 1, maxLength: 30 },
      ),
      (list) => {
        const records = list.map(({ ago, effort }, i) => ({
          ...record(new Date(Date.parse('2026-11-25') - ago * 86_400_000).toISOString().slice(0, 10), {
            effort,
          }),
          id: `r-${i}`,
        }));
        const weeks = weeksOf(library, 'ada', records, '2026-11-25');
        const sum = (of: (w: (typeof weeks)[number]) => number) => weeks.reduce((all, w) => all + of(w), 0);
        expect(sum((w) => w.sessions)).toBe(records.length);
        expect(sum((w) => w.unknown)).toBe(list.filter((one) => one.effort === null).length);
        expect(sum((w) => w.load)).toBe(list.reduce((all, one) => all + (one.effort ?? 0) * 30, 0));
      },
    ),
    { numRuns: 300, seed: 20261125 },
  );
});

test('the log as lines, the newest first', () => {
  const lines = logLines(
    [record('2026-11-03'), record('2026-11-10', { pain: { where: 'knee', note: '' } })],
    (r) => r.person ?? r.known,
    (piece) => library.move(piece.move)!.name,
  );
  expect(lines.map((l) => l.date)).toEqual(['2026-11-10', '2026-11-03']);
  expect(lines[0]).toMatchObject({ person: 'ada', effort: '6', load: '180', pain: 'knee' });
  expect(lines[0]!.forms).toBe('Jumping jack 540; Squat 200');
});

test('found by words that stand anywhere in a line, whatever their case; all of it for none', () => {
  const index = indexLog(
    logLines(
      [record('2026-11-03'), record('2026-11-10', { pain: { where: 'right knee', note: '' }, person: 'bo' })],
      (r) => r.person ?? r.known,
      (piece) => library.move(piece.move)!.name,
    ),
  );
  expect(findInLog(index, 'KNEE bo').map((l) => l.person)).toEqual(['bo']);
  expect(findInLog(index, 'knee ada')).toEqual([]);
  expect(findInLog(index, '  ')).toHaveLength(2);
  // A word doesn't reach from one column into the next.
  expect(findInLog(index, 'tuesdaybo')).toEqual([]);
});

describe('over time', () => {
  test('rungs session by session, on trunks worked on at least twice', () => {
    const records = [record('2026-11-03'), record('2026-11-10', { pieces: [] }), record('2026-11-17')];
    const climbs = climbsOf(library, 'ada', records);
    const jacks = climbs.find((c) => c.ladder.rungs.some((rung) => rung.move === 'jumping-jack'))!;
    expect(jacks.steps.map((s) => s.on)).toEqual(['2026-11-03', '2026-11-17']);
    expect(climbsOf(library, 'ada', records.slice(0, 1))).toEqual([]);
  });
  test('what lies ahead is as the last four were: 30 minutes at 6 and at 4 are 150 a session', () => {
    const records = [record('2026-11-03'), record('2026-11-10', { effort: 4 })];
    expect(loadAhead('ada', records, 2)).toBe(300);
    expect(loadAhead('ada', [record('2026-11-03', { effort: null })], 2)).toBeNull();
    expect(loadAhead('nobody', records, 2)).toBeNull();
  });
  test('there is counted of what they were listed for', () => {
    expect(attendanceOf('ada', [record('2026-11-03'), record('2026-11-10', { present: false })])).toEqual({
      there: 1,
      of: 2,
    });
  });
  test('in words: minutes, the weekly amount with its source, landings', () => {
    const weeks = weeksOf(library, 'ada', [record('2026-11-23')], '2026-11-25');
    const said = weeksInWords(weeks, { there: 1, of: 1 }).join(' ');
    expect(said).toContain('At 1 of 1 sessions');
    expect(said).toContain('WHO 2020');
    expect(said).toContain(`${weeks[0]!.towards} minutes towards the 150`);
    expect(said).toMatch(/landings a week/);
    expect(weeksInWords([], { there: 0, of: 0 })).toEqual([]);
  });
});
