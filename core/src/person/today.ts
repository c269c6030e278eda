import * as z from 'zod';
import { lazily } from '../record/index.ts';
import { BODY_PLACES, type BodyPlace, spare } from './body.ts';
import { cap, effort, hold, ONE_FOOT_DOWN } from './condition.ts';
import { type Limit, limitSchema, type Preset, sideSchema } from './limits.ts';

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

export const readingsSchema = lazily(() =>
  z
    .strictObject({
      systolic: reading(50, 300, 'the upper blood pressure'),
      diastolic: reading(20, 200, 'the lower blood pressure'),
      pulse: reading(25, 250, 'the pulse'),
      irregular: z.boolean().optional(),
      glucoseMmol: reading(1, 40, 'the glucose in mmol/L'),
      ketonesMmol: reading(0, 15, 'the ketones in mmol/L'),
      oxygenPercent: reading(50, 100, 'the oxygen in per cent'),
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
    }),
);
export type Readings = z.output<typeof readingsSchema>;

export const todaySchema = lazily(() =>
  z.strictObject({
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
  }),
);
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

/** What is known of somebody that changes what a reading means. */
export interface Reader {
  /** Insulin or a medicine that can cause lows is taken. */
  readonly lows?: boolean;
  readonly pregnant?: boolean;
  /** A medicine, a device or a rhythm that is known about: an irregular pulse is no news, a slow one may be meant. */
  readonly rateKnown?: boolean;
  /** Lungs of which a lower oxygen is usual. */
  readonly lungs?: boolean;
}

/** Oxygen at rest below which nobody trains, and below which it is asked first; of ailing lungs a little lower. */
const OXYGEN = { usual: [90, 94], lungs: [86, 89] } as const;

/** What readings at rest mean, by the usual cautions of exercise services (common practice). */
export function readReadings(r: Readings, { lows, pregnant, rateKnown, lungs }: Reader = {}): Told[] {
  const told: Told[] = [];
  const { systolic: upper, diastolic: lower, pulse, glucoseMmol: sugar, ketonesMmol: ketones } = r;
  if (upper !== undefined && lower !== undefined) {
    if (pregnant && (upper >= 160 || lower >= 110))
      told.push({
        is: 'not today',
        says: `${upper}/${lower} in pregnancy is an emergency: call the maternity unit now.`,
      });
    else if (pregnant && (upper >= 140 || lower >= 90))
      told.push({
        is: 'not today',
        says: `${upper}/${lower} in pregnancy: not today, and the midwife today; headache, sight or pain: now.`,
      });
    else if (upper >= 180 || lower >= 110)
      told.push({
        is: 'not today',
        says: `${upper}/${lower} at rest is too high: not today. Sit five minutes, measure again; as high, a doctor today.`,
      });
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
  if (pulse !== undefined && pulse > (rateKnown ? 110 : 120))
    told.push({ is: 'not today', says: `A pulse of ${pulse} at rest: not today, and a doctor first.` });
  else if (pulse !== undefined && pulse > 100)
    told.push({
      is: 'ask first',
      says: `A pulse of ${pulse} at rest is fast: sit ten minutes and count again; ill, thirsty or new medicine?`,
      limits: [EASY],
    });
  else if (pulse !== undefined && pulse < 40)
    told.push({ is: 'not today', says: `A pulse of ${pulse} at rest: not today, and a doctor first.` });
  else if (pulse !== undefined && pulse < 50)
    told.push({
      is: 'ask first',
      says: rateKnown
        ? `A pulse of ${pulse} may be the medicine: dizzy, weak or out of breath with it means not today.`
        : `A pulse of ${pulse} is usual for some who train much: dizzy, weak or new means not today.`,
    });
  if (r.irregular)
    told.push(
      rateKnown
        ? {
            is: 'ask first',
            says: 'Irregular as known? Then as usual, by words; faster, dizzy or new since last time: not today.',
          }
        : {
            is: 'not today',
            says: 'A heartbeat that is newly irregular: not today, and a doctor first.',
          },
    );
  const { oxygenPercent: oxygen } = r;
  const [least, askFrom] = lungs ? OXYGEN.lungs : OXYGEN.usual;
  if (oxygen !== undefined && oxygen < least)
    told.push({ is: 'not today', says: `Oxygen of ${oxygen} % at rest: not today, and their care team.` });
  else if (oxygen !== undefined && oxygen < askFrom)
    told.push({
      is: 'ask first',
      says: `Oxygen of ${oxygen} %: warm fingers, again; their own limit rules, and it is looked at in every rest.`,
      limits: [EASY],
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
export function todayVerdict(today: Today | undefined, day: string, reader: Reader = {}): Verdict {
  if (!today || today.on !== day)
    return { is: 'as usual', says: [], limits: [], steady: false, byWords: false };
  const told: (Told & { key: string })[] = [
    ...today.marks.map((id): Told & { key: string } => {
      const mark: Mark = TODAY[id];
      return { key: id, is: mark.verdict, says: mark.says, ...(mark.limits ? { limits: mark.limits } : {}) };
    }),
    ...readReadings(today.readings, reader).map((one, i) => ({ ...one, key: `reading-${i}` })),
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
