import { formatEntry } from '../clock/index.ts';
import { type LibraryIndex, rowOf } from '../forms/index.ts';
import type { Library } from '../ladder/index.ts';
import { CAPABILITY_IDS, type FormRef, type Move } from '../move/index.ts';
import { type EquipmentId, equipmentOf, fitting, offersOf, placesFor, type Room } from '../room/index.ts';
import { type Block, startOf } from '../session/index.ts';

/** One person at one station with the form they would do. */
export interface Seat {
  readonly person: string;
  readonly station: number;
  readonly form: FormRef;
}

/** Pieces somebody gets: so many of one row of the room's items. */
export interface Given {
  readonly item: number;
  readonly what: EquipmentId;
  readonly count: number;
}

export interface Shared {
  readonly person: string;
  readonly station: number;
  /** Null: useful rest, as nothing else is left. */
  readonly form: FormRef | null;
  readonly changed: boolean;
  readonly given: readonly Given[];
}

export interface Sharing {
  readonly shared: readonly Shared[];
  readonly changes: number;
  /** No plan of this class in this room has fewer changes than this. */
  readonly atLeast: number;
}

/** What a move needs, by its id; null where the library has no such move. */
export type NeedsOf = (move: string) => Move['needs'] | null;
export const needsIn =
  (library: Library): NeedsOf =>
  (move) =>
    library.move(move)?.needs ?? null;
/** The same from the index, for a worker that has nothing else. */
export const needsInIndex =
  (index: LibraryIndex): NeedsOf =>
  (move) => {
    const row = rowOf(index, move);
    if (row < 0) return null;
    return Array.from({ length: index.needStart[row + 1]! - index.needStart[row]! }, (_, i) => {
      const n = index.needStart[row]! + i;
      return {
        what: CAPABILITY_IDS[index.needWhat[n]!]!,
        min: index.needMin[n]!,
        max: index.needMax[n]!,
        count: index.needCount[n]!,
        ...(index.needSets[n] ? { sets: 'surfaceCm' as const } : {}),
      };
    });
  };

/** Pieces that are the same: a row of the room's items. */
export interface Want {
  readonly pools: readonly number[];
  readonly count: number;
}

/** How many of what is wanted a room holds, over the pools that give it. */
export const capacityOf = (room: Room, want: Want): number =>
  want.pools.reduce((sum, pool) => {
    const { what, count } = room.items[pool]!;
    return sum + placesFor(what, count);
  }, 0);

/**
 * What a form takes of a room's pieces while it is done, one entry a need; null when the room can't host
 * it at all. Holding on takes something to hold.
 */
export function wantsOf(needsOf: NeedsOf, room: Room, form: FormRef): Want[] | null {
  const needs = needsOf(form.move);
  if (!needs) return null;
  const offers = offersOf(room);
  const cm = form.settings?.surfaceCm;
  const wants: Want[] = [];
  for (const need of needs) {
    if (need.what === 'head room') continue;
    const fits = fitting(offers.get(need.what) ?? [], need, cm);
    if (fits.length === 0) {
      // Where a room has none, only who brings their own has the form open.
      if (need.what === 'seat') continue;
      return null;
    }
    wants.push({ pools: [...new Set(fits.map((o) => o.item))].sort((a, b) => a - b), count: need.count });
  }
  const needsHold = needs.some((need) => need.what === 'hand hold');
  if (form.settings?.support && !needsHold) {
    const holds = [...new Set((offers.get('hand hold') ?? []).map((o) => o.item))];
    if (holds.length === 0) return null;
    wants.push({ pools: holds, count: 1 });
  }
  // A stair has its rail and a chair its back: whoever has one needs nothing else to hold.
  const holds = new Set((offers.get('hand hold') ?? []).map((o) => o.item));
  const isHold = (want: Want) => want.pools.length === holds.size && want.pools.every((p) => holds.has(p));
  return wants.filter(
    (want) =>
      !isHold(want) || !wants.some((other) => other !== want && other.pools.every((pool) => holds.has(pool))),
  );
}

/** Pieces given out at one moment; takes people in as long as they can be served by moving others about. */
export class Store {
  readonly #free: number[];
  /** What each taker's wants were met from: pool by want. */
  readonly #held = new Map<number, { wants: readonly Want[]; pools: number[] }>();
  readonly #inPool: Set<string>[];

  constructor(room: Room) {
    this.#free = room.items.map((item) => placesFor(item.what, item.count));
    this.#inPool = room.items.map(() => new Set());
  }

  /** True when taker `who` could be served; otherwise nothing has changed. */
  take(who: number, wants: readonly Want[]): boolean {
    const pools: number[] = [];
    for (let w = 0; w < wants.length; w++) {
      const pool = this.#place(wants[w]!, new Set());
      if (pool < 0) {
        this.#giveBack(who);
        return false;
      }
      pools.push(pool);
      this.#free[pool]! -= wants[w]!.count;
      this.#inPool[pool]!.add(`${who}/${w}`);
      this.#held.set(who, { wants, pools });
    }
    this.#held.set(who, { wants, pools });
    return true;
  }

  given(who: number, room: Room): Given[] {
    const held = this.#held.get(who);
    return (held?.pools ?? []).map((item, w) => ({
      item,
      what: room.items[item]!.what,
      count: held!.wants[w]!.count,
    }));
  }

  #giveBack(who: number): void {
    const held = this.#held.get(who);
    held?.pools.forEach((pool, w) => {
      this.#free[pool]! += held.wants[w]!.count;
      this.#inPool[pool]!.delete(`${who}/${w}`);
    });
    this.#held.delete(who);
  }

  /** A pool with room for a want, made by moving others along where it must be; −1 when there is none. */
  #place(want: Want, tried: Set<number>): number {
    for (const pool of want.pools) if (this.#free[pool]! >= want.count) return pool;
    for (const pool of want.pools) {
      if (tried.has(pool)) continue;
      tried.add(pool);
      for (const key of [...this.#inPool[pool]!]) {
        const [who, w] = key.split('/').map(Number) as [number, number];
        const held = this.#held.get(who)!;
        const moved = held.wants[w]!;
        const to = this.#place({ pools: moved.pools.filter((p) => p !== pool), count: moved.count }, tried);
        if (to < 0) continue;
        this.#free[pool]! += moved.count;
        this.#inPool[pool]!.delete(key);
        this.#free[to]! -= moved.count;
        this.#inPool[to]!.add(key);
        held.pools[w] = to;
        if (this.#free[pool]! >= want.count) return pool;
      }
    }
    return -1;
  }
}

/** Units of all wants that can be met at once when each unit is on its own: never less than in truth. */
function unitsServed(room: Room, wants: readonly Want[]): number {
  const store = new Store(room);
  let served = 0;
  wants.forEach((want, i) => {
    for (let unit = 0; unit < want.count; unit++)
      if (store.take(i * 16 + unit, [{ pools: want.pools, count: 1 }])) served++;
  });
  return served;
}

const units = (wants: readonly Want[]): number => wants.reduce((sum, want) => sum + want.count, 0);

/** How many of these people must change whatever one does: by units that can't be met, of each kind and of all. */
function mustChange(room: Room, wanting: readonly (readonly Want[])[]): number {
  const least = (part: readonly (readonly Want[])[]): number => {
    const most = Math.max(1, ...part.map(units));
    const all = part.flat();
    return Math.ceil((units(all) - unitsServed(room, all)) / most);
  };
  const kinds = new Set(wanting.flat().map((want) => want.pools.join()));
  return Math.max(
    least(wanting),
    ...[...kinds].map((kind) =>
      least(wanting.map((wants) => wants.filter((want) => want.pools.join() === kind))),
    ),
  );
}

/**
 * Serves as many as go with what they want: who comes first where somebody does, then those who want fewest
 * things, then the choosiest.
 */
function keepMost(
  room: Room,
  wants: readonly (readonly Want[] | null)[],
  first: (i: number) => boolean = () => false,
): { store: Store; kept: Set<number> } {
  const store = new Store(room);
  const size = (i: number) => wants[i]!.reduce((sum, want) => sum + want.count * 1000 + want.pools.length, 0);
  const order = wants
    .map((_, i) => i)
    .filter((i) => wants[i] !== null)
    .sort((a, b) => Number(first(b)) - Number(first(a)) || size(a) - size(b) || a - b);
  const kept = new Set<number>();
  for (const i of order) if (store.take(i, wants[i]!)) kept.add(i);
  return { store, kept };
}

/** Wants of forms, each worked out once. */
function knownWants(needsOf: NeedsOf, room: Room): (form: FormRef) => Want[] | null {
  const known = new Map<string, Want[] | null>();
  return (form) => {
    const key = JSON.stringify(form);
    if (!known.has(key)) known.set(key, wantsOf(needsOf, room, form));
    return known.get(key)!;
  };
}

/**
 * Gives out a room's pieces, moment by moment; pieces go where they are needed between moments. As many
 * people as can be served keep their form: those who want one thing each form a matroid, so that taking
 * them in one by one with moves is best. The others change to the first of their other forms that can be
 * served with what is left; `othersOf` is asked for those alone, best first. `first` says who is served before
 * all others: what somebody has already isn't taken from them.
 */
export function share(
  needsOf: NeedsOf,
  room: Room,
  moments: readonly (readonly Seat[])[],
  othersOf: (seat: Seat) => readonly FormRef[],
  first?: (seat: Seat) => boolean,
): Sharing {
  const wantsFor = knownWants(needsOf, room);
  const shared: Shared[] = [];
  let atLeast = 0;
  for (const seats of moments) {
    const wants = seats.map((seat) => wantsFor(seat.form));
    const hostable = wants.filter((w) => w !== null);
    atLeast += seats.length - hostable.length + mustChange(room, hostable);
    const { store, kept } = keepMost(room, wants, first && ((i) => first(seats[i]!)));
    const result: (FormRef | null)[] = seats.map((seat, i) => (kept.has(i) ? seat.form : null));
    seats.forEach((seat, i) => {
      if (kept.has(i)) return;
      for (const form of othersOf(seat)) {
        const other = wantsFor(form);
        if (other && store.take(i, other)) {
          result[i] = form;
          return;
        }
      }
    });
    seats.forEach((seat, i) => {
      shared.push({
        person: seat.person,
        station: seat.station,
        form: result[i]!,
        changed: !kept.has(i),
        given: result[i] ? store.given(i, room) : [],
      });
    });
  }
  return { shared, changes: shared.filter((s) => s.changed).length, atLeast };
}

/** Everybody at one station at a time. */
export const together = (
  forms: ReadonlyMap<string, readonly (FormRef | null)[]>,
  stations: number,
): Seat[][] =>
  Array.from({ length: stations }, (_, station) =>
    [...forms].flatMap(([person, list]) => {
      const form = list[station];
      return form ? [{ person, station, form }] : [];
    }),
  );

/** People spread over the stations in so many groups, going on by one at every turn. */
export const rotating = (
  forms: ReadonlyMap<string, readonly (FormRef | null)[]>,
  stations: number,
  groups = stations,
): Seat[][] =>
  Array.from({ length: stations }, (_, turn) =>
    [...forms].flatMap(([person, list], i) => {
      const station = (startOf(i, Math.min(groups, stations), stations) + turn) % stations;
      const form = list[station];
      return form ? [{ person, station, form }] : [];
    }),
  );

/** Half of the people work at a station while the others rest, then the other way round. */
const inWaves = (forms: ReadonlyMap<string, readonly (FormRef | null)[]>, stations: number): Seat[][] =>
  together(forms, stations).flatMap((seats) => [
    seats.filter((_, i) => i % 2 === 0),
    seats.filter((_, i) => i % 2 === 1),
  ]);

/** Two halves of the class working at once, the second so many stations ahead of the first. */
const inHalves = (
  forms: ReadonlyMap<string, readonly (FormRef | null)[]>,
  stations: number,
  ahead = Math.floor(stations / 2),
): Seat[][] =>
  Array.from({ length: stations }, (_, turn) =>
    [...forms].flatMap(([person, list], i) => {
      const station = (turn + (i % 2) * ahead) % stations;
      const form = list[station];
      return form ? [{ person, station, form }] : [];
    }),
  );

/** How a class goes through a circuit, and who is where at the same moment. */
export const HOW = {
  together,
  waves: inWaves,
  halves: inHalves,
  rotation: (forms: Parameters<typeof rotating>[0], stations: number) => rotating(forms, stations),
} as const;
export type How = keyof typeof HOW;

/** Something other than a change of form that leaves fewer changes of form to make. */
export type SharingFix =
  | { readonly kind: 'swap'; readonly stations: readonly [number, number]; readonly changes: number }
  | { readonly kind: 'start ahead'; readonly by: number; readonly changes: number };

/**
 * Swaps of two stations, and other distances between two halves of a class, that leave fewer changes than
 * there are; of each kind the one that leaves fewest (the earliest wins a tie), fewest first. All of them are
 * tried. With everybody at one station nothing of the kind can help.
 */
export function fixesOf(
  needsOf: NeedsOf,
  room: Room,
  forms: ReadonlyMap<string, readonly (FormRef | null)[]>,
  stations: number,
  how: How,
  ahead = Math.floor(stations / 2),
): SharingFix[] {
  if (how === 'together' || how === 'waves' || stations < 2) return [];
  const wantsFor = knownWants(needsOf, room);
  const counted = new Map<string, number>();
  const changesAt = (seats: readonly Seat[], order: readonly number[]): number => {
    const key = seats.map((seat) => `${seat.person}@${order[seat.station]}`).join();
    let count = counted.get(key);
    if (count === undefined) {
      count =
        seats.length -
        keepMost(
          room,
          seats.map((seat) => wantsFor(seat.form)),
        ).kept.size;
      counted.set(key, count);
    }
    return count;
  };
  const changesOf = (order: readonly number[], by: number): number => {
    const turned = new Map([...forms].map(([person, list]) => [person, order.map((s) => list[s] ?? null)]));
    return HOW[how](turned, stations, by).reduce((sum, seats) => sum + changesAt(seats, order), 0);
  };
  const given = Array.from({ length: stations }, (_, i) => i);
  const now = changesOf(given, ahead);
  const fixes: SharingFix[] = [];
  let best = now;
  let swap: SharingFix | null = null;
  for (let a = 0; a < stations && best > 0; a++)
    for (let b = a + 1; b < stations; b++) {
      const order = [...given];
      [order[a], order[b]] = [order[b]!, order[a]!];
      const changes = changesOf(order, ahead);
      if (changes < best) {
        best = changes;
        swap = { kind: 'swap', stations: [a, b], changes };
      }
    }
  if (swap) fixes.push(swap);
  if (how === 'halves') {
    let start: SharingFix | null = null;
    let least = now;
    for (let by = 1; by < stations; by++) {
      const changes = changesOf(given, by);
      if (changes < least) {
        least = changes;
        start = { kind: 'start ahead', by, changes };
      }
    }
    if (start) fixes.push(start);
  }
  return fixes.sort((a, b) => a.changes - b.changes);
}

/** Pieces to put out: for each row of the room, the most that any moment uses. */
export function putOut(room: Room, sharing: Sharing, moments: readonly (readonly Seat[])[]): Given[] {
  const most = room.items.map(() => 0);
  let at = 0;
  for (const seats of moments) {
    const used = room.items.map(() => 0);
    for (const one of sharing.shared.slice(at, at + seats.length))
      for (const given of one.given) used[given.item]! += given.count;
    used.forEach((n, i) => {
      most[i] = Math.max(most[i]!, n);
    });
    at += seats.length;
  }
  return most.flatMap((places, item) => {
    const { what } = room.items[item]!;
    return places > 0 ? [{ item, what, count: Math.ceil(places / placesFor(what, 1)) }] : [];
  });
}

/** "2 × Hand weights, 4 kg". */
export const givenWords = (room: Room, given: Given): string => {
  const item = room.items[given.item]!;
  return `${given.count > 1 ? `${given.count} × ` : ''}${equipmentOf(item.what).name.toLowerCase()}${item.size === undefined ? '' : `, ${item.size} ${equipmentOf(item.what).provides.some((p) => p.what === 'hand load') ? 'kg' : 'cm'}`}`;
};

/**
 * Turns at a station that would be without something were so many people all to do a block as written: in
 * rotation everything is in use at once, otherwise everybody wants the same at the same time.
 */
export function turnsShort(
  library: Library,
  room: Room,
  block: Block,
  people: number,
): { readonly people: number; readonly of: number } {
  const forms = block.stations.map(
    (s): FormRef => ({
      move: s.move,
      ...(s.settings ? { settings: s.settings } : {}),
    }),
  );
  const groups = formatEntry(block.format.kind).groups?.(block.format);
  const everybody = new Map(Array.from({ length: people }, (_, i) => [`${i}`, forms]));
  const moments =
    groups === undefined ? together(everybody, forms.length) : rotating(everybody, forms.length, groups);
  const wantsFor = knownWants(needsIn(library), room);
  let short = 0;
  for (const seats of moments)
    short +=
      seats.length -
      keepMost(
        room,
        seats.map((seat) => wantsFor(seat.form)),
      ).kept.size;
  return { people: short, of: people };
}
