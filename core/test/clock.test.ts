import {
  clockText,
  FORMATS,
  type Format,
  type FormatKind,
  formatSchema,
  formatWords,
  INPUTS,
  lengthWords,
  roundsIn,
  secondsFor,
  stepsOf,
} from '@inner-rung/core/clock';
import {
  type Block,
  type Dose,
  entriesOf,
  estimateOf,
  formatFaults,
  type MoveFacts,
  readSegment,
  sheetLines,
  type Timed,
  timelineOf,
} from '@inner-rung/core/session';
import fc from 'fast-check';
import { anyFormat, anyKind, anySession, circuit, facts, session } from './sessions.ts';

const length = (timed: Timed) => clockText(timelineOf(timed, facts).lengthSeconds);
const squats = (n: number) => Array.from({ length: n }, () => 'squat');
const blockOf = (format: Format, ...stations: (string | { move: string; dose: Dose })[]): Block => ({
  ...circuit(stations),
  format,
});

describe('interval sums that trainers can check by hand (common practice)', () => {
  test.each<[string, string, number, Parameters<typeof circuit>[1]]>([
    ['10 × (20 + 10) × 4 rounds', '20:00', 10, { workSeconds: 20, restSeconds: 10, rounds: 4 }],
    ['11 × (35 + 20)', '10:05', 11, { workSeconds: 35, restSeconds: 20 }],
    ['10 × (50 + 10)', '10:00', 10, { workSeconds: 50, restSeconds: 10 }],
    ['15 × (35 + 25)', '15:00', 15, { workSeconds: 35, restSeconds: 25 }],
    ['5 × (40 + 20) × 4', '20:00', 5, { rounds: 4 }],
    ['10 × (20 + 10)', '5:00', 10, { workSeconds: 20, restSeconds: 10 }],
    ['8 × (20 + 10)', '4:00', 8, { workSeconds: 20, restSeconds: 10 }],
    ['8 × (40 + 10) × 3 before a 4:00 finisher', '20:00', 8, { restSeconds: 10, rounds: 3 }],
    ['12 × 30 s with 10 s between', '7:50', 12, { workSeconds: 30, restSeconds: 10, closingRest: false }],
    [
      '6 × 30 s, 15 s between, twice, 30 s between rounds',
      '9:00',
      6,
      { workSeconds: 30, restSeconds: 15, rounds: 2, roundRestSeconds: 30, closingRest: false },
    ],
    ['8 × 30/30, one round', '8:00', 8, { workSeconds: 30, restSeconds: 30 }],
    ['8 × 30/15, one round', '6:00', 8, { workSeconds: 30, restSeconds: 15 }],
    ['8 × 30/0, one round', '4:00', 8, { workSeconds: 30, restSeconds: 0 }],
    [
      '8 × 30/0 × 5, a minute between',
      '24:00',
      8,
      { workSeconds: 30, restSeconds: 0, rounds: 5, roundRestSeconds: 60 },
    ],
    [
      '8 × 30/30 × 5, a minute between',
      '44:00',
      8,
      { workSeconds: 30, restSeconds: 30, rounds: 5, roundRestSeconds: 60 },
    ],
    [
      'the same without closing rest',
      '41:30',
      8,
      { workSeconds: 30, restSeconds: 30, rounds: 5, roundRestSeconds: 60, closingRest: false },
    ],
  ])('%s is %s', (_name, says, n, format) => {
    expect(
      length(session(circuit(squats(n), { rounds: 1, roundRestSeconds: 0, closingRest: true, ...format }))),
    ).toBe(says);
  });
  test('twelve listed are thirteen slots when the side hold has two sides: 8:30', () => {
    const moves = [...squats(11), { move: 'side-plank', sides: 'two slots' as const }];
    expect(length(session(circuit(moves, { workSeconds: 30, restSeconds: 10, rounds: 1 })))).toBe('8:30');
  });
});

describe('the other formats’ sums (common practice)', () => {
  test('8 × (40 + 10) × 3 and a four-minute finisher of short bouts are 24:00', () => {
    const main = circuit(squats(8), { restSeconds: 10, rounds: 3, roundRestSeconds: 0, closingRest: true });
    const finisher: Block = { ...blockOf(FORMATS.tabata.usual, 'high-knees'), id: 'f', role: 'finisher' };
    const { blocks } = timelineOf(session(main, finisher), facts);
    expect(blocks.map((b) => clockText(b.lengthSeconds))).toEqual(['20:00', '4:00']);
    expect(length(session(main, finisher))).toBe('24:00');
  });
  test('five one-minute stations three times over, a minute between rounds: 17 minutes, not 16', () => {
    expect(length(session(blockOf(FORMATS['one-minute'].usual, ...squats(5))))).toBe('17:00');
  });
  test('five stations of a four-minute EMOM with 20 s between: 21:20', () => {
    expect(length(session(blockOf(FORMATS.emom.usual, ...squats(5))))).toBe('21:20');
  });
  test('four reps at 4-2-1-0 take 28 s of the minute and leave about 30', () => {
    const slow = blockOf(FORMATS.emom.usual, { move: 'squat', dose: { reps: 4, tempo: '4-2-1-0' } });
    expect(estimateOf(session(slow), 0, facts)).toMatchObject({ of: 'seconds left', lo: 32, hi: 32 });
    expect(formatFaults(session(slow), 0, facts)).toEqual([]);
  });
  test('a count that grows by one a minute: 1 to 5 in five minutes are 15, and no minute is too short for one', () => {
    const grows = blockOf(
      { ...FORMATS.emom.usual, minutes: 5, growBy: 1 },
      { move: 'burpee', dose: { reps: 1 } },
    );
    const { segments } = timelineOf(session(grows), facts);
    const reps = segments.flatMap((segment) => segment.does.map((doing) => doing.reps));
    expect(reps).toEqual([1, 2, 3, 4, 5]);
    expect(formatFaults(session(grows), 0, facts)).toEqual([]);
  });
  test('15, 12 and 9 minutes of AMRAP with one to two minutes between: 38 to 40', () => {
    const blocks = [900, 720, 540].map(
      (capSeconds, i): Block => ({
        ...blockOf({ kind: 'amrap', capSeconds, led: false }, 'squat', 'push-up'),
        id: `b${i}`,
        after: { seconds: 60, mostSeconds: 120 },
      }),
    );
    const { range } = timelineOf(session(...blocks), facts);
    expect([range.lo / 60, range.hi / 60]).toEqual([38, 40]);
  });
  test('a pyramid 2 to 12 by twos is 42 reps of each, 72 with the way down', () => {
    const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0);
    expect(sum(stepsOf(2, 2, 12, 'up'))).toBe(42);
    expect(sum(stepsOf(2, 2, 12, 'up and down'))).toBe(72);
    expect(sum(stepsOf(1, 1, 5, 'down'))).toBe(15);
    expect(sum(stepsOf(1, 1, 6, 'down'))).toBe(21);
  });
  test('of four moves, one counted per side: 210 reps, 360 with the way down', () => {
    const pyramid = (way: 'up' | 'up and down') =>
      blockOf(
        { kind: 'pyramid', from: 2, by: 2, to: 12, way, holdSeconds: 0, stepRestSeconds: 0 },
        'squat',
        'push-up',
        'sit-up',
        { move: 'lunge', dose: { reps: 2, each: true } },
      );
    const reps = (way: 'up' | 'up and down') =>
      timelineOf(session(pyramid(way)), facts)
        .segments.flatMap((s) => s.does)
        .reduce((sum, d) => sum + (d.reps ?? 0), 0);
    expect(reps('up')).toBe(210);
    expect(reps('up and down')).toBe(360);
  });
  test('a hold with a time of its own is held as long at every step of a pyramid; one without climbs with it', () => {
    const pyramid = blockOf(
      { kind: 'pyramid', from: 2, by: 2, to: 6, way: 'up', holdSeconds: 0, stepRestSeconds: 0 },
      'squat',
      { move: 'plank', dose: { seconds: 20 } },
      'plank',
    );
    const { segments } = timelineOf(session(pyramid), facts);
    const at = (slot: number) => segments.filter((s) => s.kind === 'work' && s.slot === slot);
    expect(at(1).map((s) => s.lengthSeconds)).toEqual([20, 20, 20]);
    expect(at(1).flatMap((s) => s.does.map((d) => d.reps))).toEqual([null, null, null]);
    expect(at(2).map((s) => s.lengthSeconds)).toEqual([10, 20, 30]);
    // Said by its length, and not by the step's count.
    expect([0, 1].map((slot) => at(slot).map((s) => s.note))).toEqual([
      ['2 each', '4 each', '6 each'],
      ['20 s', '20 s', '20 s'],
    ]);
  });
  test('what was done last is held after every step of a pyramid, the last one too, and is named', () => {
    const pyramid = blockOf(
      { kind: 'pyramid', from: 2, by: 2, to: 6, way: 'up', holdSeconds: 8, stepRestSeconds: 5 },
      'squat',
      'push-up',
    );
    const timed = session(pyramid);
    const { segments } = timelineOf(timed, facts);
    const holds = segments.filter((s) => s.kind === 'hold');
    expect(holds.map((s) => s.round)).toEqual([0, 1, 2]);
    expect(segments.at(-1)!.kind).toBe('hold');
    for (const hold of holds) {
      expect(hold.does.map((d) => entriesOf(timed.blocks)[d.entry]!.move)).toEqual(['push-up']);
      expect(readSegment(timed, hold, (entry) => entriesOf(timed.blocks)[entry]!.move)).toContain(
        'hold: push-up',
      );
    }
    const lines = sheetLines(timed, segments, () => false);
    for (const line of lines.filter((l) => l.segment.kind === 'hold')) expect(line.next).toEqual([]);
  });
  test('short bouts that end before the last stations say which ones they never reach', () => {
    const bouts = (n: number) =>
      formatFaults(
        session(
          blockOf(
            { kind: 'tabata', workSeconds: 20, restSeconds: 10, bouts: n },
            ...Array.from({ length: 10 }, () => 'squat'),
          ),
        ),
        0,
        facts,
      );
    expect(bouts(8)).toEqual([
      {
        field: 'bouts',
        station: 8,
        says: '8 bouts end before station 9 and the one after it; once round takes 10.',
      },
    ]);
    expect(bouts(9)[0]!.says).toBe('9 bouts end before station 10; once round takes 10.');
    expect(bouts(10)).toEqual([]);
  });
  test('children led in unison: a round of 67 s goes four times into five minutes with a fifth begun', () => {
    const rounds = roundsIn(300, 67.5, 0);
    expect(Math.floor(rounds)).toBe(4);
    expect(rounds).toBeGreaterThan(4.3);
    expect(Math.floor(roundsIn(300, 75, 0))).toBe(4);
  });
  test('five push-ups and twenty high knees as one chain take about 17 s, twice in 35', () => {
    // Push-ups at 30 a minute, high knees at 170: what such a finisher is led at.
    const led = (id: string): MoveFacts => ({
      ...facts(id),
      rep: id === 'push-up' ? { lo: 2, mid: 2, hi: 2 } : { lo: 60 / 170, mid: 60 / 170, hi: 60 / 170 },
    });
    const block: Block = {
      ...circuit([
        {
          move: 'push-up',
          dose: { reps: 5 },
          chain: [{ move: 'high-knees', dose: { reps: 20 } }],
        },
      ]),
      format: { kind: 'rounds', rounds: 2, restSeconds: 0, roundRestSeconds: 0 },
    };
    const { lengthSeconds, segments } = timelineOf(session(block), led);
    expect(segments[0]!.lengthSeconds).toBe(17);
    expect(lengthSeconds).toBeLessThanOrEqual(35);
  });
  test('“two hundred seconds or three rounds”: the cap ends it', () => {
    const block = blockOf({ kind: 'for time', rounds: 3, capSeconds: 210, led: false }, 'squat', 'push-up');
    const { range, lengthSeconds } = timelineOf(session(block), facts);
    expect(lengthSeconds).toBeLessThanOrEqual(210);
    expect(range.hi).toBeLessThanOrEqual(210);
  });
  test('staggered finish: lanes end at 67, 83 and 100 % of one slot', () => {
    const { segments } = timelineOf(session(blockOf(FORMATS.staggered.usual, ...squats(2))), facts);
    const works = segments.filter((s) => s.kind === 'work');
    expect(works.every((s) => s.lengthSeconds === 40)).toBe(true);
    expect(works[0]!.laneEnds).toEqual([27, 27, 33, 40]);
  });
  test('sets: two rests for three sets, and then the next station', () => {
    const block = blockOf(FORMATS.sets.usual, ...['squat', 'push-up']);
    const kinds = timelineOf(session(block), facts).segments.map((s) => s.kind);
    expect(kinds.filter((k) => k === 'work')).toHaveLength(6);
    expect(kinds.filter((k) => k === 'rest')).toHaveLength(5);
  });
  test('a superset goes from one to the other and rests after the pair', () => {
    const block = blockOf(FORMATS.superset.usual, 'squat', 'bent-row');
    const { segments } = timelineOf(session(block), facts);
    expect(segments.filter((s) => s.kind === 'work').map((s) => s.station)).toEqual([0, 1, 0, 1, 0, 1]);
    expect(segments.filter((s) => s.lengthSeconds === 60 && s.kind === 'rest')).toHaveLength(2);
  });
  test('progressive rounds: each round has forms of its own', () => {
    const block: Block = {
      ...circuit([{ move: 'incline-push-up', byRound: [{ move: 'push-up' }] }]),
      format: { ...FORMATS.progressive.usual, rounds: 2 } as Format,
    };
    expect(entriesOf([block]).map((e) => [e.move, e.round])).toEqual([
      ['incline-push-up', 0],
      ['push-up', 1],
    ]);
    const works = timelineOf(session(block), facts).segments.filter((s) => s.kind === 'work');
    expect(works.map((s) => s.does[0]!.entry)).toEqual([0, 1]);
  });
  test('the other side each round; a slot for each side', () => {
    const other = circuit([{ move: 'side-plank', sides: 'other side each round' }], { rounds: 3 });
    expect(
      timelineOf(session(other), facts)
        .segments.filter((s) => s.kind === 'work')
        .map((s) => s.side),
    ).toEqual(['left', 'right', 'left']);
  });
  test('least to most rounds: the length is a range', () => {
    const block = circuit(squats(4), { rounds: 2, mostRounds: 4 });
    const { range, lengthSeconds } = timelineOf(session(block), facts);
    expect(range.lo).toBe(lengthSeconds);
    expect(range.hi - range.lo).toBe(2 * (4 * 40 + 3 * 20 + 60));
    expect(formatWords(block.format)).toContain('2 to 4 rounds');
  });
  test('getting ready, showing and a drink are segments like any other', () => {
    const first: Block = {
      ...circuit(squats(3)),
      readySeconds: 10,
      showing: 'before',
      after: { seconds: 90, drink: true },
    };
    const second: Block = { ...circuit(squats(1), { rounds: 1 }), id: 'b' };
    const kinds = timelineOf(session(first, second), facts).segments.map((s) => s.kind);
    expect(kinds.slice(0, 2)).toEqual(['show', 'ready']);
    expect(kinds).toContain('drink');
    const { segments } = timelineOf(session(first, second), facts);
    expect(segments[0]!.lengthSeconds).toBe(30);
  });
});

describe('whatever the format and its inputs', () => {
  test('segments lie end to end, inside their block, in whole seconds; each does what is in its block', () => {
    fc.assert(
      fc.property(anySession, (timed) => {
        const { segments, lengthSeconds, blocks, range } = timelineOf(timed, facts);
        const entries = entriesOf(timed.blocks);
        let now = 0;
        for (const s of segments) {
          if (s.startSeconds !== now || s.lengthSeconds <= 0 || !Number.isInteger(s.lengthSeconds))
            throw new Error(`${s.kind} at ${s.startSeconds} of ${s.lengthSeconds}, expected ${now}`);
          now += s.lengthSeconds;
          const busy = s.does.reduce((sum, d) => sum + d.seconds, 0);
          if (busy > s.lengthSeconds + 1) throw new Error(`${busy} s done in ${s.lengthSeconds}`);
          for (const d of s.does)
            if (entries[d.entry]!.block !== s.block) throw new Error('does what is in another block');
          if (s.kind === 'work' && s.does.length === 0) throw new Error('work with nothing done');
        }
        if (now !== lengthSeconds) throw new Error(`${now} is not ${lengthSeconds}`);
        const between = segments
          .filter((s) => s.kind === 'block rest' || s.kind === 'drink')
          .reduce((sum, s) => sum + s.lengthSeconds, 0);
        expect(blocks.reduce((sum, b) => sum + b.lengthSeconds, 0) + between).toBe(lengthSeconds);
        if (range.lo > lengthSeconds + 1 || range.hi < lengthSeconds - 1)
          throw new Error(`${lengthSeconds} outside ${range.lo} to ${range.hi}`);
      }),
      { numRuns: 1500, seed: 20261125 },
    );
  });
  test('both sides of a one-sided move get the same time', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4 }),
        fc.constantFrom('swap at half' as const, 'two slots' as const, 'alternate' as const),
        anyKind.filter((k) => k !== 'tabata').chain(anyFormat),
        (n, sides, format) => {
          const block: Block = {
            ...circuit(Array.from({ length: n }, () => ({ move: 'side-plank', sides }))),
            format,
          };
          let [left, right] = [0, 0];
          for (const s of timelineOf(session(block), facts).segments)
            for (const d of s.does) {
              if (s.side !== 'right') left += s.side ? d.seconds : d.seconds / 2;
              if (s.side !== 'left') right += s.side ? d.seconds : d.seconds / 2;
            }
          expect(Math.abs(left - right)).toBeLessThan(1e-6);
        },
      ),
      { numRuns: 400, seed: 5 },
    );
  });
  test('intervals add up by the formula of the table', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20 }),
        fc.record({
          workSeconds: fc.integer({ min: 5, max: 120 }),
          restSeconds: fc.integer({ min: 0, max: 90 }),
          rounds: fc.integer({ min: 1, max: 6 }),
          roundRestSeconds: fc.integer({ min: 0, max: 180 }),
          closingRest: fc.boolean(),
        }),
        (n, format) => {
          const { workSeconds: w, restSeconds: r, rounds: R, roundRestSeconds: q } = format;
          const formula = R * (n * w + (n - 1) * r + (format.closingRest ? r : 0)) + (R - 1) * q;
          return timelineOf(session(circuit(squats(n), format)), facts).lengthSeconds === formula;
        },
      ),
      { numRuns: 1000 },
    );
  });
  test.each(Object.keys(FORMATS) as FormatKind[])(
    '%s: words, a valid usual, nothing out of nothing',
    (kind) => {
      const { usual, name, says, inputs } = FORMATS[kind];
      expect(formatSchema.parse(usual)).toEqual(usual);
      expect(name).toMatch(/^[A-Z]/);
      expect(says.length).toBeGreaterThan(10);
      expect(formatWords(usual).length).toBeGreaterThan(5);
      expect(formatWords(usual)).not.toMatch(/undefined|NaN/);
      for (const input of inputs) {
        const key = input.replace('?', '');
        if (!input.endsWith('?')) expect(Object.keys(usual)).toContain(key);
      }
      const empty = timelineOf(session({ id: 'x', format: usual, stations: [] }), facts);
      expect(empty.segments.every((s) => s.kind !== 'work')).toBe(true);
      expect(formatFaults(session({ id: 'x', format: usual, stations: [] }), 0, facts)).toEqual([]);
    },
  );
  test('more rounds, more work or more rest never make a session shorter', () => {
    fc.assert(
      fc.property(anyKind.chain(anyFormat), fc.integer({ min: 1, max: 5 }), (format, n) => {
        const block = { ...circuit(squats(n)), format };
        const before = timelineOf(session(block), facts).lengthSeconds;
        for (const key of ['rounds', 'sets', 'restSeconds', 'workSeconds', 'minutes', 'bouts'] as const) {
          const now = (format as unknown as Record<string, number>)[key];
          if (now === undefined || now >= INPUTS[key].max) continue;
          const longer = { ...block, format: { ...format, [key]: now + 1 } as Format };
          if (timelineOf(session(longer), facts).lengthSeconds < before)
            throw new Error(`${format.kind}: one more ${key} is shorter`);
        }
      }),
      { numRuns: 600, seed: 3 },
    );
  });
});

describe('estimates', () => {
  test('rounds and seconds are inverse of one another', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 20, max: 200 }),
        fc.double({ min: 0, max: 0.1, noNaN: true }),
        (rounds, pass, fatigue) => {
          const seconds = secondsFor(rounds, pass, fatigue);
          expect(roundsIn(seconds + 1e-6, pass, fatigue)).toBeCloseTo(rounds, 3);
        },
      ),
    );
    expect(roundsIn(0, 10, 0)).toBe(0);
    expect(roundsIn(60, 0, 0)).toBe(0);
  });
  test('as many rounds as you can: a range, and what it is made of', () => {
    const block = blockOf(
      { kind: 'amrap', capSeconds: 600, led: false },
      { move: 'squat', dose: { reps: 10 } },
      { move: 'push-up', dose: { reps: 8 } },
    );
    const estimate = estimateOf(session(block), 0, facts)!;
    expect(estimate.lo).toBeLessThan(estimate.hi);
    expect(estimate.says).toMatch(/rounds$/);
    expect(estimate.madeOf.join(' ')).toMatch(/a round takes \d+ to \d+ s.*3 % longer.*10 min/);
    // The slower they get, the fewer rounds.
    const older = estimateOf({ blocks: [block], forWhom: 'older' }, 0, facts)!;
    expect(older.hi).toBeLessThan(estimate.hi);
  });
  test('led in unison the range is narrow, about what each would do', () => {
    const block = (led: boolean) =>
      blockOf({ kind: 'amrap', capSeconds: 600, led }, { move: 'squat', dose: { reps: 10 } }, 'push-up');
    const led = estimateOf(session(block(true)), 0, facts)!;
    const own = estimateOf(session(block(false)), 0, facts)!;
    expect(led.hi - led.lo).toBeLessThan((own.hi - own.lo) / 2);
    expect(led.lo).toBeGreaterThan(own.lo);
    expect(led.hi).toBeLessThan(own.hi);
  });
  test('a clock that is fixed has nothing to estimate', () => {
    expect(estimateOf(session(circuit(squats(3))), 0, facts)).toBeNull();
  });
});

describe('what can’t be', () => {
  const faults = (block: Block) => formatFaults(session(block), 0, facts).map((f) => f.says);
  test('a step that never reaches the top', () => {
    expect(
      faults(
        blockOf(
          { kind: 'pyramid', from: 2, by: 3, to: 12, way: 'up', holdSeconds: 0, stepRestSeconds: 0 },
          'squat',
        ),
      ),
    ).toEqual(['Steps of 3 from 2 never reach 12: they end at 11.']);
  });
  test('a top below the bottom', () => {
    expect(faults(blockOf({ kind: 'descending', from: 2, by: 1, to: 5, rounds: 1 }, 'squat'))[0]).toMatch(
      /below/,
    );
  });
  test('a minute that can’t hold the count', () => {
    const [says] = faults(blockOf(FORMATS.emom.usual, { move: 'burpee', dose: { reps: 60 } }));
    expect(says).toMatch(/more than the minute/);
  });
  test('a cap nobody meets; a station without a partner; more groups than stations', () => {
    expect(
      faults(
        blockOf(
          { kind: 'for time', rounds: 20, capSeconds: 60, led: false },
          {
            move: 'burpee',
            dose: { reps: 20 },
          },
        ),
      )[0],
    ).toMatch(/Even the quickest/);
    expect(faults(blockOf(FORMATS.superset.usual, ...squats(3)))[0]).toMatch(/no partner/);
    expect(faults(blockOf({ ...FORMATS.rotation.usual, groups: 6 } as Format, ...squats(3)))[0]).toMatch(
      /6 groups/,
    );
    expect(
      faults(
        blockOf({ ...FORMATS.staggered.usual, innerPercent: 90, middlePercent: 80 } as Format, 'squat'),
      )[0],
    ).toMatch(/after the middle/);
  });
  test.each([
    ['workSeconds', 0],
    ['workSeconds', -5],
    ['rounds', 10_000],
    ['restSeconds', 1.5],
    ['rounds', 'three'],
  ])('%s of %s is refused with its bounds', (key, value) => {
    const read = formatSchema.safeParse({ ...FORMATS.intervals.usual, [key]: value });
    expect(read.success).toBe(false);
    expect(read.error!.issues[0]!.message).toMatch(/a whole number from \d+ to \d+/);
  });
});

test.each([
  [605, '10:05'],
  [59, '0:59'],
  [3605, '1:00:05'],
])('%i s reads %s', (seconds, says) => expect(clockText(seconds)).toBe(says));

test('a length that isn’t fixed is said as a range', () => {
  expect(lengthWords({ lo: 605, hi: 605 })).toBe('10:05');
  expect(lengthWords({ lo: 1320, hi: 1620 })).toBe('22–27 min');
});
