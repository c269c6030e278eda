import * as z from 'zod';
import { formatSchema, SIDES_IDS } from '../clock/index.ts';
import { formRefSchema, idSchema, settingsSchema } from '../move/index.ts';
import { lazily, type RecordKind } from '../record/index.ts';
import { roomItemSchema } from '../room/index.ts';
import { KIND_IDS } from './kinds.ts';

const words = (most: number) => z.string().max(most, { error: `at most ${most} characters, please` });

/** The most of a station that makes sense: a count, seconds, metres. */
export const MOST_OF = { reps: 500, seconds: 3600, metres: 2000 } as const;

/** How much of a move: a count, a time or a distance; tempo and load; how it is broken up. */
export const doseSchema = lazily(() =>
  z
    .strictObject({
      reps: z.number().int().min(1).max(MOST_OF.reps).optional(),
      seconds: z.number().int().min(1).max(MOST_OF.seconds).optional(),
      metres: z.number().int().min(1).max(MOST_OF.metres).optional(),
      /** The count is for each side; otherwise it is in all. As the move usually goes where it isn't said. */
      each: z.boolean().optional(),
      /** Seconds: lower, pause, lift, pause. */
      tempo: z
        .string()
        .regex(/^\d-\d-\d-\d$/, { error: 'four digits: lower, pause, lift, pause, as 3-1-1-0' })
        .optional(),
      loadKg: z.number().min(0).max(200).optional(),
      /** Sets at this station where its clock goes in sets; as many as the clock's where nothing is said. */
      sets: z.number().int().min(1).max(12).optional(),
      /** A count in pieces, 5 and 5, with a breath between. */
      split: z.array(z.number().int().min(1).max(100)).min(2).max(6).optional(),
      /** Short bouts inside the slot: 3 × 8 s in 30. */
      bouts: z
        .strictObject({ times: z.number().int().min(2).max(10), seconds: z.number().int().min(2).max(60) })
        .optional(),
      /** One thing after another inside the slot: reps, then a hold; a surge at the end. */
      phases: z
        .array(z.strictObject({ says: words(60).min(1), seconds: z.number().int().min(1).max(300) }))
        .max(6)
        .optional(),
      /** Called out while it goes on, at even distances or when nobody expects it. */
      calls: z
        .strictObject({
          says: words(60).min(1),
          times: z.number().int().min(1).max(20),
          random: z.boolean(),
        })
        .optional(),
    })
    .superRefine((dose, ctx) => {
      const given = (['reps', 'seconds', 'metres'] as const).filter((key) => dose[key] !== undefined);
      if (given.length > 1)
        ctx.addIssue({
          code: 'custom',
          path: [given[1]!],
          message: `a dose is ${given.join(' or ')}, not both`,
        });
      if (dose.split && dose.reps !== undefined && dose.split.reduce((a, b) => a + b, 0) !== dose.reps)
        ctx.addIssue({
          code: 'custom',
          path: ['split'],
          message: `${dose.split.join(' + ')} isn’t ${dose.reps}`,
        });
    }),
);
export type Dose = z.output<typeof doseSchema>;

const partSchema = lazily(() =>
  z.strictObject({
    move: idSchema,
    settings: settingsSchema.optional(),
    dose: doseSchema.optional(),
  }),
);

const stationSchema = lazily(() =>
  z.strictObject({
    id: idSchema,
    /** The trainer's move. */
    move: idSchema,
    settings: settingsSchema.optional(),
    /** What the trainer typed, when it was typed. */
    typed: z.string().max(200).optional(),
    sides: z.enum(SIDES_IDS).default('swap at half'),
    dose: doseSchema.optional(),
    /** What follows in the same go: a chain, or what fills the minute. */
    chain: z.array(partSchema).max(3).optional(),
    /** Later rounds' forms, where each round is a rung harder. */
    byRound: z.array(formRefSchema).max(19).optional(),
    /** Moves that are the trainer's own easier and harder ways here, taken before any other move that is open. */
    ways: z.array(idSchema).max(8).optional(),
    /** New to this class: takes longer to show. */
    isNew: z.boolean().optional(),
    /** What stands on paper instead of the move's own cue. */
    words: words(200).min(1).optional(),
  }),
);
export type Station = z.output<typeof stationSchema>;

export const ROLES = {
  'warm-up': 'Warm-up',
  circuit: 'Circuit',
  finisher: 'Finisher',
  challenge: 'Challenge',
  'cool-down': 'Cool-down',
} as const;
export type Role = keyof typeof ROLES;
const ROLE_IDS = Object.keys(ROLES) as [Role, ...Role[]];

interface Resting {
  readonly says: string;
  /** What it is for who doesn't stand, where that is something else. */
  readonly seated?: string;
  /** Moves that it is, the first one meant, the others for who may not. */
  readonly moves: readonly string[];
  /** MET it costs by itself, where it is no move. Compendium 2011 (standing, sitting quietly), from memory, widened; estimates. */
  readonly met: readonly [number, number] | null;
}
/** What people do in a rest. */
const STYLES = {
  moving: { says: 'keep moving', moves: [], met: null },
  jogging: { says: 'jog on the spot', moves: ['jog-on-spot', 'march', 'seated-march'], met: null },
  marching: { says: 'march on the spot', moves: ['march', 'seated-march'], met: null },
  shaking: { says: 'shake out arms and legs', seated: 'shake out your arms', moves: [], met: [1.8, 2.5] },
  standing: { says: 'stand and breathe', seated: 'breathe where you sit', moves: [], met: [1.3, 1.8] },
  sitting: { says: 'sit down', seated: 'rest where you sit', moves: [], met: [1, 1.5] },
} as const satisfies Readonly<Record<string, Resting>>;
export type RestStyle = keyof typeof STYLES;
export const REST_STYLES: Readonly<Record<RestStyle, Resting>> = STYLES;
export const restStyleSchema = lazily(() => z.enum(Object.keys(REST_STYLES) as [RestStyle, ...RestStyle[]]));
export const SHOWING = {
  'over the warm-up': 'over the warm-up',
  before: 'before it begins',
  'in the rest': 'in the rests',
} as const;

/** Stations that one block may have. Estimate: more is no circuit that anybody sets up. */
export const MOST_STATIONS = 40;
/** Characters of a session's notes. */
export const MOST_NOTES = 4000;
/** Blocks that one session may have. Estimate, as above. */
export const MOST_BLOCKS = 20;

export const blockSchema = lazily(() =>
  z.strictObject({
    id: idSchema,
    name: words(60).optional(),
    role: z.enum(ROLE_IDS).optional(),
    format: formatSchema,
    stations: z
      .array(stationSchema)
      .max(MOST_STATIONS, { error: `at most ${MOST_STATIONS} stations in a block` }),
    /** What everybody does in the rests inside it; they walk about easily where nothing is said. */
    resting: restStyleSchema.optional(),
    /** Seconds to get ready before the first stretch. */
    readySeconds: z.number().int().min(0).max(60).optional(),
    /** When the forms are shown. */
    showing: z.enum(Object.keys(SHOWING) as [keyof typeof SHOWING, ...(keyof typeof SHOWING)[]]).optional(),
    /** What comes before the next block. */
    after: z
      .strictObject({
        seconds: z.number().int().min(0).max(900),
        /** A range: at most so long. */
        mostSeconds: z.number().int().min(0).max(1800).optional(),
        untilReady: z.boolean().optional(),
        style: restStyleSchema.optional(),
        drink: z.boolean().optional(),
      })
      .optional(),
  }),
);
export type Block = z.output<typeof blockSchema>;

/** What is kept first where something has to give; balanced where nothing is said. */
export const KEEP_FIRST = {
  muscles: 'the muscles',
  effort: 'the effort',
  familiar: 'what they know',
} as const;
export type KeepFirst = keyof typeof KEEP_FIRST;
export const KEEP_FIRST_IDS = Object.keys(KEEP_FIRST) as [KeepFirst, ...KeepFirst[]];

export const aimSchema = lazily(() =>
  z
    .strictObject({
      effort: z.number().int('whole steps').min(1, 'from 1').max(10, 'at most 10'),
      newcomers: z.number().int('whole steps').min(1, 'from 1').max(10, 'at most 10').optional(),
    })
    .refine(({ effort, newcomers = effort }) => newcomers <= effort, {
      path: ['newcomers'],
      message: 'newcomers aim for no more than the others',
    }),
);

/** Dial positions. Impact 0–3 is the highest class allowed; ability 0–3 a named level. */
export const dialsSchema = lazily(() =>
  z.strictObject({
    impact: z.union([z.literal('as written'), z.literal(0), z.literal(1), z.literal(2), z.literal(3)]),
    intensity: z.union([z.literal('as written'), z.literal(0), z.literal(1), z.literal(2), z.literal(3)]),
    ability: z.union([
      z.literal('as written'),
      z.literal('own rungs'),
      z.literal(0),
      z.literal(1),
      z.literal(2),
      z.literal(3),
    ]),
    keep: z.enum(KEEP_FIRST_IDS).optional(),
  }),
);
export type Dials = z.infer<typeof dialsSchema>;

export const AS_WRITTEN: Dials = {
  impact: 'as written',
  intensity: 'as written',
  ability: 'as written',
};

/** A session with whom and where it is being looked at for: one document, saved as one. */
export const planSchema = lazily(() =>
  z.strictObject({
    version: z.literal(2),
    id: idSchema,
    title: z
      .string()
      .trim()
      .min(1, { error: 'a session has a title' })
      .max(120, { error: 'a title of at most 120 characters, please' }),
    /** Who it was written for, as a level; others are scaled in proportion. */
    writtenFor: z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]),
    /** Who the clock is for: how long changes take, how soon they need a drink. */
    forWhom: z.enum(KIND_IDS),
    blocks: z
      .array(blockSchema)
      .min(1, { error: 'a session has a block' })
      .max(MOST_BLOCKS, { error: `at most ${MOST_BLOCKS} blocks` }),
    person: idSchema.nullable(),
    room: idSchema.nullable(),
    dials: dialsSchema,
    tags: z.array(words(30).min(1)).max(12).optional(),
    notes: words(MOST_NOTES).optional(),
    /** Minutes there are for all of it. */
    bookedMinutes: z.number().int().min(1).max(300).optional(),
    /** How hard it is meant to feel on 0–10, and how hard for who is new to it where that is less. */
    aim: aimSchema.optional(),
    /** What the trainer wants otherwise on the class page: a form not shown, one given to somebody. */
    wishes: z
      .array(
        z.strictObject({
          block: idSchema,
          station: idSchema,
          kind: z.enum(['bar', 'give']),
          form: formRefSchema,
          person: words(80).optional(),
        }),
      )
      .max(200)
      .optional(),
    /** Who is given another level than their own for this session. */
    levels: z
      .array(
        z.strictObject({
          person: words(80),
          level: z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]),
        }),
      )
      .max(200)
      .optional(),
    /** What stands on one person's card at a station instead of the move's cue, or of what everybody is told. */
    wordsFor: z
      .array(
        z.strictObject({
          block: idSchema,
          station: idSchema,
          person: words(80),
          words: words(200).min(1),
        }),
      )
      .max(1000)
      .optional(),
    /** What was borrowed on top of what the room has. */
    borrowed: z.array(roomItemSchema).max(40).optional(),
    /** How many lanes the circuit is made into, and what was put into them by hand. */
    lanes: z
      .strictObject({
        count: z.number().int().min(2).max(5),
        pins: z
          .array(
            z.strictObject({
              block: idSchema,
              station: idSchema,
              lane: z.number().int().min(0).max(4),
              form: formRefSchema,
            }),
          )
          .max(400),
      })
      .optional(),
    /** Findings looked at and let stand, each with its reason. */
    accepted: z
      .array(z.strictObject({ check: words(60), at: words(80), why: words(200).min(1) }))
      .max(100)
      .optional(),
  }),
);
export type Plan = z.output<typeof planSchema>;

export const PLAN_EXAMPLE: Plan = {
  version: 2,
  id: 'first-circuit',
  title: 'First circuit',
  writtenFor: 2,
  forWhom: 'adults',
  blocks: [
    {
      id: 'main',
      format: {
        kind: 'intervals',
        workSeconds: 40,
        restSeconds: 20,
        rounds: 2,
        roundRestSeconds: 60,
        closingRest: false,
      },
      stations: [{ id: 's1', move: 'squat', sides: 'swap at half' }],
    },
  ],
  person: null,
  room: null,
  dials: AS_WRITTEN,
};

export const PLAN: RecordKind<Plan> = {
  kind: 'plan',
  collection: 'plans',
  name: 'session',
  schema: planSchema,
  version: 2,
  upgrades: {
    // A circuit was one block; a session has several.
    1: ({ block, ...rest }) => ({ ...rest, forWhom: 'adults', blocks: [block] }),
  },
  references: [
    { to: 'person', at: 'person', erased: 'null' },
    { to: 'room', at: 'room', erased: 'null' },
    { to: 'person', at: 'wishes[].person', erased: 'drop' },
    { to: 'person', at: 'levels[].person', erased: 'drop' },
    { to: 'person', at: 'wordsFor[].person', erased: 'drop' },
  ],
  example: PLAN_EXAMPLE,
};

/** The level somebody has for this session, where the trainer gave them another than their own. */
export const levelFor = (plan: Pick<Plan, 'levels'>, id: string): 0 | 1 | 2 | 3 | null =>
  plan.levels?.find((one) => one.person === id)?.level ?? null;

export const roleOf = (block: Block): Role => block.role ?? 'circuit';
/** What is trained: neither what comes before it nor what comes after. */
export const isCircuit = (block: Block): boolean => !['warm-up', 'cool-down'].includes(roleOf(block));

/** What a block is called: its own name, or its role with a number where there are several of it. */
export function blockName(blocks: readonly Block[], at: number): string {
  const block = blocks[at]!;
  if (block.name?.trim()) return block.name;
  const role = roleOf(block);
  const alike = blocks.filter((b) => roleOf(b) === role && !b.name?.trim());
  return alike.length > 1 ? `${ROLES[role]} ${alike.indexOf(block) + 1}` : ROLES[role];
}

/** A fresh station id that no station of a block uses yet. */
export function nextStationId(stations: readonly Pick<Station, 'id'>[]): string {
  const used = new Set(stations.map((s) => s.id));
  let n = stations.length + 1;
  while (used.has(`s${n}`)) n++;
  return `s${n}`;
}
