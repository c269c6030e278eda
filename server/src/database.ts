import { accessSync, constants, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';

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
];

/** Opens the database at a path (":memory:" in tests), with the newest schema. */
export function openDatabase(path: string): Db {
  const db = new Database(path);
  db.pragma('journal_mode = WAL');
  db.pragma('foreign_keys = ON');
  db.pragma('busy_timeout = 3000');
  // What is deleted is overwritten: a person erased is not to be found in the file.
  db.pragma('secure_delete = ON');
  migrate(db);
  return db;
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

/** The data folder, made if need be. Throws one plain sentence when it can't be written to. */
export function openDataFolder(folder: string): string {
  try {
    mkdirSync(folder, { recursive: true });
    accessSync(folder, constants.W_OK);
  } catch {
    throw new Error(
      `The data folder ${folder} can’t be written to. Choose another with INNER_RUNG_DATA=/some/folder.`,
    );
  }
  return join(folder, 'inner-rung.sqlite');
}
