import type { Move, Pattern } from '../move/index.ts';

/** What is said of any move of a pattern, and what is looked out for. */
type Words = Pick<Move, 'cues' | 'breath' | 'faults'>;

const fault = (
  see: string,
  say: string,
  lever: Move['faults'][number]['lever'],
  act: string,
): Move['faults'] => [{ see, say, lever, do: act }];

const ROUNDS = fault('the back rounds', 'Chest proud; only as far as it stays so.', 'range', 'less far');
const SAGS = fault('the hips sag', 'Ribs and belt draw together.', 'hold', 'shorter');
const TIPS = fault(
  'the trunk tips to one side',
  'Tall on both sides.',
  'support',
  'a hand on something steady',
);
const SHRUGS = fault('the shoulders creep up to the ears', 'Long neck first, then move.', 'load', 'lighter');
const HARD = fault('the landing is heard', 'Land softly on the whole foot.', 'range', 'lower');

/**
 * Nothing is known of a move of one's own but its pattern: what its neighbour is told ("hug the weight") may be wrong of
 * it, what is true of all of its pattern isn't. Common practice.
 */
const BY_PATTERN: Readonly<Record<Pattern, Words>> = {
  squat: {
    cues: ['Knees over the toes', 'Whole foot stays down'],
    breath: 'In on the way down, out on the way up.',
    faults: fault('the knees fall in', 'Knees out, over the toes.', 'range', 'less deep'),
  },
  hinge: {
    cues: ['Hips go back first', 'Back stays long'],
    breath: 'Breathe out coming up.',
    faults: ROUNDS,
  },
  'split stance': {
    cues: ['Tall over the hips', 'Front knee over the foot'],
    breath: 'Breathe out rising.',
    faults: fault('the front knee falls in', 'Knee over the second toe.', 'range', 'less deep'),
  },
  step: { cues: ['Whole foot on', 'Tall at the top'], breath: 'Breathe out stepping up.', faults: TIPS },
  'push level': {
    cues: ['Both hands push alike', 'Ribs stay down'],
    breath: 'Breathe out pressing.',
    faults: SHRUGS,
  },
  'push overhead': {
    cues: ['Ribs stay over the belt', 'Only as high as the back stays long'],
    breath: 'Breathe out pressing.',
    faults: fault('the back arches', 'Ribs down, squeeze the seat.', 'load', 'lighter'),
  },
  'pull level': {
    cues: ['Elbows lead', 'Shoulders away from the ears'],
    breath: 'Breathe out pulling.',
    faults: SHRUGS,
  },
  'pull overhead': {
    cues: ['Shoulders down before the arms bend', 'Down as slowly as up'],
    breath: 'Breathe out pulling.',
    faults: SHRUGS,
  },
  brace: { cues: ['Ribs and belt draw together', 'Keep breathing'], breath: 'Keep breathing.', faults: SAGS },
  'anti-turn': {
    cues: ['Hips and shoulders face one way', 'Keep breathing'],
    breath: 'Keep breathing.',
    faults: fault('the hips turn along', 'Belt buckle stays ahead.', 'load', 'lighter'),
  },
  'side brace': { cues: ['Long on both sides', 'Keep breathing'], breath: 'Keep breathing.', faults: SAGS },
  'trunk bend': {
    cues: ['Slow enough to stop anywhere', 'Chin free of the chest'],
    breath: 'Breathe out bending.',
    faults: fault('it goes by a swing', 'Slower, and stop half way once.', 'range', 'less far'),
  },
  'trunk turn': {
    cues: ['Ribs turn, hips stay', 'Slow enough to stop anywhere'],
    breath: 'Breathe out turning.',
    faults: fault('the hips turn along', 'Belt buckle stays ahead.', 'range', 'less far'),
  },
  locomotion: {
    cues: ['Tall as you go', 'Quiet feet'],
    breath: 'Breathe in time.',
    faults: fault('the feet get loud', 'Shorter steps.', 'pace', 'slower'),
  },
  jump: { cues: ['Land softly', 'Knees over the toes'], breath: 'Breathe out jumping.', faults: HARD },
  'get up': {
    cues: ['One part after another', 'Stop wherever it wobbles'],
    breath: 'Keep breathing.',
    faults: TIPS,
  },
  balance: {
    cues: ['Eyes on one point', 'Grow tall on the standing leg'],
    breath: 'Breathe normally.',
    faults: TIPS,
  },
  mobility: {
    cues: ['Only as far as it is easy', 'Slow enough to stop anywhere'],
    breath: 'Breathe slowly.',
    faults: fault('it is pushed', 'Smaller; let it come.', 'range', 'smaller'),
  },
  stretch: {
    cues: ['To a pull, never to pain', 'Keep breathing'],
    breath: 'Breathe slowly.',
    faults: fault('the breath is held', 'Ease off until it flows.', 'range', 'less far'),
  },
};

/**
 * What can be said of a move of one's own by its pattern alone. Where nothing is held nothing comes lighter: it is made easier
 * by going less far.
 */
export function plainWords(pattern: Pattern, loaded: boolean): Words {
  const words = BY_PATTERN[pattern];
  if (loaded) return words;
  const faults = words.faults.map((one) =>
    one.lever === 'load' ? { ...one, lever: 'range' as const, do: 'less far' } : one,
  );
  return { ...words, faults };
}
