import type { DrawnFigure, Prop } from '../../pose/index.ts';
import {
  apart,
  both,
  FLESH,
  flat,
  type KeyPose,
  LENGTHS,
  type Limb,
  line,
  mirrored,
  moved,
  onBall,
  standing,
  to,
  turned,
} from '../../pose/index.ts';
import { onTheSide, PROPPED_AT, sidePlank } from './floor.ts';
import { bell, type Drawn, type Figures, front, MAT, side, withProps } from './kit.ts';
import { hold, onSurface } from './more.ts';
import { narrow, RUN, SWUNG, split, stepping, wide } from './upright.ts';

/** Sideways, over things, on the side of the body, and on the edge of a step. */

const LINE: Prop = { is: 'mark', x: 0 };
const DOWN: Limb = turned(8, 5);
const GUARD: Limb = turned(24, 150);
const PUNCH: Limb = { turned: [16, 16], seen: [0.3, 0.3] };
const GOES = { travels: true } as const;
/** A foot on the floor or on something so high, seen from the front, the knee bending towards the eye. */
const planted = (x: number, height = 0): Limb => ({
  ...to([x, height + LENGTHS.ankle], 0, 1),
  ahead: 1,
});
const stood = (of: Parameters<typeof standing>[0]) => standing(of, 'front');

/** From one foot to the other, the free leg crossing behind. */
const skater = (x: number, h: number, height: number): DrawnFigure => {
  const onRight = {
    ...stood({
      h,
      lean: 10,
      over: null,
      x: x - 0.1,
      legs: [{ turned: [-24, -50], seen: [0.75, 0.75] }, planted(x)],
      arms: [turned(16, 4), turned(44, 60)],
    }),
  };
  const onLeft = mirrored(onRight, 'front');
  const wideLow = stood({ legs: apart(x), h: h + 0.04, arms: both(turned(24, 20)) });
  return front(height > 0 ? [onLeft, onRight, onLeft] : [onLeft, wideLow, onRight], [], {
    back: height === 0,
    ...(height > 0 ? { flight: { from: 'each' as const, height } } : {}),
    travels: true,
  });
};

/** Both feet, or one, from one side of something to the other. */
const over = (
  half: number,
  height: number,
  feet: 'both' | 'one',
  props: readonly Prop[] = [],
): DrawnFigure => {
  const at = (x: number): KeyPose =>
    stood({
      h: 0.9,
      lean: 0,
      over: null,
      x,
      legs:
        feet === 'one'
          ? [{ turned: [6, -10], seen: [0.8, 0.5] }, planted(x)]
          : [planted(x - 0.07), planted(x + 0.07)],
      arms: both(turned(26, 60)),
    });
  return front([at(-half), at(half), at(-half)], props, {
    back: false,
    flight: { from: 'each', height },
    travels: true,
  });
};

/** Up sideways on to a step at the right. */
const sideStepUp = (s: number, knee: boolean): DrawnFigure => {
  const below = stood({ legs: [apart(0.1)[0], planted(0.3, s)], h: 0.98, over: 0 });
  const on = stood({
    legs: [knee ? { turned: [8, 4], seen: [0.35, 1] } : planted(0.16), planted(0.3)],
    over: knee ? 0.3 : 0.24,
    arms: both(DOWN),
  });
  const top = moved(on, 0, s);
  return front([below, top], [{ is: 'step', from: 0.1, to: 0.62, height: s }]);
};

/** Heels over the edge of a step, a hand on the rail. */
const edge =
  (one: boolean, poses: readonly ('low' | 'high')[]): Drawn =>
  () => {
    const height = 0.16;
    const at = (degrees: number): KeyPose => {
      const foot = onBall(0, degrees);
      const free: Limb = turned(10, -84);
      const p = standing({
        legs: [foot, one ? free : foot],
        h: degrees > 0 ? 1.12 : 0.93,
        over: 0.19,
        arms: [DOWN, to([0.46, 1], 90)],
      });
      return moved(p, 0, height);
    };
    return side(
      poses.map((p) => at(p === 'low' ? -16 : 40)),
      [
        { is: 'step', from: 0.13, to: 0.66, height },
        { is: 'hold', x: 0.49, height: 0.98 + height },
      ],
    );
  };

const chopTo = (low: boolean): KeyPose =>
  low
    ? {
        ...stood({
          legs: apart(0.46),
          h: 0.7,
          over: null,
          x: 0.22,
          arms: [turned(-34, -24), turned(16, -4)],
        }),
        lean: 14,
      }
    : stood({
        legs: [planted(-0.46), planted(-0.26)],
        over: -0.36,
        arms: [turned(120, 150), turned(-140, -150)],
      });

// On the side with the front to the eye; the head at the right.
/** A thigh that comes forwards to the eye, the shank going back beside it. */
const bentOnSide: Limb = { turned: [-84, -92], seen: [0.6, 0.78], atEye: true };

// Seen from above.
const FROM_ABOVE: Prop = { is: 'mat', from: -1, to: 1, half: 0.42 };
const lyingAbove = (legs: readonly [Limb, Limb], arms: readonly [Limb, Limb]): KeyPose => ({
  hip: [0, 0],
  lean: 90,
  curl: 0,
  nod: 4,
  arms,
  legs,
});
export const above = (
  view: 'side' | 'front',
  poses: readonly KeyPose[],
  mat: Prop = FROM_ABOVE,
): DrawnFigure => ({
  view,
  poses,
  props: [mat],
  back: true,
  above: true,
});

export const ACROSS: Figures = {
  'low-skater-step': () => skater(0.34, 0.8, 0),
  'skater-hop': () => skater(0.4, 0.82, 0.09),
  'skater-bound': () => skater(0.62, 0.76, 0.16),
  'line-hop': () => over(0.16, 0.07, 'both', [LINE]),
  'one-leg-line-hop': () => over(0.13, 0.06, 'one', [LINE]),
  'side-jump-over': () => over(0.34, 0.24, 'both', [{ is: 'cushion', x: 0 }]),
  'side-hop-over-step': (s) => {
    const at = (sign: 1 | -1): KeyPose => {
      const right = stood({
        h: 0.93,
        over: null,
        x: 0.2,
        legs: [planted(-0.02, s), planted(0.36)],
        arms: both(turned(26, 60)),
      });
      return sign > 0 ? right : mirrored(right, 'front');
    };
    return front([at(1), at(-1), at(1)], [{ is: 'step', from: -0.17, to: 0.17, height: s }], {
      back: false,
      flight: { from: 'each', height: 0.14 },
      travels: true,
    });
  },
  'over-step': (s) => {
    const up = moved(stood({ legs: [planted(-0.1), planted(0.1)] }), 0, s);
    const left = stood({
      legs: [planted(-0.42), planted(-0.1, s)],
      h: 0.97,
      over: -0.4,
    });
    return front(
      [left, up, mirrored(left, 'front')],
      [{ is: 'step', from: -0.24, to: 0.24, height: s }],
      GOES,
    );
  },
  'side-step-up': (s) => sideStepUp(s, false),
  'side-step-up-knee': (s) => sideStepUp(s, true),
  'heel-raise-edge': edge(false, ['low', 'high']),
  'one-leg-heel-raise-edge': edge(true, ['low', 'high']),
  'calf-step-drop': edge(false, ['low']),

  'scissor-hop': () => {
    const a = split(0.93, { arms: SWUNG, legs: [flat(0.2), onBall(-0.26, 40)], over: 0.06 });
    const b = mirrored(a, 'side');
    return side([a, b, a], [], { back: false, flight: { from: 'each', height: 0.06 } });
  },
  'ghost-rope-step': stepping(34, -24, both(turned(4, 58)), both(turned(4, 58))),
  'broad-jump-back': () =>
    side(
      [
        standing({ h: 0.7, lean: 38, arms: both(turned(-40, -24)) }),
        standing({ h: 0.72, lean: 30, legs: both(flat(0.7)), arms: both(turned(84, 96)), over: 0.76 }),
        standing({ h: 0.98, legs: [turned(26, -30), onBall(0.4, 20)], over: 0.5, arms: RUN }),
        standing({ legs: both(flat(0)) }),
      ],
      [],
      { back: false, travels: true, flight: { from: 0, height: 0.2 } },
    ),
  'shuttle-touch': () =>
    side(
      [
        standing({
          legs: [turned(50, -30), onBall(0, 30)],
          arms: RUN,
          over: 0.16,
          lean: 8,
          h: 1.04,
        }),
        standing({
          legs: [turned(10, -50), turned(-6, -30)],
          arms: both(turned(0, 76)),
          over: null,
          x: 0.24,
          h: 1.1,
          lean: 8,
        }),
        standing({
          h: 0.52,
          lean: 48,
          curl: 20,
          legs: [flat(0.62), onBall(0.1, 40)],
          over: 0.5,
          arms: [to([0.74, 0.14], 20), turned(-30, 10)],
        }),
      ],
      [],
      { travels: true, flight: { from: 0, height: 0.05 } },
    ),
  'punch-shuffle': () =>
    front(
      [
        stood({ legs: apart(0.3), h: 0.9, arms: both(GUARD) }),
        stood({ legs: apart(0.12), h: 0.93, arms: both(GUARD) }),
        stood({ legs: apart(0.3), h: 0.9, arms: [PUNCH, GUARD] }),
      ],
      [],
      GOES,
    ),
  'punch-squat-knee': () =>
    side(
      [
        standing({ arms: [turned(86, 88), turned(10, 140)] }),
        standing({ h: 0.66, lean: 36, arms: both(turned(20, 140)) }),
        standing({ legs: [turned(94, 6), flat(0)], over: 0.05, arms: both(turned(20, 130)) }),
      ],
      [],
      { parts: true },
    ),
  'side-lunge-knee-lift': () => {
    const lunge = {
      ...stood({ legs: apart(0.46), arms: both(turned(20, 120)), h: 0.68, over: null, x: -0.24 }),
      lean: -6,
    };
    const knee = stood({
      legs: [{ turned: [10, 4], seen: [0.35, 1] }, apart(0.46)[1]],
      over: 0.46,
      arms: both(turned(20, 80)),
    });
    return front([lunge, knee], [], GOES);
  },
  'side-shift': () => {
    const at = (x: number): KeyPose =>
      stood({
        legs: apart(0.44),
        h: 0.78,
        over: null,
        x,
        arms: [to([-0.3, 0.86], 0, 1), to([0.3, 0.86], 0, 1)],
      });
    return front([at(-0.18), at(0.18)], [hold(0, 0.84, 0.26)]);
  },
  'step-chop': withProps(() => front([chopTo(false), chopTo(true)], [], GOES), bell),
  'band-side-kick': () =>
    front(
      [
        narrow(DOWN),
        stood({ legs: [turned(26, 26), apart(0.1)[1]], over: 0.08, arms: both(turned(20, 60)) }),
      ],
      [{ is: 'loop', round: 'ankles' }],
    ),
  'side-walk': () => {
    const hands: Limb = { turned: [20, 160], seen: [0.7, 0.8] };
    return front(
      [wide(0.1, hands, 0.99), wide(0.26, hands, 0.97)],
      [{ is: 'wall', x: 0, behind: true }],
      GOES,
    );
  },
  'bear-crawl-side': () => {
    const at = (hands: number, feet: number): KeyPose => ({
      hip: [0, 0.47],
      lean: 0,
      curl: 0,
      nod: 0,
      seen: 0.24,
      arms: [to([-hands, FLESH.wrist], 60, 1), to([hands, FLESH.wrist], 60, 1)],
      legs: both({ turned: [feet, 0], seen: [0.86, 0.1] }),
    });
    return front([at(0.24, 8), at(0.37, 24)], [], GOES);
  },
  'walking-lunge-turn': () =>
    side(
      [
        standing({ arms: both(turned(40, 120)) }),
        split(0.62, { arms: both(turned(80, 86)) }),
        split(0.62, { arms: both({ turned: [40, 60], seen: [0.4, 0.4] }) }),
      ],
      [],
      GOES,
    ),

  // On the side
  clam: () =>
    side(
      [
        onTheSide({ turned: [-66, -80], seen: [0.6, 0.78], atEye: true }, bentOnSide),
        onTheSide({ turned: [-130, -44], seen: [0.75, 0.86], atEye: true }, bentOnSide),
      ],
      [MAT],
    ),
  'side-plank-clam': () => {
    const p = sidePlank({ knees: true });
    return side(
      [p, { ...p, legs: [{ turned: [-116, -40], seen: [0.78, 0.6], atEye: true }, p.legs[1]] }],
      [MAT],
    );
  },
  'side-plank-top-foot': () => {
    const p = sidePlank();
    const at = p.legs[1].at!;
    return side(
      [{ ...p, legs: [{ at: [at[0] + 0.2, at[1] - 0.02], atEye: true, bend: -1 }, p.legs[1]] }],
      [MAT],
    );
  },
  'raised-side-plank': (s) => side([sidePlank({ on: s })], [onSurface(s, PROPPED_AT)]),
  'open-book': () => {
    const legs = both(turned(10, -104, -30));
    const arm = (upper: number): Limb => turned(upper, upper + 2);
    return above('side', [
      lyingAbove(legs, [arm(4), arm(0)]),
      lyingAbove(legs, [{ turned: [4, 4], seen: [0.25, 0.25] }, arm(0)]),
      lyingAbove(legs, [arm(-172), arm(0)]),
    ]);
  },
  'thigh-side-lying': () =>
    above('side', [
      lyingAbove([turned(-104, 24, -40), turned(-30, -118, -40)], [turned(-64, -104), turned(20, 110)]),
    ]),
  'spine-turn-lying': () =>
    above('front', [
      {
        hip: [0, 0],
        lean: 90,
        curl: 0,
        nod: 4,
        arms: [turned(180, 180), turned(0, 0)],
        legs: [turned(24, 84, 84), turned(-10, -96, -96)],
      },
    ]),
  'straight-leg-turn': () => {
    const lie = (legs: readonly [Limb, Limb]): KeyPose => ({
      hip: [0, 0],
      lean: 90,
      curl: 0,
      nod: 0,
      arms: [turned(180, 180), turned(0, 0)],
      legs,
    });
    const up: Limb = { turned: [84, 84], seen: [0.12, 0.12] };
    const upFar: Limb = { turned: [-84, -84], seen: [0.12, 0.12] };
    return above('front', [lie([up, upFar]), lie([turned(10, 10), turned(-6, -6)])]);
  },
  'floor-dip': () => {
    const at = (k: number): KeyPose => {
      const shoulder = [-0.36 - k * 0.06, 0.5 - k * 0.14] as const;
      const h = 0.3 - k * 0.08;
      const trunk = LENGTHS.loin + LENGTHS.chest;
      const hip = [shoulder[0] + Math.sqrt(trunk ** 2 - (shoulder[1] - h) ** 2), h] as const;
      const lean = (Math.atan2(shoulder[0] - hip[0], shoulder[1] - h) * 180) / Math.PI;
      return {
        hip,
        lean,
        curl: 0,
        nod: 6,
        arms: both(to([-0.42, FLESH.wrist], 90)),
        legs: both(flat(0.48)),
      };
    };
    return side([at(0), at(1)], []);
  },
  'prone-t-raise': () => {
    const p = (degrees: number, rise: number): KeyPose => ({
      hip: [0, 0.1],
      lean: 90,
      curl: -rise,
      nod: -8,
      arms: both({ turned: [degrees, degrees], seen: [0.2, 0.2] }),
      legs: both(turned(-88, -90, -90)),
    });
    return side([p(70, 0), p(140, 6)], [MAT]);
  },
  'push-up-turn': () => {
    const top = line({});
    return side([line({ straight: 0.4 }), top, { ...top, arms: [turned(178, 180), top.arms[1]] }]);
  },
};
