import { DEMAND_KEYS, DEMANDS, type Demand, type DemandKey, type Move, middle } from '../move/index.ts';
import { handLoad } from './least.ts';

/** A figure that is lower in the harder of two moves of which one is like the other. */
interface SiblingFinding {
  readonly key: DemandKey;
  readonly says: string;
}

interface Sibling {
  readonly move: Pick<Move, 'id' | 'name' | 'needs' | 'tempo' | 'unit' | 'alone'>;
  readonly demand: Demand;
}

/** A lever by which one of two siblings is the harder, and what it loads: none of that goes down with it. */
interface Harder {
  readonly says: string;
  readonly than: (one: Sibling, other: Sibling) => boolean;
  readonly loads: readonly DemandKey[];
  /** Of these something has to go up. */
  readonly raises: readonly DemandKey[];
}

const seconds = ({ tempo }: Sibling['move']): number =>
  tempo ? [...tempo].reduce((sum, one) => sum + (Number(one) || 0), 0) : 0;
const mostHeld = ({ move }: Sibling): number => {
  const load = handLoad(move);
  return load ? load.most * load.count : 0;
};
const sameHeld = (one: Sibling, other: Sibling): boolean =>
  mostHeld(one) === mostHeld(other) && one.move.alone === other.move.alone;
/** Something is pulled on, which is a load of its own. */
const pulls = ({ move }: Sibling): boolean =>
  move.needs.some(({ what }) => ['band', 'pull anchor', 'high anchor', 'towel', 'ball'].includes(what));
const aWeightMore = (one: Sibling, other: Sibling): boolean =>
  mostHeld(one) > 0 && mostHeld(other) === 0 && !pulls(other);
const STRENGTH = DEMAND_KEYS.filter((key) => key.startsWith('strength.'));

const HARDER: readonly Harder[] = [
  {
    says: 'a weight is held',
    than: aWeightMore,
    loads: [
      ...STRENGTH,
      'wrist.load',
      'elbow.load',
      'shoulder.load',
      'spine.load',
      'knee.load',
      'ankle.load',
      'strain.breath',
      'strain.belly',
    ],
    raises: ['strength.grip'],
  },
  {
    says: 'a weight is held',
    than: aWeightMore,
    loads: [],
    raises: ['hands.busy'],
  },
  {
    says: 'it is done slower',
    than: (one, other) =>
      sameHeld(one, other) && seconds(other.move) > 0 && seconds(one.move) > seconds(other.move),
    loads: ['strain.breath', 'strain.holdSeconds', 'strength.grip'],
    raises: [],
  },
  {
    says: 'it is held',
    than: (one, other) => sameHeld(one, other) && one.move.unit === 'hold' && other.move.unit === 'reps',
    loads: ['strain.holdSeconds'],
    raises: [],
  },
  {
    says: 'it leaves the floor',
    than: (one, other) =>
      (one.demand['impact.class'].hi ?? 0) >= 2 && (other.demand['impact.class'].hi ?? 0) < 2,
    loads: ['knee.load', 'ankle.load', 'strain.belly', 'balance.level', 'strength.legs'],
    raises: ['space.noise'],
  },
  {
    says: 'it is done on one leg',
    than: (one, other) =>
      (one.demand['balance.singleLeg'].hi ?? 0) >= 2 && (other.demand['balance.singleLeg'].hi ?? 0) < 2,
    loads: ['balance.level', 'balance.fall'],
    raises: [],
  },
];

/** What stands though it is lower in the harder sibling, by move and figure, each with why. */
export const SIBLINGS_LET_STAND: Readonly<Record<string, string>> = {
  'hold-and-curl strain.holdSeconds': 'the other arm holds all the while, which is another lever',
  'hold-and-curl strength.grip': 'the other arm holds all the while, which is another lever',
};

/** Figures that go down, or that nothing is added to, where a move is harder by a lever than the one that it is like. */
export function siblingFindings(one: Sibling, other: Sibling): SiblingFinding[] {
  const found: SiblingFinding[] = [];
  for (const [harder, easier] of [
    [one, other],
    [other, one],
  ] as const)
    for (const { says, than, loads, raises } of HARDER) {
      if (!than(harder, easier)) continue;
      const lower = loads.filter((key) => middle(harder.demand[key]) < middle(easier.demand[key]));
      const tell = (key: DemandKey, how: string) =>
        found.push({
          key,
          says: `${harder.move.name} is harder than ${easier.move.name}, since ${says}, and has ${how} of ${DEMANDS[key].says}: ${middle(harder.demand[key])} to ${middle(easier.demand[key])}`,
        });
      for (const key of lower) tell(key, 'less');
      if (
        raises.length > 0 &&
        raises.every((key) => middle(harder.demand[key]) <= middle(easier.demand[key]))
      )
        tell(raises[0]!, 'no more');
    }
  return found.filter(
    ({ key }) =>
      !SIBLINGS_LET_STAND[`${one.move.id} ${key}`] && !SIBLINGS_LET_STAND[`${other.move.id} ${key}`],
  );
}
