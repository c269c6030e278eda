import { loadOf, outcomeWords, type Result, type SessionRecord, SLACK } from './record.ts';

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

/** What may have happened to somebody in a session, as it is looked for. */
export const HAPPENED = {
  stopped: { says: 'stopped by a sign', is: (r: Result) => r.present && r.sign !== null },
  pain: { says: 'pain', is: (r: Result) => r.present && r.pain !== null },
  part: { says: 'left, or did part of it', is: (r: Result) => r.present && (r.left || r.share < 1 - SLACK) },
  absent: { says: 'not there', is: (r: Result) => !r.present },
} as const;
export type HappenedId = keyof typeof HAPPENED;
export const HAPPENED_IDS = Object.keys(HAPPENED) as HappenedId[];

/**
 * Records with only the results that are asked for; those left without any are left out. Null asks for all; days are
 * both inclusive, as YYYY-MM-DD.
 */
export function recordsWith(
  records: readonly SessionRecord[],
  only: {
    readonly group: string | null;
    readonly person: string | null;
    readonly moves: readonly string[] | null;
    readonly from?: string | null;
    readonly to?: string | null;
    readonly happened?: HappenedId | null;
  },
): SessionRecord[] {
  const moves = only.moves && new Set(only.moves);
  const happened = only.happened ? HAPPENED[only.happened].is : null;
  return records.flatMap((record) => {
    if (only.group !== null && record.group !== only.group) return [];
    if ((only.from && record.on < only.from) || (only.to && record.on > only.to)) return [];
    if (only.person === null && !moves && !happened) return [record];
    const results = record.results.filter(
      (r) =>
        (only.person === null || r.person === only.person) &&
        (!moves || r.pieces.some((piece) => moves.has(piece.move))) &&
        (!happened || happened(r)),
    );
    return results.length > 0 ? [{ ...record, results }] : [];
  });
}

/** A day of a month as a diary shows it. */
export interface DiaryDay {
  /** YYYY-MM-DD. */
  readonly on: string;
  readonly sessions: number;
  /** Who was there, counted once a session. */
  readonly people: number;
  /** Signs and pain among them. */
  readonly incidents: number;
}

/** The days of a month ("2026-11") with what was recorded on each; all of them, from the first to the last. */
export function monthOf(records: readonly SessionRecord[], month: string): DiaryDay[] {
  const [year, nth] = month.split('-').map(Number);
  const days = new Date(Date.UTC(year!, nth!, 0)).getUTCDate();
  return Array.from({ length: days }, (_, i): DiaryDay => {
    const on = `${month}-${String(i + 1).padStart(2, '0')}`;
    const here = records.filter((record) => record.on === on);
    const there = here.flatMap((record) => record.results.filter((r) => r.present));
    return {
      on,
      sessions: here.length,
      people: there.length,
      incidents: there.filter((r) => r.sign !== null || r.pain !== null).length,
    };
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
