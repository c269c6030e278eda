import type { Library } from '@inner-rung/core/ladder';
import fc from 'fast-check';
import { createClient, type Port } from '../src/engine/client.ts';
import { createDispatcher } from '../src/engine/dispatcher.ts';
import type { Asked, FromEngine, ToEngine } from '../src/engine/protocol.ts';

/** A dispatcher on a clock of the test's own; each question has as many stages as it says. */
function bench() {
  let at = 0;
  const queue: { run: () => void; due: number }[] = [];
  const told: FromEngine[] = [];
  const worked: string[] = [];
  const dispatch = createDispatcher({
    begin: (asked) => {
      const { stages, fails } = asked.question as { stages: number; fails?: boolean };
      return (function* () {
        for (let i = 0; i < stages; i++) {
          worked.push(`${asked.channel}/${asked.number}/${i}`);
          if (fails) throw new Error('no such thing');
          yield i;
        }
      })();
    },
    tell: (message) => told.push(message),
    now: () => at,
    later: (run, ms) => queue.push({ run, due: at + ms }),
  });
  /** Time goes on; what is due is run in its order. */
  const pass = (ms: number) => {
    const end = at + ms;
    for (;;) {
      queue.sort((a, b) => a.due - b.due);
      const next = queue[0];
      if (!next || next.due > end) break;
      queue.shift();
      at = Math.max(at, next.due);
      next.run();
    }
    at = end;
  };
  const ask = (channel: number, number: number, question: object, pause = 250): Asked => ({
    is: 'ask',
    channel,
    number,
    id: 'scale',
    question,
    pause,
  });
  return { dispatch, told, worked, pass, ask };
}

describe('questions to the engine', () => {
  test('of those that wait only the newest is worked out', () => {
    const { dispatch, worked, pass, ask } = bench();
    for (let n = 1; n <= 5; n++) dispatch(ask(1, n, { stages: 1 }));
    pass(10);
    expect(worked).toEqual(['1/5/0']);
  });
  test('what takes longer comes once the dials rest, and not at all when one is turned before', () => {
    const { dispatch, told, worked, pass, ask } = bench();
    dispatch(ask(1, 1, { stages: 2 }));
    pass(200);
    expect(worked).toEqual(['1/1/0']);
    dispatch(ask(1, 2, { stages: 2 }));
    pass(200);
    expect(worked).toEqual(['1/1/0', '1/2/0']);
    pass(100);
    expect(worked).toEqual(['1/1/0', '1/2/0', '1/2/1']);
    expect(told.at(-1)).toEqual({ is: 'answer', channel: 1, number: 2, answer: 1 });
  });
  test('nobody waits any more: nothing more is worked out', () => {
    const { dispatch, worked, pass, ask } = bench();
    dispatch(ask(1, 1, { stages: 3 }));
    pass(10);
    dispatch({ is: 'drop', channel: 1 });
    pass(5000);
    expect(worked).toEqual(['1/1/0']);
  });
  test('one that fails is told as such and holds nobody up', () => {
    const { dispatch, told, pass, ask } = bench();
    dispatch(ask(1, 1, { stages: 1, fails: true }));
    dispatch(ask(2, 2, { stages: 1 }));
    pass(10);
    expect(told).toEqual([
      { is: 'failed', channel: 1, number: 1, message: 'no such thing' },
      { is: 'answer', channel: 2, number: 2, answer: 0 },
    ]);
  });
  test('whatever is asked when: each channel’s newest question is answered whole, none after a newer one', () => {
    const anAct = fc.oneof(
      fc.record({ channel: fc.nat({ max: 2 }), stages: fc.integer({ min: 1, max: 3 }) }),
      fc.integer({ min: 0, max: 400 }),
    );
    fc.assert(
      fc.property(fc.array(anAct, { maxLength: 30 }), (acts) => {
        const { dispatch, told, pass, ask } = bench();
        const newest = new Map<number, { number: number; stages: number; asked: number }>();
        let number = 0;
        for (const act of acts) {
          if (typeof act === 'number') pass(act);
          else {
            dispatch(ask(act.channel, ++number, { stages: act.stages }));
            newest.set(act.channel, { number, stages: act.stages, asked: told.length });
          }
        }
        pass(10_000);
        for (const [channel, { number: last, stages, asked }] of newest) {
          const after = told.slice(asked).filter((one) => one.channel === channel);
          expect(after.map((one) => one.number)).toEqual(Array(stages).fill(last));
        }
      }),
      { numRuns: 300 },
    );
  });
});

describe('the one way to the engine', () => {
  const client = () => {
    const ports: (Port & { sent: ToEngine[] })[] = [];
    const made = createClient(
      () => {
        const port = { sent: [] as ToEngine[], onmessage: null, onerror: null, postMessage: () => undefined };
        (port as unknown as Port).postMessage = (message) => port.sent.push(message);
        ports.push(port as unknown as Port & { sent: ToEngine[] });
        return port as unknown as Port;
      },
      () => ({ file: new ArrayBuffer(0), changes: [] }),
    );
    return { made, ports };
  };
  const library = {} as Library;
  const question = { session: {} } as never;

  test('the library crosses over once a worker, and again when it is another', () => {
    const { made, ports } = client();
    const one = made.channel();
    one.ask(library, 'scale', question, () => undefined);
    made.channel().ask(library, 'find', question, () => undefined);
    expect(ports).toHaveLength(1);
    expect(ports[0]!.sent.map((m) => m.is)).toEqual(['ground', 'ask', 'ask']);
    one.ask({} as Library, 'scale', question, () => undefined);
    expect(ports[0]!.sent.map((m) => m.is)).toEqual(['ground', 'ask', 'ask', 'ground', 'ask']);
  });
  test('what takes long has a worker of its own', () => {
    const { made, ports } = client();
    made.channel().ask(library, 'scale', question, () => undefined);
    made.channel().ask(library, 'order', question, () => undefined);
    expect(ports).toHaveLength(2);
  });
  test('answers go to the question they are to; older ones and dropped ones to nobody', () => {
    const { made, ports } = client();
    const heard: unknown[] = [];
    const one = made.channel();
    one.ask(library, 'scale', question, (answer) => heard.push(answer));
    one.ask(library, 'scale', question, (answer) => heard.push(answer));
    const [, first, second] = ports[0]!.sent as [ToEngine, Asked, Asked];
    const answer = (asked: Asked, what: string) =>
      ports[0]!.onmessage!({
        data: { is: 'answer', channel: asked.channel, number: asked.number, answer: what },
      });
    answer(first, 'old');
    answer(second, 'new');
    one.drop();
    answer(second, 'late');
    expect(heard).toEqual(['new']);
    expect(ports[0]!.sent.at(-1)).toEqual({ is: 'drop', channel: second.channel });
  });
  test('a worker that falls over fails what waits for it, and the next question starts another', async () => {
    const { made, ports } = client();
    const asked = made.once(library, 'scale', question);
    ports[0]!.onerror!({ message: 'out of memory' });
    await expect(asked).rejects.toThrow('out of memory');
    made.channel().ask(library, 'scale', question, () => undefined);
    expect(ports).toHaveLength(2);
  });
});
