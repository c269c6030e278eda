import { QUESTIONS } from '@inner-rung/core/ask';
import { RECORDS } from '@inner-rung/core/records';
import { TEAM_ROLES } from '@inner-rung/core/team';
import { PEOPLE, PLANS, ROOMS } from '../../demo/src/index.ts';
import { KNOWN_ROUTES } from '../src/allowed.ts';
import { castFor, cookieFrom, runFor, twoWaysIn } from './app.ts';

/** Requests that are made; all of them with FULL=1. */
const REQUESTS = process.env['FULL'] ? 20_000 : 1_500;
const OWNER = { name: 'Ines Marlo', passphrase: 'a walk round the lake' };
const SECRET = 'four grey herons';

/** Numbers from 0 to 1, the same every time (mulberry32). */
function numbers(seed: number): () => number {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
const next = numbers(20_261_201);
const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!;

const deep = (n: number): unknown => (n === 0 ? [] : { a: deep(n - 1) });
const ODD: readonly unknown[] = [
  null,
  true,
  -1,
  0,
  0.5,
  1e300,
  '',
  ' ',
  '2026-02-30',
  '\u0000',
  '\ud800',
  '<script>alert(1)</script>',
  "'; DROP TABLE documents; --",
  '__proto__',
  'constructor',
  '../../etc/passwd',
  'ю'.repeat(5000),
  [],
  {},
  [[[[]]]],
  [null],
  deep(60),
  { toString: 1, length: -1 },
];
/** One of them, nobody else's. */
const odd = (): unknown => structuredClone(pick(ODD));
const NAMES = ['__proto__', 'constructor', 'id', 'version', 'more', ''];

type Json = Record<string, unknown> | unknown[];
/** A body changed in one to three places: something odd put there, taken away, doubled or added. */
function mutated(body: unknown): unknown {
  const copy = JSON.parse(JSON.stringify(body ?? {})) as unknown;
  for (let times = 1 + Math.floor(next() * 3); times > 0; times--) {
    if (next() < 0.04) return odd();
    let at = copy as Json;
    for (;;) {
      const keys = Object.keys(at);
      const key = keys.length > 0 ? pick(keys) : 'more';
      const inner = (at as Record<string, unknown>)[key];
      if (typeof inner === 'object' && inner !== null && next() < 0.75) {
        at = inner as Json;
        continue;
      }
      const how = next();
      if (how < 0.6) (at as Record<string, unknown>)[key] = odd();
      else if (how < 0.75) delete (at as Record<string, unknown>)[key];
      else if (Array.isArray(at) && how < 0.9) at.push(...at.slice(0, 3));
      else if (!Array.isArray(at))
        Object.defineProperty(at, pick(NAMES), {
          value: odd(),
          enumerable: true,
          configurable: true,
          writable: true,
        });
      break;
    }
  }
  return copy;
}

const QUESTION = { session: PLANS[0]!, people: PEOPLE.slice(0, 3), room: ROOMS[0]!, on: '2026-11-24' };
const RUN = runFor([castFor('maud', 'Maud'), castFor('jory', 'Jory')]);
/** What a route takes where it is in order, near enough that most of it is read. */
const BODIES: Readonly<Record<string, unknown>> = {
  ...Object.fromEntries(RECORDS.map(({ collection, example }) => [`put /${collection}/{id}`, example])),
  ...Object.fromEntries(Object.keys(QUESTIONS).map((id) => [`post /ask/${id}`, QUESTION])),
  'post /scale': QUESTION,
  'post /class-plan': { ...QUESTION, most: 2, how: 'rotation' },
  'post /read': { text: '40/20 x 3\nSquats\nPress-ups', who: '2 beginners' },
  'post /runs': RUN,
  'post /runs/taken': { run: RUN, events: [] },
  'post /runs/{id}/events': [{ id: 'e1', at: 1, kind: 'begin' }],
  'post /runs/{id}/links': { person: 'maud' },
  'post /cards': { cards: [{ person: 'maud', card: {} }] },
  'put /network': { on: true, passcode: 'seven-geese' },
  'post /erased': { ids: ['maud'] },
  'post /sign-in': { name: OWNER.name, passphrase: 'not this one' },
  'post /team/accounts': { name: 'Kit Sand', passphrase: SECRET, role: 'assistant', groups: null },
  'put /team/accounts/{id}': { role: 'reader', groups: ['tuesday-evening'] },
  'put /team/passphrase': { old: 'x', passphrase: SECRET },
  'post /trail/told': { what: 'printed', of: 'maud' },
};
const IDS = [
  'maud-ellery',
  'nobody',
  '%2e%2e%2f',
  '%00',
  '%',
  '%E0%A4%A',
  'a'.repeat(400),
  '__proto__',
  'constructor',
  'ю',
  "'--",
];
const HEADERS: readonly Readonly<Record<string, string>>[] = [
  {},
  {},
  { 'If-None-Match': '*' },
  { 'If-Match': '"1"' },
  { 'If-Match': 'nonsense' },
  { 'If-Match': '"999999999999999999999"' },
  { 'If-None-Match': '"1"' },
  { Accept: 'text/html' },
  { 'Accept-Encoding': 'x' },
];
/** Bodies that aren't JSON, or not what their header says. */
const RAW: readonly (readonly [string, string])[] = [
  ['application/json', '{"a":'],
  ['application/json', '{"a":1}{"b":2}'],
  ['application/json', ''],
  ['text/plain', 'hello'],
  ['application/x-www-form-urlencoded', 'a=1&a[b]=2'],
  ['application/octet-stream', '\u0001\u0002'],
  ['multipart/form-data; boundary=x', '--x'],
];

test('whatever a request is made of, it is answered in words by who may answer it, and everything stands afterwards', async () => {
  const way = await twoWaysIn();
  const begun = await way.here.post('/api/team').send(OWNER);
  const owner = cookieFrom(begun);
  const cookies: (string | null)[] = [null, owner];
  for (const role of TEAM_ROLES.slice(1)) {
    await way.here
      .post('/api/team/accounts')
      .set('Cookie', owner)
      .send({ name: `The ${role}`, passphrase: SECRET, role, groups: null });
    const signIn = await way.there.post('/api/sign-in').send({ name: `The ${role}`, passphrase: SECRET });
    cookies.push(cookieFrom(signIn));
  }
  for (const { collection, example } of RECORDS)
    await way.here
      .put(`/api/${collection}/${(example as unknown as { id: string }).id}`)
      .set('Cookie', owner)
      .set('If-None-Match', '*')
      .send(example as object);
  await way.here.post('/api/runs').set('Cookie', owner).send(RUN);
  // Streams don't end by themselves; the team's end and what ends a sign-in would leave nothing to ask with.
  const ends =
    /stream$|^post \/sign-out|^post \/network\/sign-out|^delete \/team$|sign-ins\/|^post \/team$|^put \/network|accounts\/|passphrase|\/team\/sheet|\/team\/recover|restore$/;
  const routes = KNOWN_ROUTES.filter((route) => !ends.test(route));
  expect(routes.length).toBeGreaterThan(50);

  const fell: string[] = [];
  const seen = new Map<number, number>();
  for (let i = 0; i < REQUESTS; i++) {
    const route = pick(routes);
    const [method, path] = route.split(' ') as ['get' | 'post' | 'put' | 'delete', string];
    const example = RECORDS.find(({ collection }) => path.startsWith(`/${collection}/`))
      ?.example as unknown as { id: string } | undefined;
    const own = path.startsWith('/runs') ? RUN.id : example?.id;
    const id = own && next() < 0.6 ? encodeURIComponent(own) : pick(IDS);
    const query =
      next() < 0.1
        ? `?${pick(['a[b]=1', 'a=%', '__proto__[x]=1', 'from=2026-02-30&to=x', 'on=\ud83d\ude00'])}`
        : '';
    const address = `/api${path.replace(/\{\w+\}/g, id)}${query}`;
    let asked = pick([way.here, way.there])[method](address).set(pick(HEADERS)).timeout(20_000);
    const cookie = pick(cookies);
    if (cookie) asked = asked.set('Cookie', cookie);
    else if (next() < 0.3)
      asked = asked.set(
        'Cookie',
        pick(['a', 'inner-rung=', `${owner.split('=')[0]}=${'x'.repeat(200)}`, '=;;=']),
      );
    const raw = method !== 'get' && next() < 0.08 ? pick(RAW) : null;
    if (raw) asked = asked.set('Content-Type', raw[0]).send(raw[1]);
    else if (method === 'post' || method === 'put')
      asked = asked
        .set('Content-Type', 'application/json')
        .send(JSON.stringify(next() < 0.9 ? mutated(BODIES[route]) : (BODIES[route] ?? {})));
    const answer = await asked.then(
      (got) => ({ status: got.status, body: got.body as { title?: string; detail?: string } }),
      (error: Error) => ({ status: 0, body: { title: '', detail: error.message } }),
    );
    seen.set(answer.status, (seen.get(answer.status) ?? 0) + 1);
    const said =
      answer.status < 400 || answer.status === 404 || (answer.body.detail ?? answer.body.title ?? '') !== '';
    if (answer.status === 0 || answer.status >= 500 || !said)
      fell.push(`${route} ${answer.status} ${JSON.stringify(answer.body).slice(0, 160)}`);
  }
  expect([...new Set(fell)]).toEqual([]);
  // Some of all were taken, some refused as wrong, some as somebody else's.
  for (const status of [200, 401, 403, 404, 422])
    expect(seen.get(status) ?? 0).toBeGreaterThan(REQUESTS / 200);
  expect((await way.here.get('/api/health')).status).toBe(200);
  for (const { collection } of RECORDS)
    expect([collection, (await way.here.get(`/api/${collection}`).set('Cookie', owner)).status]).toEqual([
      collection,
      200,
    ]);
  expect((await way.here.get('/api/trail/state').set('Cookie', owner)).body).toMatchObject({
    brokenAt: null,
  });
}, 600_000);
