import {
  ADULT_FROM,
  type ConditionId,
  conditionOf,
  type LevelIndex,
  OLDEST,
  type Side,
  YOUNGEST,
} from '../person/index.ts';
import { type Token, tokensOf } from './tokens.ts';
import { type Meaning, meaningsOf } from './who-words.ts';

/** A condition that was named, of one side where that was said. */
export interface SaidCondition {
  readonly id: ConditionId;
  readonly side?: Exclude<Side, 'both'>;
}

/** Weeks that part the phases of a pregnancy, and of the time after a birth. */
const EARLY_WEEKS = 12;
const SOON_WEEKS = 6;

const COUNTS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  single: 1,
  couple: 2,
  pair: 2,
  dozen: 12,
  twins: 2,
};

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

/** Words that say nothing more beside a condition that was understood. */
const BESIDE = new Set(
  'torn ruptured sprained tear rupture left right both side l r - weak arm leg hand foot knee hip shoulder wrist elbow joint playing plays acting up sore bad pain painful problem issue disease condition patient user symptom'.split(
    ' ',
  ),
);
const OF_A_SIDE = new Set(
  'left right side weak weaker affected bad worse the on is are it only one all of them'.split(' '),
);
const LEADS_ON = new Set(
  'with has have having on for the a an of in to at is are was and who that had get use by from'.split(' '),
);

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
  /** A side and nothing it is of: "left side weak" goes on about what stands before. */
  side: 'left' | 'right' | null;
  says: string;
  unread: string[];
}

/** Words that an age comes after. */
const AGED: ReadonlySet<string> = new Set(['aged', 'age', 'ages']);
/** How old children are in the first year at school, by what it is called in England and in America. From memory. */
const FIRST_YEAR: Readonly<Record<string, number>> = { year: 5, yr: 5, y: 5, grade: 6, grader: 6 };
const LAST_YEAR = 13;

/** Years, or heads, from one end of a span to the other. Estimate. */
const WIDE_SPAN = 15;

/** More than that counts nobody: a year, a pressure, a number of something else. Estimate. */
const MOST_HEADS = 999;

/** Nobody has more arms or legs. */
const MOST_LIMBS = 4;

export const isAge = (n: number) => Number.isInteger(n) && n >= 1 && n <= 120;

/** What stands beside a number that says how many there are: "small group of 4 - ". */
const OF_A_TOTAL = new Set(['people', 'filler']);

/** Where the oldest is well grown nobody is a child: "none over 40". Years; estimate. */
const WELL_GROWN = 21;
const upTo = (n: number): readonly [number, number] => [n >= WELL_GROWN ? ADULT_FROM : YOUNGEST, n];
const IS = new Set(['is', 'are']);
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

/** Where a new clause begins: at a stop, a comma, or an "and" that counts somebody. */
export function clausesOf(text: string): Token[][] {
  const tokens = tokensOf(text, 600);
  const found: Token[][] = [[]];
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
        ['some', 'half', 'the', 'few', 'another'].includes(next.word));
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
    if ((lineEnd || ofThem || timesAgain || countsAnew) && depth <= 0) found.push([]);
    if (depth <= 0 && (stop || andNew || relative || another)) {
      found.push([]);
      continue;
    }
    if (token.word === '(' || token.word === ')' || token.word === '[' || token.word === ']') continue;
    if (stop) continue;
    found.at(-1)!.push(token);
  }
  return found.filter((clause) => clause.some((token) => token.kind !== 'sign'));
}

/** Is somebody called this, "a diabetic", or is it a thing somebody has, "a bad back"? */
function isPerson(word: string, meaning: Meaning | null | undefined): boolean {
  if (/(ic|er|ant|ee|ist|ian|one|ie)$/.test(word) && word !== 'shoulder') return true;
  if (!meaning) return false;
  return meaning.is === 'condition'
    ? ['child', 'teenager', 'older-beginner', 'wheelchair'].includes(meaning.id)
    : ['level', 'sex', 'relative', 'people', 'adult'].includes(meaning.is);
}
const personAfter = (tokens: readonly Token[], at: number): boolean =>
  isPerson(tokens[at]?.word ?? '', meaningsOf(tokens.slice(at, at + 4))[0]?.meaning);

/** How long it has been decides which of these it is: are both of one kind? */
export const samePhases = (a: ConditionId, b: ConditionId): boolean => phase(a, 0) === phase(b, 0);

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

/** Meanings that may be a part of what isn't understood, together with the words around them. */
const STAYS = new Set(['has', 'sore', 'no', 'side']);

/** Before a number that says which one: nobody is counted by it. */
const WHICH = new Set(['phase', 'stage', 'session', 'cohort', 'block', 'term']);
/** Grown up, whoever they come with. */
const PARENTS = new Set([
  'mum',
  'mom',
  'mother',
  'dad',
  'father',
  'grandma',
  'granny',
  'nan',
  'grandad',
  'grandpa',
]);

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
    side: null,
    says,
    unread: [],
  };
  const pieces = meaningsOf(tokens);
  // "60s" and "12s" are ages here, not seconds.
  const decadeAt = (i: number) => {
    const token = pieces[i]?.token;
    return token?.kind === 'seconds' && text[token.to - 1] === 's' && token.to - token.from <= 3;
  };
  const numberAt = (i: number) =>
    (pieces[i]?.token.kind === 'number' && pieces[i]!.meaning === null) || decadeAt(i)
      ? pieces[i]!.token.value
      : null;
  const isAt = (i: number) => pieces[i]?.meaning?.is;
  const ofWhatFollows = (i: number) => {
    const next = pieces[i + 1];
    return next?.meaning?.is === 'condition' && !isPerson(next.token.word, next.meaning);
  };
  // "nobody" denies all that follows, "no" only what comes next.
  let nobody = false;
  let deniedFrom = -2;
  let has = false;
  let side: 'left' | 'right' | 'both' | null = null;
  // Two sides were said: of which of them it isn't known, so of both.
  let sides = false;
  let event = false;
  let alone = false;
  let weeks: number | null = null;
  let weeksSaid = '';
  let stray: Token[] = [];
  const flush = () => {
    // Words that only lead on aren't what isn't understood.
    while (stray.length > 0 && LEADS_ON.has(stray.at(-1)!.word)) stray.pop();
    if (stray.length > 0) clause.unread.push(text.slice(stray[0]!.from, stray.at(-1)!.to));
    stray = [];
  };
  for (let i = 0; i < pieces.length; i++) {
    const { meaning, token } = pieces[i]!;
    const original = text.slice(token.from, token.to);
    const n = numberAt(i);
    if (n !== null) {
      // "Phase 4", "session 3": which one it is.
      if (clause.count === null && WHICH.has(pieces[i - 1]?.token.word ?? '')) {
        if (stray.at(-1) === pieces[i - 1]?.token) stray.pop();
        continue;
      }
      flush();
      const next = pieces[i + 1];
      const dash =
        next?.token.word === '-' ||
        next?.token.word === '–' ||
        next?.token.word === 'to' ||
        (next?.token.word === 'and' && isAt(i - 1) === 'age word');
      const to = dash ? numberAt(i + 2) : null;
      const tail = text.slice(token.to, token.to + 1);
      const follows = to === null ? i + 1 : i + 3;
      // "25 year 9s": so many of a year at school.
      const school = FIRST_YEAR[pieces[i - 1]?.token.word ?? ''];
      if (school !== undefined && n >= 1 && n <= LAST_YEAR && isAt(follows) !== 'age word') {
        clause.ages = [n + school - 1, n + school];
        clause.people = true;
        if (pieces[i + 1]?.token.word === 's') i++;
        continue;
      }
      const ofSchool =
        FIRST_YEAR[pieces[follows]?.token.word ?? ''] !== undefined &&
        numberAt(follows + 1) !== null &&
        numberAt(follows + 1)! <= LAST_YEAR;
      // "4 aged 9 to 11": the age comes after its word, and four is how many.
      const agesFollow =
        AGED.has(pieces[follows]?.token.word ?? '') &&
        (numberAt(follows + 1) !== null || ['over', 'under', 'decade'].includes(isAt(follows + 1) ?? ''));
      const years =
        (!ofSchool && isAt(follows) === 'age word' && !agesFollow) ||
        (pieces[follows]?.token.word === '-' && isAt(follows + 1) === 'age word');
      if (
        isAt(follows) === 'weeks' ||
        (to === null && pieces[follows]?.token.word === '-' && isAt(follows + 1) === 'weeks')
      ) {
        weeks = n * (pieces[follows]!.meaning as { times: number }).times;
        weeksSaid = text.slice(token.from, pieces[follows]!.to);
        i = follows;
        continue;
      }
      if (
        to !== null &&
        isAge(n) &&
        isAge(to) &&
        n < to &&
        (clause.count !== null ||
          years ||
          isAt(i - 1) === 'age word' ||
          pieces.length <= 3 ||
          clause.conditions.length > 0 ||
          // So wide a span is of ages; nobody counts heads like that.
          (n >= 14 && to - n >= WIDE_SPAN))
      ) {
        clause.ages = [n, to];
        i = years ? follows : follows - 1;
        continue;
      }
      // "Two teenagers (13 & 15)": as many ages as there are people.
      const listed = [n];
      let end = i;
      for (;;) {
        const joined = ['&', 'and', ','].includes(pieces[end + 1]?.token.word ?? '') ? 2 : 1;
        const more = numberAt(end + joined);
        if (more === null) break;
        listed.push(more);
        end += joined;
      }
      if (listed.length > 1 && isAt(end + 1) === 'weeks') {
        weeks = Math.max(...listed) * (pieces[end + 1]!.meaning as { times: number }).times;
        weeksSaid = text.slice(token.from, pieces[end + 1]!.to);
        i = end + 1;
        continue;
      }
      const old = listed.every((age) => isAge(age) && age > 3);
      if (listed.length > 1 && listed.length === clause.count && old) {
        clause.ages = [Math.min(...listed), Math.max(...listed)];
        i = end;
        continue;
      }
      // "Nobody under 50": all of them are older.
      if (nobody && (isAt(i - 1) === 'over' || isAt(i - 1) === 'under')) {
        clause.ages = isAt(i - 1) === 'under' ? [n, OLDEST] : upTo(n);
        clause.share = 'all';
        nobody = false;
        if (['s', '+'].includes(pieces[follows]?.token.word ?? '') || years) i = follows;
        continue;
      }
      if (isAt(i - 1) === 'over' || tail === '+') {
        clause.ages = [n, OLDEST];
        i =
          pieces[follows]?.token.word === '+' || pieces[follows]?.token.word === 's' ? follows : follows - 1;
        if (isAt(i + 1) === 'age word') i++;
        continue;
      }
      if (isAt(i - 1) === 'under') {
        clause.ages = upTo(n - 1);
        i = pieces[follows]?.token.word === 's' ? follows : follows - 1;
        continue;
      }
      if (
        (isAt(i - 1) === 'decade' || decadeAt(i) || pieces[follows]?.token.word === 's' || tail === 's') &&
        n % 10 === 0 &&
        n >= 10
      ) {
        i = follows - 1 + (pieces[follows]?.token.word === 's' ? 1 : 0);
        // "30s and 40s": from the first of them to the last.
        const last = ['and', 'to', '-', '&'].includes(pieces[i + 1]?.token.word ?? '')
          ? numberAt(i + 2)
          : null;
        const further = last !== null && last % 10 === 0 && last > n ? last : n;
        if (further > n) i += pieces[i + 3]?.token.word === 's' ? 3 : 2;
        clause.ages = [n, further + 9];
        continue;
      }
      if (
        years ||
        isAt(i - 1) === 'age word' ||
        (clause.name !== null && isAge(n) && clause.ages === null) ||
        (isAt(i - 1) === 'relative' && isAge(n)) ||
        // "One client, male 45".
        (isAt(i - 1) === 'sex' && clause.count === 1 && isAge(n) && n > MOST_LIMBS)
      ) {
        // "Youngest 16 oldest 74": all between, in one breath.
        const end = ['youngest', 'oldest'].includes(pieces[i - 1]?.token.word ?? '');
        clause.ages =
          end && clause.ages !== null ? [Math.min(clause.ages[0], n), Math.max(clause.ages[1], n)] : [n, n];
        i = years ? follows + (pieces[follows]?.token.word === '-' ? 1 : 0) : i;
        continue;
      }
      // "osteoporosis x2", "2 x sore wrists"
      if (
        ['x', '×'].includes(pieces[i - 1]?.token.word ?? '') ||
        ['x', '×'].includes(next?.token.word ?? '')
      ) {
        clause.count = n;
        clause.times = true;
        if (['x', '×'].includes(next?.token.word ?? '')) i++;
        continue;
      }
      // "25% beginners"
      if (tail === '%' && n > 0 && n <= 100) {
        clause.share = n / 100;
        continue;
      }
      // "All 60": nothing of them is counted.
      if (clause.share === 'all' && clause.ages === null && isAge(n) && i === pieces.length - 1) {
        clause.ages = [n, n];
        continue;
      }
      // A number behind "with" counts knees, not people: "one with two new hips".
      if (clause.count !== null && has && n <= MOST_LIMBS) {
        side = 'both';
        continue;
      }
      // "Joan who is 81".
      if ((clause.count === 1 || clause.name !== null) && has && isAge(n) && clause.ages === null) {
        clause.ages = [n, n];
        continue;
      }
      const before = pieces[i - 1]?.token.word;
      const of =
        before === 'of' ||
        isAt(i - 1) === 'share' ||
        (before === 'the' && isAt(i - 2) === 'share') ||
        (['the', 'them', 'us'].includes(before ?? '') && pieces[i - 2]?.token.word === 'of');
      // "two of the ten": how many there are in all.
      if (of && (clause.count === null ? typeof clause.share === 'number' : n >= clause.count)) {
        clause.outOf = n;
        continue;
      }
      // "2 or 3": the more of them, and it is asked.
      if (clause.count !== null && before === 'or') {
        clause.count = Math.max(clause.count, n);
        clause.between = true;
        continue;
      }
      // "Dot, 81 (two falls)": how often, of somebody who was named.
      if (clause.name !== null && isAt(follows) === 'condition') continue;
      // "Bypass 2019" is a year, and nobody teaches so many.
      const headcount = Number.isInteger(n) && n <= MOST_HEADS;
      if (clause.count === null && headcount) clause.count = n;
      else clause.unread.push(original);
      continue;
    }
    if (meaning === null) {
      const { word, kind } = token;
      if (original === 'ME' || original === 'M.E') {
        clause.conditions.push({ id: 'fatigue-after-effort' });
        continue;
      }
      if (kind === 'sign' || ['x', '×', 's', 'to'].includes(word)) continue;
      // "Couples’ night": of what kind it is.
      if (word === 'couple' && /s$/i.test(original) && clause.count === null) continue;
      if (COUNTS[word] !== undefined && (clause.count === null || !has)) {
        clause.count = (clause.count ?? 1) === 1 ? COUNTS[word]! : clause.count! * COUNTS[word]!;
        continue;
      }
      const capital = /^\p{Lu}/u.test(original) && !/^\p{Lu}{2,}$/u.test(original);
      // "No planks for Dave": what was said before is of him.
      if (capital && clause.name === null && clause.count === null && pieces[i - 1]?.token.word === 'for') {
        flush();
        clause.name = original;
        continue;
      }
      if (
        capital &&
        clause.name === null &&
        stray.length === 0 &&
        clause.conditions.length === 0 &&
        (clause.count === null || isAt(i - 1) === 'relative')
      ) {
        clause.name = original.replace(/['’]s$/, '');
        continue;
      }
      stray.push(token);
      continue;
    }
    if (meaning.is === 'filler') {
      if (COUNTS[token.word] !== undefined && clause.count === null && clause.share === null && !has)
        clause.count = COUNTS[token.word]!;
      else if (stray.length > 0) stray.push(token);
      continue;
    }
    // What is denied by name is denied, and nothing of it is left to be understood.
    if (deniedFrom === i - 1 && (meaning.is === 'condition' || meaning.is === 'level')) stray.pop();
    if (!STAYS.has(meaning.is)) flush();
    switch (meaning.is) {
      case 'condition': {
        const id = meaning.id;
        if (meaning.all) clause.share = 'all';
        if (meaning.event) event = true;
        if (nobody || deniedFrom === i - 1) {
          clause.fine = true;
          break;
        }
        clause.conditions.push({ id, ...(side === 'left' || side === 'right' ? { side } : {}) });
        break;
      }
      case 'level':
        if (nobody || deniedFrom === i - 1) clause.level = 0;
        // Behind "with", or before what they have, it says something of that ("active arthritis") and makes nobody fit.
        else if (meaning.level > 0 && ((has && !IS.has(pieces[i - 1]?.token.word ?? '')) || ofWhatFollows(i)))
          stray.push(token);
        else
          clause.level =
            clause.level === null ? meaning.level : (Math.min(clause.level, meaning.level) as LevelIndex);
        break;
      case 'sex':
        clause.sex = meaning.sex;
        clause.people = true;
        break;
      case 'ago':
        weeks ??= meaning.weeks;
        break;
      case 'total':
        clause.total = true;
        clause.people = true;
        break;
      case 'ages':
        clause.ages = [meaning.from, meaning.to];
        clause.people = true;
        break;
      case 'relative':
        clause.count ??= 1;
        clause.relative = true;
        clause.beside = ['their', 'her', 'his'].includes(pieces[i - 1]?.token.word ?? '');
        clause.adult ||= PARENTS.has(token.word);
        // "Their partners": so many nobody said.
        if (
          clause.count === 1 &&
          /s$/i.test(original) &&
          !['his', 'hers', 'he', 'she'].includes(token.word)
        ) {
          clause.count = null;
          clause.share = 'some';
        }
        clause.sex = meaning.sex ?? clause.sex;
        break;
      case 'people':
        clause.people = true;
        break;
      case 'alone':
        alone = true;
        clause.people = true;
        break;
      case 'adult':
        clause.adult = true;
        clause.people = true;
        break;
      case 'share':
        if (meaning.of === 'none') nobody = true;
        // "Seven mums, all of them": so many are said.
        if (meaning.of !== 'all' || clause.count === null) clause.share = meaning.of;
        break;
      case 'rest':
        clause.rest = true;
        break;
      case 'of them':
        clause.ofThem = true;
        break;
      case 'also':
        clause.also = true;
        break;
      case 'side': {
        // "Both beginners", and no knee of theirs.
        const limb = ['condition', 'sore'].includes(isAt(i + 1) ?? '');
        if (i === 0 && meaning.side === 'both' && !limb) {
          clause.share = 'all';
          break;
        }
        if (side !== null && side !== meaning.side) sides = true;
        if (meaning.side === 'both') sides = true;
        side = meaning.side;
        stray.push(token);
        // "new knee, left", "a stroke (left side weak)": the side comes after.
        const last = clause.conditions.at(-1);
        const followed = pieces.slice(i + 1).some((piece) => piece.meaning?.is === 'condition');
        if (last && !followed && side !== 'both')
          clause.conditions[clause.conditions.length - 1] = { ...last, side };
        break;
      }
      case 'no':
        deniedFrom = i;
        // What it denies isn't known: kept as written.
        stray.push(token);
        break;
      case 'fine':
        clause.fine = true;
        break;
      case 'has':
        if (stray.length > 0) stray.push(token);
        has = true;
        break;
      case 'sore':
        // Nothing sore was named: "a bad toe".
        stray.push(token);
        break;
    }
  }
  flush();
  if (alone && clause.name === null) clause.count ??= 1;
  // "Pregnant lady": one of them.
  const single = tokens.some((token) => isSingle(text, token));
  if (single && clause.count === null && clause.share === null) clause.count = 1;
  // "Mum and baby class": what it is called counts nobody.
  if (clause.relative && clause.count === 1 && CALLED.has(pieces.at(-1)!.token.word)) {
    clause.count = null;
    clause.relative = false;
    clause.people = true;
  }
  if (clause.count !== null && clause.sex !== null && /\bof the\b/iu.test(says)) clause.ofThem = true;
  // "3 beginners one with asthma": with nothing between them it is one of those.
  const goesOn = /[\p{L}\d]\s+$/u.test(text.slice(0, tokens[0]!.from)) && isAt(1) === 'has';
  clause.among =
    clause.count !== null && (goesOn || GOES_ON.has(pieces[1]?.token.word ?? '')) && clause.name === null;
  clause.withOnly = clause.count === 1 && pieces[1]?.token.word === 'with' && clause.name === null;
  const lately = weeks !== null && weeks <= EARLY_WEEKS;
  if (event && lately) clause.conditions.push({ id: 'heart-event-recent' });
  if (lately && clause.conditions.some(({ id }) => OPERATIONS.has(id)))
    clause.conditions.push({ id: 'recent-surgery' });
  // When it was decides what it is.
  const dated = event || clause.conditions.some(({ id }) => OPERATIONS.has(id));
  clause.when =
    dated &&
    weeks === null &&
    !clause.conditions.some(({ id }) => id === 'heart-event-recent' || id === 'recent-surgery');
  // Weeks of what isn't said.
  if (
    weeks !== null &&
    !(event || clause.conditions.some(({ id }) => OPERATIONS.has(id))) &&
    !clause.conditions.some(({ id }) => phase(id, 0) !== phase(id, 99))
  )
    clause.unread.push(weeksSaid);
  const only = (piece: string) =>
    clause.conditions.length > 0 && tokensOf(piece).every((token) => BESIDE.has(token.word));
  const unread = clause.unread
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
  clause.unread =
    nobody && clause.conditions.length === 0
      ? unread.filter((piece) => !tokensOf(piece).every((token) => NOTHING.has(token.word)))
      : unread;
  if (
    side !== null &&
    side !== 'both' &&
    clause.conditions.length === 0 &&
    tokens.every((token) => token.kind === 'number' || OF_A_SIDE.has(token.word))
  )
    clause.side = side;
  clause.unread.push(...danglingIn(text, tokens));
  const sided = (one: SaidCondition): SaidCondition =>
    // Only what may be of one side alone has one: a back is never spared its left.
    one.side && (sides || !conditionOf(one.id).sided) ? { id: one.id } : one;
  const unique = new Map<string, SaidCondition>();
  for (const one of clause.conditions) {
    const id = weeks === null ? one.id : phase(one.id, weeks);
    const known = unique.get(id);
    const next = sided({ ...one, id });
    // Said twice, once with its side, it is of that side.
    const both = known?.side && next.side && known.side !== next.side;
    unique.set(id, both ? { id } : next.side ? next : (known ?? next));
  }
  for (const { id } of [...unique.values()])
    for (const other of TOGETHER[id] ?? []) if (!unique.has(other)) unique.set(other, { id: other });
  clause.conditions = narrowed([...unique.values()]);
  return clause;
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
