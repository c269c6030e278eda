import {
  ADULT_FROM,
  type ConditionId,
  conditionOf,
  type LevelIndex,
  OLDER_FROM,
  youngAt,
} from '../person/index.ts';
import { clausesOf, hasPhases, narrowed, phaseAt, readClause, samePhases, WIDER } from './clause.ts';
import { type Clause, isAge, type SaidCondition } from './clause-reading.ts';

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

/** What people are by their age alone. */
const KINDS: ReadonlySet<ConditionId> = new Set(['child', 'teenager', 'older-beginner'] as const);
/** Said of what kind of people they are, by age alone. */
const categorized = (c: Clause) => c.ages !== null || c.conditions.some(({ id }) => KINDS.has(id));
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
const onlyKind = (c: Clause) => c.conditions.every(({ id }) => KINDS.has(id)) && c.unread.length === 0;

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

/** What is written short and would be read as a count: "U14s", "L4/5", "C5/6". */
const WRITTEN_OUT: readonly (readonly [RegExp, string])[] = [
  [/\b(?:two|three|\d) 1\s?[-:]\s?1s\b\s*[:,-]?/giu, ''],
  [/\b1\s?[-:]\s?(?:2\s?[-:]\s?)?1s?\b(?!\d)/gu, 'one to one'],
  // "My client" is one, and "8 clients" are people.
  [/\bclients\b/giu, 'people'],
  // "A new group of 6": six, and nobody beside.
  [/\b(?:an?|the|my|our|this) (?=(?:\p{L}+ ){0,2}(?:group|class|team) of \d)/giu, ''],
  // "Boys 12 and 15": how old the two are.
  [
    /\b(?:two |2 )?(boys|girls|brothers|sisters|sons|daughters|kids|children|lads),? (?:aged? )?([4-9]|1\d) (?:and|&) ([4-9]|1\d)\b/giu,
    'two $1 aged $2 to $3',
  ],
  // "…, another with a bad hip": one, and not the same.
  [
    /(?<=(?:^|[,;]|\band)\s*)(?:another|one other|a second)\b(?=\s+(?!\d|two|three|four|five|few|couple|one\b)\p{L})/giu,
    'one',
  ],
  [/\b(over|under)-(?=\d)/giu, '$1 '],
  // "… and someone with tennis elbow": somebody else.
  [
    /[,;]?\s+(?:and|plus|also)?\s*(?:someone|somebody)(?: else)?\b(?=\s+(?:with|who|has|had|on|in|recovering)\b)/giu,
    ' plus one',
  ],
  // "Half the group of 12": of so many.
  [
    /\b(half|a third|a quarter|most|some) (?:of )?(?:(?:the|my|our) )?(?:group|class|team|session),? \(?of (\d{1,2})\b\)?/giu,
    '$1 of $2',
  ],
  // "Level 1" is where everybody begins, and nobody is taken to be further than the third of four.
  [/\blevel 1s?\b/giu, 'beginner'],
  [/\blevel 2s?\b/giu, 'improver'],
  [/\blevel 3s?\b/giu, 'regular'],
  [/\blevel 4s?\b/giu, 'advanced'],
  // "Five in seventies", "male 45": how old.
  [/\bin (?=(?:early |mid |late )?(?:twent|thirt|fort|fift|sixt|sevent|eight|ninet)ies\b)/giu, 'in their '],
  ...(['twent', 'thirt', 'fort', 'fift', 'sixt', 'sevent', 'eight', 'ninet'] as const).map(
    (tens, i): readonly [RegExp, string] => [new RegExp(`\\b${tens}ies\\b`, 'giu'), `${i + 2}0s`],
  ),
  [
    /\b(male|female|man|woman|lady|guy),? (?:of )?(?=[1-9]\d\b(?!\s*(?:people|w(?:ee)?ks?\b|kg|%)))/giu,
    '$1 aged ',
  ],
  // One after another: "Sue 77, then Dev 33".
  [/(?<=[,;)]?\s)(?:and )?then (?=\p{Lu})/gu, ', '],
  // "Mrs Penn" is called Penn.
  [/\b(?:Mr|Mrs|Ms|Miss|Dr)\.? (?=\p{Lu})/gu, ''],
  // "Ten 70 plus", and nobody besides.
  [/\b([5-9]\d)(?: plus|-plus)\b(?!\s+(?:\d|an?\b|one|two|three|some|new))/giu, '$1+'],
  // "Two left knees, one right ankle, out of 8".
  [/,?\s+out of (?:a |an |the )?(?:group of |class of |total of )?(?=\d{1,2}\b)/giu, ' of '],
  // Whoever writes it teaches.
  [/^\s*(?:me|myself)\b\s*(?:and|plus|&|\+|,)\s*/iu, ''],
  [/\b(?:no|nos|num|number)\.? of (?=people|participants|clients|attendees|adults|kids|children)/giu, ''],
  // "2 groups: 6 beginners, 6 fit": how many groups they are counts nobody.
  [/\b(?:\d{1,2}|two|three|four) (?:groups|teams|halves)\b\s*[:-]/giu, ''],
  // Nor does when it is, and how long it lasts.
  [
    /\b(?:Mon|Tues?|Wed|Thurs?|Thu|Fri|Sat|Sun)\b\.?|\b\d{1,2}(?:[:.]\d{2})? ?[ap]m\b|\b\d{1,2}:\d{2}\b/gu,
    '',
  ],
  [/\b(?:(?:half )?an?|half|one|1|\d{2,3})[ -]?(?:hours?|hrs?|minutes?|mins?)\b(?! (?:walk|ago))/giu, ''],
  [/(\d)[ -]?(?:ish|odd)\b/giu, '$1'],
  [/(\d)(?:w| ?wks?)\b/giu, '$1 weeks'],
  // A pressure is no age.
  [/\b\d{2,3} ?\/ ?\d{2,3}\b(?= *(?:$|[,.;)]|mm))/giu, 'a reading'],
  [/\b[Uu]-?(\d{1,2})['’]?s?\b/gu, 'under $1'],
  [/\bT[12]\s?DM?\b/gu, 'diabetes'],
  [/\ba mix(?:ture)? of\b/giu, ''],
  // "Usual lot - 9 of them.": how many there are.
  [/(?<=(?:^|[-–—:,.(]\s?))(\d{1,2}) of (?:them|us|you)(?= ?[.,;:)]|\s*$| today| tonight)/giu, '$1 people'],
  // "Nina is 34 weeks".
  [
    /\b(is|are|’s|'s) (1[2-9]|[23]\d|4[0-2]) weeks\b(?! (?:post|since|after|out|ago|on|old|in))/giu,
    '$1 $2 weeks pregnant',
  ],
  [/\bL[1-5](?:\s?[/-]\s?[LS]?[1-5])?\b/gu, 'disc'],
  [/\bC[1-7]\s?[/-]\s?C?[1-8]\b/gu, 'neck'],
];
/** "1. Ann - hypertension 2. Bob - new knee": numbers that only say how-manieth part those behind them. */
function unnumbered(text: string): string {
  const marks = [...text.matchAll(/(?:^|[\s:,;])(\d{1,2})[.)]\s+(?=\p{Lu})/gu)];
  if (marks.length < 2 || !marks.every((found, i) => Number(found[1]) === i + 1)) return text;
  let at = 0;
  return text.replace(/(^|[\s:,;])(\d{1,2})[.)]\s+(?=\p{Lu})/gu, (_, before: string) =>
    at++ === 0 ? before : `${before.trim()}, `,
  );
}

/** "2 groups of 6, one group over 60": one of them is six. */
function groupsCounted(text: string): string {
  const each = /\b(\d{1,2}|two|three|four) (?:groups|teams) of (\d{1,2})\b/iu.exec(text)?.[2];
  return each ? text.replace(/\b(?:one|1|the other|another) (?:group|team)\b/giu, `${each} people`) : text;
}

const ALL = '(?:[Ee]very(?:one|body)|[Tt]hey all|[Aa]ll(?: of them)?)';
const SAVE = '(?:except(?: for)?|apart from|bar|save for|other than|but)';
const SOME =
  '((?:\\d{1,2}|one|two|three|four|five|six|a couple|a few)\\b(?! (?:years?|weeks?|months?))(?: of them)?|\\p{Lu}\\p{L}+(?:(?:,| and|, and) \\p{Lu}\\p{L}+)*)';
/** What all can do but some: said the other way about, of those who can't. */
const ALL_BUT: readonly (readonly [RegExp, string])[] = [
  [new RegExp(`\\b[Aa]ll but ${SOME} can(?=\\s)`, 'gu'), "$1 can't"],
  [new RegExp(`\\b${ALL} can ([\\p{L} ]{3,30}?),? ${SAVE} ${SOME}`, 'gu'), "$2 can't $1"],
  // "Nobody can kneel except 2": which two isn't said, so all of them.
  [
    new RegExp(`\\b([Nn](?:obody|o one|one) can [\\p{L} ]{3,30}?),? ${SAVE} ${SOME}`, 'gu'),
    '$1, except some',
  ],
  // "Everyone's fine except Lou, who's got …".
  [
    new RegExp(
      `\\b[Ee]very(?:one|body)(?:['’]s| is) (?:fine|ok|okay|good|well|healthy|all right),? ${SAVE} ${SOME}(?:,? who(?:['’]s| has| is)?)?`,
      'gu',
    ),
    '$1 has',
  ],
];
const allBut = (text: string): string => ALL_BUT.reduce((so, [short, long]) => so.replace(short, long), text);

const SEVERAL: Readonly<Record<string, string>> = {
  man: 'men',
  woman: 'women',
  lady: 'ladies',
  child: 'children',
  baby: 'babies',
};
/** "3 beginners, 4 regulars; one regular has a sore foot": one of those counted before. */
const oneOfThose = (text: string): string =>
  text.replace(
    /\b(?:one|1|a|an) (\p{L}{3,}) (?=(?:has|is|with|who|on)\b)/giu,
    (said: string, kind: string, at: number) => {
      const many = SEVERAL[kind.toLowerCase()] ?? `${kind}s`;
      const before = new RegExp(`(?:\\d|two|three|four|five|six|seven|eight|nine|ten) ${many}\\b`, 'iu');
      return before.test(text.slice(0, at)) ? `one of the ${many} ` : said;
    },
  );

/** "Ann and Bob can't jump", "Tom, Sue and Lou have bad knees": what is said of several is said of each. */
const ofEach = (text: string): string =>
  text
    // "Maureen can't get on the floor and neither can Jean", "…, same for Jean".
    .replace(
      /(\p{Lu}\p{Ll}+) ((?:has|is|can['’]?t|cannot|doesn['’]?t|won['’]?t|shouldn['’]?t|on|with|no|bad) [^,.;:()\n]+?)(?:,|;|\.| -)? (?:and )?(?:(?:neither|nor|so) (?:can|does|do|has|is|will|should)|(?:the )?(?:[Ss]ame|[Dd]itto|[Ll]ikewise)(?: goes)? (?:for|with)) (\p{Lu}\p{Ll}+)\b/gu,
      '$1 $2, $3 $2',
    )
    // "…, Len can't either", "…, Len too".
    .replace(
      /(\p{Lu}\p{Ll}+) (\p{Ll}[^,.;:()\n]+?)(?:,|;|\.| -)? (?:and )?(\p{Lu}\p{Ll}+) (?:(?:(?:can|does|has|is|will|should)(?:n['’]?t|not|['’]t)? )?(?:either|too|also|as well|likewise))(?![\p{L}])(?! \p{L})/gu,
      '$1 $2, $3 $2',
    )
    .replace(
      /(?<![\p{L}’'] )((?:\p{Lu}\p{Ll}+, )*)(\p{Lu}\p{Ll}+)(?: and | & )(\p{Lu}\p{Ll}+) ((?:both |have |are |can['’]?t |cannot |can not |don['’]?t |shouldn['’]?t |need |use |take |no |not |bad |sore |dodgy |stiff |painful |poor |weak )[^,.;:()\n]+)/gu,
      (_, more: string, first: string, second: string, says: string) =>
        [...more.split(', ').filter(Boolean), first, second]
          .map((name) => `${name} ${says.replace(/^both |^have |^are /u, 'has ')}`)
          .join(', '),
    );

const writtenOut = (text: string): string =>
  WRITTEN_OUT.reduce(
    (so, [short, long]) => so.replace(short, long),
    ofEach(allBut(oneOfThose(groupsCounted(unnumbered(text))))),
  ).replace(
    /\b(\d{1,2}) (?:groups|teams) of (\d{1,2})\b/giu,
    (_, groups: string, each: string) => `${Number(groups) * Number(each)}`,
  );

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
