import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { lawIn, oddLimits, openMoves, subjectOf } from '@inner-rung/core/limits';
import {
  addCondition,
  addLimit,
  COMES_WITH,
  CONDITION_GROUPS,
  CONDITION_IDS,
  CONDITIONS,
  type ConditionId,
  compileCondition,
  conditionLimits,
  conditionOf,
  covers,
  type Limit,
  limitSchema,
  loosenLimit,
  outlookOf,
  PERSON_EXAMPLE,
  type Person,
  removeCondition,
  tightenAgain,
} from '@inner-rung/core/person';
import { EVERYWHERE } from '@inner-rung/core/room';
import { AS_WRITTEN } from '@inner-rung/core/session';

import fc from 'fast-check';
import { circuit, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const DAY = '2026-11-24';
/** Somebody who was asked, with nothing in the way. */
const ASKED: Person = {
  ...PERSON_EXAMPLE,
  screening: { of: 'adult', on: DAY, regular: true, disease: false, symptoms: [] },
};
const when = { at: '2026-11-24T09:00:00.000Z', day: DAY };

/** Each condition's limits in short: figure≤cap, hold>balance, floor≥seconds, effort≤ of 10. Common practice. */
const COMPILED: Readonly<Record<ConditionId, string>> = {
  'sore-knees': 'impact.class≤1 knee.bendDeg≤95 knee.load≤2 knee.kneel≤0 knee.forward≤2 knee.pivot≤0',
  'knee-osteoarthritis': 'impact.class≤1 knee.bendDeg≤95 knee.load≤2 knee.kneel≤0 knee.pivot≤0',
  'knee-front-pain': 'impact.class≤1 knee.bendDeg≤80 knee.load≤2 knee.kneel≤0 knee.forward≤1 knee.pivot≤0',
  'knee-replacement': 'impact.class≤1 knee.kneel≤0 knee.bendDeg≤95 knee.load≤2 knee.pivot≤0',
  'hip-replacement-back': 'impact.class≤1 hip.bendDeg≤90 hip.cross≤0 hip.turnIn≤0 knee.pivot≤0 hold>3',
  'hip-replacement-front': 'impact.class≤1 hip.extensionDeg≤0 hip.turnOut≤0 knee.pivot≤0 hold>3',
  'sore-ankle-foot': 'impact.class≤1 ankle.load≤2 toes.curl≤1 feet.edge≤0',
  'back-worse-bending': 'spine.bend≤1 spine.turn≤2 spine.sideBend≤1 spine.load≤3 strain.belly≤2',
  'back-worse-arching': 'spine.arch≤0 strain.belly≤2 spine.load≤3',
  osteoporosis: 'impact.class≤1 spine.bend≤1 spine.turn≤1 spine.sideBend≤1 balance.level≤4 wrist.load≤75',
  'spine-fracture':
    'spine.bend≤0 spine.turn≤0 spine.sideBend≤0 spine.load≤2 strain.breath≤1 shoulder.overheadLoad≤0 wrist.load≤50 hold>3 impact.class≤1 balance.level≤4',
  'sore-shoulder': 'shoulder.behind≤0 shoulder.overheadLoad≤0 shoulder.raisedDeg≤100 hands.hang≤0',
  'sore-shoulder-low':
    'shoulder.raisedDeg≤60 shoulder.load≤2 shoulder.behind≤0 shoulder.overheadLoad≤0 hands.hang≤0',
  'shoulder-replacement':
    'impact.class≤1 shoulder.raisedDeg≤90 shoulder.load≤1 wrist.load≤2 elbow.load≤1 chest.open≤1 shoulder.behind≤0 shoulder.overheadLoad≤0 hands.hang≤0',
  'sore-elbow': 'elbow.load≤1 strength.grip≤35 hands.clench≤1 hands.hang≤0',
  'wrist-bent-back': 'wrist.bentBackDeg≤30',
  'wrist-no-load': 'wrist.load≤8 strength.grip≤40 hands.clench≤2 wrist.bentBackDeg≤30',
  'wrist-no-grip': 'strength.grip≤10',
  'wrist-no-turn': 'wrist.turn≤0',
  'arthritis-flare':
    'impact.class≤1 knee.load≤2 wrist.load≤12 wrist.bentBackDeg≤30 strength.grip≤15 hands.clench≤1 elbow.load≤1 shoulder.load≤1 ankle.load≤2 knee.kneel≤0 joint.endRange≤1 effort≤4',
  hypermobility: 'joint.endRange≤1',
  neck: 'neck.load≤1 balance.headTurn≤1 shoulder.overheadLoad≤2 strain.headLow≤0',
  breastbone:
    'wrist.load≤8 shoulder.behind≤0 shoulder.overheadLoad≤0 shoulder.load≤1 strength.pull≤16 strain.breath≤0 strain.belly≤1 posture.prone≤0 chest.open≤0 spine.load≤2 hands.hang≤0 spine.turn≤1',
  'recent-surgery': 'impact.class≤1 strain.breath≤0 strain.belly≤1 spine.load≤2 hands.hang≤0 effort≤4',
  hernia: 'strain.breath≤0 strain.belly≤1 spine.load≤2 strength.pull≤40',
  'larger-body': 'impact.class≤1 posture.changes≤0 change≥15',
  'bone-secondaries':
    'spine.bend≤0 spine.arch≤1 spine.turn≤0 spine.sideBend≤0 spine.load≤2 feet.edge≤0 shoulder.overheadLoad≤0 wrist.load≤25 strain.breath≤1 effort≤4 hold>3 change≥12 impact.class≤1 balance.level≤4',
  'hip-osteoarthritis': 'impact.class≤1 hip.bendDeg≤115 hip.turnIn≤1 hip.cross≤1 knee.load≤3 knee.pivot≤0',
  'hip-fracture':
    'hip.bendDeg≤90 hip.cross≤0 hip.turnIn≤0 knee.load≤2 impact.turnDeg≤0 knee.pivot≤0 feet.edge≤0 hold>2 change≥12 impact.class≤1 spine.bend≤1 spine.turn≤1 spine.sideBend≤1 balance.level≤4 wrist.load≤75',
  sciatica:
    'impact.class≤1 spine.bend≤1 spine.turn≤1 spine.sideBend≤1 spine.load≤2 strain.belly≤1 strain.breath≤1 joint.endRange≤1',
  'frozen-shoulder':
    'shoulder.raisedDeg≤60 shoulder.load≤1 wrist.load≤20 joint.endRange≤1 chest.open≤0 shoulder.behind≤0 shoulder.overheadLoad≤0 hands.hang≤0',
  'unstable-shoulder':
    'shoulder.raisedDeg≤90 shoulder.load≤2 wrist.load≤40 hands.leave≤0 chest.open≤0 joint.endRange≤0 shoulder.behind≤0 shoulder.overheadLoad≤0 hands.hang≤0',
  amputation:
    'impact.class≤1 balance.level≤4 knee.kneel≤0 knee.pivot≤0 impact.turnDeg≤0 toes.curl≤1 feet.edge≤0 hold>2 change≥12',
  'high-blood-pressure':
    'strain.breath≤2 strain.holdSeconds≤15 strain.headLow≤0 hands.hang≤0 hands.clench≤2 shoulder.overheadLoad≤2 cool-down≥480',
  'rate-medication': '',
  'implanted-defibrillator':
    'balance.fall≤2 effort≤6 strain.breath≤1 strain.holdSeconds≤10 shoulder.overheadLoad≤1 spine.load≤3 hands.hang≤0 strain.headLow≤0 warm-up≥600 cool-down≥600 hands.clench≤2',
  'heart-disease':
    'effort≤6 strain.breath≤1 strain.holdSeconds≤10 shoulder.overheadLoad≤1 spine.load≤3 hands.hang≤0 strain.headLow≤0 warm-up≥600 cool-down≥600 hands.clench≤2',
  'heart-failure':
    'effort≤5 strain.breath≤0 spine.load≤2 posture.supine≤0 strain.holdSeconds≤10 shoulder.overheadLoad≤1 hands.hang≤0 strain.headLow≤0 warm-up≥600 cool-down≥600 hands.clench≤2',
  'diabetes-insulin': '',
  diabetes: '',
  'numb-feet': 'impact.class≤1 hold>3 balance.level≤4 feet.edge≤0',
  'diabetic-eyes':
    'impact.class≤1 strain.breath≤0 strain.headLow≤0 strain.holdSeconds≤15 shoulder.overheadLoad≤1 spine.load≤2 hands.hang≤0',
  asthma: 'warm-up≥720',
  copd: 'effort≤5 strain.breath≤1 shoulder.overheadLoad≤1 posture.supine≤0 strain.headLow≤0 rest≥40',
  'leg-arteries': 'effort≤6 rest≥30',
  anticoagulants: 'impact.class≤1 balance.level≤4 impact.dropCm≤0 head.under≤0 hands.hang≤0 feet.edge≤0',
  'heart-event-recent':
    'effort≤4 impact.class≤1 strain.breath≤0 strain.belly≤1 shoulder.overheadLoad≤0 shoulder.raisedDeg≤90 wrist.load≤20 shoulder.load≤1 posture.prone≤0 spine.load≤2 posture.changes≤0 rest≥30 strain.holdSeconds≤10 hands.hang≤0 strain.headLow≤0 warm-up≥600 cool-down≥600 hands.clench≤2',
  'valve-or-aneurysm':
    'effort≤5 strain.breath≤0 strain.belly≤1 spine.load≤2 strain.holdSeconds≤10 shoulder.overheadLoad≤1 hands.hang≤0 strain.headLow≤0 warm-up≥600 cool-down≥600 hands.clench≤2',
  fainting:
    'posture.changes≤0 posture.lying≤0 strain.headLow≤0 hold>3 balance.fall≤2 head.under≤0 shoulder.overheadLoad≤2 hands.hang≤0 strain.breath≤2 strain.holdSeconds≤15 cool-down≥600 change≥15',
  'autonomic-neuropathy':
    'effort≤5 posture.changes≤0 strain.headLow≤0 hold>3 strain.breath≤1 strain.holdSeconds≤15 warm-up≥600 cool-down≥600 change≥15',
  clot: 'effort≤4 strain.breath≤1 impact.class≤1 balance.level≤4 impact.dropCm≤0 head.under≤0 hands.hang≤0 feet.edge≤0',
  'kidney-disease': 'effort≤5 strain.breath≤1 strain.holdSeconds≤15 strain.headLow≤0 balance.level≤4 rest≥30',
  'sickle-cell': 'effort≤6 strain.holdSeconds≤15 strain.breath≤2 rest≥40 warm-up≥600',
  anaemia: 'effort≤5 posture.changes≤0 rest≥30',
  'not-understood':
    'effort≤4 impact.class≤1 strain.breath≤1 strain.headLow≤0 hold>1 posture.floor≤0 strain.holdSeconds≤15 shoulder.overheadLoad≤0 knee.bendDeg≤90 spine.bend≤1 spine.turn≤1 wrist.load≤30 spine.load≤2 feet.edge≤0 change≥12',
  'no-jumping': 'impact.class≤1',
  'no-kneeling': 'knee.kneel≤0',
  'no-floor': 'posture.floor≤0',
  'seated-only': 'posture.standing≤0 posture.lying≤0 posture.floor≤0',
  wheelchair: 'strength.legs≤20 knee.load≤1 posture.standing≤0 posture.lying≤0 posture.floor≤0',
  'older-beginner': 'change≥12 impact.class≤2',
  child:
    'knee.load≤3 strain.breath≤2 teach.skill≤4 head.under≤0 impact.highLandings/session≤60 impact.highLandings/minute≤20',
  teenager: 'strain.breath≤2 impact.highLandings/session≤80 impact.highLandings/minute≤24',
  'growth-pain': 'impact.class≤1 knee.load≤2 elbow.load≤2 ankle.load≤2',
  'unsure-balance':
    'hold>2 impact.class≤1 impact.turnDeg≤0 posture.changes≤0 balance.level≤5 feet.edge≤0 change≥12',
  falls:
    'balance.level≤4 coordination.level≤4 balance.fall≤2 hold>2 impact.class≤1 impact.turnDeg≤0 posture.changes≤0 feet.edge≤0 change≥12',
  vertigo:
    'balance.headTurn≤0 posture.lying≤0 strain.headLow≤0 hold>2 impact.class≤1 impact.turnDeg≤0 posture.changes≤0 balance.level≤5 feet.edge≤0 change≥12',
  'low-vision': 'hold>3 impact.class≤1 impact.turnDeg≤0 balance.fall≤2 feet.edge≤0 head.under≤0 change≥12',
  'stroke-weak-side':
    'shoulder.overheadLoad≤0 shoulder.load≤1 shoulder.behind≤0 shoulder.raisedDeg≤90 strength.grip≤5 wrist.load≤8 elbow.load≤1 hands.hang≤0 feet.edge≤0 impact.turnDeg≤0 impact.class≤1 coordination.level≤4 hold>2 change≥12',
  parkinsons:
    'coordination.level≤3 balance.headTurn≤0 hip.cross≤1 hold>2 impact.class≤1 impact.turnDeg≤0 posture.changes≤0 balance.level≤5 feet.edge≤0 change≥12',
  'multiple-sclerosis': 'effort≤6 hold>3 rest≥30 change≥12',
  dementia:
    'coordination.level≤2 teach.skill≤1 hold>2 impact.class≤1 balance.fall≤2 feet.edge≤0 head.under≤0 hands.hang≤0 change≥12',
  epilepsy: 'balance.fall≤2 hands.hang≤0 feet.edge≤0 head.under≤0 shoulder.overheadLoad≤2 effort≤8',
  glaucoma: 'strain.headLow≤0 strain.breath≤1 strain.holdSeconds≤15',
  'pregnancy-early': 'effort≤7 strain.breath≤2 impact.dropCm≤0',
  'pregnancy-later':
    'effort≤6 impact.class≤1 posture.supine≤0 posture.prone≤0 strain.breath≤1 strain.belly≤1 spine.load≤3 feet.edge≤0 hands.hang≤0 balance.level≤4 hold>4 posture.changes≤0 impact.dropCm≤0 impact.turnDeg≤0 change≥12',
  'after-birth-early':
    'effort≤4 impact.class≤1 strain.breath≤0 strain.belly≤1 spine.load≤2 spine.bend≤1 hands.hang≤0 posture.prone≤0 posture.changes≤0 spine.sideBend≤1',
  'after-birth-middle': 'effort≤6 impact.class≤1 strain.breath≤1 strain.belly≤1 spine.load≤3',
  'after-birth-later': 'impact.class≤2 strain.belly≤2',
  'pelvic-floor': 'impact.class≤1 strain.breath≤1 strain.belly≤1 spine.load≤3',
  'fatigue-after-effort': 'effort≤3 impact.class≤1 rest≥60',
  'cancer-treatment':
    'effort≤5 impact.class≤1 balance.level≤4 strain.breath≤1 spine.load≤3 hands.hang≤0 feet.edge≤0',
  lymphoedema: 'shoulder.load≤2 strength.grip≤30 hands.clench≤1 wrist.load≤50 hands.hang≤0',
  'dialysis-arm': 'wrist.load≤0 strength.grip≤0 elbow.load≤0 shoulder.load≤1',
  'walking-aid':
    'hold>1 balance.level≤3 coordination.level≤2 balance.fall≤2 spine.load≤2 knee.pivot≤0 impact.class≤1 impact.turnDeg≤0 posture.changes≤0 feet.edge≤0 change≥12',
  concussion:
    'effort≤3 impact.class≤1 balance.headTurn≤0 impact.turnDeg≤0 balance.level≤3 balance.fall≤2 strain.breath≤0 neck.load≤1 posture.changes≤0 coordination.level≤3 strain.headLow≤0 hands.hang≤0 head.under≤0 change≥12',
  'spinal-cord-injury':
    'effort≤6 hold>1 balance.level≤2 posture.changes≤0 shoulder.overheadLoad≤2 joint.endRange≤1 strain.breath≤1 hands.hang≤0 change≥12 strength.legs≤20 knee.load≤1 posture.standing≤0 posture.lying≤0 posture.floor≤0',
  'cerebral-palsy':
    'hold>2 impact.class≤1 coordination.level≤3 impact.turnDeg≤0 joint.endRange≤1 feet.edge≤0 change≥12',
  'down-syndrome':
    'neck.load≤1 strain.headLow≤0 balance.headTurn≤1 impact.class≤2 impact.dropCm≤0 joint.endRange≤1 coordination.level≤4 shoulder.overheadLoad≤2 head.under≤0 hands.hang≤0',
  'learning-disability': 'coordination.level≤3 teach.skill≤2 head.under≤0',
  'hearing-loss': '',
  'caesarean-early':
    'spine.turn≤1 change≥12 effort≤4 impact.class≤1 strain.breath≤0 strain.belly≤1 spine.load≤2 spine.bend≤1 hands.hang≤0 posture.prone≤0 posture.changes≤0 spine.sideBend≤1',
  'parted-belly-wall':
    'strain.breath≤1 strain.belly≤1 spine.bend≤1 posture.prone≤0 spine.load≤3 hands.hang≤0',
  'pelvic-girdle-pain':
    'impact.class≤1 balance.singleLeg≤0 hip.turnOut≤0 hip.cross≤0 hip.extensionDeg≤0 knee.load≤2 strength.back≤45 strain.belly≤1 knee.pivot≤0 spine.load≤2 change≥12',
  'pregnancy-watched':
    'effort≤4 strain.breath≤0 strain.holdSeconds≤10 spine.load≤2 strain.headLow≤0 hold>3 impact.class≤1 posture.supine≤0 posture.prone≤0 strain.belly≤1 feet.edge≤0 hands.hang≤0 balance.level≤4 posture.changes≤0 impact.dropCm≤0 impact.turnDeg≤0 change≥12',
  'leg-lymphoedema': 'impact.class≤1 knee.load≤2 knee.kneel≤0 strain.holdSeconds≤20',
  stoma: 'strain.breath≤1 strain.belly≤1 posture.prone≤0 spine.bend≤2 spine.load≤2 hands.hang≤0',
  'low-platelets-or-line':
    'effort≤4 balance.level≤3 strain.breath≤1 shoulder.raisedDeg≤120 shoulder.overheadLoad≤0 wrist.load≤40 elbow.load≤1 chest.open≤0 spine.load≤2 impact.class≤1 impact.dropCm≤0 head.under≤0 hands.hang≤0 feet.edge≤0',
  'low-energy': 'effort≤5 impact.class≤1 spine.bend≤2 posture.changes≤0 rest≥30',
};

const short = (l: Limit): string => {
  switch (l.kind) {
    case 'cap':
      return `${l.on}≤${l.max}`;
    case 'floor':
      return `${l.what}≥${l.seconds}`;
    case 'require':
      return `hold>${l.supportAboveBalance}`;
    case 'budget':
      return `${l.on}/${l.per}≤${l.max}`;
    case 'effort':
      return `effort≤${l.maxRpe}`;
    case 'ban':
      return `ban ${l.pattern}`;
  }
};

/** Forms barred for somebody with a condition, settings counted, in a room that has everything. */
const scaler = createScaler(compileLibrary(library), EVERYWHERE);
function barred(id: ConditionId, move: string, side: 'left' | 'right' | 'both' = 'both'): string[] {
  const person = addCondition(
    // Known to a clinic that allows all of it: what bars is the condition's own.
    {
      ...ASKED,
      kind: 'general',
      effortMax: 10,
      assumedLevel: 2,
      clearance: { on: DAY, by: 'the clinic', says: '' },
    },
    { id, side },
    when,
  );
  const [bars] = scaler.bars([{ move }], { subject: subjectOf(person, library, DAY), dials: AS_WRITTEN });
  return bars!.map((ruler) => ruler.says);
}

describe('every row of the usual cautions compiles to limits', () => {
  test.each(CONDITION_IDS)('%s', (id) => {
    expect(compileCondition(id).map(short).join(' ')).toBe(COMPILED[id]);
  });
  test.each(CONDITION_IDS)('%s: its limits are as their schema would read them', (id) => {
    for (const limit of compileCondition(id, 'right')) expect(limitSchema.parse(limit)).toEqual(limit);
  });
  test.each(CONDITION_IDS)('%s: each limit has its own id, a reason and its side', (id) => {
    const limits = compileCondition(id, 'left');
    expect(new Set(limits.map((l) => l.id)).size).toBe(limits.length);
    for (const limit of limits) {
      expect(limit.id.startsWith(`${id}/`)).toBe(true);
      expect(limit).toMatchObject({ source: 'condition', condition: id, side: 'left' });
      expect(limit.reason.length).toBeGreaterThan(3);
    }
    expect(CONDITION_GROUPS).toContain(conditionOf(id).group);
    expect(conditionOf(id).caution.length).toBeGreaterThan(20);
  });
});

describe('what comes with a condition', () => {
  const pairs = CONDITION_IDS.flatMap((id) => (COMES_WITH[id] ?? []).map((other) => [id, other] as const));
  test.each(pairs)('%s: nothing that %s bars is open, and what it asks for is asked', (id, other) => {
    const [own, theirs] = [conditionOf(id), conditionOf(other)];
    for (const limit of compileCondition(other))
      expect(compileCondition(id).some((one) => covers(one, limit))).toBe(true);
    for (const flag of ['notAlone', 'steady', 'effortByWords'] as const)
      expect(own[flag] ?? theirs[flag]).toBe(own[flag]);
    for (const list of ['reminders', 'inReach', 'brings'] as const)
      expect([...(own[list] ?? [])]).toEqual(expect.arrayContaining([...(theirs[list] ?? [])]));
  });
  test('every limit stands once, the strictest of its kind', () => {
    for (const id of CONDITION_IDS) {
      const limits = compileCondition(id);
      for (const one of limits)
        expect(limits.filter((other) => covers(other, one)).map((other) => other.id)).toEqual([one.id]);
    }
  });
});

describe('what a condition bars and what it leaves (common practice)', () => {
  test.each<[ConditionId, string, string]>([
    ['osteoporosis', 'crunches', 'crunch'],
    ['osteoporosis', 'sit-ups', 'sit-up'],
    ['osteoporosis', 'reaching to the floor with a round back', 'shuttle-touch'],
    ['osteoporosis', 'twisting under load', 'floor-turn-load'],
    ['osteoporosis', 'jumps', 'squat-jump'],
    ['osteoporosis', 'falling onto the hands', 'push-off'],
    ['spine-fracture', 'pressing overhead', 'standing-press'],
    ['knee-osteoarthritis', 'kneeling', 'knee-push-up'],
    ['knee-osteoarthritis', 'a deep squat', 'squat-hold'],
    ['knee-osteoarthritis', 'jogging', 'jog-on-spot'],
    ['knee-front-pain', 'knees far past the toes', 'one-leg-squat'],
    ['hip-replacement-back', 'a low seat’s bend', 'squat'],
    ['hip-replacement-back', 'crossing the legs', 'seat-figure-four-chair'],
    ['hip-replacement-front', 'a long lunge behind', 'lunge'],
    ['back-worse-bending', 'crunches', 'crunch'],
    ['back-worse-bending', 'both legs lowered', 'double-leg-lower'],
    ['back-worse-arching', 'arching on the front', 'prone-both-lift'],
    ['back-worse-arching', 'both legs lowered', 'double-leg-lower'],
    ['sore-shoulder', 'dips', 'chair-dip-bent'],
    ['sore-shoulder', 'pressing overhead', 'standing-press'],
    ['wrist-bent-back', 'a plank on the hands', 'plank'],
    ['wrist-no-load', 'hanging', 'hang'],
    ['wrist-no-grip', 'rows with a weight', 'bent-row'],
    ['wrist-no-turn', 'wringing a towel', 'towel-wring'],
    ['neck', 'hands behind the head', 'bicycle'],
    ['unsure-balance', 'jumping jacks', 'jumping-jack'],
    ['unsure-balance', 'a burpee’s down and up', 'floor-step-back'],
    ['unsure-balance', 'a turning jump', 'turn-squat-jump'],
    ['vertigo', 'turning the head', 'heel-toe-head'],
    ['pregnancy-later', 'lying on the back', 'bridge'],
    ['pregnancy-later', 'lying on the front', 'prone-swim'],
    ['pregnancy-later', 'jumps', 'jumping-jack'],
    ['pregnancy-later', 'planks', 'long-plank'],
    ['after-birth-later', 'double leg lowers', 'double-leg-lower'],
    ['pelvic-floor', 'jumps', 'jumping-jack'],
    ['high-blood-pressure', 'head below the heart', 'pike-press'],
    ['glaucoma', 'head below the heart', 'pike-press'],
    ['copd', 'lying flat', 'bridge'],
    ['breastbone', 'weight on the hands', 'wall-push-up'],
    ['breastbone', 'pulling', 'bent-row'],
    ['stroke-weak-side', 'pressing both arms overhead', 'standing-press'],
    ['dementia', 'many parts at once', 'burpee'],
    ['epilepsy', 'hanging', 'pull-up'],
    ['seated-only', 'standing', 'march'],
    ['wheelchair', 'a standing phase', 'hands-help-stand'],
    ['no-floor', 'the floor', 'plank'],
    ['larger-body', 'down and up in one go', 'burpee'],
    ['growth-pain', 'jumps', 'squat-jump'],
    ['dialysis-arm', 'a weight in that hand', 'bent-row'],
    ['hypermobility', 'holding at the end of a range', 'hamstring-lying-towel'],
  ])('%s bars %s (%s)', (id, _what, move) => {
    if (!library.move(move)) throw new Error(`no move ${move}`);
    expect(barred(id, move)).not.toEqual([]);
  });
  test.each<[ConditionId, string, string]>([
    ['osteoporosis', 'a neutral hinge', 'wall-hinge'],
    ['osteoporosis', 'a light dead lift', 'loaded-hinge'],
    ['osteoporosis', 'bridges', 'bridge'],
    ['knee-osteoarthritis', 'sit to stand', 'sit-to-stand'],
    ['knee-osteoarthritis', 'a step jack', 'step-jack'],
    ['hip-replacement-back', 'a half squat, holding on', 'half-squat-held'],
    ['back-worse-bending', 'bird dog', 'bird-dog'],
    ['back-worse-arching', 'dead bug', 'dead-bug'],
    ['sore-shoulder', 'push-ups', 'push-up'],
    ['wrist-bent-back', 'a forearm plank', 'forearm-plank'],
    ['unsure-balance', 'a side leg lift, holding on', 'standing-side-leg-held'],
    ['unsure-balance', 'one leg, holding on', 'one-leg-stand-held'],
    ['pregnancy-later', 'push-ups with the hands raised', 'raised-push-up'],
    ['pregnancy-later', 'squats', 'squat'],
    ['high-blood-pressure', 'squats', 'squat'],
    ['asthma', 'jumping jacks', 'jumping-jack'],
    ['diabetes', 'jumping jacks', 'jumping-jack'],
    ['stroke-weak-side', 'sit to stand', 'sit-to-stand'],
    ['seated-only', 'seated marching', 'seated-march'],
    ['wheelchair', 'a seated press', 'seated-press'],
    ['child', 'squat jumps', 'squat-jump'],
  ])('%s leaves %s (%s)', (id, _what, move) => {
    if (!library.move(move)) throw new Error(`no move ${move}`);
    expect(barred(id, move)).toEqual([]);
  });
});

describe('a limit of one side', () => {
  const bars = (side: 'left' | 'right' | 'both', form: Parameters<typeof scaler.bars>[0][number]) => {
    const person = addCondition(
      { ...ASKED, kind: 'general', effortMax: 10 },
      { id: 'sore-shoulder', side },
      when,
    );
    return scaler.bars([form], { subject: subjectOf(person, library, DAY), dials: AS_WRITTEN })[0]!;
  };
  test('one arm alone may do what the other may not', () => {
    expect(bars('right', { move: 'one-arm-press' })).not.toEqual([]);
    expect(bars('right', { move: 'one-arm-press', settings: { side: 'left' } })).toEqual([]);
    expect(bars('right', { move: 'one-arm-press', settings: { side: 'right' } })).not.toEqual([]);
    expect(bars('both', { move: 'one-arm-press', settings: { side: 'left' } })).not.toEqual([]);
  });
  test('a move of both arms is barred all the same', () => {
    expect(bars('right', { move: 'standing-press' })).not.toEqual([]);
  });
  test('one side alone is only ever offered to spare the other', () => {
    const scaled = (conditions: { id: ConditionId; side: 'left' | 'right' }[]) => {
      let person = { ...ASKED, kind: 'general' as const, effortMax: 10, assumedLevel: 3 as const };
      for (const c of conditions) person = addCondition(person, c, when) as typeof person;
      return scaler.scale({
        session: session(circuit(['one-arm-press'])),
        writtenFor: 2,
        dials: AS_WRITTEN,
        subject: subjectOf(person, library, DAY),
      });
    };
    expect(scaled([]).uses[0]!.settings.side).toBeUndefined();
    const spared = scaled([{ id: 'sore-shoulder', side: 'right' }]);
    expect(spared.uses[0]).toMatchObject({ move: 'one-arm-press', settings: { side: 'left' } });
    expect(spared.reasons[0]!.rulers.map((r) => r.says)).toContain('no load overhead');
  });
});

describe('limits seen and changed one by one', () => {
  const maud = addCondition(ASKED, { id: 'sore-knees' }, when);
  const kneel = compileCondition('sore-knees').find((l) => l.kind === 'cap' && l.on === 'knee.kneel')!;
  const has = (person: typeof maud, id: string) =>
    outlookOf(person, DAY).limits.some((limit) => limit.id === id);

  test('put aside with who allowed it and why, and holding again', () => {
    const eased = loosenLimit(
      maud,
      kneel,
      { by: 'Physiotherapist', why: 'kneels on a cushion without pain' },
      when,
    );
    expect(has(eased, kneel.id)).toBe(false);
    expect(has(eased, 'sore-knees/knee.load')).toBe(true);
    expect(
      conditionLimits(eased, 'sore-knees', 'both').find((c) => c.limit.id === kneel.id)!.loosened,
    ).toMatchObject({
      by: 'Physiotherapist',
      on: DAY,
    });
    expect(eased.log.at(-1)).toMatchObject({
      what: 'limit',
      why: 'kneels on a cushion without pain',
      at: when.at,
    });
    expect(has(tightenAgain(eased, kneel.id, when), kneel.id)).toBe(true);
  });
  test('a cap eased to a figure never becomes stricter by it', () => {
    const bend = compileCondition('sore-knees').find((l) => l.kind === 'cap' && l.on === 'knee.bendDeg')!;
    const max = (to: number) =>
      outlookOf(
        loosenLimit(maud, bend, { max: to, by: 'Physio', why: 'goes deeper now' }, when),
        DAY,
      ).limits.find((l) => l.id === bend.id);
    expect(max(110)).toMatchObject({ max: 110 });
    expect(max(40)).toMatchObject({ max: 95 });
  });
  test('what one source loosens another still holds: they meet at the strictest', () => {
    const both = addCondition(maud, { id: 'knee-replacement' }, when);
    const eased = loosenLimit(both, kneel, { by: 'Physiotherapist', why: 'kneels without pain' }, when);
    expect(has(eased, kneel.id)).toBe(false);
    expect(has(eased, 'knee-replacement/knee.kneel')).toBe(true);
  });
  test('a condition taken away is kept in the log with its reason', () => {
    const without = removeCondition(maud, 'sore-knees', 'both', when, 'no pain for three months');
    expect(has(without, kneel.id)).toBe(false);
    expect(without.log.map((entry) => entry.says)).toEqual(['Added Sore knees', 'Took away Sore knees']);
    expect(without.log.at(-1)!.why).toBe('no pain for three months');
  });
  test('after its last day a condition and a limit hold no more', () => {
    const person = addCondition(PERSON_EXAMPLE, { id: 'hip-replacement-back', until: '2026-12-31' }, when);
    const id = 'hip-replacement-back/hip.bendDeg';
    expect(outlookOf(person, '2026-12-31').limits.some((l) => l.id === id)).toBe(true);
    expect(outlookOf(person, '2027-01-01').limits.some((l) => l.id === id)).toBe(false);
  });
  test('a looser limit beside a stricter one is said to change nothing', () => {
    const own = limitSchema.parse({
      kind: 'cap',
      id: 'mine',
      on: 'knee.bendDeg',
      max: 120,
      source: 'trainer',
      reason: 'not all the way',
    });
    expect(covers(compileCondition('sore-knees').find((l) => l.id.endsWith('bendDeg'))!, own)).toBe(true);
    const odd = oddLimits(lawIn(library, EVERYWHERE), outlookOf(addLimit(maud, own, when), DAY).limits);
    expect(odd).toEqual([expect.objectContaining({ id: 'mine', severity: 'note' })]);
  });
  test('limits that leave nothing at all contradict each other', () => {
    const cap = (on: 'posture.standing' | 'posture.floor' | 'hip.bendDeg', max: number) =>
      limitSchema.parse({ kind: 'cap', id: on, on, max, source: 'trainer', reason: 'for the test' });
    const odd = oddLimits(lawIn(library, EVERYWHERE), [
      cap('posture.standing', 0),
      cap('posture.floor', 0),
      cap('hip.bendDeg', 10),
    ]);
    expect(odd).toEqual([expect.objectContaining({ id: null, severity: 'wrong' })]);
  });
});

const anyCondition = fc.constantFrom(...CONDITION_IDS);
const anySide = fc.constantFrom('left', 'right', 'both' as const);

test('adding a condition or a limit never enlarges the set of allowed moves', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ id: anyCondition, side: anySide }), { maxLength: 4 }),
      fc.record({ id: anyCondition, side: anySide }),
      fc.constantFrom('knee.bendDeg', 'wrist.load', 'balance.level', 'posture.floor', 'shoulder.raisedDeg'),
      fc.integer({ min: 0, max: 60 }),
      (before, more, on, max) => {
        const base = before.reduce((p, c) => addCondition(p, c, when), PERSON_EXAMPLE);
        const open = (person: typeof base) =>
          openMoves(lawIn(library, EVERYWHERE), outlookOf(person, DAY).limits);
        const was = new Set(open(base));
        const limit = limitSchema.parse({
          kind: 'cap',
          id: 'x',
          on,
          max,
          source: 'trainer',
          reason: 'because',
        });
        for (const next of [addCondition(base, more, when), addLimit(base, limit, when)])
          for (const move of open(next)) expect(was.has(move)).toBe(true);
      },
    ),
    { numRuns: 60, seed: 4 },
  );
});

test('no two conditions of one name', () => {
  const names = CONDITION_IDS.map((id) => CONDITIONS[id].name);
  expect(new Set(names).size).toBe(names.length);
});
