import type { Limb } from '../../pose/index.ts';
import { apart, both, flat, LENGTHS, onBall, sitting, standing, to, turned } from '../../pose/index.ts';
import { bell, chair, type Figures, front, held, side, weights, withProps } from './kit.ts';

const AHEAD: Limb = turned(80, 88);
const UP: Limb = turned(176, 178);
const HUG: Limb = turned(22, 150);
const CROSSED: Limb = turned(20, 118);

const squat = (h: number, lean: number, arms: Limb = AHEAD) =>
  standing({ h, lean, arms: both(arms), nod: -lean / 4 });
const tall = standing({});
const bottom = squat(0.58, 42);
const floorSquat = () => side([tall, bottom]);

/** Down to a seat behind: the hips end where sitting begins. */
const toSeat = (seat: number, arms: Limb, up: Limb = arms) =>
  side(
    [
      { ...sitting(seat, { lean: 32, nod: -8, arms: both(arms) }), legs: both(flat(0.36)) },
      standing({ over: 0.36 + 0.06, legs: both(flat(0.36)), arms: both(up) }),
    ],
    [chair(seat)],
  );

const wide = (h: number, arms: Limb) =>
  standing({ h, legs: apart(0.42), arms: both(arms), lean: 0 }, 'front');
const wideSquat = (bottomH: number, arms: Limb = turned(28, 150)) =>
  front([wide(0.95, arms), wide(bottomH, arms)]);

const wallSit = (h: number) => {
  const hip = h * (LENGTHS.thigh + LENGTHS.shank + LENGTHS.ankle);
  return {
    hip: [0, hip] as const,
    lean: 0,
    curl: 0,
    nod: 0,
    arms: both(turned(4, 12)),
    legs: both(flat(0.4)),
  };
};
const wall = { is: 'wall', x: -0.17 } as const;

const SWING: Limb = turned(84, 96);
const jump = (arms: Limb) =>
  side(
    [
      tall,
      squat(0.68, 34, turned(-40, -30)),
      { ...standing({ arms: both(arms), legs: both(onBall(0, 55)), h: 1.155 }) },
      tall,
    ],
    [],
    {
      back: false,
      flight: { from: 2, height: 0.16 },
    },
  );

const pistol = (h: number, up: number, arms = AHEAD) =>
  standing({ h, lean: h < 0.9 ? 34 : 0, arms: both(arms), legs: [flat(0), turned(up, up - 6)], over: 0.06 });

export const SQUAT: Figures = {
  'hands-help-stand': (s) =>
    side(
      [
        {
          ...sitting(s, { lean: 30, nod: -8 }),
          arms: both(to([0.06, s + 0.24], 80)),
          legs: both(flat(0.34)),
        },
        standing({ over: 0.4, legs: both(flat(0.34)) }),
      ],
      [{ is: 'seat', x: 0, height: s, back: true, arms: true }],
    ),
  'sit-to-stand': (s) => toSeat(s, CROSSED),
  'touch-squat': (s) => toSeat(s, AHEAD),
  'low-chair-rise': (s) => toSeat(s, AHEAD),
  'chair-sit-reach': (s) => toSeat(s, AHEAD, UP),
  'hug-sit-to-stand': withProps((s) => toSeat(s, HUG), { is: 'bell', in: 'both' }),
  'staggered-sit-to-stand': (s) => {
    const figure = toSeat(s, CROSSED);
    return { ...figure, poses: figure.poses.map((p) => ({ ...p, legs: [flat(0.28), flat(0.52)] as const })) };
  },
  'half-squat-held': () => {
    const hands = to([0.44, 0.98], 90);
    return side(
      [
        standing({ legs: both(flat(0)), arms: both(hands) }),
        standing({ h: 0.8, lean: 24, legs: both(flat(0)), arms: both(hands) }),
      ],
      [{ is: 'hold', x: 0.48, height: 0.98 }],
    );
  },
  squat: floorSquat,
  'pause-squat': floorSquat,
  'squat-reach-easy': () => side([standing({ arms: both(UP) }), squat(0.84, 24, turned(60, 70))]),
  'quarter-pulse-squat': () => side([squat(0.86, 24), squat(0.76, 30)]),
  'held-load-squat': withProps(() => side([standing({ arms: both(HUG) }), squat(0.58, 36, HUG)]), bell),
  'two-weight-squat': withProps(
    () => side([standing({}), standing({ h: 0.6, lean: 40, arms: both(turned(8, 12)) })]),
    weights,
  ),
  'squat-rise': () => side([squat(0.6, 40), standing({ arms: both(SWING), legs: both(onBall(0)), h: 1.14 })]),
  'squat-jump': () => jump(SWING),
  'turn-squat-jump': () => jump(SWING),
  'quick-squat-rise': () =>
    side([
      squat(0.76, 32, turned(-20, -10)),
      standing({ arms: both(turned(150, 160)), legs: both(onBall(0)), h: 1.14 }),
    ]),
  'wall-sit': () => side([wallSit(0.56)], [wall]),
  'wall-sit-high': () => side([wallSit(0.74)], [wall]),
  'wall-sit-march': () =>
    side([wallSit(0.6), { ...wallSit(0.6), legs: [turned(105, 10), flat(0.4)] }], [wall]),
  'wall-sit-one-leg': () => side([{ ...wallSit(0.62), legs: [flat(0.36), turned(88, 84)] }], [wall]),
  'free-squat-hold': () => side([squat(0.78, 28)]),
  'squat-hold': held(() => side([squat(0.7, 34)]), 0),
  'squat-hold-heels': () =>
    side([standing({ h: 0.7, lean: 26, arms: both(AHEAD), legs: both(onBall(0, 32)) })]),
  'wide-half-squat': () => ({
    ...wideSquat(0.8, turned(16, 60)),
    props: [
      { is: 'hold', x: -0.5, height: 0.95 },
      { is: 'hold', x: 0.5, height: 0.95 },
    ],
  }),
  'wide-squat': () => wideSquat(0.66),
  'wide-squat-heels': () => wideSquat(0.7),
  'wide-squat-load': withProps(() => wideSquat(0.66, turned(4, -6)), bell),
  'wide-touch-squat': (s) => ({ ...wideSquat(0.66), props: [chair(s, 0, false)] }),
  'wide-squat-jump': () =>
    front(
      [
        wide(0.66, turned(20, 120)),
        {
          ...standing({ legs: both(turned(16, 16)), arms: both(turned(80, 88)), over: null }, 'front'),
          hip: [0, 1.05],
        },
        wide(0.95, turned(10, 8)),
      ],
      [],
      {
        back: false,
        flight: { from: 1, height: 0.14 },
      },
    ),
  'slow-load-squat': withProps(() => side([standing({ arms: both(HUG) }), squat(0.58, 36, HUG)]), bell),
  'load-squat-jump': withProps(() => jump(turned(2, 8)), weights),
  'seated-foot-press': (s) => side([sitting(s, {})], [chair(s)]),
  'seated-leg-straighten': (s) =>
    side([sitting(s, {}), { ...sitting(s, {}), legs: [turned(84, 80), flat(0.4)] }], [chair(s)]),
  'seated-leg-straighten-pause': (s) =>
    side([sitting(s, {}), { ...sitting(s, {}), legs: [turned(84, 80), flat(0.4)] }], [chair(s)]),
  'seated-both-legs-straighten': (s) =>
    side([sitting(s, {}), { ...sitting(s, { lean: -4 }), legs: both(turned(84, 80)) }], [chair(s)]),
  'one-leg-lower-to-seat': (s) =>
    side(
      [
        standing({ legs: [flat(0.36), turned(50, 30)], over: 0.42, arms: both(AHEAD) }),
        { ...sitting(s, { lean: 32, arms: both(AHEAD) }), legs: [flat(0.36), turned(80, 70)] },
      ],
      [chair(s)],
    ),
  'one-leg-sit-to-stand': (s) =>
    side(
      [
        { ...sitting(s, { lean: 32, arms: both(AHEAD) }), legs: [flat(0.36), turned(80, 70)] },
        standing({ legs: [flat(0.36), turned(50, 30)], over: 0.42, arms: both(AHEAD) }),
      ],
      [chair(s)],
    ),
  'skater-squat': () =>
    side(
      [
        standing({ legs: [flat(0), turned(-6, -70)], over: 0.06 }),
        standing({ h: 0.62, lean: 46, legs: [flat(0), turned(-28, -96)], over: 0.06, arms: both(AHEAD) }),
      ],
      [{ is: 'cushion', x: -0.4 }],
    ),
  'one-leg-squat': () => side([pistol(0.995, 20), pistol(0.48, 82)]),
};
