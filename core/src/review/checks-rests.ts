import { floorSeconds } from '../person/index.ts';
import {
  blockName,
  drinksFor,
  isCircuit,
  KINDS,
  roleOf,
  showSecondsIn,
  showSecondsOf,
} from '../session/index.ts';
import { type Check, here, low, type Raw, restFix, restOf, span } from './check.ts';

export const restTooShort: Check = {
  id: 'rest too short',
  find: (c) =>
    c.session.blocks.flatMap((block, b): Raw[] => {
      const short = c.sums.changes.filter((ch) => ch.block === b && ch.needs > ch.has);
      if (short.length === 0 || !isCircuit(block)) return [];
      const worst = short.reduce((a, x) => (x.needs > a.needs ? x : a), short[0]!);
      const seams = new Set(short.map((ch) => `${ch.from}>${ch.to}`)).size;
      const offset = c.entries.find((e) => e.block === b)!.station;
      const [from, to] = [worst.from - offset, worst.to - offset];
      return [
        {
          severity: 'mend',
          block: b,
          station: to,
          says: `${here(c, b)}${worst.has} s isn’t enough to get from ${low(c.name(b, from))} to ${low(c.name(b, to))}: allow ${worst.needs} s${seams > 1 ? ` (${seams} places)` : ''}.`,
          fix: restFix(block, b, worst.needs),
        },
      ];
    }),
};

export const restOfTheirOwn: Check = {
  id: 'rest of their own',
  find: (c) => {
    const needs = floorSeconds(c.limits ?? [], 'rest');
    return c.session.blocks.flatMap((block, b): Raw[] => {
      const rest = restOf(block);
      return rest && isCircuit(block) && needs > rest.seconds
        ? [
            {
              severity: 'mend',
              block: b,
              station: null,
              says: `${here(c, b)}They need at least ${needs} s of rest after each bout; the clock gives ${rest.seconds}.`,
              fix: restFix(block, b, needs),
            },
          ]
        : [];
    });
  },
};

export const workToRest: Check = {
  id: 'work to rest',
  find: (c) =>
    c.session.blocks.flatMap((block, b): Raw[] => {
      if (!isCircuit(block) || !('workSeconds' in block.format) || !('restSeconds' in block.format))
        return [];
      const { workSeconds, restSeconds } = block.format;
      const kind = KINDS[c.session.forWhom];
      const least = Math.ceil(workSeconds / kind.mostWorkToRest / 5) * 5;
      if (workSeconds > kind.mostWorkSeconds)
        return [
          {
            severity: 'note',
            block: b,
            station: null,
            says: `${here(c, b)}${workSeconds} s at a stretch is long for ${kind.name}; up to ${kind.mostWorkSeconds} s suits most.`,
            fix: {
              label: `Work ${kind.mostWorkSeconds} s`,
              kind: 'block',
              block: b,
              becomes: { ...block, format: { ...block.format, workSeconds: kind.mostWorkSeconds } },
            },
          },
        ];
      return restSeconds * kind.mostWorkToRest < workSeconds
        ? [
            {
              severity: 'note',
              block: b,
              station: null,
              says: `${here(c, b)}${workSeconds} s of work to ${restSeconds} of rest is dense for ${kind.name}.`,
              fix: restFix(block, b, least),
            },
          ]
        : [];
    }),
};

export const showingTakesTime: Check = {
  id: 'showing takes time',
  find: (c) =>
    c.session.blocks.flatMap((block, b): Raw[] => {
      if (block.showing === 'in the rest') {
        const rest = restOf(block)?.seconds ?? 0;
        const i = block.stations.findIndex((s) => showSecondsOf(s) > rest);
        if (i < 0) return [];
        const needs = showSecondsOf(block.stations[i]!);
        return [
          {
            severity: 'mend',
            block: b,
            station: i,
            says: `${here(c, b)}Showing ${low(c.name(b, i))} takes about ${needs} s; the rest before it is ${rest}.`,
            fix: {
              label: 'Show them before',
              kind: 'block',
              block: b,
              becomes: { ...block, showing: 'before' },
            },
          },
        ];
      }
      if (block.showing !== 'over the warm-up') return [];
      const warm = c.session.blocks.findIndex((x) => roleOf(x) === 'warm-up');
      const has = warm < 0 ? 0 : c.sums.blocks[warm]!.lengthSeconds;
      const needs = showSecondsIn(block);
      return needs > has
        ? [
            {
              severity: 'mend',
              block: b,
              station: null,
              says: `${here(c, b)}Showing all of it takes about ${span(Math.ceil(needs / 10) * 10)}; ${warm < 0 ? 'there is no warm-up to do it over' : `the warm-up is ${span(has)}`}.`,
              fix: {
                label: 'Show them before',
                kind: 'block',
                block: b,
                becomes: { ...block, showing: 'before' },
              },
            },
          ]
        : [];
    }),
};

export const drinkNeeded: Check = {
  id: 'drink',
  find: (c) => {
    const stops = drinksFor(c.session, c.facts).filter((b) => !c.session.blocks[b]!.after?.drink);
    if (stops.length === 0) return [];
    const b = stops[0]!;
    const block = c.session.blocks[b]!;
    const seconds = Math.max(60, block.after?.seconds ?? 0);
    return [
      {
        severity: 'note',
        block: b,
        station: null,
        says: `${KINDS[c.session.forWhom].name.replace(/^./, (x) => x.toUpperCase())} want a drink after about ${KINDS[c.session.forWhom].drinkMinutes} minutes: have it after ${low(blockName(c.session.blocks, b))}.`,
        fix: {
          label: 'Drink there',
          kind: 'block',
          block: b,
          becomes: { ...block, after: { ...block.after, seconds, drink: true } },
        },
      },
    ];
  },
};
