import type { DrawnFigure, Prop } from '../../pose/index.ts';
import {
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
  type Point,
  solve,
  standing,
  supine,
  to,
  turned,
} from '../../pose/index.ts';
import { crouched, FLOOR, planked } from './floor.ts';
import { type Figures, front, MAT, side, withProps } from './kit.ts';
import { seat } from './more.ts';
import { atWall } from './push.ts';

/** Getting down to the floor and up from it, and walking out on the hands. */

const UP: Limb = turned(174, 178);
const ONTO_KNEE = turned(36, 70);
const GOES = { travels: true } as const;

/** Sitting back on the heels, then to one side of them with a hand down behind. */
const heels = onKnees({ sit: 74 });
const sideSit: KeyPose = {
  ...heels,
  lean: -30,
  arms: [ONTO_KNEE, to([heels.hip[0] - 0.38, FLESH.wrist], -90)],
};
/** On the side with the front to the eye and the knees drawn up; the head at the left. */
const onSide: KeyPose = {
  ...heels,
  hip: [heels.hip[0], 0.11],
  lean: -86,
  nod: -4,
  arms: [
    { turned: [60, 80], seen: [0.6, 0.7] },
    { turned: [40, 120], seen: [0.2, 0.7] },
  ],
  legs: [
    { turned: [76, -80], end: -140, seen: [0.6, 0.7], atEye: true },
    { turned: [75, -80], end: -140, seen: [0.6, 0.7], atEye: true },
  ],
};
const halfKneel = (hand: Limb) => onKnees({ foot: 0.42, tucked: true, lean: 12, arms: [hand, HANG] });
const bothKnees = onKnees({ tucked: true });
const tall = standing({ over: 0.48, legs: both(flat(0.42)) });

// Standing back from what the hands or forearms are on.
const stepBack = (s: number, forearms: boolean): DrawnFigure => {
  const out = line({ hands: s, forearms });
  const solved = solve(out, 'side');
  const at: Point = forearms ? solved.arms[0].joint : (out.arms[0].at ?? solved.arms[0].end);
  const arms: readonly [Limb, Limb] = forearms ? both(turned(56, 100, 90)) : both(to([at[0], at[1]], 90));
  const near = at[0] - 0.42;
  const bent = standing({
    h: forearms ? 0.86 : s < 0.6 ? 0.82 : 0.94,
    lean: forearms ? 52 : s < 0.6 ? 62 : 36,
    legs: both(flat(near)),
    over: near + 0.1,
    arms,
  });
  const stand = standing({ legs: both(flat(near)) });
  return side([stand, bent, out], [{ is: 'surface', from: at[0] - 0.16, to: at[0] + 0.4, height: s }], GOES);
};

// Hands walked out from the feet.
const TOES = LENGTHS.foot * 0.74;
const folded = (bent: boolean) =>
  standing({
    h: bent ? 0.68 : 0.93,
    lean: bent ? 92 : 108,
    curl: bent ? 16 : 36,
    nod: -4,
    over: 0.1,
    arms: both(to([bent ? 0.44 : 0.36, FLESH.wrist], 90)),
  });
const halfOut = (bent: boolean): KeyPose => ({
  hip: [bent ? 0.06 : 0.04, bent ? 0.64 : 0.87],
  lean: bent ? 88 : 126,
  curl: bent ? 22 : 0,
  nod: 0,
  arms: both(to([bent ? 0.6 : 0.58, FLESH.wrist], 90)),
  legs: both(bent ? onBall(0, 20) : flat(0)),
});
const walkOut = (bent: boolean, ...end: KeyPose[]): DrawnFigure =>
  side([standing({}), folded(bent), halfOut(bent), ...end], [], GOES);
const out = moved(line({}), TOES);

/** On the toes, and there again after a jump. */
const leap = (arms: Limb): KeyPose[] => {
  const up = standing({ arms: both(arms), legs: both(onBall(0, 50)), h: 1.03 });
  return [up, up];
};

const SOFA: Prop = { is: 'surface', from: -1, to: 0.9, height: 0.45 };

export const RISE: Figures = {
  'floor-rise': () => side([tall, halfKneel(ONTO_KNEE), bothKnees, sideSit, onSide], [MAT], GOES),
  'floor-rise-one-hand': () => side([tall, halfKneel(HANG), bothKnees, sideSit, onSide], [MAT], GOES),
  'floor-rise-chair': (s) => {
    const seatAt = 0.66;
    const on: Limb = to([seatAt - 0.14, (s || 0.43) + FLESH.wrist], 90);
    return side(
      [
        standing({ legs: both(flat(0.08)), over: 0.17, lean: 62, h: 0.82, arms: both(on) }),
        onKnees({ foot: 0.3, tucked: true, lean: 26, arms: both(on) }),
        onKnees({ tucked: true, lean: 32, arms: both(on) }),
        sideSit,
        onSide,
      ],
      [MAT, { is: 'seat', x: seatAt + 0.14, height: s || 0.43, back: false }],
      GOES,
    );
  },
  'floor-rise-no-hands': () => {
    const crossed: readonly [Limb, Limb] = [flat(0.26), flat(0.1)];
    return side(
      [
        standing({ arms: both(turned(40, 60)), legs: crossed }),
        standing({
          h: 0.46,
          lean: 30,
          legs: crossed,
          over: 0.2,
          arms: both(turned(80, 84)),
        }),
        { ...supine({ rise: 86, arms: both(turned(70, 80)), legs: crossed }), hip: [-0.3, FLESH.hip] },
      ],
      [MAT],
    );
  },
  'sofa-lie-to-sit': () =>
    front(
      [
        { ...seat(0.45, { arms: both(turned(14, 4)) }), hip: [-0.1, 0.55] },
        {
          ...seat(0.45, {
            lean: 44,
            arms: [turned(-40, -10), to([0.5, 0.48], 90, 1)],
            legs: both({ turned: [14, 0], seen: [0.16, 0.72] }),
          }),
          hip: [-0.1, 0.55],
        },
        {
          hip: [-0.1, 0.56],
          lean: 84,
          curl: 0,
          nod: 4,
          arms: [turned(10, -20), turned(30, 100)],
          legs: [
            { turned: [80, 92], seen: [0.5, 0.8] },
            { turned: [-76, -90], seen: [0.5, 0.8] },
          ],
        },
      ],
      [SOFA],
    ),
  'chair-step-back': (s) => stepBack(s || 0.43, false),
  'forearm-step-back': (s) => stepBack(s || 0.75, true),
  'forearm-wall-step-back': () => {
    const back = atWall(0, true);
    const p = back.poses[0]!;
    const near = standing({
      legs: both(flat(0.18)),
      over: 0.26,
      arms: both(turned(52, 168, 172)),
    });
    return { ...back, poses: [near, p], travels: true };
  },
  'raised-walk-out': (s) => stepBack(s || 0.75, false),
  'wall-walk-down': () => {
    const wall = 0.9;
    return side(
      [
        standing({ legs: both(flat(0.34)), arms: both(to([wall - 0.02, 1.3], 150)) }),
        standing({
          h: 0.94,
          lean: 40,
          legs: both(flat(0.2)),
          over: 0.26,
          arms: both(to([wall - 0.02, 1.16], 150)),
        }),
        standing({
          h: 0.92,
          lean: 74,
          legs: both(flat(0.06)),
          over: 0.14,
          arms: both(to([wall - 0.02, 1], 150)),
        }),
      ],
      [{ is: 'wall', x: wall }],
      GOES,
    );
  },
  'walk-out': () => walkOut(false, out),
  'walk-out-bent': withProps(
    () => walkOut(true, { ...moved(fours({}), 0.42), legs: both(to([0.02, 0.18], 12)) }),
    MAT,
  ),
  'walk-out-pause': () => walkOut(false, moved(line({ ahead: 0.12 }), TOES)),
  'walk-out-push-up': () => walkOut(false, out, moved(line({ straight: 0.45 }), TOES)),

  'floor-step-back-reach': () =>
    side(
      [
        standing({ legs: both(onBall(0, 36)), h: 1.1, arms: both(UP) }),
        standing({ h: 0.84, lean: 40, arms: both(turned(70, 74)) }),
        crouched,
        planked(0.24),
      ],
      [],
      GOES,
    ),
  'floor-step-back-hover': () =>
    side([standing({}), crouched, planked(0.24), crouched, ...leap(turned(10, 40))], [], {
      back: false,
      flight: { from: 4, height: 0.08 },
      travels: true,
    }),
  'hop-back-stand': () =>
    side([standing({}), crouched, planked(0.24), crouched, standing({})], [], {
      back: false,
      flight: { from: 1, height: 0.06 },
      travels: true,
    }),
  'burpee-push-up': () => {
    const low = line({ straight: 0.4 });
    const by = 0.24 - (line({}).arms[0].at?.[0] ?? 0);
    return side(
      [standing({}), crouched, planked(0.24), moved(low, by), planked(0.24), crouched, ...leap(UP)],
      [],
      { back: false, flight: { from: 6, height: 0.14 }, travels: true },
    );
  },
  'knee-jump-to-feet': () =>
    side(
      [
        onKnees({ sit: 30, lean: 24, arms: both(turned(-40, -30)) }),
        standing({ h: 0.6, lean: 38, legs: both(flat(0.1)), over: 0.18, arms: both(turned(50, 60)) }),
      ],
      [MAT],
      { back: false, flight: { from: 0, height: 0.22 }, travels: true },
    ),
  'kneel-forearm-plank': () => {
    const down: KeyPose = { ...fours({ forearms: true }), legs: bothKnees.legs };
    const plank = line({ forearms: true });
    const elbow = (p: KeyPose) => solve(p, 'side').arms[0].joint[0];
    return side(
      [tall, halfKneel(ONTO_KNEE), bothKnees, down, moved(plank, elbow(down) - elbow(plank))],
      [MAT],
      GOES,
    );
  },
  'kneel-stand-hop': () => {
    const kneel = FLOOR['kneel-stand']!(0).poses;
    const up = standing({ over: 0.56, legs: both(onBall(0.42, 50)), h: 1.03, arms: both(turned(20, 50)) });
    return side([...kneel.slice(0, 3), up, up], [MAT], {
      back: false,
      flight: { from: 3, height: 0.07 },
      travels: true,
    });
  },
  'kneel-stand-rise': () => {
    const kneel = FLOOR['kneel-stand']!(0).poses;
    const up = standing({ over: 0.56, legs: both(onBall(0.42, 40)), h: 1.11, arms: both(UP) });
    return side([...kneel.slice(1, 3), up], [{ is: 'cushion', x: 0 }], GOES);
  },
};
