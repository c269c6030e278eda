import { CHANGE } from '@inner-rung/core/ladder';
import { SESSION_RECORD } from '@inner-rung/core/log';
import { GROUP, PERSON } from '@inner-rung/core/person';
import { openRecord, type RecordKind } from '@inner-rung/core/record';
import { ROOM } from '@inner-rung/core/room';
import { PLAN } from '@inner-rung/core/session';
import type { Db } from './database.ts';
import { ProblemError } from './problem.ts';

const sql = String.raw;

/** What is stored, by the name it has in the address. One entry a kind. */
export const KINDS = {
  plans: { kind: 'plan', record: PLAN as RecordKind<{ version: number }> },
  people: { kind: 'person', record: PERSON as RecordKind<{ version: number }> },
  groups: { kind: 'group', record: GROUP as unknown as RecordKind<{ version: number }> },
  rooms: { kind: 'room', record: ROOM as RecordKind<{ version: number }> },
  records: { kind: 'record', record: SESSION_RECORD as unknown as RecordKind<{ version: number }> },
  changes: { kind: 'change', record: CHANGE as unknown as RecordKind<{ version: number }> },
} as const;
export type KindName = keyof typeof KINDS;

export interface Stored {
  readonly id: string;
  readonly revision: number;
  readonly savedAt: string;
  readonly body: unknown;
}

interface Row {
  id: string;
  revision: number;
  body: string;
  saved_at: string;
}

/** Earlier revisions kept of one document. */
const KEPT_REVISIONS = 50;

/** A body in which nothing names an id any more: out of lists, null where it stood alone. */
function bodyWithout(body: string, id: string): string {
  if (!body.includes(`"${id}"`)) return body;
  // What is kept of one person in a list goes with them; a wish for nobody is none.
  const isAbout = (one: unknown): boolean =>
    typeof one === 'object' && one !== null && (one as { person?: unknown }).person === id;
  const strip = (value: unknown): unknown =>
    Array.isArray(value)
      ? value.filter((one) => one !== id && !isAbout(one)).map(strip)
      : typeof value === 'object' && value !== null
        ? Object.fromEntries(
            Object.entries(value).map(([key, inner]) => [
              key,
              key !== 'id' && inner === id ? null : strip(inner),
            ]),
          )
        : value;
  try {
    return JSON.stringify(strip(JSON.parse(body)));
  } catch {
    // Set aside because it can't be read: a name in it can't be taken out by halves.
    return '""';
  }
}

/** Documents by kind and id, saved by revision; `now` is the clock, passed in. */
export function documents(db: Db, now: () => Date) {
  const list = db.prepare<[string], Row>(sql`
    SELECT id, revision, body, saved_at FROM document WHERE kind = ? ORDER BY saved_at DESC, id
  `);
  const one = db.prepare<[string, string], Row>(sql`
    SELECT id, revision, body, saved_at FROM document WHERE kind = ? AND id = ?
  `);
  const insert = db.prepare(sql`
    INSERT INTO document (kind, id, revision, body, saved_at) VALUES (?, ?, 1, ?, ?)
  `);
  const keepEarlier = db.prepare(sql`
    INSERT INTO earlier_revision (kind, id, revision, body, saved_at)
    SELECT kind, id, revision, body, saved_at FROM document WHERE kind = ? AND id = ?
  `);
  const prune = db.prepare(sql`
    DELETE FROM earlier_revision WHERE kind = ? AND id = ? AND revision <= ?
  `);
  const update = db.prepare(sql`
    UPDATE document SET revision = revision + 1, body = ?, saved_at = ? WHERE kind = ? AND id = ?
  `);
  const remove = db.prepare(sql`DELETE FROM document WHERE kind = ? AND id = ?`);
  const setAside = db.prepare(sql`
    INSERT INTO set_aside (kind, id, body, reason, set_aside_at) VALUES (?, ?, ?, ?, ?)
  `);
  const listAside = db.prepare<
    [],
    { number: number; kind: string; id: string; reason: string; body: string }
  >(sql`
    SELECT number, kind, id, reason, body FROM set_aside ORDER BY number
  `);

  const everywhere = db.prepare<[], { kind: string; id: string; revision: number; body: string }>(sql`
    SELECT kind, id, revision, body FROM document
  `);
  const earlierEverywhere = db.prepare<[], { kind: string; id: string; revision: number; body: string }>(sql`
    SELECT kind, id, revision, body FROM earlier_revision
  `);
  const rewriteEarlier = db.prepare(sql`
    UPDATE earlier_revision SET body = ? WHERE kind = ? AND id = ? AND revision = ?
  `);
  const eraseAside = db.prepare(sql`DELETE FROM set_aside WHERE kind = ? AND id = ?`);
  const asideEverywhere = db.prepare<[], { number: number; body: string }>(sql`
    SELECT number, body FROM set_aside
  `);
  const rewriteAside = db.prepare(sql`UPDATE set_aside SET body = ? WHERE number = ?`);

  const stale = (revision: number) =>
    new ProblemError({
      status: 412,
      title: 'Changed elsewhere',
      detail: `This was saved from somewhere else meanwhile; it now stands at revision ${revision}.`,
      fix: 'Load what is saved, or save yours over it.',
      revision,
    });

  const checked = (name: KindName, id: string, body: unknown) => {
    const opened = openRecord(KINDS[name].record, body);
    if (!opened.ok)
      throw new ProblemError({
        status: 422,
        title: `Not a ${KINDS[name].record.name}`,
        detail: opened.message,
        field: opened.where,
        fix: 'Mend this field and save again.',
      });
    if ((opened.value as unknown as { id: string }).id !== id)
      throw new ProblemError({
        status: 422,
        title: 'Two ids',
        detail: 'The id in the address and the id in the body differ.',
        field: 'id',
        fix: 'Use one id.',
      });
    return JSON.stringify(opened.value);
  };

  /** Reads a row; one that no longer passes its schema is kept aside and reported, and the rest opens. */
  const open = (name: KindName, row: Row): Stored | null => {
    let raw: unknown;
    try {
      raw = JSON.parse(row.body);
    } catch {
      raw = undefined;
    }
    const opened = openRecord(KINDS[name].record, raw);
    if (opened.ok) return { id: row.id, revision: row.revision, savedAt: row.saved_at, body: opened.value };
    db.transaction(() => {
      setAside.run(
        KINDS[name].kind,
        row.id,
        row.body,
        `${opened.where}: ${opened.message}`,
        now().toISOString(),
      );
      remove.run(KINDS[name].kind, row.id);
    })();
    return null;
  };

  return {
    list: (name: KindName): Stored[] => list.all(KINDS[name].kind).flatMap((row) => open(name, row) ?? []),
    get: (name: KindName, id: string): Stored => {
      const row = one.get(KINDS[name].kind, id);
      const stored = row && open(name, row);
      if (!stored)
        throw new ProblemError({
          status: 404,
          title: 'Not here',
          detail: `There is no ${KINDS[name].record.name} “${id}”.`,
          fix: 'It may have been deleted, or set aside because it could not be read.',
        });
      return stored;
    },
    create: (name: KindName, id: string, body: unknown): number => {
      const text = checked(name, id, body);
      const standing = one.get(KINDS[name].kind, id);
      // Sent again because the answer was lost on its way: it stands already.
      if (standing?.revision === 1 && standing.body === text) return 1;
      if (standing) throw stale(standing.revision);
      insert.run(KINDS[name].kind, id, text, now().toISOString());
      return 1;
    },
    replace: (name: KindName, id: string, body: unknown, revision: number): number => {
      const text = checked(name, id, body);
      return db.transaction(() => {
        const standing = one.get(KINDS[name].kind, id);
        if (!standing)
          throw new ProblemError({
            status: 412,
            title: 'Deleted elsewhere',
            detail: `There is no ${KINDS[name].record.name} “${id}” any more: it was deleted from somewhere else meanwhile.`,
            fix: 'Let it go, or save yours as a new one.',
            revision: 0,
          });
        if (standing.revision === revision + 1 && standing.body === text) return standing.revision;
        if (standing.revision !== revision) throw stale(standing.revision);
        keepEarlier.run(KINDS[name].kind, id);
        prune.run(KINDS[name].kind, id, revision - KEPT_REVISIONS);
        update.run(text, now().toISOString(), KINDS[name].kind, id);
        return revision + 1;
      })();
    },
    remove: (name: KindName, id: string, revision: number): void => {
      db.transaction(() => {
        const standing = one.get(KINDS[name].kind, id);
        if (!standing) return;
        if (standing.revision !== revision) throw stale(standing.revision);
        remove.run(KINDS[name].kind, id);
      })();
    },
    /**
     * Erases a document for good: itself, its earlier revisions, what was set aside of it, and its id
     * wherever another document names it. The pages it stood on are overwritten.
     */
    erase: (name: KindName, id: string): void => {
      const { kind } = KINDS[name];
      db.transaction(() => {
        remove.run(kind, id);
        eraseAside.run(kind, id);
        for (const row of everywhere.all()) {
          const body = bodyWithout(row.body, id);
          // A new revision, so that a page which still holds the old one is told.
          if (body !== row.body) update.run(body, now().toISOString(), row.kind, row.id);
        }
        for (const row of earlierEverywhere.all()) {
          const body = bodyWithout(row.body, id);
          if (body !== row.body) rewriteEarlier.run(body, row.kind, row.id, row.revision);
        }
        for (const row of asideEverywhere.all()) {
          const body = bodyWithout(row.body, id);
          if (body !== row.body) rewriteAside.run(body, row.number);
        }
      })();
      // What deleting left behind on free pages and in the log goes with it.
      db.exec('VACUUM');
      db.pragma('wal_checkpoint(TRUNCATE)');
    },
    setAside: () => listAside.all(),
    isEmpty: (): boolean =>
      (Object.keys(KINDS) as KindName[]).every((name) => list.all(KINDS[name].kind).length === 0),
  };
}
export type Documents = ReturnType<typeof documents>;
