import type { DrawnFigure, KeyPose, Limb } from '../../pose/index.ts';
import {
  both,
  flat,
  fours,
  LENGTHS,
  line,
  onBall,
  type Point,
  sitting,
  standing,
  step,
  supine,
  to,
  turned,
  way,
} from '../../pose/index.ts';
import { bell, chair, type Drawn, type Figures, held, MAT, side, weight, weights, withProps } from './kit.ts';

const STEPS = 4;
/** Down and up on the hands: what they are on, how deep, on toes or knees, feet raised. */
const pushUp = (of: Parameters<typeof line>[0] = {}, deep = 0.32): DrawnFigure => {
  const hands = of.hands ?? 0;
  const base = side(
    way(STEPS, (t) => line({ ...of, straight: 0.985 - (0.985 - deep) * t })),
    hands > 1
      ? []
      : hands > 0
        ? [surfaceFor(of)]
        : of.feet
          ? [{ is: 'surface', from: -0.3, to: 0.12, height: of.feet }]
          : [],
  );
  return base;
};
const surfaceFor = (of: Parameters<typeof line>[0]) => {
  const hand = line(of).arms[0].at ?? [1, 0];
  const x = line(of).arms[0].at ? hand[0] : 1;
  return { is: 'surface', from: x - 0.16, to: x + 0.34, height: of.hands ?? 0 } as const;
};

/** Of a wall from the feet, m. */
export const GAP = 0.62;
/** Against a wall: feet a step away, the body a line, hands at shoulder height. */
export const atWall = (bent: number, forearms = false): DrawnFigure => {
  const ankle: Point = [-0.12, LENGTHS.ankle];
  const leg = LENGTHS.thigh + LENGTHS.shank - 0.005;
  const pose = (k: number): KeyPose => {
    const lean = 9 + k * 15;
    return {
      hip: step(ankle, 180 - lean, leg),
      lean,
      curl: 0,
      nod: -6,
      arms: forearms ? both(turned(95 + k * 8, 150, 165)) : both(to([GAP - 0.02, 1.28], 150)),
      legs: both(to(ankle, 90)),
    };
  };
  return side(
    way(3, (t) => pose(t * bent)),
    [{ is: 'wall', x: forearms ? 0.56 : GAP }],
  );
};

const press =
  (upperTo: number): Drawn =>
  () =>
    side(
      [supine({ arms: both(turned(88, 180, 180)) }), supine({ arms: both(turned(upperTo, 178, 178)) })],
      [MAT],
    );

/** One knee comes up under the chest: bent on its way, so that the foot clears the floor. */
export const climb = (p: KeyPose, upper = 62, lower = -60): KeyPose[] => [
  p,
  { ...p, legs: [turned(20, -112, -84), p.legs[1]] },
  { ...p, legs: [turned(upper, lower, -40), p.legs[1]] },
];

export const PUSH: Figures = {
  'wall-push-up': () => atWall(1),
  'narrow-wall-push': () => atWall(1),
  'wall-push-quick': () => atWall(1),
  'wall-bounce': () => atWall(0.8),
  'wall-plank': held(() => atWall(0), 0),
  'forearm-wall-press': () => atWall(0.4, true),
  'wall-forearm-plank': held(() => atWall(0, true), 0),
  'raised-push-up': (s) => pushUp({ hands: s }),
  'narrow-raised-push-up': (s) => pushUp({ hands: s }),
  'raised-push-off': (s) => pushUp({ hands: s }),
  'knee-push-up': withProps(() => pushUp({ knees: true }), MAT),
  'narrow-knee-push-up': withProps(() => pushUp({ knees: true }), MAT),
  'knee-push-off': withProps(() => pushUp({ knees: true }), MAT),
  'push-up': () => pushUp(),
  'slow-push-up': () => pushUp(),
  'narrow-push-up': () => pushUp(),
  'hands-together-push-up': () => pushUp(),
  'push-off': () => pushUp(),
  'fist-push-up': () => {
    const f = pushUp();
    const fist = ({ at }: Limb): Limb => ({ at: [at![0], 0.09], end: 0, fist: true });
    return { ...f, poses: f.poses.map((p) => ({ ...p, arms: both(fist(p.arms[0])) })) };
  },
  'feet-raised-push-up': (s) => pushUp({ feet: s }),
  'raised-plank': (s) => held((h) => pushUp({ hands: h }), 0)(s),
  plank: held(() => pushUp(), 0),
  'long-plank': () => side([line({ ahead: 0.1 })]),
  'knee-plank': withProps(
    held(() => pushUp({ knees: true }), 0),
    MAT,
  ),
  'forearm-plank': () => side([line({ forearms: true })]),
  'knee-forearm-plank': () => side([line({ forearms: true, knees: true })], [MAT]),
  'raised-forearm-plank': (s) =>
    side([line({ forearms: true, hands: s })], [{ is: 'surface', from: 0.95, to: 1.6, height: s }]),
  'plank-leg-lift': () => {
    const p = line({});
    return side([p, { ...p, legs: [turned(-92, -92, -10), p.legs[1]] }]);
  },
  'forearm-plank-leg-lift': () => {
    const p = line({ forearms: true });
    return side([p, { ...p, legs: [turned(-100, -100, -14), p.legs[1]] }]);
  },
  'shoulder-tap': () => {
    const p = line({});
    return side([p, { ...p, arms: [turned(20, 168), p.arms[1]] }]);
  },
  'shoulder-tap-wide': () => {
    const p = line({});
    return side([p, { ...p, arms: [turned(20, 168), p.arms[1]] }]);
  },
  'plank-arm-reach': () => {
    const p = line({});
    return side([p, { ...p, arms: [turned(112, 106), p.arms[1]] }]);
  },
  'climber-step': () => {
    const p = line({ pike: 0.05 });
    return side(climb(p));
  },
  'climber-run': () => {
    const p = line({ pike: 0.05 });
    const knee = turned(62, -60, -40);
    const air = turned(34, -112, -100);
    return side(
      [
        { ...p, legs: [knee, p.legs[1]] },
        { ...p, legs: [air, air] },
        { ...p, legs: [p.legs[0], knee] },
      ],
      [],
    );
  },
  'raised-climber': (s) => {
    const p = line({ hands: s });
    return side(climb(p, 92, -16), [surfaceFor({ hands: s })]);
  },
  'up-down': () => {
    const up = line({});
    const down = line({ forearms: true });
    return side([up, { ...down, hip: down.hip }]);
  },
  'all-fours-rock': () => side([fours({}), fours({ back: -0.1 })], [MAT]),
  'all-fours-brace': () => side([fours({})], [MAT]),
  'all-fours-step': () => side([fours({}), fours({ arms: [to([0.62, 0.03], 90), null] })], [MAT]),
  'arm-only-all-fours': () => side([fours({}), fours({ arms: [turned(100, 96), null] })], [MAT]),
  'leg-only-all-fours': () => side([fours({}), fours({ legs: [turned(-84, -88), null] })], [MAT]),
  'bird-dog': () =>
    side([fours({}), fours({ arms: [null, turned(102, 98)], legs: [turned(-84, -88), null] })], [MAT]),
  'bird-dog-crunch': () =>
    side(
      [
        fours({ arms: [null, turned(102, 98)], legs: [turned(-84, -88), null] }),
        fours({ arms: [null, turned(30, 40)], legs: [turned(-10, -120, -120), null], curl: 6 }),
        fours({ arms: [null, turned(-24, 60)], legs: [turned(50, -84, -100), null], curl: 14 }),
      ],
      [MAT],
    ),
  'cat-camel': () => side([fours({ curl: -6, nod: -20 }), fours({ curl: 26, nod: 6 })], [MAT]),
  'knee-hover': () => side([fours({ hover: 0.07 })], []),
  'bear-crawl': () =>
    side([fours({ hover: 0.07 }), fours({ hover: 0.07, arms: [to([0.66, 0.03], 90), null] })], [], {
      travels: true,
    }),
  'bear-step': () =>
    side([fours({ hover: 0.07 }), fours({ hover: 0.07, arms: [to([0.66, 0.03], 90), null] })], [], {
      travels: true,
    }),
  'floor-press': withProps(press(176), weights),
  'floor-press-heavy': withProps(press(176), weights),
  'one-arm-floor-press': withProps(press(176), weight),
  'bridge-floor-press': withProps(
    () =>
      side(
        [
          supine({ up: 0.24, arms: both(turned(88, 180, 180)) }),
          supine({ up: 0.24, arms: both(turned(176, 178, 178)) }),
        ],
        [MAT],
      ),
    weights,
  ),
  'band-press': () =>
    side(
      [standing({ arms: both(turned(-18, 92)) }), standing({ arms: both(turned(84, 88)) })],
      [{ is: 'band', from: [-0.9, 1.25], in: 'both' }],
    ),
  'band-press-quick': () =>
    side(
      [standing({ arms: both(turned(-18, 92)) }), standing({ arms: both(turned(84, 88)) })],
      [{ is: 'band', from: [-0.9, 1.25], in: 'both' }],
    ),
  'split-band-press': () =>
    side(
      [
        standing({ legs: [flat(0.25), onBall(-0.4)], h: 0.95, arms: both(turned(-18, 92)) }),
        standing({ legs: [flat(0.25), onBall(-0.4)], h: 0.95, arms: both(turned(84, 88)) }),
      ],
      [{ is: 'band', from: [-0.95, 1.2], in: 'both' }],
    ),
  'palm-squeeze': (s) => side([sitting(s, { arms: both(turned(50, 118)) })], [chair(s)]),
  'ball-pass-wall': () =>
    side(
      [standing({ x: 0, arms: both(turned(20, 128)) }), standing({ arms: both(turned(82, 86)) })],
      [
        { is: 'wall', x: 1.2 },
        { is: 'ball', in: 'both' },
      ],
    ),
  'kick-back': () =>
    side(
      [
        standing({
          h: 0.93,
          lean: 44,
          legs: [onBall(-0.35), flat(0.12)],
          arms: [turned(-48, 20), to([0.62, 0.86], 90)],
        }),
        standing({
          h: 0.93,
          lean: 44,
          legs: [onBall(-0.35), flat(0.12)],
          arms: [turned(-48, -56), to([0.62, 0.86], 90)],
        }),
      ],
      [{ is: 'hold', x: 0.65, height: 0.86 }, weight],
    ),
  'overhead-elbow-press': (s) =>
    side(
      [sitting(s, { arms: both(turned(170, -30)) }), sitting(s, { arms: both(turned(174, 178)) })],
      [chair(s), bell],
    ),
};
