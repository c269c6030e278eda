import { accessSync, chmodSync, constants, existsSync, mkdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { copiesIn, stampOf } from './copy-names.ts';

export type Db = Database.Database;

const sql = String.raw;

/** Forward only, in order; a migration that has shipped is never edited. */
export const MIGRATIONS: readonly string[] = [
  sql`
    CREATE TABLE document (
      kind TEXT NOT NULL CHECK (kind IN ('plan', 'person', 'room')),
      id TEXT NOT NULL,
      revision INTEGER NOT NULL CHECK (revision >= 1),
      body TEXT NOT NULL CHECK (json_valid(body)),
      saved_at TEXT NOT NULL,
      PRIMARY KEY (kind, id)
    ) STRICT, WITHOUT ROWID;

    CREATE TABLE earlier_revision (
      kind TEXT NOT NULL,
      id TEXT NOT NULL,
      revision INTEGER NOT NULL,
      body TEXT NOT NULL,
      saved_at TEXT NOT NULL,
      PRIMARY KEY (kind, id, revision),
      FOREIGN KEY (kind, id) REFERENCES document (kind, id) ON DELETE CASCADE
    ) STRICT, WITHOUT ROWID;

    CREATE TABLE set_aside (
      number INTEGER PRIMARY KEY,
      kind TEXT NOT NULL,
      id TEXT NOT NULL,
      body TEXT NOT NULL,
      reason TEXT NOT NULL,
      set_aside_at TEXT NOT NULL
    ) STRICT;
  `,
  // Which kinds there are is the program's business: a kind more is no new schema.
  sql`
    CREATE TABLE document_2 (
      kind TEXT NOT NULL CHECK (kind <> ''),
      id TEXT NOT NULL,
      revision INTEGER NOT NULL CHECK (revision >= 1),
      body TEXT NOT NULL CHECK (json_valid(body)),
      saved_at TEXT NOT NULL,
      PRIMARY KEY (kind, id)
    ) STRICT, WITHOUT ROWID;
    INSERT INTO document_2 SELECT kind, id, revision, body, saved_at FROM document;

    CREATE TABLE earlier_revision_2 (
      kind TEXT NOT NULL,
      id TEXT NOT NULL,
      revision INTEGER NOT NULL,
      body TEXT NOT NULL,
      saved_at TEXT NOT NULL,
      PRIMARY KEY (kind, id, revision),
      FOREIGN KEY (kind, id) REFERENCES document_2 (kind, id) ON DELETE CASCADE
    ) STRICT, WITHOUT ROWID;
    INSERT INTO earlier_revision_2 SELECT kind, id, revision, body, saved_at FROM earlier_revision;

    DROP TABLE earlier_revision;
    DROP TABLE document;
    ALTER TABLE document_2 RENAME TO document;
    ALTER TABLE earlier_revision_2 RENAME TO earlier_revision;
  `,
  // Runs: times are milliseconds; an event's on its run's own clock.
  sql`
    CREATE TABLE run (
      id TEXT PRIMARY KEY,
      body TEXT NOT NULL CHECK (json_valid(body)),
      created_at INTEGER NOT NULL,
      latest_at INTEGER NOT NULL CHECK (latest_at >= 0)
    ) STRICT, WITHOUT ROWID;

    CREATE TABLE run_event (
      run_id TEXT NOT NULL REFERENCES run (id) ON DELETE CASCADE,
      id TEXT NOT NULL,
      at INTEGER NOT NULL CHECK (at >= 0),
      body TEXT NOT NULL CHECK (json_valid(body)),
      PRIMARY KEY (run_id, id)
    ) STRICT, WITHOUT ROWID;
  `,
  // Who may come in from the local network. Tokens and the passcode are kept as hashes alone.
  sql`
    CREATE TABLE setting (key TEXT PRIMARY KEY, value TEXT NOT NULL) STRICT, WITHOUT ROWID;
    CREATE TABLE signed_in (hash TEXT PRIMARY KEY, until INTEGER NOT NULL) STRICT, WITHOUT ROWID;
    CREATE TABLE run_link (
      hash TEXT PRIMARY KEY,
      run_id TEXT NOT NULL REFERENCES run (id) ON DELETE CASCADE,
      person TEXT NOT NULL
    ) STRICT, WITHOUT ROWID;
  `,
  // A card that a code on paper opens, by value, for a while.
  sql`
    CREATE TABLE card_link (
      hash TEXT PRIMARY KEY,
      person TEXT NOT NULL,
      body TEXT NOT NULL CHECK (json_valid(body)),
      until INTEGER NOT NULL
    ) STRICT, WITHOUT ROWID;
    CREATE INDEX card_link_person ON card_link (person);
  `,
  // What is set aside keeps its history; of what is erased only a salted hash is remembered.
  sql`
    ALTER TABLE set_aside ADD COLUMN revision INTEGER NOT NULL DEFAULT 1;
    CREATE TABLE erased (hash TEXT PRIMARY KEY, erased_at INTEGER NOT NULL) STRICT, WITHOUT ROWID;
  `,
  // Wrong passcodes outlive a restart; a person's link ends by itself. Links made before end with this.
  sql`
    CREATE TABLE wrong_try (address TEXT PRIMARY KEY, tries INTEGER NOT NULL, since INTEGER NOT NULL) STRICT, WITHOUT ROWID;
    ALTER TABLE run_link ADD COLUMN until INTEGER NOT NULL DEFAULT 0;
  `,
  // A small team, and the trail of what is done: a line is added, and none is ever changed or taken away. What it says
  // of somebody lies beside it, so that it can be erased while the chain still holds.
  sql`
    CREATE TABLE account (
      id TEXT PRIMARY KEY,
      name TEXT NOT NULL,
      name_key TEXT NOT NULL,
      role TEXT NOT NULL CHECK (role <> ''),
      given TEXT CHECK (given IS NULL OR json_valid(given)),
      secret TEXT NOT NULL,
      made_at INTEGER NOT NULL,
      ended_at INTEGER
    ) STRICT, WITHOUT ROWID;
    CREATE UNIQUE INDEX account_name ON account (name_key) WHERE ended_at IS NULL;
    ALTER TABLE signed_in ADD COLUMN account TEXT;
    ALTER TABLE signed_in ADD COLUMN device TEXT NOT NULL DEFAULT '';
    ALTER TABLE signed_in ADD COLUMN since INTEGER NOT NULL DEFAULT 0;

    CREATE TABLE trail (
      number INTEGER PRIMARY KEY,
      at INTEGER NOT NULL,
      account TEXT,
      place TEXT NOT NULL,
      deed TEXT NOT NULL,
      kind TEXT,
      about TEXT,
      said TEXT NOT NULL,
      previous TEXT NOT NULL,
      hash TEXT NOT NULL
    ) STRICT;
    CREATE INDEX trail_about ON trail (about) WHERE about IS NOT NULL;
    CREATE TABLE trail_said (
      number INTEGER PRIMARY KEY REFERENCES trail (number),
      salt TEXT NOT NULL,
      body TEXT NOT NULL CHECK (json_valid(body))
    ) STRICT;
    CREATE TRIGGER trail_stays BEFORE UPDATE ON trail BEGIN SELECT RAISE(ABORT, 'the trail is only added to'); END;
    CREATE TRIGGER trail_is_kept BEFORE DELETE ON trail BEGIN SELECT RAISE(ABORT, 'the trail is only added to'); END;
  `,
];

/** Waits so long for whoever else has the file, at opening alone: afterwards it is ours. */
const OPENING_MS = 1000;

/** What is wrong with a database that doesn't open, and what is safe. */
function openingFault(path: string, error: unknown): Error {
  const { code = '', message } = error as { code?: string; message: string };
  if (code.startsWith('SQLITE_BUSY') || code.startsWith('SQLITE_LOCKED'))
    return new Error(
      `Another program is using the data in ${dirname(path)}, most likely another Inner Rung. Stop that one, or choose another folder with INNER_RUNG_DATA=/some/folder.`,
    );
  if (code.startsWith('SQLITE_NOTADB') || code.startsWith('SQLITE_CORRUPT'))
    return new Error(
      `The data in ${path} is damaged: ${message.replace(/\s+/g, ' ')}. Nothing was changed and nothing new was begun. ${existsSync(join(dirname(path), 'copies')) ? `Put one of the copies in ${join(dirname(path), 'copies')} in its place` : 'Put a copy of the file in its place'}, or choose another folder with INNER_RUNG_DATA=/some/folder and keep this one.`,
    );
  if (code.startsWith('SQLITE_READONLY') || code.startsWith('SQLITE_CANTOPEN'))
    return new Error(
      `The data in ${path} can’t be written to. Give this user the right to write it, or choose another folder with INNER_RUNG_DATA=/some/folder.`,
    );
  if (code.startsWith('SQLITE_FULL'))
    return new Error(`There is no room left on the disk of ${dirname(path)}. Make some, and start again.`);
  return error as Error;
}

/** Looks whether every page of it hangs together. */
export function checkWhole(db: Db): void {
  const found = db.pragma('quick_check(1)', { simple: true }) as string;
  if (found !== 'ok') throw Object.assign(new Error(found), { code: 'SQLITE_CORRUPT' });
}

/**
 * Opens the database at a path (":memory:" in tests), with the newest schema, for this process alone: no second server
 * stands on the same folder, and no other program can hold up a save. Throws one plain sentence where it can't.
 */
export function openDatabase(path: string): Db {
  let db: Db | undefined;
  try {
    db = new Database(path, { timeout: OPENING_MS });
    db.pragma('locking_mode = EXCLUSIVE');
    db.pragma('journal_mode = WAL');
    db.pragma('foreign_keys = ON');
    // What is deleted is overwritten: a person erased is not to be found in the file.
    db.pragma('secure_delete = ON');
    // The first write takes the lock, and keeps it.
    db.exec('BEGIN IMMEDIATE; COMMIT');
    checkWhole(db);
    const version = db.pragma('user_version', { simple: true }) as number;
    // What an update changes is kept as it was.
    if (path !== ':memory:' && version > 0 && version < MIGRATIONS.length)
      db.prepare('VACUUM INTO ?').run(
        join(copiesIn(dirname(path)), `${stampOf(Date.now())}-before-update.sqlite`),
      );
    migrate(db);
  } catch (error) {
    db?.close();
    throw openingFault(path, error);
  }
  if (path !== ':memory:') onlyOurs(path);
  return db;
}

/** Nobody else of this machine reads it. */
function onlyOurs(path: string): void {
  for (const file of [path, `${path}-wal`]) if (existsSync(file)) chmodSync(file, 0o600);
}

/** Brings a database of any earlier version up to date; throws on one from a newer program. */
export function migrate(db: Db, to: number = MIGRATIONS.length): void {
  const version = db.pragma('user_version', { simple: true }) as number;
  if (version > MIGRATIONS.length)
    throw new Error(
      `This data was written by a newer Inner Rung (schema ${version}; this one knows ${MIGRATIONS.length}). Update Inner Rung, or choose another data folder.`,
    );
  for (let v = version; v < to; v++)
    db.transaction(() => {
      db.exec(MIGRATIONS[v]!);
      db.pragma(`user_version = ${v + 1}`);
    })();
}

/** Stands in a folder that has held data: a database that is gone from it is missed. */
const KNOWN = 'inner-rung.folder';
const KNOWN_SAYS =
  'This folder holds the data of Inner Rung. While this file is here, a missing database is told rather than begun anew.\n';

/**
 * The data folder, made if need be, for this user alone. Throws one plain sentence when it can't be written to, or
 * when its database is missing.
 */
export function openDataFolder(folder: string): string {
  const path = join(folder, 'inner-rung.sqlite');
  const known = join(folder, KNOWN);
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    accessSync(folder, constants.W_OK);
    chmodSync(folder, 0o700);
  } catch {
    throw new Error(
      `The data folder ${folder} can’t be written to. Choose another with INNER_RUNG_DATA=/some/folder.`,
    );
  }
  const gone = !existsSync(path) || statSync(path).size === 0;
  if (gone && existsSync(known))
    throw new Error(
      `The data that was kept in ${folder} is ${existsSync(path) ? 'empty' : 'not there'}: inner-rung.sqlite. Put one of the copies in ${join(folder, 'copies')} back under that name; to begin anew all the same, delete ${KNOWN} first.`,
    );
  if (!existsSync(known)) writeFileSync(known, KNOWN_SAYS, { mode: 0o600 });
  return path;
}
