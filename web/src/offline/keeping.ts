/** What a request is to the one who stands between page and server; `pass` is nobody's business but the server's. */
export type Asked = 'page' | 'asset' | 'data' | 'pass';

/** Collections that are kept as they were last seen. Runs live on the server, links and copies are shown by it alone. */
export const KEPT: ReadonlySet<string> = new Set([
  'library',
  'changes',
  'people',
  'groups',
  'rooms',
  'plans',
  'records',
  'reviews',
]);

/** Pages of somebody's own, which are gone with the link that led there. */
const OWN_LINKS = /^\/[pc]\//;

interface Request {
  readonly url: string;
  readonly method: string;
  readonly mode?: string;
}

export function askedBy({ url, method, mode }: Request, origin: string): Asked {
  const address = new URL(url);
  if (address.origin !== origin || method !== 'GET') return 'pass';
  const [, first, second, ...more] = address.pathname.split('/');
  if (first === 'api') return more.length <= 1 && !address.search && KEPT.has(second ?? '') ? 'data' : 'pass';
  if (first === 'assets') return 'asset';
  return mode === 'navigate' && !OWN_LINKS.test(address.pathname) ? 'page' : 'pass';
}

/** What a change that the server took does to what is kept: all of it goes, these are asked for again, or nothing. */
export function changedBy(
  { url, method }: Request,
  origin: string,
):
  | { readonly is: 'nothing' }
  | { readonly is: 'all' }
  | { readonly is: 'some'; readonly paths: readonly string[] } {
  const address = new URL(url);
  if (address.origin !== origin || method === 'GET') return { is: 'nothing' };
  const [, api, kind = '', ...more] = address.pathname.split('/');
  if (api !== 'api') return { is: 'nothing' };
  // Who signs in, out or is signed out, what is erased, and what a copy brought back: none of it stays behind here.
  const gone = kind === 'sign-in' || kind === 'sign-out' || kind === 'network' || kind === 'copies';
  if (gone || more.at(-1) === 'erase') return { is: 'all' };
  if (!KEPT.has(kind)) return { is: 'nothing' };
  return { is: 'some', paths: [`/api/${kind}`, address.pathname] };
}

/** The part of a browser's cache that is used here. */
export interface Shelf {
  readonly match: (path: string) => Promise<Response | undefined>;
  readonly put: (path: string, response: Response) => Promise<void>;
  readonly delete: (path: string) => Promise<boolean>;
  readonly paths: () => Promise<readonly string[]>;
}

export interface Ground {
  readonly origin: string;
  /** Scripts, styles and fonts: what they are called changes with what is in them. */
  readonly shell: Shelf;
  /** What the server last said. */
  readonly seen: Shelf;
  readonly fetch: (request: globalThis.Request | string) => Promise<Response>;
  readonly now: () => Date;
  /** Tells the pages what they stand on: since when it is kept, or that the server answers. */
  readonly tell: (since: string | null) => void;
}

/** The address under which the page itself is kept: no screen's, so that it begins with nothing of any. */
export const PAGE = '/page';
const WHEN = 'x-seen';

/** A copy of an answer with the moment at which it was true. */
async function dated(response: Response, at: Date): Promise<Response> {
  const headers = new Headers(response.headers);
  // What is kept is unpacked.
  headers.delete('content-encoding');
  headers.delete('content-length');
  headers.set(WHEN, at.toISOString());
  return new Response(await response.arrayBuffer(), { status: response.status, headers });
}

async function forget({ seen }: Ground): Promise<void> {
  for (const path of await seen.paths()) await seen.delete(path);
}

const PEOPLE = '/api/people';
async function idsIn(people: Response): Promise<readonly string[]> {
  const list: unknown = await people.json().catch(() => null);
  return Array.isArray(list)
    ? list.flatMap((one: { body?: { id?: string } } | null) => one?.body?.id ?? [])
    : [];
}

/** Keeps what the server said. Where somebody is gone from among the people, all else that may name them goes first. */
async function keep(ground: Ground, path: string, response: Response): Promise<void> {
  const before = path === PEOPLE ? await ground.seen.match(path) : undefined;
  if (before) {
    const now = new Set(await idsIn(response.clone()));
    if ((await idsIn(before)).some((id) => !now.has(id))) await forget(ground);
  }
  await ground.seen.put(path, await dated(response, ground.now()));
}

/**
 * Answers a page's request: scripts from what is kept, pages and data from the server, and where that doesn't answer at
 * all, as they were last seen. What the server refuses is refused: only silence is bridged.
 */
export async function answer(
  ground: Ground,
  request: globalThis.Request,
  /** What the browser asked for while this woke up. */
  ahead?: Promise<Response | undefined>,
): Promise<Response> {
  const { shell, seen, origin } = ground;
  const { pathname } = new URL(request.url);
  switch (askedBy(request, origin)) {
    case 'asset': {
      const known = await shell.match(pathname);
      if (known) return known;
      const response = await ground.fetch(request);
      if (response.ok) await shell.put(pathname, response.clone());
      return response;
    }
    case 'page':
      try {
        return (await ahead) ?? (await ground.fetch(request));
      } catch (error) {
        const known = await shell.match(PAGE);
        if (known) return known;
        throw error;
      }
    case 'data':
      try {
        const response = await ground.fetch(request);
        if (response.ok) await keep(ground, pathname, response.clone());
        // Gone there is gone here, and who may no longer see it doesn't see it here either.
        else if (response.status === 401) await forget(ground);
        else if (response.status === 404) await seen.delete(pathname);
        ground.tell(null);
        return response;
      } catch (error) {
        const known = await seen.match(pathname);
        if (!known) throw error;
        ground.tell(known.headers.get(WHEN));
        return known;
      }
    default:
      return ground.fetch(request);
  }
}

/** After a change that the server took: what is kept of it is asked for again, or let go. */
export async function follow(ground: Ground, request: globalThis.Request): Promise<void> {
  const change = changedBy(request, ground.origin);
  if (change.is === 'all') await forget(ground);
  if (change.is !== 'some') return;
  const kept = new Set(await ground.seen.paths());
  for (const path of change.paths) {
    if (!kept.has(path)) continue;
    const response = await ground.fetch(path).catch(() => null);
    if (response?.ok) await keep(ground, path, response);
    else if (response?.status === 404) await ground.seen.delete(path);
  }
}

/** Scripts and styles that a page names. */
const NAMED = /\/assets\/[\w.-]+/g;

/**
 * Takes what isn't here yet of all that the pages are made of, and then the page itself, unless it is another version's:
 * its scripts aren't among these.
 */
export async function takeIn(ground: Ground, files: readonly string[]): Promise<void> {
  const here = new Set(await ground.shell.paths());
  for (const path of files) {
    if (here.has(path)) continue;
    const response = await ground.fetch(path).catch(() => null);
    if (response?.ok) await ground.shell.put(path, response);
  }
  const page = await ground.fetch(PAGE).catch(() => null);
  if (!page?.ok) return;
  const named = (await page.clone().text()).match(NAMED) ?? [];
  if (named.every((path) => files.includes(path))) await ground.shell.put(PAGE, page);
}

/** Lets go of the page before, and of scripts that no page is made of any more: when none of that version is open. */
export async function letGo({ shell }: Ground, files: readonly string[]): Promise<void> {
  for (const path of await shell.paths()) if (!files.includes(path)) await shell.delete(path);
}
