import * as z from 'zod';
import type { FormRef } from '../move/index.ts';
import { lazily } from '../record/index.ts';
import { type Age, ageWords, dayWords } from './age.ts';
import type { ConditionId } from './conditions.ts';
import { sideSchema } from './limits.ts';
import {
  CHAIR_STAND,
  type Norm,
  normsFor,
  type Sex,
  TANDEM_SECONDS,
  TWO_MINUTE_STEP,
  UP_AND_GO_SECONDS,
} from './norms.ts';

/** How a test is taken: what is counted or timed, and what the screen offers for it. */
type Taking =
  | { readonly by: 'counter'; readonly seconds: number; readonly unit: string }
  | { readonly by: 'stopwatch'; readonly unit: 's' }
  | { readonly by: 'number'; readonly unit: string }
  | { readonly by: 'stages'; readonly seconds: number; readonly stages: readonly string[] }
  | { readonly by: 'choice'; readonly choices: readonly string[] }
  | { readonly by: 'ticks'; readonly ticks: readonly string[] }
  | { readonly by: 'rungs'; readonly ladder: string };

export interface TestCard {
  readonly name: string;
  readonly for: 'adult' | 'child';
  readonly takes: Taking;
  readonly steps: readonly string[];
  readonly safety: string;
  readonly least: number;
  readonly most: number;
  /** Is more better? */
  readonly better: 'more' | 'less';
  /** Whether help was needed, from none to most. */
  readonly help?: readonly string[];
  readonly sided?: true;
}

const TESTS = {
  'chair-stand': {
    name: 'Chair stand, 30 seconds',
    for: 'adult',
    takes: { by: 'counter', seconds: 30, unit: 'stands' },
    steps: [
      'A chair of 43 cm without arms, its back against a wall.',
      'Middle of the seat, feet flat, arms crossed at the wrists on the chest.',
      'Up to full standing and down again, as often as they can in 30 seconds.',
      'More than half-way up when time ends counts as one.',
    ],
    safety: 'Stand beside them. Stop at pain, dizziness or breathlessness out of proportion.',
    least: 0,
    most: 60,
    better: 'more',
    help: ['arms stayed crossed', 'used the hands'],
  },
  'balance-four': {
    name: 'Four-stage balance',
    for: 'adult',
    takes: {
      by: 'stages',
      seconds: 10,
      stages: ['feet together', 'half a step ahead', 'heel to toe', 'on one leg'],
    },
    steps: [
      'Beside a wall or a worktop, shoes off or flat, eyes open.',
      'Help them into each stance, then let go and count to ten.',
      'The next stance only when this one held for ten seconds without a step or a touch.',
    ],
    safety: 'Stand close enough to catch an arm. No stick or frame in hand.',
    least: 0,
    most: 40,
    better: 'more',
  },
  'up-and-go': {
    name: 'Up and go',
    for: 'adult',
    takes: { by: 'stopwatch', unit: 's' },
    steps: [
      'A chair with a line three metres ahead of it; their usual shoes and stick.',
      'On “go”: up, to the line at their usual pace, turn, back, sit.',
      'Time from “go” until they sit.',
    ],
    safety: 'Walk beside them. A trial run first.',
    least: 2,
    most: 180,
    better: 'less',
    help: ['none', 'a stick', 'a frame'],
  },
  'two-minute-step': {
    name: 'Two-minute step',
    for: 'adult',
    takes: { by: 'counter', seconds: 120, unit: 'times the right knee came up' },
    steps: [
      'Mark the wall half-way between kneecap and hip bone.',
      'March on the spot for two minutes, both knees to the mark.',
      'Count the right knee. They may slow down, stop and go on.',
    ],
    safety: 'A chair or wall to hold. Stop at chest discomfort, dizziness or a pale face.',
    least: 0,
    most: 250,
    better: 'more',
  },
  'six-minute-walk': {
    name: 'Six-minute walk',
    for: 'adult',
    takes: { by: 'number', unit: 'm' },
    steps: [
      'A flat lane of 20 to 30 metres, marked every three metres.',
      'As far as they can in six minutes; resting counts, running doesn’t.',
      'Tell them each minute that passes, and note the metres.',
    ],
    safety: 'A chair half-way. Stop at chest pain, staggering, sweating or grey skin.',
    least: 20,
    most: 1000,
    better: 'more',
  },
  'push-up-rung': {
    name: 'Push-up rung',
    for: 'adult',
    takes: { by: 'rungs', ladder: 'push' },
    steps: ['Eight clean ones at the rung shown, to its standard.', 'Then say how it was.'],
    safety: 'Breathe out on the way up. Stop when the line breaks twice.',
    least: 0,
    most: 100,
    better: 'more',
  },
  'plank-hold': {
    name: 'Plank hold',
    for: 'adult',
    takes: { by: 'stopwatch', unit: 's' },
    steps: [
      'Forearm plank, toes or knees: the same every time, and note which.',
      'Time from the first straight line until the hips sag, rise or shake.',
    ],
    safety: 'They breathe and talk throughout. Stop at back pain.',
    least: 1,
    most: 600,
    better: 'more',
    help: ['on the toes', 'on the knees', 'elbows raised'],
  },
  'floor-rise': {
    name: 'Up from the floor',
    for: 'adult',
    takes: { by: 'stopwatch', unit: 's' },
    steps: [
      'From lying on the back on a mat to standing still, any way they like.',
      'Time it, and note what helped.',
    ],
    safety: 'Show a way first. A steady chair within reach. Don’t pull them up.',
    least: 1,
    most: 180,
    better: 'less',
    help: ['no hands', 'one hand on the floor or knee', 'both hands', 'a chair', 'somebody helped'],
  },
  kneel: {
    name: 'Kneeling',
    for: 'adult',
    takes: { by: 'choice', choices: ['can’t or hurts', 'on a cushion', 'on the mat'] },
    steps: ['Holding a chair, down onto both knees on a cushion, then on the mat.'],
    safety: 'Not with a replaced or swollen knee.',
    least: 0,
    most: 2,
    better: 'more',
  },
  'overhead-reach': {
    name: 'Overhead reach',
    for: 'adult',
    takes: { by: 'number', unit: 'cm from the wall' },
    steps: [
      'Back, seat and head against a wall, ribs down.',
      'Straight arms up, thumbs towards the wall: measure the gap that is left.',
    ],
    safety: 'Stop at a catch or pinch. A healing shoulder isn’t tested.',
    least: 0,
    most: 80,
    better: 'less',
    sided: true,
  },
  'squat-technique': {
    name: 'How they squat',
    for: 'child',
    takes: {
      by: 'ticks',
      ticks: [
        'heels stay down',
        'knees follow the toes',
        'chest stays proud',
        'up and down without a rush',
        'stops when told',
      ],
    },
    steps: ['Five squats onto a chair or a ball, shown first. Tick what you see.'],
    safety: 'No load and no counting against each other.',
    least: 0,
    most: 5,
    better: 'more',
  },
  'landing-technique': {
    name: 'How they land',
    for: 'child',
    takes: {
      by: 'ticks',
      ticks: [
        'lands quietly',
        'knees bend',
        'knees don’t fall in',
        'sticks it for two seconds',
        'same on both legs',
      ],
    },
    steps: ['Three small hops forward and stick each. Tick what you see.'],
    safety: 'A soft, clear floor. Stop at pain below the kneecap or in the heel.',
    least: 0,
    most: 5,
    better: 'more',
  },
  'brace-technique': {
    name: 'How they hold a line',
    for: 'child',
    takes: {
      by: 'ticks',
      ticks: [
        'one line from head to heels or knees',
        'hips level',
        'keeps breathing',
        'shoulders away from the ears',
        'comes down with control',
      ],
    },
    steps: ['A plank on hands or knees for ten seconds. Tick what you see.'],
    safety: 'Ten seconds is enough.',
    least: 0,
    most: 5,
    better: 'more',
  },
} as const satisfies Record<string, TestCard>;
export type TestId = keyof typeof TESTS;
export const TEST_IDS = Object.keys(TESTS) as TestId[];
export const testCard = (id: TestId): TestCard => TESTS[id];

export const assessmentSchema = lazily(() =>
  z
    .strictObject({
      id: z.string().min(1),
      test: z.enum(TEST_IDS as [TestId, ...TestId[]]),
      on: z.iso.date(),
      /** In the test's unit; seconds of all stages for stages, the number ticked for ticks. */
      value: z.number({ error: 'a number is needed' }),
      /** Seconds held at each stage, or 1 for each box ticked. */
      parts: z.array(z.number().min(0)).optional(),
      /** Position in the test's list of help. */
      help: z.number().int().min(0).optional(),
      side: sideSchema.optional(),
      note: z.string().max(400).optional(),
    })
    .superRefine((a, ctx) => {
      const card = testCard(a.test);
      if (a.value < card.least || a.value > card.most)
        ctx.addIssue({
          code: 'custom',
          path: ['value'],
          message: `${card.name}: ${a.value} lies outside ${card.least} to ${card.most}`,
        });
      if (a.help !== undefined && a.help >= (card.help?.length ?? 0))
        ctx.addIssue({ code: 'custom', path: ['help'], message: 'no such kind of help in this test' });
    }),
);
export type Assessment = z.output<typeof assessmentSchema>;

export interface Reading {
  readonly is: 'below' | 'usual' | 'above' | 'raised risk' | 'no table' | 'baseline';
  readonly says: string;
  /** Whose table; null where there is none. */
  readonly source: string | null;
}

export interface Follow {
  /** A rung that the result shows they own. */
  readonly placement?: { readonly ladder: string; readonly rung: FormRef };
  /** A condition worth adding. */
  readonly condition?: ConditionId;
}

const sexWords = (sex: Sex) => (sex === 'female' ? 'women' : 'men');
const where = <T>(norm: Norm<T>) => `${sexWords(norm.sex)} ${norm.ages}`;
const outside = (age: Age, table: string): Reading => ({
  is: 'no table',
  says: `The table is for ${table}; at ${ageWords(age)} only their own results can be compared.`,
  source: null,
});

/** One answer for all cells that agree, naming each with its figure: "below average for women 70–74 (under 10)". */
function eachCell<T>(
  value: number,
  cells: readonly Norm<T>[],
  source: string,
  read: (norm: T) => Pick<Reading, 'is'> & { readonly head: string; readonly figure: string },
): Reading[] {
  const answers = cells.map((norm) => ({ norm, ...read(norm.value) }));
  return [...new Set(answers.map((one) => one.is))].map((is) => {
    const alike = answers.filter((one) => one.is === is);
    return {
      is,
      says: `${value}: ${alike[0]!.head} for ${alike.map((one) => `${where(one.norm)} (${one.figure})`).join(' and ')}.`,
      source,
    };
  });
}

/** What a result says: against its published table where there is one, else against their own. */
export function readTest(
  it: Assessment,
  age: Age,
  sex: Sex | undefined,
  earlier: readonly Assessment[],
): Reading[] {
  const card = testCard(it.test);
  if (it.test === 'chair-stand') {
    const value = it.help === 1 ? 0 : it.value;
    const cells = normsFor(CHAIR_STAND, age, sex);
    if (cells.length === 0) return [outside(age, 'ages 60–94')];
    return eachCell(value, cells, 'CDC STEADI', (least) => ({
      is: value < least ? 'below' : 'usual',
      head: value < least ? 'below average' : 'average or better',
      figure: value < least ? `under ${least}` : `${least} or more`,
    }));
  }
  if (it.test === 'two-minute-step') {
    const cells = normsFor(TWO_MINUTE_STEP, age, sex);
    if (cells.length === 0) return [outside(age, 'ages 60–94')];
    return eachCell(it.value, cells, 'Rikli and Jones', ([lo, hi]) => ({
      is: it.value < lo ? 'below' : it.value > hi ? 'above' : 'usual',
      head:
        it.value < lo
          ? 'below the usual range'
          : it.value > hi
            ? 'above the usual range'
            : 'in the usual range',
      figure: `${lo}–${hi}`,
    }));
  }
  if (it.test === 'balance-four') {
    const tandem = it.parts?.[2] ?? 0;
    return [
      tandem < TANDEM_SECONDS
        ? {
            is: 'raised risk',
            says: `Heel to toe for ${tandem} s, under ${TANDEM_SECONDS}: a raised risk of falling.`,
            source: 'CDC STEADI',
          }
        : {
            is: 'usual',
            says: `Heel to toe for ${TANDEM_SECONDS} s: no raised risk by this test.`,
            source: 'CDC STEADI',
          },
    ];
  }
  if (it.test === 'up-and-go')
    return [
      it.value >= UP_AND_GO_SECONDS
        ? {
            is: 'raised risk',
            says: `${it.value} s, ${UP_AND_GO_SECONDS} or more: a raised risk of falling.`,
            source: 'CDC STEADI',
          }
        : {
            is: 'usual',
            says: `${it.value} s, under ${UP_AND_GO_SECONDS}: no raised risk by this test.`,
            source: 'CDC STEADI',
          },
    ];
  const same = earlier.filter(
    (e) => e.test === it.test && e.id !== it.id && e.on <= it.on && e.help === it.help && e.side === it.side,
  );
  const last = [...same].sort((a, b) => (a.on < b.on ? 1 : -1))[0];
  if (!last)
    return [{ is: 'baseline', says: 'Their first result: later ones are compared with it.', source: null }];
  const by = Math.round((it.value - last.value) * 10) / 10;
  const better = card.better === 'more' ? by > 0 : by < 0;
  return [
    {
      is: 'baseline',
      says:
        by === 0
          ? `The same as on ${dayWords(last.on)}.`
          : `${Math.abs(by)} ${by > 0 ? 'more' : 'less'} than on ${dayWords(last.on)}: ${better ? 'better' : 'not as good'}.`,
      source: null,
    },
  ];
}

const RISE_RUNGS = ['floor-rise-no-hands', 'floor-rise-one-hand', 'floor-rise', 'floor-rise-chair'] as const;
const STANCE_RUNGS = ['feet-together-stand', 'half-tandem-stand', 'tandem-stand', 'one-leg-stand'] as const;

/** What a result lets the program go on to: a rung they own, a condition worth adding. */
export function followUp(it: Assessment): Follow {
  switch (it.test) {
    case 'chair-stand':
      return {
        placement: {
          ladder: 'squat',
          rung:
            it.help === 1 || it.value === 0
              ? { move: 'hands-help-stand', settings: { surfaceCm: 46 } }
              : { move: 'sit-to-stand', settings: { surfaceCm: 43 } },
        },
      };
    case 'balance-four': {
      const held = (it.parts ?? []).filter((seconds) => seconds >= TANDEM_SECONDS).length;
      return {
        ...(held > 0
          ? { placement: { ladder: 'stand-still', rung: { move: STANCE_RUNGS[held - 1]! } } }
          : {}),
        ...((it.parts?.[2] ?? 0) < TANDEM_SECONDS ? { condition: 'unsure-balance' as const } : {}),
      };
    }
    case 'up-and-go':
      return it.value >= UP_AND_GO_SECONDS ? { condition: 'unsure-balance' } : {};
    case 'floor-rise': {
      const move = RISE_RUNGS[it.help ?? 2];
      return move ? { placement: { ladder: 'floor-rise', rung: { move } } } : {};
    }
    default:
      return {};
  }
}
