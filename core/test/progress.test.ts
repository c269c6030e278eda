import {
  bestsOf,
  corrected,
  furtherOf,
  type LogLine,
  logFile,
  logLines,
  nextPlan,
  nextRungs,
  outcomesNext,
  planAfter,
  type Result,
  readLogFile,
  readLogTable,
  recordSchema,
  type SessionRecord,
  toBeatOf,
  toTell,
} from '@inner-rung/core/log';
import { type Block, PLAN_EXAMPLE, type Plan } from '@inner-rung/core/session';
import fc from 'fast-check';
import { PEOPLE, RECORDS } from '../../demo/src/index.ts';
import { record as recordOn, result } from './results.ts';
import { circuit, facts } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const TODAY = '2026-11-24';

const record = (on: string, results: Result[], more: Partial<SessionRecord> = {}): SessionRecord =>
  recordOn(on, results, { plan: 'a-plan', group: 'g', ...more });
const reps = (move: string, n: number, counted = true, surfaceCm?: number) => ({
  entry: 0,
  move,
  ...(surfaceCm ? { settings: { surfaceCm } } : {}),
  seconds: 60,
  reps: n,
  counted,
});
const week = (n: number) => `2026-11-${String(n).padStart(2, '0')}`;

describe('what there is to beat', () => {
  const block: Block = {
    ...circuit(['squat', 'push-up']),
    format: { kind: 'amrap', capSeconds: 600, led: false } as Block['format'],
  };
  const plan = { id: 'a-plan', blocks: [block] };
  const does = [{ move: 'squat' }, { move: 'push-up' }];
  const round = (rounds: number, over: number, more: Partial<Result> = {}) =>
    result({
      pieces: does.map(({ move }, entry) => ({ entry, move, seconds: 300, reps: 60, counted: false })),
      counts: [{ block: 0, rounds, reps: over }],
      ...more,
    });
  const of = (records: readonly SessionRecord[], forms: readonly ({ move: string } | null)[] = does) =>
    toBeatOf(records, 'ada', plan, forms);
  test('the most rounds of this session by the same forms, and of two alike the first', () => {
    expect(
      of([record(week(1), [round(4, 7)]), record(week(8), [round(5, 2)]), record(week(15), [round(5, 2)])]),
    ).toEqual([{ block: 0, rounds: 5, reps: 2, on: week(8) }]);
  });
  test('other forms, another session, somebody else, pain or nothing counted: nothing to beat', () => {
    expect(of([record(week(1), [round(4, 7)])], [{ move: 'squat' }, { move: 'knee-push-up' }])).toEqual([]);
    const both = round(4, 7);
    const pieces = [
      ...both.pieces,
      { entry: 1, move: 'knee-push-up', seconds: 60, reps: 10, counted: false },
    ];
    expect(of([record(week(1), [{ ...both, pieces }])])).toEqual([]);
    expect(of([record(week(1), [round(4, 7)], { plan: 'another' })])).toEqual([]);
    expect(of([record(week(1), [round(4, 7, { person: 'bo' })])])).toEqual([]);
    expect(of([record(week(1), [round(4, 7, { pain: { where: 'knee', note: '' } })])])).toEqual([]);
    expect(of([record(week(1), [round(0, 0)])])).toEqual([]);
  });
  test('a block that nobody counts rounds of has none', () => {
    const led = { ...plan, blocks: [circuit(['squat', 'push-up'])] };
    expect(toBeatOf([record(week(1), [round(4, 7)])], 'ada', led, does)).toEqual([]);
  });
});

describe('bests', () => {
  const of = (...results: Result[]) =>
    bestsOf(
      'ada',
      results.map((r, i) => record(week(i + 1), [r])),
    );
  test('the same form at the same height is compared; another height is another best', () => {
    const bests = of(
      result({ pieces: [reps('raised-push-up', 10, true, 75)] }),
      result({ pieces: [reps('raised-push-up', 12, true, 75)] }),
      result({ pieces: [reps('raised-push-up', 8, true, 40)] }),
    );
    expect(bests.map((b) => [b.most, b.before])).toEqual([
      [8, null],
      [12, 10],
    ]);
  });
  test('what nobody counted, what wasn’t clean, and what hurt is no best', () => {
    expect(of(result({ pieces: [reps('squat', 40, false)] }))).toEqual([]);
    expect(of(result({ clean: false, pieces: [reps('squat', 40)] }))).toEqual([]);
    expect(of(result({ pain: { where: 'knee', note: '' }, pieces: [reps('squat', 40)] }))).toEqual([]);
  });
  test('half reps don’t beat whole ones: each standard has its own', () => {
    const bests = of(
      result({ pieces: [reps('squat', 20)] }),
      result({ range: 'part', pieces: [reps('squat', 30)] }),
    );
    expect(bests.map((b) => [b.range, b.most]).sort()).toEqual([
      ['full', 20],
      ['part', 30],
    ]);
  });
  test('rounds are compared with the same forms only, and seven over beats none over', () => {
    const rounds = (n: number, over: number, move = 'squat') =>
      result({ pieces: [reps(move, 20)], counts: [{ block: 0, rounds: n, reps: over }] });
    const bests = of(rounds(4, 0), rounds(4, 7), rounds(5, 0, 'sit-to-stand')).filter(
      (b) => b.of === 'rounds',
    );
    expect(bests.map((b) => [b.most, b.over])).toEqual([
      [5, 0],
      [4, 7],
    ]);
  });
  test('a best never falls when a record is added', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(60), { minLength: 1, maxLength: 12 }), (counts) => {
        const results = counts.map((n) => result({ pieces: [reps('squat', n)] }));
        const before = of(...results.slice(0, -1))[0]?.most ?? -1;
        expect(of(...results)[0]!.most).toBe(Math.max(...counts));
        expect(of(...results)[0]!.most).toBeGreaterThanOrEqual(before);
      }),
    );
  });
  test('more of the way on the same form is progress', () => {
    const records = [
      record(week(1), [result({ range: 'part', pieces: [reps('squat', 10)] })]),
      record(week(8), [result({ range: 'most', pieces: [reps('squat', 10)] })]),
      record(week(15), [result({ range: 'most', pieces: [reps('squat', 10)] })]),
    ];
    expect(furtherOf('ada', records)).toEqual([
      { form: { move: 'squat' }, from: 'part', to: 'most', on: week(8) },
    ]);
  });
});

describe('a correction', () => {
  const kept = record(week(1), [result({ effort: 6 })]);
  test('keeps what was said before, in words, with its moment', () => {
    const now = corrected(kept, 'r1', { effort: 4, clean: false }, '2026-11-01T20:00:00.000Z');
    expect(now.results[0]).toMatchObject({ effort: 4, clean: false });
    expect(now.results[0]!.corrections.map((c) => c.was)).toEqual(['effort 6', 'clean']);
    expect(recordSchema.parse(now)).toEqual(now);
  });
  test('what is the same is no correction, and nobody is no result', () => {
    expect(corrected(kept, 'r1', { effort: 6 }, '2026-11-01T20:00:00.000Z').results[0]!.corrections).toEqual(
      [],
    );
    expect(corrected(kept, 'r9', { effort: 1 }, '2026-11-01T20:00:00.000Z')).toBe(kept);
  });
});

describe('a table of results', () => {
  const row = (more: Record<string, string> = {}) => ({
    date: '2026-11-03',
    session: 'Tuesday ten',
    person: 'Maud Ellery',
    there: '',
    effort: '',
    clean: '',
    range: '',
    forms: '',
    ...more,
  });
  const formOf = (name: string) => (name === 'Squat' ? { move: 'squat' } : null);
  const read = (...rows: Record<string, string>[]) => readLogTable(rows, [], PEOPLE, formOf);

  test('becomes a record a session, by file where there is one and by name where there is none', () => {
    const { put, fates, problem } = read(
      row({ effort: '6', forms: 'Squat 20; Plank walk 40 s' }),
      row({ person: 'Somebody Else' }),
      row({ date: '2026-11-10' }),
    );
    expect(problem).toBeNull();
    expect(put.map((r) => [r.on, r.results.length])).toEqual([
      ['2026-11-03', 2],
      ['2026-11-10', 1],
    ]);
    const [maud, other] = put[0]!.results;
    expect(maud).toMatchObject({ person: 'maud-ellery', effort: 6, note: 'Plank walk 40 s' });
    expect(maud!.pieces).toEqual([{ entry: 0, move: 'squat', seconds: 0, reps: 20, counted: true }]);
    expect(other).toMatchObject({ person: null, known: 'Somebody Else' });
    expect(fates[0]!.says[0]).toContain('Plank walk 40 s');
    for (const one of put) expect(recordSchema.parse(one)).toEqual(one);
  });
  test('effort 11, a result of somebody who wasn’t there, a day that is none: said by line, not taken', () => {
    const { put, fates } = read(
      row({ effort: '11' }),
      row({ there: 'no', effort: '5' }),
      row({ date: '3 November' }),
      row({ clean: 'perhaps' }),
      row({ range: 'far' }),
      row({ person: '' }),
    );
    expect(put).toEqual([]);
    expect(fates.map((f) => f.is)).toEqual(Array(6).fill('refused'));
    expect(fates[0]!.says).toEqual(['effort: “11” isn’t a whole number from 0 to 10']);
    expect(fates[1]!.says[0]).toContain('they weren’t');
    expect(fates[2]!.line).toBe(4);
    expect(read(row({ effort: '10' })).fates[0]!.is).toBe('new');
  });
  test('a needed column that is missing is named; one that means nothing goes into the note', () => {
    expect(readLogTable([{ day: 'x', session: 'y', person: 'z' }], [], PEOPLE, formOf).problem).toContain(
      '“date”',
    );
    const { put, unknown } = read(row({ mood: 'good' }));
    expect(unknown).toEqual(['mood']);
    expect(put[0]!.results[0]!.note).toBe('mood: good');
  });
  test('what is here already stays as it is, however often the table is read', () => {
    const first = read(row({ effort: '6' }));
    const again = readLogTable([row({ effort: '3' })], first.put, PEOPLE, formOf);
    expect(again.put).toEqual([]);
    expect(again.fates[0]!.is).toBe('here already');
  });
  test('what goes out comes in the same', () => {
    const lines: LogLine[] = logLines(
      RECORDS,
      (r) => PEOPLE.find((p) => p.id === r.person)!.name,
      (piece) => piece.move,
    );
    const back = readLogTable(lines, [], PEOPLE, (name) => ({ move: name }));
    expect(back.fates.every((f) => f.is === 'new')).toBe(true);
    const key = (r: SessionRecord) => r.on;
    for (const one of RECORDS) {
      const read = back.put.find((r) => key(r) === key(one))!;
      expect(read.results.map((r) => [r.person, r.effort, r.pain?.where, r.present])).toEqual(
        one.results.map((r) => [r.person, r.present ? r.effort : null, r.pain?.where, r.present]),
      );
    }
  });
  test('as a file it comes back to the letter; another file is none', () => {
    expect(readLogFile({ plan: 1 }, [])).toBeNull();
    const fates = readLogFile(JSON.parse(logFile(RECORDS)), [RECORDS[0]!, { ...RECORDS[1]!, minutes: 5 }])!;
    expect(fates.map((f) => f.is)).toEqual(['here already', 'otherwise here', 'new', 'new']);
    expect(fates.map((f) => f.record)).toEqual(RECORDS);
    const bad = readLogFile({ kind: 'log', records: [{ ...RECORDS[0]!, minutes: -1 }] }, [])!;
    expect(bad[0]).toMatchObject({ is: 'refused' });
    expect(bad[0]!.says).toContain('minutes');
  });
});

describe('the next session of a group', () => {
  const block = circuit(['squat', 'push-up'], {
    workSeconds: 40,
    restSeconds: 20,
    rounds: 2,
    roundRestSeconds: 60,
  });
  const plan: Plan = { ...PLAN_EXAMPLE, id: 'a-plan', title: 'Tuesday', blocks: [block] };
  const good = (on: string, more: Partial<Result> = {}) =>
    record(on, [
      result(),
      result({ person: 'bo' }),
      result({ person: 'cy' }),
      result({ person: 'di', ...more }),
    ]);
  const bad = (on: string) => record(on, [result({ clean: false }), result({ effort: 9 }), result()]);
  const next = (grows: Parameters<typeof nextPlan>[4], records: SessionRecord[], of: Plan = plan) =>
    nextPlan(of, facts, records, 'two clean', grows);
  const format = (blocks: readonly Block[]) => blocks[0]!.format as { rounds: number; restSeconds: number };

  test('two good sessions running give a round more, one doesn’t', () => {
    expect(next('rounds', [good(week(3))]).steps).toEqual([]);
    expect(next('rounds', [good(week(3))]).stays).toContain('once more');
    const [step] = next('rounds', [good(week(3)), good(week(10))]).steps;
    expect(format(step!.blocks).rounds).toBe(3);
    expect(step!.says).toContain('3 rounds instead of 2');
  });
  test('where nobody said how hard it was nothing grows, and that is what is said', () => {
    const silent = (on: string) =>
      record(
        on,
        ['ann', 'bo', 'cy', 'di'].map((one) => result({ person: one, effort: null })),
      );
    const { steps, stays } = next('rounds', [silent(week(3)), silent(week(10))]);
    expect([steps, stays]).toEqual([[], 'How hard it was wasn’t said for most: the same again.']);
  });
  test('three of four well is enough, two of four isn’t; a stop sign never is', () => {
    const three = good(week(10), { clean: false });
    expect(next('rounds', [good(week(3)), three]).steps).toHaveLength(1);
    const two = {
      ...three,
      results: three.results.map((r, i) => (i < 2 ? { ...r, range: 'most' as const } : r)),
    };
    expect(next('rounds', [good(week(3)), two]).steps).toEqual([]);
    const sign = good(week(10), { sign: { sign: 'faint or dizzy', note: '' } });
    expect(next('rounds', [good(week(3)), sign]).steps).toEqual([]);
  });
  test('a round that there is no time for isn’t taken', () => {
    const tight = { ...plan, bookedMinutes: 6 };
    expect(next('rounds', [good(week(3)), good(week(10))], tight).stays).toContain('there are 6');
    expect(next('rounds', [good(week(3)), good(week(10))], { ...plan, bookedMinutes: 9 }).steps).toHaveLength(
      1,
    );
  });
  test('rests go down by five seconds, to ten and not below; to twenty for older people', () => {
    const rest = (restSeconds: number, forWhom: Plan['forWhom'] = 'adults') => ({
      ...plan,
      forWhom,
      blocks: [{ ...block, format: { ...block.format, restSeconds } as Block['format'] }],
    });
    const twice = [good(week(3)), good(week(10))];
    expect(format(next('rests', twice, rest(15)).steps[0]!.blocks).restSeconds).toBe(10);
    expect(next('rests', twice, rest(10)).steps).toEqual([]);
    const thrice = [good(week(1)), ...twice];
    expect(format(next('rests', thrice, rest(25, 'older')).steps[0]!.blocks).restSeconds).toBe(20);
    expect(next('rests', thrice, rest(20, 'older')).steps).toEqual([]);
    // Slower for them: two good ones aren't enough.
    expect(next('rests', twice, rest(25, 'older')).steps).toEqual([]);
  });
  test('too much for many twice running is a step back', () => {
    const [step] = next('rounds', [bad(week(3)), bad(week(10))]).steps;
    expect(step).toMatchObject({ is: 'down' });
    expect(format(step!.blocks).rounds).toBe(1);
    expect(next('rounds', [good(week(3)), bad(week(10))]).steps).toEqual([]);
  });
  test('two for two, worked: 12 and 12 where 10 were asked are a kilo more on ten; 12 and 11 aren’t', () => {
    const loaded: Plan = {
      ...plan,
      blocks: [
        {
          ...block,
          stations: block.stations.map((s, i) => (i === 0 ? { ...s, dose: { reps: 10, loadKg: 10 } } : s)),
        },
      ],
    };
    const did = (on: string, n: number) => record(on, [result({ pieces: [reps('squat', n * 2)] })]);
    const step = (a: number, b: number) => next('loads', [did(week(3), a), did(week(10), b)], loaded);
    expect(step(12, 12).steps[0]!.blocks[0]!.stations[0]!.dose!.loadKg).toBe(11);
    expect(step(12, 11).steps).toEqual([]);
    expect(step(12, 11).stays).toContain('two reps over');
    // Nobody counted: nothing is known.
    const guessed = (on: string) => record(on, [result({ pieces: [reps('squat', 30, false)] })]);
    expect(next('loads', [guessed(week(3)), guessed(week(10))], loaded).steps).toEqual([]);
  });
  test('counted at a station after one whose rounds climb: each station’s reps are its own', () => {
    const climbing: Block = {
      ...block,
      id: 'climb',
      format: { ...block.format, kind: 'progressive', rounds: 3 } as Block['format'],
    };
    const loaded: Plan = {
      ...plan,
      blocks: [
        climbing,
        { ...block, stations: block.stations.map((s) => ({ ...s, dose: { reps: 10, loadKg: 10 } })) },
      ],
    };
    // Two climbing stations of three rounds come first: the loaded ones are entries 6 and 7.
    const did = (on: string, entry: number) =>
      record(on, [result({ pieces: [{ ...reps('squat', 24), entry }] })]);
    const ids = (entry: number) =>
      next('loads', [did(week(3), entry), did(week(10), entry)], loaded).steps.map((step) => step.id);
    expect(ids(6)).toEqual([`load ${block.stations[0]!.id}`]);
    expect(ids(7)).toEqual([`load ${block.stations[1]!.id}`]);
    expect(ids(2)).toEqual([]);
  });
  test('a load never grows by more than a tenth, but for the least step there is', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 80 }), (kg) => {
        const loaded: Plan = {
          ...plan,
          blocks: [
            { ...block, stations: block.stations.map((s) => ({ ...s, dose: { reps: 10, loadKg: kg } })) },
          ],
        };
        const did = (on: string) => record(on, [result({ pieces: [reps('squat', 40)] })]);
        const [step] = next('loads', [did(week(3)), did(week(10))], loaded).steps;
        const by = step!.blocks[0]!.stations[0]!.dose!.loadKg! - kg;
        expect(by).toBeGreaterThan(0);
        expect(by).toBeLessThanOrEqual(Math.max(0.5, kg / 10));
      }),
    );
  });
  test('what is accepted is in the new plan, what isn’t is as it was; the old plan stays', () => {
    const before = JSON.stringify(plan);
    const { steps } = next('rounds', [good(week(3)), good(week(10))]);
    const made = planAfter(plan, steps, 'new-plan', 'Tuesday, next');
    expect(format(made.blocks).rounds).toBe(3);
    expect(planAfter(plan, [], 'new-plan', 'Tuesday, next').blocks).toEqual(plan.blocks);
    expect(JSON.stringify(plan)).toBe(before);
  });
  test('records of another session say nothing; none at all is said', () => {
    const other = [good(week(3)), good(week(10))].map((r) => ({ ...r, plan: 'another' }));
    expect(next('rounds', other).stays).toContain('hasn’t been done');
    expect(next('rungs', [good(week(3))])).toEqual({ steps: [], stays: null });
  });
  test('more evidence of ease never makes the session smaller', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 10 }), fc.boolean()), { minLength: 2, maxLength: 8 }),
        fc.constantFrom('rounds', 'rests'),
        (list, grows) => {
          const records = list.map(([effort, clean], i) => record(week(i + 1), [result({ effort, clean })]));
          const easier = list.map(([effort], i) =>
            record(week(i + 1), [result({ effort: Math.max(0, effort - 3), clean: true })]),
          );
          const size = (all: SessionRecord[]) => {
            const [step] = next(grows as 'rounds' | 'rests', all).steps;
            return step ? (step.is === 'up' ? 1 : -1) : 0;
          };
          expect(size(easier)).toBeGreaterThanOrEqual(size(records));
        },
      ),
    );
  });
});

describe('what to tell whom', () => {
  const last = RECORDS.at(-1)!;
  const hurt = {
    ...last,
    results: last.results.map((r) =>
      r.person === 'saskia-dorn' ? { ...r, pain: { where: 'right wrist', note: '' } } : r,
    ),
  };
  const rungs = (of: SessionRecord, barOf: Parameters<typeof nextRungs>[6] = () => null) =>
    nextRungs(library, PEOPLE, of, [...RECORDS.slice(0, -1), of], 'two clean', TODAY, barOf);

  test('after pain a way round is offered that keeps away from what hurt, never a harder one', () => {
    const push = rungs(hurt).find((r) => r.person.id === 'saskia-dorn' && r.ladder.includes('push'))!;
    expect(push.decision.is).toBe('ask');
    const branch = library.ladder(push.around!.ladder)!;
    expect(branch.avoids).toBe('weight through the wrists');
    expect(branch.branchOf).toContain(push.ladder);
    expect(push.placement).toBeNull();
  });
  test('a way round that isn’t open to them isn’t offered', () => {
    const barred = rungs(hurt, () => 'not for them').filter((r) => r.person.id === 'saskia-dorn');
    for (const one of barred) expect(one.around).toBeNull();
  });
  test('who is to be asked comes first; who stays isn’t told', () => {
    const told = toTell(library, rungs(hurt), (form) => form.move);
    expect(told[0]!.person.id).toBe('saskia-dorn');
    expect(told[0]!.says[0]).toContain('what hurt, when and where?');
    for (const one of told) expect(one.says.length).toBeGreaterThan(0);
  });
  test('every outcome of next time is shown before it happens, and what is shown is what then holds', () => {
    for (const one of rungs(last)) {
      const outcomes = outcomesNext(library, one, 'two clean', '2026-12-01');
      expect(outcomes).toHaveLength(5);
      const by = new Map(outcomes.map((o) => [o.says, o.decision]));
      expect(by.get('something hurts')!.is).toBe('ask');
      expect(by.get('something hurts')!.to).toBeLessThanOrEqual(one.decision.to);
      expect(by.get('clean at 5 of 10')!.to).toBeGreaterThanOrEqual(by.get('not clean')!.to);
    }
  });
});
