import type { Item, LineRead } from './line.ts';

/** What a list is for one of several levels, and where it stands among them: from the easiest to the hardest. */
const LEVELS: Readonly<Record<string, number>> = {
  easier: 1,
  easy: 1,
  easiest: 1,
  low: 1,
  beginner: 1,
  beginners: 1,
  bronze: 1,
  green: 1,
  gentle: 1,
  seated: 1,
  intermediate: 2,
  middle: 2,
  medium: 2,
  moderate: 2,
  standard: 2,
  improver: 2,
  improvers: 2,
  silver: 2,
  amber: 2,
  harder: 3,
  hard: 3,
  hardest: 3,
  high: 3,
  advanced: 3,
  gold: 3,
  red: 3,
};
const NUMBERED = /^\W*(?:level|tier|option|l)\s*(\d)\b[^:\p{L}]*:/iu;
const CALLED = /^\W*(\p{L}+)(?:\s+(?:level|option|version|group))?\s*:/iu;

/** Which of several levels a line with movements is of; null where it says none. */
function levelOf(read: LineRead): number | null {
  if (read.items.length < 2 || !['tier', 'station', 'heading'].includes(read.kind)) return null;
  const nth = NUMBERED.exec(read.text)?.[1];
  if (nth) return Number(nth);
  return LEVELS[CALLED.exec(read.text)?.[1]?.toLowerCase() ?? ''] ?? null;
}

/** Most levels that anybody lists. */
const MOST = 4;

/**
 * "Level 1: chair squat, wall press-up", "Level 2: squat, press-up" and so on, a line for each level with as many
 * movements in each: one list, written at the middle level (of two the first), the others ways of it place by place.
 */
export function levelsAbreast(reads: readonly LineRead[]): LineRead[] {
  const found: LineRead[] = [];
  for (let at = 0; at < reads.length; ) {
    const first = reads[at]!;
    const levels: number[] = [];
    for (let k = at; k < reads.length && levels.length < MOST; k++) {
      const level = levelOf(reads[k]!);
      const follows = level !== null && (levels.length === 0 || level > levels.at(-1)!);
      if (!follows || reads[k]!.items.length !== first.items.length) break;
      levels.push(level);
    }
    if (levels.length < 2) {
      found.push(first);
      at++;
      continue;
    }
    const lines = reads.slice(at, at + levels.length).map((line) => ({
      ...line,
      // Which level it is says where it stands, and is no number of its movements.
      numbers: NUMBERED.test(line.text) ? line.numbers.slice(1) : line.numbers,
    }));
    const middle = levels.length > 2 ? Math.floor((levels.length - 1) / 2) : 0;
    const items = lines[middle]!.items.map(
      (item, i): Item => ({
        ...item,
        tiers: lines.flatMap((line, k) => (k === middle ? [] : [line.items[i]!.text])),
      }),
    );
    for (const [k, line] of lines.entries())
      found.push(
        k === middle
          ? { ...line, kind: 'station', tier: null, label: null, heading: null, listed: true, items }
          : { ...line, kind: 'tier', items: [] },
      );
    at += levels.length;
  }
  return found;
}
