import type { FormRef } from '../move/index.ts';
import { MOST_CORRECTIONS, type Result, type SessionRecord } from './record.ts';

/** What of a result can be corrected by hand. */
const CORRECTED = [
  'present',
  'effort',
  'clean',
  'range',
  'pain',
  'note',
  'share',
  'left',
  'pieces',
  'counts',
] as const;
type Key = (typeof CORRECTED)[number];

const said: { readonly [K in Key]: (value: Result[K], nameOf: (form: FormRef) => string) => string } = {
  present: (value) => (value ? 'there' : 'not there'),
  effort: (value) => (value === null ? 'effort not asked' : `effort ${value}`),
  clean: (value) => (value ? 'clean' : 'not clean'),
  range: (value) => `range ${value}`,
  pain: (value) => (value ? `pain, ${value.where}` : 'no pain'),
  share: (value) => `did ${Math.round(value * 100)} %`,
  left: (value) => (value ? 'left early' : 'stayed to the end'),
  note: (value) => (value ? `note “${value}”` : 'no note'),
  pieces: (value, nameOf) =>
    value
      .map((p) => `${nameOf(p)} ${p.reps === null ? `${p.seconds} s` : p.reps}`)
      .join(', ')
      .slice(0, 250) || 'nothing done',
  counts: (value) => value.map((c) => `${c.rounds} rounds + ${c.reps}`).join(', ') || 'no rounds',
};

/**
 * A kept record with one result otherwise. What it said before stays in the record, in words, with the moment of the
 * correction (ISO, UTC).
 */
export function corrected(
  record: SessionRecord,
  id: string,
  patch: Partial<Pick<Result, Key>>,
  at: string,
  nameOf: (form: FormRef) => string = (form) => form.move,
): SessionRecord {
  const before = record.results.find((result) => result.id === id);
  if (!before) return record;
  const was = CORRECTED.flatMap((key) => {
    if (!(key in patch) || JSON.stringify(patch[key]) === JSON.stringify(before[key])) return [];
    const say = said[key] as (value: unknown, name: typeof nameOf) => string;
    return [{ at, was: say(before[key], nameOf).slice(0, 300) }];
  });
  return {
    ...record,
    results: record.results.map((result) =>
      result === before
        ? { ...result, ...patch, corrections: [...result.corrections, ...was].slice(-MOST_CORRECTIONS) }
        : result,
    ),
  };
}
