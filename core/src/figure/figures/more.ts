import type { DrawnFigure, KeyPose, Limb, Prop } from '../../pose/index.ts';
import {
  apart,
  both,
  flat,
  fours,
  HANG,
  LENGTHS,
  line,
  moved,
  onBall,
  onKnees,
  sitting,
  standing,
  supine,
  to,
  turned,
} from '../../pose/index.ts';
import { FLOOR, turning } from './floor.ts';
import {
  bell,
  chair,
  type Drawn,
  type Figures,
  front,
  MAT,
  side,
  weight,
  weights,
  withProps,
} from './kit.ts';
import { PUSH } from './push.ts';
import { UPRIGHT } from './upright.ts';

export const hold = (x: number, height = 0.95, half?: number): Prop => ({
  is: 'hold',
  x,
  height,
  ...(half ? { half } : {}),
});
const AHEAD: Limb = turned(84, 88);

/** Share of a thigh that is seen from the front where it points to the eye. */
const THIGH_SEEN = 0.16;
/** Sitting seen from the front: thighs point at the eye, shanks hang. */
export const seat = (s: number, more: Partial<KeyPose> & { half?: number; open?: number } = {}): KeyPose => {
  // Opened wide, thighs point past the eye and more of them is seen.
  const { half = 14, open = THIGH_SEEN, ...rest } = more;
  const down = open * LENGTHS.thigh * Math.cos((half * Math.PI) / 180);
  const shank = Math.min(1, (s + 0.1 - LENGTHS.ankle - down) / LENGTHS.shank);
  const leg: Limb = { turned: [half, 0], seen: [open, shank] };
  return { hip: [0, s + 0.1], lean: 0, curl: 0, nod: 0, arms: both(turned(10, 6)), legs: both(leg), ...rest };
};
export const seated =
  (...poses: ((s: number) => KeyPose)[]): Drawn =>
  (s) =>
    front(
      poses.map((p) => p(s)),
      [chair(s, 0, false)],
    );
const from = (figures: Figures, id: string): Drawn => figures[id]!;
const ahead: Limb = { turned: [20, 20], seen: [0.3, 0.3] };

/** What hands at x are on. */
export const onSurface = (s: number, x: number): Prop => ({
  is: 'surface',
  from: x - 0.16,
  to: x + 0.34,
  height: s,
});

const chop =
  (low: Limb, high: Limb, props: readonly Prop[] = []): Drawn =>
  () =>
    side([standing({ arms: both(high) }), standing({ h: 0.9, lean: 22, arms: both(low) })], props);

const crouch = standing({ h: 0.7, lean: 38, arms: both(turned(-40, -24)) });
const landing = (x: number): KeyPose =>
  standing({ h: 0.72, lean: 30, legs: both(flat(x)), arms: both(turned(84, 96)), over: x + 0.06 });

/** Foot after foot over a line on the floor. */
const lineSteps = (h: number) => (): DrawnFigure =>
  front(
    [
      moved(standing({ legs: apart(0.08) }, 'front'), -0.2),
      standing({ legs: apart(0.24), h }, 'front'),
      moved(standing({ legs: apart(0.08) }, 'front'), 0.2),
    ],
    [{ is: 'mark', x: 0 }],
    { travels: true },
  );

export const MORE: Figures = {
  // Held out, turned, chopped
  'press-out-split': () =>
    side(
      [
        standing({ h: 0.95, legs: [flat(0.25), onBall(-0.36)], arms: both(turned(16, 116)) }),
        standing({ h: 0.95, legs: [flat(0.25), onBall(-0.36)], arms: both(AHEAD) }),
      ],
      [{ is: 'band', from: [0.2, 1.2], in: 'both' }],
    ),
  'seated-press-out': (s) =>
    side(
      [sitting(s, { arms: both(turned(16, 116)) }), sitting(s, { arms: both(AHEAD) })],
      [chair(s, 0, false), { is: 'band', from: [0.2, 0.9], in: 'both' }],
    ),
  'seated-one-side-hold': withProps(
    (s) => side([sitting(s, { arms: [turned(-4, 4), turned(18, 62)] })], [chair(s, 0, false)]),
    weight,
  ),
  'standing-turn': () =>
    front([
      standing({ legs: apart(0.16), arms: both(ahead) }, 'front'),
      standing({ legs: apart(0.16), arms: [turned(-50, -60), turned(60, 70)] }, 'front'),
    ]),
  'band-turn': () =>
    side(
      [standing({ h: 0.97, arms: both(turned(70, 84)) }), standing({ h: 0.97, arms: both(turned(50, 60)) })],
      [{ is: 'band', from: [1.3, 1.15], in: 'both' }],
    ),
  'standing-chop': chop(turned(14, 14), turned(140, 150)),
  'load-chop': withProps(chop(turned(14, 14), turned(120, 128)), bell),
  'low-to-high-lift': withProps(() => {
    const down = chop(turned(14, 14), turned(140, 146))(0);
    return { ...down, poses: [...down.poses].reverse() };
  }, bell),
  'seated-chop': (s) =>
    side(
      [sitting(s, { arms: both(turned(124, 132)) }), sitting(s, { lean: 16, arms: both(turned(30, 34)) })],
      [chair(s, 0, false)],
    ),
  'seated-turn': seated(
    (s) => seat(s, { arms: both({ turned: [40, -70], seen: [0.8, 0.7] }) }),
    (s) =>
      seat(s, {
        arms: [
          { turned: [60, 20], seen: [0.8, 0.7] },
          { turned: [10, -80], seen: [0.6, 0.7] },
        ],
      }),
  ),
  'seated-turn-reach': seated(
    (s) => seat(s, { arms: both(ahead) }),
    (s) => seat(s, { arms: [turned(-40, -50), turned(80, 88)] }),
  ),
  'seated-side-bend': seated(
    (s) => seat(s),
    (s) => seat(s, { lean: 6, curl: 20 }),
  ),
  'seated-jack': seated(
    (s) => seat(s),
    (s) => seat(s, { half: 52, arms: both(turned(140, 156)) }),
  ),
  'seated-side-raise': seated(
    (s) => seat(s),
    (s) => seat(s, { arms: both(turned(86, 88)) }),
  ),
  'chest-seated-open': seated((s) => seat(s, { arms: both(turned(80, 100)) })),
  'band-pull-apart-seated': seated(
    (s) => seat(s, { arms: both(turned(70, -20)) }),
    (s) => seat(s, { arms: both(turned(86, 88)) }),
  ),
  'seated-elbow-back': (s) =>
    side(
      [sitting(s, { arms: both(turned(20, 90)) }), sitting(s, { arms: both(turned(-44, 60)) })],
      [chair(s, 0, false)],
    ),
  'seated-band-press': (s) =>
    side(
      [sitting(s, { arms: both(turned(-18, 92)) }), sitting(s, { arms: both(AHEAD) })],
      [chair(s), { is: 'band', from: [-0.24, s + 0.36], in: 'both' }],
    ),
  'arm-sweep-down': (s) =>
    side(
      [sitting(s, { arms: both(turned(160, 166)) }), sitting(s, { arms: both(turned(-10, 40)) })],
      [chair(s, 0, false)],
    ),
  'seated-opposite-reach': (s) =>
    side(
      [
        sitting(s),
        { ...sitting(s, { arms: [turned(18, 62), turned(138, 142)] }), legs: [turned(84, 76), flat(0.4)] },
      ],
      [chair(s)],
    ),
  'seated-knee-press': (s) =>
    side([{ ...sitting(s, { arms: both(turned(34, 70)) }), legs: [turned(104, 10), flat(0.4)] }], [chair(s)]),
  'crossed-arm-seated-curl': (s) =>
    side(
      [
        sitting(s, { arms: both(turned(20, 118)) }),
        sitting(s, { curl: 26, nod: 12, arms: both(turned(20, 118)) }),
      ],
      [chair(s)],
    ),
  'seated-cross-knee': (s) =>
    side(
      [
        sitting(s, { arms: both(turned(30, 150)) }),
        { ...sitting(s, { curl: 16, arms: both(turned(30, 120)) }), legs: [turned(114, 14), flat(0.4)] },
      ],
      [chair(s)],
    ),
  'seated-rope-turn': (s) =>
    side(
      [
        sitting(s, { arms: both(turned(4, 70)) }),
        { ...sitting(s, { arms: both(turned(4, 70)) }), legs: both(onBall(0.38, 36)) },
      ],
      [chair(s)],
    ),
  'seated-step-tap': (s) =>
    side(
      [sitting(s), { ...sitting(s), legs: [flat(0.46, 0.12), flat(0.4)] }],
      [chair(s), { is: 'step', from: 0.42, to: 0.8, height: 0.12 }],
    ),
  'ball-pass-seated': (s) =>
    side(
      [sitting(s, { arms: both(turned(20, 128)) }), sitting(s, { arms: both(AHEAD) })],
      [chair(s), { is: 'wall', x: 1.3 }, { is: 'ball', in: 'both' }],
    ),
  'calf-seated-towel': withProps(
    (s) =>
      side(
        [{ ...sitting(s, { lean: 6, arms: both(turned(60, 66)) }), legs: [turned(80, 78, 176), flat(0.4)] }],
        [chair(s)],
      ),
    { is: 'towel', in: 'both' },
  ),
  'ankle-circles': (s) =>
    side(
      [
        { ...sitting(s), legs: [turned(88, 60, 150), flat(0.4)] },
        { ...sitting(s), legs: [turned(88, 60, 90), flat(0.4)] },
      ],
      [chair(s)],
    ),
  'knee-circles-seated': (s) =>
    side(
      [
        { ...sitting(s), legs: [turned(100, 10), flat(0.4)] },
        { ...sitting(s), legs: [turned(100, 40), flat(0.4)] },
      ],
      [chair(s)],
    ),
  'seated-seat-squeeze': (s) => side([sitting(s)], [chair(s)]),
  'seated-back-press': (s) => front([seat(s, { arms: both(turned(84, 172)) })], [chair(s, 0, false)]),

  // Standing
  'heel-toe-head': (s) => {
    const walk = UPRIGHT['heel-toe-walk']!(s);
    return { ...walk, poses: walk.poses.map((p, i) => (i === 0 ? p : { ...p, looks: 'at you' as const })) };
  },
  'backward-heel-toe': from(UPRIGHT, 'heel-toe-walk'),
  'clock-reach': from(UPRIGHT, 'toe-reach'),
  'one-leg-catch': withProps(
    () => side([standing({ legs: [turned(20, -50), flat(0)], over: 0.05, arms: both(turned(66, 88)) })]),
    { is: 'ball', in: 'both' },
  ),
  'wall-step-back': () =>
    side(
      [
        standing({ arms: both(to([0.4, 1.2], 150)) }),
        standing({
          h: 0.93,
          legs: [onBall(-0.4, 50), flat(0)],
          lean: 12,
          over: 0,
          arms: both(to([0.4, 1.2], 150)),
        }),
      ],
      [{ is: 'wall', x: 0.43 }],
      { travels: true },
    ),
  'standing-opposite-reach': () =>
    side(
      [
        standing({ arms: [HANG, to([0.42, 0.97], 90)] }),
        standing({
          legs: [turned(-34, -38), flat(0)],
          lean: 12,
          over: 0.05,
          arms: [turned(100, 96), to([0.42, 0.97], 90)],
        }),
      ],
      [hold(0.45)],
    ),
  'split-hinge': withProps(
    () =>
      side([
        standing({ h: 0.97, legs: [flat(0.12), onBall(-0.22)], arms: both(turned(2, 4)) }),
        standing({ h: 0.9, lean: 58, legs: [flat(0.12), onBall(-0.22)], arms: both(turned(2, 4)) }),
      ]),
    weights,
  ),
  'step-and-stick': () =>
    side(
      [
        standing({}),
        standing({
          h: 0.88,
          lean: 14,
          legs: [flat(0.4), turned(-14, -70)],
          over: 0.46,
          arms: both(turned(30, 50)),
        }),
      ],
      [],
      { travels: true },
    ),
  'small-forward-hop': () =>
    side([standing({ h: 0.86, lean: 20, arms: both(turned(-20, 0)) }), landing(0.3)], [], {
      back: false,
      travels: true,
      flight: { from: 0, height: 0.1 },
    }),
  'broad-jump': () =>
    side([crouch, landing(0.9)], [], { back: false, travels: true, flight: { from: 0, height: 0.26 } }),
  'line-step': lineSteps(0.97),
  'quick-line-step': lineSteps(0.96),
  'standing-heel-reach': () =>
    side(
      [
        standing({ legs: [turned(84, 4), flat(0)], over: 0.04, arms: [HANG, to([0.36, 0.97], 90)] }),
        standing({ legs: [turned(34, 30, 150), flat(0)], over: 0.03, arms: [HANG, to([0.36, 0.97], 90)] }),
      ],
      [hold(0.39)],
    ),
  'side-step-knee': () =>
    front(
      [
        standing({ legs: apart(0.24), h: 0.97 }, 'front'),
        standing(
          {
            legs: [{ turned: [10, 4], seen: [0.35, 1] }, apart(0.1)[1]],
            over: 0.1,
            arms: both(turned(20, 60)),
          },
          'front',
        ),
      ],
      [],
      { travels: true },
    ),
  'side-lunge-load': withProps(from(UPRIGHT, 'side-lunge'), bell),
  'side-step-tap': (s) =>
    front(
      [standing({ legs: apart(0.1) }, 'front'), standing({ legs: apart(0.26, [s, 0]), h: 0.98 }, 'front')],
      [{ is: 'step', from: -0.6, to: -0.16, height: s }],
    ),
  'gate-opener': () =>
    front([
      standing({ legs: [{ turned: [14, 0], seen: [0.3, 1] }, apart(0.1)[1]], over: 0.08 }, 'front'),
      standing({ legs: [{ turned: [76, 4], seen: [0.9, 1] }, apart(0.1)[1]], over: 0.06 }, 'front'),
    ]),
  'standing-cross-knee': () =>
    side([
      standing({ arms: both(turned(40, 160)) }),
      standing({ legs: [turned(98, 14), flat(0)], curl: 16, over: 0.05, arms: both(turned(30, 120)) }),
    ]),
  'inner-thigh-side': () =>
    front(
      [standing({ legs: apart(0.44), h: 0.84, over: null, x: 0.14, arms: both(turned(14, 30)) }, 'front')],
      [hold(-0.5), hold(0.5)],
    ),
  'rear-raise': withProps(
    () =>
      side([
        standing({ h: 0.93, lean: 56, arms: both(turned(2, 4)) }),
        standing({ h: 0.93, lean: 56, arms: both(turned(-40, -40)) }),
      ]),
    weights,
  ),
  'rear-raise-slow': withProps(
    () =>
      side([
        standing({ h: 0.93, lean: 56, arms: both(turned(2, 4)) }),
        standing({ h: 0.93, lean: 56, arms: both(turned(-40, -40)) }),
      ]),
    weights,
  ),
  'hold-and-raise': withProps(
    () =>
      front([
        standing({ arms: [turned(8, 5), turned(86, 88)] }, 'front'),
        standing({ arms: both(turned(86, 88)) }, 'front'),
      ]),
    weights,
  ),
  'hold-and-curl': withProps(
    () =>
      side([
        standing({ arms: [turned(2, 6), turned(2, 94)] }),
        standing({ arms: [turned(2, 146), turned(2, 94)] }),
      ]),
    weights,
  ),
  'one-arm-band-press': () =>
    side(
      [standing({ arms: [turned(-18, 92), HANG] }), standing({ arms: [AHEAD, HANG] })],
      [{ is: 'band', from: [-0.9, 1.25], in: 'near' }],
    ),
  'chest-doorway': () =>
    side(
      [standing({ legs: [flat(0.16), flat(-0.16)], h: 0.985, arms: [turned(80, 176), HANG] })],
      [{ is: 'wall', x: 0.34 }],
    ),
  'triceps-overhead': (s) => side([sitting(s, { arms: [turned(168, 12), turned(150, 60)] })], [chair(s)]),
  'shoulder-across': (s) => side([sitting(s, { arms: [turned(80, 84), turned(60, 110)] })], [chair(s)]),
  'lat-seated-reach': (s) =>
    seated((h) => seat(h, { lean: 8, curl: 18, arms: [turned(174, 180), turned(8, 5)] }))(s),

  // Bars
  'hang-shrug': () => {
    const a = from(UPRIGHT, 'hang')(0);
    const p = a.poses[0]!;
    return { ...a, poses: [p, { ...p, hip: [p.hip[0], p.hip[1] + 0.05] as const }] };
  },

  // On the floor
  'climber-cross': from(PUSH, 'climber-run'),
  'knee-hover-tap': () =>
    side([fours({ hover: 0.07 }), fours({ hover: 0.07, arms: [turned(30, 150), null] })]),
  'forearm-hover': () => side([fours({ hover: 0.07, forearms: true })], [MAT]),
  'forearm-bird-dog': () =>
    side(
      [
        fours({ forearms: true }),
        fours({ forearms: true, arms: [null, turned(104, 102)], legs: [turned(-84, -88), null] }),
      ],
      [MAT],
    ),
  'shoulder-tap-knees': () => {
    const p = line({ knees: true });
    return side([p, { ...p, arms: [turned(20, 168), p.arms[1]] }], [MAT]);
  },
  'shoulder-tap-raised': (s) => {
    const p = line({ hands: s });
    return side([p, { ...p, arms: [turned(30, 168), p.arms[1]] }], [onSurface(s, p.arms[0].at![0])]);
  },
  'crab-kick': () => {
    const a = from(FLOOR, 'crab-hold')(0);
    const p = a.poses[0]!;
    return { ...a, poses: [p, { ...p, legs: [turned(124, 112), p.legs[1]] as const }] };
  },
  'kneel-stand-held': () =>
    side(
      [
        onKnees({ tucked: true, arms: [HANG, to([0.46, 0.87], 90)] }),
        onKnees({ foot: 0.4, tucked: true, arms: [HANG, to([0.46, 0.87], 90)] }),
        standing({
          h: 0.74,
          lean: 14,
          legs: [flat(0.4), to([-0.4, 0.18], 12)],
          over: 0.3,
          arms: [HANG, to([0.46, 0.87], 90)],
        }),
      ],
      [MAT, hold(0.49, 0.85)],
      { travels: true },
    ),
  'floor-elbow-press': () => side([supine({ arms: both(turned(88, 180, 180)) })], [MAT]),
  'lying-pull-over': withProps(
    () => side([supine({ arms: both(turned(180, 180)) }), supine({ arms: both(turned(250, 254)) })], [MAT]),
    bell,
  ),
  'slide-curl-one': () =>
    side(
      [
        supine({ up: 0.22, legs: [to([0.44, 0.07], 110), turned(150, 150)] }),
        supine({ up: 0.12, legs: [to([0.78, 0.07], 110), turned(140, 140)] }),
      ],
      [MAT],
      { travels: true },
    ),
  'one-leg-hip-thrust': () => {
    const a = from(FLOOR, 'hip-thrust')(0);
    return { ...a, poses: a.poses.map((p) => ({ ...p, legs: [turned(110, 108), p.legs[1]] as const })) };
  },
  'hamstring-lying-towel': withProps(
    () =>
      side([supine({ legs: [turned(168, 166, 250), turned(92, 92)], arms: both(turned(140, 150)) })], [MAT]),
    { is: 'towel', in: 'both' },
  ),
  'seat-figure-four-lying': () =>
    side([supine({ legs: [turned(170, 60), flat(0.42)], arms: both(turned(110, 110)) })], [MAT]),
  'floor-turn-feet-up': () => turning(supine({ rise: 56, legs: both(turned(126, 70)) })),
  'floor-turn-load': withProps(() => turning(supine({ rise: 62 })), bell),
  'sit-up-feet-held': () =>
    side(
      [
        supine({ arms: both(turned(110, 230)) }),
        supine({ rise: 52, arms: both(turned(70, 190)) }),
        supine({ rise: 82, arms: both(turned(40, 150)) }),
      ],
      [MAT],
    ),
  'rope-heel-bounce': () =>
    side([
      standing({ arms: both(turned(2, 62)) }),
      standing({ arms: both(turned(2, 62)), legs: both(onBall(0, 25)), h: 1.085 }),
    ]),
};
