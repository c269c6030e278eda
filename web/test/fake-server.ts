/** What a browser keeps, in memory; `fetch` is whatever server stands there at the moment. */
class Memory {
  #kept = new Map<string, string>();
  get length() {
    return this.#kept.size;
  }
  getItem = (key: string) => this.#kept.get(key) ?? null;
  setItem(key: string, value: string) {
    this.#kept.set(key, value);
    Object.defineProperty(this, key, { value, configurable: true, enumerable: true });
  }
  removeItem(key: string) {
    this.#kept.delete(key);
    delete (this as unknown as Record<string, string>)[key];
  }
  clear() {
    for (const key of [...this.#kept.keys()]) this.removeItem(key);
  }
}

export function freshBrowser(): void {
  for (const name of ['localStorage', 'sessionStorage'])
    Object.defineProperty(globalThis, name, { value: new Memory(), configurable: true });
}

/** How one sending goes. */
export type Fate = 'answered' | 'never arrives' | 'answer lost' | 'falls over';

interface Kept {
  id: string;
  revision: number;
  body: unknown;
}

/** Documents by revision behind `fetch`, as the server keeps them, with a fate for each sending. */
export class FakeServer {
  readonly docs = new Map<string, Kept>();
  /** Taken one a sending; answered once they run out. */
  fates: Fate[] = [];
  sendings = 0;

  install(): void {
    globalThis.fetch = ((address: string, init?: RequestInit) => this.#answer(address, init)) as typeof fetch;
  }

  async #answer(address: string, init: RequestInit = {}): Promise<Response> {
    const method = init.method ?? 'GET';
    const fate = method === 'GET' ? 'answered' : (this.fates.shift() ?? 'answered');
    if (method !== 'GET') this.sendings++;
    if (fate === 'never arrives') throw new TypeError('fetch failed');
    if (fate === 'falls over') return Response.json({ detail: 'trouble' }, { status: 500 });
    const answer = this.#act(address, method, init);
    if (fate === 'answer lost') throw new TypeError('fetch failed');
    return answer;
  }

  #act(address: string, method: string, init: RequestInit): Response {
    const [kind, id] = address.replace('/api/', '').split('/');
    const key = `${kind}/${id}`;
    const held = this.docs.get(key);
    if (!id)
      return Response.json([...this.docs].flatMap(([k, doc]) => (k.startsWith(`${kind}/`) ? [doc] : [])));
    const headers = init.headers as Record<string, string>;
    const stale = (revision: number) => Response.json({ detail: 'elsewhere', revision }, { status: 412 });
    if (method === 'GET') return held ? Response.json(held) : Response.json({}, { status: 404 });
    const asked = Number(headers['If-Match']?.replaceAll('"', '') ?? 0);
    if (method === 'DELETE') {
      if (held && held.revision !== asked) return stale(held.revision);
      this.docs.delete(key);
      return new Response(null, { status: 204 });
    }
    if ((held?.revision ?? 0) !== asked) return stale(held?.revision ?? 0);
    const revision = asked + 1;
    this.docs.set(key, { id, revision, body: JSON.parse(init.body as string) });
    return Response.json({ revision });
  }

  bodies(kind: string): Record<string, unknown> {
    return Object.fromEntries(
      [...this.docs].flatMap(([key, doc]) => (key.startsWith(`${kind}/`) ? [[doc.id, doc.body]] : [])),
    );
  }

  /** Somebody else saves, from another device. */
  elsewhere(key: string, body: unknown): void {
    const held = this.docs.get(key);
    this.docs.set(key, { id: key.split('/')[1]!, revision: (held?.revision ?? 0) + 1, body });
  }
}
