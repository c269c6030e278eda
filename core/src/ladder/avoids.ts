import { type Demand, type DemandKey, PATTERNS, type Pattern, unsafeEnd } from '../move/index.ts';

export const TRUNK_PATTERNS = [
  'brace',
  'anti-turn',
  'side brace',
  'trunk bend',
  'trunk turn',
] as const satisfies readonly Pattern[];

const ALL: readonly Pattern[] = PATTERNS.filter((p) => p !== 'mobility' && p !== 'stretch');

/** Hands on a chair back to steady oneself carry this much of the body at the most, %. Estimate. */
const STEADYING_LOAD = 12;

/** What a branch can promise to keep away from at every rung, and what a search can be told must go. */
interface Avoidance {
  /** A form that asks for more than this of any figure breaks the promise; what isn't known breaks it too. */
  readonly caps: readonly (readonly [DemandKey, number])[];
  /**
   * Patterns whose trunks need a branch of this kind as soon as one of their rungs breaks the promise;
   * none where a branch is welcome but not expected.
   */
  readonly expectedOf: readonly Pattern[];
}

export const AVOIDS = {
  'leaving the floor': { caps: [['impact.class', 1]], expectedOf: ALL },
  'weight through the wrists': { caps: [['wrist.load', STEADYING_LOAD]], expectedOf: ALL },
  'getting down to the floor': { caps: [['posture.floor', 0]], expectedOf: TRUNK_PATTERNS },
  'standing and the floor': {
    caps: [
      ['posture.floor', 0],
      ['posture.standing', 0],
      ['posture.lying', 0],
    ],
    expectedOf: [],
  },
  'a bent-back wrist under load': { caps: [['wrist.bentBackDeg', 30]], expectedOf: [] },
  kneeling: { caps: [['knee.kneel', 0]], expectedOf: [] },
  'arms behind the body': { caps: [['shoulder.behind', 0]], expectedOf: [] },
  'arms overhead': { caps: [['shoulder.raisedDeg', 100]], expectedOf: [] },
  gripping: { caps: [['strength.grip', 10]], expectedOf: [] },
  'bending the back': { caps: [['spine.bend', 1]], expectedOf: [] },
  twisting: { caps: [['spine.turn', 0]], expectedOf: [] },
  'a deep knee bend': { caps: [['knee.bendDeg', 95]], expectedOf: [] },
  'standing on one leg': { caps: [['balance.singleLeg', 1]], expectedOf: [] },
  'lying on the back': { caps: [['posture.supine', 0]], expectedOf: [] },
} as const satisfies Record<string, Avoidance>;
export type Avoid = keyof typeof AVOIDS;
export const AVOID_IDS = Object.keys(AVOIDS) as Avoid[];

/** Does a form ask for what a branch promises to avoid? */
export function breaksPromise(avoids: Avoid, demand: Demand): boolean {
  return AVOIDS[avoids].caps.some(([key, max]) => !(unsafeEnd(demand[key]) <= max));
}
