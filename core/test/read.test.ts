import { FORMATS, type Format } from '@inner-rung/core/clock';
import {
  type Block,
  blockName,
  entriesOf,
  readSegment,
  sheetLines,
  type Timed,
  timelineOf,
  turnedInto,
  withClimb,
} from '@inner-rung/core/session';
import fc from 'fast-check';
import { anyFormat, anyKind, anySession, circuit, facts, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const linesOf = (timed: Timed) => {
  const entries = entriesOf(timed.blocks);
  return sheetLines(timed, timelineOf(timed, facts).segments, (e) => facts(entries[e]!.move).sided);
};
const names = (timed: Timed) => {
  const entries = entriesOf(timed.blocks);
  return (entry: number) => library.move(entries[entry]!.move)!.name;
};

test('a stretch in one line: when, where, what, how long', () => {
  const timed = session(circuit(['squat', { move: 'side-plank', sides: 'two slots' }]));
  const says = timelineOf(timed, facts).segments.map((s) => readSegment(timed, s, names(timed)));
  expect(says.slice(0, 4)).toEqual([
    '0:00 · round 1 · Squat · 40 s',
    '0:40 · rest · left side · 20 s',
    '1:00 · round 1 · Side plank · left side · 40 s',
    '1:40 · rest · right side · 20 s',
  ]);
});

test('what is next is said in every rest, the other side at half time', () => {
  const timed = session(circuit(['squat', 'side-plank']));
  const lines = linesOf(timed);
  for (const line of lines.filter((l) => l.segment.kind === 'rest')) expect(line.next).toHaveLength(1);
  expect(lines.find((l) => l.entries[0] === 1)!.says).toEqual([{ at: 20, words: 'other side' }]);
});

test('phases, calls and lane ends are said at their second', () => {
  const phased = circuit([
    {
      move: 'squat',
      dose: {
        phases: [
          { says: 'steady', seconds: 30 },
          { says: 'fast', seconds: 10 },
        ],
      },
    },
    { move: 'jog-on-spot', dose: { calls: { says: 'freeze', times: 3, random: false } } },
  ]);
  const lines = linesOf(session(phased)).filter((l) => l.segment.kind === 'work');
  expect(lines[0]!.says).toEqual([
    { at: 0, words: 'steady' },
    { at: 30, words: 'fast' },
  ]);
  expect(lines[1]!.says.map((s) => s.at)).toEqual([10, 20, 30]);
  const staggered: Block = { ...circuit(['squat']), format: FORMATS.staggered.usual };
  expect(linesOf(session(staggered))[0]!.says).toEqual([
    { at: 27, words: 'inner lanes done' },
    { at: 33, words: 'middle lane done' },
  ]);
});

test('surprise calls come inside the stretch, apart, and the same every time', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 8 }), fc.integer({ min: 20, max: 120 }), (times, workSeconds) => {
      const timed = session(
        circuit([{ move: 'jog-on-spot', dose: { calls: { says: 'turn', times, random: true } } }], {
          workSeconds,
          rounds: 1,
        }),
      );
      const at = linesOf(timed)[0]!
        .says.filter((s) => s.words === 'turn')
        .map((s) => s.at);
      expect(at).toHaveLength(times);
      expect(at).toEqual([...at].sort((a, b) => a - b));
      expect(at[0]!).toBeGreaterThanOrEqual(0);
      expect(at.at(-1)!).toBeLessThan(workSeconds);
      expect(
        linesOf(timed)[0]!
          .says.filter((s) => s.words === 'turn')
          .map((s) => s.at),
      ).toEqual(at);
    }),
    { numRuns: 200 },
  );
});

test('a run sheet has a line for every stretch, and every call lies inside it', () => {
  fc.assert(
    fc.property(anySession, (timed) => {
      const lines = linesOf(timed);
      expect(lines).toHaveLength(timelineOf(timed, facts).segments.length);
      for (const line of lines) {
        expect(readSegment(timed, line.segment, names(timed))).not.toMatch(/undefined|NaN/);
        for (const one of line.says) {
          if (one.at < 0 || one.at > line.lengthSeconds)
            throw new Error(`${one.words} at ${one.at} of ${line.lengthSeconds}`);
        }
      }
    }),
    { numRuns: 300, seed: 20261125 },
  );
});

test('blocks are named by what they are, numbered where there are several', () => {
  const a = circuit(['squat']);
  const blocks: Block[] = [
    a,
    { ...a, id: 'b' },
    { ...a, id: 'c', role: 'finisher' },
    { ...a, id: 'd', name: 'Stairs' },
  ];
  expect(blocks.map((_, i) => blockName(blocks, i))).toEqual([
    'Circuit 1',
    'Circuit 2',
    'Finisher',
    'Stairs',
  ]);
});

describe('rounds that climb', () => {
  test('each later round is a rung up the station’s ladder, the top one kept', () => {
    const block: Block = {
      ...circuit(['knee-push-up', 'squat']),
      format: { ...FORMATS.progressive.usual, rounds: 4 } as Format,
    };
    const climbed = withClimb(library, block);
    const ladder = library.ladders.find((l) => l.rungs.some((r) => r.move === 'knee-push-up'))!;
    const at = ladder.rungs.findIndex((r) => r.move === 'knee-push-up');
    expect(climbed.stations[0]!.byRound!.map((f) => f.move)).toEqual(
      [1, 2, 3].map((k) => ladder.rungs[Math.min(ladder.rungs.length - 1, at + k)]!.move),
    );
    expect(entriesOf([climbed])).toHaveLength(8);
  });
  test('turned back into intervals, nothing of it is left', () => {
    const climbed = withClimb(library, { ...circuit(['squat']), format: FORMATS.progressive.usual });
    const back = withClimb(library, { ...climbed, format: turnedInto(climbed.format, 'intervals') });
    expect(back.stations[0]!.byRound).toBeUndefined();
  });
});

test('another kind of format keeps what the two have in common, and is one the schema takes', () => {
  fc.assert(
    fc.property(anyKind.chain(anyFormat), anyKind, (format, kind) => {
      const turned = turnedInto(format, kind) as unknown as Record<string, unknown>;
      expect(turned['kind']).toBe(kind);
      if (kind === 'pyramid') expect(turned['from']).toBeLessThanOrEqual(Number(turned['to']));
      if (kind === 'descending') expect(turned['from']).toBeGreaterThanOrEqual(Number(turned['to']));
      for (const key of Object.keys(FORMATS[kind].usual))
        if (!['kind', 'from', 'to'].includes(key) && key in format)
          expect(turned[key]).toBe((format as unknown as Record<string, unknown>)[key]);
    }),
    { numRuns: 400 },
  );
});
