import * as z from 'zod';
import { type Capability, formRefSchema, idSchema } from '../move/index.ts';
import { lazily, type RecordKind } from '../record/index.ts';
import { EQUIPMENT_IDS, type EquipmentId } from '../room/index.ts';
import { ADULT_FROM, type Age, ageOn, bornSchema, youngAt } from './age.ts';
import { assessmentSchema, followUp, testCard } from './assess.ts';
import { ACTIVITY, type ActivityId, type CapacityAnswer, capacityOf } from './capacity.ts';
import { CONDITION_IDS, type ConditionId, compileCondition, conditionOf } from './conditions.ts';
import { type Ask, asksOf, contradictions, courseOn, knownDisease } from './courses.ts';
import { datesAhead, knownOn } from './dated.ts';
import { homeSchema } from './home.ts';
import { type Limit, limitSchema, limitsOn, sideSchema } from './limits.ts';
import {
  clearanceSchema,
  overrideSchema,
  pregnancyScreenSchema,
  type Standing,
  screeningSchema,
  standingOf,
  stopSchema,
} from './screening.ts';
import { todaySchema, todayVerdict, type Verdict } from './today.ts';

/** Evidence of a rung a person owns. The rung is named by its form, so a ladder may gain rungs. */
const placementSchema = lazily(() =>
  z.strictObject({
    ladder: idSchema,
    rung: formRefSchema,
    evidence: z.enum(['assessed', 'observed', 'assumed']),
    on: z.iso.date(),
    /** Most clean reps, or seconds for a hold. */
    clean: z.number().int().min(0).max(600).optional(),
  }),
);
export type Placement = z.infer<typeof placementSchema>;

export const PERSON_KINDS = ['beginner', 'general', 'older adult', 'child or teenager', 'clinical'] as const;

export const heldConditionSchema = lazily(() =>
  z
    .strictObject({
      id: z.enum(CONDITION_IDS as [ConditionId, ...ConditionId[]]),
      side: sideSchema.default('both'),
      since: z.iso.date().optional(),
      until: z.iso.date().optional(),
      /** The day a child is due. */
      due: z.iso.date().optional(),
    })
    .refine((c) => !(c.since && c.until) || c.since <= c.until, {
      path: ['until'],
      message: 'it can’t end before it began',
    }),
);

/** One of a condition's limits put aside or eased, by whom and why; kept even when it is put back. */
const loosenedSchema = lazily(() =>
  z.strictObject({
    limit: z.string().min(3),
    /** The cap that holds instead; none: the limit is off. */
    max: z.number().nonnegative().optional(),
    by: z.string().trim().min(2, 'say who allowed it').max(80),
    why: z.string().trim().min(5, 'give the reason in a few words').max(300),
    on: z.iso.date(),
  }),
);

/** What was changed in limits, conditions, clearance or placement, when and why. */
const logSchema = lazily(() =>
  z.strictObject({
    at: z.iso.datetime(),
    what: z.enum(['limit', 'condition', 'screening', 'clearance', 'placement', 'group']),
    says: z.string().min(1).max(400),
    why: z.string().max(300).default(''),
  }),
);
export type LogEntry = z.output<typeof logSchema>;

const words = lazily(() => z.string().trim().max(2000));

export const personSchema = lazily(() =>
  z.strictObject({
    version: z.literal(3),
    id: idSchema,
    name: z.string().trim().min(1, 'a name or initials').max(80),
    born: bornSchema,
    kind: z.enum(PERSON_KINDS),
    /** Only where a published norm or equation needs it; unstated gives both results. */
    sex: z.enum(['female', 'male']).optional(),
    activity: z.enum(ACTIVITY.map((a) => a.id) as [ActivityId, ...ActivityId[]]).optional(),
    massKg: z.number().min(15, 'under 15 kg').max(350, 'over 350 kg').optional(),
    heightCm: z.number().min(80, 'under 80 cm').max(250, 'over 250 cm').optional(),
    restingRate: z
      .number()
      .int('whole beats a minute')
      .min(30, 'under 30 a minute at rest: ask a doctor')
      .max(120, 'over 120 a minute at rest: ask a doctor')
      .optional(),
    /** Where they are taken to stand on ladders that say nothing of them, 0 innermost. */
    assumedLevel: z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]),
    /** A capacity in MET that a clinic has measured. */
    capacityMet: z
      .strictObject({ lo: z.number().min(2.5).max(25), hi: z.number().min(2.5).max(25), from: z.string() })
      .refine((c) => c.lo <= c.hi, { message: 'the low end must not be above the high end' })
      .optional(),
    /** The most effort the trainer sees for now, on the 0–10 scale; otherwise screening and activity say. */
    effortMax: z.number().min(1).max(10).optional(),
    goals: words.default(''),
    notes: words.default(''),
    emergency: z
      .strictObject({ name: z.string().trim().max(80), phone: z.string().trim().max(40) })
      .optional(),
    /** They agreed that this is kept: when, and how they said so. */
    consent: z
      .strictObject({ on: z.iso.date(), how: z.string().trim().min(2, 'how they said so').max(200) })
      .optional(),
    equipment: z.array(z.enum(EQUIPMENT_IDS as [EquipmentId, ...EquipmentId[]])).default([]),
    dislikes: z.array(idSchema).default([]),
    /** Moves the trainer has ruled out for them, and those they are glad to do: rules learned from corrections. */
    never: z.array(idSchema).default([]),
    likes: z.array(idSchema).default([]),
    screening: screeningSchema.optional(),
    pregnancyScreen: pregnancyScreenSchema.optional(),
    clearance: clearanceSchema.optional(),
    override: overrideSchema.optional(),
    healthChangedOn: z.iso.date().optional(),
    /** Stop signs in sessions, kept; one that nobody closed keeps them from training. */
    stops: z.array(stopSchema).max(200).optional(),
    conditions: z.array(heldConditionSchema).default([]),
    limits: z.array(limitSchema).default([]),
    loosened: z.array(loosenedSchema).default([]),
    placements: z.array(placementSchema).default([]),
    assessments: z.array(assessmentSchema).default([]),
    today: todaySchema.optional(),
    log: z.array(logSchema).default([]),
    /** What they do at home. */
    home: homeSchema.optional(),
  }),
);
export type Person = z.output<typeof personSchema>;

/** What was eased before its side was a part of its name; one that meant two sides at once eases neither. */
function sidedLoosened(old: Record<string, unknown>): unknown {
  const { loosened, conditions } = old;
  if (!Array.isArray(loosened) || !Array.isArray(conditions)) return loosened;
  return loosened.map((one: { limit?: unknown }) => {
    const id = String(one?.limit).split('/')[0];
    const sides = new Set(
      conditions.flatMap((held: { id?: unknown; side?: unknown }) =>
        held?.id === id ? [held.side ?? 'both'] : [],
      ),
    );
    const [side] = sides;
    return sides.size === 1 && (side === 'left' || side === 'right')
      ? { ...one, limit: `${one.limit}/${side}` }
      : one;
  });
}

/** What the least complete person looks like: a name and a year. */
export const PERSON_EXAMPLE: Person = {
  version: 3,
  id: 'someone',
  name: 'Someone new',
  born: '1980',
  kind: 'beginner',
  assumedLevel: 0,
  goals: '',
  notes: '',
  equipment: [],
  dislikes: [],
  never: [],
  likes: [],
  conditions: [],
  limits: [],
  loosened: [],
  placements: [],
  assessments: [],
  log: [],
};

export const PERSON: RecordKind<Person> = {
  kind: 'person',
  collection: 'people',
  name: 'person',
  schema: personSchema,
  version: 3,
  upgrades: {
    // What was eased is known by its side as well: where both sides were held apart, it can't be told which was meant.
    2: (old) => ({ ...old, loosened: sidedLoosened(old) }),
    1: ({ birthYear, ...old }) => ({
      ...old,
      born: String(birthYear),
      limits: ((old['limits'] ?? []) as Record<string, unknown>[]).map((limit) => {
        const { changeSeconds, ...rest } = limit;
        return changeSeconds === undefined ? limit : { ...rest, what: 'change', seconds: changeSeconds };
      }),
    }),
  },
  references: [
    { to: 'plan', at: 'home.sessions[].plan', erased: 'drop' },
    { to: 'room', at: 'home.room', erased: 'omit' },
  ],
  example: PERSON_EXAMPLE,
  // Whether somebody trains, and with what, is read off all of these at once: an answer changed here and a clearance
  // given there mustn't stand together unseen.
  together: [
    [
      'screening',
      'pregnancyScreen',
      'clearance',
      'override',
      'healthChangedOn',
      'stops',
      'conditions',
      'limits',
      'loosened',
      'effortMax',
      'capacityMet',
      'today',
    ],
  ],
};

/** Effort that suits before anything else is known: not regular 5–6, regular 7–8, the trained 8–9. */
const EFFORT_BY_ACTIVITY: Readonly<Record<ActivityId, number>> = {
  inactive: 6,
  some: 6,
  regular: 8,
  active: 8,
  athletic: 9,
};

const EFFORT_BY_KIND: Readonly<Record<Person['kind'], number>> = {
  beginner: 6,
  general: 8,
  'older adult': 6,
  'child or teenager': 8,
  clinical: 6,
};

type Held = Person['conditions'][number];

/** Conditions in force on a day; being under 18 is one of itself. */
export function conditionsOn(person: Person, day: string): Held[] {
  // A day to come may be a slip of the pen: what it is of is minded already, and asked about.
  const held = person.conditions
    .filter((c) => c.until === undefined || c.until >= day)
    .map((c) => courseOn(c, day));
  const young = youngAt(ageOn(person.born, day).lo);
  return young && !held.some((c) => c.id === 'child' || c.id === 'teenager')
    ? [...held, { id: young, side: 'both' }]
    : held;
}

const PREGNANT: readonly ConditionId[] = ['pregnancy-early', 'pregnancy-later', 'pregnancy-watched'];
const LOWS: readonly ConditionId[] = ['diabetes-insulin'];

/** All that a day makes of a person, worked out once: what they are, what they may, how hard. */
export interface Outlook {
  readonly age: Age;
  readonly conditions: readonly Held[];
  readonly standing: Standing;
  readonly today: Verdict;
  /** Every limit in force, none merged away. */
  readonly limits: readonly Limit[];
  /** Effort by words and the talk test alone. */
  readonly byWords: boolean;
  readonly capacity: CapacityAnswer;
  /** What they have with them wherever they are: a wheelchair is a seat. */
  readonly brings: readonly Capability[];
  /** Nothing harder than last time, no reach. */
  readonly steady: boolean;
  readonly notAlone: boolean;
  /** A card, and a place in a live run. */
  readonly mayTrain: boolean;
  /** Why not, in a sentence; null for whoever may. */
  readonly waitsFor: string | null;
  /** What is to be asked about what is recorded; the more careful reading holds until it is answered. */
  readonly asks: readonly Ask[];
  /** Caution lines, one a condition, today's first. */
  readonly cautions: readonly string[];
  readonly reminders: readonly string[];
  /** What has to be in reach before they begin. */
  readonly inReach: readonly string[];
}

const NOT_ALONE = 'Not to be left to work alone.';

/** A condition's limits with what has been loosened taken off or eased; the newest word on a limit holds. */
function loosen(person: Person, limits: readonly Limit[], day: string): Limit[] {
  const latest = new Map<string, Person['loosened'][number]>();
  for (const one of person.loosened) if (one.on <= day) latest.set(one.limit, one);
  return limits.flatMap((limit) => {
    const one = latest.get(limit.id);
    if (!one) return [limit];
    if (one.max === undefined || limit.kind !== 'cap') return [];
    return [{ ...limit, max: Math.max(limit.max, one.max) }];
  });
}

/** The condition that waits for a doctor's word, the one that began last; by number alone they are seen by their trainer. */
function waitsFor(
  conditions: Outlook['conditions'],
  day: string,
): { name: string; since: string | null } | null {
  const [last] = conditions
    .filter(({ id }) => conditionOf(id).clearFirst)
    .map(({ id, since }) => ({
      name: conditionOf(id).name.toLowerCase(),
      since: since !== undefined && since <= day ? since : null,
    }))
    .sort((a, b) => ((a.since ?? '') > (b.since ?? '') ? -1 : 1));
  return last ?? null;
}

/**
 * All that a day (YYYY-MM-DD) makes of somebody: whether they may train, the limits in force from every source with what
 * was eased taken off, how hard at most, what to say and watch for. Pure: the day is an argument. The limits of two
 * sources on one thing both stand; the law reads the strictest.
 *
 *     const outlook = outlookOf(person, '2026-11-30');
 *     outlook.mayTrain; // false until screening, a stop sign or consent is settled
 *     outlook.limits; // what the law is asked with
 */
export function outlookOf(recorded: Person, day: string): Outlook {
  const person = knownOn(recorded, day);
  const age = ageOn(person.born, day);
  const conditions = conditionsOn(person, day);
  const tables = conditions.map((c) => conditionOf(c.id));
  const has = (ids: readonly ConditionId[]) => conditions.some((c) => ids.includes(c.id));
  const due = conditions.find((c) => PREGNANT.includes(c.id) && c.due !== undefined)?.due;
  const disease = knownDisease(conditions);
  const since = conditions.flatMap((c) => (c.since !== undefined && c.since <= day ? [c.since] : [])).sort();
  const asked = standingOf(person, day, has(PREGNANT), age.lo < ADULT_FROM, {
    due,
    disease: disease === null ? null : conditionOf(disease).name.toLowerCase(),
    waits: 'standsFor' in person ? null : waitsFor(conditions, day),
    lastEvent: disease === null ? undefined : since.at(-1),
  });
  // Who is known by number alone has nobody's answers to give: their trainer sees them, and their limits are what was said.
  const standing =
    asked.state === 'not screened' && 'standsFor' in person
      ? { ...asked, mayTrain: true, maxRpe: 10 }
      : asked;
  const today = todayVerdict(person.today, day, {
    lows: has(LOWS),
    pregnant: has(PREGNANT),
    rateKnown: has(['rate-medication', 'implanted-defibrillator']),
    lungs: has(['copd']),
  });
  const byWords = age.lo < ADULT_FROM || today.byWords || tables.some((t) => t.effortByWords);
  const newest = (test: string) =>
    person.assessments
      .filter((a) => a.test === test && a.on <= day)
      .sort((a, b) => (a.on < b.on ? 1 : -1))[0];
  const capacity = capacityOf({
    age,
    byWords,
    sex: person.sex,
    massKg: person.massKg,
    heightCm: person.heightCm,
    restingRate: person.restingRate,
    activity: person.activity,
    walkMetres: newest('six-minute-walk')?.value,
    measured: person.capacityMet,
  });
  const effortFrom = (id: string, maxRpe: number, source: Limit['source'], reason: string): Limit[] =>
    maxRpe < 10 ? [{ kind: 'effort', id, source, side: 'both', acute: false, maxRpe, reason }] : [];
  // Nobody is freer for not having said how active they are; who is known by number is seen by their trainer.
  // How active somebody is by the clock is asked of grown-ups; children play hard and rest when they like.
  const usual =
    person.kind === 'child or teenager'
      ? EFFORT_BY_KIND[person.kind]
      : person.activity
        ? EFFORT_BY_ACTIVITY[person.activity]
        : 'standsFor' in person
          ? EFFORT_BY_KIND[person.kind]
          : Math.min(EFFORT_BY_KIND[person.kind], EFFORT_BY_ACTIVITY.inactive);
  const compiled = conditions.flatMap((c) => {
    const own = compileCondition(c.id, c.side).map((limit) =>
      c.until ? { ...limit, until: c.until } : limit,
    );
    return loosen(person, own, day);
  });
  return {
    age,
    conditions,
    standing,
    today,
    limits: [
      ...compiled,
      ...limitsOn(person.limits, day),
      ...effortFrom(
        'screening/effort',
        standing.maxRpe,
        'screening',
        `up to ${standing.maxRpe} of 10, from the screening`,
      ),
      ...(person.effortMax === undefined
        ? effortFrom('usual-effort', usual, 'trainer', `up to ${usual} of 10, for how active they are`)
        : effortFrom('effort-now', person.effortMax, 'trainer', `up to ${person.effortMax} of 10 for now`)),
      ...today.limits,
    ],
    byWords,
    capacity,
    brings: [...new Set(tables.flatMap((t) => t.brings ?? []))],
    steady: today.steady || tables.some((t) => t.steady),
    notAlone: tables.some((t) => t.notAlone),
    mayTrain: standing.mayTrain && today.is !== 'not today',
    waitsFor: standing.mayTrain
      ? today.is === 'not today'
        ? (today.says[0] ?? 'Not today.')
        : null
      : standing.says,
    asks: [
      ...person.conditions
        .filter((c) => c.until === undefined || c.until >= day)
        .flatMap((c) => asksOf(c, day)),
      ...datesAhead(recorded, day),
      ...[...new Set(person.assessments.map(({ test }) => test))].flatMap((test): Ask[] => {
        const { condition } = followUp(newest(test)!);
        if (condition === undefined || has([condition])) return [];
        const named = `“${conditionOf(condition).name}”`;
        return [
          {
            says: `${testCard(test).name} speaks for ${named}, which isn’t among their limits.`,
            on: 'tests',
          },
        ];
      }),
      ...contradictions(conditions, { sex: person.sex, age: 'ageless' in person ? null : age }),
    ],
    cautions: [
      ...today.says,
      ...tables.map((t) => t.caution),
      ...(tables.some((t) => t.notAlone) ? [NOT_ALONE] : []),
    ],
    reminders: [...new Set(tables.flatMap((t) => t.reminders ?? []))],
    inReach: [...new Set(tables.flatMap((t) => t.inReach ?? []))],
  };
}

/** Every limit that holds for a person on a day (YYYY-MM-DD), none merged away. */
export function activeLimits(person: Person, day: string): readonly Limit[] {
  return outlookOf(person, day).limits;
}

/** The most effort on a day, on the 0–10 scale. */
export function effortOn(outlook: Outlook): number {
  return outlook.limits.reduce((most, l) => (l.kind === 'effort' ? Math.min(most, l.maxRpe) : most), 10);
}
