import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { pool } from '../src/pool.ts';
import { ProblemError } from '../src/problem.ts';
import { library } from './app.ts';

/** A thread that answers after as many milliseconds as it is asked to, by sitting on its processor. */
const script = (() => {
  const file = join(mkdtempSync(join(tmpdir(), 'inner-rung-pool-')), 'slow.mjs');
  writeFileSync(
    file,
    `export default ({ body }) => {
       const end = Date.now() + body.takes;
       while (Date.now() < end);
       return body.fault ? { ok: false, field: 'takes', message: 'too slow' } : { ok: true, value: body.takes };
     };`,
  );
  return pathToFileURL(file);
})();
const LIMITS = { threads: 1, waiting: 1, milliseconds: 1500 };
const nobodyLeft = () => new AbortController().signal;

test('answers come from a thread: the server goes on meanwhile', async () => {
  const threads = pool(library, script, LIMITS);
  let ticks = 0;
  const tick = setInterval(() => ticks++, 20);
  expect(await threads.ask('figures', { takes: 400 }, nobodyLeft())).toBe(400);
  clearInterval(tick);
  expect(ticks).toBeGreaterThan(5);
  await threads.close();
});

test('too many waiting, and one that takes too long, are said as such', async () => {
  const threads = pool(library, script, LIMITS);
  // The thread is up: from now on one question is under way and one waits.
  await threads.ask('figures', { takes: 1 }, nobodyLeft());
  const asked = Array.from({ length: 6 }, () => threads.ask('figures', { takes: 100 }, nobodyLeft()));
  const said = await Promise.allSettled(asked);
  const refused = said.filter((one) => one.status === 'rejected');
  expect(refused.length).toBeGreaterThanOrEqual(3);
  for (const one of refused) expect(String(one.reason)).toMatch(/Too many questions/);
  expect(said.slice(0, 2).every((one) => one.status === 'fulfilled')).toBe(true);
  const late = threads.ask('figures', { takes: 60_000 }, nobodyLeft());
  await expect(late).rejects.toThrow(/longer than 1.5 seconds/);
  await expect(late).rejects.toBeInstanceOf(ProblemError);
  // The thread that sat there is gone; the next question has one of its own.
  expect(await threads.ask('figures', { takes: 1 }, nobodyLeft())).toBe(1);
  await threads.close();
});

test('who left is worked for no more', async () => {
  const threads = pool(library, script, LIMITS);
  const left = new AbortController();
  const gone = threads.ask('figures', { takes: 60_000 }, left.signal);
  setTimeout(() => left.abort(), 100);
  await expect(gone).rejects.toThrow();
  expect(await threads.ask('figures', { takes: 1 }, nobodyLeft())).toBe(1);
  await threads.close();
});

test('a fault in a question names its field', async () => {
  const threads = pool(library, script, LIMITS);
  await expect(threads.ask('figures', { takes: 1, fault: true }, nobodyLeft())).rejects.toMatchObject({
    problem: { status: 422, field: 'takes' },
  });
  await threads.close();
});
