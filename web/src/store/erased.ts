import { storage } from './storage.ts';

const KEPT = /^inner-rung\/(run|pack|shelf\/people)\//;

interface KeptRun {
  readonly run?: { readonly cast: readonly { readonly id: string }[] };
  readonly events?: readonly { readonly person?: string | null; readonly who?: { readonly id: string } }[];
}

/** People whom something that is kept in this browser names. */
function keptPeople(): string[] {
  const ids = new Set<string>();
  for (const key of storage.keys().filter((one) => KEPT.test(one))) {
    const kept = storage.read<KeptRun & { docs?: Record<string, unknown> }>(key);
    for (const one of kept?.run?.cast ?? []) ids.add(one.id);
    if (key.startsWith('inner-rung/shelf/people/'))
      for (const id of Object.keys(kept?.docs ?? {})) ids.add(id);
  }
  return [...ids];
}

/** Lets go of what this browser keeps of people who were erased: their part in runs, unsaved work on them, forms begun. */
export function letGo(people: readonly string[]): void {
  const gone = new Set(people);
  for (const key of storage.keys()) {
    if (key.startsWith('inner-rung/form/') && people.some((id) => key.includes(id))) storage.remove(key);
    if (!KEPT.test(key)) continue;
    const kept = storage.read<KeptRun & { docs?: Record<string, unknown> }>(key);
    if (kept?.docs && Object.keys(kept.docs).some((id) => gone.has(id)))
      storage.set(
        key,
        JSON.stringify({
          ...kept,
          docs: Object.fromEntries(Object.entries(kept.docs).filter(([id]) => !gone.has(id))),
        }),
      );
    if (kept?.run?.cast.some((one) => gone.has(one.id)))
      storage.set(
        key,
        JSON.stringify({
          ...kept,
          run: { ...kept.run, cast: kept.run.cast.filter((one) => !gone.has(one.id)) },
          events: (kept.events ?? []).filter(
            (event) => !gone.has(event.person ?? '') && !gone.has(event.who?.id ?? ''),
          ),
        }),
      );
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
