import { type FieldChange, type Library, type Rung, stepWords } from '@inner-rung/core/ladder';
import { DEMANDS, type DemandKey } from '@inner-rung/core/move';
import { formName } from '@inner-rung/core/words';

/** A field of a change as a trainer would call it. */
export function fieldWord(field: string): string {
  if (field.startsWith('demand.')) return DEMANDS[field.slice(7) as DemandKey]?.says ?? field;
  return (
    {
      twins: 'everyday names',
      standard: 'what counts as one rep',
      stopIf: 'when to stop',
      rungs: 'the rungs',
      measures: 'what it climbs in',
      branchOf: 'branch of',
      pace: 'reps a minute',
    }[field] ?? field
  );
}

function isRungs(field: string, value: unknown): value is Rung[] {
  return field === 'rungs' && Array.isArray(value);
}

/** A field's value in words; what has none is said to be so. */
export function valueWords(library: Library, field: string, value: unknown): string {
  if (value === undefined || value === null)
    return field.startsWith('demand.') && value === null ? 'not known' : '–';
  if (isRungs(field, value))
    return value
      .map(
        (rung, i) =>
          formName(library, rung.move, rung.settings) +
          (rung.levers.length > 0 ? ` (${stepWords(library, value, i).join(', ')})` : ''),
      )
      .reverse()
      .join(' ↓ ');
  if (Array.isArray(value))
    return value.length === 0 ? '–' : value.map((v) => valueWords(library, '', v)).join(', ');
  if (typeof value === 'object') {
    const { lo, hi } = value as { lo?: number; hi?: number };
    if (lo !== undefined && hi !== undefined) return lo === hi ? String(hi) : `${lo}–${hi}`;
    return Object.entries(value)
      .map(([k, v]) => `${k} ${valueWords(library, '', v)}`)
      .join(', ');
  }
  return String(value);
}

export const clashing = (fields: readonly FieldChange[]) => fields.filter((f) => f.clash);
