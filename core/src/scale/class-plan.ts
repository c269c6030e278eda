import type { FormRef } from '../move/index.ts';
import type { Room } from '../room/index.ts';
import { entriesOf } from '../session/index.ts';
import { type Choice, withinBudgets } from './budget.ts';
import { solveStation } from './class-station.ts';
import { COSTS, type Costs } from './costs.ts';
import { type FormTable, settingsOf, taughtForms } from './forms.ts';
import type { Opened, ScaleRequest, Scaler } from './scaler.ts';
import { needsInIndex, type Seat, share } from './sharing.ts';
import type { Use } from './version.ts';

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
  readonly wishes?: readonly ClassWish[];
  /** What everybody does now, by person and entry: kept where a change isn't worth it. */
  readonly before?: Readonly<Record<string, readonly (FormRef | null)[]>>;
}

/** A form as it is taught at a station, and who does it. */
export interface TaughtForm {
  readonly form: FormRef;
  readonly people: readonly string[];
  /** The trainer's own, as written. */
  readonly asWritten: boolean;
}

export interface ClassEntry {
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
  /** Milli-points in all. */
  readonly cost: number;
  /** No plan of at most so many forms costs less. */
  readonly atLeast: number;
}

/**
 * In a class a form costs its showing once, not once a person; and nobody is put before the others to what they
 * would rather not do while anything else is open to them: dearer than any change, cheaper than resting (estimate).
 */
const CLASS_COSTS: Costs = { ...COSTS, anotherForm: 0, disliked: 50_000 };
/** Showing one more form to the class. Common practice: a form more is worth a rung for one person. */
const SHOW = { written: 0, other: 1000, newlyShown: 1500 } as const;
/** A change to what somebody has been told they do: as much as a form newly shown (estimate). */
const CHANGE = 1500;
/** Times the forms of a station are chosen anew for want of things. */
const PASSES = 60;
/** Rest for want of a form at the station: dearer than any form, so that nobody rests who needn't. */
const REST = COSTS.rest;

const taught = (table: FormTable, form: number): FormRef => {
  const { trim: _, ...settings } = settingsOf(table, form);
  return {
    move: table.index.ids[table.move[form]!]!,
    ...(Object.keys(settings).length > 0 ? { settings } : {}),
  };
};
/** Whether two are taught as one form. */
export const sameForm = (a: FormRef, b: FormRef): boolean =>
  a.move === b.move &&
  (a.settings?.surfaceCm ?? null) === (b.settings?.surfaceCm ?? null) &&
  (a.settings?.support ?? false) === (b.settings?.support ?? false) &&
  (a.settings?.side ?? null) === (b.settings?.side ?? null);

/** A move given without a height is given at any. */
const isGiven = (given: FormRef, form: FormRef): boolean =>
  given.settings === undefined ? given.move === form.move : sameForm(given, form);

interface Column {
  /** Number of the taught form. */
  readonly id: number;
  readonly form: FormRef;
  readonly written: boolean;
}

/**
 * What a class does at every station, at most so many forms each: showing them and what everybody then does
 * costs least, station by station and proven. Each person's landings over the session are then kept within
 * their budget over the forms that are shown, and the room's pieces given out; both only ever add cost, so that
 * the sum of the stations by themselves is a bound. Deterministic: the order of people changes nothing.
 */
export function planClass(scaler: Scaler, room: Room, request: ClassRequest): ClassPlan {
  const { table } = scaler;
  const numbers = taughtForms(table);
  const people = [...request.people].sort((a, b) => (a.id < b.id ? -1 : 1));
  const alike = new Map<string, Opened>();
  const opened = people.map(({ request: asked }) => {
    const own: ScaleRequest = { ...asked, costs: CLASS_COSTS };
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
  const columnOf = (id: number, written: boolean): Column => ({
    id,
    get form() {
      return formOf(id);
    },
    written,
  });
  const kinds = [...alike.values()];
  const kindOf = opened.map((one) => kinds.indexOf(one));
  const session = people[0]?.request.session;
  const entries = session ? entriesOf(session.blocks) : [];
  const chosen: (Choice | null)[][] = people.map(() => []);
  const shownAt: Column[][] = [];
  const shortOf: { person: string; entry: number }[] = [];
  const needsOf = needsInIndex(table.index);
  let cost = 0;
  let atLeast = 0;

  entries.forEach((_, entry) => {
    const own = new Map<Opened, ReturnType<Opened['cheapest']>>();
    for (const one of kinds) own.set(one, one.cheapest(entry));
    const written = opened.map((one) => one.written(entry)).find((form) => form >= 0) ?? -1;
    const writtenId = written < 0 ? -1 : numbers.of[written]!;
    const columns: Column[] = [];
    const openTo = new Uint8Array(numbers.count);
    for (const { form } of own.values())
      for (let id = 0; id < numbers.count; id++) if (form[id]! >= 0) openTo[id] = 1;
    for (let id = 0; id < numbers.count; id++)
      if (openTo[id] === 1) columns.push(columnOf(id, id === writtenId));
    /** Whether a form is open to a person. */
    const has = (p: number, column: Column) => own.get(opened[p]!)!.form[column.id]! >= 0;
    const wishes = (request.wishes ?? []).filter((wish) => wish.entry === entry);
    const barred = (column: Column) =>
      wishes.some((wish) => wish.kind === 'bar' && sameForm(wish.form, column.form));
    const list = wishes.length > 0 ? columns.filter((column) => !barred(column)) : columns;
    const before = people.map((person) => request.before?.[person.id]?.[entry]);
    const shownBefore = before.filter((form): form is FormRef => form !== null && form !== undefined);
    /** Forms somebody can't have here for want of things. */
    const goesWithout = people.map(() => new Set<number>());
    const show = Float64Array.from(list, (column) => {
      const base = column.written ? SHOW.written : SHOW.other;
      const fresh = shownBefore.length > 0 && !shownBefore.some((form) => sameForm(form, column.form));
      return base + (fresh ? SHOW.newlyShown : 0);
    });
    /** What stands: a form somebody has and may keep isn't weighed again, unless that leaves others nothing. */
    let keeps = shownBefore.length > 0;
    const solve = () => {
      // People with the same costs are one row: the problem grows with kinds of people, not with heads.
      const rows = new Map<string, { cells: Float64Array; who: number[] }>();
      people.forEach((person, p) => {
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
          list.some((c) => sameForm(was, c.form) && has(p, c) && !goesWithout[p]!.has(c.id));
        const key = JSON.stringify([
          kindOf[p],
          holds ? given.form : 0,
          was ?? 0,
          stands,
          [...goesWithout[p]!],
        ]);
        const row = rows.get(key);
        if (row) {
          row.who.push(p);
          return;
        }
        const cells = new Float64Array(list.length);
        const without = goesWithout[p]!;
        const plain = !holds && !was && without.size === 0;
        for (let i = 0; i < list.length; i++) {
          const column = list[i]!;
          const cost = mine[column.id]!;
          cells[i] =
            plain || cost === Number.POSITIVE_INFINITY
              ? cost
              : without.has(column.id) ||
                  (holds && !isGiven(given.form, column.form)) ||
                  (stands && !sameForm(was, column.form))
                ? Number.POSITIVE_INFINITY
                : cost + (was && !sameForm(was, column.form) ? CHANGE : 0);
        }
        rows.set(key, { cells, who: [p] });
      });
      const grouped = [...rows.values()];
      const answer = solveStation({
        costs: grouped.map((row) => row.cells),
        weights: grouped.map((row) => row.who.length),
        show,
        rest: REST,
        most: Math.max(1, request.most),
      });
      const at: number[] = people.map(() => -1);
      grouped.forEach((row, g) => {
        for (const p of row.who) at[p] = answer.assigned[g]!;
      });
      return { answer, columnOf: at };
    };
    /** The room's pieces: who can't be served has to do without that form, and the forms are chosen anew. */
    const settle = () => {
      let found = solve();
      /** People left resting when the passes ran out. */
      let gaveWay = 0;
      for (let pass = 0; pass < PASSES; pass++) {
        const seats: Seat[] = people.flatMap((person, p) => {
          const column = list[found.columnOf[p]!];
          return column ? [{ person: person.id, station: entry, form: column.form }] : [];
        });
        // What somebody has already isn't taken from them.
        const has = (seat: Seat) => {
          const was = request.before?.[seat.person]?.[entry];
          return was ? sameForm(was, seat.form) : false;
        };
        const short = share(needsOf, room, [seats], () => [], has).shared.filter((one) => one.changed);
        if (short.length === 0) break;
        const last = pass === PASSES - 1;
        for (const one of short) {
          const p = people.findIndex((person) => person.id === one.person);
          if (last) {
            found.columnOf[p] = -1;
            gaveWay++;
          } else goesWithout[p]!.add(list[found.columnOf[p]!]!.id);
        }
        if (!last) found = solve();
      }
      return { ...found, gaveWay };
    };
    // The bound is of a plan made from scratch with everything there is: what stands and what is short only add.
    const stood = keeps;
    keeps = false;
    const leastHere = solve().answer.atLeast;
    keeps = stood;
    let solved = settle();
    const leftOut = solved.columnOf.some((at, p) => at < 0 && list.some((column) => has(p, column)));
    if (keeps && leftOut) {
      keeps = false;
      for (const set of goesWithout) set.clear();
      solved = settle();
    }
    atLeast += leastHere;
    const { answer, gaveWay } = solved;
    cost += answer.cost + gaveWay * REST;
    people.forEach((person, p) => {
      const at = solved.columnOf[p]!;
      const column = list[at];
      const mine = own.get(opened[p]!)!;
      chosen[p]![entry] = column
        ? opened[p]!.choice(entry, mine.form[column.id]!, mine.pace[column.id]!, mine.cost[column.id]!)
        : null;
      if (goesWithout[p]!.size > 0) shortOf.push({ person: person.id, entry });
    });
    shownAt[entry] = answer.forms.map((f) => list[f]!);
  });

  // A person's landings over the session: the same forms, slower or another of those shown, else rest.
  people.forEach((_, p) => {
    const one = opened[p]!;
    const spent = chosen[p]!;
    const kept = withinBudgets(spent, one.budget, REST, (entry) => {
      const shown = new Set(shownAt[entry]!.map((column) => column.id));
      return one.options(entry).filter((choice) => shown.has(numbers.of[choice.form]!));
    });
    kept.forEach((choice, entry) => {
      cost += (choice?.cost ?? REST) - (spent[entry]?.cost ?? REST);
    });
    chosen[p] = [...kept];
  });

  const uses = Object.fromEntries(
    people.map((person, p) => [
      person.id,
      entries.map((_, entry) => {
        const choice = chosen[p]![entry] ?? null;
        return choice ? opened[p]!.use(entry, choice) : null;
      }),
    ]),
  );
  return {
    entries: entries.map((_, entry) => {
      const forms = shownAt[entry]!.map(
        (column): TaughtForm => ({
          form: column.form,
          asWritten: column.written,
          people: people
            .filter((_, p) => {
              const choice = chosen[p]![entry];
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
        resting: people.filter((_, p) => !chosen[p]![entry]).map((person) => person.id),
      };
    }),
    uses,
    shortOf,
    cost,
    atLeast: Math.min(cost, atLeast),
  };
}
