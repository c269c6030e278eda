import type { Reason, Use } from '@inner-rung/core/engine';
import type { Library } from '@inner-rung/core/ladder';
import { rungDemand } from '@inner-rung/core/ladder';
import { middle } from '@inner-rung/core/move';
import type { Pupil } from './people.ts';

/** A station as it was written and as somebody is given it. */
export interface Seat {
  readonly library: Library;
  readonly pupil: Pupil;
  readonly written: Use;
  readonly use: Use | null;
  readonly reason: Reason | null;
  /** What others of the version stand for: the moves they were written as. */
  readonly sameFor: readonly string[];
  /** Is there a form of the written pattern open to them here? */
  readonly patternOpen: boolean;
  /** What trades name in place of the written one. */
  readonly usual: readonly string[];
  /** Of those, which are open to them here. */
  readonly usualOpen: readonly string[];
  readonly loadKg: number | null;
}

export interface Rule {
  readonly id: string;
  /** What a coach refuses, in one line. Common practice throughout. */
  readonly says: string;
  readonly refuses: (seat: Seat) => boolean;
}

const demandOf = ({ library }: Seat, use: Use) =>
  rungDemand(library, { move: use.move, settings: use.settings });
const isWeak = ({ pupil }: Seat) =>
  pupil.is === 'older' || pupil.is === 'beginner' || pupil.is === 'clinical';

/** Reps a minute over which nobody of a kind is hurried where balance, landing or getting down is asked for. Estimate. */
const HASTE = { older: 30, beginner: 50, clinical: 45 } as const;
/** Light landings a minute that a beginner or an older person may be asked for. Estimate. */
const LANDINGS = { older: 40, beginner: 80, clinical: 80 } as const;
/** Kilograms in both hands together beyond which nobody of a kind begins. Common practice. */
const LOADS = { older: 6, beginner: 10, child: 4, clinical: 10 } as const;

export const RULES: readonly Rule[] = [
  {
    id: 'rest',
    says: 'a rest while a form of the written pattern stands',
    refuses: (seat) => seat.use === null && seat.patternOpen,
  },
  {
    id: 'repeat',
    says: 'one form for two different stations',
    refuses: ({ use, written, sameFor }) => use !== null && sameFor.some((other) => other !== written.move),
  },
  {
    id: 'off pattern',
    says: 'another kind of thing while one of the written pattern is open',
    // The squat without its jump is filed under another pattern and is what trades name.
    refuses: ({ library, use, written, patternOpen, usual }) =>
      use !== null &&
      patternOpen &&
      !usual.includes(use.move) &&
      library.move(use.move)!.pattern !== library.move(written.move)!.pattern,
  },
  {
    id: 'not the usual easier',
    says: 'an easier form nobody names while the one that trades name is open',
    refuses: ({ use, written, usual, usualOpen, pupil }) =>
      use !== null &&
      pupil.is !== 'fit' &&
      use.move !== written.move &&
      usualOpen.length > 0 &&
      !usual.includes(use.move),
  },
  {
    id: 'haste',
    says: 'hurried where balance, a landing or a change of level is the limit',
    refuses: (seat) => {
      const { use, pupil } = seat;
      if (!use || use.pace === null || !isWeak(seat)) return false;
      const demand = demandOf(seat, use);
      if (!demand) return false;
      const risky = middle(demand['balance.level']) >= 3 || middle(demand['posture.changes']) >= 1;
      // Steps count each foot: sixty of them are thirty of a leg.
      const pace = seat.library.move(use.move)!.sides === 'alternating' ? use.pace / 2 : use.pace;
      return risky && pace > HASTE[pupil.is as keyof typeof HASTE];
    },
  },
  {
    id: 'landings',
    says: 'more landings a minute than a beginner or an older person is asked for',
    refuses: (seat) =>
      seat.use !== null &&
      isWeak(seat) &&
      seat.use.lightPerMinute + seat.use.highPerMinute > LANDINGS[seat.pupil.is as keyof typeof LANDINGS],
  },
  {
    id: 'load',
    says: 'the written kilograms carried along to somebody they are too much for',
    refuses: ({ use, pupil, loadKg }) =>
      use !== null &&
      loadKg !== null &&
      loadKg > (LOADS[pupil.is as keyof typeof LOADS] ?? Number.POSITIVE_INFINITY),
  },
  {
    id: 'child lowered',
    says: 'a healthy child or teenager given less than was written',
    // What a room rules out (no jumping above the neighbours), or growing knees, lowers nobody.
    refuses: ({ use, written, pupil, library, reason }) =>
      (pupil.is === 'child' || pupil.is === 'teenager') &&
      !reason?.rulers.some((ruler) => ruler.kind === 'room' || ruler.kind === 'limit') &&
      pupil.person.conditions.length === 0 &&
      use !== null &&
      use.move !== written.move &&
      // Loads and the hardest jumps aside.
      !library.move(written.move)!.needs.some((need) => need.what === 'hand load'),
  },
  {
    id: 'held down',
    says: 'a fit person given something easier than was written',
    refuses: ({ library, use, written, pupil, reason }) => {
      if (pupil.is !== 'fit' || use === null || use.move === written.move) return false;
      const lost = reason?.rulers.some((ruler) => ruler.kind === 'room') ?? false;
      const [a, b] = [use, written].map(
        (one) => rungDemand(library, { move: one.move, settings: one.settings })!,
      );
      return !lost && middle(a!['effort.met']) < middle(b!['effort.met']) - 0.5;
    },
  },
];

/**
 * Easier forms as trades name them, the first that is open to be given: written move, then its usual pairs. Common
 * practice.
 */
export const USUAL: Readonly<Record<string, readonly string[]>> = {
  'push-up': [
    'knee-push-up',
    'all-fours-push-up',
    'raised-push-up',
    'wall-push-up',
    'narrow-knee-push-up',
    'fist-push-up',
    'slow-push-up',
    'band-press',
  ],
  plank: [
    'knee-plank',
    'forearm-plank',
    'knee-forearm-plank',
    'raised-plank',
    'wall-plank',
    'raised-forearm-plank',
    'wall-forearm-plank',
    'forearm-hover',
  ],
  'side-plank': ['knee-side-plank', 'raised-side-plank', 'wall-side-lean', 'side-plank-top-foot'],
  'squat-jump': [
    'squat',
    'squat-rise',
    'touch-squat',
    'sit-to-stand',
    'half-squat-held',
    'quick-squat-rise',
    'squat-pulse',
  ],
  'tuck-jump': [
    'squat',
    'squat-jump',
    'high-knees',
    'high-march',
    'squat-rise',
    'standing-cross-knee',
    'march',
    'small-forward-hop',
    // The jump without leaving the floor.
    'arm-swing-rise',
  ],
  'jumping-jack': [
    'step-jack',
    'step-jack-low',
    'side-tap',
    'side-touch',
    'side-touch-arms',
    'seated-jack',
    'scissor-step',
  ],
  burpee: [
    'floor-step-back',
    'half-burpee',
    'walk-out',
    'raised-walk-out',
    'chair-step-back',
    'wall-step-back',
    'sprawl',
    'squat-rise',
    'floor-step-back-reach',
    'walk-out-bent',
    'forearm-step-back',
    'kneel-forearm-plank',
    'sit-to-stand',
    'hands-help-stand',
  ],
  'climber-run': [
    'climber-step',
    'raised-climber',
    'wall-climber',
    'standing-climb',
    'high-march',
    'climber-cross',
    'march',
    'standing-cross-knee',
    'seated-march',
    'knee-hover-tap',
    'seated-quick-march',
  ],
  'high-knees': [
    'high-march',
    'march',
    'jog-on-spot',
    'seated-march',
    'arm-swing-march',
    'seated-quick-march',
    // The march that keeps the pace of it.
    'quick-high-step',
  ],
  'skater-hop': [
    'low-skater-step',
    'side-touch',
    'side-tap',
    'side-shift',
    'curtsy-lunge',
    'line-step',
    'side-walk',
    'side-shuffle',
    'weight-shift',
    'quick-line-step',
  ],
  'sit-up': [
    'crunch',
    'sit-up-feet-held',
    'seated-lean-back',
    'crunch-slide',
    'dead-bug',
    'seated-lean-back-hold',
    'standing-knee-crunch',
    'seated-knee-tuck',
    'crossed-arm-seated-curl',
    'toe-touch-crunch',
    'heel-touch-crunch',
  ],
  crunch: [
    'crunch-slide',
    'seated-lean-back',
    'dead-bug',
    'standing-knee-crunch',
    'pelvic-tilt',
    'seated-knee-tuck',
    'heel-tap',
    'crossed-arm-seated-curl',
    'reverse-curl',
  ],
  squat: [
    'sit-to-stand',
    'touch-squat',
    'half-squat-held',
    'quarter-pulse-squat',
    'hands-help-stand',
    'wide-touch-squat',
    'squat-reach-easy',
    'slow-load-squat',
    'wide-half-squat',
  ],
  lunge: [
    'split-squat',
    'split-squat-half',
    'split-squat-held',
    'shallow-step-back',
    'step-back-lunge',
    'step-back-reach',
    'walking-half-lunge',
    'step-up',
    'side-tap',
  ],
  'step-back-lunge': [
    'split-squat',
    'split-squat-half',
    'split-squat-held',
    'shallow-step-back',
    'step-back-reach',
    'step-up',
    'staggered-sit-to-stand',
  ],
  'walking-lunge': [
    'walking-half-lunge',
    'step-back-lunge',
    'split-squat',
    'split-squat-half',
    'split-squat-held',
    'shallow-step-back',
    'long-step-walk',
    'step-up',
    'step-back-reach',
  ],
  'held-load-squat': [
    'squat',
    'touch-squat',
    'sit-to-stand',
    'hug-sit-to-stand',
    'two-weight-squat',
    'half-squat-held',
    'wide-squat-load',
    'hands-help-stand',
  ],
  'bent-row': [
    'one-arm-row',
    'seated-row',
    'standing-row',
    'bag-row',
    'strap-row',
    'seated-band-press',
    'prone-arm-pull',
    'band-pull-apart',
  ],
  'standing-press': [
    'seated-press',
    'one-arm-press',
    'half-kneeling-press',
    'seated-overhead-slow',
    'slow-press',
    'seated-arm-press',
    'side-raise',
    'seated-arm-raise',
    'band-press',
  ],
  'loaded-hinge': [
    'stick-hinge',
    'slow-hinge-reach',
    'wall-hinge',
    'split-hinge',
    'hinge-arm-swing',
    'bridge',
    'seated-hinge',
    'small-bridge',
    'one-leg-hinge-held',
  ],
  bridge: [
    'small-bridge',
    'pause-bridge',
    'bridge-march',
    'pelvic-tilt',
    'standing-leg-back',
    'seated-seat-squeeze',
    'stick-hinge',
    // Off the floor the hips go back to a wall.
    'wall-hinge',
  ],
  bicycle: [
    'heel-tap',
    'dead-bug',
    'single-leg-bicycle',
    'single-leg-bicycle-seated',
    'standing-opposite-reach',
    'standing-cross-knee',
    'crunch',
    'seated-cross-knee',
  ],
  'bird-dog': [
    'all-fours-step',
    'leg-only-all-fours',
    'arm-only-all-fours',
    'forearm-bird-dog',
    'standing-opposite-reach',
    'seated-opposite-reach',
    'all-fours-rock',
    'bear-step',
    'prone-opposite-lift',
  ],
  'dead-bug': [
    'heel-tap',
    'heel-slide',
    'pelvic-tilt',
    'bent-knee-fall-out',
    'seated-knee-lift-hold',
    'standing-opposite-reach',
    'seated-opposite-reach',
    'crunch-slide',
  ],
  'step-up': [
    'step-tap',
    'high-march',
    'march',
    'side-step-tap',
    'sit-to-stand',
    'seated-step-tap',
    'step-squat',
  ],
};
