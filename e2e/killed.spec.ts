import { PERSON_EXAMPLE } from '@inner-rung/core/person';
import { PLAN_EXAMPLE } from '@inner-rung/core/session';
import { expect, test } from '@playwright/test';
import { TestServer } from './server.ts';

const server = new TestServer(4727, false);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop('SIGKILL'));

/** How often it is killed; with FULL=1 in more than a thousand saves. */
const KILLS = process.env['FULL'] ? 30 : 4;

/** Saves answered before it may be killed. */
const SAVED_FIRST = 5;

const asked = (method: string, path: string, body?: object, headers: Record<string, string> = {}) =>
  fetch(`${server.url}/api/${path}`, {
    method,
    headers: { 'Content-Type': 'application/json', ...headers },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
const read = async <T>(path: string): Promise<T> => (await asked('GET', path)).json() as Promise<T>;

test('killed in the middle of saves, copies and erasing: all that was answered is there, and nothing is half', async () => {
  test.setTimeout(300_000);
  const id = PLAN_EXAMPLE.id;
  let known = { revision: 0, title: '' };
  let sent = 0;
  const sentAs = new Map<number, string>();
  const erased = new Set<string>();
  for (let kill = 0; kill < KILLS; kill++) {
    let alive = true;
    const before = { saved: known.revision, erased: erased.size };
    const erases = kill % 3 < 2;
    const saves = async () => {
      while (alive) {
        const title = `save ${++sent}`;
        sentAs.set(known.revision + 1, title);
        const answer = await asked(
          'PUT',
          `plans/${id}`,
          { ...PLAN_EXAMPLE, title },
          known.revision === 0 ? { 'If-None-Match': '*' } : { 'If-Match': `"${known.revision}"` },
        );
        if (!answer.ok) throw new Error(`${title}: ${answer.status} ${await answer.text()}`);
        known = { revision: ((await answer.json()) as { revision: number }).revision, title };
      }
    };
    const goes = async () => {
      for (let i = 0; alive; i++) {
        const person = `gone-${kill}-${i}`;
        await asked('PUT', `people/${person}`, { ...PERSON_EXAMPLE, id: person }, { 'If-None-Match': '*' });
        const answer = await asked('POST', `people/${person}/erase`);
        if (answer.ok) erased.add(person);
      }
    };
    const copies = async () => {
      while (alive) await asked('POST', 'copies');
    };
    // A copy holds up everything else: most kills are among saves alone.
    const all = Promise.allSettled([
      saves(),
      ...(erases ? [goes()] : []),
      ...(kill % 3 === 0 ? [copies()] : []),
    ]);
    // However slow the machine is, it is killed among saves and not before the first of them is answered.
    await expect.poll(() => known.revision).toBeGreaterThan(before.saved + SAVED_FIRST);
    if (erases) await expect.poll(() => erased.size).toBeGreaterThan(before.erased + 1);
    await new Promise((done) => setTimeout(done, (kill * 397) % 700));
    alive = false;
    await server.stop('SIGKILL');
    const told = await all;
    // Cut off is all that went wrong.
    for (const one of told) if (one.status === 'rejected') expect(String(one.reason)).toMatch(/fetch failed/);
    await server.start();

    const plan = await read<{ revision: number; body: { title: string } }>(`plans/${id}`);
    // The last answer, or the one after it that nobody heard of.
    expect([known.revision, known.revision + 1]).toContain(plan.revision);
    expect(plan.body.title).toBe(plan.revision === known.revision ? known.title : sentAs.get(plan.revision));
    known = { revision: plan.revision, title: plan.body.title };
    const people = await read<{ id: string }[]>('people');
    expect(people.filter((one) => erased.has(one.id))).toEqual([]);
    expect(await read('trail/state')).toMatchObject({ brokenAt: null });
  }
  expect(known.revision).toBeGreaterThan(KILLS * 5);
  expect(erased.size).toBeGreaterThan(KILLS);
  test
    .info()
    .annotations.push({ type: 'saves', description: `${known.revision} saves, ${erased.size} erased` });
});
