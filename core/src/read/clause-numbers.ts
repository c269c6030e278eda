import { ADULT_FROM, OLDEST, YOUNGEST } from '../person/index.ts';
import { type ClauseReading, decadeAt, flush, isAge, isAt, numberAt, wordAt } from './clause-reading.ts';
import type { Token } from './tokens.ts';

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
/** Where the oldest is well grown nobody is a child: "none over 40". Years; estimate. */
const WELL_GROWN = 21;
const upTo = (n: number): readonly [number, number] => [n >= WELL_GROWN ? ADULT_FROM : YOUNGEST, n];
/** Before a number that says which one: nobody is counted by it. */
const WHICH = new Set(['phase', 'stage', 'session', 'cohort', 'block', 'term']);

/** A number of a clause, with what stands about it. */
interface Look {
  readonly i: number;
  readonly n: number;
  /** Where it stands in the text. */
  readonly token: Token;
  /** The other end of a span: "9 to 11". */
  readonly to: number | null;
  /** The letter or sign right behind it. */
  readonly tail: string;
  /** The piece behind it, or behind the span. */
  readonly follows: number;
  /** A word of ages follows, so that it is no count. */
  readonly years: boolean;
}

/** What a number may be, tried in this order: the last piece that it takes up, or null where it isn't that. */
type Rule = (r: ClauseReading, look: Look) => number | null;

const isSpan = (r: ClauseReading, i: number): boolean =>
  ['-', '–', 'to'].includes(wordAt(r, i + 1)) ||
  (wordAt(r, i + 1) === 'and' && isAt(r, i - 1) === 'age word');

function lookAt(r: ClauseReading, i: number, n: number): Look {
  const { token } = r.pieces[i]!;
  const to = isSpan(r, i) ? numberAt(r, i + 2) : null;
  const follows = to === null ? i + 1 : i + 3;
  const behind = numberAt(r, follows + 1);
  const ofSchool = FIRST_YEAR[wordAt(r, follows)] !== undefined && behind !== null && behind <= LAST_YEAR;
  // "4 aged 9 to 11": the age comes after its word, and four is how many.
  const agesFollow =
    AGED.has(wordAt(r, follows)) &&
    (behind !== null || ['over', 'under', 'decade'].includes(isAt(r, follows + 1) ?? ''));
  const years =
    (!ofSchool && isAt(r, follows) === 'age word' && !agesFollow) ||
    (wordAt(r, follows) === '-' && isAt(r, follows + 1) === 'age word');
  return { i, n, token, to, tail: r.text.slice(token.to, token.to + 1), follows, years };
}

/** "25 year 9s": so many of a year at school. */
const yearAtSchool: Rule = (r, { i, n, follows }) => {
  const school = FIRST_YEAR[wordAt(r, i - 1)];
  if (school === undefined || n < 1 || n > LAST_YEAR || isAt(r, follows) === 'age word') return null;
  r.clause.ages = [n + school - 1, n + school];
  r.clause.people = true;
  return wordAt(r, i + 1) === 's' ? i + 1 : i;
};

function inWeeks(r: ClauseReading, n: number, { from }: Token, unit: number): number {
  const weeks = n * (r.pieces[unit]!.meaning as { times: number }).times;
  // "6 weeks to 5 months": from the shortest to the longest.
  const { least, most, begun } = r.weeks ?? { least: weeks, most: weeks, begun: from };
  r.weeks = {
    least: Math.min(least, weeks),
    most: Math.max(most, weeks),
    begun,
    says: r.text.slice(begun, r.pieces[unit]!.to),
  };
  return unit;
}
/** "14 weeks", "3-month-old". */
const soLongAgo: Rule = (r, { n, token, to, follows }) => {
  const unit =
    isAt(r, follows) === 'weeks'
      ? follows
      : to === null && wordAt(r, follows) === '-' && isAt(r, follows + 1) === 'weeks'
        ? follows + 1
        : null;
  if (unit === null) return null;
  if (to !== null) inWeeks(r, to, token, unit);
  return inWeeks(r, n, token, unit);
};

/** "Ages 30 to 65", "60-75" where they have been counted, or so wide a span that nobody counts heads like that. */
const fromTo: Rule = (r, { i, n, to, follows, years }) => {
  if (to === null || !isAge(n) || !isAge(to) || n >= to) return null;
  const ofAges =
    r.clause.count !== null ||
    years ||
    isAt(r, i - 1) === 'age word' ||
    r.pieces.length <= 3 ||
    r.clause.conditions.length > 0 ||
    (n >= 14 && to - n >= WIDE_SPAN);
  if (!ofAges) return null;
  r.clause.ages = [n, to];
  return years ? follows : follows - 1;
};

/** "Two teenagers (13 & 15)": as many ages as there are people; "6 and 8 weeks": the longer of them. */
const asManyAges: Rule = (r, { i, n, token }) => {
  const listed = [n];
  let end = i;
  for (;;) {
    const joined = ['&', 'and', ','].includes(wordAt(r, end + 1)) ? 2 : 1;
    const more = numberAt(r, end + joined);
    if (more === null) break;
    listed.push(more);
    end += joined;
  }
  if (listed.length < 2) return null;
  if (isAt(r, end + 1) === 'weeks') return inWeeks(r, Math.max(...listed), token, end + 1);
  if (listed.length !== r.clause.count || !listed.every((age) => isAge(age) && age > 3)) return null;
  r.clause.ages = [Math.min(...listed), Math.max(...listed)];
  return end;
};

/** "Nobody under 50": all of them are older. */
const nobodyUnder: Rule = (r, { i, n, follows, years }) => {
  const before = isAt(r, i - 1);
  if (!r.nobody || (before !== 'over' && before !== 'under')) return null;
  r.clause.ages = before === 'under' ? [n, OLDEST] : upTo(n);
  r.clause.share = 'all';
  r.nobody = false;
  return ['s', '+'].includes(wordAt(r, follows)) || years ? follows : i;
};

const over: Rule = (r, { i, n, tail, follows }) => {
  if (isAt(r, i - 1) !== 'over' && tail !== '+') return null;
  r.clause.ages = [n, OLDEST];
  const end = ['+', 's'].includes(wordAt(r, follows)) ? follows : follows - 1;
  return isAt(r, end + 1) === 'age word' ? end + 1 : end;
};

const under: Rule = (r, { i, n, follows }) => {
  if (isAt(r, i - 1) !== 'under') return null;
  r.clause.ages = upTo(n - 1);
  return wordAt(r, follows) === 's' ? follows : follows - 1;
};

/** "In their 60s"; "30s and 40s": from the first of them to the last. */
const decade: Rule = (r, { i, n, tail, follows }) => {
  const plural = wordAt(r, follows) === 's';
  const said = isAt(r, i - 1) === 'decade' || decadeAt(r, i) || plural || tail === 's';
  if (!said || n % 10 !== 0 || n < 10) return null;
  const end = follows - 1 + (plural ? 1 : 0);
  const last = ['and', 'to', '-', '&'].includes(wordAt(r, end + 1)) ? numberAt(r, end + 2) : null;
  const further = last !== null && last % 10 === 0 && last > n ? last : n;
  r.clause.ages = [n, further + 9];
  return further > n ? end + (wordAt(r, end + 3) === 's' ? 3 : 2) : end;
};

/** "Aged 45", "Tom, 45", "my mum 72". */
const theirAge: Rule = (r, { i, n, follows, years }) => {
  const before = isAt(r, i - 1);
  const { name, ages, count } = r.clause;
  const theirs =
    years ||
    before === 'age word' ||
    (name !== null && isAge(n) && ages === null) ||
    (before === 'relative' && isAge(n)) ||
    // "One client, male 45".
    (before === 'sex' && count === 1 && isAge(n) && n > MOST_LIMBS);
  if (!theirs) return null;
  // "Youngest 16 oldest 74": all between, in one breath.
  const end = ['youngest', 'oldest'].includes(wordAt(r, i - 1));
  r.clause.ages = end && ages !== null ? [Math.min(ages[0], n), Math.max(ages[1], n)] : [n, n];
  return years ? follows + (wordAt(r, follows) === '-' ? 1 : 0) : i;
};

const TIMES = ['x', '×'];
/** "osteoporosis x2", "2 x sore wrists". */
const soOften: Rule = (r, { i, n }) => {
  const behind = TIMES.includes(wordAt(r, i + 1));
  if (!behind && !TIMES.includes(wordAt(r, i - 1))) return null;
  r.clause.count = n;
  r.clause.times = true;
  return behind ? i + 1 : i;
};

/** "25% beginners". */
const percent: Rule = (r, { i, n, tail }) => {
  if (tail !== '%' || n <= 0 || n > 100) return null;
  r.clause.share = n / 100;
  return i;
};

/** "All 60": nothing of them is counted. */
const allOfAnAge: Rule = (r, { i, n }) => {
  if (r.clause.share !== 'all' || r.clause.ages !== null || !isAge(n) || i < r.pieces.length - 1) return null;
  r.clause.ages = [n, n];
  return i;
};

/** A number behind "with" counts knees, not people: "one with two new hips". */
const limbs: Rule = (r, { i, n }) => {
  if (r.clause.count === null || !r.has || n > MOST_LIMBS) return null;
  r.side = 'both';
  return i;
};

/** "Joan who is 81". */
const whoIs: Rule = (r, { i, n }) => {
  const one = r.clause.count === 1 || r.clause.name !== null;
  // "Who's 72" as well.
  const who = ['who', 'whos', 'hes', 'shes'].includes(wordAt(r, i - 1)) && n > MOST_LIMBS;
  if (!one || !(r.has || who) || !isAge(n) || r.clause.ages !== null) return null;
  r.clause.ages = [n, n];
  return i;
};

/** "Two of the ten": how many there are in all. */
const outOf: Rule = (r, { i, n }) => {
  const before = wordAt(r, i - 1);
  const of =
    before === 'of' ||
    isAt(r, i - 1) === 'share' ||
    (before === 'the' && isAt(r, i - 2) === 'share') ||
    (['the', 'them', 'us'].includes(before) && wordAt(r, i - 2) === 'of');
  const { count, share } = r.clause;
  if (!of || !(count === null ? typeof share === 'number' : n >= count)) return null;
  r.clause.outOf = n;
  return i;
};

/** "2 or 3": the more of them, and it is asked. */
const orMore: Rule = (r, { i, n }) => {
  if (r.clause.count === null || wordAt(r, i - 1) !== 'or') return null;
  r.clause.count = Math.max(r.clause.count, n);
  r.clause.between = true;
  return i;
};

/** "Dot, 81 (two falls)": how often, of somebody who was named. */
const ofTheirs: Rule = (r, { i, follows }) =>
  r.clause.name !== null && isAt(r, follows) === 'condition' ? i : null;

const RULES: readonly Rule[] = [
  yearAtSchool,
  soLongAgo,
  fromTo,
  asManyAges,
  nobodyUnder,
  over,
  under,
  decade,
  theirAge,
  soOften,
  percent,
  allOfAnAge,
  limbs,
  whoIs,
  outOf,
  orMore,
  ofTheirs,
];

/** What a number of a clause is of: an age, a time, a share, or how many there are. The last piece that it takes up. */
export function takeNumber(r: ClauseReading, i: number, n: number): number {
  // "Phase 4", "session 3": which one it is.
  if (r.clause.count === null && WHICH.has(wordAt(r, i - 1))) {
    if (r.stray.at(-1) === r.pieces[i - 1]?.token) r.stray.pop();
    return i;
  }
  flush(r);
  const look = lookAt(r, i, n);
  for (const rule of RULES) {
    const end = rule(r, look);
    if (end !== null) return end;
  }
  // "Bypass 2019" is a year, and nobody teaches so many.
  if (r.clause.count === null && Number.isInteger(n) && n <= MOST_HEADS) r.clause.count = n;
  else r.clause.unread.push(r.text.slice(look.token.from, look.token.to));
  return i;
}
