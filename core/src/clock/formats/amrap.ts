import * as z from 'zod';
import { lazily } from '../../record/index.ts';
import { whole } from '../inputs.ts';
import { Track } from '../timeline.ts';
import { passTakes } from '../work.ts';
import { defineFormat } from './entry.ts';
import { fatigueWords, minutesWords, paced, passWords, reached, roundsRange, withinCap } from './parts.ts';

const schema = lazily(() =>
  z.strictObject({
    kind: z.literal('amrap'),
    capSeconds: whole('capSeconds'),
    led: z.boolean(),
  }),
);

export const amrap = defineFormat({
  schema,
  name: 'AMRAP, most rounds',
  says: 'a fixed time; rounds are counted',
  inputs: ['capSeconds', 'led'],
  usual: { kind: 'amrap', capSeconds: 600, led: false },
  dose: 'count',
  ring: () => true,
  compile: (f, stations, around) => {
    const track = new Track();
    if (stations.length === 0) return track.pieces;
    const pass = paced(passTakes(stations, around), f.led);
    const { mid, hi } = reached(f.capSeconds, pass, around);
    track.push('work', f.capSeconds, {
      slot: 0,
      station: stations.length === 1 ? stations[0]!.station : -1,
      does: withinCap(stations, f.capSeconds, mid, hi),
      note: f.led ? 'led in unison' : 'each at their own pace',
    });
    return track.pieces;
  },
  words: (f) => `as many rounds as you can in ${minutesWords(f.capSeconds)}${f.led ? ', together' : ''}`,
  estimate: (f, stations, around) => {
    const pass = paced(passTakes(stations, around), f.led);
    if (stations.length === 0 || pass.mid <= 0) return null;
    const { lo, hi } = reached(f.capSeconds, pass, around);
    return {
      of: 'rounds',
      lo,
      hi,
      says: roundsRange(lo, hi),
      madeOf: [passWords(pass), ...fatigueWords(around), `${minutesWords(f.capSeconds)} in all`],
    };
  },
  tallies: true,
  pace: (f) => (f.led ? 'led' : 'own'),
});
