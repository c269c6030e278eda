import { createHash, randomBytes } from 'node:crypto';
import type { Deed, TrailLine } from '@inner-rung/core/team';
import type { Db } from './database.ts';
import { jsonOf } from './documents.ts';
import type { ErasedNames } from './erased-names.ts';

const sql = String.raw;

/** What is looked at again by the same one within so long is one look. */
const ONE_LOOK_MS = 10 * 60_000;
/** A page saves as it is typed in: the same fields, by the same one, within so long are one change. */
const ONE_CHANGE_MS = 2 * 60_000;
/** More of what was told lately than anybody does in ten minutes is let go of. */
const MOST_KEPT = 20_000;
/** Before the first line. */
const BEGINNING = '0'.repeat(64);

/** Who does something, and where from. */
export interface Doer {
  /** Id of an account; null without a team. */
  readonly account: string | null;
  /** "this machine", or an address on the network. */
  readonly place: string;
}
interface Row {
  number: number;
  at: number;
  account: string | null;
  place: string;
  deed: string;
  kind: string | null;
  about: string | null;
  said: string;
  previous: string;
  hash: string;
}
interface Said {
  readonly of: string | null;
  readonly what: readonly string[];
}

/** What was found when the chain was gone through. */
export interface TrailState {
  readonly lines: number;
  /** The first line that isn’t as it was written; null where all are. */
  readonly brokenAt: number | null;
}

const digest = (parts: readonly unknown[]): string =>
  createHash('sha256').update(JSON.stringify(parts)).digest('hex');
const saidHash = (salt: string, body: string): string => digest([salt, body]);
const lineHash = (row: Omit<Row, 'hash'>): string =>
  digest([row.number, row.at, row.account, row.place, row.deed, row.kind, row.about, row.said, row.previous]);

/**
 * Who saw and did what of whom. Each line holds the hash of the one before, so that none can be changed, taken out or
 * put between without its being found; the database refuses both besides. What a line is about stands in it as a
 * salted hash, and what it says lies beside it: both are let go of with an erasing, and the chain still holds.
 */
export function trail(db: Db, now: () => number, names: ErasedNames) {
  const last = db.prepare<[], { number: number; hash: string }>(sql`
    SELECT number, hash FROM trail ORDER BY number DESC LIMIT 1
  `);
  const insert = db.prepare(sql`
    INSERT INTO trail (number, at, account, place, deed, kind, about, said, previous, hash)
    VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
  `);
  const insertSaid = db.prepare(sql`INSERT INTO trail_said (number, salt, body) VALUES (?, ?, ?)`);
  const page = db.prepare<
    [number, string | null, string | null, string | null, string | null, number],
    Row & { body: string | null }
  >(sql`
    SELECT trail.*, trail_said.body FROM trail LEFT JOIN trail_said ON trail_said.number = trail.number
    WHERE trail.number < ? AND (? IS NULL OR about = ?) AND (? IS NULL OR account IS ?)
    ORDER BY trail.number DESC LIMIT ?
  `);
  const each = db.prepare<[], Row & { salt: string | null; body: string | null }>(sql`
    SELECT trail.*, trail_said.salt, trail_said.body FROM trail
    LEFT JOIN trail_said ON trail_said.number = trail.number ORDER BY trail.number
  `);
  const dropSaid = db.prepare(sql`
    DELETE FROM trail_said WHERE number IN (SELECT number FROM trail WHERE about = ?)
  `);

  /** What was told lately, by whom, what and of whom: when it was, and what of it. */
  const lately = new Map<string, { at: number; what: Set<string> }>();
  /** Whether it only says again what was just said. */
  const again = (key: string, within: number, what: readonly string[]): boolean => {
    const before = lately.get(key);
    if (!before || now() - before.at >= within) {
      if (lately.size > MOST_KEPT) lately.clear();
      lately.set(key, { at: now(), what: new Set(what) });
      return false;
    }
    const told = what.every((one) => before.what.has(one));
    for (const one of what) before.what.add(one);
    return told;
  };

  return {
    /** Something and the line that tells of it: both, or neither. */
    with: <T>(did: () => T): T => db.transaction(did)(),
    /** Adds a line, unless it says again what was just said. `of` is the id of what it is about, `what` what of it. */
    add(
      doer: Doer,
      deed: Deed,
      kind: string | null = null,
      of: string | null = null,
      what: readonly string[] = [],
    ): void {
      const about = kind !== null && of !== null ? names.hashOf(kind, of) : null;
      const body = JSON.stringify({ of, what } satisfies Said);
      const within = deed === 'saw' ? ONE_LOOK_MS : deed === 'changed' ? ONE_CHANGE_MS : 0;
      if (within > 0 && again(JSON.stringify([deed, doer, kind, about]), within, what)) return;
      db.transaction(() => {
        const before = last.get();
        const salt = randomBytes(16).toString('hex');
        const row: Omit<Row, 'hash'> = {
          number: (before?.number ?? 0) + 1,
          at: now(),
          account: doer.account,
          place: doer.place,
          deed,
          kind,
          about,
          said: saidHash(salt, body),
          previous: before?.hash ?? BEGINNING,
        };
        insert.run(...Object.values(row), lineHash(row));
        insertSaid.run(row.number, salt, body);
      })();
    },
    /** Lines before a number, the newest first; of one document or one account alone where that is said. */
    list(asked: {
      readonly before: number;
      readonly most: number;
      readonly about: { readonly kind: string; readonly id: string } | null;
      readonly account: string | null;
      readonly nameOf: (account: string) => string | null;
    }): TrailLine[] {
      const about = asked.about && names.hashOf(asked.about.kind, asked.about.id);
      return page
        .all(asked.before, about, about, asked.account, asked.account, asked.most)
        .map((row): TrailLine => {
          const said = row.body === null ? null : (jsonOf(row.body) as Said);
          return {
            number: row.number,
            at: row.at,
            who: row.account === null ? null : asked.nameOf(row.account),
            from: row.place,
            deed: row.deed as Deed,
            kind: row.kind,
            of: said?.of ?? null,
            what: said?.what ?? [],
            gone: said === null,
          };
        });
    },
    /** Goes through the whole chain: every line as it was written, in its place, and what it says with it. */
    verify(): TrailState {
      let lines = 0;
      let previous = BEGINNING;
      for (const { hash, salt, body, ...row } of each.iterate()) {
        lines++;
        const stands =
          row.number === lines &&
          row.previous === previous &&
          hash === lineHash(row) &&
          (salt === null || body === null || row.said === saidHash(salt, body));
        if (!stands) return { lines, brokenAt: lines };
        previous = hash;
      }
      return { lines, brokenAt: null };
    },
    /** Lets go of what is said of somebody or something erased; that it happened stays. */
    erase(kind: string, id: string): void {
      dropSaid.run(names.hashOf(kind, id));
    },
  };
}
export type Trail = ReturnType<typeof trail>;
