import * as z from 'zod';
import { lazily } from '../../record/index.ts';
import { maybe, whole } from '../inputs.ts';
import { clockText, Track } from '../timeline.ts';
import { secondsFor, span, stepsOf } from '../work.ts';
import { defineFormat } from './entry.ts';
import {
  byCount,
  descentTakes,
  fatigueWords,
  minutesWords,
  once,
  passWords,
  reached,
  roundsRange,
  spread,
  stepFaults,
} from './parts.ts';

const schema = lazily(() =>
  z.strictObject({
    kind: z.literal('descending'),
    from: whole('from'),
    by: whole('by'),
    to: whole('to'),
    rounds: whole('rounds'),
    capSeconds: maybe('capSeconds'),
  }),
);

export const descending = defineFormat({
  schema,
  name: 'Descending reps',
  says: 'five of each, four of each, down to one',
  inputs: ['from', 'by', 'to', 'rounds', 'capSeconds?'],
  usual: { kind: 'descending', from: 5, by: 1, to: 1, rounds: 1 },
  dose: 'count',
  ring: () => true,
  compile: (f, stations, around) => {
    const track = new Track();
    if (stations.length === 0) return track.pieces;
    const counts = stepsOf(f.to, f.by, f.from, 'down');
    const total = counts.reduce((sum, n) => sum + n, 0);
    const pass = descentTakes(counts, stations, around);
    const cap = f.capSeconds;
    const goes = cap === undefined ? span(f.rounds) : span(...spread(reached(cap, pass, around)));
    const length = cap ?? secondsFor(f.rounds, pass.mid, around.fatigue);
    const does = stations.flatMap((s) => byCount(s.parts(0), goes.mid, goes.hi, total));
    const busy = does.reduce((sum, d) => sum + d.seconds, 0);
    track.push('work', length, {
      slot: 0,
      station: stations.length === 1 ? stations[0]!.station : -1,
      does: busy > length ? does.map((d) => ({ ...d, seconds: (d.seconds * length) / busy })) : does,
      open:
        cap === undefined
          ? {
              lo: Math.round(secondsFor(f.rounds, pass.lo, around.fatigue)),
              hi: Math.round(secondsFor(f.rounds, pass.hi, around.fatigue)),
            }
          : null,
      note: counts.join('-'),
    });
    return track.pieces;
  },
  words: (f) =>
    `${stepsOf(f.to, f.by, f.from, 'down').join('-')}, ${f.capSeconds === undefined ? once(f.rounds) : `as often as it goes in ${minutesWords(f.capSeconds)}`}`,
  estimate: (f, stations, around) => {
    if (stations.length === 0) return null;
    const pass = descentTakes(stepsOf(f.to, f.by, f.from, 'down'), stations, around);
    const made = [passWords(pass), ...fatigueWords(around)];
    if (f.capSeconds === undefined) {
      const lo = secondsFor(f.rounds, pass.lo, around.fatigue);
      const hi = secondsFor(f.rounds, pass.hi, around.fatigue);
      return { of: 'seconds', lo, hi, says: `${clockText(lo)} to ${clockText(hi)}`, madeOf: made };
    }
    const { lo, hi } = reached(f.capSeconds, pass, around);
    return { of: 'rounds', lo, hi, says: roundsRange(lo, hi), madeOf: made };
  },
  faults: (f) => stepFaults({ from: f.to, by: f.by, to: f.from }),
  steps: (f) => ({
    low: f.to,
    by: f.by,
    high: f.from,
    to: (top) => stepsOf(f.to, f.by, top, 'down'),
    falls: true,
  }),
});
