import { aimSaid } from './aim.ts';
import { levelsAbreast } from './levels.ts';
import type { LineRead } from './line.ts';
import { readLine } from './lines.ts';
import type { Names, OwnWords } from './names.ts';
import {
  listedInline,
  sentencesOf,
  tableLines,
  withIntervals,
  withLetters,
  withoutBoxes,
  withoutNumbers,
} from './rows.ts';
import { atItsTime, forItsTime, isCalm, isTimeOfMoves } from './timed.ts';
import { timetable } from './timetable.ts';
import { tokensOf } from './tokens.ts';

/** As much as is read: no session is longer, and a pasted page of anything stays quick. */
const MOST_LINES = 400;
const MOST_CHARACTERS = 40_000;

/** The lines of a text, each read by itself. */
export interface TextRead {
  readonly lines: readonly LineRead[];
  /** How hard it is meant to feel is of all of it wherever it stands: no title, and no line between two others. */
  readonly aimed: readonly LineRead[];
  /** Whether a line, by its number, is a row of a table. */
  readonly inTable: (line: number) => boolean;
  /** What was too much. */
  readonly unread: readonly string[];
}

export function linesOf(names: Names, own: OwnWords, text: string): TextRead {
  const unread: string[] = [];
  const taken = text.slice(0, MOST_CHARACTERS);
  if (text.length > taken.length)
    unread.push(`everything after the first ${MOST_CHARACTERS.toLocaleString('en-GB')} characters`);
  const allRows = taken.split(/\r\n|\r|\n/);
  if (allRows.length > MOST_LINES) unread.push(`lines ${MOST_LINES + 1} to ${allRows.length}`);
  const written = withLetters(allRows.slice(0, MOST_LINES)).map((row) => withIntervals(withoutBoxes(row)));
  const times = timetable(written);
  const rows = tableLines(withoutNumbers(written.map((row, i) => times?.get(i)?.text ?? row)));
  const atTimes = new Map(
    [...(times ?? [])].map(([i]) => [i, readLine(names, i + 1, rows[i]!.text.trim(), true, own)]),
  );
  // What it begins or ends with may be called so: "0:00 warm up march, 5:00 squats".
  const bare = [...(times ?? [])].filter(([i]) => !isCalm(atTimes.get(i)!));
  const ofMoves =
    times !== null &&
    bare.length > 1 &&
    bare.every(([i, { lasts }]) => isTimeOfMoves(atTimes.get(i)!, lasts));
  const lines: LineRead[] = [];
  let fresh = true;
  rows.forEach(({ text: row, table }, i) => {
    if (row.trim() === '') {
      if (!table) fresh = true;
      return;
    }
    const timed = times?.get(i);
    if (timed) {
      const whole = atTimes.get(i)!;
      // Among movements by their times a warm-up is no part of what follows it.
      const read =
        ofMoves && isCalm(whole) ? readLine(names, i + 1, row.trim().replace(/:$/u, ''), true, own) : whole;
      lines.push(ofMoves && !isCalm(read) ? forItsTime(read, timed.lasts) : atItsTime(read, timed.lasts));
      fresh = false;
      return;
    }
    const sentences = sentencesOf(listedInline(row));
    // "How hard: 8/10" is one thing said, however it would be parted.
    const said = sentences.length > 1 && aimSaid(tokensOf(row)) ? [row.trim()] : sentences;
    said.forEach((sentence, k) => {
      const read = readLine(names, i + 1, sentence, fresh && k === 0, own, table);
      lines.push(read);
      fresh = false;
    });
  });
  const aimed = lines.filter((read) => read.facts.some((fact) => fact.is === 'aim'));
  return {
    lines: levelsAbreast(lines.filter((read) => !aimed.includes(read))),
    aimed,
    inTable: (line) => rows[line - 1]!.table,
    unread,
  };
}
