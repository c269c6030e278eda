export { EQUIPMENT, EQUIPMENT_IDS, type Equipment, type EquipmentId } from './equipment.ts';
export { type Offer, offersOf, ROOM, ROOM_EXAMPLE, type Room, roomSchema, thingsFor } from './room.ts';
