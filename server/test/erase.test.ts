import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type AnyRecordKind, openRecord } from '@inner-rung/core/record';
import { RECORDS, recordOf } from '@inner-rung/core/records';
import { jest } from '@jest/globals';
import request from 'supertest';
import { GROUPS, RECORDS as KEPT, PEOPLE, PLANS, ROOMS } from '../../demo/src/index.ts';
import { openDatabase, openDataFolder } from '../src/database.ts';
import { appOver } from './app.ts';

const plan = PLANS[0]!;
const group = GROUPS[0]!;

function fresh(path = ':memory:') {
  const db = openDatabase(path);
  const { app, store } = appOver(db);
  const bodyOf = async (collection: string, id: string) =>
    (await request(app).get(`/api/${collection}/${id}`)).body.body;
  const erase = (collection: string, id: string) => request(app).post(`/api/${collection}/${id}/erase`);
  return { db, app, store, bodyOf, erase };
}

describe('what names an erased one is cleared by its kind’s references', () => {
  test('what was corrected goes with its result, and nobody gets somebody else’s', async () => {
    const { store, bodyOf, erase } = fresh();
    const [first, second, third] = KEPT[0]!.results;
    const said = (was: string) => [{ at: '2026-11-01T20:00:00.000Z', was }];
    const record = {
      ...KEPT[0]!,
      results: [
        { ...first!, corrections: said('pain, the left hip') },
        { ...second!, corrections: [] },
        { ...third!, corrections: said('effort 6') },
      ],
    };
    store.create(recordOf('record'), record.id, record);
    expect((await erase('people', first!.person!)).status).toBe(204);
    const left = await bodyOf('records', record.id);
    expect(left.results).toEqual([record.results[1], record.results[2]]);
    expect(JSON.stringify(left)).not.toContain('hip');
  });
  test('so it is where corrections were still kept beside the results, by their place', async () => {
    const { db, bodyOf, erase } = fresh();
    const old = {
      ...KEPT[0]!,
      version: 1,
      results: KEPT[0]!.results.map(({ id: _, corrections: __, ...result }) => result),
      corrections: [
        { at: '2026-11-01T20:00:00.000Z', result: 0, was: 'pain, the left hip' },
        { at: '2026-11-01T20:00:00.000Z', result: 1, was: 'effort 6' },
      ],
    };
    const put = db.prepare("INSERT INTO document VALUES ('record', ?, 1, ?, 'then')");
    put.run(old.id, JSON.stringify(old));
    await erase('people', old.results[0]!.person!);
    const left = await bodyOf('records', old.id);
    expect(left.results[0]).toMatchObject({
      person: old.results[1]!.person,
      corrections: [{ was: 'effort 6' }],
    });
    expect(JSON.stringify(left)).not.toContain('hip');
  });
  test('a room or a session that goes leaves the group that met there', async () => {
    const { store, bodyOf, erase } = fresh();
    const own = {
      ...group,
      room: ROOMS[0]!.id,
      plan: plan.id,
      changes: [{ on: '2026-12-01', off: false, plan: plan.id }],
    };
    store.create(recordOf('room'), ROOMS[0]!.id, ROOMS[0]);
    store.create(recordOf('plan'), plan.id, { ...plan, room: ROOMS[0]!.id });
    store.create(recordOf('group'), own.id, own);
    await erase('rooms', ROOMS[0]!.id);
    await erase('plans', plan.id);
    const left = await bodyOf('groups', own.id);
    const { room: _, plan: __, ...rest } = own;
    expect(left).toEqual({ ...rest, changes: [{ on: '2026-12-01', off: false }] });
    expect(store.unreadable()).toEqual([]);
  });
  test('somebody whose id is a word of ours takes nothing else along', async () => {
    const { store, bodyOf, erase } = fresh();
    const adults = { ...PEOPLE[0]!, id: 'adults' };
    store.create(recordOf('person'), 'adults', adults);
    store.create(recordOf('plan'), plan.id, { ...plan, forWhom: 'adults' });
    await erase('people', 'adults');
    expect(await bodyOf('plans', plan.id)).toEqual({ ...plan, forWhom: 'adults' });
    expect(store.unreadable()).toEqual([]);
  });
});

/** The example of a kind with an id written at a place, whatever stands on the way made as its schema wants it. */
function namedAt(record: AnyRecordKind, at: string, id: string): unknown {
  const fill: Record<string, object> = {
    'home.sessions[].plan': {
      home: { sessions: [{ plan: id, days: [] }], weeks: 4, room: 'hall', words: '' },
    },
    'home.room': { home: { sessions: [], weeks: 4, room: id, words: '' } },
    'members[]': { members: [id] },
    'attendance[].present[]': { attendance: [{ on: '2026-11-03', present: [id] }] },
    'changes[].away[]': { changes: [{ on: '2026-11-03', away: [id] }] },
    'changes[].plan': { changes: [{ on: '2026-11-03', plan: id }] },
    'wishes[].person': {
      wishes: [{ block: 'main', station: 's1', kind: 'give', form: { move: 'squat' }, person: id }],
    },
    'levels[].person': { levels: [{ person: id, level: 1 }] },
    'wordsFor[].person': { wordsFor: [{ block: 'main', station: 's1', person: id, words: 'Easy' }] },
    'results[].person': { results: [{ ...KEPT[0]!.results[0]!, person: id }] },
  };
  const one = `${record.kind}-${at.replace(/[^a-z]+/gi, '-').toLowerCase()}`.replace(/-+$/, '');
  return { ...record.example, id: one, ...(fill[at] ?? { [at]: id }) };
}

test('a place that names somebody is emptied as its reference says, and the rest opens', async () => {
  for (const record of RECORDS)
    for (const reference of record.references) {
      const { store, bodyOf, erase } = fresh();
      const body = namedAt(record, reference.at, 'goes-away') as { id: string };
      store.create(record, body.id, body);
      const target = recordOf(reference.to);
      expect((await erase(target.collection, 'goes-away')).status).toBe(204);
      const left = await bodyOf(record.collection, body.id);
      expect(openRecord(record, left)).toMatchObject({ ok: true });
      expect([record.kind, reference.at, JSON.stringify(left).includes('goes-away')]).toEqual([
        record.kind,
        reference.at,
        false,
      ]);
    }
});

describe('all of it or nothing', () => {
  test('what fails on the way leaves everything as it was; asked again it is done', async () => {
    const { db, store, erase } = fresh();
    store.create(recordOf('person'), PEOPLE[0]!.id, PEOPLE[0]);
    store.create(recordOf('plan'), plan.id, { ...plan, person: PEOPLE[0]!.id });
    db.exec(`CREATE TRIGGER full BEFORE INSERT ON erased BEGIN SELECT RAISE(ABORT, 'disk full'); END`);
    const rows = () => db.prepare('SELECT kind, id, body FROM document ORDER BY id').all();
    const before = rows();
    expect((await erase('people', PEOPLE[0]!.id)).status).toBe(500);
    expect(rows()).toEqual(before);
    db.exec('DROP TRIGGER full');
    expect((await erase('people', PEOPLE[0]!.id)).status).toBe(204);
    expect((await erase('people', PEOPLE[0]!.id)).status).toBe(204);
    expect(JSON.stringify(rows())).not.toContain(PEOPLE[0]!.id);
  });
  test('where the file can’t be rewritten yet that is said, and done at the next start', async () => {
    const path = openDataFolder(mkdtempSync(join(tmpdir(), 'inner-rung-compact-')));
    const { db, store, erase } = fresh(path);
    store.create(recordOf('person'), PEOPLE[0]!.id, { ...PEOPLE[0]!, notes: 'Lives above the chandlery.' });
    const exec = jest.spyOn(db, 'exec').mockImplementation(() => {
      throw new Error('database or disk is full');
    });
    const answer = await erase('people', PEOPLE[0]!.id);
    expect([answer.status, answer.body.erased]).toEqual([202, true]);
    exec.mockRestore();
    expect((await erase('people', PEOPLE[0]!.id)).status).toBe(204);
    const bytes = ['', '-wal'].map((end) =>
      existsSync(path + end) ? readFileSync(path + end, 'latin1') : '',
    );
    expect(bytes.join('')).not.toContain('chandlery');
    expect(bytes.join('')).not.toContain(PEOPLE[0]!.id);
    db.close();
  });
  test('who was erased is told to a browser that asks by id, and nobody else is', async () => {
    const { app, store, erase } = fresh();
    store.create(recordOf('person'), 'p-goes', { ...PEOPLE[0]!, id: 'p-goes' });
    await erase('people', 'p-goes');
    const asked = await request(app)
      .post('/api/erased')
      .send({ people: ['p-goes', 'p-stays'] });
    expect(asked.body).toEqual({ people: ['p-goes'] });
    const wrong = await request(app).post('/api/erased').send({ people: 'p-goes' });
    expect([wrong.status, wrong.body.field]).toEqual([422, 'people']);
  });
});
