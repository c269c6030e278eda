import * as z from 'zod';
import { lazily } from '../../record/index.ts';
import { maybe, whole } from '../inputs.ts';
import { defineFormat } from './entry.ts';
import { byTurns, roundsWords, several } from './parts.ts';

const schema = lazily(() =>
  z.strictObject({
    kind: z.literal('one-minute'),
    rounds: whole('rounds'),
    mostRounds: maybe('mostRounds'),
    roundRestSeconds: whole('roundRestSeconds'),
  }),
);

export const oneMinute = defineFormat({
  schema,
  name: 'One-minute stations',
  says: 'a minute each, straight on to the next',
  inputs: ['rounds', 'roundRestSeconds', 'mostRounds?'],
  usual: { kind: 'one-minute', rounds: 3, roundRestSeconds: 60 },
  dose: 'clock',
  ring: several,
  compile: (f, stations) => byTurns({ ...f, workSeconds: 60, restSeconds: 0, closingRest: false }, stations),
  words: (f) => `a minute each, ${roundsWords(f)}`,
});
