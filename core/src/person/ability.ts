import { ANCHORS, type Library, REGIONS, type Region, rungDemand } from '../ladder/index.ts';
import type { Placement } from './person.ts';

const NAMED = [
  {
    id: 'new',
    name: 'New to this',
    says: 'sits and stands without hands, steadies on a chair',
    impactMax: 1,
    effortMax: 6,
  },
  {
    id: 'building',
    name: 'Finding their feet',
    says: 'squats to a chair, knee plank, steps without a rail',
    impactMax: 2,
    effortMax: 6,
  },
  {
    id: 'steady',
    name: 'Moves well',
    says: 'full push-up, full squat, first jumps',
    impactMax: 3,
    effortMax: 8,
  },
  {
    id: 'strong',
    name: 'Wants more',
    says: 'jumps, one-leg work, feet raised',
    impactMax: 3,
    effortMax: 9,
  },
] as const;

/**
 * The named levels, innermost (easiest) first, on the same scales as a form's demand. They say where
 * someone of whom nothing is known is taken to stand, and the impact class and effort (0–10) a lane at that level
 * goes up to: 5–6 for those who don't exercise regularly yet, 7–8 for those who do (common practice). The rest are
 * estimates.
 */
export const LEVELS = NAMED.map((level, i) => ({
  ...level,
  ability: REGIONS.map((region) => ANCHORS[region][i]!) as Ability,
})) as unknown as readonly [Level, Level, Level, Level];
export type LevelIndex = 0 | 1 | 2 | 3;
type Level = (typeof NAMED)[number] & { readonly ability: Ability };

/** What a person can do on each scale of {@link REGIONS}, in that order. */
export type Ability = readonly number[];

export function levelAbility(level: LevelIndex): Ability {
  return LEVELS[level].ability;
}

/** The level that somebody comes up to on every scale, 0 innermost. */
export function levelReached(ability: Ability): LevelIndex {
  for (const level of [3, 2, 1] as const)
    if (levelAbility(level).every((asked, r) => ability[r]! >= asked)) return level;
  return 0;
}

/**
 * Moves that somebody owns by a rung of a ladder for small muscles, that rung's and those below it: open to them by that
 * alone, since it says nothing of the regions.
 */
export function ownedAlone(library: Library, placements: readonly Placement[]): string[] {
  const owned = placements.flatMap((placement) => {
    const ladder = library.ladder(placement.ladder);
    const at = ladder?.isolates ? ladder.rungs.findIndex((rung) => rung.move === placement.rung.move) : -1;
    return at < 0 || placement.evidence === 'assumed'
      ? []
      : ladder!.rungs.slice(0, at + 1).map((rung) => rung.move);
  });
  return [...new Set(owned)].sort();
}

/**
 * Reads placements as evidence. Where a ladder measures a region, the best rung owned there is the
 * ability; elsewhere the assumed level stands, raised to what any rung seen done has asked for.
 */
export function abilityFrom(
  library: Library,
  placements: readonly Placement[],
  assumed: LevelIndex,
): Ability {
  const measured = new Map<Region, number>();
  const shown = new Map<Region, number>();
  for (const placement of placements) {
    const ladder = library.ladder(placement.ladder);
    const demand = rungDemand(library, placement.rung);
    // Who owns a lateral raise has shown nothing of a push-up.
    if (!ladder || !demand || ladder.isolates) continue;
    for (const region of REGIONS) {
      const asked = demand[region].hi;
      if (asked === null) continue;
      // Owning a rung bounds strength from both sides; balance and coordination only from below.
      const into =
        (ladder.measures as readonly string[]).includes(region) && region.startsWith('strength.')
          ? measured
          : placement.evidence === 'assumed'
            ? undefined
            : shown;
      into?.set(region, Math.max(into.get(region) ?? 0, asked));
    }
  }
  return REGIONS.map((region, i) =>
    Math.max(measured.get(region) ?? LEVELS[assumed].ability[i]!, shown.get(region) ?? 0),
  );
}
