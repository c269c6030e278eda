import * as z from 'zod';
import { lazily } from '../../record/index.ts';
import { whole } from '../inputs.ts';
import { defineFormat } from './entry.ts';
import { byTurns, several, TURNS, turns, turnsInputs, turnsWords } from './parts.ts';

const schema = lazily(() =>
  z.strictObject({ kind: z.literal('rotation'), ...turns, groups: whole('groups') }),
);

export const rotation = defineFormat({
  schema,
  name: 'Rotation',
  says: 'groups move round the stations; everything is in use at once',
  inputs: [...turnsInputs, 'groups'],
  usual: { kind: 'rotation', ...TURNS, groups: 4 },
  dose: 'clock',
  ring: several,
  compile: (f, stations) => byTurns(f, stations),
  words: (f) => `${f.groups} groups rotate, ${turnsWords(f)}`,
  faults: (f, stations) =>
    f.groups > stations.length && stations.length > 0
      ? [
          {
            field: 'groups',
            station: null,
            says: `${f.groups} groups can’t be spread over ${stations.length} ${stations.length === 1 ? 'station' : 'stations'}.`,
          },
        ]
      : [],
  groups: (f) => f.groups,
  fix: (f, fault, stations) =>
    fault.field === 'groups'
      ? { label: `${stations.length} groups`, format: { ...f, groups: stations.length } }
      : null,
});
