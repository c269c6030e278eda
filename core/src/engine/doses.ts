import { formatEntry } from '../clock/index.ts';
import { ROW_SIZE, settingsOf } from '../forms/index.ts';
import type { Settings } from '../move/index.ts';
import type { Choice } from './budget.ts';
import { type Context, goalOf, HIGH, LIGHT, metAtMost, metOf, middle } from './context.ts';
import { type DosedForm, drawnOut, inBouts, NO_DOSE, type OwnDose, ownDose } from './dose.ts';
import { lighter } from './load.ts';
import { useOf } from './use.ts';
import type { Use } from './version.ts';

/** Two surfaces this close are one rung to a coach. Estimate. */
export const NEAR_CM = 6;

const dosed = ({ index }: Context, move: number, pace: number): DosedForm => ({
  rep: Number.isNaN(pace) ? null : 60 / pace,
  oneSided: index.oneSided[move] === 1,
});

/** Clean reps that they were seen to do of a form; null where nobody saw, or the session is given as written. */
function cleanAt({ index, table, request }: Context, form: number): number | null {
  // As written, nobody's count is anybody's business but the trainer's.
  if (!request.subject.clean || request.dials.ability === 'as written') return null;
  const id = index.ids[table.move[form]!]!;
  const cm = table.surfaceCm[form]!;
  let most: number | null = null;
  for (const seen of request.subject.clean)
    if (
      seen.move === id &&
      (seen.surfaceCm === null || Number.isNaN(cm) || Math.abs(seen.surfaceCm - cm) <= NEAR_CM)
    )
      most = Math.max(most ?? 0, seen.reps);
  return most;
}

/** The nearest open form of the same ladder that asks a little less, with no more landings. */
function below(
  context: Context,
  entry: number,
  form: number,
): { readonly move: string; readonly settings: Settings } | null {
  const { index, table, aims, similarity, costs, verdict, fits } = context;
  const { hi, start, side, trim } = table;
  const aim = aims[entry]!;
  const asked = middle(table, form, aim.governs);
  const { moves, base } = similarity.ranking(table.move[form]!);
  let best = -1;
  let cheapest = Number.POSITIVE_INFINITY;
  for (let k = 0; k < moves.length && base[k]! <= costs.branch + costs.musclesLost; k++)
    for (let f = start[moves[k]!]!; f < start[moves[k]! + 1]!; f++) {
      if (verdict.barred[f] !== 0 || !fits(f) || side[f] || Number.isNaN(index.pace[moves[k]! * 3]!))
        continue;
      const down = (asked - middle(table, f, aim.governs)) / aim.step;
      if (down < 0.4 || down > 3) continue;
      if ([LIGHT, HIGH].some((key) => hi[f * ROW_SIZE + key]! > hi[form * ROW_SIZE + key]!)) continue;
      const cost = base[k]! + Math.round(costs.rungOff * Math.abs(down - 1)) + (trim[f]! >= 0 ? 1 : 0);
      if (cost < cheapest) {
        cheapest = cost;
        best = f;
      }
    }
  return best < 0 ? null : { move: index.ids[table.move[best]!]!, settings: settingsOf(table, best) };
}

/** What somebody does of a form at a station where that is another dose than is written; null where it is as written. */
export function doseFor(context: Context, entry: number, form: number, pace: number): OwnDose | null {
  const counted = countFor(context, entry, form, pace);
  const loadKg = lighter(context, entry, form);
  return loadKg === null ? counted : { ...(counted ?? NO_DOSE), loadKg };
}

function countFor(context: Context, entry: number, form: number, pace: number): OwnDose | null {
  const { index, table, request, entries, goes, aims } = context;
  const { hi } = table;
  const aim = aims[entry]!;
  const { block, inBlock, dose, part } = entries[entry]!;
  const { format, stations } = request.session.blocks[block]!;
  const { bouts } = stations[inBlock]!.dose ?? {};
  const usual = index.pace[aim.move * 3 + 1]!;
  const same = form === aim.form && (Number.isNaN(pace) || pace === usual);
  const own = ownDose(
    {
      format,
      dose,
      part,
      seconds: goes[entry]!.longest,
      written: dosed(context, aim.move, usual),
      own: dosed(context, table.move[form]!, pace),
      same,
      clean: cleanAt(context, form),
    },
    () => below(context, entry, form),
  );
  if (own || same || !bouts || part > 0) return own;
  const lands = hi[form * ROW_SIZE + LIGHT]! + hi[form * ROW_SIZE + HIGH]! > 0;
  const longer =
    lands || request.dials.intensity !== 'as written'
      ? null
      : drawnOut(bouts, goes[entry]!.slot, goalOf(context, aim), metOf(context, form, pace));
  return longer && { ...NO_DOSE, bouts: longer };
}

/** Landings of one kind that a form at a pace comes to at a station, over all its goes. */
export function landingsOf(context: Context, entry: number, form: number, pace: number, key: number): number {
  const perRep = context.table.hi[form * ROW_SIZE + key]!;
  if (Number.isNaN(pace) || perRep === 0) return 0;
  const share = countFor(context, entry, form, pace)?.share ?? 1;
  return context.goes[entry]!.all.reduce(
    (sum, go) =>
      sum + go.times * Math.ceil(perRep * (go.most === null ? (pace * go.seconds) / 60 : go.most * share)),
    0,
  );
}

/** A jump held back by a bound on landings a minute keeps its rhythm in short bouts, where effort allows. */
export function bouted(context: Context, entry: number, choice: Choice, use: Use): Use | null {
  const { index, table, request, entries, goes, limits, ceiling } = context;
  const { hi, lo } = table;
  const { form, pace } = choice;
  const move = table.move[form]!;
  const { block, inBlock, dose, part } = entries[entry]!;
  const { format, stations } = request.session.blocks[block]!;
  const usual = index.pace[move * 3 + 1]!;
  const perMinute = limits.landings.filter((bound) => bound.per === 'minute');
  if (perMinute.length === 0 || part > 0 || dose || stations[inBlock]!.chain?.length) return null;
  if (formatEntry(format.kind).dose !== 'clock' || index.oneSided[move] === 1) return null;
  if (metAtMost(context, form, usual) > ceiling) return null;
  let best: ReturnType<typeof inBouts> = null;
  for (const key of [LIGHT, HIGH]) {
    const perRep = hi[form * ROW_SIZE + key]!;
    if (perRep === 0) continue;
    const most = Math.min(...perMinute.filter((b) => b.at === key).map((b) => b.max));
    // The go as the clock has it, whatever bouts were written into it.
    const found = inBouts(goes[entry]!.slot, pace, usual, perRep, most);
    if (!found) return null;
    if (!best || found.share < best.share) best = found;
  }
  // Never more landings than the steady pace would have come to: budgets were kept with that.
  if (!best || usual * best.share > pace) return null;
  const average = useOf(
    index,
    { move, lo, hi, offset: form * ROW_SIZE },
    use.settings,
    usual,
    0,
    use.standIn,
  );
  return {
    ...average,
    lightPerMinute: average.lightPerMinute * best.share,
    highPerMinute: average.highPerMinute * best.share,
    own: { ...NO_DOSE, bouts: { times: best.times, seconds: best.seconds } },
  };
}
