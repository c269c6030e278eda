import { paceFor, ROW_SIZE } from '../forms/index.ts';
import { at } from '../move/index.ts';
import type { Aim } from './aim.ts';
import { type Context, goalOf, HIGH, LIGHT, middle } from './context.ts';

const SLOW = at('effort.metSlow');
const USUAL = at('effort.met');
const FAST = at('effort.metFast');
const BALANCE = at('balance.level');
const CHANGES = at('posture.changes');
/** Balance, a landing or getting down is what limits a form. */
const isRisky = ({ table: { hi } }: Context, form: number): boolean => {
  const of = form * ROW_SIZE;
  return hi[of + BALANCE]! >= 2 || hi[of + CHANGES]! >= 1 || hi[of + LIGHT]! + hi[of + HIGH]! > 0;
};

/** Reps a minute at which somebody does a form at a station; NaN where it has no pace. */
export function choosePace(context: Context, aim: Aim, form: number): number {
  const { index, table, request, verdict } = context;
  const { dials } = request;
  const quickest = verdict.quickest(form);
  if (Number.isNaN(quickest)) return Number.NaN;
  const move = table.move[form]!;
  const m = move * 3;
  const { pace: paces } = index;
  let wanted = paces[m + 1]!;
  // Effort is given back by pace, never where a tempo is the exercise, and not once effort is eased.
  if (dials.intensity === 'as written' && form !== aim.form && !index.strict[move]) {
    const pace = paceFor(
      goalOf(context, aim),
      paces[m]!,
      paces[m + 1]!,
      paces[m + 2]!,
      middle(table, form, SLOW),
      middle(table, form, USUAL),
      middle(table, form, FAST),
    );
    wanted = Number.isNaN(pace) ? paces[m]! : Math.round(pace);
    // Nobody careful is hurried where balance, a landing or getting down is the limit.
    if (context.careful && isRisky(context, form)) wanted = Math.min(wanted, paces[m + 1]!);
    // What easing impact took out is never given back as more landings.
    const perRep = table.hi[form * ROW_SIZE + LIGHT]! + table.hi[form * ROW_SIZE + HIGH]!;
    if (dials.impact !== 'as written' && perRep > 0)
      wanted = Math.min(wanted, Math.floor(aim.landingsPerMinute / perRep));
  }
  return Math.max(paces[m]!, Math.min(wanted, quickest));
}
