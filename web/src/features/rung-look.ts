import { difficultyOf, type Library, type Rung, rungDemand } from '@inner-rung/core/ladder';
import type { Person } from '@inner-rung/core/person';

export interface RungLook {
  /** The step of the lanes' hue it has: 0 palest. */
  readonly lane: 0 | 1 | 2 | 3;
  readonly points: number;
  readonly flies: boolean;
  readonly floor: boolean;
}

/** What can be seen of a rung from across the room. */
export function lookOf(library: Library, rung: Rung): RungLook {
  const demand = rungDemand(library, rung);
  if (!demand) return { lane: 0, points: 0, flies: false, floor: false };
  const { points } = difficultyOf(demand);
  return {
    lane: points <= 30 ? 0 : points <= 52 ? 1 : points <= 77 ? 2 : 3,
    points,
    flies: (demand['impact.class'].hi ?? 0) >= 2,
    floor: (demand['posture.floor'].hi ?? 0) > 0,
  };
}

export const laneStyle = (lane: RungLook['lane']) => ({
  background: `var(--lane-${lane})`,
  color: lane === 3 ? 'var(--lane-3-ink)' : 'var(--lane-0-ink)',
});

/** Heights this close are one rung to a coach, cm. */
const NEAR_CM = 10;

/** The people whose placement is this rung of this ladder. */
export function standingOn(people: readonly Person[], ladder: string, rung: Rung): Person[] {
  return people.filter((person) =>
    person.placements.some((placed) => {
      if (placed.ladder !== ladder || placed.rung.move !== rung.move) return false;
      const at = placed.rung.settings?.surfaceCm ?? rung.settings?.surfaceCm ?? 0;
      return Math.abs(at - (rung.settings?.surfaceCm ?? at)) < NEAR_CM;
    }),
  );
}
