import { type Library, rungDemand } from '../ladder/index.ts';
import { unsafeEnd } from '../move/index.ts';
import { covers, type Limit, limitWords } from '../person/index.ts';

export interface OddLimit {
  /** The limit it is about; null when all of them together are. */
  readonly id: string | null;
  readonly severity: 'wrong' | 'note';
  readonly says: string;
}

/** A move at its usual settings, open under all caps and bans; what isn't known bars. */
export function openMoves(library: Library, limits: readonly Limit[]): string[] {
  return library.moves
    .filter((move) => {
      const demand = rungDemand(library, { move: move.id });
      return (
        demand !== undefined &&
        limits.every((limit) =>
          limit.kind === 'cap'
            ? unsafeEnd(demand[limit.on]) <= limit.max
            : limit.kind !== 'ban' || limit.pattern !== move.pattern,
        )
      );
    })
    .map((move) => move.id);
}

/** Limits that say nothing beside another, or that together leave nothing to do. */
export function oddLimits(library: Library, limits: readonly Limit[]): OddLimit[] {
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
  if (limits.length > 0 && openMoves(library, limits).length === 0)
    odd.push({
      id: null,
      severity: 'wrong',
      says: 'Together these limits leave no move in the library. Two of them contradict each other.',
    });
  return odd;
}
