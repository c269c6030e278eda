/** A row of a timetable: what stands behind its time, and how long that goes on, in seconds, where it is known. */
export interface Timed {
  readonly text: string;
  readonly lasts: number | null;
}

const AT = /^\s*(\d{1,2})[:.](\d{2})(?:\s*(?:am|pm|h)\b)?/iu;
const UNTIL = /^\s*(?:[-–—]|to|until|till)\s*(\d{1,2})[:.](\d{2})(?:\s*(?:am|pm|h)\b)?/iu;
const FROM_TO = /^\s*(\d{1,3})\s*(?:[-–—]|to)\s*(\d{1,3})\s*(?:minutes|mins?|m|['’′])?(?=[\s:])/iu;
/** "Strength 0:05-0:20: …": what it is before when it is. */
const NAMED =
  /^(\s*\p{L}[\p{L} &+/'’-]{2,40}?)[\s(,]+(\d{1,2}[:.]\d{2}\s*(?:[-–—]|to)\s*\d{1,2}[:.]\d{2})\)?\s*:?(?=\s|$)/u;
const BEHIND = /^\s*[-–—:|)]?\s+(?=[\p{L}\d])|^\s*[-–—:|]\s*(?=\p{L})/u;

/**
 * A part is a minute long at least and two hours at most, one of a clock that counts seconds a quarter of one: other
 * differences are no timetable. In seconds.
 */
const LEAST = 60;
const LEAST_BY_SECONDS = 15;
const MOST = 7200;

interface Mark {
  readonly row: number;
  readonly from: number;
  readonly to: number | null;
  /** Where what is done begins. */
  readonly behind: number;
}

/** Minutes and seconds where it begins at nothing, else hours and minutes; in seconds. */
const inSeconds = (big: number, small: number, fromNothing: boolean) =>
  fromNothing ? big * 60 + small : big * 3600 + small * 60;

function clockMarks(rows: readonly string[]): Mark[] {
  const found = rows.flatMap((text, row) => {
    const at = AT.exec(text);
    if (!at || Number(at[2]) > 59 || Number(at[1]) > 90) return [];
    const rest = text.slice(at[0].length);
    const until = UNTIL.exec(rest);
    const after = until ? rest.slice(until[0].length) : rest;
    const gap = BEHIND.exec(after);
    return gap ? [{ row, at, until, behind: text.length - after.length + gap[0].length }] : [];
  });
  // Minutes and seconds, unless it never comes to a minute: "0:05-0:20" of a class is in hours.
  const minutes = found.flatMap(({ at, until }) => [Number(at[1]), Number(until?.[1] ?? 0)]);
  const fromNothing = minutes[0] === 0 && Math.max(...minutes) > 0;
  return found.map(({ row, at, until, behind }) => ({
    row,
    from: inSeconds(Number(at[1]), Number(at[2]), fromNothing),
    to: until ? inSeconds(Number(until[1]), Number(until[2]), fromNothing) : null,
    behind,
  }));
}

/** Minutes from nothing on, each beginning where the one before ends: "1 - 10 squats" is none of them. */
function spanMarks(rows: readonly string[]): Mark[] {
  const marks = rows.flatMap((text, row) => {
    const at = FROM_TO.exec(text);
    const rest = at ? text.slice(at[0].length) : '';
    const gap = at ? BEHIND.exec(rest) : null;
    return at && gap
      ? [
          {
            row,
            from: Number(at[1]) * 60,
            to: Number(at[2]) * 60,
            behind: at[0].length + gap[0].length,
          },
        ]
      : [];
  });
  return marks.every(({ from }, i) => from === (i === 0 ? 0 : marks[i - 1]!.to)) ? marks : [];
}

/** From its own end, else until the next begins; null where it is the last or makes no sense. */
function lasting(marks: readonly Mark[], i: number, least: number): number | null {
  const { from, to } = marks[i]!;
  const until = to ?? marks[i + 1]?.from ?? null;
  if (until === null) return null;
  // Past noon on a clock of twelve hours.
  const lasts = until >= from ? until - from : until + 12 * 3600 - from;
  return lasts >= least && lasts <= MOST ? lasts : null;
}

/**
 * "9:35 Warm-up", "0:00–5:00 march", "5-25 min: circuit": rows by the time at which each begins, as they are without
 * it; null where the text is no timetable. What stands behind a time keeps its place in the row.
 */
export function timetable(written: readonly string[]): ReadonlyMap<number, Timed> | null {
  // Its name goes behind its time, as in any other; each row keeps its length.
  const named = written.map((row) => {
    const [all, name, time] = NAMED.exec(row) ?? [];
    return all ? `${time} ${name!.trim()}:`.padEnd(all.length) + row.slice(all.length) : row;
  });
  const rows = named.filter((row, i) => row !== written[i]).length >= 2 ? named : written;
  for (const marks of [clockMarks(rows), spanMarks(rows)]) {
    const bySeconds = marks.length > 2 && marks[0]!.from === 0 && marks.some(({ from }) => from % 60 > 0);
    const times = marks.map((_, i) => lasting(marks, i, bySeconds ? LEAST_BY_SECONDS : LEAST));
    const follow = marks.every(
      ({ from }, i) =>
        i === 0 || marks[i - 1]!.to === null || from === marks[i - 1]!.to || from > marks[i - 1]!.from,
    );
    // One end alone may be unknown: that of the last.
    if (marks.length < 2 || !follow || times.slice(0, -1).some((time) => time === null)) continue;
    return new Map(
      marks.map(({ row, behind }, i) => {
        const text = ' '.repeat(behind) + rows[row]!.slice(behind);
        const names = text.trim().split(/\s+/).length <= 5 && !/[:,(]|\s[-–—]\s|\d/.test(text);
        return [row, { text: names ? `${text.trimEnd()}:` : text, lasts: times[i]! }];
      }),
    );
  }
  return null;
}
