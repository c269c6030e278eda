import { openRecord, type RecordKind } from '@inner-rung/core/record';
import type { Stored } from './api.ts';

/**
 * What was sent and never answered. The server may have kept it all the same: then the next sending is refused as
 * changed elsewhere, though nobody else has been there.
 */
export function createUnanswered<T extends { version: number }>(record: RecordKind<T>) {
  let sent: { readonly address: string; readonly base: number; readonly doc: T | null }[] = [];
  const written = (doc: unknown): string | null => {
    const opened = openRecord(record, doc);
    return opened.ok ? JSON.stringify(opened.value) : null;
  };
  return {
    /** `doc` is null where it was to be taken away. */
    add(address: string, base: number, doc: T | null): void {
      sent.push({ address, base, doc });
    },
    /** Answered, or taken away: nothing sent there is open any more. */
    settle(address: string): void {
      sent = sent.filter((one) => one.address !== address);
    },
    /** Where something was sent to and it isn't known what stands there. */
    addresses: (): string[] => [...new Set(sent.map((one) => one.address))],
    /** Whether what stands at an address is what was sent from here. */
    isOurs: (address: string, body: unknown): boolean =>
      sent.some((one) => one.address === address && one.doc !== null && written(one.doc) === written(body)),
    /** What stands at an address, where that is what was sent from here on a revision: gone, if so; else null. */
    async standing(address: string, base: number, revision: number): Promise<Stored<T> | 'gone' | null> {
      const open = sent.filter((one) => one.address === address && one.base === base);
      if (revision === 0 && open.some(({ doc }) => doc === null)) return 'gone';
      if (open.length === 0 || revision !== base + 1) return null;
      const response = await fetch(address).catch(() => null);
      if (!response?.ok) return null;
      const stored = (await response.json()) as Stored<T>;
      const theirs = written(stored.body);
      return stored.revision === revision && open.some(({ doc }) => doc !== null && written(doc) === theirs)
        ? stored
        : null;
    },
  };
}
