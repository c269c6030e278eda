import * as z from 'zod';
import { lazily } from '../../record/index.ts';
import { whole } from '../inputs.ts';
import { defineFormat } from './entry.ts';
import { byTurns, endsOf, roundsWords, several, TURNS, turns, turnsInputs } from './parts.ts';

const schema = lazily(() =>
  z.strictObject({
    kind: z.literal('staggered'),
    ...turns,
    innerPercent: whole('innerPercent'),
    middlePercent: whole('middlePercent'),
  }),
);

/**
 * Rests that differ, behind the same seconds of work, as one slot that the inner lanes leave earlier: each lane's share
 * of work in the slot (per cent, rounded) is what it was by itself. The outer lane has no rest.
 */
export function oneSlot(work: number, innerRest: number, middleRest: number) {
  const share = (rest: number) => Math.round((100 * work) / (work + rest));
  return {
    kind: 'staggered',
    workSeconds: work + innerRest,
    restSeconds: 0,
    innerPercent: share(innerRest),
    middlePercent: share(middleRest),
  } as const;
}

export const staggered = defineFormat({
  schema,
  name: 'Staggered finish',
  says: 'one clock; inner lanes end earlier inside the slot and keep moving gently',
  inputs: [...turnsInputs, 'innerPercent', 'middlePercent'],
  usual: { kind: 'staggered', ...TURNS, innerPercent: 67, middlePercent: 83 },
  dose: 'clock',
  ring: several,
  compile: (f, stations) => byTurns(f, stations, endsOf(f)),
  words: (f) => {
    const ends = [...new Set(endsOf(f))];
    return `${ends.join(', ')} of ${f.workSeconds} s, ${f.restSeconds} off, ${roundsWords(f)}`;
  },
  faults: (f) =>
    f.innerPercent > f.middlePercent
      ? [
          {
            field: 'innerPercent',
            station: null,
            says: `The inner lanes would end after the middle one: ${f.innerPercent} % is more than ${f.middlePercent} %.`,
          },
        ]
      : [],
});
