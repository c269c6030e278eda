import { at } from '../move/index.ts';
import type { Aim } from './aim.ts';
import { type Context, goalOf, HIGH, LIGHT, paceOf } from './context.ts';

const BALANCE = at('balance.level');
const CHANGES = at('posture.changes');
/**
 * At what pace somebody does each form at a station, in reps a minute; NaN for a form that has none. What doesn't change
 * from form to form is looked up once: thousands are asked about.
 */
export function paceFinder(context: Context, aim: Aim): (form: number) => number {
  const { index, table, request, verdict, careful } = context;
  const { most, move: moveOf } = table;
  const [light, high, balance, changes] = [most(LIGHT), most(HIGH), most(BALANCE), most(CHANGES)];
  const { pace: paces, strict } = index;
  const { dials } = request;
  const goal = goalOf(context, aim);
  // Effort is given back by pace, never where a tempo is the exercise, and not once effort is eased.
  const givesBack = dials.intensity === 'as written';
  return (form) => {
    const quickest = verdict.quickest(form);
    if (Number.isNaN(quickest)) return Number.NaN;
    const move = moveOf[form]!;
    const m = move * 3;
    let wanted = paces[m + 1]!;
    if (givesBack && form !== aim.form && !strict[move]) {
      const pace = paceOf(context, form, goal);
      wanted = Number.isNaN(pace) ? paces[m]! : Math.round(pace);
      const perRep = light[form]! + high[form]!;
      // Nobody careful is hurried where balance, a landing or getting down is the limit.
      if (careful && (balance[form]! >= 2 || changes[form]! >= 1 || perRep > 0))
        wanted = Math.min(wanted, paces[m + 1]!);
      // What easing impact took out is never given back as more landings.
      if (dials.impact !== 'as written' && perRep > 0)
        wanted = Math.min(wanted, Math.floor(aim.landingsPerMinute / perRep));
    }
    return Math.max(paces[m]!, Math.min(wanted, quickest));
  };
}
