import {
  COSTS,
  type Costs,
  costsFor,
  type Opened,
  type ScaleRequest,
  type Scaler,
  type Scratch,
  scratchOf,
} from '../engine/index.ts';
import { type FormTable, settingsOf, taughtForms } from '../forms/index.ts';
import type { FormRef } from '../move/index.ts';
import type { Room } from '../room/index.ts';
import { type Entry, entriesOf, type KeepFirst, type Timed } from '../session/index.ts';
import { needsInIndex, type Want, wantsOf } from './sharing.ts';

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
/** Rest for want of a form at the station: dearer than any form, so that nobody rests who needn't. */
export const REST = COSTS.rest;

type Cheapest = ReturnType<Opened['cheapest']>;

/** A taught form as a station may show it. */
export class Column {
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

const taughtForm = (table: FormTable, form: number): FormRef => {
  const { trim: _, ...settings } = settingsOf(table, form);
  return {
    move: table.index.ids[table.move[form]!]!,
    ...(Object.keys(settings).length > 0 ? { settings } : {}),
  };
};

/** What all stations of a class are planned on: its people by what they are alike in, and what is open to whom where. */
export interface ClassGround {
  readonly request: ClassRequest;
  readonly room: Room;
  readonly table: FormTable;
  /** By their ids, so that the order in which they were told changes nothing. */
  readonly people: readonly ClassPerson[];
  /** By person; the same object for people who are alike in everything that is asked. */
  readonly opened: readonly Opened[];
  /** The number of each person's kind. */
  readonly kindOf: readonly number[];
  readonly session: Timed | undefined;
  readonly entries: readonly Entry[];
  readonly how: 'together' | 'rotation';
  /** The number of each form's taught form. */
  readonly numberOf: Int32Array;
  readonly scratch: Scratch;
  /** What every taught form costs a kind of person at an entry; the same lists however often they are asked for. */
  readonly cheapest: (entry: number, kind: Opened) => Cheapest;
  /** What is open to anybody at an entry. */
  readonly columns: (entry: number) => readonly Column[];
  /** What a taught form takes of the room's pieces. */
  readonly wantsAt: (id: number) => readonly Want[] | null;
}

export function groundOf(scaler: Scaler, room: Room, request: ClassRequest): ClassGround {
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
  const kinds = [...alike.values()];
  const session = people[0]?.request.session;
  // Of hundreds of forms a handful is ever spoken of.
  const named = new Map<number, FormRef>();
  const formOf = (id: number): FormRef => {
    const known = named.get(id) ?? taughtForm(table, numbers.first[id]!);
    named.set(id, known);
    return known;
  };
  // One object a form, not one at every station: thousands of them are what a plan would otherwise leave behind.
  const unwritten: Column[] = [];
  const columnOf = (id: number, written: boolean): Column => {
    if (written) return new Column(id, true, formOf);
    unwritten[id] ??= new Column(id, false, formOf);
    return unwritten[id];
  };
  const cheapestAt: ReadonlyMap<Opened, Cheapest>[] = [];
  const openAt = (entry: number) => {
    cheapestAt[entry] ??= new Map(kinds.map((one) => [one, one.cheapest(entry, scratch)]));
    return cheapestAt[entry];
  };
  const columnsAt: Column[][] = [];
  const columns = (entry: number) => {
    const known = columnsAt[entry];
    if (known) return known;
    const written = opened.map((one) => one.written(entry)).find((form) => form >= 0) ?? -1;
    const writtenId = written < 0 ? -1 : numbers.of[written]!;
    const openTo = new Uint8Array(numbers.count);
    for (const { form } of openAt(entry).values())
      for (let id = 0; id < numbers.count; id++) if (form[id]! >= 0) openTo[id] = 1;
    const found: Column[] = [];
    for (let id = 0; id < numbers.count; id++)
      if (openTo[id] === 1) found.push(columnOf(id, id === writtenId));
    columnsAt[entry] = found;
    return found;
  };
  const needsOf = needsInIndex(table.index);
  const wanted = new Map<number, readonly Want[] | null>();
  return {
    request,
    room,
    table,
    people,
    opened,
    kindOf: opened.map((one) => kinds.indexOf(one)),
    session,
    entries: session ? entriesOf(session.blocks) : [],
    how: request.how ?? 'together',
    numberOf: numbers.of,
    scratch,
    cheapest: (entry, kind) => openAt(entry).get(kind)!,
    columns,
    wantsAt: (id) => {
      if (!wanted.has(id)) wanted.set(id, wantsOf(needsOf, room, formOf(id)));
      return wanted.get(id)!;
    },
  };
}
