import type { Demand, DrawnKey, Figure, Move } from '../move/index.ts';

/** Where a figure comes from that only a drawing knows, of a move without one. */
export const NOT_DRAWN = 'not drawn: the careful end';

type Stated = Partial<Record<keyof Demand, Figure>>;

/** Hips bent so far over a standing leg that the back holds the trunk, degrees. Estimate. */
const STOOPS = 60;
/** Strength of back and hips from which lying hips are lifted by them. Estimate. */
const LIFTS = 40;
/** Grip from which a move may hang from the hands. Estimate. */
const HANGING_GRIP = 55;
/** Grip from which hands are closed hard. Estimate. */
const CLENCHED_GRIP = 35;

/**
 * Figures that drawings know, of a move that has none: the careful end of what it says of itself. A trainer's own move is
 * barred where it might be meant and stays open where it can't. Estimates.
 */
export function undrawn(
  { needs, muscles, pattern, posture }: Pick<Move, 'needs' | 'muscles' | 'pattern' | 'posture'>,
  stated: Stated,
): Record<DrawnKey, Figure> {
  const hi = (key: keyof Demand) => stated[key]?.hi ?? Number.POSITIVE_INFINITY;
  const held = needs.some(({ what }) => what === 'hand load' || what === 'band');
  const steps = needs.some(({ what }) => what === 'step' || what === 'firm surface');
  const lies = posture.work === 'lying on the back';
  const stands = hi('posture.standing') > 0;
  const stoops = hi('hip.bendDeg') >= STOOPS || hi('spine.bend') >= 2;
  // Lying only what lifts the hips; otherwise stooping, most with a weight.
  const lying = hi('strength.back') >= LIFTS ? 1 : 0;
  const empty = stoops ? 2 : 1;
  const loaded = stoops && stands ? 4 : 2;
  const back = lies ? lying : held ? loaded : empty;
  const grips = hi('strength.grip') > 0 || held;
  const chest = muscles.chest ?? 0;
  const at = (n: number): Figure => ({
    lo: n,
    hi: n,
    from: 'estimate',
    source: NOT_DRAWN,
  });
  return {
    'spine.load': at(back),
    'hands.leave': at(hi('hands.bearing') > 0 ? 1 : 0),
    'hands.hang': at(hi('strength.grip') >= HANGING_GRIP ? 1 : 0),
    'hands.clench': at(grips ? (hi('strength.grip') >= CLENCHED_GRIP ? 3 : 2) : 0),
    'feet.edge': at(steps && stands && hi('balance.level') >= 3 ? 1 : 0),
    'head.under': at(lies && held ? 1 : 0),
    'chest.open': at(
      pattern === 'stretch' && chest > 0 ? 2 : chest > 0 || (muscles['upper back'] ?? 0) > 0 ? 1 : 0,
    ),
  };
}
