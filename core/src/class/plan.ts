import type { Scaler, Use } from '../engine/index.ts';
import type { FormRef } from '../move/index.ts';
import type { Room } from '../room/index.ts';
import { type Coupled, couple } from './coupled.ts';
import { type ClassGround, type ClassRequest, groundOf } from './ground.ts';
import { pricedOver, withFewerRepeats, withFewerRests, withJointsSpared } from './replan.ts';
import { planStation } from './station-plan.ts';

/** A form as it is taught at a station, and who does it. */
interface TaughtForm {
  readonly form: FormRef;
  readonly people: readonly string[];
  /** The trainer's own, as written. */
  readonly asWritten: boolean;
}

interface ClassEntry {
  readonly entry: number;
  /** Most people first: what is shown first. */
  readonly forms: readonly TaughtForm[];
  /** Nothing of what could be shown is open to them: easy movement. */
  readonly resting: readonly string[];
}

export interface ClassPlan {
  readonly entries: readonly ClassEntry[];
  /** What each does, entry by entry. */
  readonly uses: Readonly<Record<string, readonly (Use | null)[]>>;
  /** Who changed for want of things, by entry. */
  readonly shortOf: readonly { readonly person: string; readonly entry: number }[];
  /** Milli-points in all, before anybody who did one thing at two stations was given another. */
  readonly cost: number;
  /** No plan of at most so many forms costs less. */
  readonly atLeast: number;
}

/**
 * What a class does at every station, at most so many forms each: showing them and what everybody then does
 * costs least, station by station, the room's pieces counted: proven best where nothing is short, else with a
 * bound by prices on what is. Each person's landings over the session are then kept within their budget over the
 * forms that are shown, and no joint is loaded three stations running where another of them avoids it; both only
 * ever add cost, so that the stations by themselves are a bound. In rotation the pieces are given out turn by turn.
 * Deterministic: the order of people changes nothing. Costs and the bound are in milli-points.
 *
 *     const plan = planClass(createScaler(index, room), room, { people, most: 3 });
 *     plan.entries[0].forms; // what is shown at the first station, and who does each
 *     gapOf(plan); // 0 where it is proven that no plan is better
 */
export function planClass(scaler: Scaler, room: Room, request: ClassRequest): ClassPlan {
  const ground = groundOf(scaler, room, request);
  const free = ground.entries.map((_, entry) => planStation(ground, entry, { proving: true }));
  let atLeast = free.reduce((sum, one) => sum + one.atLeast, 0);
  let best = couple(ground, free);
  let price = null;
  if (ground.how === 'rotation') ({ best, atLeast, price } = pricedOver(ground, best, atLeast));
  // Where it is proven that nothing costs less, nobody rests who needn't.
  if (best.cost > atLeast) best = withFewerRests(ground, best, price);
  // Who has been told what they do isn't moved to spare a joint or for variety.
  const fresh = request.before === undefined;
  if (fresh) best = withJointsSpared(ground, best);
  // Proven least is what the stations came to before, so that is what is told.
  const before = best.cost;
  if (fresh) best = withFewerRepeats(ground, best);
  const cost = Math.min(best.cost, before);
  return { ...facesOf(ground, best), cost, atLeast: Math.min(cost, atLeast) };
}

/** What is shown where, and who does what. */
function facesOf(
  { people, opened, entries, numberOf }: ClassGround,
  { chosen, shown, shortOf }: Coupled,
): Pick<ClassPlan, 'entries' | 'uses' | 'shortOf'> {
  const idsOf = (who: (p: number) => boolean) => people.filter((_, p) => who(p)).map(({ id }) => id);
  const does = (p: number, entry: number) => {
    const choice = chosen[p]![entry];
    return choice ? numberOf[choice.form]! : -1;
  };
  return {
    entries: entries.map((_, entry) => ({
      entry,
      forms: shown[entry]!.map(
        ({ id, form, written }): TaughtForm => ({
          form,
          asWritten: written,
          people: idsOf((p) => does(p, entry) === id),
        }),
      )
        .filter((form) => form.people.length > 0)
        .sort((a, b) => b.people.length - a.people.length || (a.form.move < b.form.move ? -1 : 1)),
      resting: idsOf((p) => !chosen[p]![entry]),
    })),
    uses: Object.fromEntries(
      people.map(({ id }, p) => [
        id,
        entries.map((_, entry) => {
          const choice = chosen[p]![entry] ?? null;
          return choice ? opened[p]!.use(entry, choice) : null;
        }),
      ]),
    ),
    shortOf,
  };
}
