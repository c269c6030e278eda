/** What each position of the impact dial allows, in the body's terms. */
export interface ImpactBounds {
  readonly says: string;
  readonly classMax: 0 | 1 | 2 | 3;
  readonly lightPerMinute: number;
  readonly highPerMinute: number;
  readonly lightPerSession: number;
  readonly highPerSession: number;
}

/**
 * Positions 0–3 of the impact dial; every bound falls as the dial eases. Hard landings a session: the
 * top of the advanced range of the NSCA's plyometric volumes, from memory; the others are estimates.
 */
export const IMPACT: readonly [ImpactBounds, ImpactBounds, ImpactBounds, ImpactBounds] = [
  {
    says: 'nothing leaves the floor',
    classMax: 0,
    lightPerMinute: 0,
    highPerMinute: 0,
    lightPerSession: 0,
    highPerSession: 0,
  },
  {
    says: 'one foot stays down',
    classMax: 1,
    lightPerMinute: 0,
    highPerMinute: 0,
    lightPerSession: 0,
    highPerSession: 0,
  },
  {
    says: 'small hops',
    classMax: 2,
    lightPerMinute: 180,
    highPerMinute: 0,
    lightPerSession: 1500,
    highPerSession: 0,
  },
  {
    says: 'full jumps',
    classMax: 3,
    lightPerMinute: 240,
    highPerMinute: 30,
    lightPerSession: 3000,
    highPerSession: 140,
  },
];
