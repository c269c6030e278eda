import { RECORDS } from '@inner-rung/core/records';
import {
  answer,
  askedBy,
  changedBy,
  follow,
  type Ground,
  KEPT,
  letGo,
  PAGE,
  type Shelf,
  takeIn,
} from '../src/offline/keeping.ts';

const ORIGIN = 'http://127.0.0.1:4690';
const AT = new Date('2027-03-01T09:30:00Z');

const memory = (): Shelf & { readonly kept: Map<string, Response> } => {
  const kept = new Map<string, Response>();
  return {
    kept,
    match: async (path) => kept.get(path)?.clone(),
    put: async (path, response) => void kept.set(path, response),
    delete: async (path) => kept.delete(path),
    paths: async () => [...kept.keys()],
  };
};

/** A server that says what it is told to, or nothing at all. */
function hall(says: Record<string, () => Response>) {
  const shell = memory();
  const seen = memory();
  const told: (string | null)[] = [];
  const asked: string[] = [];
  const server = { away: false };
  const ground: Ground = {
    origin: ORIGIN,
    shell,
    seen,
    now: () => AT,
    tell: (since) => void told.push(since),
    fetch: async (request) => {
      const path = new URL(typeof request === 'string' ? request : request.url, ORIGIN).pathname;
      asked.push(path);
      if (server.away) throw new TypeError('Failed to fetch');
      return says[path]?.() ?? new Response('', { status: 404 });
    },
  };
  return { ground, shell, seen, told, asked, server };
}
const get = (path: string) => new Request(`${ORIGIN}${path}`);
const page = (path: string) => ({ url: `${ORIGIN}${path}`, method: 'GET', mode: 'navigate' }) as Request;

describe('what is kept for when the server is away', () => {
  test('every collection of records, the library, and nothing else', () => {
    expect([...KEPT].sort()).toEqual([...RECORDS.map(({ collection }) => collection), 'library'].sort());
  });
  test.each([
    ['/api/people', 'data'],
    ['/api/plans/tuesday-ten', 'data'],
    ['/api/library', 'data'],
    ['/assets/main-abc.js', 'asset'],
    // What is live, what is secret and what is asked is the server's alone.
    ['/api/runs', 'pass'],
    ['/api/runs/one/stream', 'pass'],
    ['/api/people/maud/anything', 'pass'],
    ['/api/people?since=1', 'pass'],
    ['/api/network', 'pass'],
    ['/api/copies', 'pass'],
    ['/api/p/abcdef', 'pass'],
    ['/api/health', 'pass'],
  ])('%s is %s', (path, is) => expect(askedBy(get(path), ORIGIN)).toBe(is));
  test('pages are, somebody’s own link and another’s site never', () => {
    expect(askedBy(page('/plan/tuesday-ten'), ORIGIN)).toBe('page');
    expect(askedBy(page('/p/abcdef'), ORIGIN)).toBe('pass');
    expect(askedBy(page('/c/abcdef'), ORIGIN)).toBe('pass');
    expect(askedBy(get('/api/people'), 'http://elsewhere.test')).toBe('pass');
    expect(askedBy(new Request(`${ORIGIN}/api/people`, { method: 'POST' }), ORIGIN)).toBe('pass');
  });
});

describe('answers', () => {
  test('data from the server while it answers, as last seen with its moment when it doesn’t', async () => {
    let n = 1;
    const { ground, told, server } = hall({ '/api/people': () => new Response(`${n++}`) });
    expect(await (await answer(ground, get('/api/people'))).text()).toBe('1');
    expect(await (await answer(ground, get('/api/people'))).text()).toBe('2');
    server.away = true;
    const kept = await answer(ground, get('/api/people'));
    expect(await kept.text()).toBe('2');
    expect(told).toEqual([null, null, AT.toISOString()]);
    server.away = false;
    expect(await (await answer(ground, get('/api/people'))).text()).toBe('3');
    expect(told.at(-1)).toBeNull();
  });
  test('what was never seen isn’t made up', async () => {
    const { ground, server } = hall({});
    server.away = true;
    await expect(answer(ground, get('/api/people'))).rejects.toThrow('Failed to fetch');
    await expect(answer(ground, page('/plan/one'))).rejects.toThrow('Failed to fetch');
  });
  test('a refusal and a fault are passed on and keep nothing', async () => {
    let status = 500;
    const { ground, seen } = hall({ '/api/people': () => new Response('', { status }) });
    expect((await answer(ground, get('/api/people'))).status).toBe(500);
    status = 403;
    expect((await answer(ground, get('/api/people'))).status).toBe(403);
    expect(seen.kept.size).toBe(0);
  });
  test('who may no longer come in finds nothing kept of anybody', async () => {
    let status = 200;
    const { ground, seen } = hall({
      '/api/people': () => new Response('[]', { status }),
      '/api/rooms': () => new Response('[]'),
    });
    await answer(ground, get('/api/people'));
    await answer(ground, get('/api/rooms'));
    expect(seen.kept.size).toBe(2);
    status = 401;
    await answer(ground, get('/api/people'));
    expect(seen.kept.size).toBe(0);
  });
  test('what is gone there is gone here', async () => {
    let there = true;
    const { ground, seen } = hall({
      '/api/plans/one': () => (there ? new Response('{}') : new Response('', { status: 404 })),
    });
    await answer(ground, get('/api/plans/one'));
    there = false;
    await answer(ground, get('/api/plans/one'));
    expect([...seen.kept.keys()]).toEqual([]);
  });
  test('a script is asked for once; a page comes from the server, and kept only when that is away', async () => {
    const { ground, asked, server } = hall({
      '/assets/a-1.js': () => new Response('a'),
      '/plan/one': () => new Response('with what it begins with'),
      [PAGE]: () => new Response('<script src="/assets/a-1.js">'),
    });
    await answer(ground, get('/assets/a-1.js'));
    await answer(ground, get('/assets/a-1.js'));
    expect(asked).toEqual(['/assets/a-1.js']);
    await takeIn(ground, ['/assets/a-1.js']);
    expect(await (await answer(ground, page('/plan/one'))).text()).toBe('with what it begins with');
    server.away = true;
    expect(await (await answer(ground, page('/plan/one'))).text()).toContain('a-1.js');
    // One that was asked for while this woke up is taken, and a failed one is as good as none.
    const ahead = Promise.resolve(new Response('ahead'));
    expect(await (await answer(ground, page('/plan/one'), ahead)).text()).toBe('ahead');
    const failed = Promise.reject(new TypeError('Failed to fetch'));
    expect(await (await answer(ground, page('/plan/one'), failed)).text()).toContain('a-1.js');
  });
});

describe('after a change', () => {
  const people = { '/api/people': () => new Response('[]'), '/api/people/maud': () => new Response('{}') };
  test.each([
    ['POST', '/api/people/maud/erase'],
    ['POST', '/api/sign-out'],
    ['POST', '/api/network/sign-out'],
    ['PUT', '/api/network'],
    ['POST', '/api/copies/one/restore'],
  ])('%s %s lets go of everything that was seen', async (method, path) => {
    const { ground, seen } = hall(people);
    await answer(ground, get('/api/people'));
    await follow(ground, new Request(`${ORIGIN}${path}`, { method }));
    expect(seen.kept.size).toBe(0);
  });
  test('what was saved is asked for again, so that an old one is never shown for the new', async () => {
    let n = 1;
    const { ground, seen } = hall({ ...people, '/api/people': () => new Response(`${n++}`) });
    await answer(ground, get('/api/people'));
    await follow(ground, new Request(`${ORIGIN}/api/people/maud`, { method: 'PUT' }));
    expect(await seen.kept.get('/api/people')!.clone().text()).toBe('2');
    // Nobody had looked at Maud alone.
    expect([...seen.kept.keys()]).toEqual(['/api/people']);
  });
  test('somebody who is gone from among the people, erased here or elsewhere, is in nothing that is kept', async () => {
    let ids = ['maud', 'jory'];
    const { ground, seen } = hall({
      '/api/people': () => Response.json(ids.map((id) => ({ body: { id } }))),
      '/api/records': () => new Response('of Maud'),
    });
    await answer(ground, get('/api/people'));
    await answer(ground, get('/api/records'));
    ids = ['maud', 'jory', 'ines'];
    await answer(ground, get('/api/people'));
    expect([...seen.kept.keys()].sort()).toEqual(['/api/people', '/api/records']);
    ids = ['jory', 'ines'];
    await answer(ground, get('/api/people'));
    expect([...seen.kept.keys()]).toEqual(['/api/people']);
    expect(await seen.kept.get('/api/people')!.clone().text()).not.toContain('maud');
  });
  test('what was asked of the engine, or who was erased, or happened in a run changes nothing that is kept', () => {
    for (const path of ['/api/ask/scale', '/api/runs/one/events', '/api/read', '/api/erased'])
      expect(changedBy(new Request(`${ORIGIN}${path}`, { method: 'POST' }), ORIGIN)).toEqual({
        is: 'nothing',
      });
  });
});

describe('another version', () => {
  test('its page isn’t kept with scripts of this one, and this one’s go when none of it is open', async () => {
    const { ground, shell } = hall({
      '/assets/a-1.js': () => new Response('a'),
      '/assets/b-2.js': () => new Response('b'),
      [PAGE]: () => new Response('<script src="/assets/b-2.js">'),
    });
    await takeIn(ground, ['/assets/a-1.js']);
    expect([...shell.kept.keys()]).toEqual(['/assets/a-1.js']);
    await letGo(ground, ['/assets/b-2.js']);
    await takeIn(ground, ['/assets/b-2.js']);
    expect([...shell.kept.keys()].sort()).toEqual(['/assets/b-2.js', PAGE]);
  });
});
