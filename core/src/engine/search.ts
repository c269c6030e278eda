import { rowOf, settingsOf, taughtForms } from '../forms/index.ts';
import { isGiven } from '../move/index.ts';
import type { Choice } from './budget.ts';
import { type Context, middle, NONE } from './context.ts';
import { paceFinder } from './pace.ts';
import { choiceOf, pricesAt } from './price.ts';
import { Scratch } from './scratch.ts';

/** Choices of a session by entry; null is rest. */
export type Choices = readonly (Choice | null)[];

/** By context and entry: rungs below what was aimed at of the form somebody would be given by themselves. */
const owns = new WeakMap<Context, Map<number, number>>();

/** The same, worked out when it is first asked for; 0 where nothing hangs on it. */
function ownBelow(context: Context, entry: number): number {
  if (context.costs.heldDown === 0) return 0;
  const known = owns.get(context) ?? new Map<number, number>();
  owns.set(context, known);
  const was = known.get(entry);
  if (was !== undefined) return was;
  const alone = { ...context, costs: { ...context.costs, heldDown: 0 } };
  const own = search(alone, entry, 0, context.costs.rest);
  const { governs, target, step } = context.aims[entry]!;
  const below = own ? (target - middle(context.table, own.form, governs)) / step : 0;
  known.set(entry, below);
  return below;
}

/** The cheapest form under a cost that so many rulers bar; the lower row wins a tie. */
export function search(
  context: Context,
  entry: number,
  bars: 0 | 1,
  under: number,
  without: ReadonlySet<number> = NONE,
): Choice | null {
  const { table, similarity, further, verdict, fits } = context;
  const aim = context.aims[entry]!;
  const { moves, base } = similarity.ranking(aim.move);
  let bestForm = -1;
  let bestPace = Number.NaN;
  let bound = under;
  const open = bars === 0 ? context.open() : null;
  const prices = pricesAt(context, entry, ownBelow(context, entry));
  const paceOf = paceFinder(context, aim);
  for (let k = 0; k < moves.length && base[k]! - further <= bound; k++) {
    if (without.has(moves[k]!)) continue;
    const ofMove = prices.ofMove(moves[k]!);
    for (let f = table.start[moves[k]!]!; f < table.start[moves[k]! + 1]!; f++) {
      if (open ? open[f] === 0 : verdict.barred[f] !== bars || !fits(f)) continue;
      const room = bound + further - base[k]! + 1;
      const bare = prices.ofForm(f, ofMove, room);
      if (bare >= room) continue;
      const pace = paceOf(f);
      const cost = Math.max(0, base[k]! + bare + prices.ofPace(f, pace));
      if (cost < bound || (cost === bound && bestForm > f)) {
        bound = cost;
        bestForm = f;
        bestPace = pace;
      }
    }
  }
  return bestForm < 0 ? null : choiceOf(context, entry, bestForm, bestPace, bound);
}

/** With its dials as written, a form that is legal and feasible here stands before anything is weighed. */
function stands(context: Context, entry: number): Choice | null {
  const aim = context.aims[entry]!;
  return context.asWritten && aim.form >= 0 && context.verdict.barred[aim.form] === 0
    ? choiceOf(context, entry, aim.form, paceFinder(context, aim)(aim.form), 0)
    : null;
}

/** What was given to somebody by hand at an entry, where it is open to them; a move without a height is given at any. */
function given(context: Context, entry: number): Choice | null {
  const wanted = context.request.gives?.find((one) => one.entry === entry)?.form;
  if (!wanted) return null;
  const { table, index } = context;
  const move = rowOf(index, wanted.move);
  const { cost, form, pace } = cheapestOf(context, entry);
  let best: Choice | null = null;
  form.forEach((f, id) => {
    if (f < 0 || table.move[f] !== move) return;
    const same = isGiven(wanted, { move: wanted.move, settings: settingsOf(table, f) });
    if (same && (!best || cost[id]! < best.cost)) best = choiceOf(context, entry, f, pace(id), cost[id]!);
  });
  return best;
}

/** Left to themselves: the cheapest choice of each entry, the session's landings not counted yet. */
export const freely = (context: Context): Choices =>
  context.aims.map((aim, i) =>
    aim ? (given(context, i) ?? stands(context, i) ?? search(context, i, 0, context.costs.rest)) : null,
  );

/** All legal choices of an entry; none where the library has no such move. */
export function optionsOf(context: Context, entry: number): Choice[] {
  const { index, table, similarity, asWritten } = context;
  const aim = context.aims[entry];
  if (!aim) return [];
  const { moves, base } = similarity.ranking(aim.move);
  const options: Choice[] = [];
  const open = context.open();
  const prices = pricesAt(context, entry, ownBelow(context, entry));
  const paceOf = paceFinder(context, aim);
  moves.forEach((move, k) => {
    const ofMove = prices.ofMove(move);
    for (let f = table.start[move]!; f < table.start[move + 1]!; f++) {
      if (open[f] === 0) continue;
      const usual = paceOf(f);
      const bare = prices.ofForm(f, ofMove, Number.POSITIVE_INFINITY);
      for (const pace of new Set([usual, index.pace[move * 3]!])) {
        const free = asWritten && f === aim.form && pace === usual;
        const cost = free ? 0 : Math.max(0, base[k]! + bare + prices.ofPace(f, pace));
        options.push(choiceOf(context, entry, f, pace, cost));
      }
    }
  });
  return options;
}

/** The cheapest legal choice of every taught form of an entry, by its number in {@link taughtForms}; form −1: none. */
export interface Cheapest {
  readonly cost: Float64Array;
  readonly form: Int32Array;
  /** The pace at which it costs that; reckoned when it is asked for, since few of thousands are. */
  readonly pace: (id: number) => number;
}

export function cheapestOf(context: Context, entry: number, scratch = new Scratch()): Cheapest {
  const { table, similarity, further, asWritten } = context;
  const { of, count } = taughtForms(table);
  const cost = scratch.floats(count).fill(Number.POSITIVE_INFINITY);
  const form = scratch.ints(count).fill(-1);
  const aim = context.aims[entry];
  if (!aim) return { cost, form, pace: () => Number.NaN };
  const { moves, base } = similarity.ranking(aim.move);
  const open = context.open();
  const prices = pricesAt(context, entry, ownBelow(context, entry));
  const paceOf = paceFinder(context, aim);
  const pace = (id: number) => (form[id]! < 0 ? Number.NaN : paceOf(form[id]!));
  for (let k = 0; k < moves.length; k++) {
    const ofMove = prices.ofMove(moves[k]!);
    for (let f = table.start[moves[k]!]!; f < table.start[moves[k]! + 1]!; f++) {
      if (open[f] === 0) continue;
      const id = of[f]!;
      const free = asWritten && f === aim.form;
      const room = cost[id]! + further - base[k]!;
      const bare = free ? 0 : prices.ofForm(f, ofMove, room);
      if (!free && bare >= room) continue;
      const own = free ? 0 : Math.max(0, base[k]! + bare + prices.ofPace(f, paceOf(f)));
      if (own < cost[id]!) {
        cost[id] = own;
        form[id] = f;
      }
    }
  }
  return { cost, form, pace };
}

/**
 * Nobody does one thing for two different ones while another good one is open: of stations that came to the same
 * move the one that would lose most by another keeps it, the others take what is next, where that costs no more
 * than meeting a move again. One pass in the order of the stations; no proof that none is better.
 */
export function parted(context: Context, choices: Choices): Choices {
  const { table, aims, costs } = context;
  const made = [...choices];
  const moveAt = (i: number) => (made[i] ? table.move[made[i]!.form]! : -1);
  for (let i = 0; i < made.length; i++) {
    const same = made.flatMap((_, k) =>
      moveAt(k) >= 0 && moveAt(k) === moveAt(i) && aims[k]!.move !== aims[i]!.move ? [k] : [],
    );
    if (moveAt(i) < 0 || same.length === 0) continue;
    const used = new Set(made.flatMap((_, k) => (moveAt(k) >= 0 ? [moveAt(k)] : [])));
    const others = [i, ...same].map((k) => {
      const other =
        given(context, k) || stands(context, k)
          ? null
          : search(context, k, 0, made[k]!.cost + costs.alreadyHere + 1, used);
      return { k, other, loses: other ? other.cost - made[k]!.cost : Number.POSITIVE_INFINITY };
    });
    const [first] = [...others].sort((a, b) => a.loses - b.loses || a.k - b.k);
    if (first!.other) {
      made[first!.k] = first!.other;
      // The place it left may still be shared by others.
      i--;
    }
  }
  return made;
}
