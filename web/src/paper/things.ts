import type { Use } from '@inner-rung/core/engine';
import type { Library } from '@inner-rung/core/ladder';
import { CAPABILITIES } from '@inner-rung/core/move';
import type { Person } from '@inner-rung/core/person';
import { type Room, thingsFor, withOwn } from '@inner-rung/core/room';

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
