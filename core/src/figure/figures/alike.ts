import { both, type KeyPose, turned } from '../../pose/index.ts';
import type { Drawn, Figures } from './kit.ts';

/** Two figures' reps one after the other, as one movement of two parts: seen the way the first is. */
const inOne =
  (first: Drawn, second: Drawn): Drawn =>
  (surface) => {
    const [a, b] = [first(surface), second(surface)];
    // Seen another way or somewhere else the second would jump: the first says most of it.
    if (a.view !== b.view || a.above !== b.above) return a;
    const there = a.back ? [...a.poses, ...a.poses.slice(0, -1).reverse()] : a.poses;
    return { ...a, poses: [...there, ...b.poses], back: false, props: [...a.props, ...b.props] };
  };

/** Drawn as its neighbour is, whose picture says the same. */
const ALIKE: Readonly<Record<string, string>> = {
  'one-and-a-half-squat': 'quarter-pulse-squat',
  'squat-pulse': 'pause-squat',
  'curtsy-lunge': 'low-skater-step',
  'curtsy-curl': 'low-skater-step',
  'hammer-curl': 'standing-curl',
  'wide-push-up': 'push-up',
  'archer-push-up': 'push-up',
  'spider-push-up': 'plank-knee-elbow',
  'renegade-row': 'shoulder-tap',
  'push-up-row': 'push-up',
  'all-fours-push-up': 'all-fours-rock',
  'hook-punch': 'standing-punch',
  uppercut: 'standing-punch',
  'jab-cross-duck': 'punch-bend',
  'row-kickback': 'bent-row',
  'side-shuffle': 'skater-hop',
  'one-leg-hop': 'one-leg-line-hop',
  'frog-jump': 'star-jump',
  'ski-hop': 'line-hop',
  'half-turn-jump': 'turn-squat-jump',
  stairs: 'step-up',
  'plank-jack': 'climber-run',
  sprawl: 'hop-back-stand',
  'half-burpee': 'hop-back-stand',
  'flutter-kick': 'double-leg-lower-small',
  'scissor-kick': 'double-leg-lower-small',
  'v-sit-hold': 'sitting-tuck',
  'boat-hold': 'sitting-tuck',
  'hollow-hold': 'double-leg-lower',
  'toe-touch-crunch': 'crunch',
  'heel-touch-crunch': 'crunch',
  'butterfly-sit-up': 'sit-up',
  'donkey-kick': 'leg-only-all-fours',
  'fire-hydrant': 'leg-only-all-fours',
  'standing-leg-back': 'standing-leg-curl',
  'plank-walk': 'shoulder-tap',
  'side-plank-knee-drive': 'side-plank-leg',
  'bear-toe-touch': 'knee-hover-tap',
  'reverse-plank': 'crab-hold',
  'upright-row': 'front-raise',
  shrug: 'two-hand-carry',
  'chest-fly': 'floor-press',
  'face-pull': 'band-pull-apart',
  'strap-row': 'inverted-row-bent',
  'lying-elbow-press': 'floor-press',
  halo: 'standing-press',
  slam: 'load-chop',
  'toe-raise': 'heel-raise-held',
  'chin-tuck': 'neck-nods',
  'band-external-rotation': 'band-pull-apart-seated',
  'ball-squeeze': 'seated-seat-squeeze',
  cobra: 'prone-arm-lift',
  'down-dog': 'pike-press',
  'standing-side-crunch': 'standing-knee-crunch',
  'backward-walk': 'backward-heel-toe',
  'front-kick': 'standing-straight-leg-lift',
  'side-kick': 'side-leg-free',
  clean: 'loaded-hinge',
  'high-pull': 'swing',
  snatch: 'one-hand-swing',
  'one-arm-push-press': 'push-press',
  'step-squat': 'squat',
  'forward-back-lunge': 'lunge',
  'lunge-knee-elbow': 'lunge-knee-lift',
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
  'half-kneeling-press': heldArmed(of['hip-front-kneel']!, 0, both(turned(20, 160)), UP),
  'press-out-half-kneel': heldArmed(of['hip-front-kneel']!, 0, both(turned(20, 110)), LEVEL),
  grapevine: (surface) => ({ ...of['side-touch']!(surface), travels: true }),
  'run-punch': armed(of['jog-on-spot']!, GUARD, OTHER),
  'high-knee-punch': armed(of['high-knees']!, GUARD, OTHER),
  'rocket-jump': armed(of['squat-jump']!, both(turned(-30, -10)), UP, UP),
  'seal-jack': armed(of['jumping-jack']!, LEVEL),
  'overhead-swing': armed(of['swing']!, both(turned(20, 22)), UP),
  snatch: armed(of['one-hand-swing']!, both(turned(20, 22)), UP),
  slam: armed(of['load-chop']!, UP, both(turned(40, 44))),
});
