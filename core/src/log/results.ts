import { z } from 'zod';
import { runEventSchema, runSchema } from '../run/index.ts';
import { recordSchema } from './record.ts';

/** What a session that was run away from here gives back: the run, all that happened, what came of it. */
const resultsSchema = z.strictObject({
  kind: z.literal('results'),
  version: z.literal(1),
  run: runSchema,
  events: z.array(runEventSchema).max(20_000, 'at most 20,000 events'),
  /** Null where nobody said yet what came of it. */
  record: recordSchema.nullable(),
});
export type Results = z.output<typeof resultsSchema>;

/** Results out of a file; what is wrong, and where, when it isn't one. */
export function readResults(
  raw: unknown,
): { readonly ok: true; readonly value: Results } | { readonly ok: false; readonly says: string } {
  const read = resultsSchema.safeParse(raw);
  if (!read.success) {
    const [first] = read.error.issues;
    return { ok: false, says: `${first!.path.join('.') || 'the file'}: ${first!.message}` };
  }
  const { run, record } = read.data;
  if (record && record.run !== run.id)
    return { ok: false, says: 'record.run: what came of it belongs to another session' };
  return { ok: true, value: read.data };
}
