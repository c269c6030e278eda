import type { LaneFault } from '@inner-rung/core/class';
import { formatEntry } from '@inner-rung/core/clock';
import type { Reason, Switches, Use } from '@inner-rung/core/engine';
import type { Library } from '@inner-rung/core/ladder';
import type { Sums } from '@inner-rung/core/review';
import { type Block, entriesOf, type Plan, type Station } from '@inner-rung/core/session';
import { doseHere } from '@inner-rung/core/words';
import type { Picture } from '../features/use-scaled.ts';

/** One block of a scaled session, its lists by its own stations: what each does first, and what follows. */
export interface BlockPicture {
  readonly plan: Plan;
  readonly at: number;
  readonly block: Block;
  readonly version: {
    readonly original: readonly (Use | null)[];
    readonly uses: readonly (Use | null)[];
    readonly reasons: readonly (Reason & { readonly station: number })[];
  };
  /** Lanes by station, innermost first; null until they are worked out. */
  readonly lanes: readonly { readonly position: number; readonly uses: readonly (Use | null)[] }[] | null;
  /** What was found in the lanes of this block, by station. */
  readonly laneFaults: readonly (Omit<LaneFault, 'entry'> & { readonly station: number | null })[];
  /** Who else is looked at, by station. */
  readonly others: readonly { readonly id: string; readonly uses: readonly (Use | null)[] }[];
  /** Further parts of a station's chain, with what becomes of them. */
  readonly chains: readonly (readonly {
    readonly written: Use | null;
    readonly use: Use | null;
    readonly dose: Station['dose'];
    readonly seconds: number;
  }[])[];
  readonly sums: Sums;
  /** Where they can go mid-set, by station; null until it is worked out. */
  readonly switches: readonly Switches[] | null;
  readonly barsByRung: Picture['barsByRung'];
  /** The longest single go at each station, in seconds. */
  readonly seconds: readonly number[];
}

/** Looks at one block of a picture. */
export function blockPicture(picture: Picture, at: number): BlockPicture {
  const { plan, version, settled } = picture;
  const block = plan.blocks[at]!;
  const entries = entriesOf(plan.blocks);
  const first: number[] = [];
  const chains: number[][] = block.stations.map(() => []);
  entries.forEach((entry, i) => {
    if (entry.block !== at) return;
    if (entry.part > 0) chains[entry.inBlock]!.push(i);
    else first[entry.inBlock] ??= i;
  });
  const take = <T>(list: readonly T[]) => first.map((i) => list[i]!);
  return {
    plan,
    at,
    block,
    version: {
      original: take(version.original),
      uses: take(version.uses),
      reasons: version.reasons.flatMap((reason) => {
        const station = first.indexOf(reason.entry);
        return station < 0 ? [] : [{ ...reason, station }];
      }),
    },
    lanes:
      settled === null
        ? null
        : settled.lanes.lanes.map(({ position, uses }) => ({ position, uses: take(uses) })),
    laneFaults: (settled?.lanes.faults ?? []).flatMap(({ entry, ...fault }) => {
      const station = entry === null ? null : first.indexOf(entry);
      return station === -1 ? [] : [{ ...fault, station }];
    }),
    others: (settled?.others ?? []).map(({ id, uses }) => ({ id, uses: take(uses) })),
    chains: chains.map((list) =>
      list.map((i) => ({
        written: version.original[i] ?? null,
        use: version.uses[i] ?? null,
        dose: entries[i]!.dose,
        seconds: picture.longest[i] ?? 0,
      })),
    ),
    sums: picture.sums,
    switches: settled && take(settled.switches),
    barsByRung: picture.barsByRung,
    seconds: take(picture.longest),
  };
}

/** How much of a part of a station's chain somebody does. */
export function partDose(
  library: Library,
  { block }: BlockPicture,
  station: number,
  { use, dose, seconds }: BlockPicture['chains'][number][number],
): string {
  const move = use && library.move(use.move);
  const { kind } = block.format;
  // What fills a minute has none of its own: it goes on until the next.
  if (!use || !move || formatEntry(kind).fills) return '';
  const { sides } = block.stations[station]!;
  return doseHere(
    library,
    move,
    use,
    { move: use.move, sides, ...(dose ? { dose } : {}) },
    seconds,
    formatEntry(kind).dose === 'count',
  );
}

/** How much somebody does at a station. */
export function doseAt(
  library: Library,
  picture: BlockPicture,
  station: number,
  use: Use | null | undefined,
): string {
  const move = use && library.move(use.move);
  const planned: Station | undefined = picture.block.stations[station];
  if (!use || !move || !planned) return '';
  const { kind } = picture.block.format;
  return doseHere(
    library,
    move,
    use,
    planned,
    picture.seconds[station] ?? 0,
    formatEntry(kind).dose === 'count',
  );
}
