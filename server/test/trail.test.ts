import { GROUP_EXAMPLE, PERSON_EXAMPLE } from '@inner-rung/core/person';
import { deedSaid, type TrailLine } from '@inner-rung/core/team';
import fc from 'fast-check';
import { openDatabase } from '../src/database.ts';
import { erasedNames } from '../src/erased-names.ts';
import { trail } from '../src/trail.ts';
import { twoWaysIn } from './app.ts';

const ROSA = { ...PERSON_EXAMPLE, id: 'rosa', name: 'Rosa' };
const HERE = { account: null, place: 'this machine' };

/** A trail on a database of its own, whose clock the test turns (ms). */
function ofItsOwn() {
  const clock = { now: 1_000_000 };
  const db = openDatabase(':memory:');
  const traces = trail(db, () => clock.now, erasedNames(db));
  const lines = (about: { kind: string; id: string } | null = null): TrailLine[] =>
    traces.list({ before: 1e9, most: 1000, about, account: null, nameOf: () => null });
  return { clock, db, traces, lines };
}

test('what is done to somebody’s file is told: seen, made, changed by field, deleted, in that order', async () => {
  const { here, clock } = await twoWaysIn();
  await here.put('/api/people/rosa').set('If-None-Match', '*').send(ROSA);
  await here.get('/api/people/rosa');
  const changed = { ...ROSA, conditions: [{ id: 'sore-knees' }], notes: 'shy of mirrors' };
  await here.put('/api/people/rosa').set('If-Match', '"1"').send(changed);
  clock.now += 3_600_000;
  await here.delete('/api/people/rosa').set('If-Match', '"2"');
  const { lines } = (await here.get('/api/trail?kind=person&id=rosa')).body as { lines: TrailLine[] };
  expect(lines.map(({ deed, what }) => [deed, [...what].sort()]).reverse()).toEqual([
    ['made', []],
    ['saw', []],
    ['changed', ['conditions', 'notes']],
    ['deleted', []],
  ]);
  expect(lines.map((line) => deedSaid(line, () => 'Rosa'))[1]).toBe('changed notes and conditions of Rosa');
  // What was written isn't in it, nor what somebody has.
  expect(JSON.stringify(lines)).not.toMatch(/shy|knees/);
  expect((await here.get('/api/trail/state')).body).toEqual({ lines: 4, brokenAt: null });
});

test('a save that was refused leaves no line, and one line goes with each that wasn’t', async () => {
  const { here } = await twoWaysIn();
  await here.put('/api/people/rosa').set('If-None-Match', '*').send(ROSA);
  expect(
    (
      await here
        .put('/api/people/rosa')
        .set('If-Match', '"7"')
        .send({ ...ROSA, notes: 'x' })
    ).status,
  ).toBe(412);
  expect((await here.put('/api/people/rosa').set('If-Match', '"1"').send({ id: 'rosa' })).status).toBe(422);
  expect((await here.get('/api/trail/state')).body.lines).toBe(1);
});

test('one look is one line, and what is typed in one go is one; another field or another hour is another', () => {
  const { clock, traces, lines } = ofItsOwn();
  for (let i = 0; i < 30; i++) traces.add(HERE, 'saw', 'person', 'rosa');
  for (let i = 0; i < 30; i++) traces.add(HERE, 'changed', 'person', 'rosa', ['notes']);
  expect(lines()).toHaveLength(2);
  traces.add(HERE, 'changed', 'person', 'rosa', ['limits']);
  traces.add({ ...HERE, account: 'dana' }, 'saw', 'person', 'rosa');
  traces.add(HERE, 'saw', 'person', 'theo');
  expect(lines()).toHaveLength(5);
  clock.now += 11 * 60_000;
  traces.add(HERE, 'saw', 'person', 'rosa');
  expect(lines()).toHaveLength(6);
});

test('the database itself refuses to change a line or to take one away', () => {
  const { db, traces } = ofItsOwn();
  traces.add(HERE, 'saw', 'person', 'rosa');
  expect(() => db.exec(`UPDATE trail SET account = 'dana'`)).toThrow('only added to');
  expect(() => db.exec('DELETE FROM trail')).toThrow('only added to');
});

test('whatever somebody edits, takes out, puts in or puts elsewhere is found, at the line where it begins', () => {
  const EDITS: Readonly<Record<string, (at: number) => string>> = {
    'another doer': (at) => `UPDATE trail SET account = 'somebody' WHERE number = ${at}`,
    'another time': (at) => `UPDATE trail SET at = at + 1 WHERE number = ${at}`,
    'another deed': (at) => `UPDATE trail SET deed = 'printed' WHERE number = ${at}`,
    'another person': (at) => `UPDATE trail SET about = 'x' WHERE number = ${at}`,
    'other words': (at) => `UPDATE trail_said SET body = '{"of":"theo","what":[]}' WHERE number = ${at}`,
    'taken out': (at) =>
      `DELETE FROM trail_said WHERE number = ${at}; DELETE FROM trail WHERE number = ${at}`,
    'hash and all': (at) => `UPDATE trail SET hash = 'f' || substr(hash, 2), at = 5 WHERE number = ${at}`,
  };
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 12 }),
      fc.nat(),
      fc.constantFrom(...Object.keys(EDITS)),
      (n, where, edit) => {
        const { clock, db, traces } = ofItsOwn();
        for (let i = 0; i < n; i++) {
          clock.now += 1_000;
          traces.add(HERE, 'made', 'person', `rosa-${i}`);
        }
        expect(traces.verify()).toEqual({ lines: n, brokenAt: null });
        const at = (where % (n - 1)) + 1;
        db.exec('DROP TRIGGER trail_stays; DROP TRIGGER trail_is_kept');
        db.exec(EDITS[edit]!(at));
        expect(traces.verify().brokenAt).toBe(at);
        db.close();
      },
    ),
    { numRuns: 60 },
  );
});

test('of somebody erased it stays that it happened, and nothing of who or what; the chain still holds', async () => {
  const { here, db } = await twoWaysIn();
  await here.put('/api/people/rosa').set('If-None-Match', '*').send(ROSA);
  await here
    .put('/api/people/rosa')
    .set('If-Match', '"1"')
    .send({ ...ROSA, notes: 'x' });
  await here
    .put('/api/groups/monday')
    .set('If-None-Match', '*')
    .send({ ...GROUP_EXAMPLE, id: 'monday' });
  await here.post('/api/trail/told').send({ deed: 'printed', page: 'a card', kind: 'person', id: 'rosa' });
  expect((await here.post('/api/people/rosa/erase')).status).toBe(204);
  const { lines } = (await here.get('/api/trail')).body as { lines: TrailLine[] };
  const theirs = lines.filter(({ kind }) => kind === 'person');
  expect(theirs.map(({ deed }) => deed)).toEqual(['erased', 'printed', 'changed', 'made']);
  expect(theirs.every(({ gone, of, what }) => gone && of === null && what.length === 0)).toBe(true);
  expect(deedSaid(theirs[1]!, () => null)).toBe('printed somebody since erased');
  const all = JSON.stringify([
    db.prepare('SELECT * FROM trail').all(),
    db.prepare('SELECT * FROM trail_said').all(),
  ]);
  expect(all).not.toMatch(/rosa|notes/i);
  expect((await here.get('/api/trail/state')).body.brokenAt).toBeNull();
});

test('what a browser does by itself is told to it: a page printed, a file made; nothing but the name of a page', async () => {
  const { here } = await twoWaysIn();
  const told = (body: object) => here.post('/api/trail/told').send(body);
  expect((await told({ deed: 'printed', page: 'the class on paper' })).status).toBe(204);
  for (const page of ['Rosa’s card', '<b>', 'x'.repeat(61), ''])
    expect([page, (await told({ deed: 'printed', page })).status]).toEqual([page, 422]);
  expect((await told({ deed: 'erased', page: 'all' })).status).toBe(422);
});

test('who does what they may not, and who gives a wrong passphrase, is told too', async () => {
  const { here, there } = await twoWaysIn();
  await here.post('/api/team').send({ name: 'Ines', passphrase: 'a walk round the lake' });
  await there.post('/api/sign-in').send({ name: 'Ines', passphrase: 'guess' });
  const signIn = await here.post('/api/sign-in').send({ name: 'Ines', passphrase: 'a walk round the lake' });
  const cookie = (signIn.headers['set-cookie'] as unknown as string[])[0]!.split(';')[0]!;
  const { lines } = (await here.get('/api/trail').set('Cookie', cookie)).body as { lines: TrailLine[] };
  expect(lines.map(({ who, deed, what }) => [who, deed, ...what])).toEqual([
    ['Ines', 'signed in'],
    [null, 'refused', 'a sign-in'],
    ['Ines', 'changed the team', 'set up'],
  ]);
});
