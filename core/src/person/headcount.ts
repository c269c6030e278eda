import { LEVELS, type LevelIndex } from './ability.ts';
import { CONDITIONS, type ConditionId, conditionsSaid } from './conditions.ts';

/** Some of a group of whom only this is known. */
export interface Part {
  readonly count: number;
  readonly conditions: readonly ConditionId[];
  readonly level: LevelIndex | null;
  /** As it was written. */
  readonly says: string;
}

export interface Headcount {
  readonly total: number;
  readonly parts: readonly Part[];
  /** What couldn't be read, as written. */
  readonly unread: readonly string[];
  readonly problem: string | null;
}

const NUMBERS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  seventeen: 17,
  eighteen: 18,
  nineteen: 19,
  twenty: 20,
};

const LEVEL_SAID: readonly (readonly [RegExp, LevelIndex])[] = [
  [/never|new|beginner|first.?tim|unfit|frail/, 0],
  [/very fit|strong|advanced|bored|athlet/, 3],
  [/fit|regular|steady/, 2],
  [/some experience|improver/, 1],
];

function numberIn(words: string): number | null {
  const digits = /(\d{1,6})/.exec(words);
  if (digits) return Number(digits[1]);
  for (const word of words.split(/[^a-z]+/)) if (NUMBERS[word] !== undefined) return NUMBERS[word]!;
  return null;
}

/** "both", "half": shares of the whole aren't counts that can be read. */
const MOST_PEOPLE = 200;

/**
 * Reads a group known only by number: "14 people, two sore knees, one no floor". The first number is
 * everybody; each part after it is some of them. What can't be read is handed back, never dropped.
 */
export function readHeadcount(text: string): Headcount {
  const pieces = text
    .toLowerCase()
    .split(/[,;\n]|\band\b|\bwith\b|\bof whom\b/)
    .map((piece) => piece.trim())
    .filter(Boolean);
  const parts: Part[] = [];
  const unread: string[] = [];
  let total: number | null = null;
  for (const piece of pieces) {
    const conditions = conditionsSaid(piece);
    const known = conditions.length > 0;
    const level = LEVEL_SAID.find(([pattern]) => pattern.test(piece))?.[1] ?? null;
    const count = numberIn(piece);
    if (
      total === null &&
      count !== null &&
      (/people|person|in all|altogether|of us|class|group|adults|clients/.test(piece) ||
        (!known && level === null))
    ) {
      total = count;
      if (known || level !== null) parts.push({ count, conditions, level, says: piece });
    } else if (known || level !== null) parts.push({ count: count ?? 1, conditions, level, says: piece });
    else unread.push(piece);
  }
  const named = parts.reduce((sum, part) => sum + part.count, 0);
  const everybody = total ?? named;
  const problem =
    everybody === 0
      ? 'Say how many people there are, such as “14 people, two sore knees, one no floor”.'
      : everybody > MOST_PEOPLE
        ? `${everybody} people are more than one session can hold (${MOST_PEOPLE} at the most).`
        : parts.some((part) => part.count > everybody)
          ? `${parts.find((part) => part.count > everybody)!.says}: more than the ${everybody} there are.`
          : null;
  return { total: everybody, parts, unread, problem };
}

/** A part in words: "2: sore knees", "1: new to this". */
export function partWords(part: Part): string {
  const what = part.conditions.map((id) => CONDITIONS[id].name.toLowerCase()).join(', ');
  const level = part.level === null ? '' : LEVELS[part.level].name.toLowerCase();
  return `${part.count}: ${[what, level].filter(Boolean).join(', ') || 'others'}`;
}
