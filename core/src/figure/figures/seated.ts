import type { DrawnFigure, Prop } from '../../pose/index.ts';
import {
  ARM,
  apart,
  both,
  FLESH,
  flat,
  fours,
  type KeyPose,
  LENGTHS,
  type Limb,
  line,
  moved,
  onBall,
  prone,
  sitting,
  solve,
  standing,
  to,
  turned,
} from '../../pose/index.ts';
import { FLOOR } from './floor.ts';
import { bell, chair, type Drawn, type Figures, front, MAT, side, withProps } from './kit.ts';
import { MORE, onSurface, seat, seated } from './more.ts';
import { atWall, climb, GAP } from './push.ts';
import { hanging } from './upright.ts';

/** Small moves on a chair, what is done against a wall, on bars, and planks on one limb less. */

const CROSSED = both({ turned: [34, -76], seen: [0.8, 0.7] });
const TOWEL: Prop = { is: 'towel', in: 'both' };
const onChair =
  (...poses: ((s: number) => KeyPose)[]): Drawn =>
  (s) =>
    side(
      poses.map((p) => p(s)),
      [chair(s)],
    );

/** How far ahead a nearly straight arm of a pose touches at that height. */
function touchAhead(pose: KeyPose, y: number): number {
  const [x, shoulder] = solve(pose, 'side').neck;
  return x + Math.sqrt(Math.max(0, (0.98 * ARM) ** 2 - (shoulder - y) ** 2));
}
/** Folded at the hips, arms long to something at that height; then with the head come to it. */
function foldedOn(y: number, hand: number, of: Partial<Parameters<typeof standing>[0]>) {
  const at = (over: number, x: number): KeyPose =>
    standing({ h: 0.93, nod: -4, over, ...of, arms: both(to([x, y], hand)) });
  // Where the arms reach shifts where the body stands a little: found in a few rounds.
  let x = touchAhead(at(0.04, 1), y);
  for (let i = 0; i < 4; i++) x = touchAhead(at(0.04, x), y);
  return { x, away: at(0.04, x), near: at(0.1, x) };
}

const backToWall = (of: Partial<Parameters<typeof standing>[0]>): KeyPose =>
  standing({ legs: both(flat(0.12)), over: null, x: 0, h: 0.99, ...of });
const BEHIND: Prop = { is: 'wall', x: -0.19 };

/** Under a bar, heels on something so high, knees bent or not. */
const underBar = (bent: boolean, feet: number): DrawnFigure => {
  const bar = 0.7;
  const trunk = LENGTHS.loin + LENGTHS.chest;
  const whole = trunk + LENGTHS.thigh + LENGTHS.shank - 0.01;
  const heel = [1.26, feet + 0.09] as const;
  const at = (k: number): KeyPose => {
    const y = bar - 0.58 + k * 0.34;
    // A straight body turns about its heels; a bent one lifts its hips to a table.
    const sin = (y - heel[1]) / whole;
    const x = bent ? 0 : heel[0] - whole * Math.sqrt(1 - sin * sin);
    const hipY = bent ? 0.2 + k * 0.3 : y - trunk * sin;
    const hip = [x + Math.sqrt(trunk ** 2 - (y - hipY) ** 2), hipY] as const;
    return {
      hip,
      lean: (Math.atan2(x - hip[0], y - hipY) * 180) / Math.PI,
      curl: 0,
      nod: 4,
      arms: both(to([0.02, bar - 0.02], 180)),
      legs: both(bent ? flat(0.82) : to(heel, 170)),
    };
  };
  return side(
    [at(0), at(0.5), at(1)],
    [
      { is: 'bar', x: 0.02, height: bar },
      ...(feet > 0 ? [{ is: 'surface', from: 1.14, to: 1.6, height: feet } as const] : []),
    ],
  );
};

/** Under a bar so high that the feet reach the floor, or what is drawn. */
const hung = (bar: number, leg: Limb, props: readonly Prop[] = []): DrawnFigure => {
  const f = hanging(both(leg), bar);
  return { ...f, props: [...f.props, ...props] };
};

const pike = (k: number, feet: number): KeyPose => ({
  hip: [0.3 + k * 0.03, 1.02 - k * 0.12],
  lean: 166,
  curl: 0,
  nod: 0,
  arms: both(to([0.44, FLESH.wrist], 90)),
  legs: both(to([-0.4, feet + LENGTHS.foot * 0.7], 12)),
});

/** Hands on the belly: forearms turned in, little of them seen from the side. */
const onBelly = (upper: number) => both({ turned: [upper, 104], seen: [1, 0.5] });

export const SEATED: Figures = {
  'elbow-wrist-circles': onChair(
    (s) => sitting(s, { arms: both(turned(34, 130)) }),
    (s) => sitting(s, { arms: both(turned(34, 60)) }),
  ),
  'forearm-prayer': (s) => {
    const ahead: Limb = turned(58, 80, 0);
    const wrist = solve(sitting(s, { arms: both(ahead) }), 'side').arms[0].end;
    return side([sitting(s, { arms: [ahead, to([wrist[0] - 0.02, wrist[1] - 0.05], 60)] })], [chair(s)]);
  },
  'neck-side': seated(
    (s) => seat(s),
    (s) => seat(s, { nod: 34 }),
  ),
  'seated-breathing': onChair(
    (s) => sitting(s, { curl: 4, nod: 0, arms: onBelly(-6) }),
    (s) => sitting(s, { curl: -2, nod: -2, arms: onBelly(-2) }),
  ),
  'seated-pelvic-floor-lift': onChair(
    (s) => sitting(s, { curl: 0, nod: 0, arms: both(turned(16, 60)) }),
    (s) => sitting(s, { curl: -2, nod: -1, arms: both(turned(14, 60)) }),
  ),
  'shoulder-rolls': onChair(
    (s) => sitting(s, { curl: 6, nod: 4, arms: both(turned(22, 58)) }),
    (s) => sitting(s, { curl: -6, nod: -2, arms: both(turned(2, 58)) }),
  ),
  'hip-front-seated': (s) =>
    side(
      [
        {
          ...sitting(s, { arms: [turned(-10, 20), turned(18, 62)] }),
          legs: [turned(-24, -90, 4), flat(0.4)],
        },
      ],
      [chair(s, 0, false)],
    ),
  'inner-thigh-seated': seated((s) =>
    seat(s, { half: 66, open: 0.55, arms: both({ turned: [24, 10], seen: [0.9, 0.8] }) }),
  ),
  'seat-figure-four-chair': seated((s) => {
    const p = seat(s);
    return {
      ...p,
      legs: [{ turned: [74, -84], seen: [0.62, 0.72], end: -40 }, p.legs[1]],
      arms: both({ turned: [16, 4], seen: [0.8, 0.8] }),
    };
  }),
  'seated-heel-drag': onChair(
    (s) => ({ ...sitting(s), legs: [to([0.66, 0.09], 124), flat(0.4)] }),
    (s) => ({ ...sitting(s), legs: [to([0.36, 0.09], 112), flat(0.4)] }),
  ),
  'seated-hip-hitch': seated(
    (s) => seat(s),
    (s) => seat(s, { lean: 15, curl: -22, hip: [0.03, s + 0.12] }),
  ),
  'seated-knee-out': (s) => {
    const f = seated(
      (h) => seat(h, { half: 8 }),
      (h) => seat(h, { half: 66, open: 0.5 }),
    )(s);
    return { ...f, props: [...f.props, { is: 'loop', round: 'thighs' }] };
  },
  'seated-side-press': (s) =>
    front(
      [seat(s, { arms: [turned(10, 6), turned(26, 70)] })],
      [chair(s, 0, false), { is: 'hold', x: 0.62, height: s + 0.34 }],
    ),
  'seated-turn-load': withProps((s) => MORE['seated-turn']!(s), bell),
  'seated-turn-look': seated(
    (s) => seat(s, { arms: CROSSED }),
    (s) =>
      seat(s, {
        nod: 6,
        arms: [
          { turned: [46, -40], seen: [0.8, 0.6] },
          { turned: [4, -90], seen: [0.5, 0.7] },
        ],
      }),
  ),
  'seated-weight-shift': seated(
    (s) => seat(s, { lean: -9, curl: 5, hip: [-0.05, s + 0.1] }),
    (s) => seat(s, { lean: 9, curl: -5, hip: [0.05, s + 0.1] }),
  ),
  'towel-curl': withProps(
    onChair(
      (s) => ({ ...sitting(s, { arms: both(turned(2, 46)) }), legs: [turned(92, 10), flat(0.4)] }),
      (s) => ({ ...sitting(s, { arms: both(turned(2, 100)) }), legs: [turned(104, 16), flat(0.4)] }),
    ),
    TOWEL,
  ),
  'towel-foot-pull': withProps(
    onChair(
      (s) => ({ ...sitting(s, { arms: both(turned(56, 62)) }), legs: [turned(84, 62, 150), flat(0.4)] }),
      (s) => ({ ...sitting(s, { arms: both(turned(-16, 70)) }), legs: [turned(84, 62, 150), flat(0.4)] }),
    ),
    TOWEL,
  ),
  'towel-pull-apart': withProps(
    seated(
      (s) => seat(s, { arms: both({ turned: [24, -6], seen: [0.7, 0.5] }) }),
      (s) => seat(s, { arms: both({ turned: [54, 40], seen: [0.9, 0.6] }) }),
    ),
    TOWEL,
  ),
  'towel-wring': withProps(
    seated(
      (s) =>
        seat(s, {
          arms: [
            { turned: [30, -40], seen: [0.8, 0.7] },
            { turned: [30, -10], seen: [0.8, 0.5] },
          ],
        }),
      (s) =>
        seat(s, {
          arms: [
            { turned: [30, -10], seen: [0.8, 0.5] },
            { turned: [30, -40], seen: [0.8, 0.7] },
          ],
        }),
    ),
    TOWEL,
  ),

  // At the wall
  'shoulder-tap-wall': () => {
    const f = atWall(0);
    const p = f.poses[0]!;
    return { ...f, poses: [p, { ...p, arms: [turned(44, 164), p.arms[1]] }] };
  },
  'up-down-wall': () => {
    const f = atWall(0);
    const down = moved(atWall(0, true).poses[0]!, GAP - 0.56);
    return { ...f, poses: [f.poses[0]!, down], travels: true };
  },
  'wall-climber': () => {
    const f = atWall(0);
    return { ...f, poses: climb(f.poses[0]!, 84, -14) };
  },
  'wrist-rock-wall': () => {
    const f = atWall(0);
    const p = f.poses[0]!;
    const near = moved(p, 0.06);
    return { ...f, poses: [p, { ...near, arms: both(to([GAP - 0.02, 1.36], 172)), legs: p.legs }] };
  },
  'wall-pike-hold': () => {
    const { x, away } = foldedOn(0.96, 150, { lean: 76 });
    return side([away], [{ is: 'wall', x: x + 0.02 }]);
  },
  'wall-pike-press': () => {
    const { x, away, near } = foldedOn(0.96, 150, { lean: 76 });
    return side([away, near], [{ is: 'wall', x: x + 0.02 }]);
  },
  'raised-pike-press': (s) => {
    const { x, away, near } = foldedOn(s + FLESH.wrist, 90, { lean: 84, h: 0.99, legs: both(flat(0)) });
    return side([away, near], [onSurface(s, x)]);
  },
  'wall-elbow-press': () =>
    side(
      [
        backToWall({ arms: both(turned(-26, 70)) }),
        backToWall({ lean: 7, x: 0.02, arms: both(turned(-34, 62)) }),
      ],
      [BEHIND],
    ),
  'wall-angels': () =>
    front(
      [
        standing({ arms: both(turned(62, 160)) }, 'front'),
        standing({ arms: both(turned(146, 170)) }, 'front'),
      ],
      [{ is: 'wall', x: 0, behind: true }],
    ),
  'wall-side-lean': () => {
    const lean = 15;
    const rad = (lean * Math.PI) / 180;
    const leg = LENGTHS.thigh + LENGTHS.shank;
    const ankle = [-0.1, LENGTHS.ankle + 0.01] as const;
    const hip = [ankle[0] + leg * Math.sin(rad), ankle[1] + leg * Math.cos(rad)] as const;
    const pose: KeyPose = {
      hip,
      lean,
      curl: 0,
      nod: -6,
      arms: [turned(2, -6), turned(66, 172)],
      legs: [to([ankle[0] - 0.06, ankle[1]], 0, 1), to([ankle[0] + 0.06, ankle[1]], 0, -1)],
    };
    const elbow = solve(pose, 'front').arms[1].joint;
    return front([pose], [{ is: 'wall', x: elbow[0] + 0.04 }]);
  },
  'ankle-rock': () => {
    const at = (k: number): KeyPose =>
      standing({
        h: 0.93 - k * 0.04,
        legs: [flat(0.2), onBall(-0.32, 20 + k * 20)],
        over: 0.02 + k * 0.16,
        arms: both(turned(8, 20)),
      });
    return side([at(0), at(1)], [{ is: 'wall', x: 0.52 }]);
  },

  // Bars
  'hang-feet-down': () => hung(1.84, flat(0.12)),
  'hang-toes': () => hung(1.98, onBall(-0.06, 62)),
  'foot-help-pull-up': () => {
    const low = hung(2.06, flat(0.12, 0.46), [{ is: 'surface', from: -0.12, to: 0.5, height: 0.46 }]);
    const p = low.poses[0]!;
    const high = { ...p, hip: [-0.04, p.hip[1] + 0.38] as const, legs: both(onBall(0.12, 54, 0.46)) };
    return { ...low, poses: [p, high] };
  },
  'inverted-row-bent': () => underBar(true, 0),
  'inverted-row-feet-raised': () => underBar(false, 0.4),

  // Planks and the floor
  'forearm-rock': () => {
    const p = line({ forearms: true });
    const on = solve(p, 'side').arms[0].joint;
    const elbow: Limb = turned(-15, 90, 90);
    const near = {
      ...p,
      hip: [p.hip[0] + 0.075, p.hip[1] - 0.012] as const,
      arms: both(elbow),
      // Over the toes that stay.
      legs: both(to([0.06, 0.157], -10)),
    };
    return side([p, near], [{ is: 'mat', from: on[0] - 0.3, to: on[0] + 0.5 }]);
  },
  'up-down-knees': () => side([line({ knees: true }), line({ knees: true, forearms: true })], [MAT]),
  'up-down-raised': (s) => {
    const high = line({ hands: s });
    const low = line({ hands: s, forearms: true });
    const at = high.arms[0].at?.[0] ?? 1;
    const elbow = solve(low, 'side').arms[0].joint[0];
    return side([high, moved(low, at - elbow)], [onSurface(s, at)], { travels: true });
  },
  'plank-knee-elbow': () => side(climb(line({ pike: 0.05 }), 66, -60)),
  'knee-hover-lift': () =>
    side([
      fours({ hover: 0.07 }),
      fours({ hover: 0.07, arms: [null, turned(34, 60)], legs: [turned(-70, -80), null] }),
    ]),
  'thread-needle': () =>
    side(
      [
        fours({ arms: [turned(150, 156), null] }),
        fours({ curl: 16, nod: 30, arms: [{ turned: [30, 60], seen: [0.7, 0.7] }, null] }),
      ],
      [MAT],
    ),
  'worlds-reach': () => {
    const low = standing({
      h: 0.52,
      lean: 62,
      curl: 24,
      legs: [flat(0.56), to([-0.38, 0.18], 12)],
      over: null,
      x: 0.02,
      arms: [turned(20, 30), to([0.4, FLESH.wrist], 90)],
    });
    return side([standing({}), low, { ...low, arms: [turned(170, 174), low.arms[1]] }], [MAT], {
      travels: true,
    });
  },
  'prone-arm-pull': () =>
    side(
      [
        prone({ rise: 4, arms: both(turned(96, 96)) }),
        prone({ rise: 5, arms: both({ turned: [104, 92], seen: [0.2, 0.6] }) }),
        prone({ rise: 6, arms: both({ turned: [-88, 70], seen: [0.9, 0.6] }) }),
      ],
      [],
    ),
  'feet-raised-pike': (s) =>
    side([pike(0, s), pike(1, s)], [{ is: 'surface', from: -0.78, to: -0.3, height: s }]),
  'chair-dip-feet-raised': (s) => {
    const f = FLOOR['chair-dip-straight']!(s);
    return {
      ...f,
      poses: f.poses.map((p) => ({ ...p, legs: both(to([0.9, s + 0.08], 150)) })),
      props: [...f.props, { is: 'surface', from: 0.8, to: 1.3, height: s }],
    };
  },

  // Against a band
  'press-out-one-leg': () =>
    side(
      [
        standing({ legs: [turned(24, -50), flat(0)], over: 0.05, arms: both(turned(16, 116)) }),
        standing({ legs: [turned(24, -50), flat(0)], over: 0.05, arms: both(turned(84, 88)) }),
      ],
      [{ is: 'band', from: [0.2, 1.2], in: 'both' }],
    ),
  'press-out-step': () =>
    front(
      [
        standing(
          { legs: apart(0.12), h: 0.95, arms: both({ turned: [16, -30], seen: [0.5, 0.4] }) },
          'front',
        ),
        standing(
          { legs: apart(0.32), h: 0.93, arms: both({ turned: [16, -30], seen: [0.5, 0.4] }) },
          'front',
        ),
      ],
      [{ is: 'band', from: [-1, 1.2], in: 'both' }],
      { travels: true },
    ),
  'standing-crunch-pull': () =>
    side(
      [
        standing({ h: 0.97, arms: both(turned(90, 190)) }),
        standing({ h: 0.95, lean: 14, curl: 34, nod: 10, arms: both(turned(60, 180)) }),
      ],
      [{ is: 'band', from: [0.5, 2.05], in: 'both' }],
    ),
};
