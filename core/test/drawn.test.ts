import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { FIGURES } from '@inner-rung/core/figure';
import { openLibrary, rungDemand } from '@inner-rung/core/ladder';
import { drawnRows } from '@inner-rung/core/mechanics';
import { DRAWN_KEYS, type DrawnKey, unsafeEnd, type WrittenFigure } from '@inner-rung/core/move';
import { shippedFiles, shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const file = join(process.cwd(), 'library/drawn.json');

const known = new Map<string, ReturnType<typeof drawnRows>>();
const rowsOf = (id: string) => {
  const move = library.move(id)!;
  const rows = known.get(id) ?? drawnRows(move, FIGURES[id]?.((move.surface?.usualCm ?? 0) / 100) ?? null);
  known.set(id, rows);
  return rows;
};
const short = (figure: WrittenFigure): WrittenFigure =>
  figure !== null && typeof figure === 'object' && !Array.isArray(figure) && figure.lo === figure.hi
    ? { lo: figure.lo, hi: figure.hi, from: figure.from }
    : figure;
const hiOf = (id: string, key: DrawnKey) => unsafeEnd(rungDemand(library, { move: id })![key]);

describe('figures that the drawings know', () => {
  const reckoned = Object.fromEntries(
    library.moves
      .map(({ id }) => id)
      .sort()
      .map((id) => [id, Object.fromEntries(DRAWN_KEYS.map((key) => [key, short(rowsOf(id)[key])]))]),
  );

  test('the library has what its drawings say (UPDATE_DOCS=1 writes it)', () => {
    if (process.env['UPDATE_DOCS']) writeFileSync(file, `${JSON.stringify({ drawn: reckoned }, null, 2)}\n`);
    expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual({ drawn: reckoned });
  });

  test('no move says less than its drawing', () => {
    const less = library.moves.flatMap(({ id }) =>
      DRAWN_KEYS.filter((key) => {
        const figure = rowsOf(id)[key];
        const drawn = figure !== null && typeof figure === 'object' && 'hi' in figure ? figure.hi : figure;
        return typeof drawn === 'number' && hiOf(id, key) < drawn;
      }).map((key) => `${id} ${key}`),
    );
    expect(less).toEqual([]);
  });

  test.each<[string, DrawnKey, number]>([
    // As a coach and a clinician would say at sight.
    ['march', 'spine.load', 0],
    ['standing-side-leg-held', 'spine.load', 0],
    ['bent-row', 'spine.load', 4],
    ['loaded-hinge', 'spine.load', 4],
    ['held-load-squat', 'spine.load', 3],
    ['shoulder-tap', 'hands.leave', 1],
    ['bird-dog', 'hands.leave', 1],
    ['push-up', 'hands.leave', 0],
    ['plank', 'hands.leave', 0],
    ['pull-up', 'hands.hang', 1],
    ['hang', 'hands.hang', 1],
    ['strap-row', 'hands.hang', 0],
    ['squat', 'hands.hang', 0],
    ['heel-raise', 'feet.edge', 0],
    ['chest-doorway', 'chest.open', 2],
    ['squat', 'chest.open', 0],
    ['crunch', 'head.under', 0],
  ])('%s: %s is %d', (id, key, level) => {
    if (!library.move(id)) throw new Error(`there is no ${id}`);
    expect(hiOf(id, key)).toBe(level);
  });
});

describe('a move without a drawing', () => {
  // The library without its file of drawn figures: all of its moves are as if nobody had drawn them.
  const bare = openLibrary(shippedFiles().filter(({ name }) => name !== 'drawn.json'));
  const own = (id: string, key: DrawnKey) => bare.demand.get(id)![key].hi ?? Number.NaN;
  test('is never at less than a drawing of it would say, of all that the library draws', () => {
    const less = library.moves.flatMap(({ id }) =>
      DRAWN_KEYS.filter((key) => own(id, key) < hiOf(id, key)).map((key) => `${id} ${key}`),
    );
    // Rows beneath a bar and folds over a chair press more than they say: of some 3,600 figures a handful.
    expect(less.length).toBeLessThan(12);
  });
  test('says the careful end of what it says of itself', () => {
    expect(own('loaded-hinge', 'spine.load')).toBe(4);
    expect(own('dead-bug', 'spine.load')).toBe(0);
    expect(own('shoulder-tap', 'hands.leave')).toBe(1);
    expect(own('lying-pull-over', 'head.under')).toBe(1);
    expect(own('march', 'feet.edge')).toBe(0);
  });
});
