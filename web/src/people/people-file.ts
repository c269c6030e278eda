import { type Cells, COLUMNS, type Column, cellsOf, columnOf, type Person } from '@inner-rung/core/person';
import Papa from 'papaparse';
import { saveFile } from '../ui/save-file.ts';

/** Everybody as a table; cells that a spreadsheet would run as a formula are escaped. */
function peopleTable(people: readonly Person[]): string {
  return Papa.unparse(people.map(cellsOf), { columns: [...COLUMNS], escapeFormulae: true, newline: '\r\n' });
}

export const savePeopleTable = (people: readonly Person[]): void =>
  saveFile('people.csv', 'text/csv;charset=utf-8', `\uFEFF${peopleTable(people)}`);

export interface ReadTable {
  readonly rows: readonly Cells[];
  /** Headings that mean nothing here: those columns are left out. */
  readonly unknown: readonly string[];
  /** Why nothing can be read of it; null when it can. */
  readonly problem: string | null;
}

const LARGEST = 2000;

/** Takes a CSV text apart into rows by column. */
export function readTable(text: string): ReadTable {
  const nothing = (problem: string): ReadTable => ({ rows: [], unknown: [], problem });
  const parsed = Papa.parse<string[]>(text.trim(), { skipEmptyLines: false });
  const [headings, ...lines] = parsed.data;
  const torn = parsed.errors.find((e) => e.type === 'Quotes');
  if (torn) return nothing(`Line ${(torn.row ?? 0) + 1}: a quote is opened and not closed.`);
  if (!headings || text.trim() === '') return nothing('There is nothing in it.');
  const columns = headings.map(columnOf);
  if (!columns.includes('name') || !columns.includes('born'))
    return nothing(
      `The first line has to name its columns, with “name” and “born” among them. It says: ${headings.join(', ')}.`,
    );
  const twice = columns.find((c, i) => c !== null && columns.indexOf(c) !== i);
  if (twice) return nothing(`Two columns both mean “${twice}”. Take one out.`);
  if (lines.length > LARGEST)
    return nothing(`${lines.length} rows are too many at once; ${LARGEST} at the most.`);
  return {
    rows: lines.map((line) => {
      const cells: Partial<Record<Column, string>> = {};
      // A formula that was escaped on the way out comes back as it was.
      columns.forEach((column, i) => {
        if (column) cells[column] = (line[i] ?? '').replace(/^'(?=[=+\-@\t\r])/, '');
      });
      return cells;
    }),
    unknown: headings.filter((_, i) => columns[i] === null && headings[i]!.trim() !== ''),
    problem: null,
  };
}
