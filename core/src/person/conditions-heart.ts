import {
  atLeast,
  type Condition,
  cap,
  effort,
  HEAD_UP,
  hold,
  NO_BREATH_HOLDING,
  ONE_FOOT_DOWN,
} from './condition.ts';

const SHORT_HOLDS = cap('strain.holdSeconds', 15, 'short holds');
const BRIEFLY_OVERHEAD = cap('shoulder.overheadLoad', 1, 'arms overhead only briefly and empty');

/** Heart, vessels, sugar and breath. Caps are common practice put into this library's levels. */
export const HEART_CONDITIONS = {
  'high-blood-pressure': {
    name: 'High blood pressure',
    group: 'heart and breath',
    caution: 'Breathe through every effort; stop at headache, chest pressure or dizziness.',
    limits: [NO_BREATH_HOLDING, SHORT_HOLDS, HEAD_UP, atLeast('cool-down', 480, 'a longer cool-down')],
    reminders: ['If they measure at home, ask for today’s reading.'],
  },
  'rate-medication': {
    name: 'Medicine or device that changes the heart rate',
    group: 'heart and breath',
    caution: 'Effort by words and the talk test; a heart rate says little here.',
    limits: [],
    effortByWords: true,
    reminders: [
      'Beta-blockers, some calcium-channel blockers, digoxin, stimulants, a pacemaker or atrial fibrillation all count.',
    ],
  },
  'implanted-defibrillator': {
    name: 'Implanted defibrillator',
    group: 'heart and breath',
    caution: 'Stay under the ceiling from the clinic; a shock ends the session and calls for help.',
    limits: [effort(6, 'moderate at most until the clinic has named a ceiling'), NO_BREATH_HOLDING],
    effortByWords: true,
    reminders: ['Ask for the heart-rate ceiling the clinic has set, and write it into the notes.'],
  },
  'heart-disease': {
    name: 'Heart disease, cleared to exercise',
    group: 'heart and breath',
    caution: 'Low to moderate within the clearance; chest discomfort or odd breathlessness ends it.',
    limits: [
      effort(6, 'low to moderate within the clearance'),
      NO_BREATH_HOLDING,
      cap('strain.holdSeconds', 10, 'no straining holds'),
      BRIEFLY_OVERHEAD,
      HEAD_UP,
      atLeast('warm-up', 600, 'a long, slow warm-up'),
      atLeast('cool-down', 600, 'a long cool-down'),
    ],
  },
  'heart-failure': {
    name: 'Heart failure, cleared to exercise',
    group: 'heart and breath',
    caution: 'Low, with rests; weight gain, swelling or worse breath this week: ask first.',
    limits: [
      effort(5, 'low to moderate within the clearance'),
      cap('strain.breath', 0, 'no straining'),
      cap('strain.holdSeconds', 10, 'no straining holds'),
      BRIEFLY_OVERHEAD,
      HEAD_UP,
      cap('posture.supine', 0, 'not lying flat'),
      atLeast('warm-up', 600, 'a long, slow warm-up'),
      atLeast('cool-down', 600, 'a long cool-down'),
    ],
  },
  'diabetes-insulin': {
    name: 'Diabetes with insulin or a medicine that can cause lows',
    group: 'heart and breath',
    caution: 'Reading before, sugar in reach; shaking, sweating or confusion: stop and treat it.',
    limits: [],
    reminders: ['Ask for a reading before and after.', 'Fast sugar within reach.'],
  },
  diabetes: {
    name: 'Diabetes without such a medicine',
    group: 'heart and breath',
    caution: 'Shoes that fit, water, and a reading if they usually take one.',
    limits: [],
    reminders: ['Look at the feet for sores once a week.'],
  },
  'numb-feet': {
    name: 'Numb feet',
    group: 'knees, hips, feet',
    caution: 'Shoes on, one foot down, something to hold; look at the feet afterwards.',
    sided: true,
    limits: [ONE_FOOT_DOWN, hold(3), cap('balance.level', 4, 'steady footing')],
  },
  'diabetic-eyes': {
    name: 'Eye disease from diabetes',
    group: 'heart and breath',
    caution: 'Nothing jarring, no straining, head up; a curtain or floaters in the sight is an emergency.',
    limits: [ONE_FOOT_DOWN, cap('strain.breath', 0, 'no straining'), HEAD_UP, SHORT_HOLDS],
  },
  asthma: {
    name: 'Asthma',
    group: 'heart and breath',
    caution: 'Reliever in reach; stop on wheeze, and use it.',
    limits: [atLeast('warm-up', 720, 'ten to fifteen minutes of graded warm-up')],
    reminders: ['Is the reliever here?'],
  },
  copd: {
    name: 'COPD',
    group: 'heart and breath',
    caution: 'Breathlessness 3–4 of 10 at the most, long rests, lips pursed; their own oximeter limit rules.',
    limits: [
      effort(5, 'breath stays at 3–4 of 10'),
      NO_BREATH_HOLDING,
      BRIEFLY_OVERHEAD,
      cap('posture.supine', 0, 'not lying flat'),
      HEAD_UP,
      atLeast('rest', 40, 'long rests'),
    ],
    reminders: ['Is the reliever here?', 'If they use an oximeter, ask for their own limit.'],
  },
  'leg-arteries': {
    name: 'Narrowed leg arteries',
    group: 'heart and breath',
    caution: 'Walk until it aches, rest until it’s gone, again; pain at rest goes to the doctor.',
    limits: [
      effort(6, 'moderate, as the care team says'),
      atLeast('rest', 30, 'rest until the ache is gone'),
    ],
    reminders: ['Look at the feet for sores once a week.'],
  },
  anticoagulants: {
    name: 'Blood thinners',
    group: 'heart and breath',
    caution: 'No falls, no blows; a knock to the head is an emergency even without pain.',
    limits: [
      ONE_FOOT_DOWN,
      cap('balance.level', 4, 'no risk of falling'),
      cap('impact.dropCm', 0, 'nothing jumped off'),
    ],
  },
} as const satisfies Record<string, Condition>;
