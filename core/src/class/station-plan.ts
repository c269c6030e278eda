import type { Choice } from '../engine/index.ts';
import { COSTS } from '../engine/index.ts';
import { type FormRef, isGiven, sameForm } from '../move/index.ts';
import { bitsOf, loadsOf, RUN_COST, solveWithPieces } from './coupling.ts';
import { type ClassGround, type ClassWish, type Column, REST } from './ground.ts';
import { type StationProblem, solveStation } from './station.ts';

/** Showing one more form to the class. Common practice: a form more is worth a rung for one person. */
const SHOW = { written: 0, other: 1000, newlyShown: 1500 } as const;
/** A change to what somebody has been told they do: as much as a form newly shown (estimate). */
const CHANGE = 1500;
/** What it is worth that somebody doesn't do one form for two different stations: at either what it costs them alone. */
export const REPEAT = 2 * COSTS.alreadyHere;

/** Laid on a taught form that takes what other stations want at the same time. */
export type Price = (id: number) => number;

/** What a station is planned by besides itself. */
export interface Besides {
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
export interface PlannedEntry {
  readonly shown: readonly Column[];
  /** By person. */
  readonly chosen: readonly (Choice | null)[];
  readonly cost: number;
  readonly atLeast: number;
  readonly shortHere: readonly string[];
}

/** A station as it is put to whoever solves it. */
interface Asked {
  readonly ground: ClassGround;
  readonly entry: number;
  readonly besides: Besides;
  /** What may be shown. */
  readonly list: readonly Column[];
  readonly show: Float64Array;
  readonly wishes: readonly ClassWish[];
  /** What each does here now, where a plan is planned anew. */
  readonly before: readonly (FormRef | null | undefined)[];
}

/** Who does what at one station, as if there were no other: proven best, or with a bound where things are short. */
export function planStation(ground: ClassGround, entry: number, besides: Besides = {}): PlannedEntry {
  const { request, people, scratch } = ground;
  const columns = ground.columns(entry);
  // What is cut from here on is needed for this station alone.
  const kept = scratch.mark();
  const wishes = (request.wishes ?? []).filter((wish) => wish.entry === entry);
  const barred = (column: Column) =>
    wishes.some((wish) => wish.kind === 'bar' && sameForm(wish.form, column.form));
  const list = wishes.length > 0 ? columns.filter((column) => !barred(column)) : columns;
  const before = people.map((person) => request.before?.[person.id]?.[entry]);
  const shownBefore = before.filter((form): form is FormRef => form !== null && form !== undefined);
  const show = Float64Array.from(list, (column) => {
    if (column.written) return SHOW.written;
    const fresh = shownBefore.length > 0 && !shownBefore.some((form) => sameForm(form, column.form));
    return SHOW.other + (fresh ? SHOW.newlyShown : 0);
  });
  const asked: Asked = { ground, entry, besides, list, show, wishes, before };
  // What stands: a form somebody has and may keep isn't weighed again, unless that leaves others nothing.
  const keeps = shownBefore.length > 0 && request.change === undefined;
  let solved = solve(asked, keeps, besides.proving === true && !keeps);
  let { atLeast } = solved;
  if (keeps) {
    // The bound is of a plan made from scratch: what stands only adds.
    ({ atLeast } = solve(asked, false, besides.proving === true));
    if (leavesOut(asked, solved.columnOf)) solved = solve(asked, false, false);
  }
  const planned = told(asked, solved, atLeast);
  scratch.release(kept);
  return planned;
}

/** Whether a form is open to a person. */
const has = ({ ground, entry }: Asked, p: number, column: Column): boolean =>
  ground.cheapest(entry, ground.opened[p]!).form[column.id]! >= 0;

interface Solved {
  /** Positions in the list of what may be shown. */
  readonly forms: readonly number[];
  readonly atLeast: number;
  /** By person; −1 rests. */
  readonly columnOf: readonly number[];
}

function solve(asked: Asked, keeps: boolean, prove: boolean): Solved {
  const { ground, list, besides } = asked;
  const { problem, rowOf } = problemOf(asked, keeps);
  if (ground.how === 'together')
    return solveWithPieces(problem, rowOf, ground.room, (at) => ground.wantsAt(list[at]!.id), prove);
  // In rotation the pieces are given out turn by turn, over all stations at once.
  list.forEach((column, i) => {
    const more = besides.price?.(column.id) ?? 0;
    if (more > 0) for (const row of problem.costs) row[i]! += more;
  });
  const answer = solveStation(problem);
  return { ...answer, columnOf: rowOf.map((row) => answer.assigned[row]!) };
}

/** People with the same costs are one row: the problem grows with kinds of people, not with heads. */
function problemOf(asked: Asked, keeps: boolean): { problem: StationProblem; rowOf: number[] } {
  const { ground, list, show, besides, before } = asked;
  const { request } = ground;
  const rows = new Map<string, { cells: Float64Array; at: number; heads: number }>();
  const sorted = (ids: ReadonlySet<number> | undefined) => (ids ? [...ids].sort((a, b) => a - b) : 0);
  const rowOf = ground.people.map((_, p) => {
    const bound = boundTo(asked, keeps, p);
    const key = JSON.stringify([
      ground.kindOf[p],
      bound.given ?? 0,
      before[p] ?? 0,
      bound.stands ?? 0,
      besides.spare?.get(p) ?? 0,
      sorted(besides.elsewhere?.get(p)),
      sorted(besides.left?.get(p)),
    ]);
    const row = rows.get(key);
    if (row) {
      row.heads++;
      return row.at;
    }
    const at = rows.size;
    rows.set(key, { cells: cellsOf(asked, p, bound), at, heads: 1 });
    return at;
  });
  const grouped = [...rows.values()];
  const free = request.besides ? list.findIndex((column) => column.written) : -1;
  return {
    rowOf,
    problem: {
      costs: grouped.map((row) => row.cells),
      weights: grouped.map((row) => row.heads),
      show,
      rest: REST,
      most: Math.max(1, request.most),
      free: free < 0 ? undefined : free,
    },
  };
}

/** What somebody can't be moved from: what they were given by hand, or what they have and keep. */
interface BoundTo {
  readonly given: FormRef | null;
  readonly stands: FormRef | null;
}

function boundTo(asked: Asked, keeps: boolean, p: number): BoundTo {
  const { ground, list, wishes, before } = asked;
  const person = ground.people[p]!;
  const gives = wishes.find((wish) => wish.kind === 'give' && wish.person === person.id);
  // Only what is open to them can be given to them.
  if (gives && list.some((c) => isGiven(gives.form, c.form) && has(asked, p, c)))
    return { given: gives.form, stands: null };
  const was = before[p];
  const stands =
    keeps &&
    was &&
    // Who has said they would rather not isn't kept to it.
    !person.request.subject.dislikes.includes(was.move) &&
    list.some((c) => sameForm(was, c.form) && has(asked, p, c));
  return { given: null, stands: stands ? was : null };
}

/** What each form costs somebody here. */
function cellsOf({ ground, entry, besides, list, before }: Asked, p: number, bound: BoundTo): Float64Array {
  const { cost, form } = ground.cheapest(entry, ground.opened[p]!);
  const change = ground.request.change ?? CHANGE;
  const was = before[p];
  const { given, stands } = bound;
  const cells = ground.scratch.floats(list.length);
  const plain = !given && !was;
  for (let i = 0; i < list.length; i++) {
    const column = list[i]!;
    const own = cost[column.id]!;
    cells[i] =
      plain || own === Number.POSITIVE_INFINITY
        ? own
        : (given && !isGiven(given, column.form)) || (stands && !sameForm(stands, column.form))
          ? Number.POSITIVE_INFINITY
          : own + (was && !sameForm(was, column.form) ? change : 0);
  }
  const dearer = (by: (column: Column) => number) =>
    list.forEach((column, i) => {
      cells[i]! += by(column);
    });
  const joints = besides.spare?.get(p) ?? 0;
  if (joints > 0)
    dearer(({ id }) =>
      form[id]! >= 0 ? RUN_COST * bitsOf(loadsOf(ground.table.hi, form[id]!) & joints) : 0,
    );
  const done = besides.elsewhere?.get(p);
  if (done) dearer(({ id, written }) => (!written && done.has(id) ? REPEAT : 0));
  const resting = besides.left?.get(p);
  if (resting) dearer(({ id }) => (resting.has(id) ? REST / 2 : 0));
  return cells;
}

/** Whether somebody rests, or does what they would rather not, only because others keep what they have. */
function leavesOut(asked: Asked, columnOf: readonly number[]): boolean {
  const { ground, list } = asked;
  return columnOf.some((at, p) => {
    if (at < 0) return list.some((column) => has(asked, p, column));
    const { dislikes } = ground.people[p]!.request.subject;
    const rather = (column: Column) => dislikes.includes(column.form.move);
    return rather(list[at]!) && list.some((column) => has(asked, p, column) && !rather(column));
  });
}

function told({ ground, entry, list, show, wishes, before }: Asked, solved: Solved, atLeast: number) {
  const change = ground.request.change ?? CHANGE;
  let cost = solved.forms.reduce((sum, f) => sum + show[f]!, 0);
  const shortHere: string[] = [];
  const chosen = ground.people.map((person, p): Choice | null => {
    const column = list[solved.columnOf[p]!];
    const mine = ground.cheapest(entry, ground.opened[p]!);
    const own = column ? mine.cost[column.id]! : REST;
    cost += own;
    const was = before[p];
    if (column && was && !sameForm(was, column.form)) cost += change;
    // Who would do another of those shown, were there enough of everything.
    const least = Math.min(REST, ...solved.forms.map((f) => mine.cost[list[f]!.id]!));
    const given = wishes.some((wish) => wish.kind === 'give' && wish.person === person.id);
    if (ground.how === 'together' && !given && !was && own > least) shortHere.push(person.id);
    return column ? ground.opened[p]!.choice(entry, mine.form[column.id]!, mine.pace(column.id), own) : null;
  });
  return { shown: solved.forms.map((f) => list[f]!), chosen, cost, atLeast, shortHere };
}
