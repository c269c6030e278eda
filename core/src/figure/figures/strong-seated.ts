import { ARM_REST, both, FLESH, flat, type Limb, type Prop, sitting, to, turned } from '../../pose/index.ts';
import { chair, type Figures, side, weight, weights } from './kit.ts';

/** Hard work without leaving the chair, for strong arms and trunks. */

const RACK: Limb = turned(20, 168);
const UP: Limb = turned(172, 176);
const HANG: Limb = turned(18, 62);
const AHEAD: Limb = turned(86, 88);

/** Hands on the arm rests, hips so far above the seat, m. */
const lifted = (s: number, up: number) => {
  const pose = sitting(s, {
    lean: 6,
    arms: both(to([0.06, s + ARM_REST + FLESH.wrist], 90)),
    legs: both(flat(0.44)),
  });
  return { ...pose, hip: [pose.hip[0], pose.hip[1] + up] as const };
};
const LIFT = 0.18;
const WITH_ARMS = (s: number): Prop => ({ is: 'seat', x: 0, height: s, back: true, arms: true });

export const STRONG_SEATED: Figures = {
  'seated-press-heavy': (s) =>
    side([sitting(s, { arms: both(RACK) }), sitting(s, { arms: both(UP) })], [chair(s, 0, false), weights]),
  'seated-one-arm-press': (s) =>
    side(
      [sitting(s, { arms: [RACK, HANG] }), sitting(s, { arms: [UP, HANG] })],
      [chair(s, 0, false), weight],
    ),
  'seated-one-arm-press-slow': (s) =>
    side(
      [sitting(s, { arms: [RACK, HANG] }), sitting(s, { arms: [UP, HANG] })],
      [chair(s, 0, false), weight],
    ),
  'seated-one-arm-band-press': (s) =>
    side(
      [sitting(s, { arms: [turned(-18, 92), HANG] }), sitting(s, { arms: [AHEAD, HANG] })],
      [chair(s, 0, false), { is: 'band', from: [-0.9, s + 0.4], in: 'near' }],
    ),
  'seat-lift': (s) => side([lifted(s, 0), lifted(s, LIFT)], [WITH_ARMS(s)]),
  'seat-lift-hold': (s) => side([lifted(s, LIFT)], [WITH_ARMS(s)]),
  'seated-row-pause': (s) =>
    side(
      [sitting(s, { arms: both(turned(74, 84)) }), sitting(s, { arms: both(turned(-24, 70)) })],
      [chair(s, 0, false), { is: 'band', from: [1.35, 0.8], in: 'both' }],
    ),
  'seated-one-arm-row': (s) =>
    side(
      [sitting(s, { arms: [turned(74, 84), HANG] }), sitting(s, { arms: [turned(-24, 70), HANG] })],
      [chair(s, 0, false), { is: 'band', from: [1.35, 0.8], in: 'near' }],
    ),
  'seated-pull-down-pause': (s) =>
    side(
      [sitting(s, { arms: both(turned(150, 160)) }), sitting(s, { arms: both(turned(20, 150)) })],
      [chair(s, 0, false), { is: 'band', from: [0.5, 2], in: 'both' }],
    ),
  'seated-pull-down-one': (s) =>
    side(
      [sitting(s, { arms: [turned(150, 160), HANG] }), sitting(s, { arms: [turned(20, 150), HANG] })],
      [chair(s, 0, false), { is: 'band', from: [0.5, 2], in: 'near' }],
    ),
  'seated-side-hold-heavy': (s) =>
    side([sitting(s, { arms: [turned(-4, 4), HANG] })], [chair(s, 0, false), weight]),
  'seated-press-out-hold': (s) =>
    side(
      [sitting(s, { arms: both(AHEAD) })],
      [chair(s, 0, false), { is: 'band', from: [0.2, 0.9], in: 'both' }],
    ),
  'seated-band-turn': (s) =>
    side(
      [sitting(s, { arms: both(turned(76, 84)) }), sitting(s, { arms: both(turned(54, 62)) })],
      [chair(s, 0, false), { is: 'band', from: [1.2, s + 0.5], in: 'both' }],
    ),
  'seated-band-chop': (s) =>
    side(
      [sitting(s, { arms: both(turned(128, 136)) }), sitting(s, { lean: 14, arms: both(turned(28, 32)) })],
      [chair(s, 0, false), { is: 'band', from: [0.9, 2], in: 'both' }],
    ),
  'seated-band-crunch': (s) =>
    side(
      [
        sitting(s, { arms: both(turned(30, 160)) }),
        sitting(s, { lean: 14, curl: 26, nod: 6, arms: both(turned(40, 164)) }),
      ],
      [chair(s, 0, false), { is: 'band', from: [-0.3, 2.1], in: 'both' }],
    ),
  'seated-lean-back-load': (s) =>
    side(
      [sitting(s, { arms: both(turned(60, 96)) }), sitting(s, { lean: -28, arms: both(turned(60, 96)) })],
      [chair(s, 0, false), { is: 'bell', in: 'both' }],
    ),
  'seated-fast-punch': (s) =>
    side(
      [
        sitting(s, { lean: 6, arms: [turned(20, 150), AHEAD] }),
        sitting(s, { lean: 6, arms: [AHEAD, turned(20, 150)] }),
      ],
      [chair(s, 0, false)],
    ),
  'seated-arm-sprint': (s) =>
    side(
      [
        sitting(s, { lean: 10, arms: [turned(40, 128), turned(-36, 54)] }),
        sitting(s, { lean: 10, arms: [turned(-36, 54), turned(40, 128)] }),
      ],
      [chair(s, 0, false)],
    ),
};
