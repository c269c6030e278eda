import * as z from 'zod';
import { lazily } from '../../record/index.ts';
import { maybe, whole } from '../inputs.ts';
import { type Doing, Track } from '../timeline.ts';
import type { StationWork } from '../work.ts';
import { defineFormat, type FormatFault } from './entry.ts';
import { byCount, EMOM_MINUTE, minuteOf, minutesWords } from './parts.ts';

const schema = lazily(() =>
  z.strictObject({
    kind: z.literal('emom'),
    /** So many turns: minutes, where a turn is one. */
    minutes: whole('minutes'),
    /** A turn's length where it isn't a minute. */
    everySeconds: maybe('everySeconds'),
    order: z.enum(['station by station', 'in turn']),
    stationRestSeconds: whole('stationRestSeconds'),
    leastFillSeconds: whole('leastFillSeconds'),
    /** Every turn asks for so many more than the one before it, until somebody can't. */
    growBy: maybe('growBy'),
  }),
);

const everyOf = (f: { readonly everySeconds?: number | undefined }) => f.everySeconds ?? EMOM_MINUTE;

export const emom = defineFormat({
  schema,
  name: 'EMOM, every minute',
  says: 'a count at the top of each minute, a second move to fill it',
  inputs: ['minutes', 'order', 'stationRestSeconds', 'leastFillSeconds', 'everySeconds?', 'growBy?'],
  usual: {
    kind: 'emom',
    minutes: 4,
    order: 'station by station',
    stationRestSeconds: 20,
    leastFillSeconds: 20,
  },
  dose: 'count',
  ring: (f) => f.order === 'in turn',
  compile: (f, stations) => {
    const track = new Track();
    const every = everyOf(f);
    const minute = (at: StationWork, slot: number, k: number, of: number, round: number) => {
      const [first, fill] = at.parts(round);
      const does: Doing[] = [];
      if (first) {
        const grown = f.growBy === undefined ? undefined : (first.count ?? 1) + f.growBy * round;
        does.push(
          ...byCount([first], 1, 1, grown).map((d) => ({ ...d, seconds: Math.min(every, d.seconds) })),
        );
        const left = every - does[0]!.seconds;
        if (fill && left > 0)
          does.push({ entry: fill.entry, seconds: left, goes: 1, reps: null, most: null });
      }
      track.push('work', every, {
        slot,
        station: at.station,
        round,
        does,
        note: `${every === EMOM_MINUTE ? 'minute' : 'turn'} ${k + 1} of ${of}`,
      });
    };
    if (f.order === 'in turn') {
      for (let k = 0; k < f.minutes && stations.length > 0; k++) {
        const slot = k % stations.length;
        minute(stations[slot]!, slot, k, f.minutes, Math.floor(k / stations.length));
      }
    } else
      stations.forEach((at, i) => {
        for (let k = 0; k < f.minutes; k++) minute(at, i, k, f.minutes, k);
        if (i < stations.length - 1)
          track.push('rest', f.stationRestSeconds, { slot: i + 1, station: stations[i + 1]!.station });
      });
    return track.pieces;
  },
  words: (f) => {
    const turns =
      everyOf(f) === EMOM_MINUTE
        ? f.order === 'in turn'
          ? `every minute a station, ${f.minutes} minutes`
          : `every minute on the minute, ${f.minutes} minutes a station`
        : `every ${minutesWords(everyOf(f))}${f.order === 'in turn' ? ' a station' : ''}, ${f.minutes} times${f.order === 'in turn' ? '' : ' a station'}`;
    return f.growBy === undefined ? turns : `${turns}, ${f.growBy} more each time`;
  },
  estimate: (f, stations) => {
    if (stations.length === 0) return null;
    const every = everyOf(f);
    const turn = every === EMOM_MINUTE ? 'minute' : minutesWords(every);
    const lefts = stations.map((s) => minuteOf(s, every).left);
    const lo = Math.min(...lefts.map((l) => l.lo));
    const hi = Math.max(...lefts.map((l) => l.hi));
    return {
      of: 'seconds left',
      lo,
      hi,
      says: `${Math.max(0, Math.round(lo))} to ${Math.max(0, Math.round(hi))} s of the ${turn} left`,
      madeOf: [
        ...stations.map((s, i) => {
          const { takes } = minuteOf(s);
          return `station ${i + 1}: ${Math.round(takes.lo)} to ${Math.round(takes.hi)} s of work`;
        }),
        `at least ${f.leastFillSeconds} s to be left`,
      ],
    };
  },
  faults: (f, stations) =>
    stations.flatMap((s, i): FormatFault[] => {
      // Until the minute is too short is what such a one is for.
      if (f.growBy !== undefined) return [];
      const every = everyOf(f);
      const { takes, left } = minuteOf(s, every);
      const turn = every === EMOM_MINUTE ? 'minute' : minutesWords(every);
      return left.lo < f.leastFillSeconds
        ? [
            {
              field: 'minute',
              station: i,
              says:
                takes.mid > every
                  ? `The count takes about ${Math.round(takes.mid)} s: more than the ${turn}.`
                  : `The count takes up to ${Math.round(takes.hi)} s and leaves ${Math.max(0, Math.round(left.lo))} of the ${turn}; ${f.leastFillSeconds} are wanted.`,
            },
          ]
        : [];
    }),
  fills: true,
});
