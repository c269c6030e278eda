/** @jest-environment ./web/test/browser-environment.mjs */
import { GROUP_EXAMPLE, PERSON_EXAMPLE } from '@inner-rung/core/person';
import { PLAN_EXAMPLE } from '@inner-rung/core/session';
import { jest } from '@jest/globals';
import { letGo, letGoOfErased } from '../src/store/erased.ts';

const keep = (key: string, value: unknown) =>
  localStorage.setItem(`inner-rung/${key}`, JSON.stringify(value));
const kept = (key: string) => JSON.parse(localStorage.getItem(`inner-rung/${key}`) ?? 'null') as never;
const all = () => Object.keys(localStorage).map((key) => `${key} ${localStorage.getItem(key)}`);

const cast = (id: string) => ({ id, name: id, does: [], switches: [], cautions: ['a heart condition'] });
const press = (id: string, person: string) => ({ id, at: 1, kind: 'leave', person });

/** Everything a browser may keep, of somebody who goes and somebody who stays. */
function fill() {
  const wish = (person: string) => ({
    block: 'b',
    station: 's',
    kind: 'bar',
    form: { move: 'squat' },
    person,
  });
  keep('shelf/people/t1', {
    at: 1,
    docs: {
      'p-goes': { ...PERSON_EXAMPLE, id: 'p-goes' },
      'p-stays': { ...PERSON_EXAMPLE, id: 'p-stays' },
    },
    base: {},
  });
  keep('shelf/groups/t1', {
    at: 1,
    docs: { g: { ...GROUP_EXAMPLE, id: 'g', members: ['p-goes', 'p-stays'] } },
    base: { g: 4 },
  });
  keep('draft/plan-1/t1', {
    base: 2,
    at: 1,
    plan: { ...PLAN_EXAMPLE, person: 'p-goes', wishes: [wish('p-goes'), wish('p-stays')] },
  });
  keep('run/r1', {
    run: { id: 'r1', cast: [cast('p-goes'), cast('p-stays')] },
    events: [press('e1', 'p-goes'), press('e2', 'p-stays')],
    ahead: 7,
  });
  keep('run/r1/pressed', [press('e3', 'p-goes'), press('e4', 'p-stays')]);
  keep('pack/r1/record', {
    version: 2,
    results: [
      { id: 'a', person: 'p-goes' },
      { id: 'b', person: 'p-stays' },
    ],
  });
  keep('form/clearance/p-goes', { note: 'a stent' });
  keep('form/class/plan-1/all/2026-11-29', { away: [], sore: { 'p-goes#2': ['sore-knees'] }, walkIns: [] });
  keep('form/clearance/p-goes-too', { note: 'typed' });
  keep('view', { theme: 'hall' });
}

beforeEach(() => {
  localStorage.clear();
  fill();
});

test('nothing that this browser keeps names who was erased, and nobody else loses anything', () => {
  letGo(['p-goes']);
  expect(all().filter((one) => /p-goes(?!-too)/.test(one))).toEqual([]);
  expect(Object.keys((kept('shelf/people/t1') as { docs: object }).docs)).toEqual(['p-stays']);
  expect(kept('shelf/groups/t1')).toMatchObject({ docs: { g: { members: ['p-stays'] } }, base: { g: 4 } });
  expect(kept('draft/plan-1/t1')).toMatchObject({
    base: 2,
    plan: { person: null, wishes: [{ person: 'p-stays' }] },
  });
  expect(kept('run/r1')).toMatchObject({
    run: { cast: [{ id: 'p-stays' }] },
    events: [{ id: 'e2' }],
    ahead: 7,
  });
  expect(kept('run/r1/pressed')).toMatchObject([{ id: 'e4' }]);
  expect(kept('form/clearance/p-goes-too')).toEqual({ note: 'typed' });
  expect(kept('view')).toEqual({ theme: 'hall' });
});

test('where nobody of it was erased not a letter changes, and what can’t be read stays', () => {
  localStorage.setItem('inner-rung/draft/plan-2/t1', '{"plan":');
  localStorage.setItem('inner-rung/run/r9', '{"run":{"cast":7}}');
  const before = all();
  letGo(['somebody-else']);
  expect(all()).toEqual(before);
});

test('what can’t be read and names them goes whole', () => {
  localStorage.setItem('inner-rung/run/r9', '{"run":{"cast":{"id":"p-goes"}}}');
  letGo(['p-goes']);
  expect(localStorage.getItem('inner-rung/run/r9')).toBeNull();
});

test('the server is asked about everybody who is named anywhere, and only they', async () => {
  const asked: string[][] = [];
  const answers = jest.spyOn(globalThis, 'fetch').mockImplementation(async (_, init) => {
    asked.push((JSON.parse(String(init?.body)) as { people: string[] }).people);
    return Response.json({ people: ['p-goes'] });
  });
  await letGoOfErased();
  answers.mockRestore();
  for (const id of ['p-goes', 'p-stays', 'p-goes-too']) expect(asked[0]).toContain(id);
  expect(asked[0]).not.toContain('a stent');
  expect(all().filter((one) => /p-goes(?!-too)/.test(one))).toEqual([]);
});

test('with the server away nothing is let go', async () => {
  const before = all();
  const answers = jest.spyOn(globalThis, 'fetch').mockRejectedValue(new TypeError('away'));
  await letGoOfErased();
  answers.mockRestore();
  expect(all()).toEqual(before);
});
