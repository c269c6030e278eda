import { ROW_SIZE, settingsOf } from '../forms/index.ts';
import { levelReached } from '../person/index.ts';
import type { Choice } from './budget.ts';
import { type Context, goalOf, metOf } from './context.ts';
import { bouted, doseFor } from './doses.ts';
import { explain } from './explain.ts';
import { type Choices, search } from './search.ts';
import { useOf } from './use.ts';
import type { Reason, Use, Version } from './version.ts';

/** How long somebody is at a move in one go: one side has half of the slot where both share it. */
function slotSeconds({ index, request, entries, goes }: Context, entry: number, move: number): number {
  const { block, inBlock, dose } = entries[entry]!;
  const { sides } = request.session.blocks[block]!.stations[inBlock]!;
  const { longest } = goes[entry]!;
  if (dose?.bouts) return Math.min(longest, dose.bouts.seconds);
  const shared = sides !== 'two slots' && sides !== 'other side each round';
  return index.oneSided[move] === 1 && shared ? Math.floor(longest / 2) : longest;
}

/**
 * On a clock that the lanes leave one by one somebody stops with those of their level: a form that beginners could do as
 * well sends nobody home early.
 */
function stopsWith({ entries, request }: Context, entry: number, lane: Use['lane']): Use['lane'] {
  const { format } = request.session.blocks[entries[entry]!.block]!;
  if (format.kind !== 'staggered') return lane;
  return Math.max(lane, levelReached(request.subject.ability)) as Use['lane'];
}

/** What is written, by entry, as it would be used; null where the library has no such move. */
export const originalOf = (context: Context): readonly (Use | null)[] =>
  context.aims.map((aim, i) => {
    if (!aim) return null;
    const use = useOf(
      context.index,
      { move: aim.move, lo: aim.lo, hi: aim.hi, offset: 0 },
      aim.settings,
      context.index.pace[aim.move * 3 + 1]!,
      slotSeconds(context, i, aim.move),
      aim.form >= 0 && context.table.standIn[aim.form] === 1,
    );
    return { ...use, lane: stopsWith(context, i, use.lane) };
  });

/** What a choice of theirs comes to. */
export function useFor(context: Context, entry: number, choice: Choice): Use {
  const { index, table, holdMax } = context;
  const aim = context.aims[entry]!;
  const move = table.move[choice.form]!;
  const made = useOf(
    index,
    { move, lo: table.lo, hi: table.hi, offset: choice.form * ROW_SIZE },
    choice.form === aim.form ? aim.settings : settingsOf(table, choice.form),
    choice.pace,
    Math.min(slotSeconds(context, entry, move), holdMax),
    table.standIn[choice.form] === 1,
  );
  const use = { ...made, lane: stopsWith(context, entry, made.lane) };
  const own = doseFor(context, entry, choice.form, choice.pace);
  if (own) return { ...use, own };
  return bouted(context, entry, choice, use) ?? use;
}

/** Choices made into a version, with a reason for each that isn't as written. */
export function settle(
  context: Context,
  original: readonly (Use | null)[],
  choices: Choices,
): Omit<Version, 'cost'> {
  const { table, law, verdict, limits, similarity } = context;
  const reasons: Reason[] = [];
  const uses = choices.map((choice, i): Use | null => {
    const aim = context.aims[i] ?? null;
    const was = original[i] ?? null;
    const use = choice && aim ? useFor(context, i, choice) : null;
    if (
      choice &&
      use &&
      choice.form === aim?.form &&
      use.pace === was?.pace &&
      use.holdSeconds === was.holdSeconds &&
      use.own === null
    )
      return was;
    reasons.push(
      explain({
        entry: i,
        table,
        law,
        verdict,
        constraints: limits,
        similarity,
        aim,
        choice: choice ?? null,
        use,
        was,
        near: choice && aim ? search(context, i, 1, choice.cost) : null,
        effort: choice && aim ? metOf(context, choice.form, choice.pace) / goalOf(context, aim) : 0,
      }),
    );
    return use;
  });
  return { original, uses, reasons };
}
