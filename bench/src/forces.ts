import { FIGURES } from '@inner-rung/core/figure';
import type { Library } from '@inner-rung/core/ladder';
import { loadFindings, repOf } from '@inner-rung/core/mechanics';
import { poseAt, solve } from '@inner-rung/core/pose';
import { type Row, row, times } from './measure.ts';

/** Forces of a form at one setting through its rep, and what a whole library's drawings say of its loads. */
export function forceRows(library: Library): Row[] {
  const drawn = library.moves.flatMap((move) => {
    const make = FIGURES[move.id];
    const figure = make?.((move.surface?.usualCm ?? 0) / 100);
    return figure && !figure.above ? [{ move, figure }] : [];
  });
  return [
    row(
      'loads of one form at one setting, by its key poses',
      times(
        200,
        (i) => {
          const { move, figure } = drawn[(i * 7) % drawn.length]!;
          loadFindings(move, library.demand.get(move.id)!, figure);
        },
        20,
      ),
      0.3,
    ),
    row(
      'forces and moments of one form through its rep, 25 frames: the page of a move',
      times(200, (i) => repOf(drawn[(i * 7) % drawn.length]!.figure), 20),
      16,
      {
        name: 'its poses solved and nothing reckoned',
        samples: times(
          200,
          (i) => {
            const { figure } = drawn[(i * 7) % drawn.length]!;
            for (let k = 0; k <= 24; k++) solve(poseAt(figure, k / 24), figure.view);
          },
          20,
        ),
      },
    ),
    row(
      `loads of ${drawn.length} moves held against their drawings`,
      times(
        3,
        () => {
          for (const { move, figure } of drawn) loadFindings(move, library.demand.get(move.id)!, figure);
        },
        1,
      ),
      150,
    ),
  ];
}
