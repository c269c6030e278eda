import * as z from 'zod';
import { lazily } from '../../record/index.ts';
import { whole } from '../inputs.ts';
import { Track } from '../timeline.ts';
import { stepsOf } from '../work.ts';
import { defineFormat } from './entry.ts';
import { byCount, byTime, pushChange, pushOpen, stepFaults, stepTakes } from './parts.ts';

const schema = lazily(() =>
  z.strictObject({
    kind: z.literal('pyramid'),
    from: whole('from'),
    by: whole('by'),
    to: whole('to'),
    way: z.enum(['up', 'down', 'up and down']),
    /** The steps are seconds rather than counts. */
    timed: z.boolean().optional(),
    holdSeconds: whole('holdSeconds'),
    stepRestSeconds: whole('stepRestSeconds'),
  }),
);

export const pyramid = defineFormat({
  schema,
  name: 'Pyramid',
  says: 'the count climbs step by step, and comes down again where asked',
  inputs: ['from', 'by', 'to', 'way', 'timed?', 'holdSeconds', 'stepRestSeconds'],
  usual: { kind: 'pyramid', from: 2, by: 2, to: 10, way: 'up', holdSeconds: 0, stepRestSeconds: 10 },
  dose: 'count',
  ring: () => true,
  compile: (f, stations, around) => {
    const track = new Track();
    const steps = stepsOf(f.from, f.by, f.to, f.way);
    steps.forEach((count, step) => {
      stations.forEach((at, i) => {
        const parts = at.parts(step);
        const stretch = { slot: i, round: step, station: at.station };
        if (f.timed)
          track.push('work', Math.max(1, stepTakes(parts, count, true).mid), {
            ...stretch,
            does: byTime(parts, count),
            note: `${count} s each`,
          });
        else {
          const does = byCount(parts, 1, 1, count);
          // What has a length of its own keeps it at every step.
          const lasts = does.reduce((sum, one) => sum + one.seconds, 0);
          const held = does.every((one) => !one.reps);
          pushOpen(track, stepTakes(parts, count), {
            ...stretch,
            does,
            note: held ? `${Math.round(lasts)} s` : `${count} each`,
          });
        }
        const next = stations[i + 1];
        if (next) pushChange(track, 0, at, next, around, { slot: i + 1, round: step, station: next.station });
      });
      // What was done last is held after every step, the last one too.
      const last = stations.at(-1);
      const held = last?.parts(step).at(-1);
      if (last && held)
        track.push('hold', f.holdSeconds, {
          slot: stations.length - 1,
          round: step,
          station: last.station,
          does: [{ entry: held.entry, seconds: f.holdSeconds, goes: 1, reps: 0, most: 0 }],
        });
      if (step < steps.length - 1) {
        track.push('rest', f.stepRestSeconds, {
          slot: 0,
          round: step,
          station: stations[0]?.station ?? -1,
        });
      }
    });
    return track.pieces;
  },
  words: (f) => {
    const begins = stepsOf(f.from, f.by, f.to, f.way).slice(0, 3).join('-');
    const seconds = f.timed ? ' seconds' : '';
    if (f.way === 'up and down') return `${begins}… to ${f.to} and back to ${f.from}${seconds} of each`;
    return `${begins}… to ${f.way === 'up' ? f.to : f.from}${seconds} of each`;
  },
  faults: (f) => stepFaults(f),
  steps: (f) => ({
    low: f.from,
    by: f.by,
    high: f.to,
    to: (top) => stepsOf(f.from, f.by, top, f.way),
    falls: false,
  }),
  fix: (f, fault) => {
    const to = stepsOf(f.from, f.by, f.to, 'up').at(-1);
    return fault.field === 'by' && to !== undefined ? { label: `Up to ${to}`, format: { ...f, to } } : null;
  },
});
