import type { Library } from '@inner-rung/core/ladder';
import { demandOf, type Move, MUSCLES, middle } from '@inner-rung/core/move';
import type { Limit } from '@inner-rung/core/person';
import type { Block } from '@inner-rung/core/session';

/**
 * The reference: the same question asked the plain way, object by object, as a first version would.
 * Every move at its usual settings, its demand worked out, each limit read, the nearest kept.
 */
export function scalePlainly(library: Library, block: Block, limits: readonly Limit[]): (string | null)[] {
  const shared = (a: Move, b: Move) =>
    MUSCLES.reduce((sum, m) => sum + Math.min(a.muscles[m] ?? 0, b.muscles[m] ?? 0), 0);
  return block.stations.map((station) => {
    const wanted = library.move(station.move)!;
    const aim = demandOf(wanted, library.demand.get(wanted.id)!);
    let best: string | null = null;
    let least = Number.POSITIVE_INFINITY;
    for (const move of library.moves) {
      const demand = demandOf(move, library.demand.get(move.id)!);
      if (limits.some((l) => l.kind === 'cap' && !((demand[l.on].hi ?? Number.NaN) <= l.max))) continue;
      const cost =
        (move.pattern === wanted.pattern ? 0 : 3) +
        4 * (1 - shared(wanted, move)) +
        Math.abs(Math.log(middle(demand['effort.met']) / middle(aim['effort.met']))) * 10;
      if (cost < least) {
        least = cost;
        best = move.id;
      }
    }
    return best;
  });
}
