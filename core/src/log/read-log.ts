import * as z from 'zod';
import type { FormRef } from '../move/index.ts';
import type { Person } from '../person/index.ts';
import { openRecord, slugOf } from '../record/index.ts';
import { LOG_COLUMNS } from './lines.ts';
import {
  newResultId,
  RANGES,
  type Result,
  readOutcome,
  recordSchema,
  resultSchema,
  SESSION_RECORD,
  type SessionRecord,
} from './record.ts';

/** What becomes of a line of a table, the heading being line 1. */
interface LineFate {
  readonly line: number;
  readonly is: 'new' | 'here already' | 'refused';
  readonly who: string;
  readonly says: readonly string[];
}

export interface LogRead {
  /** Records that are new, or have results more than they had. */
  readonly put: readonly SessionRecord[];
  readonly fates: readonly LineFate[];
  /** Why nothing can be read of it; null when it can. */
  readonly problem: string | null;
  /** Columns that mean nothing here; what stands in them goes into the note. */
  readonly unknown: readonly string[];
}

const NEEDED = ['date', 'session', 'person'] as const;
const KNOWN = new Set<string>(LOG_COLUMNS);

/** Yes or no in words; null where it is neither. */
const yes = (said: string, empty: boolean): boolean | null =>
  said === '' ? empty : /^(yes|y|true|1)$/i.test(said) ? true : /^(no|n|false|0)$/i.test(said) ? false : null;

/**
 * A table of results taken apart: every line's fate is said, and nothing is written. A line with something that can't
 * be (effort 11, a result of somebody who wasn't there) is refused whole, with what and where. `formOf` finds a form
 * by the name it has in a table. Results that are here already stay as they are.
 */
export function readLogTable(
  rows: readonly Readonly<Record<string, string>>[],
  here: readonly SessionRecord[],
  people: readonly Person[],
  formOf: (name: string) => FormRef | null,
): LogRead {
  const columns = Object.keys(rows[0] ?? {});
  const unknown = columns.filter((c) => !KNOWN.has(c.trim().toLowerCase()));
  const has = new Map(columns.map((c) => [c.trim().toLowerCase(), c]));
  const missing = NEEDED.filter((column) => !has.has(column));
  if (missing.length > 0)
    return {
      put: [],
      fates: [],
      unknown: [],
      problem:
        rows.length === 0
          ? 'There is no line in it.'
          : `There is no column ${missing.map((c) => `“${c}”`).join(', ')}. The first line names the columns: ${LOG_COLUMNS.join(', ')}. It says: ${columns.join(', ')}.`,
    };
  const byName = new Map(people.map((p) => [p.name.toLowerCase(), p]));
  const records = new Map<string, SessionRecord>();
  const keyOf = (on: string, title: string) => `${on} ${title.toLowerCase()}`;
  for (const record of here) records.set(keyOf(record.on, record.title), record);
  const changed = new Set<string>();
  const nameIn = (result: Result) =>
    (people.find((p) => p.id === result.person)?.name ?? result.known).toLowerCase();

  const fates = rows.map((row, i): LineFate => {
    const line = i + 2;
    const cell = (column: (typeof LOG_COLUMNS)[number]) => (row[has.get(column) ?? ''] ?? '').trim();
    const says: string[] = [];
    const who = cell('person');
    const refused = (...why: string[]): LineFate => ({ line, is: 'refused', who, says: why });
    if (!who) return refused('person: whose result is it?');
    if (!z.iso.date().safeParse(cell('date')).success)
      return refused(`date: “${cell('date')}” isn’t a day as 2026-11-24`);
    if (!cell('session')) return refused('session: which one?');
    const problems: string[] = [];
    const number = (column: 'minutes' | 'effort', most: number, whole: boolean): number | null => {
      const text = cell(column);
      if (text === '') return null;
      const value = Number(text);
      if (!Number.isFinite(value) || value < 0 || value > most || (whole && !Number.isInteger(value))) {
        problems.push(`${column}: “${text}” isn’t ${whole ? 'a whole number ' : ''}from 0 to ${most}`);
        return null;
      }
      return value;
    };
    const flag = (column: 'there' | 'clean'): boolean => {
      const read = yes(cell(column), true);
      if (read === null) problems.push(`${column}: “${cell(column)}” is neither yes nor no`);
      return read ?? true;
    };
    const present = flag('there');
    const clean = flag('clean');
    const effort = number('effort', 10, true);
    const minutes = number('minutes', 600, false);
    const range = (cell('range').toLowerCase() || 'full') as Result['range'];
    if (!RANGES.includes(range)) problems.push(`range: “${cell('range')}” is none of ${RANGES.join(', ')}`);
    const written = cell('forms')
      .split(';')
      .map((text) => text.trim())
      .filter(Boolean);
    if (!present && (effort !== null || written.length > 0))
      problems.push('there: they weren’t, and yet there is a result');
    if (problems.length > 0) return refused(...problems);
    const outcome = readOutcome(cell('outcome'), cell('handled'));
    if (!outcome) return refused(`outcome: “${cell('outcome')}” is none that is known`);
    const left: string[] = [];
    const pieces = written.flatMap((text, entry): Result['pieces'] => {
      const [, name, much, unit] = /^(.*?)\s+(\d+)(\s*s)?$/.exec(text) ?? [];
      const form = name ? formOf(name) : null;
      if (!form || much === undefined) {
        left.push(text);
        return [];
      }
      const many = Number(much);
      return [
        {
          entry,
          ...form,
          seconds: unit ? many : 0,
          reps: unit ? null : many,
          counted: true,
        },
      ];
    });
    if (left.length > 0) says.push(`not among the moves here, kept in the note: ${left.join('; ')}`);
    const more = unknown.flatMap((column) =>
      row[column]?.trim() ? [`${column}: ${row[column]!.trim()}`] : [],
    );
    const file = byName.get(who.toLowerCase());
    if (!file) says.push('nobody here by that name: kept by name alone');
    const key = keyOf(cell('date'), cell('session'));
    const record = records.get(key);
    const read = resultSchema.safeParse({
      id: newResultId(record?.results ?? []),
      person: file?.id ?? null,
      known: file ? '' : who,
      present,
      effort,
      clean,
      range,
      pain: cell('pain') ? { where: cell('pain'), note: '' } : null,
      ...outcome,
      note: [cell('note'), ...left, ...more].filter(Boolean).join('; ').slice(0, 1000),
      pieces,
      counts: [],
    });
    if (!read.success) {
      const [first] = read.error.issues;
      return refused(`${first!.path.join('.')}: ${first!.message}`);
    }
    if (record?.results.some((result) => nameIn(result) === who.toLowerCase()))
      return { line, is: 'here already', who, says: ['left as it is'] };
    records.set(
      key,
      record
        ? { ...record, results: [...record.results, read.data] }
        : {
            version: 2,
            id: `read-${cell('date')}-${slugOf(cell('session'), 40, 'session')}`,
            run: null,
            plan: null,
            title: cell('session').slice(0, 120),
            group: null,
            on: cell('date'),
            minutes: minutes ?? 0,
            results: [read.data],
          },
    );
    changed.add(key);
    return { line, is: 'new', who, says };
  });
  return { put: [...changed].map((key) => records.get(key)!), fates, unknown, problem: null };
}

/** A log as a file: everything as it is kept. */
export const logFile = (records: readonly SessionRecord[]): string =>
  `${JSON.stringify({ kind: 'log', version: 1, records }, null, 1)}\n`;

export interface RecordFate {
  readonly record: SessionRecord | null;
  readonly is: 'new' | 'here already' | 'otherwise here' | 'refused';
  readonly says: string;
}

/** A log's file taken apart: every record's fate, nothing written. Null where it is no such file. */
export function readLogFile(raw: unknown, here: readonly SessionRecord[]): RecordFate[] | null {
  const file = z.object({ kind: z.literal('log'), records: z.array(z.unknown()) }).safeParse(raw);
  if (!file.success) return null;
  return file.data.records.map((one, i): RecordFate => {
    const read = openRecord(SESSION_RECORD, one);
    if (!read.ok)
      return { record: null, is: 'refused', says: `record ${i + 1}: ${read.where}: ${read.message}` };
    const known = here.find((record) => record.id === read.value.id);
    const says = `${read.value.on}, ${read.value.title}`;
    if (!known) return { record: read.value, is: 'new', says };
    // In the order of the schema, whatever order the one that is here was written in.
    const written = known && recordSchema.safeParse(known);
    const same = JSON.stringify(written?.data ?? known) === JSON.stringify(read.value);
    return { record: read.value, is: same ? 'here already' : 'otherwise here', says };
  });
}
