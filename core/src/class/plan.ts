import type { Choice, Opened, ScaleRequest, Scaler, Use } from '../engine/index.ts';
import { COSTS, type Costs, costsFor, scratchOf } from '../engine/index.ts';
import { type FormTable, settingsOf, taughtForms } from '../forms/index.ts';
import { type FormRef, isGiven, sameForm } from '../move/index.ts';
import type { Room } from '../room/index.ts';
import { entriesOf, type KeepFirst } from '../session/index.ts';
import { bitsOf, loadsOf, RUN_COST, solveWithPieces } from './coupling.ts';
import { DAMPED, priceStep, stepped } from './prices.ts';
import { poolsKey, settleClass } from './settle.ts';
import { capacityOf, needsInIndex, type Want, wantsOf } from './sharing.ts';
import { type StationProblem, solveStation } from './station.ts';

/** Somebody a class plan is made for. */
export interface ClassPerson {
  readonly id: string;
  readonly request: ScaleRequest;
}

/** What the trainer wants otherwise: a form not shown, or somebody's own form. */
export interface ClassWish {
  readonly entry: number;
  readonly kind: 'bar' | 'give';
  readonly form: FormRef;
  /** Whom it is given to. */
  readonly person?: string;
}

export interface ClassRequest {
  readonly people: readonly ClassPerson[];
  /** At most so many forms at a station. */
  readonly most: number;
  /** So many besides the one that was written, which everybody knows: it takes the place of no other. */
  readonly besides?: boolean;
  readonly wishes?: readonly ClassWish[];
  /** Everybody at one station at a time, or spread over all of them and going round. */
  readonly how?: 'together' | 'rotation';
  /** What everybody does now, by person and entry: kept where a change isn't worth it. */
  readonly before?: Readonly<Record<string, readonly (FormRef | null)[]>>;
  /**
   * Milli-points that a change must be worth to whoever changes: told another thing, they don't move for less. Without
   * it nobody moves who may keep what they have and leaves the others something.
   */
  readonly change?: number;
}

/** A form as it is taught at a station, and who does it. */
interface TaughtForm {
  readonly form: FormRef;
  readonly people: readonly string[];
  /** The trainer's own, as written. */
  readonly asWritten: boolean;
}

interface ClassEntry {
  readonly entry: number;
  /** Most people first: what is shown first. */
  readonly forms: readonly TaughtForm[];
  /** Nothing of what could be shown is open to them: easy movement. */
  readonly resting: readonly string[];
}

export interface ClassPlan {
  readonly entries: readonly ClassEntry[];
  /** What each does, entry by entry. */
  readonly uses: Readonly<Record<string, readonly (Use | null)[]>>;
  /** Who changed for want of things, by entry. */
  readonly shortOf: readonly { readonly person: string; readonly entry: number }[];
  /** Milli-points in all, before anybody who did one thing at two stations was given another. */
  readonly cost: number;
  /** No plan of at most so many forms costs less. */
  readonly atLeast: number;
}

/**
 * In a class a form costs its showing once, not once a person; and nobody is put before the others to what they
 * would rather not do while anything else is open to them: dearer than any change, cheaper than resting (estimate).
 * Nor is one person bored so that a sentence is saved: each rung further below what they can costs more (estimate).
 */
const classCosts = (() => {
  const made = new Map<KeepFirst | undefined, Costs>();
  return (keep: KeepFirst | undefined): Costs => {
    const costs = made.get(keep) ?? {
      ...costsFor(keep),
      anotherForm: 0,
      disliked: 50_000,
      heldDown: 1500,
    };
    made.set(keep, costs);
    return costs;
  };
})();
/** Showing one more form to the class. Common practice: a form more is worth a rung for one person. */
const SHOW = { written: 0, other: 1000, newlyShown: 1500 } as const;
/** A change to what somebody has been told they do: as much as a form newly shown (estimate). */
const CHANGE = 1500;
/** Steps in which what several stations want at once is made dearer, and by how much for each piece too few. Estimates. */
const PRICE_STEPS = 14;
const PRICE_STEP = 700;
/** No piece is worth that somebody rests for it. */
const DEAREST = COSTS.rest / 4;
/** Stations that are planned anew to spare a joint, and so that nobody does one thing at two of them. */
const RUN_STEPS = 8;
const REPEAT_STEPS = 6;
/** Stations that are planned anew because somebody rests at them who needn't. */
const REST_STEPS = 24;
/** How often at one of them, each time without the forms that didn't help. */
const REST_TRIES = 4;
/** What it is worth that somebody doesn't do one form for two different stations: at either what it costs them alone. */
const REPEAT = 2 * COSTS.alreadyHere;
/** Rest for want of a form at the station: dearer than any form, so that nobody rests who needn't. */
const REST = COSTS.rest;

const taught = (table: FormTable, form: number): FormRef => {
  const { trim: _, ...settings } = settingsOf(table, form);
  return {
    move: table.index.ids[table.move[form]!]!,
    ...(Object.keys(settings).length > 0 ? { settings } : {}),
  };
};
type Price = (id: number) => number;
/** What a station is planned by besides itself. */
interface Besides {
  /** Laid on a taught form that takes what other stations want at the same time. */
  readonly price?: Price | null;
  /** Joints that are loaded too often round here, by person: forms that load them are dearer to them. */
  readonly spare?: ReadonlyMap<number, number>;
  /** Which forms they do at other stations, by person. */
  readonly elsewhere?: ReadonlyMap<number, ReadonlySet<number>>;
  /** Which forms have left somebody resting here, for want of pieces or because their landings were spent. */
  readonly left?: ReadonlyMap<number, ReadonlySet<number>>;
  /** Whether it is proven how far from best it may be: only the first plan of all stations is a bound. */
  readonly proving?: boolean;
}
/** One station by itself. */
interface PlannedEntry {
  readonly shown: readonly Column[];
  /** By person. */
  readonly chosen: readonly (Choice | null)[];
  readonly cost: number;
  readonly atLeast: number;
  readonly shortHere: readonly string[];
}

class Column {
  readonly id: number;
  readonly written: boolean;
  readonly #named: (id: number) => FormRef;
  constructor(id: number, written: boolean, named: (id: number) => FormRef) {
    this.id = id;
    this.written = written;
    this.#named = named;
  }
  // Of the class: one function for all of thousands.
  get form(): FormRef {
    return this.#named(this.id);
  }
}

/**
 * What a class does at every station, at most so many forms each: showing them and what everybody then does
 * costs least, station by station, the room's pieces counted: proven best where nothing is short, else with a
 * bound by prices on what is. Each person's landings over the session are then kept within their budget over the
 * forms that are shown, and no joint is loaded three stations running where another of them avoids it; both only
 * ever add cost, so that the stations by themselves are a bound. In rotation the pieces are given out turn by turn.
 * Deterministic: the order of people changes nothing. Costs and the bound are in milli-points.
 *
 *     const plan = planClass(createScaler(index, room), room, { people, most: 3 });
 *     plan.entries[0].forms; // what is shown at the first station, and who does each
 *     gapOf(plan); // 0 where it is proven that no plan is better
 */
export function planClass(scaler: Scaler, room: Room, request: ClassRequest): ClassPlan {
  const { table } = scaler;
  const numbers = taughtForms(table);
  const scratch = scratchOf(table);
  const people = [...request.people].sort((a, b) => (a.id < b.id ? -1 : 1));
  const alike = new Map<string, Opened>();
  const opened = people.map(({ request: asked }) => {
    const own: ScaleRequest = { ...asked, costs: classCosts(asked.dials.keep) };
    const key = JSON.stringify([own.subject, own.dials, own.writtenFor]);
    const known = alike.get(key) ?? scaler.open(own);
    alike.set(key, known);
    return known;
  });
  // Of hundreds of forms a handful is ever spoken of.
  const named = new Map<number, FormRef>();
  const formOf = (id: number): FormRef => {
    const known = named.get(id) ?? taught(table, numbers.first[id]!);
    named.set(id, known);
    return known;
  };
  // One object a form, not one at every station: thousands of them are what a plan would otherwise leave behind.
  const unwritten: Column[] = [];
  const columnOf = (id: number, written: boolean): Column => {
    const known = unwritten[id];
    if (known && !written) return known;
    const made = new Column(id, written, formOf);
    if (!written) unwritten[id] = made;
    return made;
  };
  const kinds = [...alike.values()];
  const kindOf = opened.map((one) => kinds.indexOf(one));
  const session = people[0]?.request.session;
  const entries = session ? entriesOf(session.blocks) : [];
  const needsOf = needsInIndex(table.index);
  const how = request.how ?? 'together';
  const change = request.change ?? CHANGE;
  const cheapestAt: ReadonlyMap<Opened, ReturnType<Opened['cheapest']>>[] = [];
  const wanted = new Map<number, readonly Want[] | null>();
  /** What a taught form takes of the room's pieces. */
  const wantsAt = (id: number): readonly Want[] | null => {
    if (!wanted.has(id)) wanted.set(id, wantsOf(needsOf, room, formOf(id)));
    return wanted.get(id)!;
  };
  const columnsHere: Column[][] = [];
  /** What is open to anybody at an entry, found once however often it is planned. */
  const columnsAt = (entry: number): readonly Column[] => {
    const known = columnsHere[entry];
    if (known) return known;
    const own = new Map(kinds.map((one) => [one, one.cheapest(entry, scratch)]));
    cheapestAt[entry] = own;
    const written = opened.map((one) => one.written(entry)).find((form) => form >= 0) ?? -1;
    const writtenId = written < 0 ? -1 : numbers.of[written]!;
    const openTo = new Uint8Array(numbers.count);
    for (const { form } of own.values())
      for (let id = 0; id < numbers.count; id++) if (form[id]! >= 0) openTo[id] = 1;
    const columns: Column[] = [];
    for (let id = 0; id < numbers.count; id++)
      if (openTo[id] === 1) columns.push(columnOf(id, id === writtenId));
    columnsHere[entry] = columns;
    return columns;
  };
  const planEntry = (
    entry: number,
    { price = null, spare, elsewhere, left, proving = false }: Besides = {},
  ): PlannedEntry => {
    const columns = columnsAt(entry);
    const own = cheapestAt[entry]!;
    // What is cut from here on is needed for this station alone.
    const kept = scratch.mark();
    /** Whether a form is open to a person. */
    const has = (p: number, column: Column) => own.get(opened[p]!)!.form[column.id]! >= 0;
    const wishes = (request.wishes ?? []).filter((wish) => wish.entry === entry);
    const barred = (column: Column) =>
      wishes.some((wish) => wish.kind === 'bar' && sameForm(wish.form, column.form));
    const list = wishes.length > 0 ? columns.filter((column) => !barred(column)) : columns;
    const before = people.map((person) => request.before?.[person.id]?.[entry]);
    const shownBefore = before.filter((form): form is FormRef => form !== null && form !== undefined);
    const show = Float64Array.from(list, (column) => {
      if (column.written) return SHOW.written;
      const base = SHOW.other;
      const fresh = shownBefore.length > 0 && !shownBefore.some((form) => sameForm(form, column.form));
      return base + (fresh ? SHOW.newlyShown : 0);
    });
    const freeHere = request.besides ? list.findIndex((column) => column.written) : -1;
    /** What stands: a form somebody has and may keep isn't weighed again, unless that leaves others nothing. */
    let keeps = shownBefore.length > 0 && request.change === undefined;
    const problem = (): { problem: StationProblem; rowOf: number[] } => {
      // People with the same costs are one row: the problem grows with kinds of people, not with heads.
      const rows = new Map<string, { cells: Float64Array; at: number; heads: number }>();
      const rowOf = people.map((person, p) => {
        const { cost: mine } = own.get(opened[p]!)!;
        const given = wishes.find((wish) => wish.kind === 'give' && wish.person === person.id);
        // Only what is open to them can be given to them.
        const holds = given && list.some((c) => isGiven(given.form, c.form) && has(p, c));
        const was = before[p];
        const stands =
          keeps &&
          !holds &&
          was !== null &&
          was !== undefined &&
          // Who has said they would rather not isn't kept to it.
          !person.request.subject.dislikes.includes(was.move) &&
          list.some((c) => sameForm(was, c.form) && has(p, c));
        const joints = spare?.get(p) ?? 0;
        const done = elsewhere?.get(p);
        const resting = left?.get(p);
        const key = JSON.stringify([
          kindOf[p],
          holds ? given.form : 0,
          was ?? 0,
          stands,
          joints,
          done ? [...done].sort((a, b) => a - b) : 0,
          resting ? [...resting].sort((a, b) => a - b) : 0,
        ]);
        const row = rows.get(key);
        if (row) {
          row.heads++;
          return row.at;
        }
        const cells = scratch.floats(list.length);
        const plain = !holds && !was;
        for (let i = 0; i < list.length; i++) {
          const column = list[i]!;
          const cost = mine[column.id]!;
          cells[i] =
            plain || cost === Number.POSITIVE_INFINITY
              ? cost
              : (holds && !isGiven(given.form, column.form)) || (stands && !sameForm(was, column.form))
                ? Number.POSITIVE_INFINITY
                : cost + (was && !sameForm(was, column.form) ? change : 0);
        }
        if (joints > 0) {
          const { form } = own.get(opened[p]!)!;
          list.forEach((column, i) => {
            const row = form[column.id]!;
            if (row >= 0) cells[i]! += RUN_COST * bitsOf(loadsOf(table.hi, row) & joints);
          });
        }
        if (done)
          list.forEach((column, i) => {
            if (!column.written && done.has(column.id)) cells[i]! += REPEAT;
          });
        if (resting)
          list.forEach((column, i) => {
            if (resting.has(column.id)) cells[i]! += REST / 2;
          });
        const at = rows.size;
        rows.set(key, { cells, at, heads: 1 });
        return at;
      });
      const grouped = [...rows.values()];
      return {
        rowOf,
        problem: {
          costs: grouped.map((row) => row.cells),
          weights: grouped.map((row) => row.heads),
          show,
          rest: REST,
          most: Math.max(1, request.most),
          free: freeHere < 0 ? undefined : freeHere,
        },
      };
    };
    const wants = (column: number) => wantsAt(list[column]!.id);
    const solve = (prove: boolean) => {
      const { problem: asked, rowOf } = problem();
      if (how === 'together') return solveWithPieces(asked, rowOf, room, wants, prove);
      // In rotation the pieces are given out turn by turn, over all stations at once.
      list.forEach((column, i) => {
        const more = price?.(column.id) ?? 0;
        if (more > 0) for (const row of asked.costs) row[i]! += more;
      });
      const answer = solveStation(asked);
      return { ...answer, columnOf: rowOf.map((row) => answer.assigned[row]!) };
    };
    // The bound is of a plan made from scratch: what stands only adds.
    const stood = keeps;
    let leastHere: number | null = null;
    if (stood) {
      keeps = false;
      leastHere = solve(proving).atLeast;
      keeps = true;
    }
    let solved = solve(proving && !stood);
    const leftOut = solved.columnOf.some((at, p) => at < 0 && list.some((column) => has(p, column)));
    // Nor is anybody held to what they would rather not do because others keep theirs.
    const disliked = solved.columnOf.some((at, p) => {
      const { dislikes } = people[p]!.request.subject;
      const rather = (column: Column | undefined) =>
        column !== undefined && dislikes.includes(column.form.move);
      return rather(list[at]) && list.some((column) => has(p, column) && !rather(column));
    });
    if (keeps && (leftOut || disliked)) {
      keeps = false;
      solved = solve(false);
    }
    leastHere ??= solved.atLeast;
    let costHere = solved.forms.reduce((sum, f) => sum + show[f]!, 0);
    const shortHere: string[] = [];
    const chosen = people.map((person, p): Choice | null => {
      const at = solved.columnOf[p]!;
      const column = list[at];
      const mine = own.get(opened[p]!)!;
      costHere += column ? mine.cost[column.id]! : REST;
      const was = before[p];
      if (column && was && !sameForm(was, column.form)) costHere += change;
      // Who would do another of those shown, were there enough of everything.
      const least = Math.min(REST, ...solved.forms.map((f) => mine.cost[list[f]!.id]!));
      const given = wishes.some((wish) => wish.kind === 'give' && wish.person === person.id);
      const kept = before[p] !== null && before[p] !== undefined;
      if (how === 'together' && !given && !kept && (column ? mine.cost[column.id]! : REST) > least)
        shortHere.push(person.id);
      return column
        ? opened[p]!.choice(entry, mine.form[column.id]!, mine.pace(column.id), mine.cost[column.id]!)
        : null;
    });
    scratch.release(kept);
    return {
      shown: solved.forms.map((f) => list[f]!),
      chosen,
      cost: costHere,
      atLeast: leastHere,
      shortHere,
    };
  };
  const writtenIds = entries.map((entry) => entry.move);
  /** By entry, who does there what they do at another station of the block that was written otherwise, and what else they do. */
  const repeatsIn = (
    chosen: readonly (readonly (Choice | null)[])[],
  ): ReadonlyMap<number, ReadonlyMap<number, ReadonlySet<number>>> => {
    const found = new Map<number, Map<number, ReadonlySet<number>>>();
    chosen.forEach((list, p) => {
      const ids = list.map((choice) => (choice ? numbers.of[choice.form]! : -1));
      ids.forEach((id, entry) => {
        if (id < 0) return;
        const others = ids.filter(
          (_, k) =>
            k !== entry && entries[k]!.block === entries[entry]!.block && writtenIds[k] !== writtenIds[entry],
        );
        if (!others.includes(id)) return;
        const here = found.get(entry) ?? new Map<number, ReadonlySet<number>>();
        here.set(p, new Set(others.filter((other) => other >= 0)));
        found.set(entry, here);
      });
    });
    return found;
  };
  /** All stations, then what couples them. */
  const couple = (planned: readonly PlannedEntry[]) => {
    const settled = settleClass({
      people: people.map(({ id }) => id),
      opened,
      session,
      entries,
      shown: planned.map(({ shown }) => shown.map((column) => column.id)),
      cheapest: cheapestAt,
      formNumber: numbers.of,
      wantsAt,
      room,
      how,
      hi: table.hi,
      isGiven: (p, entry) =>
        (request.wishes ?? []).some(
          (wish) => wish.kind === 'give' && wish.person === people[p]!.id && wish.entry === entry,
        ),
      spareJoints: request.before === undefined,
      rest: REST,
      chosen: people.map((_, p) => planned.map((one) => one.chosen[p] ?? null)),
    });
    const cost = planned.reduce((sum, one) => sum + one.cost, settled.cost);
    const repeated = repeatsIn(settled.chosen);
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
  };
  const free = entries.map((_, entry) => planEntry(entry, { proving: true }));
  let atLeast = free.reduce((sum, one) => sum + one.atLeast, 0);
  let best = couple(free);
  const prices = new Map<string, number>();
  const priceNow = (): Price => {
    const now = new Map(prices);
    return (id) =>
      (wantsAt(id) ?? []).reduce((sum, want) => sum + want.count * (now.get(poolsKey(want)) ?? 0), 0);
  };
  /** At which what is best so far was planned. */
  let priceHere: Price | null = null;
  if (how === 'rotation') {
    // What is wanted at once is made dearer at all stations, step by step: over a whole round everybody passes every
    // station, so that all of it together is at most what is there, once for each turn; which is a bound as well.
    const there = new Map<string, number>();
    const usedBy = (planned: readonly PlannedEntry[]) => {
      const used = new Map<string, number>();
      for (const { chosen } of planned)
        for (const choice of chosen)
          for (const want of choice ? (wantsAt(numbers.of[choice.form]!) ?? []) : []) {
            const key = poolsKey(want);
            used.set(key, (used.get(key) ?? 0) + want.count);
            if (!there.has(key)) there.set(key, capacityOf(room, want));
          }
      return used;
    };
    const turns = entries.length;
    let { over } = best;
    let used = usedBy(free);
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
      const planned = entries.map((_, entry) => planEntry(entry, { price }));
      says =
        planned.reduce((sum, one) => sum + one.atLeast, 0) -
        [...prices].reduce((sum, [key, each]) => sum + each * (there.get(key) ?? 0) * turns, 0);
      if (says > atLeast) atLeast = says;
      else damp *= DAMPED;
      used = usedBy(planned);
      const next = couple(planned);
      if (next.worth < best.worth) {
        best = next;
        priceHere = price;
      }
      ({ over } = next);
    }
  }
  // Where somebody rests who has a form, what left them resting is dear to them and the station is planned anew.
  const leftAt = new Map<number, Map<number, Set<number>>>();
  const failed = new Map<number, number>();
  for (let step = 0; step < REST_STEPS; step++) {
    const resting = entries.map((_, entry) =>
      people.flatMap((_, p) => {
        const { form } = cheapestAt[entry]!.get(opened[p]!)!;
        return best.chosen[p]![entry] || !form.some((row) => row >= 0) ? [] : [p];
      }),
    );
    const [entry] = [...resting.keys()]
      .filter((one) => resting[one]!.length > 0 && (failed.get(one) ?? 0) < REST_TRIES)
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
    const price = (failed.get(entry) ?? 0) % 2 === 0 ? priceHere : null;
    const again = planEntry(entry, { price, left });
    const next = couple(best.planned.map((one, k) => (k === entry ? again : one)));
    if (next.worth < best.worth) best = next;
    else {
      bar(again.shown);
      failed.set(entry, (failed.get(entry) ?? 0) + 1);
    }
  }
  // Where a joint is still loaded three running, other forms are shown at the station where that helps most.
  const tried = new Set<number>();
  for (let step = 0; step < RUN_STEPS && request.before === undefined; step++) {
    const heads = (entry: number) => [...best.runAt.get(entry)!.values()].reduce((n, j) => n + bitsOf(j), 0);
    const [worst] = [...best.runAt.keys()]
      .filter((entry) => !tried.has(entry))
      .sort((a, b) => heads(b) - heads(a) || a - b);
    if (worst === undefined) break;
    tried.add(worst);
    const again = planEntry(worst, { spare: best.runAt.get(worst)! });
    const next = couple(best.planned.map((one, entry) => (entry === worst ? again : one)));
    if (next.worth < best.worth) best = next;
  }
  // Where somebody does one thing at two stations, one of them is planned anew, those with most of it first.
  const before = best.cost;
  const anew = new Set<number>();
  for (let step = 0; step < REPEAT_STEPS && request.before === undefined; step++) {
    const [entry] = [...best.repeated.keys()]
      .filter((one) => !anew.has(one))
      .sort((a, b) => best.repeated.get(b)!.size - best.repeated.get(a)!.size || b - a);
    if (entry === undefined) break;
    anew.add(entry);
    const again = planEntry(entry, { elsewhere: best.repeated.get(entry)! });
    const { chosen: was } = best.planned[entry]!;
    if (again.chosen.every((choice, p) => choice?.form === was[p]?.form)) continue;
    const next = couple(best.planned.map((one, k) => (k === entry ? again : one)));
    if (next.worth < best.worth) {
      best = next;
      anew.clear();
    }
  }
  const { shortOf, shown } = best;
  // Proven least is what the stations came to before, so that is what is told.
  const cost = Math.min(best.cost, before);
  const uses = Object.fromEntries(
    people.map((person, p) => [
      person.id,
      entries.map((_, entry) => {
        const choice = best.chosen[p]![entry] ?? null;
        return choice ? opened[p]!.use(entry, choice) : null;
      }),
    ]),
  );
  return {
    entries: entries.map((_, entry) => {
      const forms = shown[entry]!.map(
        (column): TaughtForm => ({
          form: column.form,
          asWritten: column.written,
          people: people
            .filter((_, p) => {
              const choice = best.chosen[p]![entry];
              return choice !== null && choice !== undefined && numbers.of[choice.form] === column.id;
            })
            .map((person) => person.id),
        }),
      );
      return {
        entry,
        forms: forms
          .filter((form) => form.people.length > 0)
          .sort((a, b) => b.people.length - a.people.length || (a.form.move < b.form.move ? -1 : 1)),
        resting: people.filter((_, p) => !best.chosen[p]![entry]).map((person) => person.id),
      };
    }),
    uses,
    shortOf,
    cost,
    atLeast: Math.min(cost, atLeast),
  };
}
