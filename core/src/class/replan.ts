import { type Coupled, couple, coupledWith } from './coupled.ts';
import { bitsOf } from './coupling.ts';
import { type ClassGround, type Column, REST } from './ground.ts';
import { DAMPED, priceStep, stepped } from './prices.ts';
import { poolsKey } from './settle.ts';
import { capacityOf } from './sharing.ts';
import { type PlannedEntry, type Price, planStation } from './station-plan.ts';

/** Steps in which what several stations want at once is made dearer, and by how much for each piece too few. Estimates. */
const PRICE_STEPS = 14;
const PRICE_STEP = 700;
/** No piece is worth that somebody rests for it. */
const DEAREST = REST / 4;
/** Stations that are planned anew to spare a joint, and so that nobody does one thing at two of them. */
const RUN_STEPS = 8;
const REPEAT_STEPS = 6;
/**
 * Stations that are planned anew because somebody rests at them who needn't, and how often one of them, each time without
 * the forms that didn't help. All at one station, its pieces were counted as it was solved, and only landings are left to
 * be seen to; going round, what one station takes is missing at another, and most of what helps is found late.
 */
const AGAIN = { together: { steps: 24, tries: 4 }, rotation: { steps: 400, tries: 24 } } as const;

interface Priced {
  readonly best: Coupled;
  readonly atLeast: number;
  /** At which what is best was planned; null without. */
  readonly price: Price | null;
}

/**
 * In rotation, what is wanted at once is made dearer at all stations, step by step: over a whole round everybody passes
 * every station, so that all of it together is at most what is there, once for each turn; which is a bound as well.
 */
export function pricedOver(ground: ClassGround, free: Coupled, atLeastFree: number): Priced {
  const { entries, people, room, wantsAt } = ground;
  const turns = entries.length;
  const there = new Map<string, number>();
  const usedBy = (planned: readonly PlannedEntry[]) => {
    const used = new Map<string, number>();
    for (const { chosen } of planned)
      for (const choice of chosen)
        for (const want of choice ? (wantsAt(ground.numberOf[choice.form]!) ?? []) : []) {
          const key = poolsKey(want);
          used.set(key, (used.get(key) ?? 0) + want.count);
          if (!there.has(key)) there.set(key, capacityOf(room, want));
        }
    return used;
  };
  const prices = new Map<string, number>();
  const priceNow = (): Price => {
    const now = new Map(prices);
    return (id) =>
      (wantsAt(id) ?? []).reduce((sum, want) => sum + want.count * (now.get(poolsKey(want)) ?? 0), 0);
  };
  let best = free;
  let bestPrice: Price | null = null;
  let atLeast = atLeastFree;
  let { over } = free;
  let used = usedBy(free.planned);
  let says = atLeast;
  let damp = 1;
  for (let step = 0; step < PRICE_STEPS; step++) {
    const more = new Map([...used].map(([key, n]) => [key, n - there.get(key)! * turns] as const));
    for (const [key, price] of prices)
      if (price > 0 && !more.has(key)) more.set(key, -there.get(key)! * turns);
    const wanted = [...more].map(([key, by]) => ({ key, over: by, price: prices.get(key) ?? 0 }));
    const size = priceStep(wanted, {
      cost: best.cost,
      says,
      near: says,
      people: people.length,
      damp,
      late: step >= PRICE_STEPS / 2,
    });
    if (size === 0 && over.size === 0) break;
    for (const one of wanted) prices.set(one.key, Math.min(DEAREST, stepped(one, size)));
    for (const [key, by] of over)
      if (there.has(key) && (more.get(key) ?? 0) <= 0)
        prices.set(key, Math.min(DEAREST, (prices.get(key) ?? 0) + by * PRICE_STEP));
    const price = priceNow();
    const planned = entries.map((_, entry) => planStation(ground, entry, { price }));
    says =
      planned.reduce((sum, one) => sum + one.atLeast, 0) -
      [...prices].reduce((sum, [key, each]) => sum + each * (there.get(key) ?? 0) * turns, 0);
    if (says > atLeast) atLeast = says;
    else damp *= DAMPED;
    used = usedBy(planned);
    const next = couple(ground, planned);
    if (next.worth < best.worth) {
      best = next;
      bestPrice = price;
    }
    ({ over } = next);
  }
  return { best, atLeast, price: bestPrice };
}

/** Where somebody rests who has a form, what left them resting is dear to them and the station is planned anew. */
export function withFewerRests(ground: ClassGround, from: Coupled, bestPrice: Price | null): Coupled {
  let best = from;
  const leftAt = new Map<number, Map<number, Set<number>>>();
  const failed = new Map<number, number>();
  const { steps, tries } = AGAIN[ground.how];
  for (let step = 0; step < steps; step++) {
    const resting = ground.entries.map((_, entry) =>
      ground.people.flatMap((_, p) => {
        const { form } = ground.cheapest(entry, ground.opened[p]!);
        return best.chosen[p]![entry] || !form.some((row) => row >= 0) ? [] : [p];
      }),
    );
    const [entry] = [...resting.keys()]
      .filter((one) => resting[one]!.length > 0 && (failed.get(one) ?? 0) < tries)
      .sort((a, b) => resting[b]!.length - resting[a]!.length || a - b);
    if (entry === undefined) break;
    const left = leftAt.get(entry) ?? new Map<number, Set<number>>();
    leftAt.set(entry, left);
    const bar = (columns: readonly Column[]) => {
      for (const p of resting[entry]!) {
        const forms = left.get(p) ?? new Set<number>();
        for (const { id } of columns) forms.add(id);
        left.set(p, forms);
      }
    };
    bar(best.shown[entry]!);
    // At what pieces are worth elsewhere; where that leads nowhere, without.
    const price = (failed.get(entry) ?? 0) % 2 === 0 ? bestPrice : null;
    const again = planStation(ground, entry, { price, left });
    const next = coupledWith(ground, best, entry, again);
    if (next.worth < best.worth) best = next;
    else {
      bar(again.shown);
      failed.set(entry, (failed.get(entry) ?? 0) + 1);
    }
  }
  return best;
}

/** Where a joint is still loaded three running, other forms are shown at the station where that helps most. */
export function withJointsSpared(ground: ClassGround, from: Coupled): Coupled {
  let best = from;
  const tried = new Set<number>();
  for (let step = 0; step < RUN_STEPS; step++) {
    const heads = (entry: number) => [...best.runAt.get(entry)!.values()].reduce((n, j) => n + bitsOf(j), 0);
    const [worst] = [...best.runAt.keys()]
      .filter((entry) => !tried.has(entry))
      .sort((a, b) => heads(b) - heads(a) || a - b);
    if (worst === undefined) break;
    tried.add(worst);
    const again = planStation(ground, worst, { spare: best.runAt.get(worst)! });
    const next = coupledWith(ground, best, worst, again);
    if (next.worth < best.worth) best = next;
  }
  return best;
}

/** Where somebody does one thing at two stations, one of them is planned anew, those with most of it first. */
export function withFewerRepeats(ground: ClassGround, from: Coupled): Coupled {
  let best = from;
  const anew = new Set<number>();
  for (let step = 0; step < REPEAT_STEPS; step++) {
    const [entry] = [...best.repeated.keys()]
      .filter((one) => !anew.has(one))
      .sort((a, b) => best.repeated.get(b)!.size - best.repeated.get(a)!.size || b - a);
    if (entry === undefined) break;
    anew.add(entry);
    const again = planStation(ground, entry, { elsewhere: best.repeated.get(entry)! });
    const { chosen: was } = best.planned[entry]!;
    if (again.chosen.every((choice, p) => choice?.form === was[p]?.form)) continue;
    const next = coupledWith(ground, best, entry, again);
    if (next.worth < best.worth) {
      best = next;
      anew.clear();
    }
  }
  return best;
}
