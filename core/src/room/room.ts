import * as z from 'zod';
import { CAPABILITIES, type Capability, idSchema, type Need } from '../move/index.ts';
import { lazily, type RecordKind } from '../record/index.ts';
import {
  EQUIPMENT_IDS,
  type EquipmentId,
  equipmentOf,
  FLOORING,
  type Flooring,
  placesFor,
  sizeUnit,
  usualSizes,
} from './equipment.ts';

/** So many pieces of one kind and, where it matters, of one size. */
export const roomItemSchema = lazily(() =>
  z
    .strictObject({
      what: z.enum(EQUIPMENT_IDS as [EquipmentId, ...EquipmentId[]]),
      count: z.number().int('whole pieces').min(1, 'at least one').max(200, 'at most 200'),
      /** kg or cm, where these pieces differ from the usual ones. */
      size: z.number().positive('above nothing').max(300, 'at most 300').optional(),
    })
    .refine((item) => item.size === undefined || sizeUnit(item.what) !== null, {
      path: ['size'],
      message: 'this comes in no sizes',
    }),
);
export type RoomItem = z.output<typeof roomItemSchema>;

const metres = (what: string) =>
  z
    .number({ error: `${what} in metres` })
    .min(1, `${what} under 1 m`)
    .max(200, `${what} over 200 m`);

export const roomSchema = lazily(() =>
  z.strictObject({
    version: z.literal(2),
    id: idSchema,
    name: z.string().trim().min(1, 'a name for the room').max(80),
    items: z.array(roomItemSchema),
    /** Clear floor, longer side first as one likes. */
    lengthMetres: metres('length'),
    widthMetres: metres('width'),
    flooring: z.enum(Object.keys(FLOORING) as [Flooring, ...Flooring[]]),
    /** Null under the sky. */
    ceilingCm: z.number().min(150, 'under 150 cm').max(2000, 'over 2000 cm').nullable(),
    /** Someone lives or works below. */
    quiet: z.boolean(),
    notes: z.string().trim().max(1000).default(''),
  }),
);
export type Room = z.output<typeof roomSchema>;

export const ROOM_EXAMPLE: Room = {
  version: 2,
  id: 'nothing',
  name: 'A floor and a wall',
  items: [{ what: 'wall', count: 1 }],
  lengthMetres: 3,
  widthMetres: 3,
  flooring: 'wood',
  ceilingCm: 250,
  quiet: false,
  notes: '',
};

/** The longest clear line on the floor, which is what a move that travels needs. */
export const clearMetres = (room: Room): number => Math.max(room.lengthMetres, room.widthMetres);

/** Square metres a person needs to stand, turn and lie down with arms out. Common practice. */
const PERSON_SQUARE_METRES = 4;

/**
 * Metres of a wall that one person takes who leans on it or sits against it, and how much of a room's walls is clear of
 * doors, windows and radiators. Estimates.
 */
const WALL_METRES = 1.2;
const CLEAR_WALL = 0.5;
const unsaid = new Map<number, Room>();
/**
 * Where nobody has said where it is: a square floor that so many people fit on, with clear wall for each of them, since nobody said
 * that it is short. For one it is {@link ROOM_EXAMPLE}; the same number gives the same object.
 */
export function unsaidRoom(people: number): Room {
  if (people <= 1) return ROOM_EXAMPLE;
  const side = Math.max(ROOM_EXAMPLE.lengthMetres, Math.ceil(Math.sqrt(people * PERSON_SQUARE_METRES)));
  const known = unsaid.get(people) ?? {
    ...ROOM_EXAMPLE,
    items: [
      { what: 'wall' as const, count: Math.max(people, Math.floor((4 * side * CLEAR_WALL) / WALL_METRES)) },
    ],
    lengthMetres: side,
    widthMetres: side,
  };
  unsaid.set(people, known);
  return known;
}

/** How many people fit on the floor at once. */
export const peopleThatFit = (room: Room): number =>
  Math.max(1, Math.floor((room.lengthMetres * room.widthMetres) / PERSON_SQUARE_METRES));

/** One thing in a room that gives a capability: its size in cm or kg, places for how many, and any caution. */
export interface Offer {
  readonly size: number | null;
  readonly count: number;
  readonly from: EquipmentId;
  readonly standIn: boolean;
  /** Row of the room's items it comes from; −1 for the room itself. */
  readonly item: number;
}

/** Everything a room gives, by capability; offers of a size are listed smallest first. */
export function offersOf(room: Room): ReadonlyMap<Capability, readonly Offer[]> {
  const offers = new Map<Capability, Offer[]>();
  for (const what of Object.keys(CAPABILITIES) as Capability[]) offers.set(what, []);
  room.items.forEach((item, i) => {
    const kind = equipmentOf(item.what);
    for (const gives of kind.provides) {
      if (gives.on && !gives.on.includes(room.flooring)) continue;
      // A chair of 46 cm is 46 as seat and surface.
      const sizes = gives.sizes === undefined ? [null] : item.size === undefined ? gives.sizes : [item.size];
      for (const size of sizes)
        offers.get(gives.what)!.push({
          size,
          count: placesFor(item.what, item.count),
          from: item.what,
          standIn: kind.standIn !== undefined,
          item: i,
        });
    }
  });
  offers
    .get('head room')!
    .push({ size: room.ceilingCm ?? 10_000, count: 1, from: 'wall', standIn: false, item: -1 });
  for (const list of offers.values())
    list.sort((a, b) => (a.size ?? 0) - (b.size ?? 0) || (a.from < b.from ? -1 : 1));
  return offers;
}

/** The things of a room that give a capability at a size, for the set-up line: "chair". */
export function thingsFor(room: Room, what: Capability, size: number | null): string[] {
  return (offersOf(room).get(what) ?? [])
    .filter((offer) => size === null || offer.size === null || offer.size === size)
    .map((offer) => equipmentOf(offer.from).name);
}

/** Rows for a thing just seen: a pair of each usual size of what is held, one of the rest. */
export function rowsFor(what: EquipmentId): RoomItem[] {
  const sizes = usualSizes(what);
  if (sizes.length === 0 || equipmentOf(what).adjusts) return [{ what, count: 1 }];
  if (sizeUnit(what) === 'kg') return sizes.map((size) => ({ what, count: 2, size }));
  return [{ what, count: 1 }];
}

/** A room with what somebody brings along: their own things count there. */
export const withOwn = (room: Room, own: readonly EquipmentId[]): Room =>
  own.length === 0 ? room : { ...room, items: [...room.items, ...own.flatMap(rowsFor)] };

/** Offers that meet a need: enough of them, of a size within its ends and, where a height is set, of that height. */
export const fitting = (offers: readonly Offer[], need: Need, cm: number | undefined): Offer[] =>
  offers.filter(
    (offer) =>
      offer.count >= need.count &&
      (offer.size === null ||
        (offer.size >= (need.min ?? 0) &&
          offer.size <= (need.max ?? Number.POSITIVE_INFINITY) &&
          (!need.sets || cm === undefined || offer.size === cm))),
  );

/** A room with what was borrowed for it: more of what is there, or something else. */
export function withBorrowed(room: Room, borrowed: readonly RoomItem[]): Room {
  if (borrowed.length === 0) return room;
  const items = room.items.map((item) => ({ ...item }));
  for (const more of borrowed) {
    const same = items.find((item) => item.what === more.what && item.size === more.size);
    if (same) same.count += more.count;
    else items.push({ ...more });
  }
  return { ...room, items };
}

/** A row a size, the pieces shared out over them. */
function rowsOf(item: { what: string; count: number; sizes?: number[] }) {
  const { sizes, ...rest } = item;
  const known = EQUIPMENT_IDS.find((id) => id === item.what);
  if (!sizes || !known || equipmentOf(known).adjusts) return [rest];
  return sizes.map((size) => ({ ...rest, count: Math.max(1, Math.floor(item.count / sizes.length)), size }));
}

export const ROOM: RecordKind<Room> = {
  kind: 'room',
  collection: 'rooms',
  name: 'room',
  schema: roomSchema,
  version: 2,
  upgrades: {
    1: ({ clearMetres, items, ...old }) => ({
      ...old,
      items: (items as Parameters<typeof rowsOf>[0][]).flatMap(rowsOf),
      lengthMetres: Math.max(1, Number(clearMetres)),
      widthMetres: Math.max(1, Number(clearMetres)),
      flooring: 'wood',
    }),
  },
  references: [],
  example: ROOM_EXAMPLE,
};

/** Somewhere with everything in it, for when no room is named. */
export const EVERYWHERE: Room = {
  ...ROOM_EXAMPLE,
  id: 'everywhere',
  name: 'Anywhere',
  items: EQUIPMENT_IDS.map((what) => ({ what, count: 20 })),
  lengthMetres: 20,
  widthMetres: 20,
  ceilingCm: 600,
};
