import * as z from 'zod';
import { lazily } from '../../record/index.ts';
import { whole } from '../inputs.ts';
import { Track } from '../timeline.ts';
import { goTakes } from '../work.ts';
import { defineFormat } from './entry.ts';
import { byCount } from './parts.ts';

const schema = lazily(() => z.strictObject({ kind: z.literal('flow'), restSeconds: whole('restSeconds') }));

export const flow = defineFormat({
  schema,
  name: 'One after another',
  says: 'a time for each, straight through: warm-up, cool-down',
  inputs: ['restSeconds'],
  usual: { kind: 'flow', restSeconds: 0 },
  dose: 'time',
  ring: () => false,
  compile: (f, stations) => {
    const track = new Track();
    stations.forEach((at, i) => {
      const parts = at.parts(0);
      const takes = goTakes(parts);
      track.push('work', Math.max(1, takes.mid), {
        slot: i,
        station: at.station,
        does: byCount(parts),
      });
      const next = stations[i + 1];
      if (next) track.push('rest', f.restSeconds, { slot: i + 1, station: next.station });
    });
    return track.pieces;
  },
  words: () => 'straight through',
});
