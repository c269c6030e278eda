import { ADULT_FROM, type Age, ageWords, dayWords } from './age.ts';
import { type ConditionId, conditionOf } from './conditions.ts';
import type { Side } from './limits.ts';

/** A condition as somebody has it, with the days that were told. */
interface Dated {
  readonly id: ConditionId;
  readonly side: Side;
  /** The day it began or happened: a birth, an operation. */
  readonly since?: string | undefined;
  /** The day a child is due. */
  readonly due?: string | undefined;
}

/** Something to be asked about what is recorded. Until it is answered the more careful reading holds. */
export interface Ask {
  readonly says: string;
  /** The part of somebody's page on which it is answered. */
  readonly on: 'who' | 'screening' | 'limits' | 'tests' | 'rungs' | 'record';
}

/** What is to be asked of a condition. */
export interface HealthAsk extends Ask {
  readonly on: 'limits';
  /** The condition it is about, as recorded. */
  readonly id: ConditionId;
  readonly side: Side;
  /** What the condition becomes when the answer is yes. */
  readonly to: ConditionId | null;
}

const DAY_MS = 86_400_000;
const WEEKS_OF_PREGNANCY = 40;
/** No pregnancy is told of before it is this old, and none lasts longer than this; in weeks. */
const FIRST_WEEK = 2;
const LAST_WEEK = 43;
/** Weeks that end the first and the second third, as they are counted in Britain. */
const THIRDS = [12, 27] as const;

const daysBetween = (from: string, to: string): number =>
  Math.floor((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY_MS);
const weeksBetween = (from: string, to: string): number => Math.floor(daysBetween(from, to) / 7);

/** The week of a pregnancy on a day, counted as at a clinic: the due date ends the fortieth. */
export const weekOfPregnancy = (due: string, day: string): number =>
  WEEKS_OF_PREGNANCY - Math.ceil(daysBetween(day, due) / 7);

/** The third of a pregnancy on a day, 1 to 3. */
export const thirdOf = (due: string, day: string): number =>
  1 + THIRDS.filter((week) => weekOfPregnancy(due, day) > week).length;

/** After a birth: phases from the most careful on, each with the week that ends it. NICE and common practice, from memory. */
const AFTER_BIRTH: readonly (readonly [ConditionId, number])[] = [
  ['after-birth-early', 6],
  ['after-birth-middle', 12],
  ['after-birth-later', Number.POSITIVE_INFINITY],
];

/** Weeks after which a clinic usually has another word on it. From memory; the clinic's own dates count. */
const USUAL_WEEKS: Readonly<Partial<Record<ConditionId, number>>> = {
  'caesarean-early': 12,
  'recent-surgery': 12,
  breastbone: 12,
  'heart-event-recent': 12,
  'hip-fracture': 26,
  clot: 12,
  concussion: 4,
};
/** What follows when a clinic says that it is over; nothing where it simply ends. */
const FOLLOWS: Readonly<Partial<Record<ConditionId, ConditionId>>> = {
  'caesarean-early': 'after-birth-later',
  'heart-event-recent': 'heart-disease',
};

/** Conditions of which a day is worth knowing: where it is kept, and how it is asked. */
export const DATED: Readonly<
  Partial<Record<ConditionId, { readonly field: 'since' | 'due'; readonly says: string }>>
> = {
  'pregnancy-early': { field: 'due', says: 'Due on' },
  'pregnancy-later': { field: 'due', says: 'Due on' },
  'pregnancy-watched': { field: 'due', says: 'Due on' },
  'after-birth-early': { field: 'since', says: 'Born on' },
  'after-birth-middle': { field: 'since', says: 'Born on' },
  'after-birth-later': { field: 'since', says: 'Born on' },
  'caesarean-early': { field: 'since', says: 'Born on' },
  'recent-surgery': { field: 'since', says: 'Operated on' },
  breastbone: { field: 'since', says: 'Operated on' },
  'heart-event-recent': { field: 'since', says: 'It happened on' },
  'hip-fracture': { field: 'since', says: 'It happened on' },
  concussion: { field: 'since', says: 'It happened on' },
  clot: { field: 'since', says: 'Found on' },
};

const PREGNANT = new Set<ConditionId>(['pregnancy-early', 'pregnancy-later']);
const isAfterBirth = (id: ConditionId) => AFTER_BIRTH.some(([one]) => one === id);

/** The phase that the days speak of; null where none was told or it has no phases. */
function phaseBy(held: Dated, day: string): ConditionId | null {
  if (PREGNANT.has(held.id) && held.due !== undefined) {
    const week = weekOfPregnancy(held.due, day);
    return week >= FIRST_WEEK && week <= THIRDS[0] ? 'pregnancy-early' : 'pregnancy-later';
  }
  if (isAfterBirth(held.id) && held.since !== undefined) {
    const weeks = weeksBetween(held.since, day);
    return AFTER_BIRTH.find(([, end]) => weeks < end)![0];
  }
  return null;
}

const CAREFUL_FIRST: readonly ConditionId[] = [
  'pregnancy-later',
  'pregnancy-early',
  ...AFTER_BIRTH.map(([id]) => id),
];

/**
 * What a condition counts as on a day. Its phase goes by the days that were told where they make it more careful; it
 * is never eased by a date alone. A side counts only where there can be one.
 */
export function courseOn<H extends Dated>(held: H, day: string): H {
  const side = conditionOf(held.id).sided ? held.side : 'both';
  const phase = phaseBy(held, day);
  const eased = phase !== null && CAREFUL_FIRST.indexOf(phase) > CAREFUL_FIRST.indexOf(held.id);
  const id = phase === null || eased ? held.id : phase;
  return id === held.id && side === held.side ? held : { ...held, id, side };
}

/** Known disease of heart or vessels, metabolism or kidneys, as the questions before exercise mean it. */
const DISEASES = new Set<ConditionId>([
  'heart-disease',
  'heart-failure',
  'heart-event-recent',
  'valve-or-aneurysm',
  'implanted-defibrillator',
  'leg-arteries',
  'stroke-weak-side',
  'breastbone',
  'diabetes',
  'diabetes-insulin',
  'diabetic-eyes',
  'autonomic-neuropathy',
  'kidney-disease',
  'dialysis-arm',
]);
/** The first of somebody's conditions that is such a disease. */
export const knownDisease = (conditions: readonly Dated[]): ConditionId | null =>
  conditions.find(({ id }) => DISEASES.has(id))?.id ?? null;

/** Conditions of which nobody has both at once, and what is asked. */
const APART: readonly (readonly [readonly ConditionId[], readonly ConditionId[], string])[] = [
  [
    ['pregnancy-early', 'pregnancy-later', 'pregnancy-watched'],
    ['after-birth-early', 'after-birth-middle', 'caesarean-early'],
    'Pregnant and just after a birth: which is it?',
  ],
  [['pregnancy-early'], ['pregnancy-later'], 'Two weeks of one pregnancy are recorded: which is it?'],
  [
    ['hip-replacement-back'],
    ['hip-replacement-front'],
    'A new hip from the back and from the front: of which side is which?',
  ],
  [['child'], ['older-beginner'], 'A child and an older beginner: which are they?'],
];

const CHILDBEARING = new Set<ConditionId>([
  'pregnancy-early',
  'pregnancy-later',
  'pregnancy-watched',
  'after-birth-early',
  'after-birth-middle',
  'after-birth-later',
  'caesarean-early',
]);
/** Ages, youngest and oldest, outside of which a condition is asked about rather than believed. Estimates, wide. */
const AT_AGES: Readonly<Partial<Record<ConditionId, readonly [number, number]>>> = {
  ...Object.fromEntries([...CHILDBEARING].map((id) => [id, [11, 56]])),
  child: [0, ADULT_FROM - 1],
  teenager: [0, ADULT_FROM],
  'growth-pain': [0, 21],
  'older-beginner': [45, 120],
};

/** What contradicts itself in what is recorded, or the person's sex and age; all of it holds until it is answered. */
export function contradictions(
  conditions: readonly Dated[],
  { sex, age }: { readonly sex?: 'female' | 'male' | undefined; readonly age: Age | null },
): HealthAsk[] {
  const first = (ids: readonly ConditionId[]) => conditions.find(({ id }) => ids.includes(id));
  const found = APART.flatMap(([some, others, says]): HealthAsk[] => {
    const [a, b] = [first(some), first(others)];
    return a && b && (a.side === b.side || a.side === 'both' || b.side === 'both')
      ? [{ says, on: 'limits' as const, id: b.id, side: b.side, to: null }]
      : [];
  });
  for (const { id, side } of conditions) {
    const { name } = conditionOf(id);
    const ask = (says: string) => found.push({ says, on: 'limits', id, side, to: null });
    if (CHILDBEARING.has(id) && sex === 'male') ask(`Recorded as male, and “${name}”: is that right?`);
    const at = AT_AGES[id];
    if (at && age && age.hi >= 0 && (age.hi < at[0] || age.lo > at[1]))
      ask(`Aged ${ageWords(age)}, and “${name}”: is that right?`);
  }
  return found;
}

/** What is to be asked of one condition on a day. */
export function asksOf(held: Dated, day: string): HealthAsk[] {
  const { name } = conditionOf(held.id);
  const ask = (says: string, to: ConditionId | null = null): HealthAsk => ({
    says,
    on: 'limits',
    id: held.id,
    side: held.side,
    to,
  });
  const asks: HealthAsk[] = [];
  if (held.side !== 'both' && !conditionOf(held.id).sided)
    asks.push(ask(`${name} has no side: taken for both.`));
  if (held.since !== undefined && held.since > day)
    asks.push(
      ask(`${name} begins on ${dayWords(held.since)}, a day to come: minded already. Is the day right?`),
    );
  if (held.due !== undefined && (PREGNANT.has(held.id) || held.id === 'pregnancy-watched')) {
    const week = weekOfPregnancy(held.due, day);
    if (week < FIRST_WEEK || week > LAST_WEEK)
      asks.push(ask(`A due date of ${dayWords(held.due)} makes it week ${week}: is the day right?`));
    else if (held.due < day)
      asks.push(
        ask(`The due date, ${dayWords(held.due)}, has passed: is the child born?`, 'after-birth-early'),
      );
  }
  const phase = phaseBy(held, day);
  if (PREGNANT.has(held.id) && phase === 'pregnancy-early' && held.id === 'pregnancy-later')
    asks.push(
      ask(
        `By the due date it is week ${weekOfPregnancy(held.due!, day)}, and a later one is recorded: which is right?`,
        phase,
      ),
    );
  if (held.since === undefined || held.since > day) return asks;
  if (
    isAfterBirth(held.id) &&
    phase !== null &&
    CAREFUL_FIRST.indexOf(phase) > CAREFUL_FIRST.indexOf(held.id)
  )
    asks.push(
      ask(
        `${weeksBetween(held.since, day)} weeks since the birth: has the check been done, and may it go on as “${conditionOf(phase).name.toLowerCase()}”?`,
        phase,
      ),
    );
  const usual = USUAL_WEEKS[held.id];
  if (usual !== undefined && weeksBetween(held.since, day) >= usual)
    asks.push(
      ask(
        `${weeksBetween(held.since, day)} weeks since ${name.toLowerCase()}: what does the clinic say now? It holds until you say otherwise.`,
        FOLLOWS[held.id] ?? null,
      ),
    );
  return asks;
}
