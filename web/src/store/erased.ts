import { SESSION_RECORD } from '@inner-rung/core/log';
import { type AnyRecordKind, namedIn, withoutErased } from '@inner-rung/core/record';
import { collectionOf } from '@inner-rung/core/records';
import { isAbout, type Run, type RunEvent } from '@inner-rung/core/run';
import { PLAN } from '@inner-rung/core/session';
import { dropSteps, keptSteps } from './steps.ts';
import { storage } from './storage.ts';

/**
 * One kind of what this browser keeps: whom it names, and itself without somebody. The same object where it didn't
 * name them; null where nothing of it is to stay. Read as plain JSON, whatever version of the page kept it.
 */
interface Kept {
  readonly key: RegExp;
  readonly names: (value: never, key: string) => readonly string[];
  readonly without: (value: never, id: string, key: string) => unknown;
}

type Named = Pick<AnyRecordKind, 'references'>;
const person = (id: string) => ({ kind: 'person', id }) as const;

/** Unsaved work on a shelf: documents by id, null for one that was taken away. */
interface Shelf {
  readonly docs: Readonly<Record<string, unknown>>;
}
const shelfOf = (key: string): AnyRecordKind | undefined => collectionOf(key.split('/')[2]!);

/** One of several known by number is "knees#2". */
const whose = (text: string) => text.replace(/#\d+$/, '');
/** Every text in a form that was begun: it names people in ways of its own. */
const textsIn = (value: unknown): string[] =>
  typeof value === 'string'
    ? [whose(value)]
    : typeof value === 'object' && value !== null
      ? Object.entries(value).flatMap(([key, inner]) => [whose(key), ...textsIn(inner)])
      : [];

/** All that is kept in a browser and may name somebody. A key more that does is an entry here. */
const KEPT: readonly Kept[] = [
  {
    key: /^inner-rung\/shelf(@[^/]+)?\/[^/]+\/./,
    names: ({ docs }: Shelf, key) => {
      const kind = shelfOf(key);
      if (!kind) return [];
      const named = Object.values(docs).flatMap((doc) => namedIn(kind, doc, 'person'));
      return kind.kind === 'person' ? [...Object.keys(docs), ...named] : named;
    },
    without: (draft: Shelf, id, key) => {
      const kind = shelfOf(key);
      if (!kind) return draft;
      const docs = Object.entries(draft.docs)
        .filter(([doc]) => kind.kind !== 'person' || doc !== id)
        .map(([doc, body]) => [doc, withoutErased(kind, body, person(id))] as const);
      const same = docs.length === Object.keys(draft.docs).length;
      return same && docs.every(([doc, body]) => body === draft.docs[doc])
        ? draft
        : { ...draft, docs: Object.fromEntries(docs) };
    },
  },
  {
    key: /^inner-rung\/draft(@[^/]+)?\//,
    names: ({ plan }: { plan: unknown }) => namedIn(PLAN as unknown as Named, plan, 'person'),
    without: (draft: { plan: unknown }, id) => {
      const plan = withoutErased(PLAN as unknown as Named, draft.plan, person(id));
      return plan === draft.plan ? draft : { ...draft, plan };
    },
  },
  {
    key: /^inner-rung\/(run|pack)\/[^/]+$/,
    names: ({ run }: { run?: Run }) => (run?.cast ?? []).map((one) => one.id),
    without: (kept: { run?: Run; events?: RunEvent[] }, id) => {
      const cast = kept.run?.cast.filter((one) => one.id !== id);
      const events = kept.events?.filter((event) => !isAbout(event, id));
      return cast?.length === kept.run?.cast.length && events?.length === kept.events?.length
        ? kept
        : { ...kept, run: kept.run && { ...kept.run, cast }, events };
    },
  },
  {
    key: /^inner-rung\/run\/[^/]+\/pressed$/,
    names: (events: RunEvent[]) =>
      events.flatMap((event) => ('person' in event && event.person !== null ? [event.person] : [])),
    without: (events: RunEvent[], id) => {
      const others = events.filter((event) => !isAbout(event, id));
      return others.length === events.length ? events : others;
    },
  },
  {
    key: /^inner-rung\/pack\/[^/]+\/record$/,
    names: (record: unknown) => namedIn(SESSION_RECORD as unknown as Named, record, 'person'),
    without: (record: unknown, id) => withoutErased(SESSION_RECORD as unknown as Named, record, person(id)),
  },
  {
    key: /^inner-rung\/form\//,
    names: (form: unknown, key) => [...key.split('/'), ...textsIn(form)],
    without: (form: unknown, id, key) =>
      key.split('/').includes(id) || textsIn(form).includes(id) ? null : form,
  },
];

/** What is kept, one by one; what can't be read as its kind names nobody. */
function* kept(): Generator<{ key: string; value: unknown; kind: Kept }> {
  for (const key of storage.keys()) {
    const kind = KEPT.find((one) => one.key.test(key));
    const value = kind && storage.read<unknown>(key);
    if (kind && value) yield { key, value, kind };
  }
}

/** An id as the server takes it: what else stands in a form isn't anybody. */
const ID = /^[a-z0-9]+(-[a-z0-9]+)*$/;
/** As many as are asked about at once. */
const MOST_ASKED = 5000;

/** Whoever something that is kept in this browser may name. */
function keptPeople(): string[] {
  const ids = new Set<string>();
  const take = (names: () => readonly string[]) => {
    try {
      for (const id of names()) if (id.length <= 80 && ID.test(id)) ids.add(id);
    } catch {
      // Kept by another version in another shape.
    }
  };
  for (const { key, value, kind } of kept()) take(() => kind.names(value as never, key));
  for (const plan of keptSteps()) take(() => namedIn(PLAN as unknown as Named, plan, 'person'));
  return [...ids].slice(0, MOST_ASKED);
}

/** Lets go of all that this browser keeps of people who were erased; the rest stays as it was. */
export function letGo(people: readonly string[]): void {
  if (people.length > 0) dropSteps();
  for (const { key, value, kind } of [...kept()])
    try {
      const now = people.reduce<unknown>(
        (left, id) => (left === null ? null : kind.without(left as never, id, key)),
        value,
      );
      if (now === null) storage.remove(key);
      else if (now !== value) storage.set(key, JSON.stringify(now));
    } catch {
      // In a shape that can't be read it can't be cleaned: it goes where it names them.
      if (people.some((id) => storage.get(key)?.includes(`"${id}"`))) storage.remove(key);
    }
}

/** Asks the server which of those kept here were erased meanwhile, from this device or another, and lets them go. */
export async function letGoOfErased(): Promise<void> {
  const people = keptPeople();
  if (people.length === 0) return;
  const answer = await fetch('/api/erased', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ people }),
  }).catch(() => null);
  if (answer?.ok) letGo(((await answer.json()) as { people: string[] }).people);
}
