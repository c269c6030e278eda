import * as z from 'zod';
import { lazily, openRecord } from '../record/index.ts';
import { runEventSchema, runSchema } from '../run/index.ts';
import { SESSION_RECORD, type SessionRecord } from './record.ts';

/** What a session that was run away from here gives back: the run, all that happened, what came of it. */
const resultsSchema = lazily(() =>
  z.strictObject({
    kind: z.literal('results'),
    version: z.literal(1),
    run: runSchema,
    events: z.array(runEventSchema).max(20_000, 'at most 20,000 events'),
    /** Null where nobody said yet what came of it. */
    record: z.unknown(),
  }),
);
export type Results = Omit<z.output<typeof resultsSchema>, 'record'> & {
  readonly record: SessionRecord | null;
};

/** Results out of a file; what is wrong, and where, when it isn't one. */
export function readResults(
  raw: unknown,
): { readonly ok: true; readonly value: Results } | { readonly ok: false; readonly says: string } {
  const read = resultsSchema.safeParse(raw);
  if (!read.success) {
    const [first] = read.error.issues;
    return { ok: false, says: `${first!.path.join('.') || 'the file'}: ${first!.message}` };
  }
  const { run, record, ...rest } = read.data;
  if (record === null || record === undefined) return { ok: true, value: { ...rest, run, record: null } };
  const opened = openRecord(SESSION_RECORD, record);
  if (!opened.ok) return { ok: false, says: `record.${opened.where}: ${opened.message}` };
  if (opened.value.run !== run.id)
    return { ok: false, says: 'record.run: what came of it belongs to another session' };
  return { ok: true, value: { ...rest, run, record: opened.value } };
}
