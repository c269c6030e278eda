import type { Use } from '../engine/index.ts';
import type { Library } from '../ladder/index.ts';
import { CAPABILITIES } from '../move/index.ts';
import type { Person } from '../person/index.ts';
import { type Room, thingsFor, withOwn } from '../room/index.ts';

/** What somebody has to have ready for what they do, by the names things have in the room. */
export function thingsOf(
  library: Library,
  room: Room | null,
  person: Person | null,
  uses: readonly (Use | null)[],
): string[] {
  const things = new Set<string>();
  for (const use of uses) {
    const move = use && library.move(use.move);
    for (const need of move?.needs ?? []) {
      if (need.what === 'head room') continue;
      const size = need.sets ? (use?.settings.surfaceCm ?? null) : null;
      const offers = room ? thingsFor(withOwn(room, person?.equipment ?? []), need.what, size) : [];
      things.add(offers[0] ?? CAPABILITIES[need.what]);
    }
  }
  return [...things];
}
