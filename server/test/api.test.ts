import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { recordOf } from '@inner-rung/core/records';
import { planSchema } from '@inner-rung/core/session';
import Database from 'better-sqlite3';
import request from 'supertest';
import { GROUPS, PEOPLE, PLANS, ROOMS } from '../../demo/src/index.ts';
import { MIGRATIONS, migrate, openDatabase, openDataFolder } from '../src/database.ts';
import { documents } from '../src/documents.ts';
import { appOver, library } from './app.ts';

const plan = PLANS[0]!;

function fresh() {
  const db = openDatabase(':memory:');
  const { app, store } = appOver(db);
  return { db, store, app, ask: () => request(app) };
}
const save = (
  ask: ReturnType<typeof fresh>['ask'],
  body: object,
  headers: Record<string, string>,
  id = plan.id,
) => ask().put(`/api/plans/${id}`).set(headers).send(body);

describe('documents by revision', () => {
  test('created, read, replaced and deleted', async () => {
    const { ask } = fresh();
    expect((await save(ask, plan, { 'If-None-Match': '*' })).status).toBe(201);
    const read = await ask().get(`/api/plans/${plan.id}`);
    expect(read.headers['etag']).toBe('"1"');
    expect(read.body.body).toEqual(plan);
    const replaced = await save(ask, { ...plan, title: 'Another' }, { 'If-Match': '"1"' });
    expect([replaced.status, replaced.body.revision]).toEqual([200, 2]);
    expect((await ask().get('/api/plans')).body[0].body.title).toBe('Another');
    expect((await ask().delete(`/api/plans/${plan.id}`).set('If-Match', '"2"')).status).toBe(204);
    expect((await ask().get(`/api/plans/${plan.id}`)).status).toBe(404);
  });
  test('the second of two saves from one revision is told which stands', async () => {
    const { ask } = fresh();
    await save(ask, plan, { 'If-None-Match': '*' });
    await save(ask, { ...plan, title: 'First tab' }, { 'If-Match': '"1"' });
    const second = await save(ask, { ...plan, title: 'Second tab' }, { 'If-Match': '"1"' });
    expect(second.status).toBe(412);
    expect(second.body).toMatchObject({ revision: 2, title: 'Changed elsewhere' });
    expect((await ask().get(`/api/plans/${plan.id}`)).body.body.title).toBe('First tab');
  });
  test('what is sent again because the answer was lost is taken as saved; anything else isn’t', async () => {
    const { ask, db } = fresh();
    const made = { 'If-None-Match': '*' };
    expect((await save(ask, plan, made)).body.revision).toBe(1);
    expect(await save(ask, plan, made)).toMatchObject({ status: 201, body: { revision: 1 } });
    expect((await save(ask, { ...plan, title: 'Mine' }, made)).status).toBe(412);
    const mine = { ...plan, title: 'Mine' };
    for (let i = 0; i < 3; i++)
      expect((await save(ask, mine, { 'If-Match': '"1"' })).body).toMatchObject({ revision: 2 });
    expect((await save(ask, { ...plan, title: 'Theirs' }, { 'If-Match': '"1"' })).status).toBe(412);
    // Three sendings are one revision.
    expect(db.prepare('SELECT count(*) AS n FROM earlier_revision').get()).toEqual({ n: 1 });
    // Once somebody has gone on from it, the old sending is old.
    await save(ask, { ...plan, title: 'Later' }, { 'If-Match': '"2"' });
    expect((await save(ask, mine, { 'If-Match': '"1"' })).body).toMatchObject({ revision: 3 });
  });
  test('what is overwritten stays in the earlier revisions, the newest fifty', async () => {
    const { ask, db } = fresh();
    await save(ask, plan, { 'If-None-Match': '*' });
    for (let r = 1; r <= 55; r++) await save(ask, { ...plan, title: `Title ${r}` }, { 'If-Match': `"${r}"` });
    const kept = db.prepare('SELECT count(*) AS n, min(revision) AS first FROM earlier_revision').get();
    expect(kept).toEqual({ n: 50, first: 6 });
  });
});

describe('erasing somebody for good', () => {
  test('what a session keeps of them goes, and it can still be read', async () => {
    const { app, store } = appOver(openDatabase(':memory:'));
    const [block] = plan.blocks;
    const at = { block: block!.id, station: block!.stations[0]!.id };
    const about = (id: string) => ({
      wishes: [{ ...at, kind: 'give' as const, form: { move: 'squat' }, person: id }],
      levels: [{ person: id, level: 1 as const }],
      wordsFor: [{ ...at, person: id, words: 'Easy on the hip' }],
    });
    const both = (key: 'wishes' | 'levels' | 'wordsFor') => [
      ...about('p-goes')[key],
      ...about('p-stays')[key],
    ];
    store.create(recordOf('person'), 'p-goes', { ...PEOPLE[0]!, id: 'p-goes' });
    store.create(recordOf('plan'), plan.id, {
      ...plan,
      wishes: both('wishes'),
      levels: both('levels'),
      wordsFor: both('wordsFor'),
    });
    expect((await request(app).post('/api/people/p-goes/erase')).status).toBe(204);
    const { body } = (await request(app).get(`/api/plans/${plan.id}`)).body;
    expect({ wishes: body.wishes, levels: body.levels, wordsFor: body.wordsFor }).toEqual(about('p-stays'));
    expect(planSchema.safeParse(body).success).toBe(true);
  });

  const person = {
    ...PEOPLE[0]!,
    id: 'p-erase-me',
    name: 'Quillon Vantreight',
    notes: 'Lives above the Wharfside bakery.',
  };
  const group = {
    ...GROUPS[0]!,
    members: [...GROUPS[0]!.members, person.id],
    attendance: [{ on: '2026-11-17', present: [person.id, 'nev-ashdown'], others: 0 }],
  };
  test('nothing of them is left in any table, in the file or in another document', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'inner-rung-erase-'));
    const path = openDataFolder(folder);
    const db = openDatabase(path);
    const { app, store } = appOver(db);
    store.create(recordOf('person'), person.id, person);
    store.replace(recordOf('person'), person.id, { ...person, notes: 'Moved to Harrowgate Steps.' }, 1);
    store.create(recordOf('group'), group.id, group);
    store.replace(recordOf('group'), group.id, { ...group, name: 'Tuesday late' }, 1);
    store.create(recordOf('plan'), plan.id, { ...plan, person: person.id });
    db.prepare('INSERT INTO set_aside (kind, id, body, reason, set_aside_at) VALUES (?, ?, ?, ?, ?)').run(
      'person',
      person.id,
      JSON.stringify({ name: person.name }),
      'old',
      '2026-11-01T00:00:00Z',
    );
    db.pragma('wal_checkpoint(FULL)');
    const bytes = () =>
      ['', '-wal'].map((end) => (existsSync(path + end) ? readFileSync(path + end, 'latin1') : '')).join('');
    for (const trace of ['Quillon', 'Wharfside', 'Harrowgate', person.id]) expect(bytes()).toContain(trace);

    expect((await request(app).post(`/api/people/${person.id}/erase`)).status).toBe(204);

    for (const trace of ['Quillon', 'Wharfside', 'Harrowgate', person.id])
      expect(bytes()).not.toContain(trace);
    expect((await request(app).get(`/api/people/${person.id}`)).status).toBe(404);
    const left = (await request(app).get(`/api/groups/${group.id}`)).body;
    expect(left.body.members).toEqual(GROUPS[0]!.members);
    expect(left.body.attendance[0].present).toEqual(['nev-ashdown']);
    expect(left.revision).toBe(3);
    expect((await request(app).get(`/api/plans/${plan.id}`)).body.body.person).toBeNull();
    // Asked again because the answer was lost, it is done already.
    expect((await request(app).post(`/api/people/${person.id}/erase`)).status).toBe(204);
    db.close();
  });
});

describe('bad input is a 4xx with what, where and the fix, never 500', () => {
  const { ask } = fresh();
  test.each<[string, () => request.Test, number, RegExp]>([
    [
      'not JSON',
      () => ask().put('/api/plans/a').set('If-None-Match', '*').type('json').send('{"a":'),
      400,
      /JSON/,
    ],
    ['an array', () => ask().put('/api/plans/a').set('If-None-Match', '*').send([1]), 422, /object/],
    ['nothing at all', () => ask().put('/api/plans/a').set('If-None-Match', '*'), 422, /object/],
    [
      'a field of the wrong kind',
      () => save(ask, { ...plan, title: 7 }, { 'If-None-Match': '*' }),
      422,
      /string/,
    ],
    ['a field nobody knows', () => save(ask, { ...plan, joy: 1 }, { 'If-None-Match': '*' }), 422, /joy/],
    [
      'work of 0 seconds',
      () =>
        save(
          ask,
          {
            ...plan,
            blocks: [{ ...plan.blocks[0]!, format: { ...plan.blocks[0]!.format, workSeconds: 0 } }],
          },
          { 'If-None-Match': '*' },
        ),
      422,
      /5/,
    ],
    [
      'a version from the future',
      () => save(ask, { ...plan, version: 99 }, { 'If-None-Match': '*' }),
      422,
      /newer/,
    ],
    ['two ids', () => save(ask, plan, { 'If-None-Match': '*' }, 'other-id'), 422, /differ/],
    ['an id with a slash', () => ask().get('/api/plans/..%2Fetc'), 400, /small letters/],
    ['a kind nobody knows', () => ask().get('/api/horses/a'), 404, /nothing/],
    ['no revision', () => save(ask, plan, {}), 428, /revision/],
    ['a revision in words', () => save(ask, plan, { 'If-Match': 'latest' }), 400, /quotes/],
    ['something deleted meanwhile', () => save(ask, plan, { 'If-Match': '"1"' }), 412, /no session.*deleted/],
    [
      'far too large',
      () => save(ask, { ...plan, title: 'x'.repeat(600_000) }, { 'If-None-Match': '*' }),
      413,
      /512/,
    ],
    [
      'another page',
      () => save(ask, plan, { 'If-None-Match': '*', Origin: 'http://elsewhere.example' }),
      403,
      /own pages/,
    ],
    [
      'nested without end',
      () =>
        ask()
          .put('/api/plans/a')
          .set('If-None-Match', '*')
          .type('json')
          .send(`${'{"a":'.repeat(5000)}1${'}'.repeat(5000)}`),
      400,
      /levels deep/,
    ],
    [
      'another name for this machine',
      () => ask().get('/api/people').set('Host', 'rebound.example:4680'),
      421,
      /doesn’t answer to “rebound.example”/,
    ],
    ['no name that could be one', () => ask().get('/api/health').set('Host', 'a b/../c'), 421, /answer/],
    ['an address with nothing', () => ask().post('/api/nothing/at/all').send({}), 404, /nothing/],
  ])('%s', async (_name, send, status, detail) => {
    const response = await send();
    expect(response.status).toBe(status);
    expect(response.headers['content-type']).toMatch(/application\/problem\+json/);
    expect(JSON.parse(response.text)).toMatchObject({ status, detail: expect.stringMatching(detail) });
  });
  test('the field is named', async () => {
    const response = await save(
      ask,
      { ...plan, blocks: [{ ...plan.blocks[0]!, stations: [{ id: 's1', move: 'Not An Id' }] }] },
      { 'If-None-Match': '*' },
    );
    expect(response.body.field).toBe('blocks.0.stations.0.move');
  });
});

describe('a stored document that doesn’t open', () => {
  const torn = '{"version":1,"id":"tomas-wick"}';
  const withTorn = () => {
    const all = fresh();
    all.store.create(recordOf('person'), PEOPLE[0]!.id, PEOPLE[0]);
    all.store.create(recordOf('person'), 'tomas-wick', PEOPLE[1]);
    all.store.replace(recordOf('person'), 'tomas-wick', { ...PEOPLE[1], notes: 'Later.' }, 1);
    all.db.prepare('UPDATE document SET body = ? WHERE id = ?').run(torn, 'tomas-wick');
    return all;
  };
  const rows = (db: ReturnType<typeof fresh>['db']) =>
    ['document', 'earlier_revision', 'set_aside'].map((table) =>
      db.prepare(`SELECT * FROM ${table} ORDER BY 1, 2, 3`).all(),
    );
  test('looking at it writes nothing; it is told, and the rest opens', async () => {
    const { ask, db } = withTorn();
    const before = rows(db);
    const list = await ask().get('/api/people');
    expect(list.body.map((p: { id: string }) => p.id)).toEqual([PEOPLE[0]!.id]);
    expect((await ask().get('/api/people/tomas-wick')).status).toBe(404);
    expect((await ask().get('/api/set-aside')).body[0]).toMatchObject({
      kind: 'person',
      id: 'tomas-wick',
      reason: expect.stringContaining('name'),
      body: torn,
    });
    expect(rows(db)).toEqual(before);
  });
  test('at start it is set aside with its history, and saving over it works', async () => {
    const { ask, db, store } = withTorn();
    expect(store.sweep()).toBe(1);
    expect((await ask().get('/api/set-aside')).body).toHaveLength(1);
    expect(db.prepare('SELECT revision, body FROM set_aside ORDER BY revision').all()).toMatchObject([
      { revision: 1, body: expect.stringContaining('Tomas') },
      { revision: 2, body: torn },
    ]);
    expect(store.sweep()).toBe(0);
    const again = withTorn();
    const made = await again.ask().put('/api/people/tomas-wick').set('If-None-Match', '*').send(PEOPLE[1]);
    expect(made.status).toBe(201);
    expect((await again.ask().get('/api/set-aside')).body).toHaveLength(1);
  });
  test('an upgrade that can’t is one bad row, not a list that fails', async () => {
    const { ask, db, store } = fresh();
    store.create(recordOf('room'), ROOMS[0]!.id, ROOMS[0]);
    db.prepare("INSERT INTO document VALUES ('room', 'old-hall', 1, ?, 'then')").run(
      '{"version":1,"id":"old-hall","items":7}',
    );
    const list = await ask().get('/api/rooms');
    expect(list.status).toBe(200);
    expect(list.body).toHaveLength(1);
    expect((await ask().get('/api/set-aside')).body[0]).toMatchObject({ id: 'old-hall' });
  });
  test('one of a newer program stays in its place with all its history', async () => {
    const { ask, db, store } = withTorn();
    const newer = JSON.stringify({ ...PEOPLE[1], version: 99 });
    db.prepare('UPDATE document SET body = ? WHERE id = ?').run(newer, 'tomas-wick');
    const before = rows(db);
    expect((await ask().get('/api/people')).body).toHaveLength(1);
    expect(store.sweep()).toBe(0);
    expect(rows(db)).toEqual(before);
    expect((await ask().get('/api/set-aside')).body[0]).toMatchObject({
      number: null,
      reason: expect.stringContaining('newer Inner Rung'),
    });
  });
});

describe('what goes out', () => {
  const { ask } = fresh();
  test('the library is sent once and then known by its tag', async () => {
    const first = await ask().get('/api/library').responseType('blob');
    // Byte by byte, not element by element: the file is over a megabyte.
    expect(Buffer.compare(Buffer.from(first.body), library)).toBe(0);
    expect(first.headers['content-encoding']).toMatch(/br|gzip|deflate/);
    const again = await ask().get('/api/library').set('If-None-Match', first.headers['etag']!);
    expect(again.status).toBe(304);
  });
  test('headers keep other pages and inline scripts out', async () => {
    const { headers } = await ask().get('/api/health');
    expect(headers['content-security-policy']).toMatch(/default-src 'none'/);
    expect(headers['content-security-policy']).not.toMatch(/unsafe/);
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['x-powered-by']).toBeUndefined();
  });
});

describe('the database', () => {
  test('opens from every earlier schema', () => {
    for (let from = 0; from <= MIGRATIONS.length; from++) {
      const db = new Database(':memory:');
      migrate(db, from);
      migrate(db);
      expect(db.pragma('user_version', { simple: true })).toBe(MIGRATIONS.length);
      expect(documents(db, () => new Date()).isEmpty()).toBe(true);
    }
  });
  test('what stood in the first schema is all there in the newest, earlier revisions too', () => {
    const db = new Database(':memory:');
    db.pragma('foreign_keys = ON');
    migrate(db, 1);
    db.exec(`
      INSERT INTO document VALUES ('room', 'hall', 2, '{"a":2}', 'later');
      INSERT INTO earlier_revision VALUES ('room', 'hall', 1, '{"a":1}', 'earlier');
    `);
    migrate(db);
    expect(db.prepare('SELECT kind, id, revision, body FROM document').all()).toEqual([
      { kind: 'room', id: 'hall', revision: 2, body: '{"a":2}' },
    ]);
    expect(db.prepare('SELECT revision, body FROM earlier_revision').all()).toEqual([
      { revision: 1, body: '{"a":1}' },
    ]);
    db.exec("DELETE FROM document WHERE id = 'hall'");
    expect(db.prepare('SELECT count(*) AS n FROM earlier_revision').get()).toEqual({ n: 0 });
  });
  test('one written by a newer program is left alone, with a sentence', () => {
    const db = new Database(':memory:');
    db.pragma('user_version = 999');
    expect(() => migrate(db)).toThrow(/newer Inner Rung/);
  });
  test('tables are strict and keys are checked', () => {
    const { db } = fresh();
    expect(db.pragma('foreign_keys', { simple: true })).toBe(1);
    expect(() => db.prepare("INSERT INTO document VALUES ('plan', 'a', 'one', '{}', 'now')").run()).toThrow(
      /INTEGER/,
    );
    expect(() => db.prepare("INSERT INTO document VALUES ('plan', 'a', 0, '{}', 'now')").run()).toThrow(
      /CHECK/,
    );
  });
  test('a data folder that can’t be made is one sentence', () => {
    const file = join(mkdtempSync(join(tmpdir(), 'inner-rung-')), 'a-file');
    writeFileSync(file, '');
    expect(() => openDataFolder(join(file, 'data'))).toThrow(/can’t be written to\. Choose another/);
  });
});

test('the whole demo scenario is accepted by its schemas', () => {
  const { store } = fresh();
  for (const person of PEOPLE) store.create(recordOf('person'), person.id, person);
  for (const room of ROOMS) store.create(recordOf('room'), room.id, room);
  for (const p of PLANS) store.create(recordOf('plan'), p.id, p);
  expect(store.list(recordOf('person'))).toHaveLength(PEOPLE.length);
  expect(
    store
      .list(recordOf('plan'))
      .map((p) => p.id)
      .sort(),
  ).toEqual(PLANS.map((p) => p.id).sort());
});
