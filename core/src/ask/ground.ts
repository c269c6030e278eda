import { createScaler, type Scaler } from '../engine/index.ts';
import { indexOf, type LibraryIndex } from '../forms/index.ts';
import type { Library } from '../ladder/index.ts';
import type { Room } from '../room/index.ts';
import { createFinder, type Finder } from '../ways/index.ts';

/** What every question stands on: a library, and what has been made of it for the rooms asked about last. */
export interface Ground {
  readonly library: Library;
  readonly index: LibraryIndex;
  readonly scaler: (room: Room) => Scaler;
  readonly finder: (room: Room) => Finder;
}

/** Rooms whose forms are kept: the room of a session, that of a person's own things, anywhere. */
const ROOMS_KEPT = 3;

/** Remembers what was made for the last few rooms, by what they hold. */
function byRoom<T>(make: (room: Room) => T): (room: Room) => T {
  const kept = new Map<string, T>();
  return (room) => {
    const key = JSON.stringify(room);
    const known = kept.get(key) ?? make(room);
    kept.delete(key);
    kept.set(key, known);
    for (const oldest of kept.keys()) {
      if (kept.size <= ROOMS_KEPT) break;
      kept.delete(oldest);
    }
    return known;
  };
}

/**
 * The ground for questions about one library. Its index is found or made at once; what a room makes of it, when a
 * question first needs it, and is kept for the last {@link ROOMS_KEPT} rooms.
 *
 *     const ground = createGround(decodeLibrary(file));
 *     for (const stage of stagesOf(ground, 'scale', question)) show(stage);
 */
export function createGround(library: Library): Ground {
  const index = indexOf(library);
  return {
    library,
    index,
    scaler: byRoom((room) => createScaler(index, room)),
    finder: byRoom((room) => createFinder(index, room)),
  };
}
