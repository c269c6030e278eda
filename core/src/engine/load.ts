import { REGION_AT } from '../forms/index.ts';
import { levelAbility } from '../person/index.ts';
import type { Context } from './context.ts';

/** Kilograms nobody of a kind begins above, of a move they were never seen with. Common practice. */
const BEGIN_AT_MOST = { child: 4, older: 6, careful: 10, clinical: 10 } as const;
/** Loads are spoken of in steps: single kilograms, from ten on in twos. */
const STEPS_OF_TWO = 10;

/** Down to a load that there is. */
const there = (kg: number): number =>
  kg < STEPS_OF_TWO ? Math.max(1, Math.floor(kg)) : Math.floor(kg / 2) * 2;

/**
 * Kilograms in place of those written at an entry, for the move as it was written: as much less as they can less than
 * people of the level it was written for, and no more than somebody like them begins with. Null where the written ones
 * hold: as written, nothing written, another move, or a rung of theirs that was seen with it.
 */
export function lighter(context: Context, entry: number, form: number): number | null {
  const { index, table, request, aims, entries, careful, limits } = context;
  const { subject, dials, writtenFor } = request;
  const kg = entries[entry]!.dose?.loadKg;
  const aim = aims[entry];
  const move = table.move[form]!;
  if (kg === undefined || !aim || dials.ability === 'as written' || move !== aim.move) return null;
  const id = index.ids[move]!;
  if (subject.clean?.some((seen) => seen.move === id) || subject.owns?.includes(id)) return null;
  const can = limits.ability;
  if (!can) return null;
  const region = REGION_AT.indexOf(aim.governs);
  const share = subject.keepsUp ? 1 : Math.min(1, can[region]! / levelAbility(writtenFor)[region]!);
  const clinical = subject.limits.some(({ source }) => source === 'condition' || source === 'clinician');
  const most = Math.min(
    subject.effortAge === 'child' ? BEGIN_AT_MOST.child : Number.POSITIVE_INFINITY,
    subject.effortAge === 'older' ? BEGIN_AT_MOST.older : Number.POSITIVE_INFINITY,
    careful ? BEGIN_AT_MOST.careful : Number.POSITIVE_INFINITY,
    clinical ? BEGIN_AT_MOST.clinical : Number.POSITIVE_INFINITY,
  );
  const own = Math.min(kg, there(Math.min(kg * share, most)));
  return own < kg ? own : null;
}
