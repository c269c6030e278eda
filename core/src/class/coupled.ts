import type { Choice } from '../engine/index.ts';
import { RUN_COST } from './coupling.ts';
import type { ClassGround, Column } from './ground.ts';
import { settleClass } from './settle.ts';
import { type PlannedEntry, REPEAT } from './station-plan.ts';

type Chosen = readonly (readonly (Choice | null)[])[];

/** All stations of a class with what couples them seen to. */
export interface Coupled {
  readonly planned: readonly PlannedEntry[];
  /** By person and entry. */
  readonly chosen: Chosen;
  readonly shown: readonly (readonly Column[])[];
  /** By entry, who does there what they do at another station that was written otherwise, and what else they do. */
  readonly repeated: ReadonlyMap<number, ReadonlyMap<number, ReadonlySet<number>>>;
  /** Milli-points in all. */
  readonly cost: number;
  /** The same and what is still not as it should be: by which two plans are compared. */
  readonly worth: number;
  readonly shortOf: readonly { readonly person: string; readonly entry: number }[];
  /** How many more of some pieces were wanted at once than there are, by the pools they come from. */
  readonly over: ReadonlyMap<string, number>;
  /** By entry, which joints of whom are loaded three stations running. */
  readonly runAt: ReadonlyMap<number, ReadonlyMap<number, number>>;
}

/** All stations, then what couples them. */
export function couple(ground: ClassGround, planned: readonly PlannedEntry[]): Coupled {
  const settled = settleClass(ground, {
    shown: planned.map(({ shown }) => shown.map((column) => column.id)),
    chosen: ground.people.map((_, p) => planned.map((one) => one.chosen[p] ?? null)),
  });
  const cost = planned.reduce((sum, one) => sum + one.cost, settled.cost);
  const repeated = repeatsIn(ground, settled.chosen);
  const repeats = [...repeated.values()].reduce((sum, here) => sum + here.size, 0);
  return {
    planned,
    repeated,
    chosen: settled.chosen,
    shown: planned.map((one) => one.shown),
    cost,
    // Of two that repeat each other one has to go.
    worth: cost + RUN_COST * settled.runs + (REPEAT * repeats) / 2,
    shortOf: [
      ...planned.flatMap(({ shortHere }, entry) => shortHere.map((person) => ({ person, entry }))),
      ...settled.shortOf,
    ],
    over: settled.over,
    runAt: settled.runAt,
  };
}

/** The same with one station planned otherwise. */
export const coupledWith = (
  ground: ClassGround,
  { planned }: Coupled,
  entry: number,
  again: PlannedEntry,
): Coupled =>
  couple(
    ground,
    planned.map((one, k) => (k === entry ? again : one)),
  );

function repeatsIn({ entries, numberOf }: ClassGround, chosen: Chosen): Coupled['repeated'] {
  const found = new Map<number, Map<number, ReadonlySet<number>>>();
  chosen.forEach((list, p) => {
    const ids = list.map((choice) => (choice ? numberOf[choice.form]! : -1));
    ids.forEach((id, entry) => {
      if (id < 0) return;
      const others = ids.filter(
        (_, k) =>
          k !== entry &&
          entries[k]!.block === entries[entry]!.block &&
          entries[k]!.move !== entries[entry]!.move,
      );
      if (!others.includes(id)) return;
      const here = found.get(entry) ?? new Map<number, ReadonlySet<number>>();
      here.set(p, new Set(others.filter((other) => other >= 0)));
      found.set(entry, here);
    });
  });
  return found;
}
