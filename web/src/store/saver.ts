import { merged, openRecord, type RecordKind, writtenAlike } from '@inner-rung/core/record';
import {
  type Answer,
  type Docs,
  type Effect,
  type Event,
  type Machine,
  type Rules,
  type Stored,
  step,
} from './machine.ts';

const PAUSE_MS = 300;
const RETRY_MS = 2500;

/** Where a machine and its documents are kept. */
export interface Holds<T> {
  readonly docs: () => Docs<T>;
  readonly machine: () => Machine<T>;
  readonly put: (machine: Machine<T>) => void;
  /** Puts a document in the place of the one that is open, and lets go of the steps that made that. */
  readonly take: (id: string, doc: T) => void;
  /** Keeps in the browser what isn't on the server, and drops what is. */
  readonly keep: () => void;
}

/** What the server says of a document. */
async function ask<T>(address: string, init?: RequestInit): Promise<Answer<T>> {
  const response = await fetch(address, init).catch(() => null);
  if (response?.status === 507) return { is: 'lost', full: true };
  if (!response || response.status >= 500) return { is: 'lost' };
  if (init === undefined) {
    if (response.status === 404) return { is: 'nothing there' };
    if (!response.ok) return { is: 'lost' };
    return { is: 'stands', stored: (await response.json()) as Stored<T> };
  }
  if (response.ok)
    return {
      is: 'done',
      revision: init.method === 'PUT' ? ((await response.json()) as { revision: number }).revision : 0,
    };
  const problem = (await response.json()) as { detail: string; field?: string; revision?: number };
  if (response.status === 412) return { is: 'stale', revision: problem.revision ?? 0 };
  return { is: 'refused', why: `${problem.field ? `${problem.field}: ` : ''}${problem.detail}` };
}

/** Runs what a machine wants done against the server, and tells it what came of it. */
export function createSaver<T extends { version: number }>(path: string, record: RecordKind<T>) {
  const addressOf = (id: string) => `/api/${path}/${id}`;
  const opened = (doc: unknown): T | null => {
    const read = openRecord(record, doc);
    return read.ok ? read.value : null;
  };
  const rules: Rules<T> = {
    same: (a, b) => writtenAlike(opened(a), opened(b)),
    merge: (base, mine, theirs) => {
      const both = merged(base, mine, theirs, record.together);
      // Two changes that stand alone needn't stand together.
      return both && opened(both);
    },
  };
  let resting: ReturnType<typeof setTimeout> | undefined;

  const tell = (holds: Holds<T>, event: Event<T>): void => {
    const [machine, effects] = step(holds.machine(), event, holds.docs(), rules);
    holds.put(machine);
    for (const effect of effects) run(holds, effect);
  };

  function run(holds: Holds<T>, effect: Effect<T>): void {
    switch (effect.is) {
      case 'keep':
        holds.keep();
        return;
      case 'take':
        holds.take(effect.id, effect.doc);
        return;
      case 'pause':
        clearTimeout(resting);
        resting = setTimeout(() => tell(holds, { is: 'rested' }), PAUSE_MS);
        return;
      case 'wait':
        setTimeout(() => tell(holds, { is: 'try again' }), RETRY_MS);
        return;
      case 'read': {
        const { n, id } = effect;
        void ask<T>(addressOf(id)).then((answer) => tell(holds, { is: 'answered', n, answer }));
        return;
      }
      case 'send': {
        const { n, id, base, doc } = effect;
        void ask<T>(addressOf(id), {
          method: doc ? 'PUT' : 'DELETE',
          headers: {
            'Content-Type': 'application/json',
            ...(base === 0 ? { 'If-None-Match': '*' } : { 'If-Match': `"${base}"` }),
          },
          ...(doc ? { body: JSON.stringify(doc) } : {}),
        }).then((answer) => tell(holds, { is: 'answered', n, answer }));
      }
    }
  }

  return {
    tell,
    /** What stands at the server now: null where it was deleted, undefined while it doesn't answer. */
    async theirs(id: string): Promise<Stored<T> | null | undefined> {
      const answer = await ask<T>(addressOf(id));
      return answer.is === 'stands' ? answer.stored : answer.is === 'nothing there' ? null : undefined;
    },
  };
}
