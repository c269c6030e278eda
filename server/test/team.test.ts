import { GROUP_EXAMPLE, PERSON_EXAMPLE } from '@inner-rung/core/person';
import { recordOf } from '@inner-rung/core/records';
import { ACTIONS, may, TEAM_ROLES, type TeamRole } from '@inner-rung/core/team';
import { actionOf, KNOWN_ROUTES } from '../src/allowed.ts';
import { openApi } from '../src/openapi.ts';
import { castFor, cookieFrom, PASSCODE, runFor, twoWaysIn } from './app.ts';

const OWNER = { name: 'Ines Marlo', passphrase: 'a walk round the lake' };
const SECRET = 'four grey herons';
type Way = Awaited<ReturnType<typeof twoWaysIn>>;

/** A team with its owner signed in at the machine. */
async function withOwner() {
  const way = await twoWaysIn();
  const begun = await way.here.post('/api/team').send(OWNER);
  expect(begun.status).toBe(201);
  return { ...way, owner: cookieFrom(begun), recovery: begun.body.recovery as string };
}
/** Somebody more in it, signed in from the network. */
async function joined(way: Way & { owner: string }, role: TeamRole, groups: string[] | null = null) {
  const name = `${role} ${Math.random().toString(36).slice(2, 8)}`;
  const added = await way.here
    .post('/api/team/accounts')
    .set('Cookie', way.owner)
    .send({ name, passphrase: SECRET, role, groups });
  expect(added.status).toBe(201);
  const signIn = await way.there.post('/api/sign-in').send({ name, passphrase: SECRET });
  expect(signIn.status).toBe(204);
  return { name, id: added.body.id as string, cookie: cookieFrom(signIn) };
}
const person = (id: string, more: object = {}) => ({ ...PERSON_EXAMPLE, id, name: `Name ${id}`, ...more });
const put = (way: Way, cookie: string, path: string, body: object, revision?: number) =>
  way.there
    .put(`/api/${path}`)
    .set('Cookie', cookie)
    .set(revision === undefined ? { 'If-None-Match': '*' } : { 'If-Match': `"${revision}"` })
    .send(body);

describe('one table says who may do what', () => {
  const described = Object.entries(openApi().paths as Record<string, Record<string, unknown>>).flatMap(
    ([path, item]) =>
      Object.keys(item)
        .filter((method) => ['get', 'post', 'put', 'delete'].includes(method))
        .map((method) => `${method} ${path.replace('/api', '')}`),
  );
  test('every route that is described is in it, and no other', () => {
    expect([...described].sort()).toEqual([...KNOWN_ROUTES].sort());
  });
  test('an unknown route is nobody’s, and a path with more parts isn’t a shorter one', () => {
    expect(actionOf('get', '/people/x/y/z', false)).toBeUndefined();
    expect(actionOf('patch', '/people/x', false)).toBeUndefined();
    expect(actionOf('post', '/runs/taken', false)).toBe('lead-runs');
    expect(actionOf('put', '/records/x', true)).toBe('record');
    expect(actionOf('put', '/records/x', false)).toBe('change-records');
  });
  test('cell by cell over every route: refused where the table says so, and only there', async () => {
    const way = await withOwner();
    const cells: string[] = [];
    for (const role of TEAM_ROLES) {
      const { cookie } = await joined(way, role);
      for (const route of described) {
        const [method, path] = route.split(' ') as ['get' | 'post' | 'put' | 'delete', string];
        const address = `/api${path.replace(/\{\w+\}/g, 'nobody')}`;
        const action = actionOf(method, path, false);
        // Streams don't end by themselves; signing out would end what the next cell needs.
        if (path.endsWith('/stream') || path === '/sign-out' || action === null) continue;
        const answer = await way.there[method](address).set('Cookie', cookie).send({});
        const refused = answer.status === 403 && answer.body.title === 'Not yours to do';
        if (refused === may(role, action!)) cells.push(`${role}: ${route} ${answer.status}`);
      }
    }
    expect(cells).toEqual([]);
  });
  test('an address written in another way is no way round it', async () => {
    const way = await withOwner();
    const { cookie } = await joined(way, 'reader');
    for (const route of described) {
      const [method, path] = route.split(' ') as ['get' | 'post' | 'put' | 'delete', string];
      if (actionOf(method, path, false) === null) continue;
      const plain = path.replace(/\{\w+\}/g, 'nobody');
      const encoded = plain.replace(/[a-z]/, (c) => `%${c.charCodeAt(0).toString(16)}`);
      for (const other of [plain.toUpperCase(), encoded, `/.${plain}`, `/${plain}`, `${plain}//`]) {
        const answer = await way.there[method](`/api${other}`).set('Cookie', cookie).send({});
        const passed = answer.status !== 404 && answer.status !== 403;
        // As it is written it may be theirs: then another way of writing it does no more.
        if (passed && !may('reader', actionOf(method, path, false)!))
          expect([other, answer.status]).toEqual([other, 404]);
      }
    }
  });
  test('without a name nothing is to be had, at the machine itself either', async () => {
    const way = await withOwner();
    for (const route of described) {
      const [method, path] = route.split(' ') as ['get' | 'post' | 'put' | 'delete', string];
      if (actionOf(method, path, false) === null) continue;
      const answer = await way.here[method](`/api${path.replace(/\{\w+\}/g, 'nobody')}`).send({});
      expect([route, answer.status]).toEqual([route, 401]);
    }
  });
  test('each action is somebody’s, and everything is the owner’s', () => {
    for (const { roles } of Object.values(ACTIONS)) expect(roles).toContain('owner');
  });
});

describe('a team', () => {
  test('is off until it is set up: one trainer, asked for nothing', async () => {
    const { here, there, store } = await twoWaysIn();
    expect((await here.get('/api/team')).body).toMatchObject({ on: false, me: null });
    store.create(recordOf('person'), 'rosa', person('rosa'));
    expect((await here.get('/api/people')).status).toBe(200);
    expect((await there.get('/api/people')).status).toBe(401);
  });
  test('is set up at the machine alone, once, with a passphrase worth the name', async () => {
    const way = await twoWaysIn();
    expect((await way.there.post('/api/team').send(OWNER)).status).toBe(403);
    const short = await way.here.post('/api/team').send({ ...OWNER, passphrase: 'short' });
    expect([short.status, short.body.field]).toEqual([422, 'passphrase']);
    const blank = await way.here.post('/api/team').send({ ...OWNER, passphrase: '              ' });
    expect([blank.status, blank.body.field]).toEqual([422, 'passphrase']);
    expect((await way.here.post('/api/team').send(OWNER)).status).toBe(201);
    expect((await way.here.post('/api/team').send({ ...OWNER, name: 'Else' })).status).toBe(409);
  });
  test('set up twice at one moment it has one owner, and nothing of the other', async () => {
    const way = await twoWaysIn();
    const both = await Promise.all(
      ['One', 'Two'].map((name) => way.here.post('/api/team').send({ ...OWNER, name })),
    );
    expect(both.map(({ status }) => status).sort()).toEqual([201, 409]);
    const begun = both.find(({ status }) => status === 201)!;
    const { body } = await way.here.get('/api/team').set('Cookie', cookieFrom(begun));
    expect(body.team).toHaveLength(1);
  });
  test('the passcode and whoever was in by it are no way in any more', async () => {
    const way = await twoWaysIn();
    await way.here.put('/api/network').send({ on: true, passcode: PASSCODE });
    const phone = await way.cookie();
    expect((await way.there.get('/api/plans').set('Cookie', phone)).status).toBe(200);
    await way.here.post('/api/team').send(OWNER);
    expect((await way.there.get('/api/plans').set('Cookie', phone)).status).toBe(401);
    expect((await way.signIn()).status).toBe(422);
  });
  test('two names that read alike are one', async () => {
    const way = await withOwner();
    for (const name of ['ines marlo', ' INES  MARLO ', 'Ｉnes Marlo']) {
      const answer = await way.here
        .post('/api/team/accounts')
        .set('Cookie', way.owner)
        .send({ name, passphrase: SECRET, role: 'trainer' });
      expect([name, answer.status, answer.body.field]).toEqual([name, 409, 'name']);
    }
  });
  test('always has an owner', async () => {
    const way = await withOwner();
    const [{ id }] = (await way.here.get('/api/team').set('Cookie', way.owner)).body.team;
    const asOwner = (request: ReturnType<typeof way.here.put>) => request.set('Cookie', way.owner);
    expect((await asOwner(way.here.put(`/api/team/accounts/${id}`)).send({ role: 'reader' })).status).toBe(
      409,
    );
    expect((await asOwner(way.here.delete(`/api/team/accounts/${id}`))).status).toBe(409);
    await joined(way, 'owner');
    expect((await asOwner(way.here.delete(`/api/team/accounts/${id}`))).status).toBe(204);
    expect((await way.here.get('/api/team/sign-ins').set('Cookie', way.owner)).status).toBe(401);
  });
  test('another role, other groups, out of it: what was open ends at once', async () => {
    const way = await withOwner();
    const dana = await joined(way, 'trainer');
    const people = () => way.there.get('/api/people').set('Cookie', dana.cookie);
    expect((await people()).status).toBe(200);
    await way.here.put(`/api/team/accounts/${dana.id}`).set('Cookie', way.owner).send({ role: 'assistant' });
    expect((await people()).status).toBe(401);
    const again = await way.there.post('/api/sign-in').send({ name: dana.name, passphrase: SECRET });
    await way.here.delete(`/api/team/accounts/${dana.id}`).set('Cookie', way.owner);
    expect((await way.there.get('/api/people').set('Cookie', cookieFrom(again))).status).toBe(401);
    expect((await way.there.post('/api/sign-in').send({ name: dana.name, passphrase: SECRET })).status).toBe(
      401,
    );
  });
  test('who is signed in where is listed, and ended one by one', async () => {
    const way = await withOwner();
    const dana = await joined(way, 'trainer');
    const list = (await way.here.get('/api/team/sign-ins').set('Cookie', way.owner)).body as {
      id: string;
      account: string;
    }[];
    const hers = list.find((one) => one.account === dana.id)!;
    expect(list).toHaveLength(2);
    await way.here.delete(`/api/team/sign-ins/${hers.id}`).set('Cookie', way.owner);
    expect((await way.there.get('/api/people').set('Cookie', dana.cookie)).status).toBe(401);
    const gone = await way.here.delete(`/api/team/sign-ins/${hers.id}`).set('Cookie', way.owner);
    expect(gone.status).toBe(404);
  });
  test('a passphrase lost: the printed code lets an owner in once, and a new one is printed', async () => {
    const way = await withOwner();
    const asked = { name: OWNER.name, code: way.recovery.toLowerCase(), passphrase: 'another walk entirely' };
    expect((await way.there.post('/api/team/recover').send(asked)).status).toBe(403);
    expect((await way.here.post('/api/team/recover').send({ ...asked, code: 'AAAAA-BBBBB' })).status).toBe(
      401,
    );
    const back = await way.here.post('/api/team/recover').send(asked);
    expect(back.status).toBe(200);
    expect(back.body.recovery).not.toBe(way.recovery);
    expect((await way.here.post('/api/team/recover').send(asked)).status).toBe(401);
    expect((await way.here.post('/api/sign-in').send(OWNER)).status).toBe(401);
    const signIn = await way.here
      .post('/api/sign-in')
      .send({ name: OWNER.name, passphrase: asked.passphrase });
    expect(signIn.status).toBe(204);
  });
  test('wrong ones wait, longer each time, at the machine and from elsewhere', async () => {
    const way = await withOwner();
    const wrong = () => way.there.post('/api/sign-in').send({ name: OWNER.name, passphrase: 'not that one' });
    for (let i = 0; i < 5; i++) expect((await wrong()).status).toBe(401);
    const shut = await way.there.post('/api/sign-in').send(OWNER);
    expect([shut.status, shut.body.detail]).toEqual([429, 'Too many wrong passphrases. Wait 5 minutes.']);
    way.clock.now += 5 * 60_000 + 1;
    for (let i = 0; i < 5; i++) expect((await wrong()).status).toBe(401);
    expect((await wrong()).body.detail).toBe('Too many wrong passphrases. Wait 10 minutes.');
    way.clock.now += 10 * 60_000 + 1;
    expect((await way.there.post('/api/sign-in').send(OWNER)).status).toBe(204);
  });
  test('nobody’s name is told by how they are refused', async () => {
    const way = await withOwner();
    const there = await way.there.post('/api/sign-in').send({ name: OWNER.name, passphrase: 'no' });
    const none = await way.there.post('/api/sign-in').send({ name: 'Nobody', passphrase: 'no' });
    expect(none.body).toEqual(there.body);
    expect((await way.there.get('/api/team')).body).toEqual({
      on: true,
      in: false,
      me: null,
      may: [],
      team: [],
    });
  });
  test('one’s own passphrase changes by the old one', async () => {
    const way = await withOwner();
    const dana = await joined(way, 'assistant');
    const change = (old: string) =>
      way.there
        .put('/api/team/passphrase')
        .set('Cookie', dana.cookie)
        .send({ old, passphrase: 'five grey herons' });
    expect((await change('not that')).status).toBe(401);
    expect((await change(SECRET)).status).toBe(204);
    expect(
      (await way.there.post('/api/sign-in').send({ name: dana.name, passphrase: 'five grey herons' })).status,
    ).toBe(204);
  });
  test('neither passphrases, tokens nor the code are anywhere in the file', async () => {
    const way = await withOwner();
    const { cookie } = await joined(way, 'trainer');
    const kept = JSON.stringify(
      ['account', 'setting', 'signed_in', 'trail', 'trail_said', 'wrong_try'].map((table) =>
        way.db.prepare(`SELECT * FROM ${table}`).all(),
      ),
    );
    for (const secret of [OWNER.passphrase, SECRET, way.recovery, cookie.split('=')[1]!])
      expect(kept).not.toContain(secret);
  });
  test('ended, the machine is one trainer’s again, and what was done is still told', async () => {
    const way = await withOwner();
    await joined(way, 'trainer');
    expect((await way.here.delete('/api/team').set('Cookie', way.owner)).status).toBe(204);
    expect((await way.here.get('/api/people')).status).toBe(200);
    const { lines } = (await way.here.get('/api/trail')).body as { lines: { who: string | null }[] };
    expect(lines.some(({ who }) => who === OWNER.name)).toBe(true);
  });
});

describe('each sees what they are given', () => {
  const set = async () => {
    const way = await withOwner();
    const own = way.owner;
    await put(way, own, 'people/rosa', person('rosa', { notes: 'shy', conditions: [{ id: 'sore-knees' }] }));
    await put(way, own, 'people/theo', person('theo'));
    await put(way, own, 'people/kim', person('kim'));
    await put(way, own, 'groups/monday', { ...GROUP_EXAMPLE, id: 'monday', members: ['rosa'] });
    await put(way, own, 'groups/friday', { ...GROUP_EXAMPLE, id: 'friday', members: ['theo'] });
    const record = { ...recordOf('record').example, id: 'one', group: 'friday' };
    expect((await put(way, own, 'records/one', record)).status).toBe(201);
    return way;
  };
  const ids = (answer: { body: { id: string }[] }) => answer.body.map(({ id }) => id).sort();

  test('people of groups they have, and whoever is in none', async () => {
    const way = await set();
    const { cookie } = await joined(way, 'trainer', ['monday']);
    const get = (path: string) => way.there.get(`/api/${path}`).set('Cookie', cookie);
    expect(ids(await get('people'))).toEqual(['kim', 'rosa']);
    expect(ids(await get('groups'))).toEqual(['monday']);
    expect(ids(await get('records'))).toEqual([]);
    expect((await get('people/theo')).status).toBe(404);
    expect((await put(way, cookie, 'people/theo', person('theo', { notes: 'mine' }), 1)).status).toBe(404);
    expect((await put(way, cookie, 'people/theo', person('theo'))).status).toBe(404);
    const gone = await way.there.delete('/api/groups/friday').set('Cookie', cookie).set('If-Match', '"1"');
    expect(gone.status).toBe(404);
    expect((await get('trail?kind=person&id=theo')).status).toBe(403);
    expect((await get('trail?kind=person&id=rosa')).status).toBe(200);
    expect((await get('trail')).status).toBe(403);
  });
  test('a group that somebody makes is theirs', async () => {
    const way = await set();
    const { name, cookie } = await joined(way, 'trainer', ['monday']);
    expect((await put(way, cookie, 'groups/new', { ...GROUP_EXAMPLE, id: 'new' })).status).toBe(201);
    const list = await way.there.get('/api/groups').set('Cookie', cookie);
    expect([name, ids(list)]).toEqual([name, ['monday', 'new']]);
  });
  test('runs of a group that isn’t theirs aren’t there, nor can one be made', async () => {
    const way = await set();
    const run = { ...runFor([castFor('theo', 'Theo')]), group: 'friday' };
    const made = await way.here.post('/api/runs').set('Cookie', way.owner).send(run);
    expect(made.status).toBe(201);
    const { cookie } = await joined(way, 'trainer', ['monday']);
    const at = `/api/runs/${made.body.id}`;
    expect((await way.there.get('/api/runs').set('Cookie', cookie)).body).toEqual([]);
    expect((await way.there.get(at).set('Cookie', cookie)).status).toBe(404);
    expect((await way.there.get(`${at}/stream`).set('Cookie', cookie)).status).toBe(404);
    expect((await way.there.post(`${at}/events`).set('Cookie', cookie).send({})).status).toBe(404);
    const again = await way.there
      .post('/api/runs')
      .set('Cookie', cookie)
      .send({ ...run, id: 'other' });
    expect(again.status).toBe(404);
  });
  test('an assistant sees cautions, no notes and nothing of before; and records what they led', async () => {
    const way = await set();
    const { cookie } = await joined(way, 'assistant', ['monday', 'friday']);
    const get = (path: string) => way.there.get(`/api/${path}`).set('Cookie', cookie);
    const rosa = (await get('people/rosa')).body.body;
    expect([rosa.notes, rosa.conditions.length]).toEqual(['', 1]);
    expect((await get('records')).body).toEqual([]);
    expect((await get('records/one')).status).toBe(404);
    const record = { ...recordOf('record').example, id: 'mine', group: 'monday' };
    expect((await put(way, cookie, 'records/mine', record)).status).toBe(201);
    // Sent again because the answer was lost, it is there once; another in its place isn't made.
    expect((await put(way, cookie, 'records/mine', record)).status).toBe(201);
    expect((await put(way, cookie, 'records/mine', { ...record, title: 'Other' })).status).toBe(412);
    expect((await put(way, cookie, 'records/mine', record, 1)).status).toBe(403);
  });
  test('a clinician sees nobody', async () => {
    const way = await set();
    const { cookie } = await joined(way, 'reader');
    for (const path of ['people', 'groups', 'records', 'runs', 'set-aside'])
      expect([path, (await way.there.get(`/api/${path}`).set('Cookie', cookie)).body]).toEqual([
        path,
        path === 'set-aside' ? expect.objectContaining({ status: 403 }) : [],
      ]);
  });
  test('what one browser keeps of a list is nobody else’s', async () => {
    const way = await set();
    const tag = async (cookie: string) =>
      (await way.there.get('/api/people').set('Cookie', cookie)).headers['etag'] as string;
    const dana = await joined(way, 'trainer', ['monday']);
    expect(await tag(dana.cookie)).not.toBe(await tag(way.owner));
  });
});
