import { loadOf, outcomeWords, type Result, type SessionRecord } from './record.ts';

/** One result as a line of a table. */
export const LOG_COLUMNS = [
  'date',
  'session',
  'person',
  'there',
  'outcome',
  'handled',
  'minutes',
  'effort',
  'load',
  'clean',
  'range',
  'pain',
  'forms',
  'note',
] as const;

export type LogLine = Record<(typeof LOG_COLUMNS)[number], string>;

/** Records with only the results that are asked for; those left without any are left out. Null asks for all. */
export function recordsWith(
  records: readonly SessionRecord[],
  only: {
    readonly group: string | null;
    readonly person: string | null;
    readonly moves: readonly string[] | null;
  },
): SessionRecord[] {
  const moves = only.moves && new Set(only.moves);
  return records.flatMap((record) => {
    if (only.group !== null && record.group !== only.group) return [];
    if (only.person === null && !moves) return [record];
    const results = record.results.filter(
      (r) =>
        (only.person === null || r.person === only.person) &&
        (!moves || r.pieces.some((piece) => moves.has(piece.move))),
    );
    return results.length > 0 ? [{ ...record, results }] : [];
  });
}

/** Records as lines of a table, the newest first. `nameOf` says whose result it is. */
export function logLines(
  records: readonly SessionRecord[],
  nameOf: (result: Result) => string,
  formOf: (piece: Result['pieces'][number]) => string,
): LogLine[] {
  return [...records]
    .sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : a.id < b.id ? -1 : 1))
    .flatMap((record) =>
      record.results.map((result) => ({
        date: record.on,
        session: record.title,
        person: nameOf(result),
        there: result.present ? 'yes' : 'no',
        outcome: result.present ? outcomeWords(result) : '',
        handled: result.sign?.note ?? '',
        minutes: String(record.minutes),
        effort: result.effort === null || !result.present ? '' : String(result.effort),
        load: String(loadOf(record, result) ?? ''),
        clean: result.clean ? 'yes' : 'no',
        range: result.range,
        pain: result.pain?.where ?? '',
        forms: (result.present ? result.pieces : [])
          .map((piece) => `${formOf(piece)} ${piece.reps === null ? `${piece.seconds} s` : piece.reps}`)
          .join('; '),
        note: result.note,
      })),
    );
}

/** Lines with the letters that are looked through, made once for many questions. */
export interface LogIndex {
  readonly lines: readonly LogLine[];
  readonly letters: readonly string[];
}

export const indexLog = (lines: readonly LogLine[]): LogIndex => ({
  lines,
  letters: lines.map((line) => Object.values(line).join('\n').toLowerCase()),
});

/** Lines in which every word of a text stands somewhere; all of them for no words. */
export function findInLog(index: LogIndex, text: string): readonly LogLine[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return index.lines;
  return index.lines.filter((_, i) => words.every((word) => index.letters[i]!.includes(word)));
}
