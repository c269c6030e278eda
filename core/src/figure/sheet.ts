import { type Library, rungDemand } from '../ladder/index.ts';
import { faultsOf } from '../pose/index.ts';
import { figureFindings } from './facts.ts';
import { shownFor } from './shown.ts';

/** How many moves have a figure of their own, are shown by their nearest or not at all, and what is wrong with any. */
export interface SheetChecked {
  readonly own: number;
  readonly near: number;
  readonly none: number;
  /** By move, in words; none for a move whose drawing and data agree. */
  readonly says: Readonly<Record<string, readonly string[]>>;
}

/** Every move's drawing held against its own data, and against what a body can do. */
export function checkFigures(library: Library): SheetChecked {
  const says: Record<string, readonly string[]> = {};
  let [own, near, none] = [0, 0, 0];
  for (const move of library.moves) {
    const shown = shownFor(library, { move: move.id });
    if (!shown) none++;
    else if (shown.like) near++;
    else {
      own++;
      const demand = rungDemand(library, { move: move.id });
      const findings = demand ? figureFindings(move, demand, shown.figure) : [];
      const found = [...findings.map((f) => `${f.what}: ${f.says}`), ...faultsOf(shown.figure)];
      if (found.length > 0) says[move.id] = found;
    }
  }
  return { own, near, none, says };
}
