import * as z from 'zod';
import { lazily } from '../../record/index.ts';
import { whole } from '../inputs.ts';
import { Track } from '../timeline.ts';
import { defineFormat } from './entry.ts';
import { pushChange, pushSet } from './parts.ts';

const schema = lazily(() =>
  z.strictObject({
    kind: z.literal('sets'),
    sets: whole('sets'),
    restSeconds: whole('restSeconds'),
    stationRestSeconds: whole('stationRestSeconds'),
  }),
);

export const sets = defineFormat({
  schema,
  name: 'Sets and reps',
  says: 'all sets of a station, then the next',
  inputs: ['sets', 'restSeconds', 'stationRestSeconds'],
  usual: { kind: 'sets', sets: 3, restSeconds: 60, stationRestSeconds: 90 },
  dose: 'count',
  ring: (f) => f.sets > 1,
  compile: (f, stations, around) => {
    const track = new Track();
    stations.forEach((at, i) => {
      const many = at.sets ?? f.sets;
      for (let set = 0; set < many; set++) {
        pushSet(track, at, i, set, many);
        if (set < many - 1) track.push('rest', f.restSeconds, { slot: i, round: set, station: at.station });
      }
      const next = stations[i + 1];
      if (next)
        pushChange(track, f.stationRestSeconds, at, next, around, {
          slot: i + 1,
          station: next.station,
        });
    });
    return track.pieces;
  },
  words: (f) => `${f.sets} ${f.sets === 1 ? 'set' : 'sets'} each, ${f.restSeconds} s between`,
});
