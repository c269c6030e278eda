import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Scratch } from '../src/engine/scratch.ts';

describe('lists cut from kept blocks', () => {
  const size = fc.integer({ min: 0, max: 60_000 });
  test('no list that is still held is written over by another', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            size.map((length) => ({ length })),
            fc.constant('mark'),
            fc.constant('release'),
          ),
          {
            maxLength: 60,
          },
        ),
        (steps) => {
          const scratch = new Scratch();
          let held: { list: Float64Array | Int32Array; is: number }[] = [];
          const marks: { mark: ReturnType<Scratch['mark']>; held: number }[] = [];
          steps.forEach((step, is) => {
            if (step === 'mark') marks.push({ mark: scratch.mark(), held: held.length });
            else if (step === 'release') {
              const last = marks.pop();
              if (!last) return;
              scratch.release(last.mark);
              held = held.slice(0, last.held);
            } else if (typeof step === 'object') {
              const list = is % 2 === 0 ? scratch.floats(step.length) : scratch.ints(step.length);
              held.push({ list: list.fill(is), is });
            }
          });
          for (const { list, is } of held) expect(list.every((n) => n === is)).toBe(true);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('what was cleared is cut again, and nothing new is asked for', () => {
    const scratch = new Scratch();
    const first = scratch.floats(1000);
    scratch.clear();
    expect(scratch.floats(1000).buffer).toBe(first.buffer);
    // A list longer than a block has one of its own.
    expect(scratch.floats(1 << 18)).toHaveLength(1 << 18);
  });
});
