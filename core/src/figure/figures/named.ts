import {
  apart,
  both,
  FLESH,
  flat,
  fours,
  HANG,
  type KeyPose,
  LENGTHS,
  type Limb,
  line,
  moved,
  onBall,
  onKnees,
  prone,
  sitting,
  standing,
  supine,
  to,
  turned,
} from '../../pose/index.ts';
import { above } from './across.ts';
import { crouched, planked, sidePlank } from './floor.ts';
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
import { hold, seat, seated } from './more.ts';
import { narrow, SWUNG, split, wide } from './upright.ts';

/** Moves that trainers name and that are none of a ladder's first ones: kicks, holds, lifts, get-ups. */

const DOWN: Limb = turned(8, 5);
const OVER_HEAD: Limb = turned(262, 262);
const GUARD: Limb = turned(16, 150);
const JAB: Limb = turned(86, 90);
const RACK: Limb = turned(20, 168);
const GOES = { travels: true } as const;
const TRUNK = LENGTHS.loin + LENGTHS.chest;

/** On the back, one leg and the other. */
const lying = (near: Limb, far: Limb, more: Parameters<typeof supine>[0] = {}): KeyPose =>
  supine({ legs: [near, far], ...more });
const onMat = (...poses: KeyPose[]) => side(poses, [MAT]);

/** On the back with the head at the right, seen from above, the arms wide. */
const fromAbove = (
  legs: KeyPose['legs'],
  arms: KeyPose['arms'] = [turned(180, 180), turned(0, 0)],
): KeyPose => ({
  hip: [0, 0],
  lean: 90,
  curl: 0,
  nod: 0,
  arms,
  legs,
});
/** Beside the body. */
const ALONG: KeyPose['arms'] = [turned(108, 104), turned(-72, -76)];
/** A bent knee that points at the eye, seen from above. */
const KNEE_UP: Limb = { turned: [82, 96], seen: [0.55, 0.55] };
const KNEE_UP_FAR: Limb = { turned: [-82, -96], seen: [0.55, 0.55] };

const hinged = (arms: Limb): KeyPose => standing({ h: 0.93, lean: 58, arms: both(arms), nod: -11 });
const squatted = (h: number, arms: Limb = turned(80, 88)): KeyPose =>
  standing({ h, lean: 42, arms: both(arms), nod: -10 });

/** A leg lifted before the standing one, guard up. */
const kicking = (thigh: number, shank: number, lean = -4): KeyPose =>
  standing({ legs: [turned(thigh, shank), flat(0)], arms: both(GUARD), over: 0.03, lean });
const boxing = (arms: KeyPose['arms'], more: Partial<Parameters<typeof standing>[0]> = {}): KeyPose =>
  standing({ h: 0.96, legs: [flat(0.14), flat(-0.14)], arms, ...more });

/** Face up on the hands, the body a line down to the heels. */
const facingUp: KeyPose = (() => {
  const shoulder = [0.02, 0.58] as const;
  const whole = TRUNK + LENGTHS.thigh + LENGTHS.shank - 0.01;
  const sin = (shoulder[1] - 0.1) / whole;
  const cos = Math.sqrt(1 - sin * sin);
  return {
    hip: [shoulder[0] + TRUNK * cos, shoulder[1] - TRUNK * sin],
    lean: -90 + (Math.asin(sin) * 180) / Math.PI,
    curl: 0,
    nod: 4,
    arms: both(to([-0.04, FLESH.wrist], -90)),
    legs: both(to([shoulder[0] + whole * cos, 0.1], 160)),
  };
})();

/** Leaning back from straps, heels down: arms long, and bent. */
const onStraps = (angle: number): KeyPose => {
  const leg = LENGTHS.thigh + LENGTHS.shank - 0.005;
  const ankle = [0.62, LENGTHS.ankle] as const;
  const turn = (angle * Math.PI) / 180;
  return {
    hip: [ankle[0] - leg * Math.sin(turn), ankle[1] + leg * Math.cos(turn)],
    lean: -angle,
    curl: 0,
    nod: 8,
    arms: both(to([0.3, 1.16], 60)),
    legs: both(to(ankle, 100)),
  };
};

// Up from the back with one arm to the ceiling.
const backOneArm = supine({
  arms: [turned(180, 180), turned(86, 90, 90)],
  legs: [flat(0.42), turned(90, 90)],
});
const onElbow = supine({
  rise: 38,
  arms: [turned(180, 180), turned(-12, 98)],
  legs: [flat(0.42), turned(90, 90)],
});
const onHand = supine({
  rise: 66,
  arms: [turned(180, 180), to([-0.42, FLESH.wrist], -90)],
  legs: [flat(0.42), turned(90, 90)],
});
const getUp = [
  backOneArm,
  onElbow,
  onHand,
  onKnees({ foot: 0.42, arms: [turned(178, 180), HANG], tucked: true }),
  standing({ over: 0.48, legs: both(flat(0.42)), arms: [turned(178, 180), HANG] }),
];

/** Feet wide, one hand up and the other down its leg. */
const windmill = (lean: number): KeyPose => ({
  ...wide(0.34, turned(178, 180)),
  arms: [turned(176 + lean / 6, 178), turned(6, 2)],
  lean: lean * 0.45,
  curl: lean * 0.55,
});
/** Sitting, guard up. */
const guarded = (s: number, more: Parameters<typeof sitting>[1] = {}): KeyPose =>
  sitting(s, { arms: both(GUARD), ...more });
/** On the front half of a chair, hands on the seat. */
const leantBack = (s: number, legs: KeyPose['legs']): KeyPose => ({
  ...sitting(s, { lean: -16, arms: both(to([-0.14, s + FLESH.wrist], 90)) }),
  legs,
});

export const NAMED: Figures = {
  // On the back
  'flutter-kick': () =>
    onMat(lying(turned(116, 114), turned(100, 98)), lying(turned(100, 98), turned(116, 114))),
  'scissor-kick': () =>
    onMat(lying(turned(170, 168), turned(106, 104)), lying(turned(106, 104), turned(170, 168))),
  'v-sit-hold': () => onMat(supine({ rise: 44, legs: both(turned(134, 132)), arms: both(turned(84, 84)) })),
  'boat-hold': () => onMat(supine({ rise: 50, legs: both(turned(138, 92)), arms: both(turned(78, 82)) })),
  'hollow-hold': () =>
    onMat({ ...supine({ legs: both(turned(108, 106)), arms: both(OVER_HEAD) }), curl: 20, nod: 10 }),
  'toe-touch-crunch': () => {
    const legs = both(turned(178, 176));
    return onMat(supine({ legs, arms: both(turned(178, 178)) }), {
      ...supine({ legs, arms: both(turned(148, 150)) }),
      curl: 34,
      nod: 12,
    });
  },
  'heel-touch-crunch': () => {
    const lie = (bend: number): KeyPose => ({
      ...fromAbove([KNEE_UP, KNEE_UP_FAR], ALONG),
      curl: bend,
    });
    return above('front', [lie(14), lie(-14)]);
  },
  'butterfly-sit-up': () => {
    const legs = both({ ...to([0.4, 0.08], 90), ahead: 0.8 });
    return onMat(
      supine({ legs, arms: both(OVER_HEAD) }),
      supine({ legs, rise: 50, arms: both(turned(100, 110)) }),
      supine({ legs, rise: 84, arms: both(turned(50, 56)) }),
    );
  },
  'single-leg-bicycle': () =>
    onMat(
      lying(turned(200, 88), flat(0.42)),
      lying(turned(152, 140), flat(0.42)),
      lying(turned(112, 108), flat(0.42)),
    ),
  'bent-knee-fall-out': () =>
    above('front', [
      fromAbove([KNEE_UP, KNEE_UP_FAR], ALONG),
      fromAbove([{ turned: [38, 140], seen: [0.85, 0.85] }, KNEE_UP_FAR], ALONG),
    ]),
  'knee-drop-both': () =>
    above('front', [
      fromAbove([turned(24, 84, 84), turned(-10, -96, -96)]),
      fromAbove([KNEE_UP, KNEE_UP_FAR]),
      fromAbove([turned(-10, 96, 96), turned(24, -84, -84)]),
    ]),
  'single-leg-tuck-up': () =>
    onMat(
      supine({ legs: both(turned(92, 92)), arms: both(OVER_HEAD) }),
      supine({ rise: 26, legs: [turned(116, 80), turned(92, 92)], arms: both(turned(170, 176)) }),
      supine({ rise: 58, legs: [turned(150, 60), turned(92, 92)], arms: both(turned(64, 84)) }),
    ),
  'tuck-up': () =>
    onMat(
      supine({ legs: both(turned(92, 92)), arms: both(OVER_HEAD) }),
      supine({ rise: 26, legs: both(turned(116, 80)), arms: both(turned(170, 176)) }),
      supine({ rise: 60, legs: both(turned(150, 56)), arms: both(turned(64, 84)) }),
    ),
  'lying-elbow-press': withProps(
    () => onMat(supine({ arms: both(turned(184, 184, 184)) }), supine({ arms: both(turned(192, 268, 268)) })),
    weights,
  ),
  'chest-fly': withProps(() => {
    const legs = [KNEE_UP, KNEE_UP_FAR] as const;
    return above('front', [
      fromAbove(legs, [
        { turned: [180, 180], seen: [0.16, 0.16] },
        { turned: [0, 0], seen: [0.16, 0.16] },
      ]),
      fromAbove(legs),
    ]);
  }, weights),
  'get-up-elbow': () => onMat(...getUp.slice(0, 2)),
  'get-up-half': () => onMat(...getUp.slice(0, 3)),
  'get-up': () => side(getUp, [MAT], { ...GOES, parts: true }),
  'get-up-load': () => side(getUp, [MAT, { is: 'bell', in: 'near' }], { ...GOES, parts: true }),

  // On the front, on the hands
  cobra: () =>
    onMat(
      prone({ arms: both(to([0.3, FLESH.wrist], 90, -1)) }),
      prone({ rise: 30, arms: both(to([0.3, FLESH.wrist], 90, -1)) }),
    ),
  'donkey-kick': () => onMat(fours({}), fours({ legs: [turned(-92, -178, 180), null] })),
  'fire-hydrant': () =>
    onMat(fours({}), fours({ legs: [{ turned: [4, -86], seen: [0.4, 1], end: -90 }, null] })),
  'all-fours-push-up': () => onMat(fours({}), { ...fours({}), lean: 112, nod: -16 }),
  'plank-walk': () => {
    const p = line({});
    const [hand, foot] = [p.arms[0].at!, p.legs[0].at!];
    const lifted: KeyPose = {
      ...p,
      arms: [to([hand[0], hand[1] + 0.05], 80), p.arms[1]],
      legs: [to([foot[0], foot[1] + 0.05], 20), p.legs[1]],
    };
    return side([p, lifted], [], GOES);
  },
  'spider-push-up': () => {
    const low = line({ straight: 0.5 });
    const out: Limb = { turned: [70, -88], seen: [0.55, 0.9], end: -60 };
    return side([line({}), { ...low, legs: [out, low.legs[1]] }]);
  },
  'renegade-row': withProps(() => {
    const p = line({});
    return side([p, { ...p, arms: [turned(-64, 16), p.arms[1]] }]);
  }, weights),
  'push-up-row': withProps(() => {
    const p = line({});
    return side([line({ straight: 0.45 }), p, { ...p, arms: [turned(-64, 16), p.arms[1]] }]);
  }, weights),
  'reverse-plank': () => side([facingUp]),
  'side-plank-knee-drive': () => {
    const p = sidePlank();
    const knee: Limb = { turned: [-4, -70], seen: [0.55, 0.8], atEye: true };
    return side(
      [
        { ...p, arms: [turned(150, 156), p.arms[1]] },
        { ...p, arms: [turned(60, 20), p.arms[1]], legs: [knee, p.legs[1]] },
      ],
      [MAT],
    );
  },
  'up-down-dog': () => {
    const legs = both(onBall(-0.62, 36));
    const arms = both(to([0.52, FLESH.wrist], 90));
    return side([
      { hip: [-0.04, 0.84], lean: 126, curl: 0, nod: 0, arms, legs },
      { hip: [0.22, 0.5], lean: 86, curl: 0, nod: -4, arms, legs },
      { hip: [0.26, 0.25], lean: 54, curl: -24, nod: -6, arms, legs },
    ]);
  },
  sprawl: () => {
    const flatOut = planked(0.24);
    const low = moved(line({ pike: -0.14 }), flatOut.arms[0].at![0] - line({}).arms[0].at![0]);
    return side([standing({}), crouched, low, crouched, standing({})], [], {
      back: false,
      flight: { from: 1, height: 0.06 },
      travels: true,
    });
  },

  // Kicks and punches
  'front-kick': () => side([standing({ arms: both(GUARD) }), kicking(88, -24), kicking(80, 82, -12)]),
  'side-kick': () => {
    const at = (near: Limb, lean: number) =>
      standing({ legs: [near, apart(0.1)[1]], arms: both(turned(24, 150)), over: 0.06, lean }, 'front');
    return front([at(apart(0.1)[0], 0), at(turned(56, -24), 6), at(turned(62, 64), 14)]);
  },
  'monster-kick': () => {
    const kick = standing({ legs: [turned(82, 82), flat(0)], arms: SWUNG, over: 0.04, lean: 2 });
    const other: KeyPose = { ...kick, legs: [flat(0), turned(82, 82)], arms: [SWUNG[1], SWUNG[0]] };
    return side([kick, standing({}), other], [], GOES);
  },
  'hook-punch': () => {
    const hook: Limb = { turned: [82, 96], seen: [0.4, 0.9] };
    return side([boxing(both(GUARD)), boxing([hook, GUARD], { h: 0.94 })]);
  },
  uppercut: () => side([boxing([turned(-14, 84), GUARD], { lean: 6 }), boxing([turned(62, 158), GUARD])]),
  'jab-cross-duck': () =>
    side(
      [
        boxing(both(GUARD)),
        boxing([JAB, GUARD]),
        boxing([GUARD, JAB]),
        boxing(both(GUARD), { h: 0.72, lean: 30 }),
      ],
      [],
      { back: false, parts: true },
    ),

  // Standing, lunging, squatting
  'squat-pulse': () => side([standing({}), squatted(0.58), squatted(0.66), squatted(0.58)]),
  'one-and-a-half-squat': () =>
    side([standing({}), squatted(0.58), squatted(0.76), squatted(0.58), standing({})], [], { back: false }),
  'step-squat': () => front([narrow(turned(24, 150)), wide(0.34, turned(24, 150), 0.66)], [], GOES),
  'forward-back-lunge': () =>
    side([split(0.64), standing({}), { ...split(0.64), legs: [onBall(-0.44, 52), flat(0.36)] }], [], GOES),
  'lunge-knee-elbow': () =>
    side(
      [
        split(0.64, { arms: both(turned(120, 150)) }),
        standing({
          legs: [turned(98, 10), flat(0.36)],
          over: 0.42,
          curl: 16,
          arms: both(turned(30, 116)),
        }),
      ],
      [],
      GOES,
    ),
  'standing-leg-back': () => {
    const arms = both(to([0.42, 0.97], 90));
    return side(
      [standing({ arms }), standing({ arms, legs: [turned(-36, -44), flat(0)], over: 0.05, lean: 6 })],
      [hold(0.45)],
    );
  },
  'standing-side-crunch': () =>
    front([
      { ...narrow(DOWN), arms: [turned(150, 206), DOWN] },
      {
        ...standing({ legs: [turned(64, -8), apart(0.1)[1]], over: 0.12 }, 'front'),
        arms: [turned(96, 190), DOWN],
        lean: -4,
        curl: -16,
      },
    ]),
  'side-shuffle': () => {
    const at = (x: number, half: number): KeyPose =>
      moved(standing({ legs: apart(half), arms: both(turned(24, 120)), h: 0.8 }, 'front'), x);
    return front([at(-0.24, 0.3), at(0, 0.12), at(0.24, 0.3)], [], {
      travels: true,
      flight: { from: 'each', height: 0.06 },
    });
  },
  'one-leg-hop': () => {
    const low = standing({ h: 0.94, legs: [turned(20, -60), flat(0)], over: 0.05, lean: 6 });
    const high = standing({ h: 1.12, legs: [turned(30, -40), onBall(0, 55)], over: 0.1, arms: SWUNG });
    return side([low, high, low], [], { back: false, flight: { from: 1, height: 0.07 } });
  },
  'frog-jump': () => {
    const low = standing({ h: 0.5, lean: 52, curl: 20, over: 0.06, arms: both(turned(14, 14)) });
    const high: KeyPose = {
      ...standing({ legs: both(turned(20, -40)), arms: both(turned(120, 130)), over: null }),
      hip: [0.2, 1.12],
    };
    return side([low, high, moved(low, 0.5)], [], { back: false, travels: true });
  },
  'toe-raise': () => {
    const arms = both(to([0.42, 0.97], 90));
    const at = (foot: number) => standing({ arms, legs: both(to([0, LENGTHS.ankle], foot)) });
    return side([at(90), at(122)], [hold(0.45)]);
  },
  'windmill-free': () => front([windmill(0), windmill(46)]),
  windmill: withProps(() => front([windmill(0), windmill(46)]), weight),
  'torso-sweep': () =>
    side([
      standing({ h: 0.74, lean: 30, arms: both(turned(16, 16)) }),
      standing({ arms: both(turned(142, 148)) }),
    ]),

  // Loads
  'row-kickback': withProps(
    () => side([hinged(turned(2, 2)), hinged(turned(-58, 22)), hinged(turned(-58, -54))]),
    weights,
  ),
  'upright-row': withProps(() => front([narrow(turned(8, -12)), narrow(turned(86, -72))]), weights),
  shrug: withProps(() => front([narrow(turned(6, 4)), { ...narrow(turned(6, 4)), shrug: 0.05 }]), weights),
  'face-pull': () => front([narrow({ turned: [70, 70], seen: [0.25, 0.25] }), narrow(turned(84, 166))]),
  'strap-row': () =>
    side(
      [onStraps(40), onStraps(32), onStraps(25)],
      [
        { is: 'bar', x: 0.3, height: 1.16 },
        { is: 'band', from: [0.95, 2.1], in: 'both' },
      ],
    ),
  halo: withProps(() => front([narrow(turned(36, 184)), narrow(turned(160, 236))]), bell),
  clean: withProps(
    () =>
      side(
        [
          hinged(turned(2, 2)),
          standing({ legs: both(onBall(0, 40)), h: 1.1, arms: both(turned(-40, 60)) }),
          standing({ h: 0.9, lean: 6, arms: both(RACK) }),
          standing({ arms: both(RACK) }),
        ],
        [],
        { back: false },
      ),
    weights,
  ),
  'high-pull': withProps(
    () => side([hinged(turned(-30, -28)), standing({ arms: both(turned(-70, 80)) })]),
    bell,
  ),

  // Sitting
  'seated-front-kick': (s) =>
    side(
      [
        guarded(s),
        guarded(s, { legs: [turned(104, 24), flat(0.4)] }),
        guarded(s, { legs: [turned(90, 88), flat(0.4)] }),
      ],
      [chair(s)],
    ),
  'seated-flutter': (s) =>
    side(
      [leantBack(s, [turned(106, 98), turned(94, 88)]), leantBack(s, [turned(94, 88), turned(106, 98)])],
      [chair(s, 0, false)],
    ),
  'seated-halo': withProps(
    seated(
      (s) => seat(s, { arms: both(turned(36, 184)) }),
      (s) => seat(s, { arms: both(turned(160, 236)) }),
    ),
    bell,
  ),
  'seated-duck': (s) =>
    side([guarded(s), guarded(s, { arms: [JAB, GUARD] }), guarded(s, { lean: 36, curl: 10 })], [chair(s)]),
  'seated-punch-march': (s) =>
    side(
      [
        guarded(s, { arms: [GUARD, JAB], legs: [turned(112, 18), flat(0.4)] }),
        guarded(s),
        guarded(s, { arms: [JAB, GUARD], legs: [flat(0.4), turned(112, 18)] }),
      ],
      [chair(s)],
    ),
  'seated-shrug': withProps(
    seated(
      (s) => seat(s, { arms: both(turned(8, 4)) }),
      (s) => seat(s, { arms: both(turned(8, 4)), shrug: 0.05 }),
    ),
    weights,
  ),
  'single-leg-bicycle-seated': (s) =>
    side(
      [
        leantBack(s, [turned(112, 16), flat(0.4)]),
        leantBack(s, [turned(88, 72), flat(0.4)]),
        leantBack(s, [turned(72, 40), flat(0.4)]),
      ],
      [chair(s, 0, false)],
    ),
  'band-external-rotation': seated(
    (s) => seat(s, { arms: both({ turned: [6, 40], seen: [1, 0.2] }) }),
    (s) => seat(s, { arms: both(turned(6, 74)) }),
  ),
  'band-internal-rotation': seated(
    (s) => seat(s, { arms: [turned(6, 74), turned(8, 20)] }),
    (s) => seat(s, { arms: [{ turned: [6, 40], seen: [1, 0.2] }, turned(8, 20)] }),
  ),
} satisfies Readonly<Record<string, Drawn>>;
