import { randomBytes } from 'node:crypto';
import {
  chmodSync,
  copyFileSync,
  existsSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import type { RecordKindId } from '@inner-rung/core/record';
import { RECORDS, recordOf } from '@inner-rung/core/records';
import Database from 'better-sqlite3';
import { COPY_NAME, copiesIn, type Reason, stampOf, timeOf } from './copy-names.ts';
import { checkWhole, type Db, MIGRATIONS, migrate } from './database.ts';
import type { Eraser } from './erase.ts';
import { keptIn } from './kept.ts';
import { ProblemError } from './problem.ts';

const sql = String.raw;

/** What is in a copy, counted from itself after it was made. */
export interface Snapshot {
  readonly name: string;
  /** When it was made, ISO. */
  readonly at: string;
  readonly reason: Reason;
  readonly bytes: number;
  /** Null where it can't be read any more. */
  readonly counts: Readonly<
    Record<'people' | 'sessions' | 'groups' | 'rooms' | 'records' | 'runs', number>
  > | null;
}

const DAY_MS = 86_400_000;
/** So many of the last day, and the newest of each day, week and month, so far back. */
const KEEP = { ofToday: 10, days: 7, weeks: 4, months: 12 } as const;
/** What stands in the folder besides: the newest of each of these always stays. */
const ALWAYS: readonly Reason[] = ['before-update', 'before-restoring', 'brought-in'];

/** Tables that a restoring brings back; who may come in and what was erased stays as it is. */
const RESTORED = ['document', 'earlier_revision', 'set_aside', 'run', 'run_event'] as const;

type Counts = NonNullable<Snapshot['counts']>;
function countsOf(db: Db): Counts {
  const of = (kind: string) =>
    (db.prepare(sql`SELECT count(*) AS n FROM document WHERE kind = ?`).get(kind) as { n: number }).n;
  const { n } = db.prepare(sql`SELECT count(*) AS n FROM run`).get() as { n: number };
  return {
    people: of('person'),
    sessions: of('plan'),
    groups: of('group'),
    rooms: of('room'),
    records: of('record'),
    runs: n,
  };
}

const notOurs = (detail: string) =>
  new ProblemError({
    status: 422,
    title: 'Not a copy of Inner Rung’s data',
    detail,
    fix: 'Choose a file that “A file to keep elsewhere” has made.',
  });

/** What is in a copy that was whole when it was made; null where it can't be read. */
function counted(path: string): Counts | null {
  let db: Db | undefined;
  try {
    db = new Database(path);
    return countsOf(db);
  } catch {
    return null;
  } finally {
    db?.close();
  }
}

/** Looks at a file by itself: whole, ours, of this program or an earlier one. Leaves it at today's schema. */
function opened<T>(path: string, use: (db: Db) => T): T {
  let db: Db | undefined;
  try {
    db = new Database(path);
    checkWhole(db);
    const version = db.pragma('user_version', { simple: true }) as number;
    if (version === 0) throw notOurs('It holds none of the tables that are kept here.');
    if (version > MIGRATIONS.length)
      throw notOurs(
        `It was written by a newer Inner Rung (schema ${version}; this one knows ${MIGRATIONS.length}). Update Inner Rung first.`,
      );
    db.pragma('secure_delete = ON');
    migrate(db);
    return use(db);
  } catch (error) {
    if (error instanceof ProblemError) throw error;
    throw notOurs(`It can’t be read: ${(error as Error).message.replace(/\s+/g, ' ')}.`);
  } finally {
    db?.close();
  }
}

/**
 * Copies of the database beside it, each by SQLite's own backup while everything goes on, opened and counted before
 * it is one; kept by a rule, brought back in one transaction with the present kept first. Nobody who was erased is in
 * any of them.
 */
export function snapshots(db: Db, dataFolder: string, now: () => number, erasing: Eraser) {
  const folder = copiesIn(dataFolder);
  // What was being made when the power went is none.
  for (const file of readdirSync(folder))
    if (!COPY_NAME.test(file)) rmSync(join(folder, file), { force: true });

  const pathOf = (name: string): string => {
    if (!COPY_NAME.test(name) || !existsSync(join(folder, name)))
      throw new ProblemError({
        status: 404,
        title: 'No such copy',
        detail: 'There is no copy of that name.',
      });
    return join(folder, name);
  };
  const described = (name: string, counts?: Counts): Snapshot => {
    const [, stamp, reason] = COPY_NAME.exec(name)!;
    const path = join(folder, name);
    return {
      name,
      at: timeOf(stamp!),
      reason: reason as Reason,
      bytes: statSync(path).size,
      counts: counts ?? counted(path),
    };
  };
  const names = (): string[] =>
    readdirSync(folder)
      .filter((file) => COPY_NAME.test(file))
      .sort()
      .reverse();

  /** A finished file becomes a copy under its name; of two in one millisecond the later is a millisecond later. */
  const settle = (made: string, reason: Reason): string => {
    let ms = now();
    while (names().some((name) => name.startsWith(stampOf(ms)))) ms++;
    const name = `${stampOf(ms)}-${reason}.sqlite`;
    chmodSync(made, 0o600);
    renameSync(made, join(folder, name));
    return name;
  };
  const unfinished = () => join(folder, `unfinished-${randomBytes(6).toString('hex')}`);
  const dropped = (path: string) => {
    for (const end of ['', '-wal', '-shm', '-journal']) rmSync(path + end, { force: true });
  };

  /** Which of them the rule keeps. */
  const kept = (all: readonly string[]): Set<string> => {
    const found = new Set<string>();
    const newestOf = (key: (at: number) => string, most: number, since: number) => {
      const seen = new Set<string>();
      for (const name of all) {
        const at = Date.parse(timeOf(COPY_NAME.exec(name)![1]!));
        const of = key(at);
        if (at < since || seen.has(of) || seen.size >= most) continue;
        seen.add(of);
        found.add(name);
      }
    };
    const today = now();
    newestOf(String, KEEP.ofToday, today - DAY_MS);
    const week = (at: number) => String(Math.floor((at / DAY_MS + 3) / 7));
    newestOf((at) => new Date(at).toISOString().slice(0, 10), KEEP.days, today - KEEP.days * DAY_MS);
    newestOf(week, KEEP.weeks, today - KEEP.weeks * 7 * DAY_MS);
    newestOf((at) => new Date(at).toISOString().slice(0, 7), KEEP.months, today - 366 * DAY_MS);
    for (const reason of ALWAYS) {
      const newest = all.find((name) => COPY_NAME.exec(name)![2] === reason);
      if (newest) found.add(newest);
    }
    return found;
  };
  const prune = () => {
    const all = names();
    const stays = kept(all);
    for (const name of all) if (!stays.has(name)) dropped(join(folder, name));
  };

  const take = async (reason: Reason): Promise<Snapshot> => {
    const path = unfinished();
    try {
      await db.backup(path);
      const counts = opened(path, countsOf);
      const name = settle(path, reason);
      prune();
      return described(name, counts);
    } catch (error) {
      dropped(path);
      throw error;
    }
  };

  return {
    take,
    list: (): Snapshot[] => names().map((name) => described(name)),
    /** Milliseconds since the newest; infinite without one. */
    age: (): number => {
      const [newest] = names();
      return newest ? now() - Date.parse(timeOf(COPY_NAME.exec(newest)![1]!)) : Number.POSITIVE_INFINITY;
    },
    /** The bytes of a copy, and how to be rid of whatever is made of it. */
    pathOf,
    /** Takes in a file from elsewhere as a copy; it isn't restored by that. */
    bringIn(bytes: Uint8Array): Snapshot {
      const path = unfinished();
      try {
        writeFileSync(path, bytes, { mode: 0o600 });
        const counts = opened(path, countsOf);
        const name = settle(path, 'brought-in');
        prune();
        return described(name, counts);
      } catch (error) {
        dropped(path);
        throw error;
      }
    },
    /** Brings a copy back. What stands now is copied first; who was erased since stays erased. */
    async restore(name: string): Promise<{ readonly before: Snapshot; readonly restored: Snapshot }> {
      const source = pathOf(name);
      const path = unfinished();
      try {
        copyFileSync(source, path);
        const restored = described(name, opened(path, countsOf));
        const before = await take('before-restoring');
        db.prepare(sql`ATTACH DATABASE ? AS copy`).run(path);
        try {
          db.transaction(() => {
            for (const table of [...RESTORED].reverse()) db.exec(`DELETE FROM main.${table}`);
            for (const table of RESTORED) db.exec(`INSERT INTO main.${table} SELECT * FROM copy.${table}`);
          })();
        } finally {
          db.exec('DETACH DATABASE copy');
        }
        const ids = db.prepare<[string], { id: string }>(sql`SELECT id FROM document WHERE kind = ?`);
        for (const record of RECORDS)
          for (const id of erasing.erasedOf(
            record.kind,
            ids.all(record.kind).map((row) => row.id),
          ))
            erasing.erase(record, id);
        return { before, restored };
      } finally {
        dropped(path);
      }
    },
    /**
     * Takes somebody or something erased out of every copy. A copy that can't be opened can't be shown to hold nothing
     * of them, nor ever be brought back: it goes.
     */
    erase(kind: RecordKindId, id: string): void {
      for (const name of names()) {
        const path = join(folder, name);
        try {
          opened(path, (copy) => {
            keptIn(copy, now, () => 0).eraser.erase(recordOf(kind), id);
          });
        } catch (error) {
          if (!(error instanceof ProblemError)) throw error;
          rmSync(path, { force: true });
        }
        for (const end of ['-wal', '-shm', '-journal']) rmSync(path + end, { force: true });
      }
    },
  };
}
export type Snapshots = ReturnType<typeof snapshots>;
