/** @jest-environment ./web/test/browser-environment.mjs */
import { PLAN_EXAMPLE, type Plan } from '@inner-rung/core/session';
import { jest } from '@jest/globals';
import { letGo, letGoOfErased } from '../src/store/erased.ts';
import { store } from '../src/store/index.ts';
import { planEvents, planHistory } from '../src/store/plan-slice.ts';
import { keepSteps, stepsTo } from '../src/store/steps.ts';
import { openPlan } from '../src/store/sync.ts';

const titled = (title: string): Plan => ({ ...structuredClone(PLAN_EXAMPLE), title });
const steps = { past: [titled('one'), titled('two')], future: [titled('four')] };

beforeEach(() => sessionStorage.clear());

test('the steps to what stands here are kept, and to nothing else', () => {
  keepSteps(titled('three'), steps);
  expect(stepsTo(titled('three'))).toEqual(steps);
  // Changed elsewhere meanwhile: going back from that would be going back over somebody else's work.
  expect(stepsTo(titled('three, by somebody else'))).toBeNull();
  keepSteps(titled('three'), { past: [], future: [] });
  expect(stepsTo(titled('three'))).toBeNull();
});

test('the last forty of many', () => {
  const many = Array.from({ length: 90 }, (_, i) => titled(`step ${i}`));
  keepSteps(titled('now'), { past: many, future: [] });
  expect(stepsTo(titled('now'))!.past.map(({ title }) => title)).toEqual(
    many.slice(-40).map(({ title }) => title),
  );
});

test('where somebody was erased nothing goes back to before', () => {
  keepSteps(titled('three'), steps);
  letGo(['maud-ellery']);
  expect(stepsTo(titled('three'))).toBeNull();
});

test('whom only a step names is asked about at the start, and the steps go where they were erased elsewhere', async () => {
  keepSteps(titled('three'), { ...steps, past: [{ ...titled('two'), person: 'maud-ellery' }] });
  const asked: string[] = [];
  const before = globalThis.fetch;
  globalThis.fetch = jest.fn(async (_url: unknown, init?: RequestInit) => {
    asked.push(...(JSON.parse(String(init?.body)) as { people: string[] }).people);
    return Response.json({ people: ['maud-ellery'] });
  }) as never;
  await letGoOfErased();
  globalThis.fetch = before;
  expect(asked).toEqual(['maud-ellery']);
  expect(stepsTo(titled('three'))).toBeNull();
});

test('one step that can’t be read makes none of them a way back', () => {
  keepSteps(titled('three'), { ...steps, past: [{ nothing: 'of a session' } as never, titled('two')] });
  expect(stepsTo(titled('three'))).toBeNull();
  sessionStorage.setItem('inner-rung/steps', '{');
  expect(stepsTo(titled('three'))).toBeNull();
});

test('opened again after a reload it can be undone and done again', () => {
  keepSteps(titled('three'), steps);
  openPlan(store, titled('three'), 3);
  const now = () => store.getState().plan.present?.title;
  store.dispatch(planHistory.undo());
  expect(now()).toBe('two');
  store.dispatch(planHistory.undo());
  expect(now()).toBe('one');
  for (const _ of [1, 2, 3]) store.dispatch(planHistory.redo());
  expect(now()).toBe('four');
  store.dispatch(planEvents.titleChanged('five'));
  expect(store.getState().plan.future).toEqual([]);
});
