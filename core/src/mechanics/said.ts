import { type Demand, type DemandKey, type Move, unsafeEnd } from '../move/index.ts';

/** Words that say something of a body, and the figure that has to be there where they stand. */
interface Saying {
  /** One of these, in small letters, as words of their own; a space stands for any. */
  readonly says: readonly string[];
  readonly key: DemandKey;
  readonly least: number;
}

const SAYINGS: readonly Saying[] = [
  {
    says: [
      'turn the ribs',
      'turn the chest',
      'turn the trunk',
      'ribs turn',
      'chest turns',
      'trunk turns',
      'twist',
    ],
    key: 'spine.turn',
    least: 1,
  },
  {
    says: ['round the back', 'the back rounds', 'roll up', 'roll down', 'bone by bone', 'spine rounds'],
    key: 'spine.bend',
    least: 1,
  },
  {
    says: ['arch the back', 'the back arches', 'chest lifts off the floor', 'hollow the back'],
    key: 'spine.arch',
    least: 1,
  },
  {
    says: ['bend sideways', 'bend to the side', 'side bend', 'hand slides down the side'],
    key: 'spine.sideBend',
    least: 1,
  },
  {
    says: ['overhead', 'arms overhead', 'above the head', 'over the head'],
    key: 'shoulder.raisedDeg',
    least: 130,
  },
  {
    says: [
      'on the knees',
      'on both knees',
      'on one knee',
      'half kneeling',
      'hands and knees',
      'all fours',
      'kneel',
      'kneels',
    ],
    key: 'knee.kneel',
    least: 1,
  },
  {
    says: ['jump', 'jumps', 'hop', 'hops', 'leap', 'land softly', 'both feet leave'],
    key: 'impact.class',
    least: 2,
  },
  {
    says: ['lying on the back', 'lie down', 'lying on the front', 'lie on the side'],
    key: 'posture.lying',
    least: 1,
  },
  {
    says: [
      'look over',
      'look behind',
      'look at the top',
      'look at the weight',
      'eyes on the weight',
      'eyes on the fist',
      'look where you land',
      'look where you will land',
      'look left',
      'looks left',
      'head turns',
      'turn the head',
      'eyes follow',
    ],
    key: 'balance.headTurn',
    least: 1,
  },
  {
    says: ['on one leg', 'one foot off the floor', 'the other foot off'],
    key: 'balance.singleLeg',
    least: 1,
  },
  {
    says: ['on the toes', 'tiptoe', 'heels lift', 'up on the balls', 'rise onto the toes'],
    key: 'ankle.load',
    least: 1,
  },
  {
    says: ['squeeze the handle', 'grip hard', 'hang from', 'hang under', 'hang by'],
    key: 'strength.grip',
    least: 5,
  },
  {
    says: ['behind the body', 'hands behind the hips', 'hands on an edge behind'],
    key: 'shoulder.behind',
    least: 1,
  },
  { says: ['hips high and head low', 'head below the', 'head low'], key: 'strain.headLow', least: 1 },
  {
    says: ['into the stretch', 'as far as it goes', 'to the end of the range', 'until it pulls'],
    key: 'joint.endRange',
    least: 1,
  },
  { says: ['hold a second', 'for a second', 'hold for one second'], key: 'strain.holdSeconds', least: 1 },
  { says: ['hold two seconds', 'pause two seconds'], key: 'strain.holdSeconds', least: 2 },
  { says: ['hold three seconds', 'hold three'], key: 'strain.holdSeconds', least: 3 },
  { says: ['hold five seconds', 'holds five seconds'], key: 'strain.holdSeconds', least: 5 },
  { says: ['hips held up', 'hips stay up', 'knee held up'], key: 'strain.holdSeconds', least: 10 },
  {
    says: ['cross behind', 'crosses behind', 'behind and across', 'cross the middle', 'across the other leg'],
    key: 'hip.cross',
    least: 1,
  },
];

const plain = (text: string): string =>
  ` ${text
    .toLowerCase()
    .replace(/[^a-z]+/g, ' ')
    .trim()} `;

/** A figure that a move's own words speak of and that it doesn't have. */
interface SaidFinding {
  readonly key: DemandKey;
  readonly says: string;
}

/** What a move's name, standard and cues say of a body, beside its figures; empty where they agree. */
export function saidFindings(move: Pick<Move, 'name' | 'standard' | 'cues'>, demand: Demand): SaidFinding[] {
  return [move.name, move.standard, ...move.cues].flatMap((text) =>
    SAYINGS.flatMap(({ says, key, least }) => {
      const heard = says.find((phrase) => plain(text).includes(` ${phrase} `));
      return heard !== undefined && unsafeEnd(demand[key]) < least
        ? [{ key, says: `“${heard}” in “${text}”, and the library has ${unsafeEnd(demand[key])}` }]
        : [];
    }),
  );
}
