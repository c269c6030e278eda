import { networkInterfaces } from 'node:os';
import type { Db } from './database.ts';
import { ProblemError } from './problem.ts';
import { freshToken, hashOf, isSecret, keptSecret } from './secrets.ts';
import type { Streams } from './streams.ts';
import { tries } from './tries.ts';

const sql = String.raw;
/** Wrong passcodes in a row from one address, and from all together, before it is shut for a while. */
const MOST_TRIES = { each: 5, all: 30 } as const;
/** A phone stays signed in for so long. */
const SIGNED_IN_MS = 12 * 3_600_000;
/** A code on paper opens its card for so long: what was fitted to somebody a month ago is looked at again. Estimate. */
const CARD_MS = 31 * 24 * 3_600_000;
/** A person's own link opens their part of a run for so long. */
const LINK_MS = 24 * 3_600_000;
const LEAST_PASSCODE = 6;

/**
 * Who may come in from the local network: a passcode of the trainer's own, kept as a salted scrypt key; who has
 * given it holds a token of which only a hash is kept. A person's link is a token of its own for one run, or for one
 * card as it was printed.
 */
export function network(db: Db, now: () => number, open: Streams) {
  const read = db.prepare<[string], { value: string }>(sql`SELECT value FROM setting WHERE key = ?`);
  const write = db.prepare(sql`
    INSERT INTO setting (key, value) VALUES (?, ?) ON CONFLICT (key) DO UPDATE SET value = excluded.value
  `);
  const forget = db.prepare(sql`DELETE FROM setting WHERE key = ?`);
  const addSession = db.prepare(sql`INSERT INTO signed_in (hash, until) VALUES (?, ?)`);
  const session = db.prepare<[string], { until: number }>(sql`SELECT until FROM signed_in WHERE hash = ?`);
  const dropSessions = db.prepare(sql`DELETE FROM signed_in`);
  const dropSession = db.prepare(sql`DELETE FROM signed_in WHERE hash = ?`);
  const dropOldSessions = db.prepare(sql`DELETE FROM signed_in WHERE until <= ?`);
  const addLink = db.prepare(sql`INSERT INTO run_link (hash, run_id, person, until) VALUES (?, ?, ?, ?)`);
  const link = db.prepare<[string], { run_id: string; person: string; until: number }>(sql`
    SELECT run_id, person, until FROM run_link WHERE hash = ?
  `);
  const dropOldLinks = db.prepare(sql`DELETE FROM run_link WHERE until <= ?`);
  const dropLinks = db.prepare(sql`DELETE FROM run_link WHERE person = ?`);
  const addCard = db.prepare(sql`INSERT INTO card_link (hash, person, body, until) VALUES (?, ?, ?, ?)`);
  const card = db.prepare<[string], { body: string; until: number }>(sql`
    SELECT body, until FROM card_link WHERE hash = ?
  `);
  const dropCards = db.prepare(sql`DELETE FROM card_link WHERE person = ?`);
  const dropEveryCard = db.prepare(sql`DELETE FROM card_link`);
  const dropOldCards = db.prepare(sql`DELETE FROM card_link WHERE until <= ?`);
  const wrong = tries(db, now);
  const endSessions = () => {
    dropSessions.run();
    open.end(({ session }) => session !== null);
  };
  /** What has run out is let go of. */
  const tidy = () => {
    dropOldSessions.run(now());
    dropOldLinks.run(now());
    dropOldCards.run(now());
    wrong.tidy();
  };
  tidy();

  return {
    get hasPasscode(): boolean {
      return read.get('passcode') !== undefined;
    },
    async setPasscode(passcode: string): Promise<void> {
      if (passcode.trim().length < LEAST_PASSCODE || passcode.length > 200)
        throw new ProblemError({
          status: 422,
          title: 'Too short',
          detail: `A passcode has ${LEAST_PASSCODE} letters or digits at the least.`,
          field: 'passcode',
        });
      write.run('passcode', await keptSecret(passcode));
      endSessions();
    },
    /** A token for whoever knows the passcode. Tries are limited, by address and in all. */
    async signIn(passcode: string, address: string): Promise<string> {
      tidy();
      const right = wrong.begin({ [address]: MOST_TRIES.each, '*': MOST_TRIES.all }, 'passcodes');
      if (!(await isSecret(passcode, read.get('passcode')?.value)))
        throw new ProblemError({
          status: 401,
          title: 'Not the passcode',
          detail: 'That isn’t the passcode.',
        });
      right();
      const token = freshToken();
      addSession.run(hashOf(token), now() + SIGNED_IN_MS);
      return token;
    },
    /** What a sign-in goes by here; null without one that holds. */
    sessionOf(token: string | undefined): string | null {
      if (!token) return null;
      const hash = hashOf(token);
      const found = session.get(hash);
      return found !== undefined && found.until > now() ? hash : null;
    },
    isSignedIn(token: string | undefined): boolean {
      return this.sessionOf(token) !== null;
    },
    /** One device signs itself out. */
    signOut(token: string | undefined): void {
      if (!token) return;
      const hash = hashOf(token);
      dropSession.run(hash);
      open.end(({ session }) => session === hash);
    },
    signOutEverywhere(): void {
      endSessions();
    },
    forgetPasscode(): void {
      forget.run('passcode');
      endSessions();
    },
    /** A link for one person of one run: 192 bits that nobody guesses. */
    linkFor(run: string, person: string): string {
      const token = freshToken();
      addLink.run(hashOf(token), run, person, now() + LINK_MS);
      return token;
    },
    whose(token: string): { run: string; person: string } {
      const found = link.get(hashOf(token));
      if (!found || found.until <= now())
        throw new ProblemError({
          status: 404,
          title: 'No such link',
          detail: 'This link leads nowhere, or no more.',
        });
      return { run: found.run_id, person: found.person };
    },
    /** Links to cards as they were printed, each for one person and for a while. */
    cardLinks(cards: readonly { readonly person: string; readonly card: unknown }[]): string[] {
      return db.transaction(() => {
        tidy();
        return cards.map(({ person, card }) => {
          const token = freshToken();
          addCard.run(hashOf(token), person, JSON.stringify(card), now() + CARD_MS);
          return token;
        });
      })();
    },
    cardBehind(token: string): unknown {
      const found = card.get(hashOf(token));
      if (!found || found.until <= now())
        throw new ProblemError({
          status: 404,
          title: 'No such card',
          detail: 'This code leads nowhere, or no more. Ask your trainer for a new card.',
        });
      return JSON.parse(found.body);
    },
    endCardLinks(): void {
      dropEveryCard.run();
    },
    eraseLinks(person: string): void {
      dropLinks.run(person);
      dropCards.run(person);
      open.end((looking) => looking.person === person);
    },
  };
}
export type Network = ReturnType<typeof network>;

/** This machine's addresses on the local network. */
export const addresses = (): string[] =>
  Object.values(networkInterfaces())
    .flat()
    .filter((one) => one !== undefined && one.family === 'IPv4' && !one.internal)
    .map((one) => one!.address);

/** A cookie's value out of a header. */
export function cookieOf(header: string | undefined, name: string): string | undefined {
  for (const part of header?.split(';') ?? []) {
    const [key, ...value] = part.trim().split('=');
    if (key === name) return value.join('=');
  }
  return undefined;
}
