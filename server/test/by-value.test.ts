import { READY_ROOMS } from '@inner-rung/core/room';
import request from 'supertest';
import { PEOPLE, PLANS, ROOMS } from '../../demo/src/index.ts';
import { openDatabase } from '../src/database.ts';
import { appOver } from './app.ts';

const { app } = appOver(openDatabase(':memory:'));
const question = { session: PLANS[0]!, people: PEOPLE, room: ROOMS[0]!, on: '2026-11-24' };
const post = (path: string, body: object) => request(app).post(path).send(body);

describe('POST /api/scale', () => {
  test('a version for each, with reasons in words and sums; the same again the same', async () => {
    const first = await post('/api/scale', question);
    expect(first.status).toBe(200);
    expect(first.body.versions).toHaveLength(PEOPLE.length);
    for (const version of first.body.versions) {
      // Who may not train has a draft, and why it is no more than that.
      expect(version.mayTrain).toBe(version.waitsFor === null);
      expect(version.uses).toHaveLength(10);
      expect(version.lengthSeconds).toBe(1220);
      for (const reason of version.reasons) expect(reason.says).toMatch(/^[A-Z“].*[.]$/);
    }
    expect((await post('/api/scale', question)).body).toEqual(first.body);
  });
});

test('POST /api/scale: checks, where to go mid-set, and lanes where they are asked for', async () => {
  const { status, body } = await post('/api/scale', { ...question, lanes: 3 });
  expect(status).toBe(200);
  const one = body.versions.find((v: { mayTrain: boolean }) => v.mayTrain);
  expect(one.midSet).toHaveLength(one.uses.length);
  expect(one.checks.every((c: { says: string }) => c.says.length > 5)).toBe(true);
  expect(one.checks.length).toBeGreaterThan(0);
  expect(body.lanes.lanes).toHaveLength(3);
  expect(body.lanes.useful).toHaveLength(2);
  const without = await post('/api/scale', question);
  expect(without.body.lanes).toBeNull();
  const wrong = await post('/api/scale', { ...question, lanes: 9 });
  expect(wrong.status).toBe(422);
  expect(wrong.body.field).toBe('lanes');
});

describe('POST /api/class-plan', () => {
  test('going round is another plan of the same class', async () => {
    const { status, body } = await post('/api/class-plan', { ...question, how: 'rotation' });
    expect(status).toBe(200);
    expect(body.atLeast).toBeLessThanOrEqual(body.cost);
    const wrong = await post('/api/class-plan', { ...question, how: 'sideways' });
    expect(wrong.body.field).toBe('how');
  });
  test('at most three forms a station, everybody who may train has one, the bound holds', async () => {
    const { status, body } = await post('/api/class-plan', question);
    expect(status).toBe(200);
    const here = PEOPLE.length - body.notToday.length;
    expect(here).toBeGreaterThan(3);
    for (const entry of body.entries) {
      expect(entry.forms.length).toBeLessThanOrEqual(3);
      const told = entry.forms.flatMap((form: { people: string[] }) => form.people);
      expect(told.length + entry.resting.length).toBe(here);
    }
    expect(body.atLeast).toBeLessThanOrEqual(body.cost);
  });
  test('the written form may take the place of no other', async () => {
    const { body } = await post('/api/class-plan', { ...question, most: 2, besides: true });
    const strict = await post('/api/class-plan', { ...question, most: 2 });
    for (const { forms } of body.entries)
      expect(forms.filter((form: { asWritten: boolean }) => !form.asWritten).length).toBeLessThanOrEqual(2);
    for (const { forms } of strict.body.entries) expect(forms.length).toBeLessThanOrEqual(2);
    expect(body.cost).toBeLessThanOrEqual(strict.body.cost);
  });
  test('somebody comes late: who stands in the plan stays, and what moves is told with why', async () => {
    const people = PEOPLE.slice(0, -1);
    const first = (await post('/api/class-plan', { ...question, people })).body;
    const before: Record<string, (object | null)[]> = {};
    for (const { entry, forms } of first.entries)
      for (const { move, settings, people: who } of forms)
        for (const id of who) {
          before[id] = before[id] ?? [];
          before[id][entry] = settings ? { move, settings } : { move };
        }
    for (const id of Object.keys(before))
      before[id] = first.entries.map((_: unknown, entry: number) => before[id]![entry] ?? null);
    const now = (await post('/api/class-plan', { ...question, before })).body;
    expect(now.changes.length).toBeLessThanOrEqual(2);
    // A change that is worth nothing moves nobody; one that costs nothing may.
    const dear = (await post('/api/class-plan', { ...question, people, before, change: 100_000 })).body;
    expect(dear.changes).toEqual([]);
    const wrong = await post('/api/class-plan', { ...question, change: -1 });
    expect([wrong.status, wrong.body.field]).toEqual([422, 'change']);
  });
  test.each([
    ['no people', { ...question, people: [] }, 'people'],
    ['a session that isn’t one', { ...question, session: { version: 2 } }, /^session\./],
    [
      'a room that isn’t one',
      { ...question, room: { ...READY_ROOMS[0]!, widthMetres: -1 } },
      'room.widthMetres',
    ],
    ['a day that isn’t one', { ...question, on: 'Tuesday' }, 'on'],
    ['forms without end', { ...question, most: 99 }, 'most'],
  ])('%s: refused, the field named', async (_name, body, field) => {
    const answer = await post('/api/class-plan', body);
    expect(answer.status).toBe(422);
    expect(answer.body.field).toMatch(field);
    expect(answer.body.detail.length).toBeGreaterThan(3);
  });
});

describe('POST /api/read', () => {
  test('a session and who is here: what each line was read as, how sure, and what was assumed', async () => {
    const { status, body } = await post('/api/read', {
      text: 'Hall\n30 seconds each, 10 between\nsquats\nfroggies\nwobble sticks',
      who: '14 people, two sore knees, one with a tremor',
      vocabulary: { froggies: 'squat-jump' },
    });
    expect(status).toBe(200);
    expect(body.title).toBe('Hall');
    expect(body.blocks[0]).toMatchObject({ role: 'circuit', assumed: ['rounds'] });
    const stations = body.blocks[0].lines.filter((line: { kind: string }) => line.kind === 'station');
    expect(stations.map((line: { read: { moves: string[] }[] }) => line.read[0]?.moves[0] ?? null)).toEqual([
      'squat',
      'squat-jump',
      null,
    ]);
    expect(stations[2].sure).toBeLessThan(0.5);
    expect(body.session.blocks[0].stations).toHaveLength(3);
    expect(body.who).toMatchObject({
      total: 14,
      parts: [
        { count: 2, conditions: [{ id: 'sore-knees' }] },
        { count: 1, conditions: [], unread: ['tremor'] },
      ],
    });
    // What is read can be scaled as it stands.
    const scaled = await post('/api/scale', {
      session: body.session,
      people: PEOPLE,
      room: ROOMS[0]!,
      on: '2026-11-24',
    });
    expect(scaled.status).toBe(200);
  });
  test.each([
    ['a line of a megabyte', 'squat '.repeat(170_000), 'everything after the first'],
    ['ten thousand lines', 'squats\n'.repeat(10_000), 'lines 401 to'],
  ])('%s is read in bounded time, and it is said what wasn’t taken', async (_, text, says) => {
    const { status, body } = await post('/api/read', { text });
    expect(status).toBe(200);
    expect(body.unread.join()).toContain(says);
  });
  test('what is no text is refused by its field', async () => {
    for (const [wrong, field] of [
      [{ text: 7 }, 'text'],
      [{ text: 'squats', who: [] }, 'who'],
      [{ text: 'squats', vocabulary: { a: 1 } }, 'vocabulary.a'],
      [{}, 'text'],
    ] as const) {
      const { status, body } = await post('/api/read', wrong);
      expect([status, body.field]).toEqual([422, field]);
    }
  });
});
