import * as z from 'zod';
import { lazily } from '../../record/index.ts';
import { defineFormat } from './entry.ts';
import { byTurns, several, TURNS, turns, turnsInputs, turnsWords } from './parts.ts';

const schema = lazily(() => z.strictObject({ kind: z.literal('intervals'), ...turns }));

export const intervals = defineFormat({
  schema,
  name: 'Intervals',
  says: 'work and rest by the clock, station after station',
  inputs: turnsInputs,
  usual: { kind: 'intervals', ...TURNS },
  dose: 'clock',
  ring: several,
  compile: (f, stations) => byTurns(f, stations),
  words: turnsWords,
});
