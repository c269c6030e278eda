import { copyFileSync, mkdtempSync, readFileSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { type IncomingMessage, get as open } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { recordOf } from '@inner-rung/core/records';
import Database from 'better-sqlite3';
import { pino } from 'pino';
import { PEOPLE } from '../../demo/src/index.ts';
import { openDatabase, openDataFolder } from '../src/database.ts';
import { loggedPath } from '../src/logging.ts';
import { withPolicy } from '../src/pack.ts';
import { appOver, castFor, PASSCODE, runFor, twoWaysIn } from './app.ts';

const RUN = runFor([castFor(PEOPLE[0]!.id, PEOPLE[0]!.name)]);
const pressed = (n: number, more: object) => ({ id: `press-${String(n).padStart(6, '0')}`, ...more });

/** A stream that is open, and whether the server has ended it. */
function look(port: number, path: string, cookie = ''): Promise<{ ended: Promise<string> }> {
  return new Promise((ready, failed) => {
    open({ port, path, headers: cookie ? { cookie } : {} }, (response: IncomingMessage) => {
      let text = '';
      response.on('data', (chunk: Buffer) => {
        text += chunk.toString();
      });
      const ended = new Promise<string>((done) => response.on('end', () => done(text)));
      ready({ ended });
    }).on('error', failed);
  });
}

describe('tries of a passcode', () => {
  test('three hundred at once are three hundred tries: five are looked at', async () => {
    const { here, signIn } = await twoWaysIn();
    await here.put('/api/network').send({ on: true, passcode: PASSCODE });
    const answers = await Promise.all(Array.from({ length: 300 }, (_, i) => signIn(`guess-${i}`)));
    const of = (status: number) => answers.filter((answer) => answer.status === status).length;
    expect([of(401), of(429)]).toEqual([5, 295]);
    expect((await signIn()).status).toBe(429);
  });
  test('a server started again remembers them', async () => {
    const path = openDataFolder(mkdtempSync(join(tmpdir(), 'inner-rung-tries-')));
    const first = await twoWaysIn(path);
    await first.here.put('/api/network').send({ on: true, passcode: PASSCODE });
    for (let i = 0; i < 5; i++) await first.signIn(`guess-${i}`);
    first.db.close();
    const second = await twoWaysIn(path);
    expect((await second.signIn()).status).toBe(429);
    second.clock.now += 5 * 60_000 + 1;
    expect((await second.signIn()).status).toBe(204);
    second.db.close();
  });
  test('six spaces are no passcode', async () => {
    const { here } = await twoWaysIn();
    const answer = await here.put('/api/network').send({ on: true, passcode: '      ' });
    expect([answer.status, answer.body.field]).toEqual([422, 'passcode']);
  });
});

describe('what is open ends with what let it in', () => {
  async function running() {
    const it = await twoWaysIn();
    await it.here.put('/api/network').send({ on: true, passcode: PASSCODE });
    it.store.create(recordOf('person'), PEOPLE[0]!.id, PEOPLE[0]!);
    await it.here.post('/api/runs').send(RUN);
    await it.here.post('/api/runs/tuesday-1/events').send(pressed(1, { kind: 'go' }));
    const { token } = (await it.here.post('/api/runs/tuesday-1/links').send({ person: PEOPLE[0]!.id })).body;
    return { ...it, token };
  }
  test('signing out everywhere, and a new passcode, end the phones’ streams and leave this machine’s', async () => {
    const { here, herePort, lanPort, cookie } = await running();
    for (const end of [
      () => here.post('/api/network/sign-out'),
      () => here.put('/api/network').send({ on: true, passcode: 'another-one' }),
    ]) {
      await here.put('/api/network').send({ on: true, passcode: PASSCODE });
      const phone = await look(lanPort, '/api/runs/tuesday-1/stream', await cookie());
      const own = await look(herePort, '/api/runs/tuesday-1/stream');
      await end();
      expect(await phone.ended).toContain('retry');
      expect(await Promise.race([own.ended, Promise.resolve('open')])).toBe('open');
    }
  });
  test('a phone signs itself out, and nobody else', async () => {
    const { there, lanPort, cookie } = await running();
    const [mine, other] = [await cookie(), await cookie()];
    const stream = await look(lanPort, '/api/runs/tuesday-1/stream', mine);
    expect((await there.post('/api/sign-out').set('Cookie', mine)).status).toBe(204);
    await stream.ended;
    expect((await there.get('/api/plans').set('Cookie', mine)).status).toBe(401);
    expect((await there.get('/api/plans').set('Cookie', other)).status).toBe(200);
  });
  test('a person’s link ends when the session does, when they are erased, and after a day', async () => {
    const finished = await running();
    const one = await look(finished.lanPort, `/api/p/${finished.token}/stream`);
    await finished.here.post('/api/runs/tuesday-1/events').send(pressed(2, { kind: 'finish' }));
    expect(await one.ended).toContain('finish');
    const erased = await running();
    const two = await look(erased.lanPort, `/api/p/${erased.token}/stream`);
    await erased.here.post(`/api/people/${PEOPLE[0]!.id}/erase`);
    await two.ended;
    const old = await running();
    expect((await old.there.get(`/api/p/${old.token}`)).status).toBe(200);
    old.clock.now += 24 * 3_600_000 + 1;
    expect((await old.there.get(`/api/p/${old.token}`)).status).toBe(404);
  });
  test('sign-ins that have run out are gone from the file', async () => {
    const { clock, db, cookie } = await running();
    await cookie();
    clock.now += 13 * 3_600_000;
    await cookie();
    expect(db.prepare('SELECT count(*) AS n FROM signed_in').get()).toEqual({ n: 1 });
  });
});

describe('a run that went on elsewhere', () => {
  test.each([
    ['unknown here', false],
    ['known here', true],
  ])('with an event far in the future is refused, and sets no clock: %s', async (_says, known) => {
    const { here } = await twoWaysIn();
    if (known) await here.post('/api/runs').send(RUN);
    const future = { ...pressed(1, { kind: 'go' }), at: 40 * 86_400_000 };
    const refused = await here.post('/api/runs/taken').send({ run: RUN, events: [future] });
    expect([refused.status, refused.body.field]).toEqual([422, 'events.0.at']);
    const now = await here.get('/api/runs/tuesday-1/now');
    expect([now.status, now.body.now ?? 0]).toEqual(known ? [200, 0] : [404, 0]);
  });
  test('brings no more events than a run holds, in as many parts as it likes', async () => {
    const { here } = await twoWaysIn();
    const many = (from: number, n: number) =>
      Array.from({ length: n }, (_, i) => ({ ...pressed(from + i, { kind: 'pause', why: 'pause' }), at: 1 }));
    expect((await here.post('/api/runs/taken').send({ run: RUN, events: many(0, 12_000) })).status).toBe(200);
    const over = await here.post('/api/runs/taken').send({ run: RUN, events: many(12_000, 12_000) });
    expect(over.status).toBe(409);
    const { events } = (await here.get('/api/runs/tuesday-1')).body;
    expect(events).toHaveLength(12_000);
  });
});

describe('who may do what from another device', () => {
  test('a phone that is signed in erases nobody', async () => {
    const { here, there, store, cookie } = await twoWaysIn();
    await here.put('/api/network').send({ on: true, passcode: PASSCODE });
    store.create(recordOf('person'), PEOPLE[0]!.id, PEOPLE[0]!);
    const erase = there.post(`/api/people/${PEOPLE[0]!.id}/erase`).set('Cookie', await cookie());
    expect((await erase).status).toBe(403);
    expect((await here.get(`/api/people/${PEOPLE[0]!.id}`)).status).toBe(200);
  });
  test.each(['X-Forwarded-For', 'Forwarded', 'Via', 'X-Real-IP'])(
    'what something on this machine passes on (%s) is from elsewhere',
    async (header) => {
      const { here } = await twoWaysIn();
      await here.put('/api/network').send({ on: true, passcode: PASSCODE });
      expect((await here.get('/api/people').set(header, '203.0.113.7')).status).toBe(401);
      expect((await here.get('/api/people')).status).toBe(200);
    },
  );
  test('whether it runs is said to anybody, without reading what they send, and nothing else is', async () => {
    const { there, here } = await twoWaysIn();
    const answer = await there.get('/api/health').send('{"this is": no JSON');
    expect([answer.status, answer.body]).toEqual([200, { ok: true }]);
    expect((await here.get('/api/health')).body).toEqual({ ok: true, demo: false });
  });
});

test('a list that hasn’t changed isn’t sent again; a save and a deletion change it', async () => {
  const { here, store } = await twoWaysIn();
  store.create(recordOf('person'), PEOPLE[0]!.id, PEOPLE[0]!);
  store.create(recordOf('person'), PEOPLE[1]!.id, PEOPLE[1]!);
  const tags = new Set<string>();
  const tag = async () => {
    const answer = await here.get('/api/people');
    tags.add(answer.headers['etag']!);
    return answer.headers['etag']!;
  };
  const first = await tag();
  const again = await here.get('/api/people').set('If-None-Match', first);
  expect([again.status, again.text]).toEqual([304, '']);
  store.replace(recordOf('person'), PEOPLE[0]!.id, { ...PEOPLE[0]!, notes: 'Likes tea.' }, 1);
  await tag();
  store.remove(recordOf('person'), PEOPLE[1]!.id, 1);
  await tag();
  expect(tags.size).toBe(3);
});

describe('what is logged', () => {
  const NAME = 'quillon-vantreight';
  test('of a request, at any level: no cookie, no token, no id and nothing of a body', async () => {
    const lines: string[] = [];
    const log = pino({ level: 'trace' }, { write: (line: string) => void lines.push(line) });
    const { here, there, db, cookie } = await twoWaysIn(':memory:', log);
    await here.put('/api/network').send({ on: true, passcode: PASSCODE });
    const mine = await cookie();
    const secret = mine.split('=')[1]!;
    await there.get(`/api/people/${NAME}`).set('Cookie', mine);
    await there.get(`/api/p/${secret}`);
    await here.put(`/api/people/${NAME}`).set('If-None-Match', '*').send({ notes: 'has angina' });
    db.exec('DROP TABLE document');
    expect((await there.get('/api/people').set('Cookie', mine)).status).toBe(500);
    const all = lines.join('');
    expect(lines.length).toBeGreaterThan(5);
    expect(all).toContain('request failed');
    for (const trace of [secret, PASSCODE, NAME, 'angina', 'cookie']) expect(all).not.toContain(trace);
  });
  test('of an address: what kind of thing, and what was done', () => {
    expect(loggedPath('/api/people/ann-lee/erase?x=1')).toBe('/api/people/…/erase');
    expect(loggedPath('/api/p/0a9b8c')).toBe('/api/p/…');
    expect(loggedPath('/api/ask/class-plan')).toBe('/api/ask/class-plan');
  });
});

describe('the data folder', () => {
  const folder = () => mkdtempSync(join(tmpdir(), 'inner-rung-folder-'));
  const mode = (path: string) => (statSync(path).mode & 0o777).toString(8);
  test('is this user’s alone, and so is what is in it', () => {
    const path = openDataFolder(join(folder(), 'data'));
    const db = openDatabase(path);
    expect([mode(join(path, '..')), mode(path)]).toEqual(['700', '600']);
    db.close();
  });
  test('is opened by one program at a time, which says so; its saves wait for nobody', () => {
    const path = openDataFolder(folder());
    const db = openDatabase(path);
    expect(() => openDatabase(path)).toThrow(/Another program is using the data/);
    const other = new Database(path, { timeout: 0 });
    expect(() => other.exec('BEGIN IMMEDIATE')).toThrow(/locked/);
    db.exec('CREATE TABLE mine (a)');
    other.close();
    db.close();
    openDatabase(path).close();
  });
  test('whose database is gone, or empty, is told and not begun anew', () => {
    const place = folder();
    const path = openDataFolder(place);
    openDatabase(path).close();
    const away = join(folder(), 'kept.sqlite');
    copyFileSync(path, away);
    truncateSync(path, 0);
    expect(() => openDataFolder(place)).toThrow(/is empty: inner-rung\.sqlite/);
    copyFileSync(away, path);
    expect(openDataFolder(place)).toBe(path);
  });
  test.each([
    ['half of it', (bytes: Buffer) => bytes.subarray(0, Math.floor(bytes.length / 2))],
    [
      'a page of noise in the middle',
      (bytes: Buffer) =>
        Buffer.concat([bytes.subarray(0, 8192), Buffer.alloc(4096, 0xa5), bytes.subarray(12_288)]),
    ],
    ['something else altogether', () => Buffer.from('Dear diary, today we planked.'.repeat(300))],
  ])('with %s is met with words, and left as it was', (_says, broken) => {
    const path = openDataFolder(folder());
    const db = openDatabase(path);
    const { store } = appOver(db);
    for (const person of PEOPLE) store.create(recordOf('person'), person.id, person);
    db.close();
    const bytes = broken(readFileSync(path));
    writeFileSync(path, bytes);
    expect(() => openDatabase(path)).toThrow(/is damaged: .*Nothing was changed/);
    expect(readFileSync(path).equals(bytes)).toBe(true);
  });
  test('on a full disk loses nothing that was answered, says what it is, and goes on by itself', async () => {
    const path = openDataFolder(folder());
    const { here, db, store } = await twoWaysIn(path);
    store.create(recordOf('person'), PEOPLE[0]!.id, PEOPLE[0]!);
    const pages = db.pragma('page_count', { simple: true }) as number;
    db.pragma(`max_page_count = ${pages}`);
    const put = (notes: string, revision: number) =>
      here
        .put(`/api/people/${PEOPLE[0]!.id}`)
        .set('If-Match', `"${revision}"`)
        .send({ ...PEOPLE[0]!, notes });
    let saved = 0;
    let answer = await put('x'.repeat(500), 1);
    while (answer.status === 200) {
      saved++;
      answer = await put('x'.repeat(500 + saved), saved + 1);
    }
    expect([answer.status, answer.body.title]).toEqual([507, 'The disk is full']);
    const stands = (await here.get(`/api/people/${PEOPLE[0]!.id}`)).body;
    expect(stands.revision).toBe(saved + 1);
    expect(stands.body.notes).toBe(saved === 0 ? PEOPLE[0]!.notes : 'x'.repeat(500 + saved - 1));
    db.pragma('max_page_count = 100000');
    expect((await put('room again', saved + 1)).status).toBe(200);
    db.close();
  });
});

test('the pack runs what is in it, by its hash, and asks nobody for anything', () => {
  const html = withPolicy(
    '<html><head><style rel="x">b{}</style></head><body><script type="application/json" id="packed">null</script><script type="module">go()</script></body></html>',
  );
  const [, policy] = /http-equiv="Content-Security-Policy" content="([^"]+)"/.exec(html)!;
  expect(policy).toMatch(/^default-src 'none'; script-src 'sha256-[^']+'; style-src 'sha256-[^']+';/);
  // One script: what is data isn't run.
  expect(policy!.match(/sha256-/g)).toHaveLength(2);
});
