import type { Hidden } from '../../pose/index.ts';

const turn = (...trunk: readonly number[]): Hidden[] => trunk.map((one) => ({ trunk: one }));
const out = (...near: readonly number[]): Hidden[] => near.map((one) => ({ thighs: [one, one] }));
/** The pelvis turned over one standing leg: that thigh is turned in. */
const IN: Pick<Hidden, 'thighs'> = { thighs: [0, -12] };

/**
 * What the drawings of these moves hide, by key pose in their order, degrees. As they are commonly done, judged by eye:
 * estimates. A trunk turns by 45° and bends by 35° to a side at the most, a thigh turns by 45° either way and crosses by
 * 30°, a head turns by 80° (AAOS norms, from memory).
 */
export const HIDDEN: Readonly<Record<string, readonly Hidden[]>> = {
  // A trunk that turns, on the feet.
  'easy-punches': turn(0, 12),
  'hook-punch': turn(0, 18),
  uppercut: turn(0, 12),
  'standing-punch': turn(0, 10),
  'run-punch': turn(0, 10, -10),
  'high-knee-punch': turn(0, 10, -10),
  'punch-bend': turn(0, 10),
  'punch-shuffle': turn(10, 0, -10),
  'punch-squat-knee': turn(10, 0, 0),
  'cross-punch': [{}, { trunk: 25, ...IN }],
  'jab-cross-duck': [{}, { trunk: -10 }, { trunk: 25, ...IN }, { side: 10 }],
  'band-turn': [{}, { trunk: 30, ...IN }],
  'standing-turn': [{}, { trunk: 22, head: 20 }],
  'standing-chop': [{ trunk: -22 }, { trunk: 25, ...IN }],
  'load-chop': [{ trunk: -25 }, { trunk: 28, ...IN }],
  'low-to-high-lift': [{ trunk: 28, ...IN }, { trunk: -25 }],
  'step-chop': [{ trunk: -10 }, { trunk: 28, ...IN }],
  'torso-sweep': [
    { trunk: 28, head: 20, ...IN },
    { trunk: -28, head: -20 },
  ],
  'walking-lunge-turn': [{}, {}, { trunk: 30, head: 20, ...IN }],
  'worlds-reach': [{}, {}, { trunk: 38, head: 45, ...IN }],
  'standing-cross-knee': [{}, { trunk: 25, cross: 10 }],
  'lunge-knee-elbow': [{}, { trunk: 25, cross: 10 }],
  'monster-kick': turn(14, 0, -14),
  'one-hand-swing': turn(8, 0),
  snatch: turn(8, 0),
  'standing-side-crunch': out(0, 25),
  'one-arm-push-press': [{}, { side: 6 }],
  windmill: [{}, { trunk: 30, head: 45, side: 10, ...IN }],
  'windmill-free': [{}, { trunk: 30, head: 45, side: 10, ...IN }],

  // Sitting.
  'seated-turn': turn(0, 22),
  'seated-turn-load': turn(0, 22),
  'seated-turn-look': [{}, { trunk: 22, head: 50 }],
  'seated-turn-reach': [{ trunk: 18 }, { trunk: -22, head: -25 }],
  'seated-band-turn': turn(0, 30),
  'seated-chop': [
    { trunk: -18, head: -20 },
    { trunk: 18, head: 20 },
  ],
  'seated-band-chop': turn(-20, 26),
  'seated-cross-knee': turn(0, 15),
  'seated-duck': [{}, {}, { side: 10 }],
  'knee-circles-seated': out(0, 25),
  'seated-knee-out': out(0, 20),
  'inner-thigh-seated': out(30),
  'seat-figure-four-chair': [{ cross: 10, thighs: [40, 0] }],

  // On the floor.
  'floor-turn': turn(-30, 30),
  'floor-turn-feet-up': turn(-30, 30),
  'floor-turn-load': turn(-30, 30),
  bicycle: turn(-28, 28),
  'knee-drop-both': [{ trunk: 30, thighs: [20, -15] }, {}, { trunk: -30, thighs: [-15, 20] }],
  'spine-turn-lying': [{ trunk: 40, cross: 10 }],
  'straight-leg-turn': turn(0, 35),
  'open-book': [{}, { trunk: 22, head: 30 }, { trunk: 42, head: 60 }],
  'thread-needle': turn(35, -30),
  'bear-toe-touch': turn(0, 14),
  'climber-cross': [{ trunk: 22, cross: 10 }, {}, { trunk: -22, cross: 10 }],
  'plank-knee-elbow': [{}, { trunk: 12, side: 8 }, { trunk: -12, side: 8 }],
  'spider-push-up': [{}, { trunk: 12, side: 8 }],
  'push-up-turn': [{}, {}, { trunk: 25, head: 45 }],
  'get-up': [{}, { trunk: 24 }, { trunk: 26, ...IN }, { ...IN }, {}],
  'get-up-load': [{ head: 20 }, { trunk: 24, head: 45 }, { trunk: 26, head: 45, ...IN }, { ...IN }, {}],
  'get-up-elbow': [{}, { trunk: 24, head: 45 }],
  'get-up-half': [{}, { trunk: 24, head: 45 }, { trunk: 26, head: 45 }],
  clam: out(0, 30),
  'side-plank-clam': out(0, 30),
  'fire-hydrant': [{}, { thighs: [35, 0] }],
  'bent-knee-fall-out': [{}, { thighs: [45, 0] }],
  'butterfly-sit-up': out(40, 40, 40),
  'seat-figure-four-lying': [{ cross: 10, thighs: [40, 0] }],
  'floor-rise-no-hands': [{}, { cross: 22, thighs: [40, 40] }, { cross: 22, thighs: [40, 40] }],

  // Thighs turned out, seen from the front.
  'band-side-step': out(15, 15),
  'deep-side-squat': out(15, 25),
  'gate-opener': [{}, { thighs: [30, 0] }],
  'wide-half-squat': out(30, 30),
  'wide-squat': out(30, 30),
  'wide-squat-heels': out(30, 30),
  'wide-squat-jump': out(30, 30, 30),
  'wide-squat-load': out(30, 30),
  'wide-touch-squat': out(30, 30),
  'curtsy-lunge': [{}, { thighs: [0, -15] }, { thighs: [-15, 0] }],
  'curtsy-curl': [{}, { thighs: [0, -15] }, { thighs: [-15, 0] }],

  // A head that turns.
  'neck-nods': [{}, { head: 60 }],
  'one-leg-head-turn': [{ head: -45 }, { head: 45 }],
  'heel-toe-head': [{ head: -45 }, { head: 45 }],
  'one-leg-catch': [{ head: 20 }],
  'half-turn-jump': [{}, { head: 30 }, { head: 30 }, {}],
  'turn-squat-jump': [{}, { head: 20 }, { head: 20 }, {}],
};
