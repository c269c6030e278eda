import { z } from 'zod';
import { CAPABILITIES, type Capability, idSchema } from '../move/index.ts';
import type { RecordKind } from '../record/index.ts';
import { EQUIPMENT, EQUIPMENT_IDS, type Equipment, type EquipmentId } from './equipment.ts';

export const roomSchema = z.strictObject({
  version: z.literal(1),
  id: idSchema,
  name: z.string().trim().min(1).max(80),
  items: z.array(
    z.strictObject({
      what: z.enum(EQUIPMENT_IDS as [EquipmentId, ...EquipmentId[]]),
      count: z.number().int().min(1).max(200),
      /** The sizes found here, in cm or kg, where they differ from the usual ones. */
      sizes: z.array(z.number().positive()).optional(),
    }),
  ),
  clearMetres: z.number().min(0.5).max(200),
  ceilingCm: z.number().min(150).max(2000),
  /** Someone lives or works below. */
  quiet: z.boolean(),
});
export type Room = z.output<typeof roomSchema>;

export const ROOM: RecordKind<Room> = { name: 'room', schema: roomSchema, version: 1, upgrades: {} };

export const ROOM_EXAMPLE: Room = {
  version: 1,
  id: 'nothing',
  name: 'A floor and a wall',
  items: [{ what: 'wall', count: 1 }],
  clearMetres: 3,
  ceilingCm: 250,
  quiet: false,
};

/** One thing in a room that gives a capability: its size in cm or kg, how many, and any caution. */
export interface Offer {
  readonly size: number | null;
  readonly count: number;
  readonly from: EquipmentId;
  readonly standIn: boolean;
}

/** Everything a room gives, by capability; offers of a size are listed smallest first. */
export function offersOf(room: Room): ReadonlyMap<Capability, readonly Offer[]> {
  const offers = new Map<Capability, Offer[]>();
  for (const what of Object.keys(CAPABILITIES) as Capability[]) offers.set(what, []);
  for (const item of room.items) {
    const kind: Equipment = EQUIPMENT[item.what];
    for (const gives of kind.provides) {
      // A room's own sizes stand for the kind's main purpose; a chair of 46 cm is 46 as seat and surface.
      const sizes = gives.sizes === undefined ? [null] : (item.sizes ?? gives.sizes);
      for (const size of sizes)
        offers.get(gives.what)!.push({
          size,
          count: item.count,
          from: item.what,
          standIn: kind.standIn !== undefined,
        });
    }
  }
  offers.get('head room')!.push({ size: room.ceilingCm, count: 1, from: 'wall', standIn: false });
  for (const list of offers.values())
    list.sort((a, b) => (a.size ?? 0) - (b.size ?? 0) || (a.from < b.from ? -1 : 1));
  return offers;
}

/** The things of a room that give a capability at a size, for the set-up line: "chair". */
export function thingsFor(room: Room, what: Capability, size: number | null): string[] {
  return (offersOf(room).get(what) ?? [])
    .filter((offer) => size === null || offer.size === null || offer.size === size)
    .map((offer) => EQUIPMENT[offer.from].name);
}
