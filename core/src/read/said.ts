import { CLOCK_GRAMMAR, DOSE_GRAMMAR, type Fact } from './facts.ts';
import { factsIn, type Match } from './grammar.ts';
import { leftOver, withoutBullet } from './headings.ts';
import { itemsOf, labelled } from './items.ts';
import type { Item, LineRead, Span } from './line.ts';
import { TITLE_WORDS } from './line-words.ts';
import { type Names, type Reading, readName } from './names.ts';
import { type Token, tokensOf, withTempo } from './tokens.ts';

/** The most of a line that is looked at. */
export const LONGEST_LINE = 600;
export const MOST_TOKENS = 160;

/** "Over 60s", "the 50+ group": whom it is for. */
const OF_AGES = /\b(?:over|under)[ -]?[1-9]0[’']?s\b|\b[5-9]0\+/iu;

export type LineOf = Omit<LineRead, 'numbers'>;
type OwnWords = ReadonlyMap<string, string>;

/** Where facts and the numbers of headings stand in a line. */
export const spansOf = (tokens: readonly Token[], matches: readonly Match<Fact>[]): Span[] =>
  matches.flatMap(({ fact, from, to, ordinals }) => [
    ...ordinals.map((at) => ({ what: 'heading', from: tokens[at]!.from, to: tokens[at]!.to })),
    { what: fact.is, from: tokens[from]!.from, to: tokens[to - 1]!.to },
  ]);
export const spansOfItems = (items: readonly Item[]): Span[] =>
  items.map((item) => ({ what: 'name', from: item.from, to: item.to }));

/** A line as it was said, with what several ways of reading it ask: each is worked out once, when it is asked first. */
export class Said {
  readonly text: string;
  /** Its pieces without a bullet and the line's own number. */
  readonly rest: readonly Token[];
  readonly listed: boolean;
  readonly #letter: string | null;
  readonly #place: boolean;
  readonly #turn: boolean;
  /** Pieces that are words and numbers. */
  readonly content: readonly Token[];
  /** Words that look like a title. */
  readonly titled: boolean;
  /** The first colon; -1 where there is none. */
  readonly colon: number;
  #clock: readonly Match<Fact>[] | undefined;
  #doses: readonly Match<Fact>[] | undefined;
  #left: readonly Token[] | undefined;
  #whole: Reading | null | undefined;
  #items: readonly Item[] | undefined;
  readonly names: Names;
  readonly own: OwnWords;
  readonly #line: number;
  readonly #written: string;
  readonly #fresh: boolean;

  constructor(
    names: Names,
    own: OwnWords,
    line: number,
    whole: string,
    fresh: boolean,
    /** A row of a table, which is one of several as a bullet would say. */
    tabled: boolean,
  ) {
    this.names = names;
    this.own = own;
    this.text = whole.slice(0, LONGEST_LINE);
    const { rest, listed, letter, place, turn } = withoutBullet(withTempo(tokensOf(this.text, MOST_TOKENS)));
    this.#letter = letter ?? null;
    this.#place = place ?? false;
    this.#turn = turn ?? false;
    this.rest = rest;
    this.listed = listed || tabled;
    this.content = rest.filter((token) => token.kind !== 'sign');
    this.titled = this.content.some((token) => TITLE_WORDS.has(token.word)) || OF_AGES.test(this.text);
    this.colon = rest.findIndex((token) => token.word === ':');
    this.#line = line;
    this.#written = whole.trim();
    this.#fresh = fresh;
  }

  /** What it says of the clock. */
  get clock(): readonly Match<Fact>[] {
    this.#clock ??= factsIn(CLOCK_GRAMMAR, this.rest);
    return this.#clock;
  }
  get clockFacts(): Fact[] {
    return this.clock.map((match) => match.fact);
  }
  /** What it says of how much. */
  get doses(): readonly Match<Fact>[] {
    this.#doses ??= factsIn(DOSE_GRAMMAR, this.rest);
    return this.#doses;
  }
  /** Words that say nothing of the clock. */
  get left(): readonly Token[] {
    this.#left ??= leftOver(this.rest, this.clock);
    return this.#left;
  }
  /** The movement that all of it names; null where it names none. */
  get whole(): Reading | null {
    if (this.#whole === undefined) this.#whole = readName(this.names, this.rest, this.own)[0] ?? null;
    return this.#whole;
  }
  /** Its movements, each with how much of it. */
  get items(): readonly Item[] {
    const { names, text, rest, own } = this;
    this.#items ??= labelled(names, text, rest, own) ?? itemsOf(names, text, rest, own);
    return this.#items;
  }
  get exactName(): boolean {
    return (this.whole?.sure ?? 0) >= 0.95;
  }
  /** The words from one piece to before another, as they were written. */
  words(from = 0, to = this.rest.length): string {
    return this.text.slice(this.rest[from]!.from, this.rest[to - 1]!.to);
  }
  /** A reading of it: what isn't given is nothing. */
  as(kind: LineRead['kind'], sure: number, more: Partial<LineOf> = {}): LineOf {
    const nothing: LineOf = {
      line: this.#line,
      text: this.#written,
      fresh: this.#fresh,
      kind,
      sure,
      items: [],
      facts: [],
      spans: [],
      role: null,
      heading: null,
      label: null,
      roundNumber: null,
      tier: null,
      titled: false,
      listed: this.listed,
      letter: this.#letter,
      place: this.#place,
      turn: this.#turn,
    };
    return Object.assign(nothing, more);
  }
}
