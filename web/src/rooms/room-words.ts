import { type EquipmentId, peopleThatFit, type Room, sizeUnit } from '@inner-rung/core/room';

/** "12 × 8 m, 24 people, ceiling 4.2 m, people below". */
export function roomWords(room: Room): string {
  return [
    `${room.lengthMetres} × ${room.widthMetres} m`,
    `${peopleThatFit(room)} ${peopleThatFit(room) === 1 ? 'person' : 'people'} at once`,
    room.ceilingCm === null ? 'under the sky' : `ceiling ${(room.ceilingCm / 100).toFixed(1)} m`,
    room.quiet ? 'people below' : '',
  ]
    .filter(Boolean)
    .join(' · ');
}

/** "4 kg", "46 cm", or empty where the usual is meant. */
export const sizeWords = (what: EquipmentId, size: number | undefined): string =>
  size === undefined ? '' : `${size} ${sizeUnit(what)}`;
