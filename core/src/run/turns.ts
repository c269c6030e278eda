import { formatEntry, type Segment } from '../clock/index.ts';
import { type Entry, entriesOf, startOf } from '../session/index.ts';
import type { Run } from './run.ts';

/** What has to be known of a run to say who is where. */
type Goes = Pick<Run, 'plan' | 'how'>;

/** Groups a block's people go round in: 1 where everybody is at one station. */
export function groupsIn(run: Goes, block: number): number {
  const { format, stations } = run.plan.blocks[block]!;
  const most = Math.max(1, stations.length);
  const groups = formatEntry(format.kind).groups?.(format);
  if (groups !== undefined) return Math.min(most, groups);
  return run.how === 'rotation' ? most : 1;
}

const entriesBy = new WeakMap<Run['plan']['blocks'], readonly Entry[]>();
function entriesIn(run: Goes): readonly Entry[] {
  const made = entriesBy.get(run.plan.blocks) ?? entriesOf(run.plan.blocks);
  entriesBy.set(run.plan.blocks, made);
  return made;
}

/** The entry a group does while the clock is at one: the same, where all are at one station. */
export function entryFor(run: Goes, group: number, entry: number): number {
  const entries = entriesIn(run);
  const at = entries[entry];
  if (!at) return entry;
  const groups = groupsIn(run, at.block);
  if (groups === 1) return entry;
  const stations = run.plan.blocks[at.block]!.stations.length;
  const there = (at.inBlock + startOf(group, groups, stations)) % stations;
  const same = (part: number, round: number | null) =>
    entries.findIndex(
      (e) => e.block === at.block && e.inBlock === there && e.part === part && e.round === round,
    );
  const exact = same(at.part, at.round);
  // A station without the same part of a chain goes on with its own move.
  return exact >= 0 ? exact : Math.max(0, same(0, at.round));
}

/** Where every group of a block is in a stretch: the station's index in its block, by group. */
export function groupsAt(run: Goes, segment: Segment): number[] {
  const groups = groupsIn(run, segment.block);
  const stations = run.plan.blocks[segment.block]!.stations.length;
  const before = entriesIn(run).find((e) => e.block === segment.block)?.station ?? 0;
  const here = segment.does[0] ? entriesIn(run)[segment.does[0].entry]!.inBlock : segment.station - before;
  if (here < 0 || here >= stations) return [];
  return Array.from({ length: groups }, (_, g) => (here + startOf(g, groups, stations)) % stations);
}
