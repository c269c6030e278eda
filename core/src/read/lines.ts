import type { Role } from '../session/index.ts';
import { CLOCK_GRAMMAR, DOSE_GRAMMAR, type Fact } from './facts.ts';
import { factsIn, type Match } from './grammar.ts';
import { type Names, nameWords, type Reading, readName, SURE } from './names.ts';
import { plainName, type Token, tokensOf } from './tokens.ts';
import { isFiller, isHead } from './twins.ts';

export type LineKind = 'station' | 'clock' | 'tier' | 'break' | 'note' | 'heading';

/** A number or name of the text: what it was taken for, and where it stands in the line. */
export interface Span {
  readonly what: string;
  readonly from: number;
  readonly to: number;
}

/** A piece of a line that is a movement, with what is said of how much. */
export interface Item {
  readonly text: string;
  readonly readings: readonly Reading[];
  readonly facts: readonly Fact[];
  readonly from: number;
  readonly to: number;
  /** What joins it to the item before. */
  readonly joined: 'with' | 'then' | 'next' | null;
  /** Easier and harder ways, as they were written: "(knees / toes)". */
  readonly tiers: readonly string[];
}

/** A line by itself: what it may be, before its neighbours are asked. */
export interface LineRead {
  readonly line: number;
  readonly text: string;
  readonly kind: LineKind;
  readonly sure: number;
  readonly items: readonly Item[];
  readonly facts: readonly Fact[];
  readonly spans: readonly Span[];
  readonly role: Role | null;
  /** A heading's or title's own words. */
  readonly heading: string | null;
  /** Words before a colon that say what the movements behind it are of. */
  readonly label: string | null;
  /** A heading that only names a round. */
  readonly roundNumber: number | null;
  /** Easier or harder, for a tier. */
  readonly tier: 'easier' | 'harder' | null;
  /** Stands after an empty line, or first. */
  readonly fresh: boolean;
  /** Words that look like a title: a day, "class", "circuit". */
  readonly titled: boolean;
  /** Numbered, bulleted: one of a list. */
  readonly listed: boolean;
  /** Every number of it but the line's own. */
  readonly numbers: readonly SaidNumber[];
}

/** A number as it stands in a line. */
export interface SaidNumber {
  readonly said: string;
  /** In seconds, kilograms, centimetres, metres or by count. */
  readonly value: number;
  /** The fact it was taken into, if any. */
  readonly as: Fact['is'] | 'heading' | null;
}

const set = (words: string) => new Set(words.split(' '));

/** Words that belong to the clock and name nothing. */
const CLOCK_WORDS = set(
  'circuit interval second minute min sec of in with station rest work each by for the a an and then on off time round complete do go all through between rep set at to is are be we will format style exercise move every per total hiit repeat as possible you can your try rotate x timer clock one works rest rests partner beep pace own one other swap last first take move get until next people group again whole list everything ready when',
);
const TITLE_WORDS = set(
  'circuit class workout session training hiit bootcamp boot camp blast burner burn day week monday tuesday wednesday thursday friday saturday sunday morning evening lunch hall park garden home group hour plan programme program tabata emom amrap fitness fit challenge strength cardio beginner senior gentle express fun special power total body kid child school team chair seated partner outdoor indoor summer winter spring autumn christmas easter january february march april may june july august september october november december mon tue wed thu fri sat sun test ladder pyramid boxing legday leg arm abs core mobility style',
);
const DAYS = set(
  'monday tuesday wednesday thursday friday saturday sunday mon tue tues wed thu thur fri sat sun',
);
const NOTE_STARTS = set(
  'scale scaled scaling total approximately approx duration length what bring remember note music equipment kit tip reminder focus goal aim playlist nb ps ask check tell coach safety warning emphasise emphasis modify option remind demo demonstrate keep make dont set setup you need needed need',
);
const SECTIONS = set(
  'upper lower body core leg arm abs cardio strength full glute back chest conditioning balance floor standing seated chair mobility shoulder posterior chain plyo total hiit main cardiovascular resistance skill agility',
);

interface RoleWords {
  readonly words: readonly string[];
  readonly role: Role;
}
const ROLES_SAID: readonly RoleWords[] = [
  ...[
    'warm up',
    'warmup',
    'w / u',
    'wu',
    'pulse raiser',
    'preparation',
    'prep',
    'activation',
    'mobiliser',
    'raise pulse',
  ].map((w): RoleWords => ({ words: w.split(' '), role: 'warm-up' })),
  ...[
    'cool down',
    'cooldown',
    'c / d',
    'cd',
    'stretch',
    'stretching',
    'wind down',
    'final stretch',
    'static stretch',
    'flexibility',
    'relaxation',
  ].map((w): RoleWords => ({ words: w.split(' '), role: 'cool-down' })),
  ...['finisher', 'burnout', 'burn out', 'cash out', 'finish'].map(
    (w): RoleWords => ({ words: w.split(' '), role: 'finisher' }),
  ),
  ...['challenge'].map((w): RoleWords => ({ words: w.split(' '), role: 'challenge' })),
  ...[
    'main circuit',
    'main set',
    'main part',
    'main workout',
    'main',
    'circuit',
    'block',
    'part',
    'section',
    'workout',
    'the circuit',
    'the workout',
  ].map((w): RoleWords => ({ words: w.split(' '), role: 'circuit' })),
];
const TIERS: Readonly<Record<string, 'easier' | 'harder'>> = {
  easier: 'easier',
  easy: 'easier',
  regression: 'easier',
  beginner: 'easier',
  regress: 'easier',
  modification: 'easier',
  modified: 'easier',
  low: 'easier',
  mod: 'easier',
  option: 'easier',
  harder: 'harder',
  hard: 'harder',
  progression: 'harder',
  advanced: 'harder',
  progress: 'harder',
  level: 'harder',
};

const LABELS = new Set(['station', 'exercise', 'min', 'minute', 'move', 'ex', 'no', 'number', 'no.']);
const BULLETS = new Set([
  '-',
  '–',
  '—',
  '*',
  '•',
  '·',
  '‣',
  '▪',
  '►',
  '→',
  '>',
  '#',
  '○',
  '●',
  '◦',
  '✅',
  '✓',
  '☑',
  '|',
  '\t',
  '.',
  '✔',
  '+',
  '=',
  '_',
  '~',
]);
const isMark = (token: Token) =>
  token.kind === 'sign' &&
  (BULLETS.has(token.word) || /[^\p{ASCII}]/u.test(token.word)) &&
  !'½¼¾×'.includes(token.word);

/** A line without its bullet and number: where what matters begins. */
function withoutBullet(tokens: readonly Token[]): { rest: readonly Token[]; listed: boolean } {
  let at = 0;
  let listed = false;
  while (tokens[at] && isMark(tokens[at]!)) {
    at++;
    listed = true;
  }
  const first = tokens[at];
  const second = tokens[at + 1];
  const third = tokens[at + 2];
  if (
    first &&
    ['odd', 'even', 'first', 'second', 'third'].includes(first.word) &&
    second?.word === ':' &&
    third
  )
    return { rest: tokens.slice(at + 2), listed: true };
  const close = (token: Token | undefined, of: Token) =>
    token !== undefined &&
    ['.', ')', ':', '\t', ']'].includes(token.word) &&
    (token.word === '\t' || token.from - of.to <= 1);
  if (
    first &&
    LABELS.has(first.word) &&
    second?.kind === 'number' &&
    (close(third, second) || third?.word === '-' || third?.word === '–')
  )
    return { rest: tokens.slice(at + 3), listed: true };
  // "1 min:" has its unit; "Min 1:" has been read as a label.
  if (
    first?.kind === 'number' &&
    !first.spelt &&
    first.value <= 60 &&
    close(second, first) &&
    tokens.length > at + 2 &&
    !(second!.word === ':' && third?.kind === 'number')
  )
    return { rest: tokens.slice(at + 2), listed: true };
  if (first?.kind === 'word' && /^[a-h]$/.test(first.word) && close(second, first))
    return { rest: tokens.slice(at + 2), listed: true };
  if (first?.kind === 'word' && /^[a-h]\d{1,2}$/.test(first.word)) {
    if (close(second, first)) return { rest: tokens.slice(at + 2), listed: true };
    if (second?.kind === 'word') return { rest: tokens.slice(at + 1), listed: true };
  }
  // "Station 1 step-ups".
  if (first && LABELS.has(first.word) && second?.kind === 'number' && !second.spelt && third?.kind === 'word')
    return { rest: tokens.slice(at + 2), listed: true };
  if (first?.word === '(' && second?.kind === 'number' && third?.word === ')')
    return { rest: tokens.slice(at + 3), listed: true };
  return { rest: tokens.slice(at), listed };
}

function covered(matches: readonly Match<Fact>[], length: number): boolean[] {
  const found = Array<boolean>(length).fill(false);
  for (const { from, to } of matches) for (let i = from; i < to; i++) found[i] = true;
  return found;
}
const SEPARATORS: ReadonlyMap<string, Item['joined']> = new Map([
  ...[',', ';', '\t', '.', '!', '|', ':'].map((sign) => [sign, 'next'] as const),
  ['+', 'with'],
  ['then', 'then'],
]);

/** "Sit to stand / squat / jump squat": one movement for each level, the middle one written, of two the first. */
function abreast(
  tokens: readonly Token[],
  isMove: (some: readonly Token[]) => boolean,
): { rest: Token[]; tiers: Token[][] } | null {
  const slashes = tokens.flatMap((token, i) => (token.word === '/' ? [i] : []));
  if (slashes.length < 1 || slashes.length > 2) return null;
  const pieces = [...slashes, tokens.length].map((to, k) =>
    tokens.slice(k === 0 ? 0 : slashes[k - 1]! + 1, to),
  );
  // Each with a count of its own they are two things to do.
  const bare = pieces.every((piece) => piece.every((token) => token.kind === 'word' || token.word === '-'));
  if (!bare || !pieces.every((piece) => piece.length > 0 && isMove(piece))) return null;
  const own = pieces.length === 3 ? 1 : 0;
  return {
    rest: [...pieces[own]!],
    tiers: pieces.filter((_, k) => k !== own).map((piece) => [...piece]),
  };
}

/** "(knees / toes)": ways to do it, in brackets behind the name. */
function tiersOf(
  tokens: readonly Token[],
  isMove: (some: readonly Token[], sure?: number) => boolean,
): { rest: Token[]; tiers: Token[][] } {
  const open = tokens.findIndex((token) => token.word === '(' || token.word === '[');
  const shut = tokens.findIndex((token, i) => i > open && (token.word === ')' || token.word === ']'));
  if (open < 1 || shut < 0) {
    const rest = tokens.filter((token) => !'()[]'.includes(token.word));
    return abreast(rest, (some) => isMove(some, SURE)) ?? { rest, tiers: [] };
  }
  const inside = tokens.slice(open + 1, shut);
  const rest = [...tokens.slice(0, open), ...tokens.slice(shut + 1)];
  const ways: Token[][] = [[]];
  for (const token of inside) {
    if (['/', ',', 'or', '|'].includes(token.word)) ways.push([]);
    else ways.at(-1)!.push(token);
  }
  const named = ways.filter((way) => way.length > 0);
  const quantities = inside.some((token) => token.kind !== 'word' && token.kind !== 'sign');
  // Brackets with a number in them are a dose; others say how, or nothing of the name.
  if (quantities)
    return { rest: [...tokens.slice(0, open), ...inside, ...tokens.slice(shut + 1)], tiers: [] };
  // One way alone is one where both it and what stands before it are movements: "star jumps (step jacks)".
  const another = named.length === 1 && isMove(inside) && isMove(tokens.slice(0, open));
  const inlined = [...tokens.slice(0, open), ...inside, ...tokens.slice(shut + 1)];
  // A remark in brackets ("use hands if needed") is no part of the name.
  if (named.length === 1 && !another && !isMove(inlined) && isMove(rest)) return { rest, tiers: [] };
  return named.length > 1 || another
    ? { rest, tiers: named }
    : { rest: [...tokens.slice(0, open), ...inside, ...tokens.slice(shut + 1)], tiers: [] };
}

/** "and" begins another movement where a count or a time follows: "press-ups and finish with a 30 second plank". */
function andThen(
  tokens: readonly Token[],
  taken: readonly boolean[],
  at: number,
): Item['joined'] | undefined {
  if (tokens[at]!.word !== 'and') return undefined;
  for (let i = at + 1; i < tokens.length && i <= at + 5; i++) {
    if (taken[i] && tokens[i]!.kind !== 'word' && tokens[i]!.kind !== 'sign') return 'next';
    if (!taken[i] && tokens[i]!.kind === 'word' && !isFiller(tokens[i]!.word)) return undefined;
  }
  return undefined;
}

/** Movements of a line, with how much of each. */
function itemsOf(
  names: Names,
  text: string,
  all: readonly Token[],
  own: ReadonlyMap<string, string>,
): Item[] {
  const { rest: tokens, tiers } = tiersOf(all, (some, sure = 0.9) => {
    const best = readName(names, some, own)[0];
    return best !== undefined && best.sure >= sure && best.moves.length === 1;
  });
  const facts = factsIn(DOSE_GRAMMAR, tokens);
  const taken = covered(facts, tokens.length);
  const pieces: { from: number; to: number; joined: Item['joined'] }[] = [];
  let begun = 0;
  let joined: Item['joined'] = null;
  for (let i = 0; i <= tokens.length; i++) {
    const separator =
      i < tokens.length && !taken[i]
        ? (SEPARATORS.get(tokens[i]!.word) ?? andThen(tokens, taken, i))
        : undefined;
    if (i < tokens.length && separator === undefined) continue;
    if (i > begun) pieces.push({ from: begun, to: i, joined });
    // Of several separators in a row the one that says most.
    if (i > begun || joined === null || (separator && separator !== 'next')) joined = separator ?? null;
    begun = i + 1;
  }
  const namesIn = (from: number, to: number) => tokens.slice(from, to).filter((_, i) => !taken[from + i]);
  // A name may have commas of its own, as the library writes it: "Stand, feet together".
  for (let k = 0; k < pieces.length; k++)
    for (let to = Math.min(pieces.length, k + 4); to > k + 1; to--) {
      const last = pieces[to - 1]!;
      if (pieces.slice(k + 1, to).some((piece) => piece.joined !== 'next')) continue;
      const said = namesIn(pieces[k]!.from, last.to).filter((token) => token.word !== ',');
      const [best] = readName(names, said, own);
      const name = best?.moves.length === 1 ? names.library.move(best.moves[0]!)?.name : undefined;
      if (name === undefined || plainName(name) !== plainName(text.slice(said[0]!.from, said.at(-1)!.to)))
        continue;
      pieces.splice(k, to - k, { ...pieces[k]!, to: last.to });
      break;
    }
  const items: Item[] = [];
  for (const piece of pieces) {
    const inside = facts.filter((match) => match.from >= piece.from && match.to <= piece.to);
    const nameTokens = namesIn(piece.from, piece.to);
    const words = nameTokens.filter((token) => token.kind === 'word' || token.kind === 'number');
    const last = items.at(-1);
    if (nameWords(words).length === 0 || words.every((token) => token.kind === 'number')) {
      // Only a dose: it belongs to what stands before it.
      if (last)
        items[items.length - 1] = { ...last, facts: [...last.facts, ...inside.map((match) => match.fact)] };
      else if (inside.length > 0 && pieces.length > 1) pieces[1] = { ...pieces[1]!, from: piece.from };
      continue;
    }
    // Behind a dash stands a word about how, unless the name goes on.
    const dash = nameTokens.findIndex(
      (token, i) => i > 0 && ['-', '–', '—'].includes(token.word) && token.from > nameTokens[i - 1]!.to,
    );
    const whole = readName(names, nameTokens, own);
    const before = dash > 0 ? readName(names, nameTokens.slice(0, dash), own) : [];
    const readings = (before[0]?.sure ?? 0) > (whole[0]?.sure ?? 0) ? before : whole;
    const named = nameTokens.filter((token) => token.kind !== 'sign');
    const from = named[0]!.from;
    const to = named.at(-1)!.to;
    items.push({
      text: text.slice(from, to),
      readings,
      facts: inside.map((match) => match.fact),
      from,
      to,
      joined: items.length === 0 ? null : piece.joined,
      tiers: items.length === 0 ? tiers.map((way) => text.slice(way[0]!.from, way.at(-1)!.to)) : [],
    });
  }
  return items;
}

/** How sure a piece is a movement at all. */
const sureOf = (item: Item) => item.readings[0]?.sure ?? 0;

interface Heading {
  readonly role: Role | null;
  readonly to: number;
  readonly roundNumber: number | null;
}

/** "Hearts = squats": what stands before the sign is the trainer's own label. */
function labelled(
  names: Names,
  text: string,
  tokens: readonly Token[],
  own: ReadonlyMap<string, string>,
): Item[] | null {
  const sign = tokens.findIndex((token) => token.word === '=');
  if (sign < 1 || sign > 4 || !tokens.slice(0, sign).every((token) => token.kind === 'word')) return null;
  const [first, ...others] = itemsOf(names, text, tokens.slice(sign + 1), own);
  if (!first || sureOf(first) < 0.6) return null;
  const { from } = tokens[0]!;
  return [{ ...first, from, text: text.slice(from, first.to) }, ...others];
}

/** Words that are a label of what follows rather than a movement or a clock. */
function isLabel(names: Names, tokens: readonly Token[], own: ReadonlyMap<string, string>): boolean {
  const content = tokens.filter((token) => token.kind !== 'sign');
  const amount = (token: Token) =>
    (token.kind === 'number' || token.kind === 'seconds') && content.length > 1;
  if (content.some((token) => token.kind !== 'word' && !amount(token))) return false;
  if ((readName(names, content, own)[0]?.sure ?? 0) >= 0.9) return false;
  return factsIn(CLOCK_GRAMMAR, content).every(({ fact }) => fact.is === 'reps' || fact.is === 'work');
}

/** "Tabata 2", "AMRAP B": the kind of clock, and which of several it is. */
function numberedFormat(tokens: readonly Token[]): Match<Fact>[] | null {
  const last = tokens.at(-1);
  if (tokens.length < 2 || !last || !(last.kind === 'number' && last.value <= 6) || last.spelt) return null;
  const matches = factsIn(CLOCK_GRAMMAR, tokens.slice(0, -1));
  const [only] = matches;
  const whole = matches.length === 1 && only!.from === 0 && only!.to === tokens.length - 1;
  // Where the number may be minutes it is: AMRAP 5.
  return whole && only!.fact.is === 'format' && ['tabata', 'superset', 'pyramid'].includes(only!.fact.kind)
    ? [{ ...only!, ordinals: [tokens.length - 1], to: tokens.length }]
    : null;
}

/** "Squat jumps / mountain climbers" under one clock: two movements, where each of them is one. */
function apart(tokens: readonly Token[], names: Names, own: ReadonlyMap<string, string>): readonly Token[] {
  const slashes = tokens.flatMap((token, i) => (token.word === '/' ? [i] : []));
  if (slashes.length === 0) return tokens;
  const pieces = [...slashes, tokens.length].map((to, k) =>
    tokens.slice(k === 0 ? 0 : slashes[k - 1]! + 1, to),
  );
  const named = (piece: readonly Token[]) => piece.filter((token) => !CLOCK_WORDS.has(token.word));
  return pieces.every((piece) => (readName(names, named(piece), own)[0]?.sure ?? 0) >= 0.6)
    ? tokens.map((token) => (token.word === '/' ? { ...token, word: ',' } : token))
    : tokens;
}

/** A heading at the beginning of a line: a part of the session, or "Round 2". */
function headingOf(tokens: readonly Token[]): Heading | null {
  const words = tokens.map((token) => token.word);
  const ends = (at: number) =>
    at >= tokens.length || [':', '-', '–', '—', '(', '\t', '.', ','].includes(words[at]!);
  // "Set 1: squats": one of several, each with its own movements.
  const nth = tokens[1]?.kind === 'number' && tokens[1].value <= 20 && words[2] === ':';
  if (
    nth &&
    ['set', 'superset', 'triset', 'complex', 'couplet', 'triplet', 'group', 'list'].includes(words[0]!)
  )
    return { role: 'circuit', to: 3, roundNumber: null };
  const numbered = (at: number) =>
    (tokens[at]?.kind === 'number' && tokens[at]!.value <= 20) || /^[a-e]$/.test(words[at] ?? '')
      ? at + 1
      : at;
  if ((words[0] === 'round' || words[0] === 'lap') && tokens[1]?.kind === 'number' && ends(2))
    return { role: null, to: Math.min(3, tokens.length), roundNumber: tokens[1].value };
  for (const { words: said, role } of ROLES_SAID) {
    const dashed = said.length === 2 && words[1] === '-' && words[0] === said[0] && words[2] === said[1];
    const length = dashed ? 3 : said.length;
    if (!dashed && !said.every((word, i) => words[i] === word)) continue;
    const at = numbered(length);
    if (ends(at))
      return {
        role,
        to: Math.min(at + (at < tokens.length && words[at] !== '(' ? 1 : 0), tokens.length),
        roundNumber: null,
      };
    // "Warm up 5 mins - marching, arm circles": how long it all is, and then what.
    const timed = tokens[at]?.kind === 'seconds' || (words[at] === '(' && tokens[at + 1]?.kind === 'seconds');
    if (timed && ends(at + (words[at] === '(' ? 3 : 1))) return { role, to: at, roundNumber: null };
    // "Circuit 1 30/15 x 2": a number of its own and then the clock.
    if (at > length || role !== 'circuit') {
      const rest = tokens.slice(at);
      if (rest.length > 0 && leftOver(rest, factsIn(CLOCK_GRAMMAR, rest)).length === 0)
        return { role, to: at, roundNumber: null };
    }
  }
  return null;
}

/** "(x3)" at the very end of a part: how often all of it. */
function roundsBehind(tokens: readonly Token[]): { tokens: readonly Token[]; n: number | null } {
  const open = tokens.findLastIndex((token) => token.word === '(');
  if (open < 1 || tokens.at(-1)!.word !== ')') return { tokens, n: null };
  const inside = tokens.slice(open + 1, -1);
  const number = inside.find((token) => token.kind === 'number');
  const only = inside.every(
    (token) => token === number || ['x', '×', 'round', 'time', 'set'].includes(token.word),
  );
  return number && inside.length === 2 && only && number.value >= 1 && number.value <= 20
    ? { tokens: tokens.slice(0, open), n: number.value }
    : { tokens, n: null };
}

/** Words of a line that say nothing of the clock. */
function leftOver(tokens: readonly Token[], facts: readonly Match<Fact>[]): Token[] {
  const taken = covered(facts, tokens.length);
  return tokens.filter(
    (token, i) =>
      !taken[i] &&
      (token.kind === 'word' ? !CLOCK_WORDS.has(token.word) : token.kind !== 'sign' && !token.spelt),
  );
}

const spansOf = (tokens: readonly Token[], matches: readonly Match<Fact>[]): Span[] =>
  matches.flatMap(({ fact, from, to, ordinals }) => [
    ...ordinals.map((at) => ({ what: 'heading', from: tokens[at]!.from, to: tokens[at]!.to })),
    { what: fact.is, from: tokens[from]!.from, to: tokens[to - 1]!.to },
  ]);

const PARTING = new Set(['-', '–', '—']);
/** Facts that a movement's line has as well as a clock's. */
const DOSELIKE = new Set<Fact['is']>(['sets of', 'sets', 'times', 'reps', 'aside']);
const RESTS = set(
  'in reverse order the same way then rest recover recovery breathe breather and break repeat again',
);
/** Facts of a clock that no dose looks like. */
const OF_BLOCKS = new Set<Fact['is']>([
  'format',
  'steps',
  'rounds',
  'interval',
  'round rest',
  'cap',
  'in all seconds',
]);
/** The most of a line that is looked at. */
const LONGEST_LINE = 600;
const MOST_TOKENS = 160;

/** Numbers behind the line's own, each with what it was taken for, if anything; a note keeps its own. */
function numbersOf(read: Omit<LineRead, 'numbers'>, text: string): SaidNumber[] {
  if (read.kind === 'note') return [];
  return withoutBullet(tokensOf(text, MOST_TOKENS)).rest.flatMap((token) => {
    if (token.kind === 'word' || token.kind === 'sign') return [];
    const span = read.spans.find(
      ({ what, from, to }) => what !== 'name' && from <= token.from && token.to <= to,
    );
    // "one leg", "one works, one rests": words of a sentence where no rule took them for how much.
    if (token.spelt && (!span || span.what === 'partner')) return [];
    return [
      {
        said: text.slice(token.from, token.to),
        value: token.value,
        as: span ? (span.what as SaidNumber['as']) : null,
      },
    ];
  });
}

const REMEMBERED = 1000;
const remembered = new WeakMap<Names, Map<string, LineRead>>();
function linesOf(names: Names): Map<string, LineRead> {
  const known = remembered.get(names) ?? new Map<string, LineRead>();
  remembered.set(names, known);
  return known;
}

/** Reads one line by itself: what it may be, before its neighbours are asked. */
export function readLine(
  names: Names,
  line: number,
  whole: string,
  fresh: boolean,
  own: ReadonlyMap<string, string>,
): LineRead {
  // A text is read anew at every letter that is typed, and all its lines but one are as before.
  const before = own.size === 0 ? linesOf(names) : null;
  const key = `${fresh ? '+' : '-'}${whole}`;
  const known = before?.get(key);
  if (known) return { ...known, line };
  const read = lineOf(names, line, whole, fresh, own);
  const all = { ...read, numbers: numbersOf(read, whole.slice(0, LONGEST_LINE)) };
  if (before && whole.length <= LONGEST_LINE) {
    if (before.size >= REMEMBERED) before.clear();
    before.set(key, all);
  }
  return all;
}

function lineOf(
  names: Names,
  line: number,
  whole: string,
  fresh: boolean,
  own: ReadonlyMap<string, string>,
): Omit<LineRead, 'numbers'> {
  const text = whole.slice(0, LONGEST_LINE);
  const everything = tokensOf(text, MOST_TOKENS);
  const { rest, listed } = withoutBullet(everything);
  const base = {
    line,
    text: whole.trim(),
    items: [] as Item[],
    facts: [] as Fact[],
    spans: [] as Span[],
    role: null,
    heading: null,
    roundNumber: null,
    tier: null,
    fresh,
    titled: false,
    listed,
    label: null,
  };
  const content = rest.filter((token) => token.kind !== 'sign');
  if (content.length === 0) return { ...base, kind: 'note', sure: 1 };
  if (content.every((token) => RESTS.has(token.word))) {
    // "Min 3: rest": a turn of the clock in which nothing is done.
    const turn = listed && content.length === 1 && content[0]!.word === 'rest' ? content[0]! : null;
    if (!turn) return { ...base, kind: 'note', sure: 0.9 };
    const item: Item = {
      text: text.slice(turn.from, turn.to),
      readings: [],
      facts: [],
      from: turn.from,
      to: turn.to,
      joined: null,
      tiers: [],
    };
    return { ...base, kind: 'station', sure: 0, items: [item] };
  }
  const titled = content.some((token) => TITLE_WORDS.has(token.word));
  const colon = rest.findIndex((token) => token.word === ':');
  // A day by itself begins another part.
  if (content.length === 1 && DAYS.has(content[0]!.word))
    return {
      ...base,
      kind: 'heading',
      sure: 0.8,
      role: 'circuit',
      heading: text.slice(content[0]!.from, content[0]!.to),
      spans: [{ what: 'heading', from: content[0]!.from, to: content[0]!.to }],
      titled: true,
    };
  // Easier and harder ways of what stands above.
  const label = rest[0]!.kind === 'word' ? TIERS[rest[0]!.word] : undefined;
  if (label && colon >= 1 && colon <= 2) {
    const items = itemsOf(names, text, rest.slice(colon + 1), own);
    if (items.length > 0 && sureOf(items[0]!) > 0.3)
      return { ...base, kind: 'tier', sure: sureOf(items[0]!), items, tier: label };
  }
  const nth = rest[1]?.kind === 'number';
  if (NOTE_STARTS.has(rest[0]!.word) && !nth && (!listed || colon === 1)) {
    const items = itemsOf(names, text, rest, own);
    if (items.length === 0 || sureOf(items[0]!) < 0.8 || colon === 1)
      return { ...base, kind: 'note', sure: 0.9 };
  }
  const clockMatches = factsIn(CLOCK_GRAMMAR, rest);
  const left = leftOver(rest, clockMatches);
  const clockFacts = clockMatches.map((match) => match.fact);
  const nameAlone = readName(names, rest, own)[0];
  const exactName = (nameAlone?.sure ?? 0) >= 0.95;
  const heading =
    exactName && nameAlone!.moves.length === 1 && !['stretch', 'circuit'].includes(rest[0]!.word)
      ? null
      : headingOf(rest);
  if (heading) {
    const { tokens: after, n: often } = roundsBehind(rest.slice(heading.to));
    // "Round 1 - 45 secs each: squats, press-ups": a clock, and behind its colon the movements.
    const clock = after.slice(
      0,
      Math.max(
        0,
        after.findIndex((token) => token.word === ':'),
      ),
    );
    const parted = clock.length > 0 && leftOver(clock, factsIn(CLOCK_GRAMMAR, clock)).length === 0;
    const said = parted ? clock : after;
    const matches = factsIn(CLOCK_GRAMMAR, said);
    const part = { what: 'heading', from: rest[0]!.from, to: rest[Math.max(0, heading.to - 1)]!.to };
    const again: Fact[] = often === null ? [] : [{ is: 'rounds', n: often }];
    const headed = {
      ...base,
      kind: 'heading' as const,
      facts: [...matches.map((match) => match.fact), ...again],
      spans: [part, ...spansOf(said, matches)],
      role: heading.role,
      heading: text.slice(rest[0]!.from, rest.at(-1)!.to),
      roundNumber: heading.roundNumber,
      titled,
    };
    if (!parted && leftOver(after, matches).length === 0) return { ...headed, sure: 0.95 };
    // "Warm-up: 5 mins - march, arm circles": the time is for all of it.
    const bare = after[0]?.word === '(' && after[2]?.word === ')' ? [after[1]!, ...after.slice(3)] : after;
    const whole =
      bare[0]?.kind === 'seconds' && ['-', '–', '—', ':', ',', 'of'].includes(bare[1]?.word ?? '');
    // "Main: EMOM 20, 10 burpees": the kind of clock before what is done.
    const [begins] = matches;
    const behind = begins?.from === 0 && OF_BLOCKS.has(begins.fact.is) ? begins.to : 0;
    const rows = parted ? after.slice(clock.length + 1) : whole ? bare.slice(2) : after.slice(behind);
    const items = itemsOf(names, text, apart(rows, names, own), own);
    if (whole) {
      // How long all of it is, not each.
      headed.facts = [...again, { is: 'in all seconds', seconds: bare[0]!.value }];
      headed.spans.unshift({ what: 'in all seconds', from: bare[0]!.from, to: bare[0]!.to });
    }
    const good = items.filter((item) => sureOf(item) >= 0.6).length;
    // "Warm up: joint mobility, a light jog": what stands behind the sign is what is done, known or not.
    const listing =
      heading.role !== 'circuit' && heading.role !== null && (whole || heading.to > 0) && items.length > 1;
    if (!listing && (good === 0 || good < items.length / 2)) return { ...headed, sure: 0.7 };
    // Movements on the line itself: of its clock only what can't be a dose of theirs.
    const facts = parted ? headed.facts : headed.facts.filter((fact) => OF_BLOCKS.has(fact.is));
    return { ...headed, sure: 0.85, items, facts };
  }
  // "AMRAP 10: squats, press-ups", "Ladder 1 to 10: swings": the clock, and behind its colon the movements.
  const parting = rest.findIndex(
    (token, i) => i > 0 && PARTING.has(token.word) && token.from > rest[i - 1]!.to,
  );
  for (const cut of [colon, parting]) {
    if (cut < 1 || cut >= rest.length - 1) continue;
    const clock = rest.slice(0, cut);
    const after = rest.slice(cut + 1);
    const named = numberedFormat(clock);
    const matches = named ?? factsIn(CLOCK_GRAMMAR, clock);
    const heads = matches.some(({ fact }) => OF_BLOCKS.has(fact.is));
    if (heads && (named || leftOver(clock, matches).length === 0)) {
      const open = after.findIndex((token) => token.word === '(');
      const all = itemsOf(names, text, apart(after, names, own), own);
      const known = (some: readonly Item[]) => some.filter((item) => sureOf(item) >= 0.6).length;
      // What stands in brackets may only explain: "(1 swing, 1 squat, 2 swings …)".
      const short = open > 0 ? itemsOf(names, text, after.slice(0, open), own) : all;
      const items = known(short) === short.length && known(all) < all.length ? short : all;
      if (items.length > 0 && known(items) >= items.length / 2)
        return {
          ...base,
          kind: 'heading',
          sure: 0.85,
          role: 'circuit',
          heading: named ? text.slice(rest[0]!.from, clock.at(-1)!.to) : null,
          facts: matches.map((match) => match.fact),
          items,
          spans: [
            ...spansOf(clock, matches),
            ...items.map((item) => ({ what: 'name', from: item.from, to: item.to })),
          ],
          titled,
        };
    }
  }
  // "Legs: squats, lunges": what they are of, and behind the colon the movements.
  if (
    colon > 0 &&
    colon <= 4 &&
    colon < rest.length - 1 &&
    !listed &&
    isLabel(names, rest.slice(0, colon), own)
  ) {
    const items = itemsOf(names, text, rest.slice(colon + 1), own);
    const good = items.filter((item) => sureOf(item) >= 0.6).length;
    if (items.length > 0 && good >= items.length / 2) {
      const said = rest.slice(0, colon);
      const whole = said.find((token) => token.kind === 'seconds');
      const sections =
        whole !== undefined || said.every((token) => SECTIONS.has(token.word) || token.word === 'and');
      const facts: Fact[] = whole ? [{ is: 'in all seconds', seconds: whole.value }] : [];
      const spans = [
        ...(whole ? [{ what: 'in all seconds', from: whole.from, to: whole.to }] : []),
        { what: 'heading', from: said[0]!.from, to: said.at(-1)!.to },
        ...items.map((item) => ({ what: 'name', from: item.from, to: item.to })),
      ];
      const heading = text.slice(said[0]!.from, said.at(-1)!.to);
      const sure = Math.min(...items.map(sureOf));
      return sections
        ? { ...base, kind: 'heading', role: 'circuit', heading, sure: 0.85, items, facts, spans, titled }
        : { ...base, kind: 'station', sure, items, spans, titled, label: heading };
    }
  }
  // Words before a colon, and nothing but the clock behind it.
  const levelled = clockFacts.some((fact) => fact.is === 'level');
  if (!levelled && colon > 0 && colon <= 6 && colon < rest.length - 1) {
    const after = rest.slice(colon + 1);
    const matches = factsIn(CLOCK_GRAMMAR, after);
    const named = readName(names, rest.slice(0, colon), own)[0];
    if (
      matches.length > 0 &&
      leftOver(after, matches).length === 0 &&
      (named?.sure ?? 0) < 0.6 &&
      rest.slice(0, colon).every((token) => token.kind === 'word') &&
      rest.slice(0, colon).some((token) => TITLE_WORDS.has(token.word)) &&
      factsIn(CLOCK_GRAMMAR, rest.slice(0, colon)).length === 0
    )
      return {
        ...base,
        kind: 'heading',
        sure: 0.85,
        facts: matches.map((match) => match.fact),
        spans: spansOf(after, matches),
        heading: text.slice(rest[0]!.from, rest[colon - 1]!.to),
        titled,
      };
  }
  if (clockFacts.length > 0 && left.length === 0 && !exactName) {
    const isBreak = clockFacts.every((fact) => fact.is === 'break');
    return {
      ...base,
      kind: isBreak ? 'break' : 'clock',
      sure: 0.95,
      facts: clockFacts,
      spans: spansOf(rest, clockMatches),
      titled,
    };
  }
  const items = labelled(names, text, rest, own) ?? itemsOf(names, text, rest, own);
  const good = items.filter((item) => sureOf(item) >= 0.6);
  const doseMatches = factsIn(DOSE_GRAMMAR, rest);
  const spans = (): Span[] => [
    ...spansOf(rest, doseMatches),
    ...items.map((item) => ({ what: 'name', from: item.from, to: item.to })),
  ];
  if (good.length === items.length && items.length > 0)
    return { ...base, kind: 'station', sure: Math.min(...items.map(sureOf)), items, spans: spans(), titled };
  // Some movements, and pieces of clock between them.
  if (good.length >= 2 || (good.length === 1 && items.length === 2)) {
    const rows = items.filter((item) => {
      const tokens = tokensOf(item.text);
      return sureOf(item) >= 0.6 || leftOver(tokens, factsIn(CLOCK_GRAMMAR, tokens)).length > 0;
    });
    const nameSpans = rows.map(({ from, to }) => ({ from, to }));
    const elsewhere = clockMatches.filter((match) => {
      const from = rest[match.from]!.from;
      const to = rest[match.to - 1]!.to;
      return (
        match.to - match.from > 1 &&
        !nameSpans.some((span) => from < span.to && span.from < to) &&
        !['work', 'reps', 'times'].includes(match.fact.is)
      );
    });
    // A note behind a name ("keep the chest up") is no station of its own.
    const stations = rows.filter((item, i) => i === 0 || sureOf(item) >= 0.6 || rows.length > 2);
    return {
      ...base,
      kind: 'station',
      sure: Math.min(...stations.map(sureOf)),
      items: stations,
      facts: elsewhere.map((match) => match.fact),
      spans: spans(),
      titled,
    };
  }
  const leftWords = left.filter((token) => token.kind === 'word');
  const sections =
    content.length <= 4 &&
    content.every(
      (token, i) =>
        SECTIONS.has(token.word) ||
        ['circuit', 'work', 'section', 'and', 'part'].includes(token.word) ||
        // Which of several it is stands behind.
        (token.kind === 'number' && i > 0 && token.value <= 20),
    );
  const words = text.slice(rest[0]!.from, rest.at(-1)!.to);
  if (sections && !listed)
    return {
      ...base,
      kind: 'heading',
      sure: 0.8,
      role: 'circuit',
      heading: words,
      spans: [{ what: 'heading', from: rest[0]!.from, to: rest.at(-1)!.to }],
      titled: true,
    };
  if (clockFacts.length > 0 && good.length === 0) {
    const strong =
      clockFacts.some((fact) =>
        ['interval', 'format', 'rounds', 'round rest', 'level', 'sets of', 'steps', 'stations'].includes(
          fact.is,
        ),
      ) || clockFacts.length >= 2;
    const share = left.length / content.length;
    const plain = clockFacts.every(
      (fact) => fact.is === 'format' && fact.n === undefined && fact.seconds === undefined,
    );
    // A line of a list, the name of a movement, or a bare word of the clock beside another is no clock.
    // How many sets is said of a movement, known or not.
    const ofMove = leftWords.length > 0 && clockFacts.every((fact) => DOSELIKE.has(fact.is));
    const headed = leftWords.some((token) => TITLE_WORDS.has(token.word));
    const named = listed || ((plain || ofMove || leftWords.some((token) => isHead(token.word))) && !headed);
    if (
      strong &&
      !named &&
      (titled || share <= 0.5 || leftWords.every((token) => SECTIONS.has(token.word)))
    ) {
      const heads = leftWords.length > 0 && (titled || leftWords.every((token) => SECTIONS.has(token.word)));
      const first = rest.findIndex((token) => [',', '–', '-', ':', '('].includes(token.word));
      const named =
        first > 0 && rest.slice(0, first).every((token) => token.kind === 'word')
          ? text.slice(rest[0]!.from, rest[first - 1]!.to)
          : words;
      return {
        ...base,
        kind: heads ? 'heading' : 'clock',
        sure: 0.75,
        facts: clockFacts,
        spans: spansOf(rest, clockMatches),
        heading: heads ? named : null,
        titled,
      };
    }
  }
  const sentence = content.length > 9 || /[.!?]$/.test(text.trim());
  if (
    sentence &&
    !listed &&
    (items.length === 0 || Math.max(...items.map(sureOf)) < (content.length > 9 ? 0.7 : 0.5)) &&
    doseMatches.length === 0
  )
    return { ...base, kind: 'note', sure: 0.6, titled };
  if (items.length === 0)
    return {
      ...base,
      kind: clockFacts.length > 0 ? 'clock' : 'note',
      sure: 0.5,
      facts: clockFacts,
      spans: spansOf(rest, clockMatches),
      titled,
    };
  // A line that nobody knows is a station of its own name.
  const joined: Item = {
    ...items[0]!,
    text: text.slice(items[0]!.from, items.at(-1)!.to),
    to: items.at(-1)!.to,
    facts: items.flatMap((item) => item.facts),
  };
  return {
    ...base,
    kind: 'station',
    sure: sureOf(items[0]!),
    items: [joined],
    spans: spans(),
    titled,
    heading: colon === rest.length - 1 || titled ? words : null,
  };
}
