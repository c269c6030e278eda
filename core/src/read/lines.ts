import type { Role } from '../session/index.ts';
import { CLOCK_GRAMMAR, DOSE_GRAMMAR, type Fact } from './facts.ts';
import { factsIn, type Match } from './grammar.ts';
import { type Names, nameWords, type Reading, readName } from './names.ts';
import { plainName, type Token, tokensOf } from './tokens.ts';
import { isFiller } from './twins.ts';

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
const NOTE_STARTS = set(
  'total approximately approx duration length what bring remember note music equipment kit tip reminder focus goal aim playlist nb ps ask check tell coach safety warning emphasise emphasis modify option remind demo demonstrate keep make dont set setup you need needed need',
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
  if (first?.kind === 'word' && first.word.length === 1 && /[a-h]/.test(first.word)) {
    if (close(second, first)) return { rest: tokens.slice(at + 2), listed: true };
    if (second?.kind === 'number' && second.value <= 12 && second.from === first.to && close(third, second))
      return { rest: tokens.slice(at + 3), listed: true };
    if (second?.kind === 'number' && second.value <= 12 && second.from === first.to && third?.kind === 'word')
      return { rest: tokens.slice(at + 2), listed: true };
  }
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

/** "(knees / toes)": ways to do it, in brackets behind the name. */
function tiersOf(
  tokens: readonly Token[],
  isMove: (some: readonly Token[]) => boolean,
): { rest: Token[]; tiers: string[][] } {
  const open = tokens.findIndex((token) => token.word === '(' || token.word === '[');
  const shut = tokens.findIndex((token, i) => i > open && (token.word === ')' || token.word === ']'));
  if (open < 1 || shut < 0)
    return { rest: tokens.filter((token) => !'()[]'.includes(token.word)), tiers: [] };
  const inside = tokens.slice(open + 1, shut);
  const rest = [...tokens.slice(0, open), ...tokens.slice(shut + 1)];
  const ways: string[][] = [[]];
  for (const token of inside) {
    if (['/', ',', 'or', '|'].includes(token.word)) ways.push([]);
    else ways.at(-1)!.push(token.word);
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
  const { rest: tokens, tiers } = tiersOf(all, (some) => {
    const best = readName(names, some, own)[0];
    return best !== undefined && best.sure >= 0.9 && best.moves.length === 1;
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
      tiers: items.length === 0 ? tiers.map((way) => way.join(' ')) : [],
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

/** A heading at the beginning of a line: a part of the session, or "Round 2". */
function headingOf(tokens: readonly Token[]): Heading | null {
  const words = tokens.map((token) => token.word);
  const ends = (at: number) =>
    at >= tokens.length || [':', '-', '–', '—', '(', '\t', '.', ','].includes(words[at]!);
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
    // "Circuit 1 30/15 x 2": a number of its own and then the clock.
    if (at > length || role !== 'circuit') {
      const rest = tokens.slice(at);
      if (rest.length > 0 && leftOver(rest, factsIn(CLOCK_GRAMMAR, rest)).length === 0)
        return { role, to: at, roundNumber: null };
    }
  }
  return null;
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

const RESTS = set('then rest recover recovery breathe breather and break repeat again');
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
  };
  const content = rest.filter((token) => token.kind !== 'sign');
  if (content.length === 0) return { ...base, kind: 'note', sure: 1 };
  if (content.every((token) => RESTS.has(token.word))) return { ...base, kind: 'note', sure: 0.9 };
  const titled = content.some((token) => TITLE_WORDS.has(token.word));
  const colon = rest.findIndex((token) => token.word === ':');
  // Easier and harder ways of what stands above.
  const label = rest[0]!.kind === 'word' ? TIERS[rest[0]!.word] : undefined;
  if (label && colon >= 1 && colon <= 2) {
    const items = itemsOf(names, text, rest.slice(colon + 1), own);
    if (items.length > 0 && sureOf(items[0]!) > 0.3)
      return { ...base, kind: 'tier', sure: sureOf(items[0]!), items, tier: label };
  }
  if (NOTE_STARTS.has(rest[0]!.word) && !listed) {
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
    const after = rest.slice(heading.to);
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
    const headed = {
      ...base,
      kind: 'heading' as const,
      facts: matches.map((match) => match.fact),
      spans: [part, ...spansOf(said, matches)],
      role: heading.role,
      heading: text.slice(rest[0]!.from, rest.at(-1)!.to),
      roundNumber: heading.roundNumber,
      titled,
    };
    if (!parted && leftOver(after, matches).length === 0) return { ...headed, sure: 0.95 };
    // "Warm-up: 5 mins - march, arm circles": the time is for all of it.
    const whole =
      after[0]?.kind === 'seconds' && ['-', '–', '—', ':', ',', 'of'].includes(after[1]?.word ?? '');
    const rows = parted ? after.slice(clock.length + 1) : whole ? after.slice(2) : after;
    const items = itemsOf(names, text, rows, own);
    if (whole) {
      headed.facts.push({ is: 'in all seconds', seconds: after[0]!.value });
      headed.spans.unshift({ what: 'in all seconds', from: after[0]!.from, to: after[0]!.to });
    }
    const good = items.filter((item) => sureOf(item) >= 0.6).length;
    if (good === 0 || good < items.length / 2) return { ...headed, sure: 0.7 };
    // Movements on the line itself: of its clock only what can't be a dose of theirs.
    const facts = parted ? headed.facts : headed.facts.filter((fact) => OF_BLOCKS.has(fact.is));
    return { ...headed, sure: 0.85, items, facts };
  }
  // Words before a colon, and nothing but the clock behind it.
  if (colon > 0 && colon <= 6 && colon < rest.length - 1) {
    const after = rest.slice(colon + 1);
    const matches = factsIn(CLOCK_GRAMMAR, after);
    const named = readName(names, rest.slice(0, colon), own)[0];
    if (
      matches.length > 0 &&
      leftOver(after, matches).length === 0 &&
      (named?.sure ?? 0) < 0.9 &&
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
  const items = itemsOf(names, text, rest, own);
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
      (token) =>
        SECTIONS.has(token.word) ||
        ['circuit', 'work', 'section', 'and', 'part'].includes(token.word) ||
        token.kind === 'number',
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
    if (strong && (titled || share <= 0.5 || leftWords.every((token) => SECTIONS.has(token.word)))) {
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
    (items.length === 0 || Math.max(...items.map(sureOf)) < 0.5) &&
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
