import { formatEntry } from '../clock/index.ts';
import { type Library, rungDemand } from '../ladder/index.ts';
import { type DemandKey, type FormRef, MUSCLES } from '../move/index.ts';
import { type Block, isCircuit } from './plan.ts';

/** What following one another goes by, of a form: by joint of {@link LOADED_JOINTS} whether it is loaded, by muscle its share (0 to 1), MET, whether it is on the floor. */
export interface Traits {
  readonly joints: readonly boolean[];
  readonly muscles: readonly number[];
  readonly hard: number;
  readonly floor: boolean;
}

/** When a joint counts as loaded. Common practice. */
export const LOADED_JOINTS: readonly (readonly [string, DemandKey, number])[] = [
  ['the wrists', 'wrist.load', 30],
  ['the knees', 'knee.load', 4],
  ['the shoulders', 'shoulder.load', 4],
];
/** Stations running that are one too many for a joint. Common practice. */
export const MANY_RUNS = 3;

const remembered = new WeakMap<Library, Map<string, Traits>>();
export function traitsOf(library: Library, form: FormRef): Traits {
  let known = remembered.get(library);
  if (!known) {
    known = new Map();
    remembered.set(library, known);
  }
  const key = form.settings ? `${form.move} ${JSON.stringify(form.settings)}` : form.move;
  let traits = known.get(key);
  if (!traits) {
    const demand = rungDemand(library, form);
    const move = library.move(form.move);
    traits = {
      joints: LOADED_JOINTS.map(([, on, least]) => (demand ? (demand[on].hi ?? 999) >= least : false)),
      muscles: MUSCLES.map((muscle) => move?.muscles[muscle] ?? 0),
      hard: demand?.['effort.met'].hi ?? 0,
      floor: demand ? (demand['posture.floor'].hi ?? 0) >= 1 : false,
    };
    known.set(key, traits);
  }
  return traits;
}

export const isRing = (block: Block) => formatEntry(block.format.kind).ring(block.format);
/** The first of those stations from which so many running have something in common; −1 for none. */
function runOf(block: Block, length: number, has: (station: number) => boolean): number {
  const n = block.stations.length;
  if (n < length) return -1;
  const all = block.stations.every((_, i) => has(i));
  for (let i = 0; i < n && !all; i++) {
    if (i + length > n && !isRing(block)) break;
    if (Array.from({ length }, (_, k) => (i + k) % n).every(has)) return i;
  }
  return -1;
}

/** A joint that somebody's own forms load at three stations running. */
interface ThirdRunning {
  readonly block: number;
  /** Index in its block of the third of them. */
  readonly station: number;
  readonly joint: string;
}

/**
 * Where somebody loads a joint three stations running with what they do, round the ring too; `formAt` says what
 * they do at a station, null for rest. At most one a block.
 */
export function thirdsRunning(
  library: Library,
  blocks: readonly Block[],
  formAt: (block: number, station: number) => FormRef | null,
): ThirdRunning[] {
  return blocks.flatMap((block, b): ThirdRunning[] => {
    if (!isCircuit(block)) return [];
    for (const [j, [joint]] of LOADED_JOINTS.entries()) {
      const start = runOf(block, MANY_RUNS, (i) => {
        const form = formAt(b, i);
        return form !== null && traitsOf(library, form).joints[j]!;
      });
      if (start >= 0) return [{ block: b, station: (start + MANY_RUNS - 1) % block.stations.length, joint }];
    }
    return [];
  });
}
