import { type NeedsOf, type Seat, wantsOf } from '@inner-rung/core/class';
import { placesFor, type Room } from '@inner-rung/core/room';
import loadHighs from 'highs';

/** The fewest people who must change at one moment, as an integer program, solved by HiGHS. */
export async function referenceSolver(needsOf: NeedsOf) {
  const highs = await loadHighs();
  return (where: Room, moment: readonly Seat[]): number => {
    const wants = moment.map((seat) => wantsOf(needsOf, where, seat.form));
    const keeps = moment.flatMap((_, p) => (wants[p] ? [`k${p}`] : []));
    if (keeps.length === 0) return moment.length;
    const rows: string[] = [];
    const used = where.items.map(() => [] as string[]);
    const names = new Set(keeps);
    for (const [p, list] of wants.entries())
      for (const [w, want] of (list ?? []).entries()) {
        const terms = want.pools.map((pool) => `y${p}_${w}_${pool}`);
        for (const [k, term] of terms.entries()) {
          names.add(term);
          used[want.pools[k]!]!.push(`${want.count} ${term}`);
        }
        rows.push(` w${p}_${w}: ${terms.join(' + ')} - k${p} = 0`);
      }
    used.forEach((terms, pool) => {
      if (terms.length > 0)
        rows.push(
          ` c${pool}: ${terms.join(' + ')} <= ${placesFor(where.items[pool]!.what, where.items[pool]!.count)}`,
        );
    });
    const solved = highs.solve(
      `Maximize\n obj: ${keeps.join(' + ')}\nSubject To\n${rows.length > 0 ? rows.join('\n') : ` none: ${keeps[0]} <= 1`}\nBinary\n ${[...names].join(' ')}\nEnd`,
    );
    return moment.length - Math.round(solved.ObjectiveValue);
  };
}
