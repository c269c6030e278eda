import * as z from 'zod';
import { lazily } from '../../record/index.ts';
import { INPUTS, whole } from '../inputs.ts';
import { Track } from '../timeline.ts';
import { defineFormat } from './entry.ts';
import { inSlot, slotsIn } from './parts.ts';

const schema = lazily(() =>
  z.strictObject({
    kind: z.literal('tabata'),
    workSeconds: whole('workSeconds'),
    restSeconds: whole('restSeconds'),
    bouts: whole('bouts'),
  }),
);

export const tabata = defineFormat({
  schema,
  name: 'Short bouts',
  says: 'twenty seconds hard, ten off, eight times',
  inputs: ['workSeconds', 'restSeconds', 'bouts'],
  usual: { kind: 'tabata', workSeconds: 20, restSeconds: 10, bouts: 8 },
  dose: 'clock',
  ring: (f) => f.bouts > 1,
  compile: (f, stations) => {
    const track = new Track();
    const n = Math.max(1, slotsIn(stations, 0).length);
    for (let bout = 0; bout < f.bouts && stations.length > 0; bout++) {
      const round = Math.floor(bout / n);
      const slots = slotsIn(stations, round);
      const { at, side } = slots[bout % n]!;
      track.push('work', f.workSeconds, {
        slot: bout % n,
        round,
        station: at.station,
        side,
        does: inSlot(at.parts(round), f.workSeconds),
        note: `bout ${bout + 1} of ${f.bouts}`,
      });
      const next = slots[(bout + 1) % n]!;
      track.push('rest', f.restSeconds, {
        slot: (bout + 1) % n,
        round,
        station: next.at.station,
        side: next.side,
      });
    }
    return track.pieces;
  },
  words: (f) => `${f.workSeconds} s hard, ${f.restSeconds} off, ${f.bouts} times`,
  faults: (f, stations) => {
    const slots = slotsIn(stations, 0);
    const missed = slots[f.bouts];
    if (!missed) return [];
    const first = stations.indexOf(missed.at);
    const left = stations.length - first;
    return [
      {
        field: 'bouts',
        station: first,
        says: `${f.bouts} bouts end before station ${first + 1}${left > 1 ? ` and the ${left === 2 ? 'one' : left - 1} after it` : ''}; once round takes ${slots.length}.`,
      },
    ];
  },
  fix: (f, fault, stations) => {
    const bouts = slotsIn(stations, 0).length;
    return fault.field === 'bouts' && bouts <= INPUTS.bouts.max
      ? { label: `${bouts} bouts`, format: { ...f, bouts } }
      : null;
  },
});
