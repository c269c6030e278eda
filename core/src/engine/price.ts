import { REGION_AT, ROW_SIZE } from '../forms/index.ts';
import { REGIONS, RUNG_STEP } from '../ladder/index.ts';
import { at } from '../move/index.ts';
import type { Choice } from './budget.ts';
import { type Context, goalOf, HIGH, LIGHT, metOf } from './context.ts';
import { landingsOf } from './doses.ts';

const IMPACT_CLASS = at('impact.class');
const STANDING = at('posture.standing');
const FLOOR = at('posture.floor');
const TENTH = Math.log(1.1);

/** What any form of a move costs, besides what the move is to the one aimed at; a form as written only `any`. */
interface MovePrice {
  readonly any: number;
  readonly other: number;
}

/** What everything costs at one entry, in milli-points; what doesn't change from form to form is looked up once. */
export interface Prices {
  readonly ofMove: (move: number) => MovePrice;
  /** On top of its move but for its pace; anything from `under` on is as good as infinite. */
  readonly ofForm: (form: number, ofMove: MovePrice, under: number) => number;
  /** The effort by which a pace misses what is aimed at. */
  readonly ofPace: (form: number, pace: number) => number;
}

/** Of most moves, thousands of times a class. */
const NOTHING: MovePrice = { any: 0, other: 0 };

/** `ownBelow` is how many rungs below what was aimed at the form lies that somebody would be given by themselves. */
export function pricesAt(context: Context, entry: number, ownBelow = 0): Prices {
  const { index, table, costs, limits, verdict, liked, disliked, newToThem } = context;
  const { hi, move: moveOf, surfaceCm, support, side, trim, standIn } = table;
  const [standing, floor, impact] = [table.most(STANDING), table.most(FLOOR), table.most(IMPACT_CLASS)];
  const aim = context.aims[entry]!;
  const written = context.written[context.entries[entry]!.block]!;
  const usual = context.usual[entry]!;
  const own = context.own[entry]!;
  const goal = goalOf(context, aim);
  const heldFrom = Math.max(1, ownBelow);
  const { governs, target, step, move: aimed, form: asWritten, settings } = aim;
  const stands = aim.hi[STANDING]! > 0;
  const onFloor = aim.hi[FLOOR]! > 0;
  const lands = aim.hi[IMPACT_CLASS]!;
  const { ability } = limits;
  const asked = table.middle(governs);
  const beyond = (context.request.reach ?? 0) > 0;

  const ofMove = (move: number): MovePrice => {
    const another = move !== aimed;
    const any = disliked.has(move) ? costs.disliked : 0;
    const other =
      (newToThem.has(move) ? costs.newToPerson : 0) +
      (another && written.has(move) ? costs.alreadyHere : 0) +
      (another && usual.size > 0 && !usual.has(move) ? costs.unusual : 0) +
      (another && own.size > 0 && !own.has(move) ? costs.notTheirWay : 0);
    return any === 0 && other === 0 ? NOTHING : { any, other };
  };

  const ofForm = (form: number, { any, other }: MovePrice, under: number): number => {
    const move = moveOf[form]!;
    // Past what was aimed at is as far off as short of it, though within what they can do.
    const below = (target - asked[form]!) / step;
    let cost = Math.round(costs.rungOff * Math.abs(below));
    // Held down is who does less than they would by themselves, not who would do no more.
    if (below > heldFrom) cost += Math.round(costs.heldDown * (below - heldFrom));
    if (form !== asWritten) {
      const cm = surfaceCm[form]!;
      const shownAlready =
        move === aimed &&
        (cm === settings.surfaceCm || (Number.isNaN(cm) && settings.surfaceCm === undefined)) &&
        (support[form] === 1) === (settings.support ?? false);
      if (side[form]) cost += costs.oneSideOnly;
      if (!shownAlready) cost += costs.anotherForm;
      if (stands && standing[form]! === 0) cost += costs.offTheFeet;
      if (!onFloor && floor[form]! > 0) cost += costs.ontoTheFloor;
      if (trim[form]! >= 0) cost += costs.trim;
      if (standIn[form]) cost += costs.standIn;
      cost += other;
      const harder = impact[form]! - lands;
      if (harder > 0) cost += costs.harderLandings * harder;
    }
    cost += any;
    if (cost >= under) return cost;
    if (ability && (beyond || verdict.barred[form] !== 0) && !limits.owns.has(index.ids[move]!)) {
      let over = 0;
      for (let r = 0; r < REGION_AT.length; r++)
        over = Math.max(over, (hi[form * ROW_SIZE + REGION_AT[r]!]! - ability[r]!) / RUNG_STEP[REGIONS[r]!]);
      cost += Math.round(costs.rungTooHard * over);
    }
    return liked.has(move) ? cost - costs.liked : cost;
  };

  const ofPace = (form: number, pace: number): number => {
    const missed = Math.abs(Math.log(metOf(context, form, pace) / goal)) / TENTH;
    return Math.min(costs.effortAtMost, Math.round(costs.tenthOfEffort * missed));
  };

  return { ofMove, ofForm, ofPace };
}

/** A form at a pace, with its price and the landings that it comes to. */
export const choiceOf = (
  context: Context,
  entry: number,
  form: number,
  pace: number,
  cost: number,
): Choice => ({
  form,
  pace,
  cost,
  light: landingsOf(context, entry, form, pace, LIGHT),
  high: landingsOf(context, entry, form, pace, HIGH),
});
