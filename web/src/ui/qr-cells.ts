import { create } from 'qrcode';

const QUIET = 3;

/** A code for a phone's camera as rows of 0 and 1, its quiet edge with it; made here and told nobody. */
export function qrCells(text: string): readonly string[] {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const size = modules.size + 2 * QUIET;
  return Array.from({ length: size }, (_, row) =>
    Array.from({ length: size }, (_, column) => {
      const [y, x] = [row - QUIET, column - QUIET];
      const inside = y >= 0 && x >= 0 && y < modules.size && x < modules.size;
      return inside && modules.get(y, x) ? '1' : '0';
    }).join(''),
  );
}

/** Rows of 0 and 1 as one path of unit squares. */
export const cellsPath = (cells: readonly string[]): string =>
  cells
    .flatMap((row, y) =>
      [...row.matchAll(/1+/g)].map((run) => `M${run.index} ${y}h${run[0].length}v1h-${run[0].length}z`),
    )
    .join('');
