import {
  ADULT_FROM,
  type ConditionId,
  conditionOf,
  type LevelIndex,
  OLDER_FROM,
  youngAt,
} from '../person/index.ts';
import { BY_AGE, clausesOf, hasPhases, narrowed, phaseAt, readClause, samePhases, WIDER } from './clause.ts';
import { type Clause, isAge, type SaidCondition } from './clause-reading.ts';
import { writtenOut } from './written-out.ts';

/** Some of those who are here, alike as far as was said. Parts never overlap. */
export interface WhoPart {
  readonly count: number;
  readonly conditions: readonly SaidCondition[];
  readonly level: LevelIndex | null;
  readonly kind: 'older adult' | 'child or teenager' | null;
  readonly sex: 'female' | 'male' | null;
  /** Youngest and oldest, both inclusive; an end that wasn't said is as far as people come. */
  readonly ages: readonly [number, number] | null;
  readonly name: string | null;
  /** As it was written. */
  readonly says: string;
  /** Words of it that aren't understood: these people are planned for at the careful end. */
  readonly unread: readonly string[];
}

export interface Who {
  readonly total: number;
  readonly parts: readonly WhoPart[];
  /** Of everybody, or of nobody knows whom: not understood, as written. */
  readonly unread: readonly string[];
  /** What should be asked before they begin: numbers that don't add up, "some" of them. */
  readonly asks: readonly string[];
  /** Why nothing can be made of it; null where something can. */
  readonly problem: string | null;
}

/** People in one session, at most. */
const MOST_PEOPLE = 200;

const kindOf = (
  ages: readonly [number, number] | null,
  conditions: readonly SaidCondition[],
): WhoPart['kind'] => {
  const has = (id: ConditionId) => conditions.some((one) => one.id === id);
  if (has('child') || has('teenager') || (ages && ages[0] < ADULT_FROM)) return 'child or teenager';
  if (has('older-beginner') || (ages && ages[1] >= OLDER_FROM)) return 'older adult';
  return null;
};

/** An age below eighteen means a child's or a teenager's limits, said or not. */
function withAge(
  ages: readonly [number, number] | null,
  conditions: readonly SaidCondition[],
): readonly SaidCondition[] {
  const young = ages && youngAt(ages[0]);
  return !young || conditions.some(({ id }) => id === 'child' || id === 'teenager')
    ? conditions
    : [...conditions, { id: young }];
}

function partFrom(clause: Clause, count: number, base: Clause | null): WhoPart {
  const own = clause.conditions;
  const common = base ? base.conditions.filter(({ id }) => !own.some((one) => one.id === id)) : [];
  // "8 after a stroke, 3 weak on the left": of what all of them have.
  const { side } = clause;
  const at = side === null ? -1 : common.findLastIndex((one) => !one.side && conditionOf(one.id).sided);
  const inherited = common.map((one, i) => (i === at && side !== null ? { ...one, side } : one));
  const ages = clause.ages ?? base?.ages ?? null;
  const conditions = withAge(ages, [...inherited, ...own]);
  return {
    count,
    conditions,
    level: clause.level ?? base?.level ?? null,
    kind: kindOf(ages, conditions),
    sex: clause.sex ?? base?.sex ?? null,
    ages,
    name: clause.name,
    says: clause.says,
    unread: [...(base?.unread ?? []), ...(at < 0 ? clause.unread : [])],
  };
}

/** Categories that shut each other out, so that two of them are two kinds of people rather than some of the first. */
function apartFrom(a: Clause, b: Clause): boolean {
  const category = (c: Clause) => ({
    sex: c.sex,
    level: c.level,
    grown: c.adult
      ? 'adult'
      : c.conditions.some(({ id }) => id === 'child')
        ? 'child'
        : c.conditions.some(({ id }) => id === 'teenager')
          ? 'teen'
          : null,
  });
  const [x, y] = [category(a), category(b)];
  if (b.ofThem) return false;
  return (
    (x.sex !== null && y.sex !== null && x.sex !== y.sex) ||
    (x.level !== null && y.level !== null && x.level !== y.level) ||
    (x.grown !== null && y.grown !== null && x.grown !== y.grown)
  );
}

/** Said of what kind of people they are, by age alone. */
const categorized = (c: Clause) => c.ages !== null || c.conditions.some(({ id }) => BY_AGE.has(id));
const described = (c: Clause) =>
  c.conditions.length > 0 || c.level !== null || c.ages !== null || c.unread.length > 0;

/** So many are all there are, whatever they are called, where those behind are no more than half of them. Estimate. */
const FEWEST_CALLED = 5;
/** "12 glaziers, one pregnant": a word nobody knows is what they are called. */
const calledOnly = (first: Clause, rest: readonly Clause[], many: number) =>
  many >= FEWEST_CALLED &&
  first.conditions.length === 0 &&
  first.unread.length === 1 &&
  /^\p{L}+s$/u.test(first.unread[0]!) &&
  rest.reduce((sum, c) => sum + (c.count ?? 0), 0) * 2 <= many;

const HEADS_A_LIST = new Set(
  'injury condition issue health medical note notes problem limitation incl inc including'.split(' '),
);

/** No more of them than what they are called and how old: nothing they have. */
const onlyKind = (c: Clause) => c.conditions.every(({ id }) => BY_AGE.has(id)) && c.unread.length === 0;

/** "Parkinson's class, over 60s, 8": what they are, and then how many. */
function foldedIn(clauses: Clause[]): void {
  const [first] = clauses;
  // "All female, 9": all of those who are counted then.
  const uncounted = (c: Clause) =>
    c.count === null &&
    (c.share === null || (c === first && c.share === 'all')) &&
    c.name === null &&
    !c.rest;
  const at = clauses.findIndex((c) => !uncounted(c));
  const counts = clauses[at];
  if (at < 1 || !first || counts?.count == null || counts.name !== null || counts.rest || counts.plus) return;
  const between = clauses.slice(1, at);
  // "Mum and baby class, 7 mums, all eight weeks after birth": with nobody else counted it is of all of them.
  const ofAll = counts.sex !== null && at === clauses.length - 1;
  const kinds = [...between, { ...counts, unread: [], conditions: ofAll ? [] : counts.conditions }];
  if (!kinds.every((c) => onlyKind(c) && !apartFrom(first, c))) return;
  first.conditions = first.conditions.filter(
    ({ id }) => !counts.conditions.some((one) => one.id !== id && samePhases(one.id, id)),
  );
  for (const c of [...between, counts]) merge(first, c);
  first.count = counts.count;
  first.share = null;
  first.people = true;
  clauses.splice(1, at);
}

/**
 * Reads who is here: a total, and parts of it with all that was said of them. The parts never overlap; where numbers
 * don't add up everybody concerned is taken for the most careful of what was said, and it is asked. Pure.
 */
export function readWho(text: string): Who {
  const groups = text.slice(0, 4000).split(GROUP_LABEL);
  if (groups.length <= 2) return readOne(groups.join(''));
  // "12 people. Group A: 5 …": before the first of them stands how many there are in all.
  const [ahead, ...labelled] = groups.map((one) => (one.trim() === '' ? null : readOne(one)));
  const read = labelled.filter((one) => one !== null);
  const total = Math.max(
    ahead?.total ?? 0,
    read.reduce((sum, { total: its }) => sum + its, 0),
  );
  return {
    total,
    parts: read.flatMap(({ parts }) => parts),
    unread: [
      ...(ahead?.unread ?? []),
      ...(ahead?.parts ?? []).map(({ says }) => says),
      ...read.flatMap(({ unread }) => unread),
    ],
    asks: [...(ahead?.asks ?? []), ...read.flatMap(({ asks }) => asks)],
    problem: problemOf(total),
  };
}

/** "Group A: 5 …": its letter counts nobody, and what comes behind it is of that group. */
const GROUP_LABEL = /\b(?:group|team|lane)\s+(?:[A-F]\s*[:–-]|\d\s*:)\s*/iu;

const problemOf = (total: number): string | null =>
  total === 0
    ? 'Say how many people there are, such as “14 people, two sore knees, one no floor”.'
    : total > MOST_PEOPLE
      ? `${total} people are more than one session can hold (${MOST_PEOPLE} at the most).`
      : null;

/** How old somebody is, and nothing they have. */
const YOUNG: ReadonlySet<string> = new Set(['child', 'teenager']);
/** Who is there for others. */
const HELPS =
  /^\W*(?:their |my |our |his |her )?\S+ (?:\p{L}+ )?(?:carers?|tas?|teaching assistants?|helpers?|assistants?|teachers?|volunteers?|support workers?|supporters?|staff)\b/iu;

const OF_SEVERAL = /^(?:use|have|are|need|take|were|walk)\b/iu;
/** What each clause says, what goes on about those before put with them. */
function clausesSaid(trimmed: string): Clause[] {
  const clauses: Clause[] = [];
  const said = clausesOf(trimmed);
  // "Six people: dodgy shoulder, sore wrist, rest ok": one of each.
  const restAt = said.findLastIndex((tokens) => readClause(trimmed, tokens).rest);
  for (const [at, tokens] of said.entries()) {
    const clause = readClause(trimmed, tokens);
    const last = clauses.at(-1);
    const bare =
      clause.count === null && clause.share === null && clause.name === null && !clause.rest && !clause.adult;
    if (bare && clause.fine && !described(clause)) continue;
    // "Injuries: 1 knee": what is listed below it.
    if (clause.count === null && !clause.people && tokens.every(({ word }) => HEADS_A_LIST.has(word)))
      continue;
    // "Ages 20, 25, 31": from the youngest to the oldest of them.
    if (
      last?.ages &&
      clause.count !== null &&
      tokens.length === 1 &&
      isAge(clause.count) &&
      /\bage/iu.test(last.says)
    ) {
      last.ages = [Math.min(last.ages[0], clause.count), Math.max(last.ages[1], clause.count)];
      continue;
    }
    // "My mum, she's 72": of the last who may be meant.
    const meant = clause.pronoun
      ? clauses.findLast((c) => (c.name !== null || c.count === 1) && (c.sex ?? clause.sex) === clause.sex)
      : undefined;
    if (meant) {
      merge(meant, clause);
      continue;
    }
    // "Karen and Steve. Karen: right shoulder."
    const known = clauses.find((c) => c.name !== null && c.name === clause.name);
    if (known && (known.ages === null || clause.ages === null)) {
      merge(known, clause);
      // What comes next is of them.
      clauses.push(...clauses.splice(clauses.indexOf(known), 1));
      continue;
    }
    // "12 men, cancer group": all of them.
    if (bare && clause.people && described(clause) && clauses.length === 1 && (last?.count ?? 0) > 1) {
      merge(last!, clause);
      continue;
    }
    // "Tom, 45, bad back": a number by itself behind somebody is their age.
    if (
      last &&
      (last.name !== null || last.relative) &&
      last.ages === null &&
      clause.count !== null &&
      isAge(clause.count) &&
      clause.count > 3 &&
      !clause.people &&
      clause.name === null &&
      tokens.length === 1
    ) {
      last.ages = [clause.count, clause.count];
      continue;
    }
    // "My nan and her friend, use frames": of more than one, as the verb says.
    if (
      bare &&
      clauses.length > 1 &&
      OF_SEVERAL.test(clause.says) &&
      described(clause) &&
      clauses.every((c) => c.name !== null || c.count === 1)
    ) {
      clauses.push({ ...clause, share: 'all' });
      continue;
    }
    // What has no count of its own goes on about those before.
    if (
      bare &&
      last &&
      (described(clause) || clause.sex !== null) &&
      (last.name !== null || last.count !== null || last.share !== null) &&
      // "1 client, male, 45": of whom but of that one.
      (!clause.people || (clauses.length === 1 && last.count === 1))
    ) {
      const alone =
        clauses.length === 1 &&
        last.count !== null &&
        last.count > 1 &&
        !described(last) &&
        clause.ages === null &&
        clause.level === null;
      // "New mums x7, 8 weeks after birth": of what was said of them how long ago it was.
      const dates =
        clause.conditions.length > 0 &&
        clause.conditions.every(({ id }) => last.conditions.some((one) => samePhases(one.id, id)));
      if (dates) {
        last.conditions = last.conditions.filter(
          (one) => !clause.conditions.some(({ id }) => samePhases(one.id, id)),
        );
        merge(last, clause);
        continue;
      }
      if ((last.times && clause.conditions.length > 0) || last.listed) {
        clauses.push({ ...clause, count: 1, listed: last.listed });
        continue;
      }
      if (!alone) {
        merge(last, clause);
        continue;
      }
      if (at < restAt) {
        clauses.push({ ...clause, count: 1, listed: true });
        continue;
      }
      // "10 people, sore knees": how many of them isn't said.
      clauses.push({ ...clause, share: 'some' });
      continue;
    }
    clauses.push(clause);
  }
  // "Three with bad backs, 11 in all": how many there are, wherever it was said.
  const inAll = clauses.findIndex((c, i) => i > 0 && c.total && c.count !== null && !described(c));
  if (inAll > 0) clauses.unshift(...clauses.splice(inAll, 1));
  foldedIn(clauses);
  return clauses;
}

/** So many may have some among them, and who has something, and nothing else. */
const FEWEST_OF = 4;
const HAS_SOMETHING = /^\W*[\p{L}\d]+ (?:with|has|have|having|on|using)\b/iu;
/** Does all that they have say more exactly what the others have? */
const narrows = (c: Clause, than: Clause): boolean =>
  c.conditions.length > 0 &&
  c.conditions.every(({ id }) =>
    than.conditions.some(
      (wide) =>
        wide.id !== id &&
        (WIDER[id]?.includes(wide.id) || (id === 'caesarean-early' && wide.id.startsWith('after-birth'))),
    ),
  );

/** How many the first of several clauses says there are in all; null where what it counts is some of them. */
function totalSaid(clauses: readonly Clause[]): number | null {
  const [first] = clauses;
  const rest = clauses.slice(1);
  const firstCount = first ? counted(first) : null;
  const summed =
    first !== undefined && rest.some((c) => counted(c) !== null && (c.beside || apartFrom(first, c)));
  const named =
    clauses.length > 0 && clauses.every((c) => c.name !== null || (c.count === 1 && c.sex !== null));
  // "16 kids, 8 boys 8 girls", "family of 4: mum, dad, 2 kids": those who are listed come to as many.
  const listed = rest.filter((c) => counted(c) !== null);
  const sum = listed.reduce((all, c) => all + counted(c)!, 0);
  if (
    first &&
    firstCount !== null &&
    firstCount > 2 &&
    listed.length > 1 &&
    sum === firstCount &&
    first.name === null
  )
    return firstCount;
  // "9 beginners, two with asthma": of them, where nobody else is counted.
  const ofThose =
    first !== undefined &&
    first.level !== null &&
    first.conditions.length === 0 &&
    (firstCount ?? 0) >= FEWEST_OF &&
    rest.length > 0 &&
    rest.every(
      (c) => c.count !== null && c.count < firstCount! && c.level === null && HAS_SOMETHING.test(c.says),
    );
  if (ofThose) return firstCount;
  const isTotal =
    first !== undefined &&
    firstCount !== null &&
    !summed &&
    !named &&
    first.name === null &&
    first.outOf === null &&
    // "One lady in a wheelchair and six standing": more than they were are others.
    ((!described(first) && first.sex === null && !first.adult) ||
      rest.every(
        (c) =>
          c.ofThem ||
          c.outOf !== null ||
          (counted(c) ?? 0) <= firstCount ||
          !(c.fine || c.people || described(c)),
      )) &&
    (first.people ||
      // "Four postnatal mums, one c-section": one of them.
      (first.relative && firstCount > 1 && rest.every((c) => !c.people && !c.relative && c.sex === null)) ||
      !described(first) ||
      clauses.length === 1 ||
      // "7 diabetics, one on insulin": of those, said more exactly.
      (rest.length > 0 &&
        !/\b(?:with|has|have|having)\b/iu.test(first.says) &&
        rest.every((c) => (counted(c) ?? 0) <= firstCount && narrows(c, first))) ||
      calledOnly(first, rest, firstCount) ||
      // "Three regulars: Pam, Sid and Flo".
      (rest.length === firstCount && rest.every((c) => c.name !== null)) ||
      (categorized(first) && rest.every((c) => !categorized(c) && (counted(c) ?? 0) <= firstCount)));
  return isTotal ? firstCount : null;
}

const counted = (c: Clause) => c.count ?? (c.name !== null ? 1 : null);

/** More than there are: who is in which part isn't known, so that everybody is taken for all of it. */
function allTogether(parts: readonly WhoPart[], total: number): WhoPart[] {
  const all = new Map<string, SaidCondition>();
  for (const part of parts)
    for (const one of part.conditions)
      all.set(one.id, all.has(one.id) && all.get(one.id)!.side !== one.side ? { id: one.id } : one);
  const conditions = narrowed([...all.values()]);
  const levels = parts.flatMap((part) => part.level ?? []);
  return [
    {
      ...parts[0]!,
      count: total,
      conditions,
      level: levels.length > 0 ? (Math.min(...levels) as LevelIndex) : null,
      // The youngest and the oldest of them: nobody gets younger or older than was said.
      ages: widest(parts),
      kind: parts.find((part) => part.kind)?.kind ?? null,
      sex: null,
      name: null,
      says: parts.map((part) => part.says).join(', '),
      unread: parts.flatMap((part) => part.unread),
    },
  ];
}

function readOne(text: string): Who {
  const unread: string[] = [];
  const asks: string[] = [];
  const clauses = clausesSaid(writtenOut(text));
  // Who helps comes besides, whoever they help.
  const helpers = clauses
    .slice(1)
    .filter((c) => c.count !== null && !c.beside && !described(c) && HELPS.test(c.says));
  for (const helper of helpers) clauses.splice(clauses.indexOf(helper), 1);
  const inAll = totalSaid(clauses);
  const isTotal = inAll !== null;
  const [first] = clauses;
  const rest = clauses.slice(1);
  let total = inAll ?? 0;
  let base = isTotal && (described(first!) || first!.sex !== null) ? first! : null;
  const parts: WhoPart[] = [];
  let taken = 0;
  const members = isTotal ? rest : clauses;
  let others: Clause | null = null;
  /** "Two with new knees, 6 others": so many more. */
  let besides = 0;
  for (const clause of members) {
    if (clause.share === 'none') unread.push(...clause.unread);
    const nobodyNew = clause.count === null && clause.name === null;
    if (clause.share === 'none' || (clause.fine && !described(clause) && nobodyNew)) continue;
    if (clause.rest) {
      others = clause;
      if (!isTotal) besides = clause.count ?? 0;
      continue;
    }
    let count = counted(clause);
    if (clause.share === 'all' && !described(clause) && clause.sex === null) {
      if (!clause.fine) unread.push(clause.says);
      continue;
    }
    if (clause.share === 'all') {
      // Said of everybody: those before and those to come.
      if (total > 0 || parts.length > 0) {
        for (let i = 0; i < parts.length; i++)
          parts[i] = partFrom(
            {
              ...clause,
              conditions: [
                ...clause.conditions,
                ...parts[i]!.conditions.filter(({ id }) => !clause.conditions.some((c) => c.id === id)),
              ],
              level: parts[i]!.level ?? clause.level,
              ages: parts[i]!.ages ?? clause.ages,
              name: parts[i]!.name,
              says: parts[i]!.says,
              unread: [...parts[i]!.unread, ...clause.unread],
              sex: parts[i]!.sex ?? clause.sex,
            },
            parts[i]!.count,
            null,
          );
        // Those to come are among them.
        const had: Clause | null = base;
        base = { ...(had ?? clause), conditions: [...(had?.conditions ?? [])] };
        if (had) merge(base, clause);
        else base.conditions = clause.conditions;
        continue;
      }
      unread.push(clause.says);
      continue;
    }
    // "Ten of us, plus two with sore knees": besides, right behind how many there are.
    const [, behind] = rest;
    const follows = clause === rest[0] || (clause === behind && rest[0]!.plus);
    const more = isTotal && clause.plus && follows && count !== null && clause.share === null;
    if (more) {
      total += count!;
      if (described(clause) || clause.sex !== null || clause.name !== null)
        parts.push(partFrom(clause, count!, null));
      else if (base !== null) parts.push(partFrom({ ...clause, unread: [] }, count!, null));
      taken += count!;
      continue;
    }
    const all = total > 0 ? total : (clause.outOf ?? 0);
    if (typeof clause.share === 'number' && all > 0 && count === null) {
      count = Math.max(1, Math.ceil(all * clause.share));
      asks.push(`“${clause.says}”: taken to be ${count}; how many?`);
    }
    if (count === null && clause.share !== null) {
      unread.push(clause.says);
      asks.push(`“${clause.says}”: how many?`);
      continue;
    }
    if (count === null) {
      if (described(clause)) {
        if (total > 0 || members.length > 1) {
          unread.push(clause.says);
          asks.push(`“${clause.says}”: how many?`);
        } else {
          count = 1;
          parts.push(partFrom(clause, 1, base));
          taken += 1;
        }
      } else if (!clause.people && !clause.fine && clause.says !== '') unread.push(clause.says);
      continue;
    }
    if (count === 0) continue;
    if (
      !described(clause) &&
      !clause.fine &&
      clause.name === null &&
      clause.sex === null &&
      !clause.adult &&
      isTotal
    ) {
      unread.push(clause.says);
      continue;
    }
    // "One of the men": of those who were counted as such.
    const alike = (part: WhoPart) =>
      (clause.sex !== null && part.sex === clause.sex) ||
      (clause.level !== null && part.level === clause.level);
    const before = parts.findLast(alike) ?? parts.at(-1);
    // "3 fit, 2 beginners, one of whom is pregnant": more than there are, were it somebody else.
    const among =
      (isTotal && taken + count > total) || /\bof (?:those|these|whom|which|the)\b/i.test(clause.says);
    if (clause.ofThem && (clause.also || among) && before && count <= before.count) {
      // Some of those just named: they have both.
      const both: WhoPart = partFrom(
        {
          ...clause,
          conditions: [
            ...before.conditions,
            ...clause.conditions.filter(({ id }) => !before.conditions.some((c) => c.id === id)),
          ],
          level: clause.level ?? before.level,
          ages: clause.ages ?? before.ages,
          unread: [...before.unread, ...clause.unread],
        },
        count,
        null,
      );
      parts.splice(parts.indexOf(before), 1);
      if (before.count > count) parts.push({ ...before, count: before.count - count });
      parts.push(both);
      continue;
    }
    // "7 regulars and 2 new, one is hypermobile": one of them, whichever; as new as the newest.
    const largest = parts.reduce<WhoPart | null>((a, b) => (a && a.count >= b.count ? a : b), null);
    const plainOnly =
      parts.length > 1 && parts.every((part) => part.conditions.every(({ id }) => YOUNG.has(id)));
    if ((clause.among || (clause.withOnly && plainOnly)) && !isTotal && largest && largest.count > count) {
      const levels = parts.flatMap((part) => part.level ?? []);
      const level = clause.level ?? (levels.length > 0 ? (Math.min(...levels) as LevelIndex) : null);
      parts[parts.indexOf(largest)] = { ...largest, count: largest.count - count };
      // Whichever of them it is: as young as the youngest.
      const young = parts.flatMap((part) => part.conditions.filter(({ id }) => YOUNG.has(id)));
      const conditions = [
        ...largest.conditions,
        ...young.filter(
          ({ id }, at) =>
            !largest.conditions.some((one) => one.id === id) &&
            young.findIndex((one) => one.id === id) === at,
        ),
        ...clause.conditions.filter(({ id }) => !largest.conditions.some((c) => c.id === id)),
      ];
      parts.push({
        ...partFrom({ ...clause, level, conditions }, count, base),
        ages: clause.ages ?? largest.ages,
      });
      continue;
    }
    parts.push(partFrom(clause, count, base));
    taken += count;
  }
  if (!isTotal) total = Math.max(taken + besides, ...members.map((c) => c.outOf ?? 0));
  for (const c of members) if (c.between) asks.push(`“${c.says}”: how many?`);
  for (const c of clauses) if (c.when) asks.push(`“${c.says}”: when was that?`);
  let remaining = total - parts.reduce((sum, part) => sum + part.count, 0);
  if (parts.some((part) => part.count > total)) {
    const many = parts.find((part) => part.count > total)!;
    asks.push(`${many.says}: more than the ${total} there are.`);
  } else if (remaining < 0)
    asks.push(`${parts.map((part) => part.count).join(' + ')} are more than ${total}: some are in both.`);
  let careful: WhoPart[] = parts;
  if (remaining < 0) {
    careful = allTogether(parts, total);
    remaining = 0;
  }
  const whole = others ?? base;
  if (whole && remaining > 0) {
    const made = partFrom(
      whole === base ? whole : { ...whole, conditions: [...whole.conditions] },
      remaining,
      whole === base ? null : base,
    );
    careful = [made, ...careful];
  }
  const helping = helpers.map((helper) => partFrom({ ...helper, adult: true }, helper.count!, null));
  total += helping.reduce((sum, part) => sum + part.count, 0);
  return { total, parts: [...careful, ...helping], unread, asks, problem: problemOf(total) };
}

/** From the youngest to the oldest of those whose ages were said; null where none were. */
function widest(parts: readonly WhoPart[]): WhoPart['ages'] {
  const ages = parts.flatMap((part) => (part.ages ? [part.ages] : []));
  return ages.length === 0
    ? null
    : [Math.min(...ages.map(([from]) => from)), Math.max(...ages.map(([, to]) => to))];
}

function merge(into: Clause, from: Clause): void {
  // "Postnatal mums, 16 weeks": how long ago what was said before is.
  const { weeks } = from;
  if (weeks && into.conditions.some(({ id }) => hasPhases(id))) {
    into.conditions = into.conditions.map((one) => ({ ...one, id: phaseAt(one.id, weeks) }));
    from.unread = from.unread.filter((piece) => piece !== weeks.says);
  }
  into.conditions = narrowed([
    // A side that was said afterwards is the side of what was said before.
    ...into.conditions.map((one) =>
      one.side ? one : (from.conditions.find(({ id }) => id === one.id) ?? one),
    ),
    ...from.conditions.filter(({ id }) => !into.conditions.some((one) => one.id === id)),
  ]);
  into.level =
    into.level === null
      ? from.level
      : from.level === null
        ? into.level
        : (Math.min(into.level, from.level) as LevelIndex);
  // "Youngest 22, oldest 71": all between.
  into.ages =
    into.ages && from.ages && /\b(?:youngest|oldest)\b/i.test(from.says)
      ? [Math.min(into.ages[0], from.ages[0]), Math.max(into.ages[1], from.ages[1])]
      : (into.ages ?? from.ages);
  into.sex ??= from.sex;
  const sided = into.conditions.findLastIndex((one) => conditionOf(one.id).sided);
  if (from.side !== null && sided >= 0 && into.conditions[sided]!.side === undefined) {
    into.conditions[sided] = { ...into.conditions[sided]!, side: from.side };
  } else into.unread.push(...from.unread);
  into.says = `${into.says}, ${from.says}`;
}
