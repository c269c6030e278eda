import { type Ladder, type Library, REGIONS, rungDemand } from '../ladder/index.ts';
import { middle } from '../move/index.ts';
import { abilityFrom } from './ability.ts';
import type { Person, Placement } from './person.ts';

/** Evidence older than this has gone stale: a rung can be lost as it was won. Common practice. */
export const STALE_DAYS = { assessed: 120, observed: 84, assumed: 0 } as const;

/** Where somebody stands on a ladder, and how that is known. */
export interface Place {
  readonly ladder: string;
  /** The rung they own; −1 when even the lowest is above them. */
  readonly rung: number;
  readonly evidence: Placement['evidence'];
  /** YYYY-MM-DD; null where it is only assumed. */
  readonly on: string | null;
  readonly stale: boolean;
  readonly sure: 'sure' | 'fairly' | 'a guess';
  readonly clean: number | null;
}

const daysBetween = (a: string, b: string) =>
  Math.round((Date.parse(`${b}T00:00:00Z`) - Date.parse(`${a}T00:00:00Z`)) / 86_400_000);

/** The rung a placement names, or the nearest height of the same move; −1 when it isn't on the ladder. */
export function rungNamed(ladder: Ladder, form: Placement['rung']): number {
  let best = -1;
  let gap = Number.POSITIVE_INFINITY;
  ladder.rungs.forEach((rung, i) => {
    if (rung.move !== form.move) return;
    const away = Math.abs(
      (rung.settings?.surfaceCm ?? 0) - (form.settings?.surfaceCm ?? rung.settings?.surfaceCm ?? 0),
    );
    if (away < gap) {
      gap = away;
      best = i;
    }
  });
  return best;
}

/** The highest rung with nothing above what somebody can do, in any region; −1 when there is none. */
function highestWithin(library: Library, ladder: Ladder, ability: readonly number[]): number {
  let best = -1;
  ladder.rungs.forEach((rung, i) => {
    const demand = rungDemand(library, rung);
    if (
      demand &&
      REGIONS.every((region, r) => (demand[region].hi ?? Number.POSITIVE_INFINITY) <= ability[r]!)
    )
      best = i;
  });
  return best;
}

/**
 * Where somebody stands on every ladder: what was assessed or seen where it was; elsewhere what their
 * other rungs and their level let one assume.
 */
export function placesOf(library: Library, person: Person, day: string): Place[] {
  const ability = abilityFrom(library, person.placements, person.assumedLevel);
  return library.ladders.map((ladder): Place => {
    const own = person.placements.find((p) => p.ladder === ladder.id);
    const rung = own ? rungNamed(ladder, own.rung) : -1;
    if (own && rung >= 0) {
      const stale = own.evidence !== 'assumed' && daysBetween(own.on, day) > STALE_DAYS[own.evidence];
      return {
        ladder: ladder.id,
        rung,
        evidence: own.evidence,
        on: own.on,
        stale,
        sure:
          own.evidence === 'assumed' ? 'a guess' : stale || own.evidence === 'observed' ? 'fairly' : 'sure',
        clean: own.clean ?? null,
      };
    }
    return {
      ladder: ladder.id,
      rung: highestWithin(library, ladder, ability),
      evidence: 'assumed',
      on: null,
      stale: false,
      sure: 'a guess',
      clean: null,
    };
  });
}

/** Share of body mass, in whole %, that a rung asks of what its ladder measures; null where that isn't known. */
export function rungShare(library: Library, ladder: Ladder, rung: number): number | null {
  const demand = rungDemand(library, ladder.rungs[rung]!);
  const region = ladder.measures.find((r) => r.startsWith('strength.'));
  return demand && region ? Math.round(middle(demand[region])) : null;
}
