import { FORMATS, type Format, type FormatKind, formatEntry } from '../clock/index.ts';
import type { Library } from '../ladder/index.ts';
import type { Block, Station } from './plan.ts';

/** Later rounds' rungs for a station: one up its ladder each, the last one kept from the top on. */
function climb(library: Library, station: Station, rounds: number): Station {
  const ladder = library.ladders.find((l) => l.rungs.some((rung) => rung.move === station.move));
  const { byRound: _, ...rest } = station;
  if (!ladder || rounds < 2) return rest;
  const cm = station.settings?.surfaceCm;
  const same = ladder.rungs
    .map((rung, i) => ({ rung, i }))
    .filter(({ rung }) => rung.move === station.move)
    .sort(
      (a, b) =>
        Math.abs((a.rung.settings?.surfaceCm ?? cm ?? 0) - (cm ?? 0)) -
        Math.abs((b.rung.settings?.surfaceCm ?? cm ?? 0) - (cm ?? 0)),
    );
  const at = same[0]!.i;
  const byRound = Array.from({ length: rounds - 1 }, (_, k) => {
    const rung = ladder.rungs[Math.min(ladder.rungs.length - 1, at + k + 1)]!;
    return { move: rung.move, ...(rung.settings ? { settings: rung.settings } : {}) };
  });
  return { ...rest, byRound };
}

/** A block with the rungs of its later rounds, where each is to be a rung harder; without them elsewhere. */
export function withClimb(library: Library, block: Block): Block {
  const rounds = formatEntry(block.format.kind).climbs && 'rounds' in block.format ? block.format.rounds : 1;
  return { ...block, stations: block.stations.map((s) => climb(library, s, rounds)) };
}

/** A format of another kind with whatever the two have in common kept. */
export function turnedInto(format: Format, kind: FormatKind): Format {
  const usual = FORMATS[kind].usual as unknown as Record<string, unknown>;
  const now = format as unknown as Record<string, unknown>;
  const kept = Object.fromEntries(
    Object.keys(usual).map((key) => [key, key !== 'kind' && key in now ? now[key] : usual[key]]),
  );
  // One climbs from the lower to the higher, the other goes down from it.
  const { from, to } = kept as { from?: number; to?: number };
  if (from !== undefined && to !== undefined && falls(kind) !== from > to && from !== to)
    Object.assign(kept, { from: to, to: from });
  return kept as unknown as Format;
}

/** Whether a format's count begins with the highest. */
const falls = (kind: Format['kind']): boolean =>
  formatEntry(kind).steps?.(FORMATS[kind].usual)?.falls === true;
