import { type Library, rungDemand } from '../ladder/index.ts';
import type { FormRef } from '../move/index.ts';
import type { Room } from '../room/index.ts';
import type { How, Shared } from './sharing.ts';

/** A station's place on the floor, in metres from the top left corner. */
interface Place {
  readonly station: number;
  /** People there at once. */
  readonly people: number;
  /** Clear metres that the most sweeping of their forms takes. */
  readonly metres: number;
  readonly squareMetres: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface FloorPlan {
  readonly places: readonly Place[];
  readonly needsSquareMetres: number;
  readonly hasSquareMetres: number;
  /** Why it doesn't fit; empty where it does. */
  readonly says: string;
}

/** Arms out to both sides, a step about. Common practice. */
const ARMS_OUT_METRES = 1.5;

/** Clear metres of a form: what its demand says, never less than arms out. */
const metresOf = (library: Library, form: FormRef | null): number =>
  form
    ? Math.max(ARMS_OUT_METRES, rungDemand(library, form)?.['space.metres'].hi ?? ARMS_OUT_METRES)
    : ARMS_OUT_METRES;

/**
 * Where the stations go, to scale, round the edge of the floor as one walks it; together each station has
 * the whole floor in turn and is drawn where its things are put out.
 */
export function floorPlan(
  library: Library,
  room: Room,
  stations: number,
  shared: readonly Shared[],
  how: How,
): FloorPlan {
  const everybody = new Set(shared.map((s) => s.person)).size;
  const has = room.lengthMetres * room.widthMetres;
  const bare = Array.from({ length: stations }, (_, station) => {
    const there = shared.filter((s) => s.station === station);
    const metres = Math.max(ARMS_OUT_METRES, ...there.map((s) => metresOf(library, s.form)));
    const people =
      how === 'together'
        ? there.length
        : how === 'rotation'
          ? Math.min(there.length, Math.ceil(everybody / Math.max(1, stations)))
          : Math.ceil(there.length / 2);
    return { station, people, metres, squareMetres: Math.max(1, people) * metres * ARMS_OUT_METRES };
  });
  // All at once in rotation, the two widest at once in halves, otherwise one after the other.
  const atOnce = how === 'rotation' ? stations : how === 'halves' ? 2 : 1;
  const needs = bare
    .map((b) => b.squareMetres)
    .sort((a, b) => b - a)
    .slice(0, atOnce)
    .reduce((sum, metres) => sum + metres, 0);
  const deep = Math.min(ARMS_OUT_METRES, room.widthMetres / 3, room.lengthMetres / 3);
  // The short sides begin where the corners of the long ones end; each side takes its share of stations.
  const sides = [
    room.lengthMetres,
    room.widthMetres - 2 * deep,
    room.lengthMetres,
    room.widthMetres - 2 * deep,
  ];
  const around = sides.reduce((sum, side) => sum + side, 0);
  const upTo = sides.map((_, k) =>
    Math.round((sides.slice(0, k + 1).reduce((sum, side) => sum + side, 0) / around) * stations),
  );
  const places = bare.map((b, i): Place => {
    const side = upTo.findIndex((n) => i < n);
    const first = side === 0 ? 0 : upTo[side - 1]!;
    const cell = sides[side]! / (upTo[side]! - first);
    const along = Math.min(b.metres, cell);
    const centre = (i - first + 0.5) * cell;
    const { lengthMetres: length, widthMetres: width } = room;
    if (side === 0) return { ...b, width: along, height: deep, x: centre - along / 2, y: 0 };
    if (side === 1)
      return { ...b, width: deep, height: along, x: length - deep, y: deep + centre - along / 2 };
    if (side === 2)
      return { ...b, width: along, height: deep, x: length - centre - along / 2, y: width - deep };
    return { ...b, width: deep, height: along, x: 0, y: width - deep - centre - along / 2 };
  });
  const tight = bare.find((b) => b.squareMetres > has);
  const said = (n: number) => Math.ceil(n);
  return {
    places,
    needsSquareMetres: needs,
    hasSquareMetres: has,
    says:
      needs <= has
        ? ''
        : how !== 'rotation' && tight
          ? `Station ${tight.station + 1} takes about ${said(tight.squareMetres)} m² for ${tight.people} at once; the floor has ${said(has)}. Split the class, or rotate.`
          : `All stations at once take about ${said(needs)} m²; the floor has ${said(has)}. Fewer stations, or smaller moves.`,
  };
}
