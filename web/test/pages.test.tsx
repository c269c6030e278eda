/** @jest-environment ./web/test/browser-environment.mjs */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PLAN } from '@inner-rung/core/session';
import { jest } from '@jest/globals';
import { act, cleanup, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { Broken } from '../src/app/broken.tsx';
import { fetchPlan } from '../src/features/use-open-plan.ts';
import { store } from '../src/store/index.ts';
import { planEvents } from '../src/store/plan-slice.ts';

const open = () => store.getState().plan.present;
const answers: ((body: unknown) => void)[] = [];
const asked: string[] = [];
beforeEach(() => {
  answers.length = 0;
  asked.length = 0;
  store.dispatch(planEvents.planOpened(null));
  globalThis.fetch = jest.fn((path: unknown) => {
    asked.push(String(path));
    return new Promise((answer) => {
      answers.push((body) => answer({ ok: body !== null, status: 404, json: async () => body } as Response));
    });
  }) as typeof fetch;
});
afterEach(cleanup);
const stored = (id: string, title = id) => ({ id, revision: 1, body: { ...PLAN.example, id, title } });

describe('a session is fetched', () => {
  test('once for all who ask for it meanwhile', async () => {
    const both = Promise.all([fetchPlan(store, 'a', () => true), fetchPlan(store, 'a', () => true)]);
    answers[0]!(stored('a'));
    expect(await both).toEqual([null, null]);
    expect([asked, open()?.id]).toEqual([['/api/plans/a'], 'a']);
  });
  test('and an answer that is late opens nothing over what is open by then', async () => {
    let waits = true;
    const late = fetchPlan(store, 'a', () => waits);
    waits = false;
    const wanted = fetchPlan(store, 'b', () => true);
    answers[1]!(stored('b'));
    await wanted;
    answers[0]!(stored('a'));
    expect([await late, open()?.id]).toEqual([null, 'b']);
  });
  test('nor over edits of the same', async () => {
    const first = fetchPlan(store, 'a', () => true);
    const second = first.then(() => {
      store.dispatch(planEvents.planOpened({ ...open()!, title: 'Edited' }));
      return fetchPlan(store, 'a', () => true);
    });
    answers[0]!(stored('a'));
    await second;
    expect([open()?.title, asked.length]).toEqual(['Edited', 1]);
  });
  test('and what isn’t there is said, and asked for anew the next time', async () => {
    const first = fetchPlan(store, 'gone', () => true);
    answers[0]!(null);
    expect([await first, open()]).toEqual(['gone', null]);
    const again = fetchPlan(store, 'gone', () => true);
    answers[1]!(stored('gone'));
    expect([await again, open()?.id]).toEqual([null, 'gone']);
  });
});

function Page({ at }: { at: string }) {
  if (at === '/bad') throw new Error('no such thing');
  return <p>{at}</p>;
}
test('a page that couldn’t be shown says so, and going somewhere else shows that', () => {
  const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const shown = (at: string) => (
    <MemoryRouter>
      <Broken at={at}>
        <Page at={at} />
      </Broken>
    </MemoryRouter>
  );
  const { rerender } = render(shown('/bad'));
  expect(screen.getByRole('alert').textContent).toBe('no such thing');
  act(() => rerender(shown('/good')));
  expect(screen.getByText('/good')).toBeTruthy();
  quiet.mockRestore();
});

test('the first scripts ask for no package whole but for what can’t be had in parts', () => {
  const src = join(process.cwd(), 'web/src');
  const named = readdirSync(src)
    .filter((name) => name.endsWith('.ts') || name.endsWith('.tsx'))
    .flatMap((name) => [...readFileSync(join(src, name), 'utf8').matchAll(/import\('([^.'][^']*)'\)/g)])
    .map((found) => found[1]);
  expect(named).toEqual(['react-dom/client']);
});
