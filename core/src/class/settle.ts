import { formatEntry } from '../clock/index.ts';
import { type Choice, withinBudgets } from '../engine/index.ts';
import type { Block } from '../session/index.ts';
import { isCircuit } from '../session/index.ts';
import { bitsOf, loadsOf, pathOver, seatAll } from './coupling.ts';
import { type ClassGround, REST } from './ground.ts';
import { capacityOf, Store, type Want } from './sharing.ts';

/** What the stations by themselves came to. */
interface ToSettle {
  /** Numbers of the taught forms shown at each entry. */
  readonly shown: readonly (readonly number[])[];
  /** By person and entry. */
  readonly chosen: readonly (readonly (Choice | null)[])[];
}

export interface SettledClass {
  readonly chosen: readonly (readonly (Choice | null)[])[];
  /** What settling added, in milli-points. */
  readonly cost: number;
  /** Who changed for want of things, by entry. */
  readonly shortOf: readonly { readonly person: string; readonly entry: number }[];
  /** How many more of some pieces were wanted at once than there are, by the pools they come from. */
  readonly over: ReadonlyMap<string, number>;
  /** Joints loaded three stations running, counted over everybody. */
  readonly runs: number;
  /** Where: by entry, which joints of whom. */
  readonly runAt: ReadonlyMap<number, ReadonlyMap<number, number>>;
}

/** Ways through a block that are tried for somebody before what they have stands. */
const TRIES = 4;

/** The pools a want may be met from, as a name. */
export const poolsKey = (want: Want): string => want.pools.join();

/**
 * What couples the stations of a class, over the forms that are shown: each person's landings over the session
 * stay within their budget, the pieces suffice at every moment, and no joint is loaded three stations running
 * where another of the forms avoids it for less than three rungs.
 */
export function settleClass(ground: ClassGround, it: ToSettle): SettledClass {
  const { people, opened, entries, room, numberOf, wantsAt, request } = ground;
  const { hi } = ground.table;
  const chosen = it.chosen.map((list) => [...list]);
  const shortOf: { person: string; entry: number }[] = [];
  const over = new Map<string, number>();
  let cost = 0;
  const idAt = (p: number, entry: number): number => {
    const choice = chosen[p]![entry];
    return choice ? numberOf[choice.form]! : -1;
  };
  const cheapestOf = (p: number, entry: number) => ground.cheapest(entry, opened[p]!);
  const isGiven = (p: number, entry: number) =>
    (request.wishes ?? []).some(
      (wish) => wish.kind === 'give' && wish.person === people[p]!.id && wish.entry === entry,
    );
  const choiceAt = (p: number, entry: number, id: number): Choice => {
    const mine = cheapestOf(p, entry);
    return opened[p]!.choice(entry, mine.form[id]!, mine.pace(id), mine.cost[id]!);
  };
  const put = (p: number, entry: number, id: number) => {
    const is = id < 0 ? null : choiceAt(p, entry, id);
    cost += (is?.cost ?? REST) - (chosen[p]![entry]?.cost ?? REST);
    chosen[p]![entry] = is;
  };

  // Landings: the same forms, slower or another of those shown, else rest.
  people.forEach((_, p) => {
    const one = opened[p]!;
    const spent = chosen[p]!;
    const kept = withinBudgets(spent, one.budget, REST, (entry) =>
      one.options(entry).filter((choice) => it.shown[entry]!.includes(numberOf[choice.form]!)),
    );
    kept.forEach((choice, entry) => {
      cost += (choice?.cost ?? REST) - (spent[entry]?.cost ?? REST);
    });
    chosen[p] = kept;
  });

  const moments = momentsOf(ground);
  const momentOf = new Map(
    moments.flatMap((list) => list.map(({ p, entry }) => [`${p}/${entry}`, list] as const)),
  );
  /** Whether all at one moment can be served, with one of them doing something else. */
  const serves = (moment: Moment, other?: { p: number; entry: number; id: number }): boolean => {
    const store = new Store(room);
    return moment.every((seat, i) => {
      const changed = other && seat.p === other.p && seat.entry === other.entry;
      const id = changed ? other.id : idAt(seat.p, seat.entry);
      const wants = id < 0 ? [] : wantsAt(id);
      return wants !== null && store.take(i, wants);
    });
  };
  for (const moment of moments) {
    if (serves(moment)) continue;
    countOver(moment);
    const seats = moment.map(({ p, entry }) => {
      const now = idAt(p, entry);
      const mine = cheapestOf(p, entry);
      const ids = it.shown[entry]!;
      // Who had to slow down for their landings keeps to what they have, or rests.
      const slowed = now >= 0 && chosen[p]![entry]!.pace !== mine.pace(now);
      return {
        ids,
        costs: ids.map((id) =>
          now < 0 || (slowed && id !== now) ? Number.POSITIVE_INFINITY : mine.cost[id]!,
        ),
        wants: ids.map(wantsAt),
      };
    });
    seatAll(room, seats, REST).options.forEach((option, i) => {
      const { p, entry } = moment[i]!;
      const id = option < 0 ? -1 : seats[i]!.ids[option]!;
      if (id === idAt(p, entry)) return;
      put(p, entry, id);
      shortOf.push({ person: people[p]!.id, entry });
    });
  }

  // Not once they were told what they do.
  if (request.before === undefined) ground.session?.blocks.forEach(spareJoints);
  const runAt = new Map<number, Map<number, number>>();
  const runs = (ground.session?.blocks ?? []).reduce((sum, block, b) => sum + countRuns(block, b), 0);
  return { chosen, cost, shortOf, over, runs, runAt };

  function countOver(moment: Moment): void {
    const wanted = new Map<string, { want: Want; count: number }>();
    for (const { p, entry } of moment)
      for (const want of wantsAt(idAt(p, entry)) ?? []) {
        const known = wanted.get(poolsKey(want)) ?? { want, count: 0 };
        known.count += want.count;
        wanted.set(poolsKey(want), known);
      }
    for (const [key, { want, count }] of wanted) {
      const there = capacityOf(room, want);
      if (count > there) over.set(key, Math.max(over.get(key) ?? 0, count - there));
    }
  }

  /** First entries of a block's stations, and whether the last is followed by the first. */
  function roundOf(block: Block, b: number): { first: number[]; ring: boolean } {
    return {
      first: block.stations.map((_, i) =>
        entries.findIndex((e) => e.block === b && e.inBlock === i && e.part === 0),
      ),
      ring: formatEntry(block.format.kind).ring(block.format),
    };
  }

  function countRuns(block: Block, b: number): number {
    const { first, ring } = roundOf(block, b);
    const n = first.length;
    if (!isCircuit(block) || n < 3) return 0;
    let sum = 0;
    people.forEach((_, p) => {
      const loads = first.map((entry) => {
        const choice = chosen[p]![entry];
        return choice ? loadsOf(hi, choice.form) : 0;
      });
      for (let k = 0; k < (ring ? n : n - 2); k++) {
        const three = [k, (k + 1) % n, (k + 2) % n];
        const joints = three.reduce((bits, at) => bits & loads[at]!, -1);
        sum += bitsOf(joints);
        if (joints > 0)
          for (const at of three) {
            const here = runAt.get(first[at]!) ?? new Map<number, number>();
            here.set(p, (here.get(p) ?? 0) | joints);
            runAt.set(first[at]!, here);
          }
      }
    });
    return sum;
  }

  function spareJoints(block: Block, b: number): void {
    if (!isCircuit(block)) return;
    const { first, ring } = roundOf(block, b);
    people.forEach((_, p) => {
      const cannot = new Set<string>();
      for (let tries = 0; tries < TRIES; tries++) {
        const lists = first.map((entry) => {
          const now = idAt(p, entry);
          const ids = now < 0 || isGiven(p, entry) ? [now] : it.shown[entry]!;
          return ids
            .filter(
              (id) => id === now || (cheapestOf(p, entry).form[id]! >= 0 && !cannot.has(`${entry}/${id}`)),
            )
            .map((id) => {
              if (id < 0) return { id, cost: 0, loads: 0 };
              const choice = id === now ? chosen[p]![entry]! : choiceAt(p, entry, id);
              return { id, cost: choice.cost, loads: loadsOf(hi, choice.form) };
            });
        });
        const path = pathOver(lists, ring);
        if (!path) return;
        const changes = path.picks.flatMap((pick, i) => {
          const { id } = lists[i]![pick]!;
          return id === idAt(p, first[i]!) ? [] : [{ entry: first[i]!, id }];
        });
        const wrong = changes.find(
          ({ entry, id }) => !serves(momentOf.get(`${p}/${entry}`)!, { p, entry, id }),
        );
        if (wrong) {
          cannot.add(`${wrong.entry}/${wrong.id}`);
          continue;
        }
        const after = chosen[p]!.map((choice, entry) => {
          const change = changes.find((c) => c.entry === entry);
          return change ? choiceAt(p, entry, change.id) : choice;
        });
        const spent = (key: 'light' | 'high') => after.reduce((sum, choice) => sum + (choice?.[key] ?? 0), 0);
        const { budget } = opened[p]!;
        if (spent('light') <= budget.light && spent('high') <= budget.high)
          for (const { entry, id } of changes) put(p, entry, id);
        return;
      }
    });
  }
}

type Moment = readonly { readonly p: number; readonly entry: number }[];

/** Who is at what at the same moment. */
function momentsOf({ how, entries, people, session }: ClassGround): Moment[] {
  if (how === 'together') return entries.map((_, entry) => people.map((_, p) => ({ p, entry })));
  const moments = new Map<string, { p: number; entry: number }[]>();
  entries.forEach(({ block, inBlock, part, round }, entry) => {
    const n = session!.blocks[block]!.stations.length;
    people.forEach((_, p) => {
      // Everybody goes on by one station at every turn.
      const key = `${block}/${part}/${round}/${(inBlock - (p % n) + n) % n}`;
      moments.set(key, [...(moments.get(key) ?? []), { p, entry }]);
    });
  });
  return [...moments.values()];
}
