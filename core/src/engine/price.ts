import { REGION_AT, ROW_SIZE } from '../forms/index.ts';
import { REGIONS, RUNG_STEP } from '../ladder/index.ts';
import { at } from '../move/index.ts';
import type { Choice } from './budget.ts';
import { type Context, goalOf, HIGH, LIGHT, metOf, middle } from './context.ts';
import { landingsOf } from './doses.ts';

const IMPACT_CLASS = at('impact.class');
const STANDING = at('posture.standing');
const TENTH = Math.log(1.1);

/** What any form of a move costs, besides what the move is to the one aimed at; a form as written only `any`. */
interface MovePrice {
  readonly any: number;
  readonly other: number;
}

export function movePrice(context: Context, entry: number, move: number): MovePrice {
  const { costs, aims, disliked, newToThem, written, usual, own, entries } = context;
  const another = move !== aims[entry]!.move;
  return {
    any: disliked.has(move) ? costs.disliked : 0,
    other:
      (newToThem.has(move) ? costs.newToPerson : 0) +
      (another && written[entries[entry]!.block]!.has(move) ? costs.alreadyHere : 0) +
      (another && usual[entry]!.size > 0 && !usual[entry]!.has(move) ? costs.unusual : 0) +
      (another && own[entry]!.size > 0 && !own[entry]!.has(move) ? costs.notTheirWay : 0),
  };
}

/** What a form costs on top of its move but for its pace; anything from `under` on is as good as infinite. */
export function formPrice(
  context: Context,
  entry: number,
  form: number,
  ofMove: MovePrice,
  under: number,
): number {
  const { index, table, costs, limits, verdict, liked } = context;
  const { hi } = table;
  const aim = context.aims[entry]!;
  const move = table.move[form]!;
  // Past what was aimed at is as far off as short of it, though within what they can do.
  let cost = Math.round((costs.rungOff * Math.abs(aim.target - middle(table, form, aim.governs))) / aim.step);
  if (form !== aim.form) {
    const cm = table.surfaceCm[form]!;
    const shownAlready =
      move === aim.move &&
      (cm === aim.settings.surfaceCm || (Number.isNaN(cm) && aim.settings.surfaceCm === undefined)) &&
      (table.support[form] === 1) === (aim.settings.support ?? false);
    if (table.side[form]) cost += costs.oneSideOnly;
    if (!shownAlready) cost += costs.anotherForm;
    if (aim.hi[STANDING]! > 0 && hi[form * ROW_SIZE + STANDING]! === 0) cost += costs.offTheFeet;
    if (table.trim[form]! >= 0) cost += costs.trim;
    if (table.standIn[form]) cost += costs.standIn;
    cost += ofMove.other;
    const harder = hi[form * ROW_SIZE + IMPACT_CLASS]! - aim.hi[IMPACT_CLASS]!;
    if (harder > 0) cost += costs.harderLandings * harder;
  }
  cost += ofMove.any;
  if (cost >= under) return cost;
  const reach = context.request.reach ?? 0;
  if (limits.ability && !limits.owns.has(index.ids[move]!) && (reach > 0 || verdict.barred[form] !== 0)) {
    let over = 0;
    for (let r = 0; r < REGION_AT.length; r++)
      over = Math.max(
        over,
        (hi[form * ROW_SIZE + REGION_AT[r]!]! - limits.ability[r]!) / RUNG_STEP[REGIONS[r]!],
      );
    cost += Math.round(costs.rungTooHard * over);
  }
  return liked.has(move) ? cost - costs.liked : cost;
}

/** What its pace costs: the effort by which it misses what is aimed at. */
export function pacePrice(context: Context, entry: number, form: number, pace: number): number {
  const { costs } = context;
  const missed =
    Math.abs(Math.log(metOf(context, form, pace) / goalOf(context, context.aims[entry]!))) / TENTH;
  return Math.min(costs.effortAtMost, Math.round(costs.tenthOfEffort * missed));
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
