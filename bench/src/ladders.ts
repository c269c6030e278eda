import { compileLibrary } from '@inner-rung/core/forms';
import { checkLadder, type Library, libraryWith, rungDemand } from '@inner-rung/core/ladder';
import { proposeBetween } from '@inner-rung/core/propose';
import { createFinder } from '@inner-rung/core/ways';
import { findMoves } from '../../web/src/features/move-search.ts';
import { libraryOf } from './generated.ts';
import { type Row, row, times } from './measure.ts';

const TYPED = ['press-up', 'jumpng jak', 'glute', 'push no wrists', 'mountin climbr', 'sofa', 'squ', 'plank'];

/** The ladder workbench: checks, proposals, a form by what must go, search. */
export function ladderRows(base: Library): Row[] {
  // A library of its own each time, so that nothing computed before is used.
  const cold = () => libraryWith(base, [], base.ladders);
  const everyCheck = times(
    25,
    () => {
      const library = cold();
      for (const ladder of library.ladders) checkLadder(library, ladder);
    },
    2,
  );
  const demandsOnly = times(
    25,
    () => {
      const library = cold();
      for (const ladder of library.ladders) for (const rung of ladder.rungs) rungDemand(library, rung);
    },
    2,
  );
  const gaps = base.ladders.flatMap((ladder) =>
    ladder.rungs.slice(1).map((_, i) => ({ ladder, above: i + 1, rung: ladder.rungs[i]! })),
  );
  const finder = createFinder(compileLibrary(base));
  const large = libraryOf(5000, base);
  findMoves(large, 'warm', 8);
  const names = large.moves.map((move) => `${move.name} ${move.twins.join(' ')}`.toLowerCase());
  return [
    row(`check all ${base.ladders.length} ladders of the library`, everyCheck, 200, {
      name: 'each rung’s demand, without checks',
      samples: demandsOnly,
    }),
    row(
      `propose rungs for a gap (${gaps.length} gaps, each once)`,
      times(gaps.length, (i) => proposeBetween(base, gaps[i]!.ladder, gaps[i]!.above)),
      50,
      {
        name: 'the nearest forms of the library, no new ones',
        samples: times(gaps.length, (i) => {
          const { move, settings } = gaps[i]!.rung;
          finder.find({
            from: settings ? { move, settings } : { move },
            without: [],
            withoutItems: [],
            by: 0.5,
            most: 6,
          });
        }),
      },
    ),
    row(
      'find a move among 5,000 by name, twin, typo, muscle, thing or limit',
      times(160, (i) => findMoves(large, TYPED[i % TYPED.length]!, 12)),
      50,
      {
        name: 'letters looked for in every name, no typos forgiven',
        samples: times(160, (i) => names.filter((name) => name.includes(TYPED[i % TYPED.length]!))),
      },
    ),
  ];
}
