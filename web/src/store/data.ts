import type { ChangeState, Library } from '@inner-rung/core/ladder';
import { type Group, type Person, standsFor } from '@inner-rung/core/person';
import type { Room } from '@inner-rung/core/room';
import { inEnglish } from '@inner-rung/core/words';
import { useEffect, useMemo, useState } from 'react';
import { libraryFile, libraryFrom, referenceFrom } from './api.ts';
import {
  changes,
  groups,
  people as peopleShelf,
  rooms as roomShelf,
  type State,
  store,
  useApp,
} from './index.ts';
import { useReady } from './use-ready.ts';

interface Ground {
  /** The library with the trainer's own changes on top. */
  readonly library: Library | null;
  readonly people: readonly Person[];
  readonly groups: readonly Group[];
  readonly rooms: readonly Room[];
  readonly failed: boolean;
}

const NOTHING: Readonly<Record<string, never>> = {};

/** Small letters without their marks: how names are put in order without the tables of every language. */
const plain = (name: string) => name.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
const byName = (a: { name: string }, b: { name: string }) => {
  const [first, second] = [plain(a.name), plain(b.name)];
  return first < second ? -1 : first > second ? 1 : 0;
};
const SHELVES = [changes, peopleShelf, groups, roomShelf] as const;
/** Everything a screen stands on is here: until then it isn't drawn anew for each part that comes. */
const isReady = (state: State) => SHELVES.every((shelf) => shelf.saveState(state).is !== 'loading');

/** Fetches what every screen stands on; done once it is here or somebody has to be told that it can't be had. */
export async function fetchGround(): Promise<void> {
  await Promise.allSettled([libraryFile.here(), ...SHELVES.map((shelf) => shelf.load(store))]);
}

/** What every screen stands on: the library, people and rooms; null until they are here. */
export function useShelf(): Ground {
  const files = libraryFile.use();
  const [away, setAway] = useState(false);
  useEffect(() => {
    for (const shelf of SHELVES) shelf.load(store).catch(() => setAway(true));
  }, []);
  const ready = useApp(isReady);
  const own = useApp((state) => (isReady(state) ? state.changes.present : NOTHING));
  const persons = useApp((state) => (isReady(state) ? peopleShelf.docs(state) : NOTHING));
  const classes = useApp((state) => (isReady(state) ? groups.docs(state) : NOTHING));
  const halls = useApp((state) => (isReady(state) ? roomShelf.docs(state) : NOTHING));
  const list = files.data;
  const english = useApp((state) => state.view.english);
  const drawn = useReady(ready && list !== undefined);
  const library = useMemo(
    () => (list && drawn ? inEnglish(libraryFrom(list, own).library, english) : null),
    [list, own, drawn, english],
  );
  return {
    library,
    people: useMemo(() => Object.values(persons).sort(byName), [persons]),
    groups: useMemo(() => Object.values(classes).sort(byName), [classes]),
    // The largest first: a new circuit is laid out there.
    rooms: useMemo(
      () =>
        Object.values(halls).sort(
          (a, b) => b.lengthMetres * b.widthMetres - a.lengthMetres * a.widthMetres || byName(a, b),
        ),
      [halls],
    ),
    failed: files.failed || away,
  };
}

/** The reference as it ships, and how each of the trainer's changes stands towards it. */
export function useOwn(): { reference: Library | null; states: readonly ChangeState[] } {
  const files = libraryFile.use();
  const own = useApp((state) => state.changes.present);
  const list = files.data;
  return {
    reference: useMemo(() => (list ? referenceFrom(list) : null), [list]),
    states: useMemo(() => (list ? libraryFrom(list, own).states : []), [list, own]),
  };
}

/** "Maud Ellery" as ME; one name gives two letters. */
export function initials(name: string): string {
  const words = name.trim().split(/\s+/);
  return (words.length > 1 ? `${words[0]![0]}${words.at(-1)![0]}` : name.slice(0, 2)).toUpperCase();
}

/** What a person's token shows: initials, or the number of those somebody stands for. */
export const tokenOf = (person: Person): string => String(standsFor(person) ?? initials(person.name));
