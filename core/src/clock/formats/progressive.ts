import * as z from 'zod';
import { lazily } from '../../record/index.ts';
import { defineFormat } from './entry.ts';
import { byTurns, several, TURNS, turns, turnsInputs, turnsWords } from './parts.ts';

const schema = lazily(() => z.strictObject({ kind: z.literal('progressive'), ...turns }));

export const progressive = defineFormat({
  schema,
  name: 'Progressive rounds',
  says: 'each round a rung harder, as far as each can go',
  inputs: turnsInputs,
  usual: { kind: 'progressive', ...TURNS, rounds: 3 },
  dose: 'clock',
  ring: several,
  compile: (f, stations) => byTurns(f, stations),
  words: (f) => `${turnsWords(f)}, a rung harder each`,
  climbs: true,
});
