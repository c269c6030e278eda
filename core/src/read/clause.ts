import { type ConditionId, conditionOf } from '../person/index.ts';
import { takeNumber } from './clause-numbers.ts';
import {
  type Clause,
  type ClauseReading,
  COUNTS,
  flush,
  isAge,
  isAt,
  isPerson,
  numberAt,
  type SaidCondition,
} from './clause-reading.ts';
import { takeWord } from './clause-words.ts';
import { type Token, tokensOf } from './tokens.ts';
import { meaningsOf } from './who-words.ts';

/** Weeks that part the phases of a pregnancy, and of the time after a birth. */
const EARLY_WEEKS = 12;
const SOON_WEEKS = 6;

/** What stands beside a number that says how many there are: "small group of 4 - ". */
const OF_A_TOTAL = new Set(['people', 'filler', 'adult', 'sex']);

/** What people are said to be or to have. */
const OF_PEOPLE = new Set(['people', 'condition', 'level', 'sex', 'adult', 'fine']);
const isTimes = (token: Token | undefined) => token?.word === 'x' || token?.word === '×';
const isTotalOnly = (tokens: readonly Token[]) =>
  tokens.filter((one) => one.kind === 'number' || one.word === 'one').length === 1 &&
  tokens.every(
    (one) => one.kind === 'number' || OF_A_TOTAL.has(meaningsOf([one])[0]?.meaning?.is ?? 'nothing'),
  );
/** Do people who have or are something stand here: "2 knees"? */
const countsOf = (tokens: readonly Token[], at: number): boolean =>
  (tokens[at]?.kind === 'number' || COUNTS[tokens[at]?.word ?? ''] !== undefined) &&
  ['condition', 'level', 'sex', 'sore', 'has', 'people', 'adult'].includes(
    meaningsOf(tokens.slice(at + 1, at + 5))[0]?.meaning?.is ?? '',
  );

/** One of them, by the word alone. */
const SINGLE = new Set('woman lady man gentleman gent lad bloke guy girl boy'.split(' '));
const isSingle = (text: string, { from, to }: Token) => SINGLE.has(text.slice(from, to).toLowerCase());

/**
 * Where commas and an "and" part the ages of those who were just counted: "3 kids 6, 9 and 13", as many numbers as there
 * are people.
 */
function agesListed(tokens: readonly Token[]): ReadonlySet<number> {
  const parts = new Set<number>();
  tokens.forEach((token, i) => {
    const many = token.kind === 'number' ? token.value : COUNTS[token.word];
    if (many === undefined || many < 2) return;
    // What they are called stands between, and no sign.
    let at = i + 1;
    while (at <= i + 3 && tokens[at]?.kind === 'word') at++;
    if (at === i + 1 || tokens[at]?.word === '(') at += tokens[at]?.word === '(' ? 1 : 0;
    const ages: number[] = [];
    const between: number[] = [];
    while (tokens[at]?.kind === 'number') {
      ages.push(tokens[at]!.value);
      at++;
      const begun = at;
      while ([',', 'and', '&'].includes(tokens[at]?.word ?? '')) at++;
      if (tokens[at]?.kind !== 'number') break;
      for (let k = begun; k < at; k++) between.push(k);
    }
    if (ages.length === many && ages.every((age) => age > LEAST_LISTED_AGE && isAge(age)))
      for (const k of between) parts.add(k);
  });
  return parts;
}
/** Nobody so young is taught. */
const LEAST_LISTED_AGE = 3;

/** Where a new clause begins: at a stop, a comma, or an "and" that counts somebody. */
export function clausesOf(text: string): Token[][] {
  const tokens = tokensOf(text, 600);
  const found: Token[][] = [[]];
  const agesAt = agesListed(tokens);
  let depth = 0;
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i]!;
    const next = tokens[i + 1];
    // "12 (2 knees, 1 back)": some of those.
    if (token.word === '(' && depth === 0 && countsOf(tokens, i + 1) && isTotalOnly(found.at(-1)!)) {
      found.push([]);
      continue;
    }
    if (token.word === '(' || token.word === '[') depth++;
    else if ((token.word === ')' || token.word === ']') && depth > 0) depth--;
    // "7 - Ann, Ted and five others": how many, and then who.
    const behindCount =
      token.word === '-' && i > 0 && token.from > tokens[i - 1]!.to && isTotalOnly(found.at(-1)!);
    const stop =
      behindCount ||
      (token.kind === 'sign' &&
        [',', ';', '.', '/', ':', '\t', '|', '!', '?', '&', '+', '–', '—', '•', '*'].includes(token.word) &&
        !(token.word === '+' && tokens[i - 1]?.kind === 'number' && tokens[i - 1]!.to === token.from));
    const lineEnd = i > 0 && text.slice(tokens[i - 1]!.to, token.from).includes('\n');
    const counts =
      next !== undefined &&
      (next.kind === 'number' ||
        COUNTS[next.word] !== undefined ||
        ['some', 'half', 'the', 'few', 'another'].includes(next.word) ||
        // "And their 2 support workers".
        (['their', 'my', 'our', 'his', 'her'].includes(next.word) && tokens[i + 2]?.kind === 'number'));
    const article = next !== undefined && ['a', 'an'].includes(next.word);
    const andNew =
      (['and', 'plus', 'including', 'incl', 'inc'].includes(token.word) &&
        counts &&
        (!article || personAfter(tokens, i + 2))) ||
      (token.word === 'plus' && tokens.slice(i + 1, i + 4).some((one) => isSingle(text, one)));
    // "My mum and my sister": two people.
    const owner = ['my', 'his', 'her', 'their', 'our', 'your'].includes(next?.word ?? '') ? 1 : 0;
    const relative =
      ['and', 'plus', 'with'].includes(token.word) &&
      i > 0 &&
      meaningsOf(tokens.slice(i + 1 + owner, i + 3 + owner))[0]?.meaning?.is === 'relative' &&
      (owner > 0 || meaningsOf(found.at(-1)!).some(({ meaning }) => meaning?.is === 'relative'));
    // "Ann 66 and Ben 64": another name with an age.
    const isName = (at: number) => /^\p{Lu}\p{Ll}/u.test(text.slice(tokens[at]!.from, tokens[at]!.to));
    const so = found.at(-1)!;
    const another =
      token.word === 'and' &&
      next !== undefined &&
      isName(i + 1) &&
      (so.length === 1
        ? isName(i - 1) && [so[0]!, next].every((one) => meaningsOf([one])[0]?.meaning === null)
        : tokens[i + 2]?.kind === 'number' && so.some((one) => one.kind === 'number'));
    // "13 people but Sheila can't kneel and Bob can't jump": of one of them, by name.
    const oneByName =
      ['but', 'and', 'though', 'although', 'except'].includes(token.word) &&
      next !== undefined &&
      isName(i + 1) &&
      meaningsOf([next])[0]?.meaning === null &&
      GOES_ON.has(tokens[i + 2]?.word ?? '');
    // "2 backs and a shoulder": of so many listed by what hurts, another.
    const injuryAfter =
      token.word === 'and' &&
      article &&
      (so[0]?.value ?? 0) >= 2 &&
      meaningsOf(so.slice(1)).every(({ meaning }) => meaning?.is === 'condition' || meaning?.is === 'sore') &&
      so.length > 1 &&
      ['condition', 'sore'].includes(meaningsOf(tokens.slice(i + 2, i + 4))[0]?.meaning?.is ?? '');
    // "3 men and 2 women all over 60": of everybody.
    const ofAll =
      token.word === 'all' &&
      found.slice(0, -1).some((one) => one.some(({ kind }) => kind === 'number')) &&
      so.some((one) => one.kind === 'number' || COUNTS[one.word] !== undefined) &&
      next !== undefined &&
      (next.kind === 'number' ||
        next.kind === 'seconds' ||
        ['over', 'under', 'age word', 'decade', 'level', 'has'].includes(
          meaningsOf([next])[0]?.meaning?.is ?? '',
        ));
    const ofThem =
      ['of', 'among'].includes(next?.word ?? '') &&
      ['them', 'these', 'those', 'whom', 'which'].includes(tokens[i + 2]?.word ?? '') &&
      (token.kind === 'number' || COUNTS[token.word] !== undefined) &&
      !['in', 'for', 'by'].includes(tokens[i - 1]?.word ?? '');
    // "2 x knees 1 x asthma": another so many.
    const timesAgain =
      token.kind === 'number' && isTimes(next) && isTimes(found.at(-1)![1]) && found.at(-1)!.length > 2;
    // "Ten adults one with a bad back": others are counted, comma or none.
    const countsAnew =
      !['a', 'an'].includes(token.word) &&
      countsOf(tokens, i) &&
      so.some((one) => one.kind === 'number' || COUNTS[one.word] !== undefined) &&
      OF_PEOPLE.has(meaningsOf(so).at(-1)?.meaning?.is ?? 'nothing');
    if ((lineEnd || ofThem || timesAgain || countsAnew || ofAll) && depth <= 0) found.push([]);
    if (depth <= 0 && !agesAt.has(i) && (stop || andNew || relative || another || oneByName || injuryAfter)) {
      found.push([]);
      continue;
    }
    if (token.word === '(' || token.word === ')' || token.word === '[' || token.word === ']') continue;
    if (stop) continue;
    found.at(-1)!.push(token);
  }
  return found.filter((clause) => clause.some((token) => token.kind !== 'sign'));
}

const personAfter = (tokens: readonly Token[], at: number): boolean =>
  isPerson(tokens[at]?.word ?? '', meaningsOf(tokens.slice(at, at + 4))[0]?.meaning);

/** How long it has been decides which of these it is: are both of one kind? */
export const samePhases = (a: ConditionId, b: ConditionId): boolean => phase(a, 0) === phase(b, 0);

/** The careful end of a span of weeks: as far on with a child, as short a time after a birth. */
export const phaseAt = (
  id: ConditionId,
  of: { readonly least: number; readonly most: number },
): ConditionId => phase(id, id.startsWith('pregnancy') ? of.most : of.least);

/** Does how long it has been decide what it is? */
export const hasPhases = (id: ConditionId): boolean => phase(id, 0) !== phase(id, 99);

function phase(id: ConditionId, weeks: number): ConditionId {
  if (id.startsWith('pregnancy')) return weeks <= EARLY_WEEKS ? 'pregnancy-early' : 'pregnancy-later';
  if (id.startsWith('after-birth'))
    return weeks <= SOON_WEEKS
      ? 'after-birth-early'
      : weeks <= EARLY_WEEKS
        ? 'after-birth-middle'
        : 'after-birth-later';
  if (id === 'caesarean-early') return weeks <= EARLY_WEEKS ? id : 'after-birth-later';
  return id;
}

/** Words that want another behind them, and what can't be that. */
const WANTS = new Set('with has have a an on and having no use uses using wearing takes taking'.split(' '));
/** What was begun and not said: "one with", "osteoporosis and a bad". Somebody has something, nobody knows what. */
function danglingIn(text: string, tokens: readonly Token[]): string[] {
  return tokens.flatMap((token, i) => {
    const next = tokens[i + 1];
    const after = tokens[i + 2];
    const sore = next !== undefined && ['bad', 'sore', 'dodgy', 'stiff', 'weak', 'new'].includes(next.word);
    if (['a', 'an'].includes(token.word) && sore && (after === undefined || after.word === 'and'))
      return [text.slice(token.from, next.to)];
    if (token.word === 'one' && next?.word === 'one') return [text.slice(token.from, next.to)];
    if (!WANTS.has(token.word)) return [];
    if (next === undefined || (next.word === 'and' && token.word !== 'on'))
      return [text.slice(token.from, next?.to ?? token.to)];
    return [];
  });
}

/** Conditions that begin with an operation: in its first weeks that is the one to mind. */
const OPERATIONS: ReadonlySet<ConditionId> = new Set([
  'knee-replacement',
  'hip-replacement-back',
  'hip-replacement-front',
  'shoulder-replacement',
  'hip-fracture',
  'hernia',
  'stoma',
] as const);
/** What people are by their age alone: a hand beside it is something they have. */
export const BY_AGE: ReadonlySet<ConditionId> = new Set(['child', 'teenager', 'older-beginner'] as const);
/** Words that say nothing more beside a condition that was understood. */
const BESIDE = new Set(
  'torn ruptured sprained swollen puffy bruised inflamed tear rupture left right both side l r - weak arm leg hand foot knee hip shoulder wrist elbow joint playing plays acting up sore bad pain painful problem issue disease condition patient user symptom'.split(
    ' ',
  ),
);
const OF_A_SIDE = new Set(
  'left right side weak weaker affected bad worse the on is are it only one all of them'.split(' '),
);
/** What a class is called after, whoever comes to it: "mum and baby class". */
const CALLED = new Set('class group session club'.split(' '));
/** Behind "one": goes on about one of those who were just named. */
const GOES_ON = new Set(
  'is has are have had cant cannot uses use wears needs takes struggles gets'.split(' '),
);
/** What nobody has, where nobody has anything. */
const NOTHING = new Set(
  'injury injured problem issue condition complaint anything limitation concern medical health ailment pain sore ill unwell restriction any known special serious major new other present at all today to report worry about'.split(
    ' ',
  ),
);

/** Reads one clause by itself. */
export function readClause(text: string, tokens: readonly Token[]): Clause {
  const says = text.slice(tokens[0]!.from, tokens.at(-1)!.to).trim();
  const clause: Clause = {
    count: null,
    share: null,
    conditions: [],
    level: null,
    sex: null,
    adult: false,
    ages: null,
    name: null,
    ofThem: false,
    also: false,
    rest: false,
    people: false,
    among: false,
    withOnly: false,
    beside: false,
    total: false,
    relative: false,
    plus: /(?:\bplus|\+)\s*$/iu.test(text.slice(0, tokens[0]!.from)),
    pronoun: ['he', 'she'].includes(tokens[0]!.word),
    fine: false,
    outOf: null,
    between: false,
    times: false,
    listed: false,
    when: false,
    weeks: null,
    side: null,
    says,
    unread: [],
  };
  const r: ClauseReading = {
    text,
    tokens,
    pieces: meaningsOf(tokens),
    clause,
    nobody: false,
    deniedFrom: -2,
    has: false,
    side: null,
    sides: false,
    event: false,
    alone: false,
    weeks: null,
    stray: [],
  };
  for (let i = 0; i < r.pieces.length; i++) {
    const n = numberAt(r, i);
    if (n === null) takeWord(r, i);
    else i = takeNumber(r, i, n);
  }
  flush(r);
  settle(r);
  return clause;
}

/** What all of it together comes to, once every word has been looked at. */
function settle(r: ClauseReading): void {
  if (r.alone && r.clause.name === null) r.clause.count ??= 1;
  // "Pregnant lady": one of them.
  const single = r.tokens.some((token) => isSingle(r.text, token));
  if (single && r.clause.count === null && r.clause.share === null) r.clause.count = 1;
  // "Mum and baby class": what it is called counts nobody.
  if (r.clause.relative && r.clause.count === 1 && CALLED.has(r.pieces.at(-1)!.token.word)) {
    r.clause.count = null;
    r.clause.relative = false;
    r.clause.people = true;
  }
  const ofAKind = r.clause.sex !== null || r.clause.level !== null;
  if (r.clause.count !== null && ofAKind && /\bof the\b/iu.test(r.clause.says)) r.clause.ofThem = true;
  // "3 beginners one with asthma": with nothing between them it is one of those.
  const goesOn = /[\p{L}\d]\s+$/u.test(r.text.slice(0, r.tokens[0]!.from)) && isAt(r, 1) === 'has';
  r.clause.among =
    r.clause.count !== null &&
    (goesOn || GOES_ON.has(r.pieces[1]?.token.word ?? '')) &&
    r.clause.name === null;
  r.clause.withOnly = r.clause.count === 1 && r.pieces[1]?.token.word === 'with' && r.clause.name === null;
  const lately = r.weeks !== null && r.weeks.least <= EARLY_WEEKS;
  if (r.event && lately) r.clause.conditions.push({ id: 'heart-event-recent' });
  if (lately && r.clause.conditions.some(({ id }) => OPERATIONS.has(id)))
    r.clause.conditions.push({ id: 'recent-surgery' });
  // When it was decides what it is.
  const dated = r.event || r.clause.conditions.some(({ id }) => OPERATIONS.has(id));
  r.clause.when =
    dated &&
    r.weeks === null &&
    !r.clause.conditions.some(({ id }) => id === 'heart-event-recent' || id === 'recent-surgery');
  // Weeks of what isn't said.
  if (
    r.weeks !== null &&
    !(r.event || r.clause.conditions.some(({ id }) => OPERATIONS.has(id))) &&
    !r.clause.conditions.some(({ id }) => hasPhases(id))
  ) {
    r.clause.unread.push(r.weeks.says);
    r.clause.weeks = r.weeks;
  }
  const only = (piece: string) =>
    r.clause.conditions.some(({ id }) => !BY_AGE.has(id)) &&
    tokensOf(piece).every((token) => BESIDE.has(token.word));
  const unread = r.clause.unread
    .map((piece) => piece.trim())
    .filter(
      (piece) =>
        !only(piece) &&
        meaningsOf(tokensOf(piece)).some(
          ({ meaning, token }) =>
            (meaning === null && token.kind !== 'sign') ||
            (meaning !== null && ['no', 'side', 'sore', 'level'].includes(meaning.is)),
        ),
    );
  // "Nobody has any injuries" says that there is nothing; "nobody likes burpees" says something else.
  r.clause.unread =
    r.nobody && r.clause.conditions.length === 0
      ? unread.filter((piece) => !tokensOf(piece).every((token) => NOTHING.has(token.word)))
      : unread;
  if (
    r.side !== null &&
    r.side !== 'both' &&
    r.clause.conditions.length === 0 &&
    r.tokens.every((token) => token.kind === 'number' || OF_A_SIDE.has(token.word))
  )
    r.clause.side = r.side;
  r.clause.unread.push(...danglingIn(r.text, r.tokens));
  const sided = (one: SaidCondition): SaidCondition =>
    // Only what may be of one side alone has one: a back is never spared its left.
    one.side && (r.sides || !conditionOf(one.id).sided) ? { id: one.id } : one;
  const unique = new Map<string, SaidCondition>();
  for (const one of r.clause.conditions) {
    const id = r.weeks === null ? one.id : phaseAt(one.id, r.weeks);
    const known = unique.get(id);
    const next = sided({ ...one, id });
    // Said twice, once with its side, it is of that side.
    const both = known?.side && next.side && known.side !== next.side;
    unique.set(id, both ? { id } : next.side ? next : (known ?? next));
  }
  for (const { id } of [...unique.values()])
    for (const other of TOGETHER[id] ?? []) if (!unique.has(other)) unique.set(other, { id: other });
  r.clause.conditions = narrowed([...unique.values()]);
}

/** What is said in general beside what says it exactly: who has heart failure has been said to have heart disease too. */
export const WIDER: Readonly<Partial<Record<ConditionId, readonly ConditionId[]>>> = {
  'spine-fracture': ['osteoporosis'],
  'diabetes-insulin': ['diabetes'],
  'heart-failure': ['heart-disease'],
  falls: ['unsure-balance'],
  'heart-event-recent': ['heart-disease'],
  'pregnancy-watched': ['pregnancy-later', 'pregnancy-early'],
  sciatica: ['back-worse-bending'],
  'walking-aid': ['unsure-balance'],
  'frozen-shoulder': ['sore-shoulder', 'sore-shoulder-low'],
  'hip-fracture': ['hip-osteoarthritis'],
};
/** What comes with it: a chest is opened for the heart's sake. */
const TOGETHER: Readonly<Partial<Record<ConditionId, readonly ConditionId[]>>> = {
  breastbone: ['heart-disease'],
};

export function narrowed(conditions: SaidCondition[]): SaidCondition[] {
  const ids = new Set(conditions.map(({ id }) => id));
  return conditions.filter(
    ({ id }) => !conditions.some((other) => WIDER[other.id]?.includes(id) && ids.has(other.id)),
  );
}
