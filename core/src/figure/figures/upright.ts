import type { DrawnFigure, Prop } from '../../pose/index.ts';
import {
  along,
  apart,
  both,
  flat,
  HANG,
  type KeyPose,
  LENGTHS,
  type Limb,
  onBall,
  sitting,
  solve,
  standing,
  step,
  to,
  turned,
} from '../../pose/index.ts';
import { bell, chair, type Drawn, type Figures, front, side, weight, weights, withProps } from './kit.ts';

const UP: Limb = turned(174, 178);
const LOW: Limb = turned(35, 40);
const DOWN: Limb = turned(8, 5);
const AHEAD: Limb = turned(84, 88);
export const RUN: readonly [Limb, Limb] = [turned(-34, 40), turned(30, 112)];
/** Arms that swing far, the far one ahead. */
export const SWUNG: readonly [Limb, Limb] = [turned(-30, -8), turned(84, 100)];
const RUN_BACK: readonly [Limb, Limb] = [turned(30, 112), turned(-34, 40)];

// Jacks, from the front.
export const narrow = (arms: Limb) => standing({ legs: apart(0.1), arms: both(arms) }, 'front');
export const wide = (half: number, arms: Limb, h = 0.93) =>
  standing({ legs: apart(half), arms: both(arms), h }, 'front');
const oneOut = (half: number, arms: Limb) =>
  standing({ legs: [apart(half)[0], apart(0.1)[1]], arms: both(arms), h: 0.94, over: 0.02 }, 'front');

// Steps on the spot, from the side.
const lifted = (
  thigh: number,
  shank: number,
  arms = RUN,
  more: Partial<Parameters<typeof standing>[0]> = {},
): KeyPose => standing({ legs: [turned(thigh, shank), flat(0)], arms, over: 0.05, ...more });
export const stepping =
  (thigh: number, shank: number, arms = RUN, back = RUN_BACK): Drawn =>
  () =>
    side([
      lifted(thigh, shank, arms),
      standing({}),
      { ...lifted(thigh, shank, back), legs: [flat(0), turned(thigh, shank)] },
    ]);
const running =
  (thigh: number, shank: number, height: number): Drawn =>
  () =>
    side(
      [
        standing({ legs: [turned(thigh, shank), onBall(0, 30)], arms: RUN, over: 0.16, lean: 4, h: 1.06 }),
        standing({
          legs: [turned(10, -40), turned(-4, -30)],
          arms: both(turned(0, 76)),
          over: null,
          x: 0.08,
          h: 1.16,
          lean: 4,
        }),
        standing({
          legs: [onBall(0, 30), turned(thigh, shank)],
          arms: RUN_BACK,
          over: 0.16,
          lean: 4,
          h: 1.06,
        }),
      ],
      [],
      { back: false, flight: { from: 0, height } },
    );

const hop =
  (arms: Limb, height: number): Drawn =>
  () =>
    side(
      [
        standing({ h: 0.97, lean: 5, arms: both(turned(4, 50)) }),
        standing({ legs: both(onBall(0, 55)), h: 1.155, arms: both(arms) }),
        standing({ h: 0.97, lean: 5, arms: both(turned(4, 50)) }),
      ],
      [],
      { back: false, flight: { from: 1, height } },
    );

// Lunges and split stances, from the side.
export const split = (h: number, more: Partial<Parameters<typeof standing>[0]> = {}, gap = 0.36) =>
  standing({ h, legs: [flat(gap), onBall(-gap - 0.08, 52)], over: 0.1, lean: h < 0.8 ? 6 : 2, ...more });
const splitSquat =
  (bottom: number, arms: readonly [Limb, Limb] = both(HANG)): Drawn =>
  () =>
    side([split(0.93, { arms }), split(bottom, { arms })]);
const stepTo =
  (bottom: number, arms: readonly [Limb, Limb] = both(HANG)): Drawn =>
  () =>
    side([standing({ arms }), split(bottom, { arms })], [], { travels: true });

// Hinges, from the side.
const hinge = (lean: number, arms: Limb, h = 0.93): KeyPose =>
  standing({ h, lean, arms: both(arms), nod: -lean / 5 });
/** A stick held along the back: one hand behind the waist, the other behind the neck. */
const alongBack = (pose: KeyPose): KeyPose => {
  const s = solve(pose, 'side');
  const back = 180 - pose.lean + 90;
  return {
    ...pose,
    nod: 0,
    arms: [
      to(step(s.waist, back, 0.13), 180 - pose.lean),
      to(step(along(s.headBase, s.crown, 0.3), back, 0.13), 180 - pose.lean, -1),
    ],
  };
};
const oneLeg = (lean: number, arms: readonly [Limb, Limb]): KeyPose =>
  standing({
    h: 0.96,
    lean,
    arms,
    legs: [turned(-lean * 1.05, -lean * 1.1), flat(0)],
    over: 0.06,
    nod: -lean / 6,
  });

// Steps up.
const stepUp = (
  s: number,
  top: Partial<Parameters<typeof standing>[0]> = {},
  arms: readonly [Limb, Limb] = both(HANG),
) => {
  const below = standing({ legs: [flat(0.42, s), flat(0)], h: 0.97, over: 0.1, lean: 6, arms });
  const up = standing({ legs: both(flat(0.42, s)), arms, over: 0.48, ...top });
  const raised = { ...up, hip: [up.hip[0], up.hip[1] + s] as const };
  return side([below, raised], [{ is: 'step', from: 0.3, to: 0.82, height: s }], { travels: true });
};

/** Jumped on to from a crouch, landed in one. */
const ontoBox = (s: number, h: number, height: number) => {
  const on = standing({ h, lean: 30, legs: both(flat(0.51, s)), arms: both(turned(40, 60)), over: 0.57 });
  return side(
    [
      standing({ h: 0.68, lean: 36, arms: both(turned(-40, -20)) }),
      { ...on, hip: [on.hip[0], on.hip[1] + s] },
    ],
    [{ is: 'step', from: 0.37, to: 0.98, height: s }],
    { flight: { from: 0, height }, travels: true },
  );
};

const hold = (x: number, height = 0.95): Prop => ({ is: 'hold', x, height });
const holding = (x: number, height = 0.95): Limb => to([x - 0.03, height + 0.02], 90);

// Loads lifted.
const raise =
  (from: Limb, upTo: Limb): Drawn =>
  () =>
    side([standing({ arms: both(from) }), standing({ arms: both(upTo) })]);
const seatedRaise =
  (from: Limb, upTo: Limb): Drawn =>
  (s) =>
    side([sitting(s, { arms: both(from) }), sitting(s, { arms: both(upTo) })], [chair(s)]);
const sideRaise =
  (upTo: number): Drawn =>
  () =>
    front([narrow(DOWN), narrow(turned(upTo, upTo + 2))]);
const RACK: Limb = turned(20, 168);
const ROW_TOP: Limb = turned(-52, 40);
/** One hand on something, the other pulls. */
const rowOnHold: Drawn = () => {
  const at = (near: Limb) =>
    standing({
      h: 0.93,
      lean: 50,
      legs: [onBall(-0.35), flat(0.12)],
      arms: [near, to([0.66, 0.86], 90)],
    });
  return side([at(turned(2, 2)), at(turned(-56, 20))], [hold(0.69, 0.86)]);
};
const row =
  (lean: number): Drawn =>
  () =>
    side([hinge(lean, turned(2, 2)), hinge(lean, turned(-58, 22))]);

export const UPRIGHT: Figures = {
  // Jacks
  'side-tap': () => front([narrow(LOW), oneOut(0.34, LOW)]),
  'step-jack-low': () => front([narrow(DOWN), oneOut(0.4, turned(70, 74))]),
  'step-jack': () => front([narrow(DOWN), oneOut(0.4, turned(150, 160))]),
  'jumping-jack': () =>
    front([narrow(DOWN), wide(0.42, turned(150, 162)), narrow(DOWN)], [], {
      back: false,
      flight: { from: 0, height: 0.08 },
    }),
  'squat-jack': () =>
    front([narrow(DOWN), wide(0.44, turned(96, 100), 0.78), narrow(DOWN)], [], {
      back: false,
      flight: { from: 0, height: 0.08 },
    }),
  'star-jump': () =>
    front(
      [
        standing({ legs: apart(0.16), arms: both(turned(10, 8)), h: 0.74 }, 'front'),
        {
          ...standing(
            { legs: [turned(34, 34), turned(34, 34)], arms: both(turned(134, 138)), over: null, h: 0.94 },
            'front',
          ),
          hip: [0, 1.16],
        },
        standing({ legs: apart(0.16), arms: both(turned(10, 8)), h: 0.74 }, 'front'),
      ],
      [],
      { back: false },
    ),
  'side-touch': () => front([narrow(LOW), oneOut(0.36, LOW)]),
  'side-touch-arms': () => front([narrow(DOWN), oneOut(0.36, turned(140, 150))]),
  'weight-shift': () =>
    front([wide(0.16, DOWN, 0.985), { ...wide(0.16, DOWN, 0.985), hip: [0.1, 0.985 * 0.9] }]),

  // On the spot
  march: stepping(58, -4),
  'high-march': stepping(88, 4),
  'easy-walk': stepping(34, -14),
  'quick-high-step': stepping(80, -6),
  'arm-swing-march': stepping(58, -4, [turned(-40, -20), turned(60, 76)], [turned(60, 76), turned(-40, -20)]),
  'march-hold': withProps(stepping(70, -4, both(turned(2, 4)), both(turned(2, 4))), weight),
  'knee-lift-walk': stepping(84, 2),
  'knee-lift-hold-walk': stepping(92, 8, both(turned(50, 100)), both(turned(50, 100))),
  'standing-knee-lift-slow': stepping(90, 4, both(HANG), both(HANG)),
  'standing-straight-leg-lift': stepping(50, 48, both(HANG), both(HANG)),
  'standing-climb': stepping(
    92,
    10,
    [turned(160, 176), turned(20, 130)],
    [turned(20, 130), turned(160, 176)],
  ),
  'standing-knee-crunch': () =>
    side([standing({ arms: both(turned(150, 172)) }), lifted(98, 14, both(turned(18, 96)), { curl: 16 })]),
  'standing-knee-crunch-hold': () =>
    side([standing({ arms: both(turned(132, 160)) }), lifted(98, 14, both(turned(24, 110)), { curl: 14 })]),
  'heel-dig': () =>
    side([standing({}), standing({ legs: [turned(30, 26), flat(0)], over: 0.02, arms: RUN })]),
  'toe-tap-front': () => side([standing({}), standing({ legs: [turned(28, 24, 70), flat(0)], over: 0.02 })]),
  'leg-curl-step': stepping(-2, -104, both(turned(10, 70)), both(turned(10, 70))),
  'quick-curl-step': stepping(-2, -104, both(turned(10, 70)), both(turned(10, 70))),
  'standing-leg-curl': () =>
    side(
      [
        standing({ arms: both(holding(0.45)) }),
        standing({ legs: [turned(-4, -98), flat(0)], arms: both(holding(0.45)), over: 0.05 }),
      ],
      [hold(0.45)],
    ),
  'jog-on-spot': running(40, -42, 0.05),
  'high-knees': running(88, -2, 0.06),
  'sprint-on-spot': running(80, -12, 0.07),
  'jog-heel-kick': running(4, -118, 0.05),
  'fast-heel-kick': running(4, -124, 0.05),
  'ghost-rope': hop(turned(2, 62), 0.06),
  'rope-skip': withProps(hop(turned(2, 62), 0.07), { is: 'rope' }),
  'rope-slow': withProps(hop(turned(2, 62), 0.07), { is: 'rope' }),
  'rope-run': withProps(running(46, -30, 0.06), { is: 'rope' }),
  'ankle-hops': hop(turned(4, 50), 0.07),
  'standing-punch': () =>
    side([
      standing({ h: 0.96, arms: both(turned(16, 150)), legs: [flat(0.14), flat(-0.14)] }),
      standing({ h: 0.96, arms: [turned(86, 90), turned(16, 150)], legs: [flat(0.14), flat(-0.14)] }),
    ]),
  'easy-punches': () =>
    side([standing({ arms: both(turned(16, 150)) }), standing({ arms: [turned(82, 88), turned(16, 150)] })]),
  'cross-punch': () =>
    side([
      standing({ h: 0.96, arms: both(turned(16, 150)), legs: [flat(0.14), flat(-0.14)] }),
      standing({ h: 0.95, arms: [turned(86, 90), turned(16, 150)], legs: [flat(0.14), onBall(-0.18, 40)] }),
    ]),
  'punch-bend': () =>
    side([
      standing({ arms: both(turned(16, 150)) }),
      standing({ h: 0.82, lean: 18, arms: [turned(82, 88), turned(16, 150)] }),
    ]),
  'shuttle-walk': stepping(34, -14),
  'shuttle-brisk': stepping(42, -12),
  'shuttle-jog': running(44, -36, 0.05),
  'shuttle-run': running(64, -26, 0.07),
  'rise-and-reach': () =>
    side([
      standing({ h: 0.9, lean: 14, arms: both(turned(-20, -8)) }),
      standing({ legs: both(onBall(0)), h: 1.14, arms: both(UP) }),
    ]),
  'arm-swing-rise': () =>
    side([
      standing({ h: 0.86, lean: 24, arms: both(turned(-40, -24)) }),
      standing({ legs: both(onBall(0)), h: 1.14, arms: both(turned(150, 164)) }),
    ]),
  'tuck-jump': () =>
    side(
      [
        standing({ h: 0.72, lean: 30, arms: both(turned(-40, -24)) }),
        {
          ...standing({ legs: both(turned(112, -20)), arms: both(turned(60, 80)), over: null, lean: 10 }),
          hip: [0.02, 1.12],
        },
        standing({ h: 0.72, lean: 26, arms: both(turned(30, 50)) }),
      ],
      [],
      { back: false },
    ),
  'scissor-step': () => {
    const a = split(0.96, { arms: SWUNG }, 0.2);
    return side([a, { ...a, legs: [onBall(-0.28, 45), flat(0.2)], arms: [SWUNG[1], SWUNG[0]] }], [], {
      travels: true,
    });
  },

  // Stands
  'feet-together-stand': () => front([standing({ legs: apart(0.06), arms: both(DOWN) }, 'front')]),
  'half-tandem-stand': () => side([standing({ legs: [flat(0.14), flat(-0.02)] })]),
  'tandem-stand': () => side([standing({ legs: [flat(0.27), flat(0)] })]),
  'heel-toe-walk': () =>
    side([standing({ legs: [flat(0.27), flat(0)] }), standing({ legs: [flat(0.27), flat(0.54)] })], [], {
      travels: true,
    }),
  'one-leg-stand': () => side([standing({ legs: [turned(20, -50), flat(0)], over: 0.05 })]),
  'one-leg-head-turn': () => {
    const still = standing({ legs: [turned(20, -50), flat(0)], over: 0.05 });
    return side([still, { ...still, looks: 'at you' }]);
  },
  'one-leg-stand-held': () =>
    side(
      [standing({ legs: [turned(20, -50), flat(0)], over: 0.05, arms: [HANG, holding(0.42)] })],
      [hold(0.42)],
    ),
  'one-leg-cushion': () =>
    side(
      [{ ...standing({ legs: [turned(20, -50), flat(0, 0.06)], over: 0.05 }), hip: [0.03, 0.955] }],
      [{ is: 'cushion', x: 0.06 }],
    ),
  'toe-reach': () =>
    side([
      standing({ legs: [turned(20, 10), flat(0)], over: 0.05 }),
      standing({ h: 0.9, legs: [turned(46, 34), flat(0)], over: 0.05, lean: 10 }),
    ]),
  'toe-reach-held': () =>
    side(
      [
        standing({ legs: [turned(20, 10), flat(0)], over: 0.05, arms: [HANG, holding(0.42)] }),
        standing({ h: 0.92, legs: [turned(46, 34), flat(0)], over: 0.05, arms: [HANG, holding(0.42)] }),
      ],
      [hold(0.42)],
    ),
  'one-leg-reach-low': () =>
    side(
      [
        standing({ legs: [turned(0, -60), flat(0)], over: 0.05 }),
        standing({
          h: 0.82,
          lean: 66,
          legs: [turned(-40, -60), flat(0)],
          over: 0.06,
          arms: both(turned(14, 16)),
        }),
      ],
      [{ is: 'cushion', x: 0.6 }],
    ),

  // Split stances and lunges
  'split-squat': splitSquat(0.62),
  'split-squat-half': splitSquat(0.78),
  'split-squat-half-load': withProps(splitSquat(0.78), weights),
  'split-squat-held': () =>
    side(
      [split(0.93, { arms: [HANG, holding(0.54)] }), split(0.66, { arms: [HANG, to([0.51, 0.97], 90)] })],
      [hold(0.54)],
    ),
  'step-back-lunge': stepTo(0.62),
  'shallow-step-back': stepTo(0.8),
  lunge: stepTo(0.62),
  'lunge-load': withProps(stepTo(0.62), weights),
  'walking-lunge': stepTo(0.62),
  'walking-lunge-load': withProps(stepTo(0.62), weights),
  'walking-half-lunge': stepTo(0.78),
  'long-step-walk': stepTo(0.88),
  'step-back-reach': () => side([standing({}), split(0.84, { arms: both(UP) })], [], { travels: true }),
  'lunge-knee-lift': () =>
    side([split(0.62), lifted(92, 6, RUN, { over: 0.42, legs: [turned(92, 6), flat(0.36)] })], [], {
      travels: true,
    }),
  'rear-foot-raised-squat': (s) => {
    const at = (h: number) =>
      standing({ h, legs: [flat(0.3), to([-0.44, s + 0.1], -60)], over: 0.2, lean: 10 });
    return side([at(0.93), at(0.66)], [{ is: 'surface', from: -0.7, to: -0.36, height: s }]);
  },
  'switch-jump-lunge': () =>
    side(
      [
        split(0.66, { arms: RUN }),
        { ...split(0.66, { arms: RUN_BACK }), legs: [onBall(-0.44, 52), flat(0.36)] },
      ],
      [],
      { back: false, flight: { from: 0, height: 0.2 }, travels: true },
    ),
  'side-lunge': () => {
    const at = (x: number, h: number) => ({
      ...standing({ legs: apart(0.46), arms: both(turned(20, 120)), h, over: null, x }, 'front'),
    });
    return front([at(0, 0.9), { ...at(0.24, 0.68), lean: 6 }]);
  },
  'side-step-bend': () => {
    const at = (x: number, h: number) =>
      standing({ legs: apart(0.34), arms: both(turned(20, 120)), h, over: null, x }, 'front');
    return front([at(0, 0.95), at(0.14, 0.84)]);
  },
  'deep-side-squat': () => {
    const at = (x: number, h: number) =>
      standing({ legs: apart(0.5), arms: both(turned(20, 120)), h, over: null, x }, 'front');
    return front([at(0, 0.88), { ...at(0.32, 0.52), lean: 8 }]);
  },

  // Hinges
  'wall-hinge': () => side([standing({}), hinge(46, turned(20, 60))], [{ is: 'wall', x: -0.5 }]),
  'stick-hinge': withProps(() => side([alongBack(standing({})), alongBack(hinge(58, HANG))]), {
    is: 'stick',
    in: 'both',
  }),
  'loaded-hinge': withProps(
    () => side([standing({ arms: both(turned(4, 4)) }), hinge(64, turned(2, 2), 0.9)]),
    weights,
  ),
  'slow-hinge-reach': () => side([standing({ arms: both(turned(100, 104)) }), hinge(62, turned(30, 30))]),
  'one-leg-hinge': () => side([lifted(-14, -60, both(HANG)), oneLeg(72, both(turned(6, 6)))]),
  'one-leg-hinge-load': withProps(
    () => side([lifted(-14, -60, both(HANG)), oneLeg(72, both(turned(0, 0)))]),
    weights,
  ),
  'one-leg-hinge-held': () =>
    side(
      [lifted(-14, -60, [HANG, to([0.4, 0.92], 90)]), oneLeg(62, [turned(6, 6), to([0.4, 0.92], 90)])],
      [hold(0.43, 0.9)],
    ),
  'hinge-arm-swing': () => side([hinge(56, turned(-40, -40)), standing({ arms: both(turned(78, 82)) })]),
  swing: withProps(
    () => side([hinge(58, turned(-26, -26), 0.9), standing({ arms: both(turned(80, 84)) })]),
    bell,
  ),
  'dead-stop-swing': withProps(
    () =>
      side([
        hinge(70, turned(20, 20), 0.82),
        hinge(58, turned(-26, -26), 0.9),
        standing({ arms: both(turned(80, 84)) }),
      ]),
    bell,
  ),
  'one-hand-swing': withProps(
    () => side([hinge(58, turned(-26, -26), 0.9), standing({ arms: [turned(80, 84), turned(-20, 20)] })]),
    { is: 'bell', in: 'near' },
  ),
  'stand-reach-down': () =>
    side([
      standing({ arms: both(turned(166, 172)) }),
      standing({ h: 0.56, lean: 62, arms: both(turned(12, 12)) }),
    ]),

  // Step
  'step-up': (s) => stepUp(s),
  'high-step-up': (s) => stepUp(s),
  'step-up-load': withProps((s) => stepUp(s), weights),
  'step-up-knee-drive': (s) => stepUp(s, { legs: [flat(0.42, s), turned(92, 6)], arms: RUN_BACK }),
  'step-tap': (s) =>
    side(
      [standing({}), standing({ legs: [flat(0.36, s), flat(0)], over: 0.06, h: 0.985 })],
      [{ is: 'step', from: 0.28, to: 0.78, height: s }],
    ),
  'low-box-jump': (s) => ontoBox(s, 0.72, 0.2),
  'box-jump': (s) => ontoBox(s, 0.66, 0.3),
  'heel-raise': () => side([standing({}), standing({ legs: both(onBall(0, 42)), h: 1.135 })]),
  'heel-raise-held': () =>
    side(
      [
        standing({ arms: both(holding(0.38)) }),
        standing({ legs: both(onBall(0, 42)), h: 1.135, arms: both(holding(0.38)) }),
      ],
      [hold(0.38)],
    ),
  'one-leg-heel-raise-held': () =>
    side(
      [
        standing({ legs: [turned(14, -50), flat(0)], arms: both(holding(0.34)), over: 0.06 }),
        standing({ legs: [turned(14, -50), onBall(0, 42)], h: 1.135, arms: both(holding(0.34)), over: 0.12 }),
      ],
      [hold(0.34)],
    ),

  // Pressed, raised, pulled
  'standing-press': withProps(raise(RACK, UP), weights),
  'one-arm-press': withProps(
    () => side([standing({ arms: [RACK, HANG] }), standing({ arms: [UP, HANG] })]),
    weight,
  ),
  'slow-press': withProps(raise(RACK, UP), weights),
  'push-press': withProps(
    () =>
      side([
        standing({ h: 0.92, lean: 4, arms: both(RACK) }),
        standing({ legs: both(onBall(0, 25)), h: 1.085, arms: both(UP) }),
      ]),
    weights,
  ),
  'seated-press': withProps(seatedRaise(RACK, UP), weights),
  'seated-arm-raise': seatedRaise(turned(18, 40), UP),
  'front-raise': withProps(raise(turned(4, 6), turned(86, 88)), weights),
  'side-raise': withProps(sideRaise(88), weights),
  'slow-side-raise': withProps(sideRaise(88), weights),
  'wall-slide': () =>
    side(
      [standing({ arms: both(turned(60, 176)) }), standing({ arms: both(turned(150, 176)) })],
      [{ is: 'wall', x: 0.42 }],
    ),
  'standing-curl': withProps(raise(turned(2, 6), turned(2, 148)), weights),
  'slow-curl': withProps(raise(turned(2, 6), turned(2, 148)), weights),
  'seated-curl': withProps(seatedRaise(turned(4, 8), turned(6, 148)), weights),
  'bent-row': withProps(row(58), weights),
  'bent-row-heavy': withProps(row(58), weights),
  'one-arm-row': withProps(rowOnHold, weight),
  'bag-row': withProps(rowOnHold, { is: 'bell', in: 'near' }),
  'standing-row': () =>
    side(
      [standing({ lean: -4, arms: both(turned(78, 84)) }), standing({ lean: -4, arms: both(ROW_TOP) })],
      [{ is: 'band', from: [1.35, 1.15], in: 'both' }],
    ),
  'seated-row': (s) =>
    side(
      [sitting(s, { arms: both(turned(74, 84)) }), sitting(s, { arms: both(ROW_TOP) })],
      [chair(s, 0, false), { is: 'band', from: [1.35, 0.8], in: 'both' }],
    ),
  'band-pull-apart': () => front([narrow(turned(70, -20)), narrow(turned(86, 88))]),
  'straight-arm-pull': () =>
    side(
      [
        standing({ lean: 14, h: 0.97, arms: both(turned(120, 122)) }),
        standing({ lean: 14, h: 0.97, arms: both(turned(6, 8)) }),
      ],
      [{ is: 'band', from: [1.1, 2.1], in: 'both' }],
    ),
  'band-pull-down': (s) =>
    side(
      [sitting(s, { arms: both(turned(150, 160)) }), sitting(s, { arms: both(turned(20, 150)) })],
      [chair(s, 0, false), { is: 'band', from: [0.5, 2], in: 'both' }],
    ),
  'band-press-down': () =>
    side(
      [standing({ lean: 8, arms: both(turned(0, 120)) }), standing({ lean: 8, arms: both(turned(0, 10)) })],
      [{ is: 'band', from: [0.7, 2], in: 'both' }],
    ),

  // Carried
  'two-hand-carry': withProps(stepping(34, -14, both(turned(2, 3)), both(turned(2, 3))), weights),
  'one-side-carry': withProps(stepping(34, -14, both(turned(2, 3)), both(turned(2, 3))), weight),
  'one-side-hold': withProps(() => side([standing({ arms: both(turned(2, 3)) })]), weight),
  'overhead-carry': withProps(stepping(34, -14, [UP, HANG], [UP, HANG]), weight),
  'press-out': () =>
    side(
      [standing({ h: 0.97, arms: both(turned(16, 116)) }), standing({ h: 0.97, arms: both(AHEAD) })],
      [{ is: 'band', from: [0.2, 1.25], in: 'both' }],
    ),
  'side-bend-load': withProps(
    () => front([narrow(turned(6, 5)), { ...narrow(turned(6, 5)), lean: 8, curl: 14 }]),
    weight,
  ),

  // Bars
  hang: () => hanging([turned(4, -4), turned(4, -4)]),
  'hang-knee-raise': () => {
    const a = hanging([turned(4, -4), turned(4, -4)]);
    const b = hanging([turned(86, 0), turned(86, 0)]);
    return { ...a, poses: [a.poses[0]!, b.poses[0]!] };
  },
  'pull-up': () => {
    const a = hanging([turned(0, -30), turned(0, -30)]);
    const top = a.poses[0]!;
    return { ...a, poses: [top, { ...top, hip: [top.hip[0] - 0.06, top.hip[1] + 0.46] as const }] };
  },
  'pull-up-lower': () => {
    const a = hanging([turned(0, -30), turned(0, -30)]);
    const top = a.poses[0]!;
    return { ...a, poses: [{ ...top, hip: [top.hip[0] - 0.06, top.hip[1] + 0.46] as const }, top] };
  },

  // Stretches and getting ready, upright
  'calf-wall': () =>
    side(
      [
        standing({
          legs: [flat(0.22), flat(-0.29)],
          h: 0.93,
          lean: 12,
          over: 0.12,
          arms: both(to([0.68, 1.25], 150)),
        }),
      ],
      [{ is: 'wall', x: 0.71 }],
    ),
  'calf-wall-bent': () =>
    side(
      [
        standing({
          legs: [flat(0.22), flat(-0.24)],
          h: 0.88,
          lean: 8,
          over: 0.12,
          arms: both(to([0.6, 1.2], 150)),
        }),
      ],
      [{ is: 'wall', x: 0.63 }],
    ),
  'thigh-standing': () =>
    side(
      [
        standing({
          legs: [turned(-6, -146), flat(0)],
          over: 0.05,
          arms: [to([-0.17, 0.9], -60), holding(0.45)],
        }),
      ],
      [hold(0.45)],
    ),
  'hip-front-split': () => side([split(0.82, { arms: [HANG, holding(0.54)], lean: -2 })], [hold(0.54)]),
  'hamstring-heel': () =>
    side(
      [
        standing({
          h: 0.93,
          lean: 36,
          legs: [to([0.25, 0.08], 124), flat(0)],
          over: 0.04,
          arms: [turned(20, 30), holding(0.55, 0.9)],
        }),
      ],
      [hold(0.55, 0.9)],
    ),
  'lat-chair-fold': () =>
    side(
      [standing({ h: 0.92, lean: 82, over: null, x: -0.1, arms: both(turned(92, 92)) })],
      [hold(1.02, 0.86)],
    ),
  'hip-circles': () =>
    front([
      { ...wide(0.16, turned(30, -40), 0.98), hip: [-0.06, 0.88] },
      { ...wide(0.16, turned(30, -40), 0.98), hip: [0.06, 0.88] },
    ]),
  'side-reach': () =>
    front([
      wide(0.2, DOWN, 0.985),
      { ...wide(0.2, DOWN, 0.985), lean: 6, curl: 16, arms: [turned(174, 180), DOWN] },
    ]),
  'arm-circles': () =>
    front([narrow(turned(20, 18)), narrow(turned(90, 92)), narrow(turned(160, 168))], [], { back: true }),
  'standing-breathing': () => front([narrow(turned(18, -62)), narrow(turned(24, -66))]),
  'hug-and-open': () => front([narrow(turned(80, -70)), narrow(turned(92, 94))]),
  'leg-swing-front': () =>
    side(
      [
        standing({ legs: [turned(-26, -40), flat(0)], over: 0.05, arms: [HANG, holding(0.34)] }),
        standing({ legs: [turned(48, 40), flat(0)], over: 0.04, arms: [HANG, holding(0.34)] }),
      ],
      [hold(0.34)],
    ),
  'leg-swing-side': () =>
    front([
      standing({ legs: [turned(-8, -8), apart(0.08)[1]], over: 0.06, arms: both(DOWN) }, 'front'),
      standing({ legs: [turned(34, 34), apart(0.08)[1]], over: 0.06, arms: both(DOWN) }, 'front'),
    ]),
  'side-leg-free': () =>
    front([
      narrow(DOWN),
      standing({ legs: [turned(30, 30), apart(0.1)[1]], over: 0.06, arms: both(DOWN) }, 'front'),
    ]),
  'standing-side-leg-held': () =>
    front(
      [
        standing({ legs: apart(0.08), arms: [DOWN, to([0.46, 0.97], 90)] }, 'front'),
        standing(
          { legs: [turned(28, 28), apart(0.08)[1]], over: 0.06, arms: [DOWN, to([0.46, 0.97], 90)] },
          'front',
        ),
      ],
      [hold(0.48)],
    ),
  'band-side-step': () =>
    front(
      [wide(0.14, turned(20, 110), 0.92), wide(0.34, turned(20, 110), 0.9)],
      [{ is: 'loop', round: 'thighs' }],
      { travels: true },
    ),
};

/** From a bar so high, m. */
export function hanging(legs: readonly [Limb, Limb], height = 2.24): DrawnFigure {
  const arms = LENGTHS.upperArm + LENGTHS.forearm;
  const neck = height - arms - 0.02;
  return side(
    [
      {
        hip: [0, neck - (LENGTHS.loin + LENGTHS.chest)] as const,
        lean: 0,
        curl: 0,
        nod: 0,
        arms: both(to([0, height - 0.02], 180)),
        legs,
      },
    ],
    [{ is: 'bar', x: 0, height }],
  );
}
