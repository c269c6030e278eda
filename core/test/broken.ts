import { createScaler, type Scaler, type Use } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { rungDemand } from '@inner-rung/core/ladder';
import type { Subject } from '@inner-rung/core/limits';
import { type Demand, LIMB_KEYS } from '@inner-rung/core/move';
import type { Limit } from '@inner-rung/core/person';
import fc from 'fast-check';
import { anyRoom, beyondEffort, effortCeiling, holdLeft, holdsByItself } from './cases.ts';
import { shippedLibrary } from './shipped.ts';

export const library = shippedLibrary();
export const index = compileLibrary(library);
// A spread of rooms drawn once from a fixed seed; each case picks one.
export const scalers: readonly Scaler[] = fc
  .sample(anyRoom, { numRuns: 24, seed: 7 })
  .map((room) => createScaler(index, room));
// Cases carry the room's number, so that a counterexample prints as something a person can read.
export const anyRoomNumber = fc.nat({ max: scalers.length - 1 });

const demands = new Map<string, Demand>();
export const demandOfUse = (use: Use): Demand => {
  const key = `${use.move} ${JSON.stringify(use.settings)}`;
  const known = demands.get(key) ?? rungDemand(library, use)!;
  demands.set(key, known);
  return known;
};
const isHold = (use: Use) => use.pace === null;

/** The other side does it alone, and the figure is one of that limb's own. */
function worksAlone(use: Use, limit: Extract<Limit, { kind: 'cap' }>): boolean {
  const { side } = use.settings;
  const { alone } = library.move(use.move)!;
  return Boolean(
    side && alone && limit.side !== 'both' && limit.side !== side && LIMB_KEYS[alone].includes(limit.on),
  );
}

/** Written apart from the engine, on the plain demand records: does a use break a limit? */
export function breaks(limit: Limit, use: Use, subject: Subject, slack = 1e-9): boolean {
  const d = demandOfUse(use);
  switch (limit.kind) {
    case 'cap':
      if (limit.on === 'strain.holdSeconds' && isHold(use)) return !(use.holdSeconds! <= limit.max);
      if (worksAlone(use, limit)) return false;
      return !((d[limit.on].hi ?? Number.NaN) <= limit.max);
    case 'ban':
      return library.move(use.move)!.pattern === limit.pattern;
    case 'require':
      return (
        !((d['balance.level'].hi ?? 9) <= limit.supportAboveBalance) &&
        !use.settings.support &&
        !holdsByItself(use.move)
      );
    case 'effort':
      return (
        !(use.metHi <= effortCeiling(limit, subject) + slack) ||
        beyondEffort(limit, (key) => d[key].hi ?? Number.NaN, subject.ability, subject.owns, use.move, slack)
          .length > 0 ||
        (use.holdSeconds !== null && use.holdSeconds > holdLeft(limit))
      );
    case 'budget':
      return (
        limit.per === 'minute' &&
        (limit.on === 'impact.landings' ? use.lightPerMinute : use.highPerMinute) > limit.max + slack
      );
    default:
      return false;
  }
}
