import { formatEntry } from '../clock/index.ts';
import { IMPACT } from '../limits/index.ts';
import { type Block, isCircuit, isRing, KINDS, MANY_RUNS, thirdsRunning } from '../session/index.ts';
import { type Check, here, low, type Raw } from './check.ts';
import { HARD_MET } from './order.ts';

/** Share of the work that two moves put on the same muscles when they count as alike. Estimate. */
const ALIKE_MUSCLES = 0.75;
/** Times down to the floor and up that are a lot in a session. Estimate. */
const MANY_TIMES_DOWN = { steady: 6, others: 24 } as const;
/** Pairs of stations that follow each other, the seam of a ring included. */
function* neighbours(block: Block): Generator<[number, number]> {
  const n = block.stations.length;
  const last = isRing(block) && n > 2 ? n : n - 1;
  for (let i = 0; i < last; i++) yield [i, (i + 1) % n];
}

export const sameJoint: Check = {
  id: 'same joint',
  find: (c) =>
    thirdsRunning(c.library, c.session.blocks, c.formAt).map(({ block: b, station, joint }): Raw => {
      const across = station < MANY_RUNS - 1;
      return {
        severity: 'mend',
        block: b,
        station,
        says: `${here(c, b)}Three stations running load ${joint}, up to ${low(c.name(b, station))}${across ? ', across the end of the round' : ''}. Move one apart.`,
        fix: { label: 'Best order…', kind: 'order', block: b },
      };
    }),
};

export const sameMuscles: Check = {
  id: 'same muscles',
  find: (c) =>
    c.session.blocks.flatMap((block, b): Raw[] => {
      // In pairs it is often meant.
      if (!isCircuit(block) || formatEntry(block.format.kind).pairs || block.stations.length < 3) return [];
      for (const [i, k] of neighbours(block)) {
        const [a, z] = [c.traits(b, i).muscles, c.traits(b, k).muscles];
        const shared = a.reduce((sum, share, m) => sum + Math.min(share, z[m]!), 0);
        if (shared >= ALIKE_MUSCLES && block.stations[i]!.move !== block.stations[k]!.move)
          return [
            {
              severity: 'note',
              block: b,
              station: k,
              says: `${here(c, b)}${c.name(b, i)} and ${low(c.name(b, k))}, one after the other, use the same muscles.`,
              fix: { label: 'Best order…', kind: 'order', block: b },
            },
          ];
      }
      return [];
    }),
};

export const hardOnesAdjacent: Check = {
  id: 'hard ones adjacent',
  find: (c) =>
    c.session.blocks.flatMap((block, b): Raw[] => {
      if (!isCircuit(block) || block.stations.length < 4) return [];
      const hard = block.stations.map((_, i) => c.traits(b, i).hard);
      const [first, second] = hard.map((met, i) => ({ met, i })).sort((x, y) => y.met - x.met || x.i - y.i);
      if (!first || !second || second.met < HARD_MET) return [];
      // Where most are hard, some must stand together.
      if (hard.filter((met) => met >= HARD_MET).length > block.stations.length / 2) return [];
      const together = [...neighbours(block)].some(
        ([i, k]) => (i === first.i && k === second.i) || (i === second.i && k === first.i),
      );
      return together
        ? [
            {
              severity: 'note',
              block: b,
              station: Math.max(first.i, second.i),
              says: `${here(c, b)}The two hardest, ${low(c.name(b, first.i))} and ${low(c.name(b, second.i))}, follow each other.`,
              fix: { label: 'Best order…', kind: 'order', block: b },
            },
          ]
        : [];
    }),
};

export const downAndUp: Check = {
  id: 'down and up',
  find: (c) => {
    const steady = c.session.forWhom === 'older' || c.session.forWhom === 'clinical';
    const most = MANY_TIMES_DOWN[steady ? 'steady' : 'others'];
    if (c.sums.floorChanges <= most) return [];
    const worst = c.sums.blocks.map((sum, b) => ({ n: sum.floorChanges, b })).sort((x, y) => y.n - x.n)[0]!;
    return [
      {
        severity: steady ? 'mend' : 'note',
        block: worst.b,
        station: null,
        says: `Down to the floor and up again ${c.sums.floorChanges} times: a lot for ${KINDS[c.session.forWhom].name}.`,
        fix: { label: 'Best order…', kind: 'order', block: worst.b },
      },
    ];
  },
};

export const landings: Check = {
  id: 'landings',
  find: (c) => {
    const top = IMPACT[3];
    const perMinute = c.sums.mostLandingsAMinute > top.lightPerMinute;
    const hard = c.sums.hardLandings > top.highPerSession;
    const light = c.sums.lightLandings > top.lightPerSession;
    if (!perMinute && !hard && !light) return [];
    return [
      {
        severity: 'mend',
        block: null,
        station: null,
        says: hard
          ? `${c.sums.hardLandings} hard landings: more than ${top.highPerSession} in a session is for the trained.`
          : perMinute
            ? `Up to ${c.sums.mostLandingsAMinute} landings in a minute: ${top.lightPerMinute} is a lot already.`
            : `${c.sums.lightLandings} landings in all: ${top.lightPerSession} is a lot already.`,
        fix: null,
      },
    ];
  },
};
