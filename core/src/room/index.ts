export {
  DRAWINGS,
  type Drawing,
  EQUIPMENT,
  EQUIPMENT_IDS,
  type Equipment,
  type EquipmentId,
  equipmentOf,
  FLOORING,
  type Flooring,
  placesOf,
  SHELVES,
  sizeUnit,
  usualSizes,
} from './equipment.ts';
export { READY_ROOMS } from './ready.ts';
export {
  clearMetres,
  type Offer,
  offersOf,
  peopleThatFit,
  ROOM,
  ROOM_EXAMPLE,
  type Room,
  type RoomItem,
  roomSchema,
  rowsFor,
  thingsFor,
} from './room.ts';
