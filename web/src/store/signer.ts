import { storage } from './storage.ts';

/** Who is at this browser in a team: what they haven't saved is kept under them and sent under nobody else's name. */
interface Signer {
  readonly id: string;
  readonly name: string;
}

const WHO = 'inner-rung/signer';
const NAMES = 'inner-rung/signers';
/** Keys of unsaved work, and the same under somebody's id. */
const WORK = /^inner-rung\/(draft|shelf)(?:@([^/]+))?\//;

/**
 * Whose page this is, from when it was opened: another signing in beside it makes another page. Nobody where there is
 * no team, or nobody signed in here yet.
 */
let opened = storage.read<Signer>(WHO);

/** The beginning of a key for unsaved work of whoever opened this page. */
export const keyOf = (kind: 'draft' | 'shelf'): string =>
  `inner-rung/${kind}${opened ? `@${opened.id}` : ''}/`;

/** Work that was kept before there were names becomes somebody's. */
function claim(id: string): void {
  for (const key of storage.keys()) {
    const found = WORK.exec(key);
    if (!found || found[2] !== undefined) continue;
    const kept = storage.get(key);
    if (kept === null) continue;
    if (storage.set(key.replace(WORK, `inner-rung/$1@${id}/`), kept)) storage.remove(key);
  }
}

/**
 * Somebody is at this browser now, or nobody by name. An owner takes over what was kept before there were names: then
 * there was only them. True where this page is another's, and has to be opened anew.
 */
export function nowSigned(who: (Signer & { readonly role: string }) | null): boolean {
  if (who) {
    const { id, name, role } = who;
    storage.set(WHO, JSON.stringify({ id, name }));
    storage.set(NAMES, JSON.stringify({ ...storage.read<Record<string, string>>(NAMES), [id]: name }));
    if (role === 'owner') claim(id);
  } else storage.remove(WHO);
  const another = opened !== null && opened.id !== who?.id;
  // A page that was nobody's is theirs.
  if (opened === null && who) opened = { id: who.id, name: who.name };
  return another;
}

/** Told once somebody else signs in or out in another tab of this browser. */
export function onOtherSigner(tell: () => void): () => void {
  const heard = (event: StorageEvent) => {
    if (event.key === WHO && storage.read<Signer>(WHO)?.id !== opened?.id) tell();
  };
  addEventListener('storage', heard);
  return () => removeEventListener('storage', heard);
}

/** Whose unsaved work waits in this browser, by name. */
export function waitingHere(): string[] {
  const names = storage.read<Record<string, string>>(NAMES) ?? {};
  const ids = new Set(storage.keys().flatMap((key) => WORK.exec(key)?.[2] ?? []));
  return [...ids].flatMap((id) => names[id] ?? []).sort();
}
