import type { ConditionId, LevelIndex, Side } from '../person/index.ts';
import type { Token } from './tokens.ts';
import type { Meaning, meaningsOf } from './who-words.ts';

const LEADS_ON = new Set(
  'with has have having on for the a an of in to at is are was and who that had get use by from'.split(' '),
);

/** A condition that was named, of one side where that was said. */
export interface SaidCondition {
  readonly id: ConditionId;
  readonly side?: Exclude<Side, 'both'>;
}

/** What one clause says: so many people, and what of them. */
export interface Clause {
  count: number | null;
  share: 'some' | 'most' | 'all' | 'none' | number | null;
  conditions: SaidCondition[];
  level: LevelIndex | null;
  sex: 'female' | 'male' | null;
  adult: boolean;
  ages: readonly [number, number] | null;
  name: string | null;
  ofThem: boolean;
  also: boolean;
  rest: boolean;
  people: boolean;
  /** Of those who were just named: "one is hypermobile". */
  among: boolean;
  /** "One with a new hip": of those before, where nothing but their kind was said of them. */
  withOnly: boolean;
  /** Somebody else's, and there as well: "their dad". */
  beside: boolean;
  /** So many are all there are. */
  total: boolean;
  relative: boolean;
  /** Said behind a plus. */
  plus: boolean;
  /** "She's 72": goes on about somebody who was said before. */
  pronoun: boolean;
  fine: boolean;
  outOf: number | null;
  between: boolean;
  /** So many of them stood as "x2" behind what they have: what follows is of others. */
  times: boolean;
  /** One of several that were listed by what each of them has. */
  listed: boolean;
  /** Something happened, and nobody said when. */
  when: boolean;
  /** So many weeks at least and at most, of what stands before; and as it was written. */
  weeks: { readonly least: number; readonly most: number; readonly says: string } | null;
  /** A side and nothing it is of: "left side weak" goes on about what stands before. */
  side: 'left' | 'right' | null;
  says: string;
  unread: string[];
}

export const COUNTS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  single: 1,
  couple: 2,
  pair: 2,
  dozen: 12,
  twins: 2,
};

export const isAge = (n: number) => Number.isInteger(n) && n >= 1 && n <= 120;

/** Is somebody called this, "a diabetic", or is it a thing somebody has, "a bad back"? */
export function isPerson(word: string, meaning: Meaning | null | undefined): boolean {
  if (/(ic|er|ant|ee|ist|ian|one|ie)$/.test(word) && word !== 'shoulder') return true;
  if (!meaning) return false;
  return meaning.is === 'condition'
    ? ['child', 'teenager', 'older-beginner', 'wheelchair'].includes(meaning.id)
    : ['level', 'sex', 'relative', 'people', 'adult'].includes(meaning.is);
}

/** A clause on its way to being read: its pieces, and what was said so far of what isn't settled yet. */
export interface ClauseReading {
  readonly text: string;
  readonly tokens: readonly Token[];
  readonly pieces: ReturnType<typeof meaningsOf>;
  readonly clause: Clause;
  /** "nobody" denies all that follows, "no" only what comes next. */
  nobody: boolean;
  deniedFrom: number;
  /** Somebody has something: what follows is that. */
  has: boolean;
  side: 'left' | 'right' | 'both' | null;
  /** Two sides were said: of which of them it isn't known, so of both. */
  sides: boolean;
  event: boolean;
  alone: boolean;
  /** How long ago, at least and at most; where in the text that begins, and how it was written. */
  weeks: {
    readonly least: number;
    readonly most: number;
    readonly begun: number;
    readonly says: string;
  } | null;
  /** Words in a row that nobody understands. */
  stray: Token[];
}

/** What isn't understood so far is set down as one piece. */
export function flush(r: ClauseReading): void {
  // Words that only lead on aren't what isn't understood.
  while (r.stray.length > 0 && LEADS_ON.has(r.stray.at(-1)!.word)) r.stray.pop();
  if (r.stray.length > 0) r.clause.unread.push(r.text.slice(r.stray[0]!.from, r.stray.at(-1)!.to));
  r.stray = [];
}

export const isAt = ({ pieces }: ClauseReading, i: number) => pieces[i]?.meaning?.is;

/** "60s" and "12s" are ages here, not seconds. */
export function decadeAt({ pieces, text }: ClauseReading, i: number): boolean {
  const token = pieces[i]?.token;
  return token?.kind === 'seconds' && text[token.to - 1] === 's' && token.to - token.from <= 3;
}

export const numberAt = (r: ClauseReading, i: number): number | null =>
  (r.pieces[i]?.token.kind === 'number' && r.pieces[i]!.meaning === null) || decadeAt(r, i)
    ? r.pieces[i]!.token.value
    : null;

export const wordAt = ({ pieces }: ClauseReading, i: number): string => pieces[i]?.token.word ?? '';

/** A condition that comes next, and isn't what somebody is called. */
export function ofWhatFollows({ pieces }: ClauseReading, i: number): boolean {
  const next = pieces[i + 1];
  return next?.meaning?.is === 'condition' && !isPerson(next.token.word, next.meaning);
}
