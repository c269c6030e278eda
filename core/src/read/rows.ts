import { TIERS } from './line-words.ts';

const HEADS_OF_COLUMNS: Readonly<
  Record<
    string,
    'name' | 'reps' | 'sets' | 'rest' | 'time' | 'load' | 'note' | 'number' | 'easier' | 'harder'
  >
> = {
  exercise: 'name',
  move: 'name',
  movement: 'name',
  station: 'name',
  name: 'name',
  activity: 'name',
  drill: 'name',
  reps: 'reps',
  rep: 'reps',
  repetitions: 'reps',
  count: 'reps',
  sets: 'sets',
  set: 'sets',
  rounds: 'sets',
  rest: 'rest',
  recovery: 'rest',
  off: 'rest',
  time: 'time',
  work: 'time',
  seconds: 'time',
  secs: 'time',
  duration: 'time',
  on: 'time',
  weight: 'load',
  load: 'load',
  kg: 'load',
  notes: 'note',
  note: 'note',
  cue: 'note',
  comments: 'note',
  easier: 'easier',
  easy: 'easier',
  regression: 'easier',
  beginner: 'easier',
  beginners: 'easier',
  low: 'easier',
  'low impact': 'easier',
  modification: 'easier',
  harder: 'harder',
  hard: 'harder',
  progression: 'harder',
  advanced: 'harder',
  'high impact': 'harder',
  '#': 'number',
  no: 'number',
  nr: 'number',
  number: 'number',
  order: 'number',
};

const PAIRED = /^\s*[A-F][1-4]\b/u;
/** "A Back squat" beside "B1 …, B2 …": a letter of its own is the label of a line, and no part of its name. */
export const withLetters = (rows: readonly string[]): string[] =>
  rows.some((row) => PAIRED.test(row))
    ? rows.map((row) => row.replace(/^(\s*[A-F])(?=\s+\p{L})/u, '$1)'))
    : [...rows];

const FRAMED = /^\s*\|.*\|\s*$/;
/** What stands in each column of a row; the row itself where it has none. */
function cellsOf(row: string, by = '|'): string[] {
  const cells = row.includes('\t')
    ? row.split('\t')
    : by !== '|'
      ? row.split(by)
      : FRAMED.test(row)
        ? row.trim().slice(1, -1).split('|')
        : row.split('|');
  return cells.map((cell) => cell.trim());
}
/** What the columns are of, where a row says so. */
function headsOf(cells: readonly string[]): (string | undefined)[] | null {
  const heads = cells.map((cell) => {
    // "Station 1: press-ups" is no head of a column.
    const said = cell.includes(':') ? cell : cell.toLowerCase().replace(/[^a-z#].*$/, '');
    return HEADS_OF_COLUMNS[cell.toLowerCase()] ?? HEADS_OF_COLUMNS[said];
  });
  const known = heads.filter(Boolean).length;
  if (known < 2 || known < cells.filter(Boolean).length) return null;
  if (heads.includes('name') && heads.includes('time')) {
    const at = heads.indexOf('name');
    // "Station | Work | Rest": under "work" stands what is done, where the stations only have numbers.
    if (cells[at]!.toLowerCase() === 'station' && !heads.some((head, i) => head === 'name' && i !== at)) {
      const work = cells.findIndex((cell) => cell.toLowerCase() === 'work');
      const ways = heads.some((head) => head === 'easier' || head === 'harder');
      if (work >= 0 && ways)
        return heads.map((head, i) => (i === at ? 'number' : i === work ? 'name' : head));
    }
  }
  return heads.includes('name') ? heads : null;
}

/** Rows of a table as lines a trainer might have written: "Squat, 12 reps, 30 s rest". */
export function tableLines(rows: readonly string[]): { text: string; table: boolean }[] {
  let by = '|';
  let columns: readonly (string | undefined)[] | null = null;
  return rows.map((written) => {
    // "Squats / rest": the rest is the clock's.
    const row = written.replace(/\s*\/\s*rest\s*$/i, '');
    // Saved from a spreadsheet: heads with commas between, and as many cells below.
    const commas = cellsOf(row, ',');
    if (by === '|' && commas.length >= 2 && headsOf(commas)) by = ',';
    else if (by === ',' && columns && commas.length !== columns.length) by = '|';
    const cells = cellsOf(row, by);
    if (cells.length < 2) {
      if (row.trim() !== '') columns = null;
      return { text: row, table: false };
    }
    const heads = headsOf(cells);
    if (heads) {
      columns = heads;
      return { text: '', table: true };
    }
    // Without its frame and its heads a line with strokes in it is a line.
    if (columns === null && !row.includes('\t') && !FRAMED.test(row)) return { text: row, table: false };
    if (cells.every((cell) => /^[-:\s]*$/.test(cell))) return { text: '', table: true };
    const inCell = (cell: string, i: number): string[] => {
      if (cell === '' || cell === '-' || cell === '–') return [];
      const bare = /^\d+$/.test(cell);
      switch (columns?.[i]) {
        case 'number':
          return [];
        case 'reps':
          return [bare ? `${cell} reps` : cell];
        case 'sets':
          return [bare ? `${cell} sets` : cell];
        case 'rest':
          return [`${bare ? `${cell} s` : cell} rest`];
        case 'time':
          return [bare ? `${cell} s` : cell];
        case 'load':
          return [bare ? `${cell} kg` : cell];
        case 'easier':
        case 'harder':
          return [`${columns![i]}: ${cell}`];
        case 'note':
          return [];
        default:
          return i === 0 && bare && cells.length > 1 ? [] : [cell];
      }
    };
    // Easier and harder ways last: what stands behind one is said of it.
    const isWay = (i: number) => columns?.[i] === 'easier' || columns?.[i] === 'harder';
    // How often and how many stand behind the name, as on a line: "Plank 3 x 30s".
    const cellOf = (head: string) => cells[columns?.indexOf(head) ?? -1] ?? '';
    const nameAt = columns?.indexOf('name') ?? -1;
    const [often, many] = [cellOf('sets'), cellOf('reps')];
    const both = nameAt >= 0 && /^\d+$/.test(often) && /^\d/.test(many);
    const says = (cell: string, i: number) => {
      if (!both) return inCell(cell, i);
      if (i === nameAt) return [`${cell} ${often} x ${many}`];
      return columns![i] === 'sets' || columns![i] === 'reps' ? [] : inCell(cell, i);
    };
    const said = cells.map((cell, i) => ({ way: isWay(i), says: says(cell, i) }));
    const ordered = [...said.filter(({ way }) => !way), ...said.filter(({ way }) => way)];
    return { text: ordered.flatMap((one) => one.says).join(', '), table: true };
  });
}

/** "R1 jab cross", "R2 hooks": letters that pair nothing, with numbers that count; null where there are none. */
function ofOneLetter(rows: readonly string[]): string[] | null {
  const marked = rows.map((row) => /^\s*([I-Z])(\d{1,2})[.):]?\s+(?=\p{L})/iu.exec(row));
  const letters = new Set(marked.flatMap((found) => (found ? [found[1]!.toLowerCase()] : [])));
  const numbers = marked.flatMap((found) => (found ? [Number(found[2])] : []));
  const counts = numbers.length >= 2 && numbers.every((n, i) => n === i + 1);
  if (letters.size !== 1 || !counts) return null;
  return rows.map((row, i) => (marked[i] ? `• ${row.slice(marked[i]![0].length)}` : row));
}

/** Lines numbered "1 - ", "2 - " or "1 ", "2 " and so on, without their numbers: one by itself may be a count. */
export function withoutNumbers(written: readonly string[]): string[] {
  // "C Calf raises" below A1 and B1 is the only one of its letter.
  const lettered = [1, 2].every((n) => written.some((row) => new RegExp(`^\\s*[A-H]${n}\\b`, 'i').test(row)));
  const named = ofOneLetter(written);
  const rows =
    named ??
    (lettered
      ? written.map((row) => row.replace(/^(\s*[A-H])[.)](?= +\p{L})|^(\s*[B-H])(?= +\p{L})/u, '$1$21'))
      : written);
  for (const [sign, counts] of [
    [/^\s*(\d{1,2})\s*[-–—]\s+(?=[\p{L}\d])/u, false],
    // "7 times through" is of all of them, though six stand before it.
    [
      /^ *(\d{1,2}) +(?!o['’]?clock|x\b|(?:time|round|lap|set|circuit|min|sec|rep|loop|go)[a-z]*\b)(?=\p{L})/iu,
      true,
    ],
  ] as const) {
    const numbered = rows.map((row) => sign.exec(row));
    let next = 1;
    const run: number[] = [];
    numbered.forEach((found, i) => {
      if (!found || Number(found[1]) !== next) return;
      run.push(i);
      next++;
    });
    if (run.length < 3) continue;
    const behind = (i: number) => rows[i]!.slice(numbered[i]![0].length);
    // "1 burpee, 2 squats, 3 lunges" are so many of each: one is one, and more are more.
    const ofSomething = run.every((i, k) => /^[^,(;–-]*?s\b/.test(behind(i)) === k > 0);
    if (counts && ofSomething) continue;
    return rows.map((row, i) => (run.includes(i) ? `• ${behind(i)}` : row));
  }
  return [...rows];
}

/** "20-10 x 8": seconds of work and of rest, written as an interval is; so many times as long as the rest or longer. */
export const withIntervals = (text: string): string =>
  text.replace(/\b(\d?[05])-(\d?[05])(?= ?[x×] ?\d)/gu, (said, work, rest) =>
    Number(work) > Number(rest) && Number(rest) >= 5 && Number(work) + Number(rest) >= 30
      ? `${work}/${rest}`
      : said,
  );

/**
 * A number in a box, as phones write it, is a number: "1️⃣ squats"; what only says that a sign is a picture is a space.
 * Each keeps its length.
 */
export const withoutBoxes = (text: string): string =>
  text
    .replace(/(\d)(\uFE0F?)\u20E3/gu, (_, digit, joiner) => `${digit}.${joiner ? ' ' : ''}`)
    .replace(/\uFE0F/gu, ' ');

/** What parts movements on one line, and which it is: "1) … 2) …", "A) … B) …", "T1 … / T2 …". */
const INLINE: readonly { readonly mark: RegExp; readonly nth: (found: RegExpExecArray) => number }[] = [
  { mark: /(?<=^|[\s:;,])(\d{1,2})[).](?=\s+\p{L}|\s*\d+\s)/gu, nth: (found) => Number(found[1]) },
  {
    mark: /(?<=^|[\s:;,.])([a-h])(?:\)(?=\s*\p{L}|\s*\d+\s)|[.:](?=\s+(?:\p{L}|\d)))/giu,
    nth: (found) => found[1]!.toLowerCase().charCodeAt(0) - 'a'.charCodeAt(0) + 1,
  },
  { mark: /(?<=^|[\s:;,/|])[a-z](\d{1,2})[.:)]?(?=\s+\p{L})/giu, nth: (found) => Number(found[1]) },
];

const COUNTED =
  /\p{L}{3}\S* [x×] ?\d|^\W*\d{1,3} (?!(?:sec|min|s|m|work|rest|on|off|round|set|lap|time|x|rep)[a-z]*\b)\p{L}{4}/iu;
/** "Squats x 15 / Push-ups x 12 / Rows / Plank": more strokes than anybody has levels part a list. */
const strokesApart = (row: string): string => {
  const pieces = row.split(/ [/|] /u);
  const words = pieces.filter((piece) => /\p{L}{3}/u.test(piece)).length;
  // "Climbers / squat jumps alternate": turn and turn about.
  const turns = /[\s,(]+(?:alternat(?:e|ing|ed)|in turn)\W*$/iu.exec(row);
  if (turns && pieces.length >= 2 && words === pieces.length)
    return row.slice(0, turns.index).replace(/ [/|] /gu, ' , ');
  // "Squat x 10 / press-up x 10": with a count each they are two things to do.
  if (pieces.length >= 2 && words === pieces.length && pieces.every((piece) => COUNTED.test(piece)))
    return row.replace(/ [/|] /gu, ' , ');
  return pieces.length >= 4 && words === pieces.length && pieces.some((piece) => /\d| [LR]$/u.test(piece))
    ? row.replace(/ [/|] /gu, ' , ')
    : row;
};

/** Fewer numbers than these on a line are counts: "1 squat 2 lunges". */
const FEWEST_NUMBERED = 4;
/** "1 squats 2 press ups 3 lunges 4 dips": numbers that count on from one, the first of them of several. */
function numberedInline(row: string): string {
  const marks = [...row.matchAll(/(?<=^|[\s,;])(\d{1,2})\s+(?=\p{L}{3})/gu)];
  const counts = marks.length >= FEWEST_NUMBERED && marks.every((mark, i) => Number(mark[1]) === i + 1);
  const [first, second] = marks;
  if (!counts || first!.index > 0 || !/s\b[^\d]*$/u.test(row.slice(0, second!.index))) return row;
  return marks.reduceRight(
    (found, mark, i) =>
      found.slice(0, mark.index) +
      (i === 0 ? ' ' : ';').padEnd(mark[0].length) +
      found.slice(mark.index + mark[0].length),
    row,
  );
}

/** "1) squats 2) lunges 3) plank" on one line: its numbers part what stands between them. Each keeps its length. */
export function listedInline(row: string): string {
  const marks = INLINE.map(({ mark, nth }) => ({ found: [...row.matchAll(mark)], nth })).find(
    ({ found, nth }) =>
      found.length >= 2 &&
      found.every((one, i) => nth(one) === i + 1) &&
      // "P1 squats, P2 planks" are two people.
      !(found.length === 2 && found.every(([said]) => /^p/iu.test(said))) &&
      // Labels of one letter: "P1 …, S2 …" are of two kinds.
      new Set(found.map(([said]) => said.toLowerCase().replace(/[^a-z]|^[a-h][).:]$/g, ''))).size === 1,
  )?.found;
  if (!marks) return strokesApart(numberedInline(row));
  let found = row;
  marks.forEach((mark, i) => {
    // At the very front a number is a bullet, and read as one; "T1" isn't.
    if (mark.index === 0 && /^\d|^[a-h][).:]/i.test(mark[0])) return;
    const parts = mark.index === 0 && i === 0 ? ' ' : ';';
    found =
      found.slice(0, mark.index) + parts.padEnd(mark[0].length) + found.slice(mark.index + mark[0].length);
  });
  // A stroke between two labels parts nothing more than they do.
  return found.replace(/\/(?=\s*;)/g, ' ');
}

const SHORTENED = new Set([
  'min',
  'mins',
  'sec',
  'secs',
  'approx',
  'e.g',
  'i.e',
  'etc',
  'no',
  'ex',
  'max',
  'incl',
  'alt',
  'vs',
  'rep',
  'reps',
  'st',
]);
/** Where an easier or harder way begins in the middle of a line: "push-up | easier: wall push-up". */
const WAY_BEGINS = new RegExp(`[\\s,;|(–—-]+(?=(?:${Object.keys(TIERS).join('|')})s?\\s*:)`, 'giu');

/** "Press-ups - beginners on knees, advanced clap": for whom, and how, with no colon between. */
const FOR_WHOM =
  /(?<=\p{L}[^,;:()]*?)\s*[-–—,;]\s+(?=(?:for )?(?:beginners?|improvers?|advanced|easier|harder|easy|hard)\s+(?!only\b|and\b|or\b|version\b|option\b|to\b|is\b)\p{L}[^:]*$)/giu;
const EASIER_AND_HARDER =
  /\b(?:beginners?|easier|easy)\s+\p{L}[^:]*\b(?:advanced|harder|hard)\s+\p{L}|\b(?:advanced|harder|hard)\s+\p{L}[^:]*\b(?:beginners?|easier|easy)\s+\p{L}/iu;
const forWhomApart = (text: string): string[] =>
  EASIER_AND_HARDER.test(text) && !/\d\s*\/\s*\d/u.test(text)
    ? text.split(FOR_WHOM).map((one, i) => (i === 0 ? one : one.replace(/^(?:for )?(\p{L}+)\s+/iu, '$1: ')))
    : [text];

/** "Push-up | easier: wall push-up" in its pieces; in brackets a way is said of what stands before them. */
const withWaysApart = (text: string): string[] =>
  /[([][^)\]]*:[^)\]]*[)\]]/u.test(text) ? [text] : text.split(WAY_BEGINS);

/** "5 x (march, step-ups), then 10 squats": what comes after rounds in brackets is none of them. */
const AFTER_ROUNDS =
  /(?<=\b\d{1,2}\s*(?:x|×|times|rounds?(?: of)?)\s*\([^()]{3,200}\))[,;.]?\s+(?:and\s+)?then\s+(?=\S)/giu;

/** "45 on, 15 off, effort 7 out of 10": how hard it is meant to feel is said of all of it. */
const EFFORT_BEHIND = /[,;]\s*(?=(?:target )?(?:effort|intensity)\b[^,;]*\d)/giu;

/** A line in its sentences: a full stop ends one where a new one plainly begins. */
export function sentencesOf(text: string): string[] {
  const found: string[] = [];
  let begun = 0;
  for (let i = 1; i < text.length - 2; i++) {
    if (!'.!?'.includes(text[i]!) || text[i + 1] !== ' ' || text[i - 1] === '.' || text[i + 2] === '.')
      continue;
    const before = text.slice(begun, i).split(/[\s(]/).at(-1)!.toLowerCase();
    if (
      /^[a-z]?\d{1,2}[a-z]?$|^\d+$|^[a-z]$/.test(before) &&
      text.slice(begun, i).trim().toLowerCase() === before
    )
      continue;
    if (SHORTENED.has(before) || before === '') continue;
    found.push(text.slice(begun, i + 1));
    begun = i + 2;
  }
  found.push(text.slice(begun));
  return found
    .flatMap((one) => one.split(AFTER_ROUNDS))
    .flatMap((one) => one.split(EFFORT_BEHIND))
    .flatMap(withWaysApart)
    .flatMap(forWhomApart)
    .map((one) => one.trim())
    .filter(Boolean);
}
