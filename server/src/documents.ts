import { type AnyRecordKind, openRecord } from '@inner-rung/core/record';
import { RECORDS } from '@inner-rung/core/records';
import type { Db } from './database.ts';
import { ProblemError } from './problem.ts';

const sql = String.raw;

export interface Stored {
  readonly id: string;
  readonly revision: number;
  readonly savedAt: string;
  readonly body: unknown;
}

interface Row {
  kind: string;
  id: string;
  revision: number;
  body: string;
  saved_at: string;
}

/** A document that doesn't open: set aside as it is, or (`number` null) still in its place, from a newer program. */
export interface Unreadable {
  readonly number: number | null;
  readonly kind: string;
  readonly id: string;
  readonly reason: string;
  readonly body: string;
}

/** Earlier revisions kept of one document. */
const KEPT_REVISIONS = 50;

/** JSON as it stands in a row; undefined where it isn't any. */
export function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** Documents by kind and id, saved by revision; `now` is the clock, passed in. Reading writes nothing. */
export function documents(db: Db, now: () => Date) {
  const list = db.prepare<[string], Row>(sql`
    SELECT kind, id, revision, body, saved_at FROM document WHERE kind = ? ORDER BY saved_at DESC, id
  `);
  const stamps = db.prepare<[string], Pick<Row, 'id' | 'revision' | 'saved_at'>>(sql`
    SELECT id, revision, saved_at FROM document WHERE kind = ? ORDER BY saved_at DESC, id
  `);
  const changes = db.prepare<[], { n: number }>(sql`SELECT total_changes() AS n`);
  const stamp = db.prepare<[string], { n: number; last: string | null; sum: number | null }>(sql`
    SELECT count(*) AS n, max(saved_at) AS last, sum(revision) AS sum FROM document WHERE kind = ?
  `);
  const one = db.prepare<[string, string], Row>(sql`
    SELECT kind, id, revision, body, saved_at FROM document WHERE kind = ? AND id = ?
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
    INSERT INTO set_aside (kind, id, revision, body, reason, set_aside_at) VALUES (?, ?, ?, ?, ?, ?)
  `);
  const setAsideEarlier = db.prepare(sql`
    INSERT INTO set_aside (kind, id, revision, body, reason, set_aside_at)
    SELECT kind, id, revision, body, 'an earlier revision of it', ? FROM earlier_revision WHERE kind = ? AND id = ?
  `);
  const listAside = db.prepare<[], Unreadable>(sql`
    SELECT number, kind, id, reason, body FROM set_aside
    WHERE reason <> 'an earlier revision of it' ORDER BY number
  `);
  const any = db.prepare<[], { n: number }>(sql`SELECT count(*) AS n FROM (SELECT 1 FROM document LIMIT 1)`);

  const stale = (revision: number) =>
    new ProblemError({
      status: 412,
      title: 'Changed elsewhere',
      detail: `This was saved from somewhere else meanwhile; it now stands at revision ${revision}.`,
      fix: 'Load what is saved, or save yours over it.',
      revision,
    });

  const checked = (record: AnyRecordKind, id: string, body: unknown) => {
    const opened = openRecord(record, body);
    if (!opened.ok)
      throw new ProblemError({
        status: 422,
        title: `Not a ${record.name}`,
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

  const opened = (record: AnyRecordKind, row: Row) => openRecord(record, jsonOf(row.body));
  const stored = (record: AnyRecordKind, row: Row): Stored | null => {
    const read = opened(record, row);
    return read.ok ? { id: row.id, revision: row.revision, savedAt: row.saved_at, body: read.value } : null;
  };

  /** Takes a document that doesn't open out of the way, with its history; one of a newer program stays where it is. */
  const putAside = (record: AnyRecordKind, row: Row): boolean => {
    const read = opened(record, row);
    if (read.ok || read.newer) return false;
    const at = now().toISOString();
    db.transaction(() => {
      setAside.run(row.kind, row.id, row.revision, row.body, `${read.where}: ${read.message}`, at);
      setAsideEarlier.run(at, row.kind, row.id);
      remove.run(row.kind, row.id);
    })();
    return true;
  };
  /** What stands where something is to be saved; nothing where it doesn't open and has been set aside for that. */
  const standingAt = (record: AnyRecordKind, id: string): Row | undefined => {
    const row = one.get(record.kind, id);
    return row && putAside(record, row) ? undefined : row;
  };

  /** Documents as they are sent, by kind and id: opened and written once for each time they are saved. */
  const sent = new Map<string, Map<string, { readonly at: string; readonly text: string | null }>>();
  const stampOf = ({ revision, saved_at }: Pick<Row, 'revision' | 'saved_at'>) => `${revision} ${saved_at}`;
  const textOf = (record: AnyRecordKind, row: Row): string | null => {
    const known = sent.get(record.kind) ?? new Map<string, { at: string; text: string | null }>();
    sent.set(record.kind, known);
    const at = stampOf(row);
    const before = known.get(row.id);
    if (before?.at === at) return before.text;
    const found = stored(record, row);
    const text = found && JSON.stringify(found);
    known.set(row.id, { at, text });
    return text;
  };
  /** Tags of kinds, as long as nothing at all has been written since. */
  const tags = { at: -1, by: new Map<string, string>() };

  const find = (record: AnyRecordKind, id: string): Stored | null => {
    const row = one.get(record.kind, id);
    return (row && stored(record, row)) ?? null;
  };

  return {
    /** A document; null where there is none that opens. */
    find,
    /** All of a kind that open, the newest first, as they are sent: a list in JSON. */
    listText(record: AnyRecordKind): string {
      const known = sent.get(record.kind);
      const rows = stamps.all(record.kind);
      const texts = rows.flatMap(({ id, ...row }) => {
        const before = known?.get(id);
        const text = before?.at === stampOf(row) ? before.text : textOf(record, one.get(record.kind, id)!);
        return text === null ? [] : [text];
      });
      // What was deleted is kept no longer.
      if (known && known.size > rows.length) {
        const there = new Set(rows.map(({ id }) => id));
        for (const id of known.keys()) if (!there.has(id)) known.delete(id);
      }
      return `[${texts.join(',')}]`;
    },
    /** All of a kind that open, the newest first. */
    list: (record: AnyRecordKind): Stored[] =>
      list.all(record.kind).flatMap((row) => stored(record, row) ?? []),
    get: (record: AnyRecordKind, id: string): Stored => {
      const found = find(record, id);
      if (!found)
        throw new ProblemError({
          status: 404,
          title: 'Not here',
          detail: `There is no ${record.name} “${id}”.`,
          fix: 'It may have been deleted, or it can’t be read: GET /api/set-aside lists those.',
        });
      return found;
    },
    create: (record: AnyRecordKind, id: string, body: unknown): number => {
      const text = checked(record, id, body);
      return db.transaction(() => {
        const standing = standingAt(record, id);
        // Sent again because the answer was lost on its way: it stands already.
        if (standing?.revision === 1 && standing.body === text) return 1;
        if (standing) throw stale(standing.revision);
        insert.run(record.kind, id, text, now().toISOString());
        return 1;
      })();
    },
    replace: (record: AnyRecordKind, id: string, body: unknown, revision: number): number => {
      const text = checked(record, id, body);
      return db.transaction(() => {
        const standing = standingAt(record, id);
        if (!standing)
          throw new ProblemError({
            status: 412,
            title: 'Deleted elsewhere',
            detail: `There is no ${record.name} “${id}” any more: it was deleted from somewhere else meanwhile.`,
            fix: 'Let it go, or save yours as a new one.',
            revision: 0,
          });
        if (standing.revision === revision + 1 && standing.body === text) return standing.revision;
        if (standing.revision !== revision) throw stale(standing.revision);
        keepEarlier.run(record.kind, id);
        prune.run(record.kind, id, revision - KEPT_REVISIONS);
        update.run(text, now().toISOString(), record.kind, id);
        return revision + 1;
      })();
    },
    remove: (record: AnyRecordKind, id: string, revision: number): void => {
      db.transaction(() => {
        const standing = one.get(record.kind, id);
        if (!standing) return;
        if (standing.revision !== revision) throw stale(standing.revision);
        remove.run(record.kind, id);
      })();
    },
    /** At start: what doesn't open is set aside, with a reason, and the rest opens. Says how many. */
    sweep: (): number =>
      RECORDS.reduce(
        (sum, record) =>
          sum +
          list.all(record.kind).filter((row) => textOf(record, row) === null && putAside(record, row)).length,
        0,
      ),
    /** Set aside, and what stands in its place but doesn't open. */
    unreadable: (): Unreadable[] => [
      ...listAside.all(),
      ...RECORDS.flatMap((record) =>
        list.all(record.kind).flatMap((row): Unreadable[] => {
          const read = opened(record, row);
          return read.ok
            ? []
            : [
                {
                  number: null,
                  kind: row.kind,
                  id: row.id,
                  reason: `${read.where}: ${read.message}`,
                  body: row.body,
                },
              ];
        }),
      ),
    ],
    /** Changes with every save and every deletion of a kind. */
    tagOf: (record: AnyRecordKind): string => {
      const at = changes.get()!.n;
      if (tags.at !== at) tags.by.clear();
      tags.at = at;
      const before = tags.by.get(record.kind);
      if (before !== undefined) return before;
      const { n, last, sum } = stamp.get(record.kind)!;
      const tag = `${n}-${sum ?? 0}-${last === null ? 0 : Date.parse(last)}`;
      tags.by.set(record.kind, tag);
      return tag;
    },
    isEmpty: (): boolean => any.get()!.n === 0,
  };
}
export type Documents = ReturnType<typeof documents>;
