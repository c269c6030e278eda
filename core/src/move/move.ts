import * as z from 'zod';
import { drawingSchema } from '../pose/index.ts';
import { lazily } from '../record/index.ts';
import {
  demandKeySchema,
  drawnSchema,
  figureSchema,
  LIMB_KEYS,
  limbFiguresSchema,
  originSchema,
} from './demand.ts';
import { LAW_IDS } from './laws.ts';
import { LEVER_IDS, type LeverId } from './levers.ts';

/** What a move trains, in the words trainers sort by. Order is used as the index of the typed row. */
export const PATTERNS = [
  'squat',
  'hinge',
  'split stance',
  'step',
  'push level',
  'push overhead',
  'pull level',
  'pull overhead',
  'brace',
  'anti-turn',
  'side brace',
  'trunk bend',
  'trunk turn',
  'locomotion',
  'jump',
  'get up',
  'balance',
  'mobility',
  'stretch',
] as const;
export type Pattern = (typeof PATTERNS)[number];

export const MUSCLES = [
  'quadriceps',
  'glutes',
  'hamstrings',
  'calves',
  'hip flexors',
  'adductors',
  'abductors',
  'shins',
  'chest',
  'shoulders',
  'triceps',
  'upper back',
  'biceps',
  'abdominals',
  'obliques',
  'lower back',
  'forearms',
  'neck',
] as const;
export type Muscle = (typeof MUSCLES)[number];

/** What a room can give. Moves ask for these; equipment provides them, with sizes in cm or kg. */
export const CAPABILITIES = {
  wall: 'a clear wall',
  'firm surface': 'a firm surface for the hands or feet',
  seat: 'a steady seat',
  step: 'something firm to step on',
  'hand load': 'a weight to hold',
  'pull anchor': 'something to pull on',
  'high anchor': 'an anchor above the head',
  'low bar': 'a bar to hang under',
  'high bar': 'a bar to hang from',
  'back edge': 'a firm edge behind the shoulders',
  band: 'a loose band',
  towel: 'a towel or strap',
  stick: 'a light stick',
  ball: 'a soft ball',
  rope: 'a rope to skip with',
  slider: 'something that slides underfoot',
  couch: 'a bed or sofa to lie on',
  cushion: 'a cushion',
  mat: 'a mat',
  'hand hold': 'something steady to hold',
  'head room': 'room overhead',
} as const;
export type Capability = keyof typeof CAPABILITIES;
export const CAPABILITY_IDS = Object.keys(CAPABILITIES) as Capability[];

const POSTURES = [
  'standing',
  'seated',
  'kneeling',
  'all fours',
  'lying on the back',
  'lying on the front',
  'lying on the side',
  'sitting on the floor',
] as const;

export const LIMBS = ['arm', 'leg'] as const;
export type WorkingLimb = (typeof LIMBS)[number];

const text = lazily(() => z.string().trim().min(2));
export const idSchema = lazily(() =>
  z.string().regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, {
    message: 'an id is small letters, digits and single hyphens, such as "step-jack"',
  }),
);

const needSchema = lazily(() =>
  z.strictObject({
    what: z.enum(CAPABILITY_IDS as [Capability, ...Capability[]]),
    min: z.number().nonnegative().optional(),
    max: z.number().nonnegative().optional(),
    count: z.number().int().positive().default(1),
    /** The size found in the room becomes this setting of the form. */
    sets: z.literal('surfaceCm').optional(),
  }),
);
export type Need = z.infer<typeof needSchema>;

const surfaceSchema = lazily(() =>
  z
    .strictObject({
      for: z.enum(['hands', 'elbows', 'feet', 'seat', 'step']),
      minCm: z.number().nonnegative(),
      maxCm: z.number().positive(),
      usualCm: z.number().nonnegative(),
      law: z.enum(LAW_IDS as [string, ...string[]]),
    })
    .refine((s) => s.minCm <= s.usualCm && s.usualCm <= s.maxCm, {
      message: 'the usual height must lie between the lowest and the highest',
    }),
);

/** What can give effort back without another form: arms that work, and more of the way. */
export const GIVES = ['arms', 'range'] as const;

const trimSchema = lazily(() =>
  z.strictObject({
    id: idSchema,
    say: text,
    /** A lever that gives effort back, where another took it out; otherwise it makes the form easier. */
    gives: z.enum(GIVES).optional(),
    /** Added to the figures named; the result never falls below 0. */
    effect: z
      .partialRecord(demandKeySchema, z.number())
      .refine((e) => Object.keys(e).length > 0, { message: 'a trim must change something' }),
  }),
);

/** What goes wrong, in the order in which a coach meets it: seen, said, then the lever to pull. */
const faultSchema = lazily(() =>
  z.strictObject({
    see: text,
    say: text,
    lever: z.enum(LEVER_IDS as [LeverId, ...LeverId[]]),
    /** What pulling it comes to here: "hands on a chair". */
    do: text,
  }),
);

export const JOINTS = [
  'neck',
  'shoulders',
  'elbows',
  'wrists',
  'upper back',
  'lower back',
  'hips',
  'knees',
  'ankles',
] as const;
export type Joint = (typeof JOINTS)[number];

/** Warm-up and cool-down material says what it readies: pulse, or these joints and muscles. */
const servesSchema = lazily(() =>
  z.strictObject({
    as: z.enum(['pulse', 'mobility', 'stretch']),
    joints: z.array(z.enum(JOINTS)).default([]),
    muscles: z.array(z.enum(MUSCLES)).default([]),
  }),
);

/** The settings that make a form of a move: what a coach would have to show. */
export const settingsSchema = lazily(() =>
  z.strictObject({
    surfaceCm: z.number().nonnegative().max(250).optional(),
    support: z.boolean().optional(),
    trim: idSchema.optional(),
    /** One side only, for a move that one side does alone: the other one is to be spared. */
    side: z.enum(['left', 'right']).optional(),
  }),
);
export type Settings = z.infer<typeof settingsSchema>;

export const formRefSchema = lazily(() =>
  z.strictObject({ move: idSchema, settings: settingsSchema.optional() }),
);
export type FormRef = z.infer<typeof formRefSchema>;

/** A part of a rep that is counted aloud: what is said first, and seconds. */
export const countSchema = lazily(() =>
  z.strictObject({ says: z.string().min(1).max(40), seconds: z.number().int().min(1).max(20) }),
);

/** A figure's own words, pace, dose and demand. One exercise, whatever its surface or load. */
export const moveSchema = lazily(() =>
  z
    .strictObject({
      id: idSchema,
      name: text,
      /** Everyday twins: what other trainers call the same move. */
      twins: z.array(text).default([]),
      pattern: z.enum(PATTERNS),
      muscles: z
        .partialRecord(z.enum(MUSCLES), z.number().positive().max(1))
        .refine((m) => Math.abs(Object.values(m).reduce((a, b) => a + b, 0) - 1) < 0.011, {
          message: 'the muscle shares must add up to 1',
        }),
      posture: z.strictObject({
        start: z.enum(POSTURES),
        work: z.enum(POSTURES),
        end: z.enum(POSTURES),
      }),
      sides: z.enum(['both', 'alternating', 'one']),
      /** The limb that works by itself, so that the figures of its joints fall on its side only. */
      alone: z.enum(LIMBS).optional(),
      /** Figures of that limb which the other one has as well while it works: the leg that is stood on, both hips folded. */
      shares: z.array(demandKeySchema).default([]),
      unit: z.enum(['reps', 'hold']),
      /** What counts as one rep, or as holding. */
      standard: text,
      /** Seconds: lower, pause, lift, pause. Holds and rhythmic moves have none. */
      tempo: z
        .string()
        .regex(/^\d-\d-\d-\d$/)
        .optional(),
      /** Reps a minute: slowest, usual, fastest that is still the same move. Holds have none. */
      pace: z
        .tuple([z.number().positive(), z.number().positive(), z.number().positive()])
        .refine(([a, b, c]) => a <= b && b <= c, { message: 'pace goes slow, usual, fast' })
        .optional(),
      surface: surfaceSchema.optional(),
      /** May be done holding on: what it takes off the balance asked, and how many hands it uses. */
      support: z
        .strictObject({
          balance: z.number().positive(),
          hands: z.number().int().min(1).max(2),
          say: text,
        })
        .optional(),
      trims: z.array(trimSchema).default([]),
      needs: z.array(needSchema),
      serves: servesSchema.optional(),
      cues: z.array(text).min(2).max(3),
      breath: text,
      /** What a rep is counted aloud by, part after part: "in" for three seconds, "out" for five. */
      counts: z.array(countSchema).min(1).max(4).optional(),
      faults: z.array(faultSchema).min(1).max(2),
      stopIf: z.array(text).default([]),
      /** An easier form, for a move that stands on no ladder. */
      easier: formRefSchema.optional(),
      /** The base posture whose figures hold where the move says nothing of its own. */
      base: idSchema,
      demand: z.partialRecord(demandKeySchema, figureSchema),
      /** What its drawing says of its figures, reckoned: an author may say more. */
      drawn: drawnSchema.optional(),
      /** What its drawing says is asked of the limb that doesn’t work, where one works alone; unsaid, as much as of that one. */
      other: limbFiguresSchema.optional(),
      /** The trainer's own drawing of it; the library's own moves are drawn with the product. */
      drawing: drawingSchema.optional(),
      /** Where the move's own figures come from when a figure doesn't say. */
      from: originSchema.default('estimate'),
      source: z.string().optional(),
    })
    .superRefine((move, ctx) => {
      const say = (path: string, message: string) => ctx.addIssue({ code: 'custom', path: [path], message });
      if (move.unit === 'reps' && !move.pace) say('pace', 'a move counted in reps needs a pace');
      if (move.unit === 'hold' && move.pace) say('pace', 'a hold has no pace');
      if (move.alone && move.sides === 'both') say('alone', 'both sides together can’t be done by one alone');
      const limb: readonly string[] = move.alone ? LIMB_KEYS[move.alone] : [];
      for (const key of move.shares)
        if (!limb.includes(key)) say('shares', `“${key}” isn’t a figure of a limb that works alone here`);
      if (move.from === 'published' && !move.source) say('source', 'a published figure names its source');
      const bound = move.needs.some((n) => n.sets === 'surfaceCm');
      if (bound !== Boolean(move.surface))
        say('surface', 'a surface and the need that sets its height go together');
    }),
);
export type Move = z.output<typeof moveSchema>;
