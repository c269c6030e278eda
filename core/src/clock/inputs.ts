import * as z from 'zod';
import { lazily } from '../record/index.ts';

/** A number that a format asks for: its words, its bounds, and the step a trainer thinks in. */
export interface NumberInput {
  readonly says: string;
  readonly unit: 's' | 'min' | '×' | 'reps' | '';
  readonly min: number;
  readonly max: number;
  readonly step: number;
}

/** Every number of every format. One place, so that the form, the schema and its errors say the same. */
export const INPUTS = {
  workSeconds: { says: 'Work', unit: 's', min: 5, max: 600, step: 5 },
  restSeconds: { says: 'Rest', unit: 's', min: 0, max: 600, step: 5 },
  rounds: { says: 'Rounds', unit: '×', min: 1, max: 20, step: 1 },
  mostRounds: { says: 'Rounds at most', unit: '×', min: 2, max: 20, step: 1 },
  roundRestSeconds: { says: 'Between rounds', unit: 's', min: 0, max: 900, step: 15 },
  bouts: { says: 'Bouts', unit: '×', min: 1, max: 80, step: 1 },
  capSeconds: { says: 'Time', unit: 's', min: 30, max: 3600, step: 30 },
  minutes: { says: 'Minutes', unit: 'min', min: 1, max: 60, step: 1 },
  everySeconds: { says: 'Seconds a turn', unit: 's', min: 20, max: 600, step: 15 },
  growBy: { says: 'More each turn', unit: 'reps', min: 1, max: 10, step: 1 },
  leastFillSeconds: { says: 'Least left to fill', unit: 's', min: 0, max: 50, step: 5 },
  stationRestSeconds: { says: 'Between stations', unit: 's', min: 0, max: 600, step: 5 },
  sets: { says: 'Sets', unit: '×', min: 1, max: 12, step: 1 },
  pairRestSeconds: { says: 'After the pair', unit: 's', min: 0, max: 600, step: 5 },
  from: { says: 'From', unit: 'reps', min: 1, max: 100, step: 1 },
  by: { says: 'By', unit: 'reps', min: 1, max: 50, step: 1 },
  to: { says: 'To', unit: 'reps', min: 1, max: 100, step: 1 },
  holdSeconds: { says: 'Hold between', unit: 's', min: 0, max: 120, step: 5 },
  stepRestSeconds: { says: 'Between steps', unit: 's', min: 0, max: 300, step: 5 },
  groups: { says: 'Groups', unit: '', min: 1, max: 20, step: 1 },
  innerPercent: { says: 'Inner lanes end at', unit: '', min: 30, max: 100, step: 1 },
  middlePercent: { says: 'Middle lane ends at', unit: '', min: 30, max: 100, step: 1 },
} as const satisfies Record<string, NumberInput>;
export type InputKey = keyof typeof INPUTS;

/** Ticks and choices of formats. */
export const CHOICES = {
  closingRest: { says: 'Rest after the last station too', of: null },
  led: { says: 'Led in unison', of: null },
  timed: { says: 'Steps are seconds, not counts', of: null },
  order: {
    says: 'Minutes go',
    of: { 'station by station': 'station by station', 'in turn': 'in turn, a station a minute' },
  },
  way: { says: 'Way', of: { up: 'up', down: 'down', 'up and down': 'up and down' } },
} as const;
export type ChoiceKey = keyof typeof CHOICES;

/** A whole number between the bounds of an input, refused in words. */
export const whole = (key: InputKey) => {
  const { says, min, max } = INPUTS[key];
  const error = `${says}: a whole number from ${min} to ${max}`;
  return lazily(() => z.number({ error }).int({ error }).min(min, { error }).max(max, { error }));
};
/** The same, where it may be left out. */
export const maybe = (key: InputKey) => whole(key).optional();
