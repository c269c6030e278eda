import * as z from 'zod';
import { lazily } from '../../record/index.ts';
import { maybe, whole } from '../inputs.ts';
import { Track } from '../timeline.ts';
import { goTakes } from '../work.ts';
import { defineFormat } from './entry.ts';
import { byCount, pushChange, pushOpen, roundsWords, several, sided, slotsIn } from './parts.ts';

const schema = lazily(() =>
  z.strictObject({
    kind: z.literal('rounds'),
    rounds: whole('rounds'),
    mostRounds: maybe('mostRounds'),
    restSeconds: whole('restSeconds'),
    roundRestSeconds: whole('roundRestSeconds'),
  }),
);

export const rounds = defineFormat({
  schema,
  name: 'Fixed rounds',
  says: 'a count at each station, round after round, rest as set',
  inputs: ['rounds', 'restSeconds', 'roundRestSeconds', 'mostRounds?'],
  usual: { kind: 'rounds', rounds: 3, restSeconds: 15, roundRestSeconds: 60 },
  dose: 'count',
  ring: several,
  compile: (f, stations, around) => {
    const track = new Track();
    for (let round = 0; round < f.rounds; round++) {
      const slots = slotsIn(stations, round);
      slots.forEach(({ at, side }, i) => {
        const parts = sided(at, round, side);
        pushOpen(track, goTakes(parts), {
          slot: i,
          round,
          station: at.station,
          side,
          does: byCount(parts),
        });
        const next = slots[i + 1];
        if (next)
          pushChange(track, f.restSeconds, at, next.at, around, {
            slot: i + 1,
            round,
            station: next.at.station,
            side: next.side,
          });
      });
      if (round < f.rounds - 1) track.push('round rest', f.roundRestSeconds, { round });
    }
    return track.pieces;
  },
  words: (f) => `${roundsWords(f)} by count, ${f.restSeconds} s between`,
});
