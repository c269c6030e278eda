import * as z from 'zod';
import { lazily } from '../../record/index.ts';
import { whole } from '../inputs.ts';
import { Track } from '../timeline.ts';
import { defineFormat } from './entry.ts';
import { pushChange, pushSet } from './parts.ts';

const schema = lazily(() =>
  z.strictObject({
    kind: z.literal('superset'),
    sets: whole('sets'),
    restSeconds: whole('restSeconds'),
    pairRestSeconds: whole('pairRestSeconds'),
  }),
);

export const superset = defineFormat({
  schema,
  name: 'Supersets',
  says: 'stations in pairs: one, the other, rest',
  inputs: ['sets', 'restSeconds', 'pairRestSeconds'],
  usual: { kind: 'superset', sets: 3, restSeconds: 10, pairRestSeconds: 60 },
  dose: 'count',
  ring: (f) => f.sets > 1,
  compile: (f, stations, around) => {
    const track = new Track();
    for (let pair = 0; pair < stations.length; pair += 2)
      for (let set = 0; set < f.sets; set++) {
        const two = stations.slice(pair, pair + 2);
        two.forEach((at, k) => {
          pushSet(track, at, pair + k, set, f.sets);
          const next = k === 0 && two[1] ? two[1] : set < f.sets - 1 ? two[0]! : stations[pair + 2];
          if (next)
            pushChange(track, k === 0 && two[1] ? f.restSeconds : f.pairRestSeconds, at, next, around, {
              slot: stations.indexOf(next),
              round: set,
              station: next.station,
            });
        });
      }
    return track.pieces;
  },
  words: (f) => `pairs, ${f.sets} times each, ${f.pairRestSeconds} s after a pair`,
  faults: (_f, stations) =>
    stations.length % 2 === 1
      ? [
          {
            field: 'stations',
            station: stations.length - 1,
            says: 'The last station has no partner: supersets go in pairs.',
          },
        ]
      : [],
  pairs: true,
});
