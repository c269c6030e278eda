import { formsOf } from '../forms/index.ts';
import { covers, type Limit, limitWords } from '../person/index.ts';
import { AS_WRITTEN } from '../session/index.ts';
import { compileConstraints, NOBODY } from './constraints.ts';
import type { Law } from './law.ts';

export interface OddLimit {
  /** The limit it is about; null when all of them together are. */
  readonly id: string | null;
  readonly severity: 'wrong' | 'note';
  readonly says: string;
}

/** Moves of which some form is open under limits, wherever the law is of. */
export function openMoves(law: Law, limits: readonly Limit[]): string[] {
  const c = compileConstraints({ ...NOBODY, limits }, AS_WRITTEN);
  return law.table.index.ids.filter((id) => formsOf(law.table, id).some((form) => law.isOpen(form, c)));
}

/** Limits that say nothing beside another, or that together leave nothing to do. */
export function oddLimits(law: Law, limits: readonly Limit[]): OddLimit[] {
  const odd: OddLimit[] = [];
  limits.forEach((limit, i) => {
    if (limit.source !== 'trainer' && limit.source !== 'person') return;
    const by = limits.find((other, k) => k !== i && covers(other, limit) && !(covers(limit, other) && k > i));
    if (by)
      odd.push({
        id: limit.id,
        severity: 'note',
        says: `“${limitWords(limit)}” changes nothing: “${limitWords(by)}” is as strict or stricter.`,
      });
  });
  if (limits.length > 0 && openMoves(law, limits).length === 0)
    odd.push({
      id: null,
      severity: 'wrong',
      says: 'Together these limits leave no move in the library. Two of them contradict each other.',
    });
  return odd;
}
