import * as z from 'zod';
import { lazily } from '../../record/index.ts';
import { maybe, whole } from '../inputs.ts';
import { clockText, Track } from '../timeline.ts';
import { passTakes } from '../work.ts';
import { defineFormat } from './entry.ts';
import { fatigueWords, minutesWords, once, paced, passWords, soonest, timeFor, withinCap } from './parts.ts';

const schema = lazily(() =>
  z.strictObject({
    kind: z.literal('for time'),
    rounds: whole('rounds'),
    capSeconds: maybe('capSeconds'),
    led: z.boolean(),
  }),
);

export const forTime = defineFormat({
  schema,
  name: 'Rounds for time',
  says: 'so many rounds as quickly as is clean, a cap where one is set',
  inputs: ['rounds', 'capSeconds?', 'led'],
  usual: { kind: 'for time', rounds: 3, capSeconds: 720, led: false },
  dose: 'count',
  ring: (f) => f.rounds > 1,
  compile: (f, stations, around) => {
    const track = new Track();
    if (stations.length === 0) return track.pieces;
    const takes = timeFor(f.rounds, stations, around, f.led);
    const cap = f.capSeconds ?? Number.POSITIVE_INFINITY;
    const length = Math.min(cap, takes.mid);
    track.push('work', length, {
      slot: 0,
      station: stations.length === 1 ? stations[0]!.station : -1,
      does: withinCap(stations, length, f.rounds, f.rounds),
      open: { lo: Math.round(Math.min(cap, takes.lo)), hi: Math.round(Math.min(cap, takes.hi)) },
      note: f.led ? 'led in unison' : 'each at their own pace',
    });
    return track.pieces;
  },
  words: (f) =>
    f.capSeconds === undefined
      ? `${once(f.rounds)} for time`
      : `${minutesWords(f.capSeconds)} or ${f.rounds === 1 ? 'one round' : `${f.rounds} rounds`}, whichever comes first`,
  estimate: (f, stations, around) => {
    if (stations.length === 0) return null;
    const takes = timeFor(f.rounds, stations, around, f.led);
    const over = f.capSeconds !== undefined && takes.hi > f.capSeconds;
    return {
      of: 'seconds',
      lo: takes.lo,
      hi: takes.hi,
      says: `${clockText(takes.lo)} to ${clockText(takes.hi)}${over ? `; ends at ${clockText(f.capSeconds!)}` : ''}`,
      madeOf: [passWords(paced(passTakes(stations, around), f.led)), ...fatigueWords(around), once(f.rounds)],
    };
  },
  faults: (f, stations) =>
    f.capSeconds !== undefined && stations.length > 0 && soonest(f.rounds, stations) > f.capSeconds
      ? [
          {
            field: 'capSeconds',
            station: null,
            says: `Even the quickest take ${clockText(soonest(f.rounds, stations))} for ${once(f.rounds)}; the cap is ${clockText(f.capSeconds)}.`,
          },
        ]
      : [],
  tallies: true,
  pace: (f) => (f.led ? 'led' : 'own'),
});
