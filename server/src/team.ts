import { randomBytes } from 'node:crypto';
import { TEAM_ROLES, type TeamRole, type Viewer } from '@inner-rung/core/team';
import * as z from 'zod';
import type { Db } from './database.ts';
import { ProblemError } from './problem.ts';
import { freshToken, hashOf, isSecret, keptSecret } from './secrets.ts';
import type { Streams } from './streams.ts';
import { tries } from './tries.ts';

const sql = String.raw;

/** A sign-in lasts for a working day. */
export const SIGNED_IN_MS = 12 * 3_600_000;
/** Wrong tries in a row before somebody waits, by what they are counted by. Common practice for an account; the others are estimates. */
const MOST_TRIES = { account: 5, address: 10, all: 60 } as const;
const LEAST_PASSPHRASE = 10;
/** People of a small team; a club has more members than this, but not more who teach. */
const MOST_ACCOUNTS = 60;

/** Somebody of the team, as others of it see them. */
export interface Account extends Viewer {
  readonly id: string;
  readonly name: string;
}
interface Row {
  id: string;
  name: string;
  role: string;
  given: string | null;
  secret: string;
  ended_at: number | null;
}
/** A device that somebody is signed in on. */
export interface SignIn {
  readonly id: string;
  readonly account: string;
  readonly device: string;
  readonly since: number;
  readonly until: number;
}

const nameSchema = z.string().trim().min(1, 'a name').max(60, 'at most 60 letters');
const passphraseSchema = z
  .string()
  .max(200, 'at most 200 letters')
  .refine((said) => said.trim().length >= LEAST_PASSPHRASE, `${LEAST_PASSPHRASE} letters at the least`);
const givenSchema = z.array(z.string().min(1).max(80)).max(500).nullable();
export const newAccountSchema = z.strictObject({
  name: nameSchema,
  passphrase: passphraseSchema,
  role: z.enum(TEAM_ROLES),
  /** Ids of the groups they are given; null is all of them. */
  groups: givenSchema.default(null),
});
export const changedAccountSchema = z
  .strictObject({
    name: nameSchema,
    passphrase: passphraseSchema,
    role: z.enum(TEAM_ROLES),
    groups: givenSchema,
  })
  .partial();
export const ownerSchema = z.strictObject({ name: nameSchema, passphrase: passphraseSchema });
export const recoverySchema = ownerSchema.extend({ code: z.string().min(1).max(200) });

/** Two names that read alike are one: capitals, spaces and the ways of writing one letter are set aside. */
const keyOf = (name: string): string =>
  name.normalize('NFKC').toLocaleLowerCase('en').replace(/\s+/g, ' ').trim();

/** Letters that nobody mistakes for another when copying from paper. */
const SHEET_LETTERS = 'ABCDEFGHJKMNPQRTUVWXYZ2346789';
/** "XXXXX-…", six times five letters: some 145 bits. */
function freshCode(): string {
  const letters: string[] = [];
  // The largest multiple of their number under 256, so that each is as likely as another.
  const fair = 256 - (256 % SHEET_LETTERS.length);
  while (letters.length < 30)
    for (const byte of randomBytes(64))
      if (byte < fair && letters.length < 30) letters.push(SHEET_LETTERS[byte % SHEET_LETTERS.length]!);
  return letters.join('').replace(/.{5}(?=.)/g, '$&-');
}
const codeKey = (code: string): string => hashOf(code.toUpperCase().replace(/[^A-Z0-9]/g, ''));

/** What a browser says it is, in a few words: "Chrome on Android". */
function deviceOf(agent: string | undefined): string {
  const said = agent ?? '';
  const first = (of: Readonly<Record<string, RegExp>>) =>
    Object.entries(of).find(([, pattern]) => pattern.test(said))?.[0];
  const browser = first({ Edge: /Edg/, Firefox: /Firefox/, Chrome: /Chrom/, Safari: /Safari/ });
  const on = first({
    Android: /Android/,
    iPhone: /iPhone/,
    iPad: /iPad/,
    Windows: /Windows/,
    Mac: /Mac OS/,
    Linux: /Linux/,
  });
  return browser && on ? `${browser} on ${on}` : (browser ?? on ?? 'a device');
}

const problem = (status: number, title: string, detail: string, field?: string) =>
  new ProblemError({ status, title, detail, ...(field && { field }) });

/**
 * The people of a small team: none until an owner sets it up, and then nobody comes in without a name and a passphrase,
 * at the machine itself either. Passphrases are kept as salted scrypt keys, sign-ins and the recovery code as hashes.
 */
export function team(db: Db, now: () => number, open: Streams) {
  const all = db.prepare<[], Row>(sql`SELECT * FROM account WHERE ended_at IS NULL ORDER BY made_at, id`);
  const anyOf = db.prepare<[string], Row>(sql`SELECT * FROM account WHERE id = ?`);
  const byKey = db.prepare<[string], Row>(sql`SELECT * FROM account WHERE name_key = ? AND ended_at IS NULL`);
  const insert = db.prepare(sql`
    INSERT INTO account (id, name, name_key, role, given, secret, made_at) VALUES (?, ?, ?, ?, ?, ?, ?)
  `);
  const update = db.prepare(sql`
    UPDATE account SET name = ?, name_key = ?, role = ?, given = ?, secret = ? WHERE id = ?
  `);
  const end = db.prepare(sql`UPDATE account SET ended_at = ? WHERE id = ? AND ended_at IS NULL`);
  const endAll = db.prepare(sql`UPDATE account SET ended_at = ? WHERE ended_at IS NULL`);
  const addSignIn = db.prepare(sql`
    INSERT INTO signed_in (hash, until, account, device, since) VALUES (?, ?, ?, ?, ?)
  `);
  const signIn = db.prepare<[string, number], { account: string | null }>(sql`
    SELECT account FROM signed_in WHERE hash = ? AND until > ?
  `);
  const signIns = db.prepare<
    [number],
    { hash: string; account: string; device: string; since: number; until: number }
  >(sql`
    SELECT hash, account, device, since, until FROM signed_in
    WHERE account IS NOT NULL AND until > ? ORDER BY since DESC
  `);
  const dropSignIn = db.prepare(sql`DELETE FROM signed_in WHERE hash = ?`);
  const dropOf = db.prepare(sql`DELETE FROM signed_in WHERE account = ?`);
  const dropAll = db.prepare(sql`DELETE FROM signed_in`);
  const dropPast = db.prepare(sql`DELETE FROM signed_in WHERE until <= ?`);
  const read = db.prepare<[string], { value: string }>(sql`SELECT value FROM setting WHERE key = ?`);
  const write = db.prepare(sql`
    INSERT INTO setting (key, value) VALUES (?, ?) ON CONFLICT (key) DO UPDATE SET value = excluded.value
  `);
  const forget = db.prepare(sql`DELETE FROM setting WHERE key = ?`);
  const wrong = tries(db, now);

  const account = (row: Row): Account => ({
    id: row.id,
    name: row.name,
    role: row.role as TeamRole,
    groups: row.given === null ? null : (JSON.parse(row.given) as string[]),
  });
  /** Ends the sign-ins of somebody, and what streams to them. */
  const endSignIns = (id: string): void => {
    const theirs = new Set(
      signIns
        .all(now())
        .filter((one) => one.account === id)
        .map((one) => one.hash),
    );
    dropOf.run(id);
    open.end(({ session }) => session !== null && theirs.has(session));
  };
  const free = (name: string, id: string | null): void => {
    const other = byKey.get(keyOf(name));
    if (other && other.id !== id)
      throw problem(
        409,
        'Somebody is called that',
        `“${other.name}” is in the team already. Choose a name that can’t be taken for it.`,
        'name',
      );
  };
  const rowOf = (id: string): Row => {
    const row = anyOf.get(id);
    if (!row || row.ended_at !== null)
      throw problem(404, 'Not in the team', 'Nobody of that id is in the team.');
    return row;
  };
  /** The last owner stays one: a team that nobody may change couldn't be mended. */
  const someOwnerBesides = (id: string): void => {
    if (!all.all().some((row) => row.role === 'owner' && row.id !== id))
      throw problem(409, 'The only owner', 'A team has an owner. Make somebody else an owner first.', 'role');
  };
  const put = db.transaction(
    (asked: Omit<z.output<typeof newAccountSchema>, 'passphrase'>, secret: string): Account => {
      free(asked.name, null);
      if (all.all().length >= MOST_ACCOUNTS)
        throw problem(409, 'Too many', `A team has ${MOST_ACCOUNTS} people at the most.`);
      const id = randomBytes(8).toString('hex');
      const given = asked.groups === null ? null : JSON.stringify(asked.groups);
      insert.run(id, asked.name, keyOf(asked.name), asked.role, given, secret, now());
      return account(anyOf.get(id)!);
    },
  );
  const add = async (asked: z.output<typeof newAccountSchema>): Promise<Account> =>
    put(asked, await keptSecret(asked.passphrase));
  const freshSheet = (): string => {
    const code = freshCode();
    write.run('recovery', codeKey(code));
    return code;
  };

  return {
    /** Whether there is one: without it one trainer does everything, as on a machine of their own. */
    get on(): boolean {
      return read.get('team') !== undefined;
    },
    /** Sets it up with its first owner. Answers the code that is printed and let nobody be locked out, told once. */
    async begin(asked: z.output<typeof ownerSchema>): Promise<{ owner: Account; recovery: string }> {
      const refuse = () => {
        if (read.get('team') !== undefined)
          throw problem(409, 'There is a team', 'The team is set up already.');
      };
      refuse();
      const secret = await keptSecret(asked.passphrase);
      return db.transaction(() => {
        // Two may have asked at one moment: whoever comes second leaves nothing behind.
        refuse();
        const owner = put({ ...asked, role: 'owner', groups: null }, secret);
        write.run('team', 'on');
        // Whoever was in by the passcode gives a name now.
        dropAll.run();
        open.end(({ session }) => session !== null);
        return { owner, recovery: freshSheet() };
      })();
    },
    /** Ends it: everybody is out, and the machine is one trainer’s again. The trail stays. */
    dissolve(): void {
      db.transaction(() => {
        endAll.run(now());
        dropAll.run();
        forget.run('team');
        forget.run('recovery');
      })();
      open.end(({ session }) => session !== null);
    },
    accounts: (): Account[] => all.all().map(account),
    /** Somebody’s name, in the team or no longer; null where there never was anybody. */
    nameOf: (id: string): string | null => anyOf.get(id)?.name ?? null,
    add,
    async change(id: string, asked: z.output<typeof changedAccountSchema>): Promise<Account> {
      const secret = asked.passphrase === undefined ? null : await keptSecret(asked.passphrase);
      const changed = db.transaction(() => {
        const row = rowOf(id);
        const name = asked.name ?? row.name;
        free(name, id);
        if (row.role === 'owner' && asked.role !== undefined && asked.role !== 'owner') someOwnerBesides(id);
        const given = asked.groups === undefined ? row.given : asked.groups && JSON.stringify(asked.groups);
        update.run(name, keyOf(name), asked.role ?? row.role, given, secret ?? row.secret, id);
        return account(anyOf.get(id)!);
      })();
      // What somebody may no longer do ends at once, on every device they have it open on.
      if (secret !== null || asked.role !== undefined || asked.groups !== undefined) endSignIns(id);
      return changed;
    },
    /** Gives somebody a group besides those they have; whoever has all of them has it. */
    give(id: string, group: string): void {
      const row = rowOf(id);
      if (row.given === null) return;
      const given = JSON.stringify([...(JSON.parse(row.given) as string[]), group]);
      update.run(row.name, keyOf(row.name), row.role, given, row.secret, id);
    },
    remove(id: string): void {
      db.transaction(() => {
        if (rowOf(id).role === 'owner') someOwnerBesides(id);
        end.run(now(), id);
      })();
      endSignIns(id);
    },
    async signIn(
      name: string,
      passphrase: string,
      address: string,
      agent: string | undefined,
    ): Promise<{ token: string; account: Account }> {
      wrong.tidy();
      dropPast.run(now());
      // By the name that was said, whether there is anybody of it or not: the wait says nothing of who is in the team.
      const right = wrong.begin(
        {
          [`account ${hashOf(keyOf(name))}`]: MOST_TRIES.account,
          [address]: MOST_TRIES.address,
          '*': MOST_TRIES.all,
        },
        'passphrases',
      );
      const row = byKey.get(keyOf(name));
      if (!(await isSecret(passphrase, row?.secret)) || !row)
        throw problem(401, 'Not the two', 'That isn’t a name and its passphrase.');
      right();
      const token = freshToken();
      addSignIn.run(hashOf(token), now() + SIGNED_IN_MS, row.id, deviceOf(agent), now());
      return { token, account: account(row) };
    },
    /** Who somebody is by the token they hold; null where it no longer holds. */
    whose(token: string | undefined): Account | null {
      const found = token ? signIn.get(hashOf(token), now()) : undefined;
      const row = found?.account ? anyOf.get(found.account) : undefined;
      return row && row.ended_at === null ? account(row) : null;
    },
    signIns: (): SignIn[] =>
      signIns.all(now()).map(({ hash, ...one }) => ({ id: hash.slice(0, 16), ...one })),
    endSignIn(id: string): void {
      const found = signIns.all(now()).find((one) => one.hash.startsWith(id) && id.length === 16);
      if (!found) throw problem(404, 'No such sign-in', 'Nobody is signed in like that any more.');
      dropSignIn.run(found.hash);
      open.end(({ session }) => session === found.hash);
    },
    /** Lets an owner in again by the printed code: a new passphrase, and a new code in place of the used one. */
    async recover(
      asked: z.output<typeof recoverySchema>,
      address: string,
    ): Promise<{ owner: Account; recovery: string }> {
      wrong.tidy();
      const right = wrong.begin({ [address]: MOST_TRIES.address, '*': MOST_TRIES.all }, 'codes');
      const row = byKey.get(keyOf(asked.name));
      const is = read.get('recovery')?.value === codeKey(asked.code);
      if (!is || row?.role !== 'owner')
        throw problem(401, 'Not the sheet', 'That isn’t an owner’s name and the code of the sheet.');
      right();
      const secret = await keptSecret(asked.passphrase);
      const recovery = db.transaction(() => {
        // Used once, even if it was sent twice at one moment.
        if (read.get('recovery')?.value !== codeKey(asked.code))
          throw problem(401, 'Not the sheet', 'This code was used just now.');
        update.run(row.name, keyOf(row.name), row.role, row.given, secret, row.id);
        return freshSheet();
      })();
      endSignIns(row.id);
      return { owner: account(row), recovery };
    },
    freshSheet,
  };
}
export type Team = ReturnType<typeof team>;
