import type { Token } from './tokens.ts';

/** What a rule found: the values of its quantities in order, and where it stood. */
export interface Match<F> {
  readonly fact: F;
  readonly from: number;
  readonly to: number;
  readonly score: number;
  /** Which of its tokens only say the how-manieth it is: the 2 of "superset 2 x 3". */
  readonly ordinals: readonly number[];
}

/**
 * A rule of the grammar: a phrase, and what it says. The phrase is written as its pieces with spaces between:
 * `T` a time with its unit, `U` a time whose unit may be a bare m, `Q` a time or a bare number (seconds), `N` a
 * number, `O` one that only says the how-manieth, `KG`, `CM`, `M` quantities, `A` any word; a word of {@link Sets} after an @; other words as they are, with
 * | between those that mean the same. A ? behind a piece says that it may be missing.
 */
export interface Rule<F> {
  readonly is: string;
  /** What it says, from the values in order, their words and where it begins; null where that makes no sense. */
  readonly says: (values: readonly number[], words: readonly string[], at: number) => F | null;
  /** Added to how much of the line a rule explains: what is certain before what is only likely. */
  readonly weight?: number;
}

export type Sets = Readonly<Record<string, readonly string[]>>;

interface Piece {
  /** Words or kinds of token that it takes, so that rules are looked up by what a line has. */
  readonly begins: readonly string[];
  readonly takes: (token: Token) => number | null;
  readonly optional: boolean;
  readonly captures: boolean;
  readonly ordinal: boolean;
}

/** No session has more parts of a kind. */
const MOST_ORDINAL = 20;
const BY_KIND: Readonly<Record<string, (token: Token) => number | null>> = {
  T: (t) => (t.kind === 'seconds' ? t.value : null),
  U: (t) =>
    t.kind === 'seconds' ? t.value : t.kind === 'metres' && t.unclear && t.value <= 60 ? t.value * 60 : null,
  Q: (t) => (t.kind === 'seconds' || t.kind === 'number' ? t.value : null),
  N: (t) => (t.kind === 'number' ? t.value : null),
  O: (t) => (t.kind === 'number' && t.value <= MOST_ORDINAL ? t.value : null),
  KG: (t) => (t.kind === 'kg' ? t.value : null),
  CM: (t) => (t.kind === 'cm' ? t.value : null),
  M: (t) => (t.kind === 'metres' ? t.value : null),
};

function pieceOf(written: string, sets: Sets): Piece {
  const optional = written.endsWith('?') && written.length > 1;
  const text = optional ? written.slice(0, -1) : written;
  const quantity = BY_KIND[text];
  if (quantity)
    return {
      takes: quantity,
      optional,
      captures: text !== 'O',
      ordinal: text === 'O',
      begins: KINDS_OF[text]!,
    };
  if (text === 'A')
    return {
      takes: (t) => (t.kind === 'word' ? 0 : null),
      optional,
      captures: false,
      ordinal: false,
      begins: ['word'],
    };
  const words = new Set(
    text
      .split('|')
      .flatMap((word) => (word.length > 1 && word.startsWith('@') ? (sets[word.slice(1)] ?? []) : [word])),
  );
  return {
    takes: (t) => ((t.kind === 'word' || t.kind === 'sign' || t.spelt) && words.has(t.word) ? 0 : null),
    optional,
    captures: false,
    ordinal: false,
    begins: [...words].map((word) => `=${word}`),
  };
}

/** Kinds of token that a quantity may be. */
const KINDS_OF: Readonly<Record<string, readonly string[]>> = {
  T: ['seconds'],
  U: ['seconds', 'metres'],
  Q: ['seconds', 'number'],
  N: ['number'],
  O: ['number'],
  KG: ['kg'],
  CM: ['cm'],
  M: ['metres'],
};

interface Compiled<F> {
  readonly pieces: readonly Piece[];
  readonly rule: Rule<F>;
}
/** Rules by the words (with an =) and kinds of token they may begin with. */
type ByBeginning<F> = ReadonlyMap<string, readonly Compiled<F>[]>;
export interface Grammar<F> {
  /** Rules that may begin at a piece before another, the most telling first. */
  readonly from: (token: Token, next: Token | undefined) => readonly Compiled<F>[];
}

/** Rules for use; they are made ready with the first line that is read by them, as most pages read none. */
export function grammarOf<F>(rules: readonly Rule<F>[], sets: Sets): Grammar<F> {
  let compiled: ByBeginning<F> | undefined;
  // Few words follow one another, and most rules fail at their second: what is left of them is found once.
  const known = new Map<string, readonly Compiled<F>[]>();
  return {
    from: (token, next) => {
      const key = `${kindOf(token)} ${next ? kindOf(next) : ''}`;
      const before = known.get(key);
      if (before) return before;
      compiled ??= compile(rules, sets);
      const all = new Set([...(compiled.get(`=${token.word}`) ?? []), ...(compiled.get(token.kind) ?? [])]);
      const found = [...all].filter(({ pieces }) => mayFollow(pieces, next));
      if (known.size >= MOST_PAIRS) known.clear();
      known.set(key, found);
      return found;
    },
  };
}
const MOST_PAIRS = 4000;
/** What a rule looks at in a piece: its word where it has one, and of a quantity only of what. */
const kindOf = ({ kind, word, spelt }: Token): string =>
  kind === 'word' || kind === 'sign' ? `=${word}` : spelt ? `${kind}=${word}` : kind;

/** Throws where a rule names a set that isn't there. */
function compile<F>(rules: readonly Rule<F>[], sets: Sets): ByBeginning<F> {
  const grammar = new Map<string, Compiled<F>[]>();
  for (const rule of rules) {
    const pieces = rule.is.split(' ').map((written) => {
      for (const word of written.replace(/\?$/, '').split('|'))
        if (word.length > 1 && word.startsWith('@') && !sets[word.slice(1)])
          throw new Error(`no words “${word}” for “${rule.is}”`);
      return pieceOf(written, sets);
    });
    const begins = new Set<string>();
    for (const piece of pieces) {
      for (const key of piece.begins) begins.add(key);
      if (!piece.optional) break;
    }
    for (const key of begins) grammar.set(key, [...(grammar.get(key) ?? []), { pieces, rule }]);
  }
  return grammar;
}

/** The longest way in which pieces are found from a token on: where it ends, the values, and which are ordinals. */
function longest(
  pieces: readonly Piece[],
  tokens: readonly Token[],
  at: number,
  piece = 0,
): { to: number; values: number[]; ordinals: number[] } | null {
  if (piece === pieces.length) return { to: at, values: [], ordinals: [] };
  const { takes, optional, captures, ordinal } = pieces[piece]!;
  const token = tokens[at];
  const value = token === undefined ? null : takes(token);
  const with_ = value === null ? null : longest(pieces, tokens, at + 1, piece + 1);
  if (with_ && captures) return { ...with_, values: [value!, ...with_.values] };
  if (with_) return ordinal ? { ...with_, ordinals: [at, ...with_.ordinals] } : with_;
  return optional ? longest(pieces, tokens, at, piece + 1) : null;
}

/** Could what comes second fit a rule whose first piece fits here? */
function mayFollow(pieces: readonly Piece[], next: Token | undefined): boolean {
  if (pieces[0]!.optional) return true;
  for (let i = 1; i < pieces.length; i++) {
    if (next !== undefined && pieces[i]!.takes(next) !== null) return true;
    if (!pieces[i]!.optional) return false;
  }
  return true;
}

/** What was found in a line, which several ways of reading it ask for. */
const found = new WeakMap<readonly Token[], Map<unknown, readonly Match<unknown>[]>>();

/** The facts of a line that together explain most of it, none over another. */
export function factsIn<F>(grammar: Grammar<F>, tokens: readonly Token[]): readonly Match<F>[] {
  const known = found.get(tokens) ?? new Map<unknown, readonly Match<unknown>[]>();
  found.set(tokens, known);
  const before = known.get(grammar) as readonly Match<F>[] | undefined;
  if (before) return before;
  const facts = search(grammar, tokens);
  known.set(grammar, facts);
  return facts;
}

function search<F>(grammar: Grammar<F>, tokens: readonly Token[]): Match<F>[] {
  const starting: Match<F>[][] = tokens.map((token, at) => {
    const found: Match<F>[] = [];
    for (const { pieces, rule } of grammar.from(token, tokens[at + 1])) {
      const match = longest(pieces, tokens, at);
      if (!match || match.to === at) continue;
      const words = tokens.slice(at, match.to).map((token) => token.word);
      const fact = rule.says(match.values, words, at);
      if (fact === null) continue;
      // Longer explanations before several short ones; a quantity weighs more than a word.
      const score = (match.to - at) * 1.1 + match.values.length * 0.6 + (rule.weight ?? 0) - 0.5;
      found.push({ fact, from: at, to: match.to, score, ordinals: match.ordinals });
    }
    return found;
  });
  const best: { score: number; take: Match<F> | null }[] = Array.from({ length: tokens.length + 1 }, () => ({
    score: 0,
    take: null,
  }));
  for (let at = tokens.length - 1; at >= 0; at--) {
    best[at] = { score: best[at + 1]!.score, take: null };
    for (const match of starting[at]!) {
      const score = match.score + best[match.to]!.score;
      if (score > best[at]!.score) best[at] = { score, take: match };
    }
  }
  const chosen: Match<F>[] = [];
  for (let at = 0; at < tokens.length; ) {
    const { take } = best[at]!;
    if (take) chosen.push(take);
    at = take ? take.to : at + 1;
  }
  return chosen;
}
