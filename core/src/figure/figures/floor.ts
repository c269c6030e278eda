import type { DrawnFigure, KeyPose, Limb } from '../../pose/index.ts';
import {
  both,
  FLESH,
  flat,
  LENGTHS,
  line,
  moved,
  onBall,
  onKnees,
  type Point,
  prone,
  sitting,
  standing,
  step,
  supine,
  to,
  turned,
} from '../../pose/index.ts';
import { chair, type Drawn, type Figures, MAT, side, withProps } from './kit.ts';

/** Hands before the chest, then beside the hip: a turn is told by them, from the side. */
export const turning = (p: KeyPose): DrawnFigure =>
  side(
    [
      { ...p, arms: both(turned(70, 96)) },
      { ...p, arms: both({ turned: [26, 60], seen: [0.7, 0.7] }) },
    ],
    [MAT],
  );
/** Down on the haunches with the hands on the floor. */
export const crouched = standing({
  h: 0.47,
  lean: 46,
  curl: 34,
  over: null,
  x: -0.14,
  arms: both(to([0.24, FLESH.wrist], 90)),
  legs: both(onBall(0, 30)),
});
const TABLE: Limb = turned(180, 92);
const lying = (legs: readonly [Limb, Limb], more: Parameters<typeof supine>[0] = {}) =>
  supine({ legs, ...more });
/** Elbows on the floor, hands on the belly. */
const onBelly = (upper: number) => both({ turned: [upper, 150], seen: [0.75, 0.2] });
const bridge =
  (up: number): Drawn =>
  () =>
    side([supine({}), supine({ up })], [MAT]);
const oneLegBridge: Drawn = () =>
  side(
    [
      supine({ legs: [turned(140, 140), flat(0.42)] }),
      supine({ up: 0.24, legs: [turned(140, 140), flat(0.42)] }),
    ],
    [MAT],
  );
const raisedBridge: Drawn = (s) =>
  side(
    [
      supine({ legs: both(to([0.52, s + 0.09], 150)) }),
      supine({ up: 0.3, legs: both(to([0.52, s + 0.09], 150)) }),
    ],
    [MAT, { is: 'surface', from: 0.42, to: 0.9, height: s }],
  );
/** Shoulders on an edge behind, hips down and up. */
const thrust =
  (load: boolean): Drawn =>
  () => {
    const edge = 0.4;
    const at = (hipY: number): KeyPose => {
      const shoulder = [-0.42, edge + 0.08] as const;
      const w = Math.sqrt((LENGTHS.loin + LENGTHS.chest) ** 2 - (shoulder[1] - hipY) ** 2);
      const hip = [shoulder[0] + w, hipY] as const;
      const lean = (Math.atan2(shoulder[0] - hip[0], shoulder[1] - hipY) * 180) / Math.PI;
      return { hip, lean, curl: 0, nod: 20, arms: both(turned(60, 80)), legs: both(flat(0.44)) };
    };
    const figure = side([at(0.11), at(0.46)], [{ is: 'surface', from: -0.86, to: -0.44, height: edge }]);
    return load ? { ...figure, props: [...figure.props, { is: 'bell', in: 'both' }] } : figure;
  };

const crunch =
  (rise: number, arms: Limb): Drawn =>
  () =>
    side(
      [supine({ arms: both(arms) }), { ...supine({ arms: both(arms) }), lean: -90, curl: rise, nod: 14 }],
      [MAT],
    );
const sitUp: Drawn = () =>
  side(
    [
      supine({ arms: both(turned(110, 230)) }),
      supine({ rise: 52, arms: both(turned(70, 190)) }),
      supine({ rise: 82, arms: both(turned(40, 150)) }),
    ],
    [MAT],
  );

/** Half the distance of two ankles that lie one on the other, m. Estimate. */
const STACKED = 0.05;
/** Height of the lower ankle where a foot stands on its edge, m. */
const EDGE = 0.085;
/** Where the supporting elbow of a side plank is. */
export const PROPPED_AT = 0.62;

/** On one forearm, chest to the eye, the body a line down to the feet or the knees. */
export const sidePlank = (
  of: { knees?: boolean; dip?: number; legUp?: boolean; on?: number } = {},
): KeyPose => {
  const trunk = LENGTHS.loin + LENGTHS.chest;
  const whole = trunk + LENGTHS.thigh + (of.knees ? 0 : LENGTHS.shank) - 0.01;
  const end = of.knees ? FLESH.knee + LENGTHS.hipHalf : EDGE + STACKED;
  const dip = of.dip ?? 0;
  // Hips that sink draw the shoulders a little back over the elbow.
  const tip = dip > 0 ? 8 : 0;
  const lower = step([PROPPED_AT, (of.on ?? 0) + FLESH.elbow], 180 + tip, LENGTHS.upperArm);
  // The shoulder line is square to the body, and how steep that is hangs on how high the shoulders are.
  let angle = 0.3;
  const neck = (): Point => [
    lower[0] - LENGTHS.shoulderHalf * Math.sin(angle),
    lower[1] + LENGTHS.shoulderHalf * Math.cos(angle),
  ];
  for (let i = 0; i < 20; i++) angle = Math.asin(Math.min(1, (neck()[1] - end) / whole));
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const [x, y] = neck();
  // The feet stay where they are with the hips up.
  const foot: Point = [x + (PROPPED_AT - lower[0]) - whole * cos, y - whole * sin];
  const sunk = Math.asin((trunk * sin + dip) / trunk);
  const lean = 90 - (sunk * 180) / Math.PI;
  const away = -(90 - (angle * 180) / Math.PI);
  const leg = (off: 1 | -1): Limb =>
    of.knees
      ? // Shanks go back, away from the eye.
        { turned: [away, -104], seen: [1, 0.3], atEye: true }
      : { at: [foot[0] + off * STACKED * sin, foot[1] - off * STACKED * cos], atEye: true, bend: -1 };
  return {
    onSide: true,
    hip: [x - trunk * Math.cos(sunk), y - trunk * Math.sin(sunk)],
    lean,
    curl: 0,
    nod: -4,
    arms: [turned(-lean + 2, -lean - 4), { turned: [tip, 90], end: 90, seen: [1, 0.5] }],
    legs: [of.legUp ? { turned: [away - 26, away - 26], atEye: true } : leg(-1), leg(1)],
  };
};

const sidePlanks = (...poses: KeyPose[]): DrawnFigure => side(poses, [MAT]);

const eyed = (upper: number, lower: number): Limb => ({ turned: [upper, lower], atEye: true });
/** Lying on the side, chest to the eye, head at the right on the lower arm. */
export const onTheSide = (top: Limb, bottom: Limb, arm: Limb = turned(-82, -86)): KeyPose => ({
  onSide: true,
  hip: [0, FLESH.hip + LENGTHS.hipHalf],
  lean: 84,
  curl: 0,
  nod: 12,
  arms: [arm, { turned: [60, 110], seen: [0.3, 0.7] }],
  legs: [top, bottom],
});
const sideLying = (top: Limb, top2: Limb, bottom: Limb = eyed(-89, -89)): DrawnFigure =>
  side([onTheSide(top, bottom), onTheSide(top2, bottom)], [MAT]);

export const FLOOR: Figures = {
  'pelvic-tilt': bridge(0.03),
  'small-bridge': bridge(0.14),
  bridge: bridge(0.26),
  'pause-bridge': bridge(0.26),
  'bridge-march': () =>
    side([supine({ up: 0.24 }), supine({ up: 0.24, legs: [turned(170, 60), flat(0.42)] })], [MAT]),
  'single-leg-bridge': oneLegBridge,
  'feet-raised-bridge': raisedBridge,
  'single-leg-bridge-feet-raised': (s) => {
    const figure = raisedBridge(s);
    return {
      ...figure,
      poses: figure.poses.map((p) => ({ ...p, legs: [turned(150, 150), p.legs[1]] as const })),
    };
  },
  'hip-thrust': thrust(false),
  'hip-thrust-load': thrust(true),
  'heel-dig-hold': () => side([supine({ up: 0.1, legs: both(to([0.5, 0.07], 140)) })], [MAT]),

  'heel-slide': () =>
    side([supine({}), supine({ legs: [to([0.76, LENGTHS.ankle], 100), flat(0.42)] })], [MAT]),
  'quad-set': () =>
    side(
      [
        supine({ legs: [to([0.8, LENGTHS.ankle], 100), flat(0.42)] }),
        // The heel comes off the floor as the knee straightens all the way.
        supine({ legs: [turned(94, 94), flat(0.42)] }),
      ],
      [MAT],
    ),
  'seat-squeeze-lying': () => side([supine({}), supine({ up: 0.015 })], [MAT]),
  'roll-knee-straighten': () =>
    side(
      [supine({ legs: [turned(110, 62), flat(0.42)] }), supine({ legs: [turned(110, 110), flat(0.42)] })],
      [MAT, { is: 'surface', from: 0.3, to: 0.42, height: 0.14 }],
    ),
  'lying-march': () => side([supine({}), supine({ legs: [turned(176, 70), flat(0.42)] })], [MAT]),
  'heel-tap': () => side([lying(both(TABLE), {}), lying([to([0.44, 0.08], 120), TABLE])], [MAT]),
  'dead-bug': () =>
    side(
      [
        lying(both(TABLE), { arms: both(turned(178, 178)) }),
        lying([turned(102, 100), TABLE], { arms: [turned(178, 178), turned(264, 266)] }),
      ],
      [MAT],
    ),
  'single-leg-lower': () => side([lying([turned(178, 176), TABLE]), lying([turned(104, 102), TABLE])], [MAT]),
  'double-leg-lower-small': () => side([lying(both(turned(178, 174))), lying(both(turned(138, 136)))], [MAT]),
  'double-leg-lower': () => side([lying(both(turned(178, 174))), lying(both(turned(106, 104)))], [MAT]),
  'knee-to-chest': () =>
    side([supine({}), supine({ legs: [turned(216, 80), flat(0.42)], arms: both(turned(110, 100)) })], [MAT]),
  'pelvic-floor-lift': () =>
    side([supine({ arms: both(turned(88, 90)) }), supine({ arms: both(turned(90, 92)) })], [MAT]),
  'lying-breathing': () => side([supine({ arms: onBelly(96) }), supine({ arms: onBelly(102) })], [MAT]),
  'knees-to-chest-hold': () =>
    side([supine({ legs: both(turned(214, 78)), arms: both(turned(112, 100)) })], [MAT]),
  'double-knee-tuck': () => side([lying(both(TABLE)), lying(both(turned(214, 100)))], [MAT]),
  'reverse-curl': () =>
    side([lying(both(TABLE)), { ...lying(both(turned(216, 110))), lean: -98, hip: [-0.06, 0.17] }], [MAT]),
  'straight-leg-reverse-curl': () =>
    side(
      [lying(both(turned(178, 176))), { ...lying(both(turned(182, 180))), lean: -98, hip: [-0.05, 0.17] }],
      [MAT],
    ),
  'slide-curl': () =>
    side(
      [
        supine({ up: 0.22, legs: both(to([0.44, 0.07], 110)) }),
        supine({ up: 0.12, legs: both(to([0.78, 0.07], 110)) }),
      ],
      [MAT],
      { travels: true },
    ),
  'slide-curl-lower': () =>
    side(
      [
        supine({ up: 0.22, legs: both(to([0.44, 0.07], 110)) }),
        supine({ up: 0.04, legs: both(to([0.8, 0.07], 110)) }),
      ],
      [MAT],
      { travels: true },
    ),

  crunch: crunch(34, turned(196, 60)),
  'crunch-slide': crunch(30, turned(88, 88)),
  'sit-up': sitUp,
  'weighted-sit-up': withProps(sitUp, { is: 'bell', in: 'both' }),
  'fold-up': () =>
    side(
      [
        supine({ legs: both(turned(92, 92)), arms: both(turned(268, 268)) }),
        supine({ rise: 54, legs: both(turned(140, 138)), arms: both(turned(96, 96)) }),
      ],
      [MAT],
    ),
  bicycle: () =>
    side(
      [
        {
          ...supine({ arms: both(turned(196, 60)), legs: [turned(200, 84), turned(112, 108)] }),
          curl: 30,
          nod: 12,
        },
        {
          ...supine({ arms: both(turned(196, 60)), legs: [turned(112, 108), turned(200, 84)] }),
          curl: 30,
          nod: 12,
        },
      ],
      [MAT],
    ),

  'prone-arm-lift': () =>
    side([prone({ arms: both(turned(92, 92)) }), prone({ arms: [turned(112, 112), turned(92, 92)] })], [MAT]),
  'prone-leg-lift': () => {
    const down = prone({ arms: both(turned(-86, -88)) });
    return side([down, { ...down, legs: [turned(-104, -106, -110), turned(-88, -90, -90)] }], [MAT]);
  },
  'prone-opposite-lift': () =>
    side(
      [
        prone({ arms: both(turned(92, 92)) }),
        prone({
          arms: [turned(92, 92), turned(112, 112)],
          legs: [turned(-104, -106, -110), turned(-88, -90, -90)],
        }),
      ],
      [MAT],
    ),
  'prone-both-lift': () =>
    side(
      [
        prone({ arms: both(turned(92, 92)) }),
        prone({ rise: 16, arms: both(turned(112, 112)), legs: both(turned(-104, -106, -110)) }),
      ],
      [MAT],
    ),
  'prone-swim': () =>
    side(
      [
        prone({
          rise: 5,
          arms: [turned(114, 114), turned(100, 100)],
          legs: [turned(-94, -96, -100), turned(-106, -108, -112)],
        }),
        prone({
          rise: 5,
          arms: [turned(100, 100), turned(114, 114)],
          legs: [turned(-106, -108, -112), turned(-94, -96, -100)],
        }),
      ],
      [MAT],
    ),
  'prone-y-raise': () =>
    side([prone({ arms: both(turned(92, 92)) }), prone({ rise: 6, arms: both(turned(112, 112)) })], [MAT]),

  'side-plank': () => sidePlanks(sidePlank()),
  'knee-side-plank': () => sidePlanks(sidePlank({ knees: true })),
  'side-plank-leg': () => sidePlanks(sidePlank(), sidePlank({ legUp: true })),
  'side-plank-dip': () => sidePlanks(sidePlank(), sidePlank({ dip: 0.1 })),
  'side-lying-leg': () => sideLying(eyed(-83, -83), eyed(-116, -116)),

  'kneel-fold': () =>
    side(
      [
        {
          ...onKnees({ sit: 58, lean: 96, arms: both(to([0.64, FLESH.wrist], 90)) }),
          legs: onKnees({ sit: 58 }).legs,
        },
      ],
      [MAT],
    ),
  'kneel-stand': () =>
    side(
      [
        onKnees({ tucked: true }),
        onKnees({ foot: 0.42, tucked: true }),
        standing({ h: 0.74, lean: 14, legs: [flat(0.42), to([-0.4, 0.18], 12)], over: 0.3 }),
        standing({ over: 0.48, legs: both(flat(0.42)) }),
      ],
      [MAT],
      { travels: true },
    ),
  'hip-front-kneel': () => side([onKnees({ foot: 0.42, lean: -4 })], [MAT]),

  // To the floor and back up
  'floor-step-back': () => side([standing({}), crouched, planked(0.24)], [], { travels: true }),
  burpee: () => {
    const up = standing({ arms: both(turned(174, 178)), legs: both(onBall(0, 50)), h: 1.03 });
    return side([standing({}), crouched, planked(0.24), crouched, up, up], [], {
      back: false,
      flight: { from: 4, height: 0.14 },
      travels: true,
    });
  },
  'inverted-row': () => {
    const bar = 0.7;
    const whole = LENGTHS.loin + LENGTHS.chest + LENGTHS.thigh + LENGTHS.shank - 0.01;
    const feet = [1.3, 0.1] as const;
    const at = (k: number): KeyPose => {
      const y = bar - 0.58 + k * 0.34;
      const sin = (y - feet[1]) / whole;
      const cos = Math.sqrt(1 - sin * sin);
      const trunk = LENGTHS.loin + LENGTHS.chest;
      return {
        hip: [feet[0] - (whole - trunk) * cos, y - trunk * sin],
        lean: -90 + (Math.asin(sin) * 180) / Math.PI,
        curl: 0,
        nod: 4,
        arms: both(to([0.02, bar - 0.02], 180)),
        legs: both(to(feet, 170)),
      };
    };
    return side([at(0), at(0.5), at(1)], [{ is: 'bar', x: 0.02, height: bar }]);
  },
  'pike-press': () => {
    const at = (k: number): KeyPose => ({
      hip: [0, 0.86 - k * 0.08],
      lean: 128 + k * 4,
      curl: 0,
      nod: 0,
      arms: both(to([0.52, FLESH.wrist], 90)),
      legs: both(onBall(-0.5, 40)),
    });
    return side([at(0), at(1)], []);
  },

  // Sitting
  'seated-march': (s) =>
    side([sitting(s), { ...sitting(s), legs: [turned(116, 20), flat(0.4)] }], [chair(s)]),
  'seated-quick-march': (s) =>
    side([sitting(s), { ...sitting(s), legs: [turned(114, 18), flat(0.4)] }], [chair(s)]),
  'seated-heel-dig': (s) =>
    side([sitting(s), { ...sitting(s), legs: [turned(78, 60, 140), flat(0.4)] }], [chair(s)]),
  'seated-punch': (s) =>
    side(
      [sitting(s, { arms: both(turned(16, 150)) }), sitting(s, { arms: [turned(84, 88), turned(16, 150)] })],
      [chair(s)],
    ),
  'seated-heel-raise': (s) => side([sitting(s), { ...sitting(s), legs: both(onBall(0.38, 36)) }], [chair(s)]),
  'seated-hinge': (s) =>
    side(
      [sitting(s, { arms: both(turned(10, 110)) }), sitting(s, { lean: 46, arms: both(turned(10, 110)) })],
      [chair(s)],
    ),
  'seated-lean-back': (s) =>
    side(
      [sitting(s, { arms: both(turned(20, 118)) }), sitting(s, { lean: -26, arms: both(turned(20, 118)) })],
      [chair(s, 0, false)],
    ),
  'seated-lean-back-hold': (s) =>
    side([sitting(s, { lean: -24, arms: both(turned(20, 118)) })], [chair(s, 0, false)]),
  'seated-knee-lift-hold': (s) => side([{ ...sitting(s), legs: [turned(112, 16), flat(0.4)] }], [chair(s)]),
  'seated-both-knees-lift': (s) =>
    side([sitting(s), { ...sitting(s, { lean: -10 }), legs: both(turned(112, 16)) }], [chair(s)]),
  'seated-knee-tuck': (s) =>
    side(
      [
        { ...sitting(s, { lean: -18 }), legs: both(turned(76, 60)) },
        { ...sitting(s, { lean: -4 }), legs: both(turned(122, 30)) },
      ],
      [chair(s, 0, false)],
    ),
  'seated-cat': (s) =>
    side([sitting(s, { curl: -10, nod: -12 }), sitting(s, { curl: 30, nod: 24 })], [chair(s)]),
  'neck-nods': (s) => side([sitting(s), sitting(s, { nod: 34 })], [chair(s)]),
  'hamstring-seated': (s) =>
    side([{ ...sitting(s, { lean: 34 }), legs: [turned(66, 64, 140), flat(0.34)] }], [chair(s, 0, false)]),
  'floor-turn': () => turning(supine({ rise: 62 })),
  'sitting-tuck': () =>
    side(
      [
        supine({ rise: 56, legs: both(turned(112, 96)), arms: both(to([-0.28, FLESH.wrist], 90)) }),
        supine({ rise: 74, legs: both(turned(146, 60)), arms: both(to([-0.28, FLESH.wrist], 90)) }),
      ],
      [MAT],
    ),
  'chair-dip-bent': (s) => dip(s, 0.34),
  'chair-dip-straight': (s) => dip(s, 0.74),
  'seated-arm-press': (s) =>
    side(
      [
        sitting(s, { arms: both(to([0.02, s + 0.02], 90)) }),
        { ...sitting(s), hip: [0.02, s + 0.105] as const, arms: both(to([0.02, s + 0.02], 90)) },
      ],
      [chair(s)],
    ),
  'crab-hold': () => side([crab(0.36)], []),
  'crab-walk': () =>
    side([crab(0.36), { ...crab(0.36), legs: [flat(0.5), flat(0.4)] }], [], { travels: true }),
};

function crab(h: number): KeyPose {
  const shoulder = [-0.4, 0.56] as const;
  const trunk = LENGTHS.loin + LENGTHS.chest;
  const hip = [shoulder[0] + Math.sqrt(trunk ** 2 - (shoulder[1] - h) ** 2), h] as const;
  const lean = (Math.atan2(shoulder[0] - hip[0], shoulder[1] - h) * 180) / Math.PI;
  return { hip, lean, curl: 0, nod: 4, arms: both(to([-0.46, FLESH.wrist], -90)), legs: both(flat(0.44)) };
}

/** Hands on an edge behind, hips before it, down and up. */
function dip(s: number, feet: number): DrawnFigure {
  const at = (hipY: number, x: number): KeyPose => ({
    hip: [x, hipY],
    lean: -2,
    curl: 0,
    nod: 0,
    arms: both(to([0, s + FLESH.wrist], 60)),
    legs: both(feet > 0.6 ? to([x + 0.7, 0.09], 140) : flat(x + 0.36)),
  });
  return side([at(s + 0.07, 0.17), at(s - 0.1, 0.17)], [{ is: 'surface', from: -0.36, to: 0.04, height: s }]);
}

/** A line of the body whose hands are at x. */
export function planked(x: number): KeyPose {
  const p = line({});
  return moved(p, x - (p.arms[0].at?.[0] ?? 0));
}
