import type { Db } from './database.ts';
import { ProblemError } from './problem.ts';

const sql = String.raw;

/** How long somebody waits the first time; each time after it is twice as long. Common practice. */
const SHUT_MS = 5 * 60_000;
const LONGEST_SHUT_MS = 12 * 3_600_000;
/** A wrong try is forgotten after a day without another. */
const FORGOTTEN_MS = 24 * 3_600_000;

/**
 * Wrong tries of a secret, by whatever they are counted by (an address, an account, all together), kept over a
 * restart; `now` in milliseconds.
 */
export function tries(db: Db, now: () => number) {
  const of = db.prepare<[string], { tries: number; since: number }>(sql`
    SELECT tries, since FROM wrong_try WHERE address = ?
  `);
  const add = db.prepare(sql`
    INSERT INTO wrong_try (address, tries, since) VALUES (?, 1, ?)
    ON CONFLICT (address) DO UPDATE SET tries = tries + 1, since = excluded.since
  `);
  const take = db.prepare(sql`UPDATE wrong_try SET tries = tries - 1 WHERE address = ? AND tries > 0`);
  const drop = db.prepare(sql`DELETE FROM wrong_try WHERE address = ?`);
  const dropOld = db.prepare(sql`DELETE FROM wrong_try WHERE since <= ?`);

  /** Milliseconds until another try is looked at; nought or less where one may. */
  const waitOf = (key: string, most: number): number => {
    const found = of.get(key);
    if (!found || found.tries === 0 || found.tries % most !== 0) return 0;
    const shut = Math.min(LONGEST_SHUT_MS, SHUT_MS * 2 ** (found.tries / most - 1));
    return found.since + shut - now();
  };
  return {
    tidy: (): void => {
      dropOld.run(now() - FORGOTTEN_MS);
    },
    /**
     * Counts a try before it is looked at, so that a hundred at once are a hundred; throws 429 while somebody waits.
     * `keys` says what it is counted by and how many each may have wrong. Answers what to call once it was right.
     */
    begin(keys: Readonly<Record<string, number>>, name: string): () => void {
      const wait = Math.max(...Object.entries(keys).map(([key, most]) => waitOf(key, most)));
      if (wait > 0) {
        const minutes = Math.ceil(wait / 60_000);
        throw new ProblemError({
          status: 429,
          title: 'Too many tries',
          detail: `Too many wrong ${name}. Wait ${minutes === 1 ? 'a minute' : `${minutes} minutes`}.`,
        });
      }
      for (const key of Object.keys(keys)) add.run(key, now());
      return () => {
        for (const key of Object.keys(keys))
          if (key === '*') take.run(key);
          else drop.run(key);
      };
    },
  };
}
