import type { Present } from '@inner-rung/core/run';
import { newId } from '../ui/day.ts';

/** An id for somebody who walks in, that nobody else who walks in at the same moment has; their number is for the eye. */
export const newcomer = (people: readonly Present[]): { id: string; n: number } => ({
  id: newId('walked-in'),
  n: people.filter((p) => p.id.startsWith('walked-in-')).length + 1,
});
