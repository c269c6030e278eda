import { FORMATS, type Format, type FormatKind } from '@inner-rung/core/clock';
import {
  callsIn,
  clockOf,
  doesNow,
  inOrder,
  peopleOf,
  positionAt,
  type Run,
  type RunEvent,
  runEventSchema,
  runSchema,
  secondsLeft,
  switchTo,
  withEvents,
} from '@inner-rung/core/run';
import { type Block, entriesOf, timelineOf } from '@inner-rung/core/session';
import fc from 'fast-check';
import { runOf } from './runs.ts';
import { anySession, circuit, facts } from './sessions.ts';

let n = 0;
type Loose = { kind: RunEvent['kind']; at: number } & Record<string, unknown>;
const event = (loose: Loose): RunEvent =>
  runEventSchema.parse({ id: `event-${String(++n).padStart(6, '0')}`, ...loose });
const seconds = (s: number) => s * 1000;

// 2 stations of 40 on, 20 off, twice, a minute between: 40 20 40 | 60 | 40 20 40.
const two = runOf({ ...circuit(['squat', 'push-up']), id: 'main' });
const WHOLE = 40 + 20 + 40 + 60 + 40 + 20 + 40;
const go = event({ kind: 'go', at: 0 });

describe('one clock', () => {
  test('a run is its timeline, second by second, in every format', () => {
    for (const kind of Object.keys(FORMATS) as FormatKind[]) {
      const block: Block = {
        ...circuit(['squat', 'push-up', 'plank']),
        format: FORMATS[kind].usual as Format,
      };
      const run = runOf(block);
      const { segments, lengthSeconds } = timelineOf(run.plan, facts);
      const clock = clockOf(run, [go]);
      for (let s = 0; s < lengthSeconds; s++) {
        const position = positionAt(clock, seconds(s) + 1);
        const expected = segments.findIndex(
          (x) => s >= x.startSeconds && s < x.startSeconds + x.lengthSeconds,
        );
        expect(position.index).toBe(expected);
        expect(position.is).toBe('running');
      }
      expect(positionAt(clock, seconds(lengthSeconds)).is).toBe('over');
    }
  });
  test('before it begins nothing runs, and all of it is to come', () => {
    expect(positionAt(clockOf(two, []), 5000)).toMatchObject({ is: 'before', toCome: WHOLE });
  });
  test('a pause stands still for as long as it lasts, and a drink is one', () => {
    const events = [go, event({ kind: 'pause', at: seconds(10), why: 'drink' })];
    const still = clockOf(two, events);
    expect(positionAt(still, seconds(10))).toMatchObject({ is: 'paused', into: 10, left: 30 });
    expect(positionAt(still, seconds(100))).toMatchObject({ is: 'paused', into: 10, left: 30 });
    const on = clockOf(two, [...events, event({ kind: 'go', at: seconds(100) })]);
    expect(positionAt(on, seconds(105))).toMatchObject({ is: 'running', into: 15 });
    expect(secondsLeft(on, seconds(105))).toBe(WHOLE - 15);
  });
  test('ten seconds more are ten seconds later for everything after', () => {
    const on = clockOf(two, [go, event({ kind: 'add', at: seconds(45), seconds: 10, during: '1' })]);
    expect(positionAt(on, seconds(69)).index).toBe(1);
    expect(positionAt(on, seconds(71)).index).toBe(2);
    expect(secondsLeft(on, 0)).toBe(WHOLE + 10);
  });
  test('on to the next at once, and once more what is under way', () => {
    const skipped = clockOf(two, [go, event({ kind: 'next', at: seconds(12), during: '0' })]);
    expect(positionAt(skipped, seconds(12.001)).index).toBe(1);
    expect(secondsLeft(skipped, seconds(12))).toBe(WHOLE - 40);
    const again = clockOf(two, [go, event({ kind: 'again', at: seconds(12), during: '0' })]);
    expect(positionAt(again, seconds(12.5))).toMatchObject({ index: 1, into: 0.5, left: 39.5 });
    expect(secondsLeft(again, seconds(12))).toBe(WHOLE);
  });
  test('one more round comes after the last, with the rest between', () => {
    const more = clockOf(two, [go, event({ kind: 'one more round', at: seconds(5), during: '0' })]);
    expect(secondsLeft(more, 0)).toBe(WHOLE + 60 + 40 + 20 + 40);
    expect(more.stretches.map((s) => s.segment.kind)).toEqual([
      'work',
      'rest',
      'work',
      'round rest',
      'work',
      'rest',
      'work',
      'round rest',
      'work',
      'rest',
      'work',
    ]);
    expect(more.stretches.at(-1)!.segment.round).toBe(2);
    expect(new Set(more.stretches.map((s) => s.key)).size).toBe(more.stretches.length);
  });
  test('end after this round: the round is finished, the cool-down stays', () => {
    const coolDown: Block = {
      ...circuit(['calf-stretch'], { rounds: 1 }),
      id: 'down',
      role: 'cool-down',
      format: { kind: 'flow', restSeconds: 0 },
    };
    const run = runOf({ ...circuit(['squat', 'push-up']), id: 'main' }, coolDown);
    const ended = clockOf(run, [go, event({ kind: 'end after this round', at: seconds(50), during: '1' })]);
    const kinds = ended.stretches.map((s) => `${s.segment.block}/${s.segment.round}/${s.segment.kind}`);
    expect(kinds.slice(0, 3)).toEqual(['0/0/work', '0/0/rest', '0/0/work']);
    expect(kinds.slice(3).every((k) => k.startsWith('1/'))).toBe(true);
    expect(kinds.length).toBeGreaterThan(3);
  });
  test('two who press at once do it once', () => {
    const both = clockOf(two, [
      go,
      event({ kind: 'next', at: seconds(12), during: '0' }),
      event({ kind: 'next', at: seconds(12.2), during: '0' }),
    ]);
    expect(positionAt(both, seconds(12.3)).index).toBe(1);
  });
  test('what was undone never was, and an undo can be undone', () => {
    const next = event({ kind: 'next', at: seconds(12), during: '0' });
    const undo = event({ kind: 'undo', at: seconds(14), of: next.id });
    expect(secondsLeft(clockOf(two, [go, next, undo]), 0)).toBe(WHOLE);
    const undone = event({ kind: 'undo', at: seconds(15), of: undo.id });
    expect(secondsLeft(clockOf(two, [go, next, undo, undone]), seconds(12))).toBe(WHOLE - 40);
  });
  test('finished by hand it is over, whatever is pressed after', () => {
    const over = clockOf(two, [
      go,
      event({ kind: 'finish', at: seconds(30) }),
      event({ kind: 'add', at: seconds(31), seconds: 60, during: '0' }),
    ]);
    expect(positionAt(over, seconds(32))).toMatchObject({ is: 'over', done: 30 });
  });
});

const anyLoose: fc.Arbitrary<Loose> = fc.oneof(
  fc.record({ kind: fc.constant('go' as const), at: fc.nat(400_000) }),
  fc.record({
    kind: fc.constant('pause' as const),
    at: fc.nat(400_000),
    why: fc.constantFrom('pause', 'drink', 'stop sign'),
  }),
  fc.record({
    kind: fc.constantFrom(
      'next' as const,
      'again' as const,
      'one more round' as const,
      'end after this round' as const,
    ),
    at: fc.nat(400_000),
    during: fc.nat(6).map(String),
  }),
  fc.record({
    kind: fc.constant('add' as const),
    at: fc.nat(400_000),
    seconds: fc.integer({ min: 5, max: 60 }),
    during: fc.nat(6).map(String),
  }),
);

test('the same events give the same run, in whatever order and however often they arrive; time never goes back: 250 cases', () => {
  fc.assert(
    fc.property(
      anySession,
      fc.array(anyLoose, { maxLength: 12 }),
      fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })),
      (timed, loose, draws) => {
        const run = runOf(...timed.blocks);
        const events = [go, ...loose.map(event)];
        const clock = clockOf(run, events);
        const shuffled = [...events, ...events.slice(0, 3)]
          .map((e) => ({ e, key: draws.next().value! }))
          .sort((a, b) => a.key - b.key)
          .map(({ e }) => e);
        expect(clockOf(run, shuffled)).toEqual(clock);
        let done = -1;
        for (let at = 0; at < 500_000; at += 7919) {
          const position = positionAt(clock, at);
          expect(position.done).toBeGreaterThanOrEqual(done);
          expect(position.left).toBeGreaterThanOrEqual(0);
          expect(position.toCome).toBeGreaterThanOrEqual(0);
          done = position.done;
        }
        for (const stretch of clock.stretches) expect(stretch.seconds).toBeGreaterThanOrEqual(0);
      },
    ),
    { numRuns: 250, seed: 20261125 },
  );
});

describe('people in a run', () => {
  const does = (move: string) => ({ move, name: move, dose: '10', pace: 20, lane: 1 as const });
  const one = (id: string) => ({
    id,
    name: id,
    byNumber: false,
    group: 0,
    does: [does('squat'), does('push-up')],
    switches: [
      { down: does('sit-to-stand'), up: null, wrist: 'same' as const, knee: null, back: 'same' as const },
      {
        down: does('knee-push-up'),
        up: null,
        wrist: does('band-press'),
        knee: 'same' as const,
        back: 'same' as const,
      },
    ],
    cautions: [],
    today: { conditions: [], level: null },
  });
  const run: Run = { ...two, cast: [one('ada'), one('bo')] };
  const at = (events: RunEvent[]) => new Map(peopleOf(run, events).map((p) => [p.id, p]));

  test('the run’s own shape is what is stored', () => {
    expect(runSchema.parse(run)).toEqual(run);
    expect(entriesOf(run.plan.blocks)).toHaveLength(2);
  });
  test('an easier rung for one is theirs from that second on, the others’ stays', () => {
    const people = at([go, event({ kind: 'switch', at: 5000, person: 'ada', entry: 0, way: 'down' })]);
    expect(doesNow(people.get('ada')!, 0)?.move).toBe('sit-to-stand');
    expect(people.get('ada')!.doing[0]!.map((d) => d.since)).toEqual([0, 5000]);
    expect(doesNow(people.get('bo')!, 0)?.move).toBe('squat');
  });
  test('a sore knee with nothing left is easy movement; harder where there is nothing harder changes nothing', () => {
    expect(
      doesNow(at([event({ kind: 'switch', at: 1, person: 'ada', entry: 0, way: 'knee' })]).get('ada')!, 0),
    ).toBeNull();
    expect(
      doesNow(at([event({ kind: 'switch', at: 1, person: 'ada', entry: 0, way: 'up' })]).get('ada')!, 0)
        ?.move,
    ).toBe('squat');
    expect(
      doesNow(at([event({ kind: 'switch', at: 1, person: 'ada', entry: 0, way: 'wrist' })]).get('ada')!, 0)
        ?.move,
    ).toBe('squat');
  });
  test('who holds it instead holds from that second on, and pressed again moves as was planned; a run from before holds nothing', () => {
    const hold = event({ kind: 'switch', at: 5000, person: 'ada', entry: 0, way: 'hold' });
    const again = event({ kind: 'switch', at: 9000, person: 'ada', entry: 0, way: 'hold' });
    const holding = one('ada');
    const held: Run = {
      ...run,
      cast: [
        {
          ...holding,
          switches: holding.switches.map((s) => ({ ...s, hold: { ...does('squat-hold')!, pace: null } })),
        },
      ],
    };
    const ada = (run: Run, events: RunEvent[]) => doesNow(peopleOf(run, events)[0]!, 0)?.move;
    expect(ada(held, [go, hold])).toBe('squat-hold');
    expect(ada(held, [go, hold, again])).toBe('squat');
    expect(ada(run, [go, hold])).toBe('squat');
    expect(runSchema.parse(held)).toEqual(held);
  });
  test('from an easier one harder is what was planned, and nobody goes two steps down', () => {
    const down = event({ kind: 'switch', at: 1, person: 'ada', entry: 0, way: 'down' });
    const twice = at([down, event({ kind: 'switch', at: 2, person: 'ada', entry: 0, way: 'down' })]);
    expect(twice.get('ada')!.doing[0]).toHaveLength(2);
    const back = at([down, event({ kind: 'switch', at: 2, person: 'ada', entry: 0, way: 'up' })]);
    expect(doesNow(back.get('ada')!, 0)?.move).toBe('squat');
    expect(switchTo(back.get('ada')!, 0, 'up')).toBeUndefined();
    expect(switchTo(back.get('ada')!, 0, 'down')?.move).toBe('sit-to-stand');
  });
  test('a stop sign ends their part until it is written down, and then it still ends it', () => {
    const sign = event({ kind: 'sign', at: 9000, person: 'bo', sign: 'faint or dizzy' });
    expect(at([go, sign]).get('bo')).toMatchObject({ is: 'out', leftAt: 9000, sign: { note: null } });
    const noted = event({
      kind: 'sign recorded',
      at: 20_000,
      person: 'bo',
      note: 'sat down, drank, felt fine',
    });
    expect(at([go, sign, noted]).get('bo')!.sign!.note).toMatch(/sat down/);
  });
  test('a swap is what was planned from then on, with its own ways; taken back, the old ones hold', () => {
    const ways = {
      down: does('wall-sit'),
      up: null,
      wrist: 'same' as const,
      knee: 'same' as const,
      back: 'same' as const,
    };
    const swap = event({
      kind: 'swap',
      at: 2000,
      person: 'ada',
      entry: 0,
      does: does('lunge'),
      switches: ways,
    });
    const down = event({ kind: 'switch', at: 3000, person: 'ada', entry: 0, way: 'down' });
    const swapped = at([go, swap, down]);
    expect(doesNow(swapped.get('ada')!, 0)?.move).toBe('wall-sit');
    expect(doesNow(swapped.get('bo')!, 0)?.move).toBe('squat');
    // Harder again is what it was swapped for, not what was planned before.
    expect(switchTo(swapped.get('ada')!, 0, 'up')?.move).toBe('lunge');
    expect(switchTo(swapped.get('ada')!, 0, 'knee')).toBeUndefined();
    const back = at([go, swap, down, event({ kind: 'undo', at: 4000, of: swap.id })]);
    expect(doesNow(back.get('ada')!, 0)?.move).toBe('sit-to-stand');
  });
  test('somebody who walks in is there from then on; who isn’t there can’t be counted', () => {
    const people = at([
      event({ kind: 'join', at: 3000, who: one('cy') }),
      event({ kind: 'count', at: 4000, person: 'cy', block: 0, rounds: 3, reps: 7 }),
      event({ kind: 'count', at: 4000, person: 'nobody', block: 0, rounds: 3, reps: 7 }),
    ]);
    expect(people.get('cy')).toMatchObject({ joinedAt: 3000, is: 'here' });
    expect(people.get('cy')!.counts.get(0)).toEqual({ rounds: 3, reps: 7, at: 4000 });
    expect(people.has('nobody')).toBe(false);
  });
});

describe('what is heard', () => {
  const clock = clockOf(two, [go]);
  const calls = callsIn(two, clock.stretches, (entry) => ['squat', 'push-up'][entry]!);
  test('work begins with its name, rest says what is next, the last three seconds tick', () => {
    expect(calls[0]![0]).toEqual({ at: 0, sound: 'work', says: 'squat' });
    expect(calls[1]!.find((c) => c.says)?.says).toBe('Next: push-up');
    expect(calls[0]!.filter((c) => c.sound === 'tick').map((c) => c.at)).toEqual([37, 38, 39]);
  });
  test('time left is called in a stretch that is long enough, and the end is heard once', () => {
    expect(calls[0]!.map((c) => c.says)).toContain('15 seconds');
    expect(calls.flat().filter((c) => c.sound === 'end')).toHaveLength(1);
  });
  test('slow breathing is counted in and out, whole breaths only, and said in large words for who doesn’t hear it', () => {
    const breathing = runOf({
      ...circuit(['standing-breathing']),
      id: 'main',
      format: { ...FORMATS.intervals.usual, workSeconds: 40, restSeconds: 0, rounds: 1 } as Format,
    });
    const heard = callsIn(breathing, clockOf(breathing, [go]).stretches, () => 'Slow breathing')[0]!;
    const said = heard.filter((call) => call.shown);
    // In for three, out for five: four breaths in 36 s, once the name has been said.
    expect(said.map(({ says, at }) => [says, at])).toEqual([
      ['In', 4],
      ['Out', 7],
      ['In', 12],
      ['Out', 15],
      ['In', 20],
      ['Out', 23],
      ['In', 28],
      ['Out', 31],
    ]);
    expect(heard.filter(({ sound, at }) => sound === 'pulse' && at < 12).map(({ says }) => says)).toEqual([
      '2',
      '3',
      '2',
      '3',
      '4',
      '5',
    ]);
    expect(heard.map(({ says }) => says)).not.toContain('15 seconds');
  });
  test('an inner lane’s end is heard at its moment', () => {
    const staggered = runOf({
      ...circuit(['squat']),
      id: 'main',
      format: { ...FORMATS.staggered.usual, workSeconds: 60 } as Format,
    });
    const heard = callsIn(staggered, clockOf(staggered, [go]).stretches, () => 'squat')[0]!;
    expect(heard.filter((c) => c.sound === 'lane').map((c) => c.at)).toEqual([40, 50]);
  });
});

test('events are held in one order by time and id, and one sent twice is one', () => {
  const a = event({ kind: 'go', at: 5 });
  const b = event({ kind: 'finish', at: 5 });
  expect(inOrder([b, a, b]).map((e) => e.id)).toEqual([a.id, b.id].sort());
});

test('an older look at all events loses none that was heard since, and none is there twice', () => {
  const all = [event({ kind: 'go', at: 1 }), event({ kind: 'finish', at: 2 }), event({ kind: 'go', at: 3 })];
  fc.assert(
    fc.property(fc.subarray(all), fc.subarray(all), fc.subarray(all), (looked, heard, pressed) => {
      const held = withEvents(looked, [...heard, ...pressed]).map(({ id }) => id);
      expect(new Set(held).size).toBe(held.length);
      for (const { id } of [...looked, ...heard, ...pressed]) expect(held).toContain(id);
      expect(held.slice(0, looked.length)).toEqual(looked.map(({ id }) => id));
    }),
  );
});
