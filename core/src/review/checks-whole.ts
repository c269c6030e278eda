import { formatEntry } from '../clock/index.ts';
import type { Library } from '../ladder/index.ts';
import { type Block, fitTo, formatFaults, isCircuit, worksIn } from '../session/index.ts';
import { type Check, type Context, type Fix, here, low, type Raw, span, withStation } from './check.ts';

/** Minutes that may be left over before it is worth a word: five, or a tenth of what is booked. Estimate. */
const LEFT_OVER = { seconds: 300, share: 0.1 } as const;

/** New moves at once that are as much as anybody takes in. Common practice. */
const MANY_NEW = { adults: 4, others: 3 } as const;
const easierKnown = new WeakMap<Library, Map<string, boolean>>();
/** Whether there is something easier to fall back on; a move the library lacks isn't complained of here. */
function hasEasier(library: Library, id: string): boolean {
  let known = easierKnown.get(library);
  if (!known) {
    known = new Map();
    easierKnown.set(library, known);
  }
  let has = known.get(id);
  if (has === undefined) {
    const move = library.move(id);
    has =
      !move ||
      move.easier !== undefined ||
      move.serves !== undefined ||
      library.ladders.some((ladder) => ladder.rungs.findIndex((rung) => rung.move === id) > 0);
    known.set(id, has);
  }
  return has;
}

const isMinute = (fault: { field: string; station: number | null }) =>
  fault.field === 'minute' && fault.station !== null;

/** The nearest count that mends a minute or a pyramid's step; null where no one number does. */
function fixFormat(
  block: Block,
  b: number,
  fault: ReturnType<typeof formatFaults>[number],
  c: Context,
): Fix | null {
  const { format } = block;
  const entry = formatEntry(format.kind);
  if (entry.fills && fault.station !== null) {
    const station = block.stations[fault.station]!;
    const reps = station.dose?.reps;
    if (reps === undefined) return null;
    for (let n = reps - 1; n >= 1; n--) {
      const becomes = withStation(block, fault.station, { dose: { ...station.dose, reps: n } });
      const session = { ...c.session, blocks: c.session.blocks.map((old, i) => (i === b ? becomes : old)) };
      if (!formatFaults(session, b, c.facts).some((f) => f.station === fault.station))
        return { label: n === 1 ? '1 rep' : `${n} reps`, kind: 'block', block: b, becomes };
    }
    return null;
  }
  const mended = entry.fix?.(format, fault, worksIn(c.session, b, c.facts)) ?? null;
  return (
    mended && { label: mended.label, kind: 'block', block: b, becomes: { ...block, format: mended.format } }
  );
}

export const noForm: Check = {
  id: 'no form',
  find: (c) =>
    c.version.reasons
      .filter((r) => r.use === null)
      .map((r) => {
        const entry = c.entries[r.entry]!;
        return {
          severity: 'stop' as const,
          block: entry.block,
          station: entry.inBlock,
          says: `${here(c, entry.block)}Station ${entry.inBlock + 1}: nothing that still trains this is open to them; it becomes easy movement.`,
          fix: null,
        };
      }),
};

export const formatHolds: Check = {
  id: 'format',
  find: (c) =>
    c.session.blocks.flatMap((block, b) =>
      formatFaults(c.session, b, c.facts)
        .filter((fault) => !isMinute(fault))
        .map((fault): Raw => {
          return {
            severity: 'stop',
            block: b,
            station: fault.station,
            says: here(c, b) + fault.says,
            fix: fixFormat(block, b, fault, c),
          };
        }),
    ),
};

export const minuteOverfull: Check = {
  id: 'minute overfull',
  find: (c) =>
    c.session.blocks.flatMap((block, b) =>
      formatFaults(c.session, b, c.facts)
        .filter(isMinute)
        .map((fault): Raw => {
          return {
            severity: 'stop',
            block: b,
            station: fault.station,
            says: `${here(c, b)}${c.name(b, fault.station!)}: ${low(fault.says)}`,
            fix: fixFormat(block, b, fault, c),
          };
        }),
    ),
};

export const noStations: Check = {
  id: 'no stations',
  find: (c) =>
    c.session.blocks.flatMap((block, b): Raw[] =>
      block.stations.length === 0
        ? [
            {
              severity: 'stop',
              block: b,
              station: null,
              says: `${here(c, b)}No stations yet.`,
              fix: null,
            },
          ]
        : [],
    ),
};

export const lengthFits: Check = {
  id: 'length',
  find: (c) => {
    const { bookedMinutes } = c.session;
    if (bookedMinutes === undefined) return [];
    const over = c.sums.range.hi - bookedMinutes * 60;
    const under = bookedMinutes * 60 - c.sums.lengthSeconds;
    if (over <= 0 && under <= Math.max(LEFT_OVER.seconds, bookedMinutes * 60 * LEFT_OVER.share)) return [];
    // The longest block with rounds to give up is where a trainer would begin.
    const [longest] = c.session.blocks
      .map((block, b) => ({ b, has: 'rounds' in block.format || 'sets' in block.format }))
      .filter(({ b, has }) => has && isCircuit(c.session.blocks[b]!))
      .sort((x, y) => c.sums.blocks[y.b]!.lengthSeconds - c.sums.blocks[x.b]!.lengthSeconds);
    const [fit] =
      over > 0 && longest
        ? fitTo(c.session, c.facts, bookedMinutes * 60, 'rounds', { block: longest.b })
        : [];
    return [
      {
        severity: over > 0 ? 'mend' : 'note',
        block: null,
        station: null,
        says:
          over > 0
            ? `It takes ${c.sums.range.hi > c.sums.lengthSeconds ? 'up to ' : ''}${span(Math.ceil(c.sums.range.hi / 60) * 60)}; ${span(bookedMinutes * 60)} are booked.`
            : `${Math.floor(under / 60)} of ${bookedMinutes} minutes are left over.`,
        fix: fit ? { label: fit.says, kind: 'block', block: fit.block, becomes: fit.becomes } : null,
      },
    ];
  },
};

export const sidesDiffer: Check = {
  id: 'sides differ',
  find: (c) =>
    c.session.blocks.flatMap((block, b): Raw[] => {
      if (!('rounds' in block.format) || block.format.rounds % 2 === 0) return [];
      const i = block.stations.findIndex((s) => s.sides === 'other side each round' && c.facts(s.move).sided);
      if (i < 0) return [];
      return [
        {
          severity: 'mend',
          block: b,
          station: i,
          says: `${here(c, b)}With ${block.format.rounds} rounds ${low(c.name(b, i))} is done once more on one side than on the other.`,
          fix: {
            label: 'Swap at half time',
            kind: 'block',
            block: b,
            becomes: withStation(block, i, { sides: 'swap at half' }),
          },
        },
      ];
    }),
};

export const noEasierForm: Check = {
  id: 'no easier form',
  find: (c) =>
    c.session.blocks.flatMap((block, b): Raw[] => {
      if (!isCircuit(block)) return [];
      const i = block.stations.findIndex((s) => !hasEasier(c.library, s.move));
      return i < 0
        ? []
        : [
            {
              severity: 'note',
              block: b,
              station: i,
              says: `${here(c, b)}There is nothing easier than ${low(c.name(b, i))}: have something ready for who can’t.`,
              fix: null,
            },
          ];
    }),
};

export const holdsTooLong: Check = {
  id: 'holds too long',
  find: (c) => {
    const cap = (c.limits ?? []).reduce(
      (most, l) => (l.kind === 'cap' && l.on === 'strain.holdSeconds' ? Math.min(most, l.max) : most),
      Number.POSITIVE_INFINITY,
    );
    if (!Number.isFinite(cap)) return [];
    const at = c.entries.findIndex((_, i) => (c.version.original[i]?.holdSeconds ?? 0) > cap);
    if (at < 0) return [];
    const { block: b, inBlock: i, part } = c.entries[at]!;
    const block = c.session.blocks[b]!;
    const held = c.version.original[at]!.holdSeconds!;
    const times = Math.max(2, Math.floor((held + 3) / (cap + 3)));
    return [
      {
        severity: 'note',
        block: b,
        station: i,
        says: `${here(c, b)}${c.name(b, i)} is held ${held} s; they should let go by ${cap} s, so theirs is shorter.`,
        fix:
          part === 0 && times <= 10 && cap >= 2 && cap <= 60
            ? {
                label: `${times} × ${cap} s for all`,
                kind: 'block',
                block: b,
                becomes: withStation(block, i, {
                  dose: { ...block.stations[i]!.dose, bouts: { times, seconds: Math.floor(cap) } },
                }),
              }
            : null,
      },
    ];
  },
};

export const manyNewMoves: Check = {
  id: 'many new moves',
  find: (c) => {
    const isNew = c.session.blocks.flatMap((block) => block.stations).filter((s) => s.isNew).length;
    const most =
      MANY_NEW[c.session.forWhom === 'adults' || c.session.forWhom === 'fit' ? 'adults' : 'others'];
    return isNew > most
      ? [
          {
            severity: 'note',
            block: null,
            station: null,
            says: `${isNew} moves are new to them: ${most} at once is as much as anybody takes in.`,
            fix: null,
          },
        ]
      : [];
  },
};

export const thingsShort: Check = {
  id: 'things short',
  find: (c) =>
    c.shortOfThings && c.shortOfThings.people > 0
      ? [
          {
            severity: 'mend',
            block: c.shortOfThings.block,
            station: null,
            says: `${here(c, c.shortOfThings.block)}There isn’t enough for all ${c.shortOfThings.of} as written: ${c.shortOfThings.people} ${c.shortOfThings.people === 1 ? 'turn' : 'turns'} at a station would go without. “Set up” shares it out.`,
            fix: null,
          },
        ]
      : [],
};
