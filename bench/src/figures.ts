import { FIGURES, shapesOf } from '@inner-rung/core/figure';
import type { Library } from '@inner-rung/core/ladder';
import { type PersonCard, personCards } from '@inner-rung/core/paper';
import { solve } from '@inner-rung/core/pose';
import { toPdf, typeOf } from '../../web/src/paper/pdf.ts';
import { FONTS } from '../../web/test/type-on-disk.ts';
import { type Row, row, times } from './measure.ts';

const CARDS = 30;
const MOVING = 60;

/** Figures solved and drawn, many at once, and a class's cards as a PDF. */
export async function figureRows(library: Library): Promise<Row[]> {
  const figures = library.moves.flatMap((move) => {
    const make = FIGURES[move.id];
    return make ? [make((move.surface?.usualCm ?? 0) / 100)] : [];
  });
  const { measure } = typeOf(FONTS);
  const cards = Array.from(
    { length: CARDS },
    (_, i): PersonCard => ({
      name: `P ${i}`,
      session: 'Tuesday ten',
      whole: '20:20',
      effort: 'How hard: up to 6 of 10.',
      lines: Array.from({ length: 10 }, (_, k) => ({
        number: String(k + 1),
        form: 'Push-up, hands raised, 43 cm',
        dose: 'about 12',
        cues: ['Hands just wider than the chest'],
        easier: 'wall push-up',
        harder: 'push-up',
        figure: figures[(i * 10 + k) % figures.length]!,
      })),
      care: ['Stop at sharp knee pain.'],
      ready: ['chair'],
      stop: 'Stop at chest pain.',
    }),
  );
  const pdf: number[] = [];
  for (let i = 0; i < 4; i++) {
    const start = performance.now();
    await toPdf(personCards(cards, 'A4', measure), 'Tuesday ten', FONTS);
    if (i > 0) pdf.push(performance.now() - start);
  }
  const plain = times(400, (i) => {
    const figure = figures[i % figures.length]!;
    solve(figure.poses[0]!, figure.view);
  });
  return [
    row(
      'a figure solved and drawn at a moment of its rep',
      times(800, (i) => shapesOf(figures[i % figures.length]!, (i % 97) / 97)),
      1,
      { name: 'a key pose alone, not drawn', samples: plain },
    ),
    row(
      `${MOVING} figures moving at once, one frame of script`,
      times(120, (i) => {
        for (let k = 0; k < MOVING; k++) {
          const figure = figures[(k * 7) % figures.length]!;
          shapesOf(figure, ((i + k) % 60) / 60);
        }
      }),
      16,
    ),
    row(`${CARDS} cards of ten stations laid out and made a PDF`, pdf, 5000),
  ];
}
