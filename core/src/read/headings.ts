import type { Role } from '../session/index.ts';
import { CLOCK_GRAMMAR, type Fact } from './facts.ts';
import { factsIn, type Match } from './grammar.ts';
import { covered } from './items.ts';
import { BULLETS, CLOCK_WORDS, LABELS, ROLES_SAID, SECTIONS } from './line-words.ts';
import { type Names, readName } from './names.ts';
import { type Token, tokensOf } from './tokens.ts';

/** Labels of a place where something is done, rather than of a turn of the clock. */
const placeOf = (label: Token): Pick<Bulleted, 'place' | 'turn'> =>
  ['station', 'corner', 'cone', 'zone', 'area', 'post', 'mat', 'spot'].includes(label.word)
    ? { place: true }
    : ['min', 'minute'].includes(label.word)
      ? { turn: true }
      : {};

/** Labels that are things too: "chair 10 squats" is no tenth chair. */
const OF_THINGS = new Set(['chair', 'table', 'mat']);

const isMark = (token: Token) =>
  token.kind === 'sign' &&
  (BULLETS.has(token.word) || /[^\p{ASCII}]/u.test(token.word)) &&
  !'½¼¾×'.includes(token.word);

/** A line without its bullet and number: where what matters begins, and what the number said. */
export interface Bulleted {
  readonly rest: readonly Token[];
  readonly listed: boolean;
  /** The letter of "A1": what has the same letter is done in turn. */
  readonly letter?: string;
  /** "Station 2:": all that stands behind it is done there. */
  readonly place?: true;
  /** "Minute 2:": a turn of a clock that goes by the minute. */
  readonly turn?: true;
}
export function withoutBullet(tokens: readonly Token[]): Bulleted {
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
  // "Odd minutes: …".
  if (
    first &&
    ['odd', 'even'].includes(first.word) &&
    ['min', 'minute', 'round'].includes(second?.word ?? '') &&
    third?.kind === 'sign' &&
    tokens[at + 3]
  )
    return { rest: tokens.slice(at + 3), listed: true };
  // "3 o'clock": where on the clock it is.
  if (first?.kind === 'number' && second?.word === 'oclock' && third)
    return { rest: tokens.slice(at + 2 + (third.kind === 'sign' ? 1 : 0)), listed: true };
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
    return { rest: tokens.slice(at + 3), listed: true, ...placeOf(first) };
  // "1a)", "2b.": of what has the same number.
  if (
    first?.kind === 'number' &&
    second?.kind === 'word' &&
    /^[a-e]$/.test(second.word) &&
    second.from === first.to &&
    close(third, second)
  )
    return { rest: tokens.slice(at + 3), listed: true, letter: `${first.value}` };
  // "1 min:" has its unit; "Min 1:" has been read as a label.
  if (
    first?.kind === 'number' &&
    !first.spelt &&
    first.value <= 60 &&
    close(second, first) &&
    tokens.length > at + 2 &&
    // "1:10" is a time, "1: 10 burpees" the first of a list.
    !(second!.word === ':' && third?.kind === 'number' && third.from === second!.to)
  )
    return { rest: tokens.slice(at + 2), listed: true };
  const dashed = ['-', '–', '—'].includes(second?.word ?? '') && third?.kind === 'word';
  if (first?.kind === 'word' && /^[a-h]$/.test(first.word) && (dashed || close(second, first)))
    return { rest: tokens.slice(at + 2), listed: true };
  if (first?.kind === 'word' && /^[a-h]\d{1,2}$/.test(first.word)) {
    const letter = first.word[0]!;
    if (close(second, first)) return { rest: tokens.slice(at + 2), listed: true, letter };
    if (second?.kind === 'word' || second?.spelt) return { rest: tokens.slice(at + 1), listed: true, letter };
  }
  // "T1 - squat", "S2: row": its own label and number.
  if (first?.kind === 'word' && /^[a-z]\d{1,2}$/.test(first.word) && third) {
    const sign = second?.word === '-' || second?.word === '–' || second?.word === '—';
    if (sign || close(second, first)) return { rest: tokens.slice(at + 2), listed: true };
  }
  // "Station 1 step-ups".
  if (
    first &&
    LABELS.has(first.word) &&
    !OF_THINGS.has(first.word) &&
    second?.kind === 'number' &&
    !second.spelt &&
    third?.kind === 'word'
  )
    return { rest: tokens.slice(at + 2), listed: true };
  if (first?.word === '(' && second?.kind === 'number' && third?.word === ')')
    return { rest: tokens.slice(at + 3), listed: true };
  return { rest: tokens.slice(at), listed };
}

/** How a part is done that is no movement of it. */
const HOW_IT_WARMS = new Set(
  'seated standing sitting lying gentle easy light general dynamic full whole body together in on with to the a chair chairs floor mat mats music partner pairs'.split(
    ' ',
  ),
);

/** "Warm-up game: …", "Chair based warm up 10 mins": the part's word stands among others. */
function calmAmong(tokens: readonly Token[], words: readonly string[]): Heading | null {
  const colon = words.indexOf(':');
  const timed = tokens.findIndex((token) => token.kind === 'seconds');
  const to = colon > 0 ? colon : timed > 0 ? timed : -1;
  const before = words.slice(0, Math.max(0, to)).filter((word) => word !== '-');
  const plain = tokens.slice(0, Math.max(0, to)).every(({ kind, word }) => kind === 'word' || word === '-');
  if (to < 2 || to > 6 || !plain) return null;
  for (const { words: said, role } of ROLES_SAID) {
    if (said.length !== 2 || (role !== 'warm-up' && role !== 'cool-down')) continue;
    const at = before.findIndex((word, i) => word === said[0] && before[i + 1] === said[1]);
    // "Warm up 10 mins" is read by itself; "warm up seated 5 mins" says how besides, and no movement.
    const how = before.slice(2).every((word) => HOW_IT_WARMS.has(word)) && before.length > 2;
    if (at > 0 || (at === 0 && (colon > 0 || how)))
      return { role, to: colon > 0 ? colon + 1 : to, roundNumber: null };
  }
  return null;
}

interface Heading {
  readonly role: Role | null;
  readonly to: number;
  readonly roundNumber: number | null;
}

/** What a label may seem to say of the clock: "Back", "5 mins legs". */
const IN_LABELS = new Set<Fact['is']>(['reps', 'work', 'way', 'aside', 'led']);

/** Words that are a label of what follows rather than a movement or a clock. */
export function isLabel(names: Names, tokens: readonly Token[], own: ReadonlyMap<string, string>): boolean {
  const content = tokens.filter((token) => token.kind !== 'sign');
  const amount = (token: Token) =>
    (token.kind === 'number' || token.kind === 'seconds') && content.length > 1;
  if (content.some((token) => token.kind !== 'word' && !amount(token))) return false;
  if ((readName(names, content, own)[0]?.sure ?? 0) >= 0.9) return false;
  return factsIn(CLOCK_GRAMMAR, content).every(({ fact }) => IN_LABELS.has(fact.is));
}

const PAIR: Fact = { is: 'format', kind: 'superset' };
/** "Tabata 2", "AMRAP B": the kind of clock, and which of several it is. */
export function numberedFormat(tokens: readonly Token[]): Match<Fact>[] | null {
  const last = tokens.at(-1);
  if (tokens.length < 2 || !last || !(last.kind === 'number' && last.value <= 6) || last.spelt) return null;
  const called = tokens.slice(0, -1);
  // "Pair 1: …" is a superset of two by its number.
  const pair = called.length === 1 && called[0]!.word === 'pair';
  const matches = pair
    ? [{ fact: PAIR, from: 0, to: 1, score: 1, ordinals: [] }]
    : factsIn(CLOCK_GRAMMAR, called);
  const [only] = matches;
  const whole = matches.length === 1 && only!.from === 0 && only!.to === tokens.length - 1;
  // Where the number may be minutes it is: AMRAP 5.
  return whole && only!.fact.is === 'format' && ['tabata', 'superset', 'pyramid'].includes(only!.fact.kind)
    ? [{ ...only!, ordinals: [tokens.length - 1], to: tokens.length }]
    : null;
}

/** What a clock of its own begins with. */
const STARTS_A_PART = new Set<Fact['is']>(['format', 'interval', 'rounds']);

/** What parts are called, by the first word. */
const ROLES_FROM = new Map(
  ROLES_SAID.map(({ words: [first] }) => [first!, ROLES_SAID.filter(({ words }) => words[0] === first)]),
);

/** A heading at the beginning of a line: a part of the session, or "Round 2". */
export function headingOf(tokens: readonly Token[]): Heading | null {
  // "10 min stretch: hips, quads".
  if (tokens[0]?.kind === 'seconds' && tokens.length > 1) {
    const after = tokens.slice(1).filter((token) => token.word !== 'of');
    const behind = headingOf(after) ?? headingOf(after.slice(0, 2));
    return behind?.role === 'cool-down' || behind?.role === 'warm-up' ? { ...behind, to: 0 } : null;
  }
  const words = tokens.map((token) => token.word);
  // "Core finisher: …": what it is for before what it is.
  if (SECTIONS.has(words[0]!) && [':', '-', '–', '—', undefined].includes(words[2])) {
    const behind = headingOf(tokens.slice(1));
    if (behind?.role === 'finisher' || behind?.role === 'challenge') return { ...behind, to: behind.to + 1 };
  }
  // "Conditioning: 8 min AMRAP: …": what it is for, and behind it a clock of its own.
  const label = words.findIndex((word) => !SECTIONS.has(word));
  if (label > 0 && label <= 3 && [':', '-', '–', '—'].includes(words[label]!)) {
    const behind = factsIn(CLOCK_GRAMMAR, tokens.slice(label + 1));
    const begins = behind.find(({ from, fact }) => from === 0 && STARTS_A_PART.has(fact.is));
    if (begins && label + 1 + begins.to < tokens.length)
      return { role: 'circuit', to: label + 1, roundNumber: null };
  }
  const ends = (at: number) =>
    at >= tokens.length || [':', '-', '–', '—', '(', '\t', '.', ',', '='].includes(words[at]!);
  // "Set 1: squats": one of several, each with its own movements.
  const nth =
    tokens[1]?.kind === 'number' && tokens[1].value <= 20 && [':', '-', '–', '—'].includes(words[2] ?? '');
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
  for (const { words: said, role } of ROLES_FROM.get(words[0]!) ?? []) {
    const dashed = said.length === 2 && words[1] === '-' && words[0] === said[0] && words[2] === said[1];
    const length = dashed ? 3 : said.length;
    if (!dashed && !said.every((word, i) => words[i] === word)) continue;
    const toEnd = words[length] === 'to' && words[length + 1] === 'finish' ? 2 : 0;
    const at = numbered(length + toEnd);
    // "Circuit x 3: swings, squats".
    const times =
      role === 'circuit' && ['x', '×'].includes(words[at] ?? '') && tokens[at + 1]?.kind === 'number';
    if (times && words[at + 2] === ':') return { role, to: at, roundNumber: null };
    if (ends(at))
      return {
        role,
        to: Math.min(at + (at < tokens.length && words[at] !== '(' ? 1 : 0), tokens.length),
        roundNumber: null,
      };
    // "Warm up 5 mins - marching, arm circles": how long it all is, and then what.
    const timed = tokens[at]?.kind === 'seconds' || (words[at] === '(' && tokens[at + 1]?.kind === 'seconds');
    const calm = role === 'warm-up' || role === 'cool-down';
    if (timed && (ends(at + (words[at] === '(' ? 3 : 1)) || (calm && words[at] !== '(')))
      return { role, to: at, roundNumber: null };
    // "Circuit 1 30/15 x 2": a number of its own and then the clock.
    if (at > length || role !== 'circuit') {
      const rest = tokens.slice(at);
      if (rest.length > 0 && leftOver(rest, factsIn(CLOCK_GRAMMAR, rest)).length === 0)
        return { role, to: at, roundNumber: null };
    }
  }
  return calmAmong(tokens, words);
}

/** "(x3)" at the very end of a part: how often all of it. */
export function roundsBehind(tokens: readonly Token[]): { tokens: readonly Token[]; n: number | null } {
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
export function leftOver(tokens: readonly Token[], facts: readonly Match<Fact>[]): Token[] {
  const taken = covered(facts, tokens.length);
  return tokens.filter(
    (token, i) =>
      !taken[i] &&
      (token.kind === 'word' ? !CLOCK_WORDS.has(token.word) : token.kind !== 'sign' && !token.spelt),
  );
}

/** Nothing but words of the clock. */
export function isClockOnly(text: string): boolean {
  const tokens = tokensOf(text);
  return leftOver(tokens, factsIn(CLOCK_GRAMMAR, tokens)).length === 0;
}
