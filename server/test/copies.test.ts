import { mkdtempSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { recordOf } from '@inner-rung/core/records';
import Database from 'better-sqlite3';
import fc from 'fast-check';
import request from 'supertest';
import { PEOPLE, PLANS } from '../../demo/src/index.ts';
import { MIGRATIONS, migrate, openDatabase, openDataFolder } from '../src/database.ts';
import { seal, unseal } from '../src/sealed.ts';
import { appOver } from './app.ts';

const PASSPHRASE = 'four geese over a wet barn';
const person = { ...PEOPLE[0]!, id: 'quillon', name: 'Quillon Vantreight' };

function fresh(place = mkdtempSync(join(tmpdir(), 'inner-rung-copies-'))) {
  const clock = { now: Date.parse('2026-11-24T10:00:00Z') };
  const db = openDatabase(openDataFolder(place));
  const { app, store, copies } = appOver(
    db,
    () => clock.now,
    () => 0,
    undefined,
    undefined,
    undefined,
    place,
  );
  const inCopies = () => readdirSync(join(place, 'copies'));
  return { clock, db, app, store, copies: copies!, place, inCopies, api: request(app) };
}
const notes = async (app: ReturnType<typeof fresh>['app'], id: string) =>
  (await request(app).get(`/api/people/${id}`)).body.body?.notes;

describe('a copy', () => {
  test('is made while everything goes on, opened and counted, and this user’s alone', async () => {
    const { store, api, place, inCopies } = fresh();
    store.create(recordOf('person'), person.id, person);
    store.create(recordOf('plan'), PLANS[0]!.id, PLANS[0]!);
    const made = await api.post('/api/copies');
    expect([made.status, made.body.reason, made.body.counts]).toEqual([
      201,
      'asked',
      { people: 1, sessions: 1, groups: 0, rooms: 0, records: 0, runs: 0 },
    ]);
    expect((await api.get('/api/copies')).body).toEqual([made.body]);
    const [file] = inCopies();
    expect((statSync(join(place, 'copies', file!)).mode & 0o777).toString(8)).toBe('600');
  });
  test('comes back: what stood is kept first, what was saved since is gone, and a page of then is told', async () => {
    const { store, api, app } = fresh();
    store.create(recordOf('person'), person.id, { ...person, notes: 'as it was' });
    const { name } = (await api.post('/api/copies')).body;
    store.replace(recordOf('person'), person.id, { ...person, notes: 'since' }, 1);
    store.create(recordOf('plan'), PLANS[0]!.id, PLANS[0]!);
    const back = await api.post(`/api/copies/${name}/restore`);
    expect([back.status, back.body.before.reason, back.body.before.counts.sessions]).toEqual([
      200,
      'before-restoring',
      1,
    ]);
    expect(await notes(app, person.id)).toBe('as it was');
    expect((await api.get('/api/plans')).body).toEqual([]);
    const late = await api
      .put(`/api/people/${person.id}`)
      .set('If-Match', '"2"')
      .send({ ...person, notes: 'from a page of then' });
    expect(late.status).toBe(412);
    // And the present of before as well.
    await api.post(`/api/copies/${back.body.before.name}/restore`);
    expect(await notes(app, person.id)).toBe('since');
    expect((await api.get('/api/plans')).body).toHaveLength(1);
  });
  test('holds nobody who was erased, on its bytes, and restoring brings nobody back', async () => {
    const { store, api, place, inCopies } = fresh();
    store.create(recordOf('person'), person.id, { ...person, notes: 'Lives above the Wharfside bakery.' });
    store.create(recordOf('person'), PEOPLE[1]!.id, PEOPLE[1]!);
    const { name } = (await api.post('/api/copies')).body;
    const file = (await api.post(`/api/copies/${name}/file`).send({ passphrase: PASSPHRASE }).buffer()).body;
    const bytes = () =>
      inCopies()
        .map((one) => readFileSync(join(place, 'copies', one), 'latin1'))
        .join('');
    expect(bytes()).toContain('Wharfside');
    expect((await api.post(`/api/people/${person.id}/erase`)).status).toBe(204);
    for (const trace of ['Wharfside', 'Quillon', person.id]) expect(bytes()).not.toContain(trace);
    expect((await api.post(`/api/copies/${name}/restore`)).status).toBe(200);
    expect((await api.get('/api/people')).body.map((one: { id: string }) => one.id)).toEqual([PEOPLE[1]!.id]);
    // A file from before the erasing, brought in from elsewhere, brings them back neither.
    const sealed = Buffer.isBuffer(file) ? file : Buffer.from(file);
    const brought = await api
      .post('/api/copies/file')
      .set({
        'Content-Type': 'application/octet-stream',
        'X-Passphrase': Buffer.from(PASSPHRASE).toString('base64'),
      })
      .send(sealed);
    expect([brought.status, brought.body.counts.people]).toEqual([201, 2]);
    expect((await api.post(`/api/copies/${brought.body.name}/restore`)).status).toBe(200);
    expect((await api.get('/api/people')).body.map((one: { id: string }) => one.id)).toEqual([PEOPLE[1]!.id]);
  });
  test('that is damaged keeps nobody: it goes with whoever is erased, and the others are cleaned', async () => {
    const { store, api, place, inCopies, clock } = fresh();
    store.create(recordOf('person'), person.id, { ...person, notes: 'Lives above the Wharfside bakery.' });
    const made: string[] = [];
    for (let n = 0; n < 3; n++) {
      clock.now += 60_000;
      made.push((await api.post('/api/copies')).body.name);
    }
    const [first, damaged, last] = made as [string, string, string];
    const path = join(place, 'copies', damaged);
    const bytes = readFileSync(path);
    // Its header is gone and the rows are still on its pages.
    bytes.fill(0, 0, 100);
    writeFileSync(path, bytes);
    expect(bytes.includes('Wharfside')).toBe(true);
    expect((await api.post(`/api/people/${person.id}/erase`)).status).toBe(204);
    expect(inCopies().sort()).toEqual([first, last].sort());
    for (const one of inCopies())
      expect(readFileSync(join(place, 'copies', one)).includes('Wharfside')).toBe(false);
  });
  test('is kept by the day for a week, by the week for four, by the month for twelve', async () => {
    const { clock, copies } = fresh();
    for (let day = 0; day < 400; day++) {
      clock.now += 86_400_000;
      await copies.take('daily');
      if (day % 90 === 0) await copies.take('asked');
    }
    const ages = copies.list().map(({ at }) => Math.round((clock.now - Date.parse(at)) / 86_400_000));
    expect(ages.slice(0, 7)).toEqual([0, 1, 2, 3, 4, 5, 6]);
    expect(ages.filter((age) => age < 28).length).toBeLessThanOrEqual(7 + 4 + 1);
    expect(ages.length).toBeLessThanOrEqual(7 + 4 + 12 + 1);
    expect(ages.filter((age) => age > 31).length).toBeGreaterThanOrEqual(10);
    expect(Math.max(...ages)).toBeLessThanOrEqual(366);
  }, 120_000);
  test('is made of what an update changes, before it does', () => {
    const place = mkdtempSync(join(tmpdir(), 'inner-rung-copies-'));
    const path = openDataFolder(place);
    const old = new Database(path);
    migrate(old, 2);
    old.prepare("INSERT INTO document VALUES ('room', 'barn', 1, '{}', 'then')").run();
    old.close();
    openDatabase(path).close();
    const [kept] = readdirSync(join(place, 'copies'));
    expect(kept).toMatch(/-before-update\.sqlite$/);
    const copy = new Database(join(place, 'copies', kept!));
    expect(copy.pragma('user_version', { simple: true })).toBe(2);
    expect(copy.prepare('SELECT id FROM document').all()).toEqual([{ id: 'barn' }]);
    copy.close();
    expect(MIGRATIONS.length).toBeGreaterThan(2);
  });
  test('that is damaged says so in the list and is not brought back; nothing changes', async () => {
    const { store, api, app, place } = fresh();
    store.create(recordOf('person'), person.id, { ...person, notes: 'stands' });
    const { name } = (await api.post('/api/copies')).body;
    writeFileSync(join(place, 'copies', name), 'no database at all'.repeat(100));
    expect((await api.get('/api/copies')).body[0].counts).toBeNull();
    const back = await api.post(`/api/copies/${name}/restore`);
    expect([back.status, back.body.title]).toEqual([422, 'Not a copy of Inner Rung’s data']);
    expect(await notes(app, person.id)).toBe('stands');
    expect((await api.post('/api/copies/..%2Finner-rung.sqlite/restore')).status).toBe(404);
  });
});

describe('the file that is kept elsewhere', () => {
  test('opens with its passphrase and no other; cut, changed, of a newer program or of something else it says which', async () => {
    const bytes = Buffer.from('people and their conditions '.repeat(2000));
    const sealed = await seal(bytes, PASSPHRASE);
    expect(sealed.includes('conditions')).toBe(false);
    expect((await unseal(sealed, PASSPHRASE)).equals(bytes)).toBe(true);
    const fails = (file: Buffer, passphrase = PASSPHRASE) =>
      unseal(file, passphrase).then(
        () => 'opened',
        (error: { problem: { field: string; detail: string } }) => error.problem.detail,
      );
    expect(await fails(sealed, 'four geese over a dry barn')).toMatch(/passphrase isn’t the one/);
    expect(await fails(sealed.subarray(0, sealed.length - 40))).toMatch(/cut or changed/);
    expect(await fails(sealed.subarray(0, 40))).toMatch(/half of it/);
    expect(await fails(Buffer.from('PK\x03\x04 a zip'))).toMatch(/no copy of Inner Rung/);
    expect(await fails(Buffer.from(sealed.toString('latin1').replace('COPY 1', 'COPY 9'), 'latin1'))).toMatch(
      /newer/,
    );
    await expect(seal(bytes, '          ')).rejects.toThrow(/10 letters/);
  });
  test('with any one byte changed doesn’t open', async () => {
    const sealed = await seal(Buffer.from('a few rows'), PASSPHRASE);
    await fc.assert(
      fc.asyncProperty(
        fc.nat({ max: sealed.length - 1 }),
        fc.integer({ min: 1, max: 255 }),
        async (at, by) => {
          const changed = Buffer.from(sealed);
          changed[at] = changed[at]! ^ by;
          await expect(unseal(changed, PASSPHRASE)).rejects.toThrow();
        },
      ),
      { numRuns: 12 },
    );
  }, 60_000);
  test('moves everything to another machine', async () => {
    const one = fresh();
    one.store.create(recordOf('person'), person.id, { ...person, notes: 'on the old one' });
    const { name } = (await one.api.post('/api/copies')).body;
    const file = await one.api
      .post(`/api/copies/${name}/file`)
      .send({ passphrase: PASSPHRASE })
      .buffer()
      .parse((response, done) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', () => done(null, Buffer.concat(chunks)));
      });
    const two = fresh();
    const brought = await two.api
      .post('/api/copies/file')
      .set({
        'Content-Type': 'application/octet-stream',
        'X-Passphrase': Buffer.from(PASSPHRASE).toString('base64'),
      })
      .send(file.body);
    expect(brought.body.counts).toMatchObject({ people: 1 });
    await two.api.post(`/api/copies/${brought.body.name}/restore`);
    expect(await notes(two.app, person.id)).toBe('on the old one');
  });
});
