import { COSTS, LEAST_INTENT, similarityOf } from '../engine/index.ts';
import {
  type FormTable,
  type LibraryIndex,
  REGION_AT,
  ROW_SIZE,
  rowAt,
  settingsOf,
  tabulateForms,
} from '../forms/index.ts';
import { AVOIDS, type Avoid, REGIONS, RUNG_STEP } from '../ladder/index.ts';
import { compileConstraints, createLaw, NOBODY, type Subject } from '../limits/index.ts';
import { at, CAPABILITY_IDS, type Capability, type FormRef, type Settings } from '../move/index.ts';
import { EVERYWHERE, type Room } from '../room/index.ts';
import { AS_WRITTEN } from '../session/index.ts';

interface FindRequest {
  readonly from: FormRef;
  /** What must go. */
  readonly without: readonly Avoid[];
  /** Things that aren't to be used. */
  readonly withoutItems: readonly Capability[];
  /** How much easier (below 0) or harder, in rungs. */
  readonly by: number;
  readonly most: number;
  /** Whose limits hold; nobody's where it is left out. */
  readonly subject?: Subject;
  /** The form asked about may itself be found, when it can be done here. */
  readonly itself?: boolean;
  /** Every height of a move is an answer of its own, for when there isn’t enough of the best. */
  readonly everyHeight?: boolean;
}

export interface Found {
  readonly move: string;
  readonly settings: Settings;
  /** In milli-points, on the scale of {@link COSTS}. */
  readonly cost: number;
  /** Rungs harder (above 0) or easier than what was asked about. */
  readonly rungs: number;
  readonly samePattern: boolean;
  /** Share of the muscles kept, 0–1. */
  readonly muscles: number;
}

const STRENGTHS = REGIONS.map((region, i) => ({ region, i })).filter(({ region }) =>
  region.startsWith('strength.'),
);
const MET = at('effort.met');
const STANDING = at('posture.standing');
const FLOOR = at('posture.floor');
const TENTH = Math.log(1.1);

export interface Finder {
  readonly find: (request: FindRequest) => Found[];
}

/** Finds forms in one room over the whole library; the table is made once. */
export function createFinder(index: LibraryIndex, room: Room = EVERYWHERE): Finder {
  const table: FormTable = tabulateForms(index, room);
  const law = createLaw(table);
  const middle = (lo: Float64Array, hi: Float64Array, offset: number, key: number) =>
    (lo[offset + key]! + hi[offset + key]!) / 2;
  return {
    find: (request) => {
      const here = rowAt(index, request.from.move, request.from.settings);
      if (!here) return [];
      const similarity = similarityOf(index, COSTS, LEAST_INTENT);
      const caps = request.without.flatMap((avoid) =>
        AVOIDS[avoid].caps.map(([key, max]) => [at(key), max] as const),
      );
      const constraints = compileConstraints(request.subject ?? NOBODY, AS_WRITTEN);
      const { barred: closed } = law.verdict(constraints);
      const barred = new Set(request.withoutItems.map((what) => CAPABILITY_IDS.indexOf(what)));
      // The strength it asks most of, in its own rungs, says what harder and easier mean.
      const governs = STRENGTHS.reduce((best, one) => {
        const asks = (s: typeof one) => middle(here.lo, here.hi, 0, REGION_AT[s.i]!) / RUNG_STEP[s.region];
        return asks(one) > asks(best) ? one : best;
      }, STRENGTHS[0]!);
      const key = REGION_AT[governs.i]!;
      const step = RUNG_STEP[governs.region];
      const asked = middle(here.lo, here.hi, 0, key);
      const target = asked + request.by * step;
      const met = middle(here.lo, here.hi, 0, MET) * 1.15 ** request.by;
      const { moves, base } = similarity.ranking(here.move);
      const found: Found[] = [];
      let worst = Number.POSITIVE_INFINITY;
      for (let k = 0; k < moves.length; k++) {
        if (base[k]! > worst) break;
        const move = moves[k]!;
        let needsBarred = false;
        for (let n = index.needStart[move]!; n < index.needStart[move + 1]!; n++)
          if (barred.has(index.needWhat[n]!)) needsBarred = true;
        if (needsBarred) continue;
        // One answer a move, its best form; or the best at every height.
        const best = new Map<number, { form: number; cost: number }>();
        for (let f = table.start[move]!; f < table.start[move + 1]!; f++) {
          if (closed[f] !== 0 || table.side[f] !== 0) continue;
          const o = f * ROW_SIZE;
          if (!caps.every(([cap, max]) => table.hi[o + cap]! <= max)) continue;
          const off = Math.abs(middle(table.lo, table.hi, o, key) - target) / step;
          const effort = Math.abs(Math.log(middle(table.lo, table.hi, o, MET) / met)) / TENTH;
          const cost =
            base[k]! +
            Math.round(COSTS.rungOff * off) +
            Math.min(COSTS.effortAtMost, Math.round(COSTS.tenthOfEffort * effort)) +
            (here.hi[STANDING]! > 0 && table.hi[o + STANDING] === 0 ? COSTS.offTheFeet : 0) +
            (here.hi[FLOOR] === 0 && table.hi[o + FLOOR]! > 0 ? COSTS.ontoTheFloor : 0) +
            (table.trim[f]! >= 0 ? COSTS.trim : 0) +
            (table.standIn[f] ? COSTS.standIn : 0);
          const height = request.everyHeight && !Number.isNaN(table.surfaceCm[f]!) ? table.surfaceCm[f]! : 0;
          if (cost < (best.get(height)?.cost ?? Number.POSITIVE_INFINITY))
            best.set(height, { form: f, cost });
        }
        for (const { form, cost } of best.values()) {
          const settings = settingsOf(table, form);
          const itself =
            move === here.move &&
            settings.surfaceCm === (request.from.settings?.surfaceCm ?? settings.surfaceCm);
          if (itself && !request.itself && !settings.trim && !settings.support) continue;
          found.push({
            move: index.ids[move]!,
            settings,
            cost,
            rungs: (middle(table.lo, table.hi, form * ROW_SIZE, key) - asked) / step,
            samePattern: index.pattern[move] === index.pattern[here.move],
            muscles: similarity.overlap(here.move, move),
          });
        }
        if (found.length >= request.most) {
          found.sort((a, b) => a.cost - b.cost || (a.move < b.move ? -1 : 1));
          found.length = request.most;
          worst = found.at(-1)!.cost;
        }
      }
      return found.sort((a, b) => a.cost - b.cost || (a.move < b.move ? -1 : 1));
    },
  };
}
