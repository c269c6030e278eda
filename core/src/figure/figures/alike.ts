import { both, type KeyPose, turned } from '../../pose/index.ts';
import { type Drawn, type Figures, withProps } from './kit.ts';

/** Two figures' reps one after the other, as one movement of two parts: seen the way the first is. */
const inOne =
  (first: Drawn, second: Drawn): Drawn =>
  (surface) => {
    const [a, b] = [first(surface), second(surface)];
    // Seen another way or somewhere else the second would jump: the first says most of it.
    if (a.view !== b.view || a.above !== b.above) return a;
    const there = a.back ? [...a.poses, ...a.poses.slice(0, -1).reverse()] : a.poses;
    return { ...a, poses: [...there, ...b.poses], back: false, parts: true, props: [...a.props, ...b.props] };
  };

/** Drawn as its neighbour is, whose picture says the same. */
const ALIKE: Readonly<Record<string, string>> = {
  'curtsy-lunge': 'low-skater-step',
  'curtsy-curl': 'low-skater-step',
  'hammer-curl': 'standing-curl',
  'wide-push-up': 'push-up',
  'archer-push-up': 'push-up',
  'ski-hop': 'line-hop',
  'half-turn-jump': 'turn-squat-jump',
  stairs: 'step-up',
  'half-burpee': 'hop-back-stand',
  'bear-toe-touch': 'knee-hover-tap',
  'chin-tuck': 'neck-nods',
  'ball-squeeze': 'seated-seat-squeeze',
  'down-dog': 'pike-press',
  'backward-walk': 'backward-heel-toe',
  'seated-overhead-slow': 'overhead-elbow-press',
  snatch: 'one-hand-swing',
  'one-arm-push-press': 'push-press',
};

/** The neighbour's rep with the arms elsewhere, pose by pose; the last stand for all that follow. */
const armed =
  (like: Drawn, ...arms: readonly KeyPose['arms'][]): Drawn =>
  (surface) => {
    const figure = like(surface);
    return {
      ...figure,
      poses: figure.poses.map((pose, i) => ({ ...pose, arms: arms[Math.min(i, arms.length - 1)]! })),
    };
  };
/** One pose of a neighbour's, held, while the arms go from one place to another. */
const heldArmed =
  (like: Drawn, at: number, from: KeyPose['arms'], to: KeyPose['arms']): Drawn =>
  (surface) => {
    const { flight: _, ...figure } = like(surface);
    const pose = figure.poses[at]!;
    return {
      ...figure,
      back: true,
      poses: [
        { ...pose, arms: from },
        { ...pose, arms: to },
      ],
    };
  };
const UP = both(turned(172, 176));
/** An arm that has nothing to do. */
const DOWN = turned(4, 10);
const LEVEL = both(turned(88, 90));
const GUARD: KeyPose['arms'] = [turned(24, 150), turned(88, 90)];
const OTHER: KeyPose['arms'] = [turned(88, 90), turned(24, 150)];

/** One part, then the other. */
const TWO: Readonly<Record<string, readonly [string, string]>> = {
  'squat-press': ['squat', 'standing-press'],
  thruster: ['squat', 'standing-press'],
  'lunge-press': ['step-back-lunge', 'standing-press'],
  'curl-press': ['standing-curl', 'standing-press'],
  'clean-press': ['loaded-hinge', 'standing-press'],
  'squat-knee-lift': ['squat', 'high-march'],
  'squat-kick': ['squat', 'standing-straight-leg-lift'],
  'wall-ball': ['squat', 'ball-pass-wall'],
};

/** Figures made of others: one that shows the same, or two in one go. */
export const alike = (of: Figures): Figures => ({
  ...Object.fromEntries(Object.entries(ALIKE).map(([id, other]) => [id, of[other]!])),
  ...Object.fromEntries(
    Object.entries(TWO).map(([id, [first, second]]) => [id, inOne(of[first]!, of[second]!)]),
  ),
  'half-kneeling-press': withProps(
    heldArmed(of['hip-front-kneel']!, 0, [turned(20, 160), DOWN], [turned(172, 176), DOWN]),
    { is: 'dumbbell', in: 'near' },
  ),
  'press-out-half-kneel': heldArmed(of['hip-front-kneel']!, 0, both(turned(20, 110)), LEVEL),
  grapevine: (surface) => ({ ...of['side-touch']!(surface), travels: true }),
  'run-punch': armed(of['jog-on-spot']!, GUARD, OTHER),
  'high-knee-punch': armed(of['high-knees']!, GUARD, OTHER),
  'rocket-jump': armed(of['squat-jump']!, both(turned(-30, -10)), UP, UP),
  'seal-jack': armed(of['jumping-jack']!, LEVEL),
  'overhead-swing': armed(of['swing']!, both(turned(20, 22)), UP),
  snatch: armed(of['one-hand-swing']!, [turned(20, 22), DOWN], [turned(172, 176), DOWN]),
  // Feet apart and together are one behind the other from the side: what is seen is that they leave the floor.
  'plank-jack': (surface) => {
    const plank = of['plank']!(surface);
    const [pose] = plank.poses;
    const up = pose!.legs.map((leg) => ({ ...leg, at: [leg.at![0] + 0.04, leg.at![1] + 0.09] as const }));
    return { ...plank, back: true, poses: [pose!, { ...pose!, legs: [up[0]!, up[1]!] }] };
  },
  slam: (surface) => ({ ...of['stand-reach-down']!(surface), props: [{ is: 'ball', in: 'both' }] }),
});
