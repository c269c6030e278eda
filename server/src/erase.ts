import { type AnyRecordKind, openRecord, withoutErased } from '@inner-rung/core/record';
import { RECORDS } from '@inner-rung/core/records';
import type { Db } from './database.ts';
import { jsonOf } from './documents.ts';
import { erasedNames } from './erased-names.ts';
import type { Network } from './network.ts';
import type { Runs } from './runs.ts';
import type { Trail } from './trail.ts';

const sql = String.raw;

interface Row {
  kind: string;
  id: string;
  revision: number;
  body: string;
}

const kindOf = new Map<string, AnyRecordKind>(RECORDS.map((record) => [record.kind, record]));

/**
 * Erases for good, in one transaction: a document, its earlier revisions, what was set aside of it, whatever names
 * it by the references of each kind, somebody's part in every run, their links and cards. Then the file is rewritten,
 * so that the bytes are gone; what a full disk keeps from being rewritten is rewritten at the next start.
 */
export function eraser(
  db: Db,
  now: () => number,
  parts: { readonly runs: Runs; readonly network: Network; readonly trail: Trail },
) {
  const remove = db.prepare(sql`DELETE FROM document WHERE kind = ? AND id = ?`);
  const removeAside = db.prepare(sql`DELETE FROM set_aside WHERE kind = ? AND id = ?`);
  const removeAsideAt = db.prepare(sql`DELETE FROM set_aside WHERE number = ?`);
  const all = db.prepare<[], Row>(sql`SELECT kind, id, revision, body FROM document`);
  const allEarlier = db.prepare<[], Row>(sql`SELECT kind, id, revision, body FROM earlier_revision`);
  const allAside = db.prepare<[], Row & { number: number }>(sql`
    SELECT number, kind, id, revision, body FROM set_aside
  `);
  const update = db.prepare(sql`
    UPDATE document SET revision = revision + 1, body = ?, saved_at = ? WHERE kind = ? AND id = ?
  `);
  const rewriteEarlier = db.prepare(sql`
    UPDATE earlier_revision SET body = ? WHERE kind = ? AND id = ? AND revision = ?
  `);
  const rewriteAside = db.prepare(sql`UPDATE set_aside SET body = ? WHERE number = ?`);
  const setting = db.prepare<[string], { value: string }>(sql`SELECT value FROM setting WHERE key = ?`);
  const set = db.prepare(sql`
    INSERT INTO setting (key, value) VALUES (?, ?) ON CONFLICT (key) DO UPDATE SET value = excluded.value
  `);
  const unset = db.prepare(sql`DELETE FROM setting WHERE key = ?`);
  const addErased = db.prepare(sql`
    INSERT INTO erased (hash, erased_at) VALUES (?, ?) ON CONFLICT (hash) DO NOTHING
  `);
  const isErased = db.prepare<[string], { hash: string }>(sql`SELECT hash FROM erased WHERE hash = ?`);

  const { hashOf } = erasedNames(db);

  /** A body that names it nowhere any more; null where it named it nowhere before. Read in today's shape where it can be. */
  const cleaned = (row: Row, erased: Parameters<typeof withoutErased>[2]): string | null => {
    const record = kindOf.get(row.kind);
    const raw = jsonOf(row.body);
    if (!record || raw === undefined) return null;
    const opened = openRecord(record, raw);
    const body = opened.ok ? opened.value : raw;
    const now = withoutErased(record, body, erased);
    return now === body ? null : JSON.stringify(now);
  };

  const compact = (): boolean => {
    try {
      // What deleting left behind on free pages and in the log goes with it.
      db.exec('VACUUM');
      db.pragma('wal_checkpoint(TRUNCATE)');
      unset.run('compact');
      db.pragma('wal_checkpoint(TRUNCATE)');
      return true;
    } catch {
      return false;
    }
  };

  return {
    /** Says whether the file could be rewritten already. Asked again, it sees to whatever is left. */
    erase(record: AnyRecordKind, id: string): { readonly compacted: boolean } {
      const erased = { kind: record.kind, id };
      db.transaction(() => {
        remove.run(record.kind, id);
        removeAside.run(record.kind, id);
        const at = new Date(now()).toISOString();
        for (const row of all.all()) {
          const body = cleaned(row, erased);
          // A new revision, so that a page which still holds the old one is told.
          if (body !== null) update.run(body, at, row.kind, row.id);
        }
        for (const row of allEarlier.all()) {
          const body = cleaned(row, erased);
          if (body !== null) rewriteEarlier.run(body, row.kind, row.id, row.revision);
        }
        for (const row of allAside.all()) {
          // Where it can't be read at all, a name can't be taken out by halves.
          if (jsonOf(row.body) === undefined && row.body.includes(`"${id}"`)) removeAsideAt.run(row.number);
          const body = cleaned(row, erased);
          if (body !== null) rewriteAside.run(body, row.number);
        }
        if (record.kind === 'person') {
          parts.runs.erase(id);
          parts.network.eraseLinks(id);
        }
        if (record.kind === 'group') parts.runs.forgetGroup(id);
        parts.trail.erase(record.kind, id);
        // What is remembered of it: not even its id.
        addErased.run(hashOf(record.kind, id), now());
        set.run('compact', '1');
      })();
      return { compacted: compact() };
    },
    /** Which of these were erased: a browser that keeps something of them asks, and lets it go. */
    erasedOf: (kind: AnyRecordKind['kind'], ids: readonly string[]): string[] =>
      ids.filter((id) => isErased.get(hashOf(kind, id)) !== undefined),
    /** At start: what an erasing before couldn't rewrite yet. */
    finish: (): boolean => setting.get('compact') === undefined || compact(),
  };
}
export type Eraser = ReturnType<typeof eraser>;
