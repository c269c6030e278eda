import * as z from 'zod';
import { BODY_PLACES, type BodyPlace, spare } from './body.ts';
import { cap, effort, hold, ONE_FOOT_DOWN, type Preset } from './condition.ts';
import { type Limit, limitSchema, sideSchema } from './limits.ts';

/** mg/dL in one mmol/L of glucose. */
export const MG_PER_MMOL = 18.016;

/** What may be different today, and what it means for this session only. */
interface Mark {
  readonly name: string;
  readonly verdict: Verdict['is'];
  readonly says: string;
  readonly limits?: readonly Preset[];
  readonly steady?: true;
}

const EASY = effort(4, 'easy today');

export const TODAY = {
  'slept-badly': {
    name: 'Slept badly',
    verdict: 'easier',
    says: 'Nothing new and nothing harder today; stop a little early.',
    limits: [effort(6, 'moderate after a bad night')],
    steady: true,
  },
  'not-eaten': {
    name: 'Hasn’t eaten',
    verdict: 'easier',
    says: 'A bite first if they can; otherwise light.',
    limits: [effort(5, 'light on an empty stomach')],
  },
  hot: {
    name: 'It’s hot',
    verdict: 'easier',
    says: 'Water, shade, more rest; stop at headache, shivering or confusion.',
    limits: [effort(6, 'short of breathless in the heat')],
    steady: true,
  },
  'new-medicine': {
    name: 'A new medicine',
    verdict: 'easier',
    says: 'Ask what it is for. Effort by words alone until it is known whether it changes the heart rate.',
    limits: [effort(6, 'moderate until the new medicine is understood')],
    steady: true,
  },
  fall: {
    name: 'Has had a fall',
    verdict: 'ask first',
    says: 'Did they hit the head, black out, or hurt something? Then not today, and a doctor first.',
    limits: [hold(2), ONE_FOOT_DOWN, cap('balance.level', 4, 'steady footing after a fall'), EASY],
    steady: true,
  },
  stressed: {
    name: 'Not themselves',
    verdict: 'easier',
    says: 'Keep it simple and short; ask how they are.',
    limits: [effort(6, 'moderate today')],
    steady: true,
  },
  dizzy: { name: 'Dizzy or faint', verdict: 'not today', says: 'Not today. Sit, drink, don’t leave alone.' },
  fever: {
    name: 'Fever or an infection',
    verdict: 'not today',
    says: 'Not today. Back when they have been well for a day or two.',
  },
  chest: {
    name: 'Chest pain or odd breathlessness',
    verdict: 'not today',
    says: 'Not today. If it is there now, call for help.',
  },
  'severe-low': {
    name: 'A bad low of sugar in the last day',
    verdict: 'not today',
    says: 'Not today. Lows come back more easily within a day.',
  },
} as const satisfies Record<string, Mark>;
export type TodayId = keyof typeof TODAY;
export const TODAY_IDS = Object.keys(TODAY) as TodayId[];

const reading = (low: number, high: number, what: string) =>
  z
    .number({ error: `${what} is a number` })
    .min(low, `${what} under ${low} is outside what a person can have`)
    .max(high, `${what} over ${high} is outside what a person can have`)
    .optional();

export const readingsSchema = z
  .strictObject({
    systolic: reading(50, 300, 'the upper blood pressure'),
    diastolic: reading(20, 200, 'the lower blood pressure'),
    pulse: reading(25, 250, 'the pulse'),
    irregular: z.boolean().optional(),
    glucoseMmol: reading(1, 40, 'the glucose in mmol/L'),
    ketonesMmol: reading(0, 15, 'the ketones in mmol/L'),
  })
  .superRefine((r, ctx) => {
    if ((r.systolic === undefined) !== (r.diastolic === undefined))
      ctx.addIssue({
        code: 'custom',
        path: [r.systolic === undefined ? 'systolic' : 'diastolic'],
        message: 'a blood pressure has two numbers',
      });
    if (r.systolic !== undefined && r.diastolic !== undefined && r.diastolic >= r.systolic)
      ctx.addIssue({
        code: 'custom',
        path: ['diastolic'],
        message: 'the lower number can’t be as high as the upper',
      });
  });
export type Readings = z.output<typeof readingsSchema>;

export const todaySchema = z.strictObject({
  /** The day it is about; on any other it says nothing. */
  on: z.iso.date(),
  marks: z.array(z.enum(TODAY_IDS as [TodayId, ...TodayId[]])).default([]),
  pain: z
    .array(
      z.strictObject({
        place: z.enum(BODY_PLACES as [BodyPlace, ...BodyPlace[]]),
        side: sideSchema.default('both'),
      }),
    )
    .default([]),
  readings: readingsSchema.default({}),
});
export type Today = z.output<typeof todaySchema>;

export interface Verdict {
  readonly is: 'as usual' | 'easier' | 'ask first' | 'not today';
  /** What to do, most pressing first. */
  readonly says: readonly string[];
  readonly limits: readonly Limit[];
  /** Nothing harder than last time. */
  readonly steady: boolean;
  /** Effort by words alone today. */
  readonly byWords: boolean;
}

const WORST = ['as usual', 'easier', 'ask first', 'not today'] as const;

/** One consequence of a reading. */
interface Told {
  readonly is: Verdict['is'];
  readonly says: string;
  readonly limits?: readonly Preset[];
}

/**
 * What readings at rest mean, by the usual cautions of exercise services (common practice):
 * `lows` where insulin or a medicine that can cause lows is taken.
 */
export function readReadings(r: Readings, lows: boolean): Told[] {
  const told: Told[] = [];
  const { systolic: upper, diastolic: lower, pulse, glucoseMmol: sugar, ketonesMmol: ketones } = r;
  if (upper !== undefined && lower !== undefined) {
    if (upper >= 180 || lower >= 110)
      told.push({ is: 'not today', says: `${upper}/${lower} at rest is too high today: not today.` });
    else if (upper >= 160 || lower >= 100)
      told.push({
        is: 'ask first',
        says: `${upper}/${lower}: ask the clinician before strength work or holds.`,
        limits: [
          cap('strain.breath', 0, 'no straining at this pressure'),
          cap('strain.holdSeconds', 5, 'no holds at this pressure'),
        ],
      });
    else if (upper < 90)
      told.push({
        is: 'ask first',
        says: `${upper}/${lower} is low: dizzy or weak with it means not today.`,
        limits: [EASY],
      });
  }
  if (pulse !== undefined && pulse > 120)
    told.push({ is: 'not today', says: `A pulse of ${pulse} at rest: not today.` });
  if (r.irregular)
    told.push({
      is: 'not today',
      says: 'A heartbeat that is newly irregular: not today, and a doctor first.',
    });
  if (ketones !== undefined && ketones >= 1.5)
    told.push({ is: 'not today', says: `Ketones of ${ketones}: not today, and their care team now.` });
  else if (ketones !== undefined && ketones >= 0.6)
    told.push({
      is: 'ask first',
      says: `Ketones of ${ketones}: treat first as their plan says, then measure again.`,
    });
  if (sugar !== undefined) {
    const said = `${sugar} mmol/L (${Math.round(sugar * MG_PER_MMOL)} mg/dL)`;
    if (sugar < 3.9)
      told.push({
        is: 'not today',
        says: `${said} is low: not yet. Fast sugar now, measure again in 15 minutes.`,
      });
    else if (lows && sugar < 5)
      told.push({
        is: 'ask first',
        says: `${said}: some carbohydrate first, measure again, and again afterwards.`,
      });
    else if (sugar > 13.9 && ketones === undefined)
      told.push({ is: 'ask first', says: `${said} is high: check ketones before anything.` });
    else if (sugar > 13.9)
      told.push({
        is: 'easier',
        says: `${said} is high: light, water, measure again.`,
        limits: [effort(5, 'light while the sugar is high')],
      });
  }
  return told;
}

/** The consequence of today's sheet for this session; as usual when it is about another day. */
export function todayVerdict(today: Today | undefined, day: string, lows: boolean): Verdict {
  if (!today || today.on !== day)
    return { is: 'as usual', says: [], limits: [], steady: false, byWords: false };
  const told: (Told & { key: string })[] = [
    ...today.marks.map((id): Told & { key: string } => {
      const mark: Mark = TODAY[id];
      return { key: id, is: mark.verdict, says: mark.says, ...(mark.limits ? { limits: mark.limits } : {}) };
    }),
    ...readReadings(today.readings, lows).map((one, i) => ({ ...one, key: `reading-${i}` })),
  ];
  const pain = today.pain.flatMap(({ place, side }) =>
    spare(place, side, { source: 'today', acute: true, prefix: 'today' }),
  );
  if (today.pain.length > 0)
    told.push({
      key: 'pain',
      is: 'easier',
      says: 'Swollen, hot, giving way or from a fresh injury? Then not today, and have it looked at.',
    });
  const limits = told.flatMap((one) =>
    (one.limits ?? []).map((preset) =>
      limitSchema.parse({
        ...preset,
        id: `today/${one.key}/${preset.kind === 'cap' ? preset.on : preset.kind}`,
        source: 'today',
        acute: true,
      }),
    ),
  );
  const rank = (is: Verdict['is']) => WORST.indexOf(is);
  const sorted = [...told].sort((a, b) => rank(b.is) - rank(a.is));
  return {
    is: sorted[0]?.is ?? 'as usual',
    says: sorted.map((one) => one.says),
    limits: [...limits, ...pain],
    steady: today.marks.some((id) => (TODAY[id] as Mark).steady) || today.pain.length > 0,
    byWords: today.marks.includes('new-medicine'),
  };
}
