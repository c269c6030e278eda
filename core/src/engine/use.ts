import { type LibraryIndex, metAt, REGION_AT } from '../forms/index.ts';
import { at, type Settings } from '../move/index.ts';
import { LEVELS } from '../person/index.ts';
import type { Use } from './version.ts';

const CLASS = at('impact.class');
const LIGHT = at('impact.landings');
const HIGH = at('impact.highLandings');
const SLOW = at('effort.metSlow');
const USUAL = at('effort.met');
const FAST = at('effort.metFast');

/** A form's demand: its row of the index and its place in the two tables of figures. */
export interface FormRow {
  readonly move: number;
  readonly lo: Float64Array;
  readonly hi: Float64Array;
  readonly offset: number;
}

/** The innermost level that could do a form and whose lane goes up to its impact. */
function laneOf({ hi, offset }: FormRow): 0 | 1 | 2 | 3 {
  for (let level = 0; level < 3; level++) {
    const { ability, impactMax } = LEVELS[level]!;
    if (hi[offset + CLASS]! <= impactMax && ability.every((can, r) => hi[offset + REGION_AT[r]!]! <= can))
      return level as 0 | 1 | 2;
  }
  return 3;
}

/** What somebody does: a form at a pace (NaN for a hold) inside a slot, with what it then asks. */
export function useOf(
  index: LibraryIndex,
  row: FormRow,
  settings: Settings,
  pace: number,
  holdSeconds: number,
  standIn: boolean,
): Use {
  const [slow, usual, fast] = index.pace.subarray(row.move * 3, row.move * 3 + 3);
  const isHold = Number.isNaN(pace);
  const met = (end: Float64Array) => {
    const o = row.offset;
    return isHold
      ? end[o + USUAL]!
      : metAt(pace, slow!, usual!, fast!, end[o + SLOW]!, end[o + USUAL]!, end[o + FAST]!);
  };
  const perMinute = (key: number) => (isHold ? 0 : row.hi[row.offset + key]! * pace);
  return {
    move: index.ids[row.move]!,
    settings,
    pace: isHold ? null : pace,
    holdSeconds: isHold ? holdSeconds : null,
    metLo: met(row.lo),
    metHi: met(row.hi),
    lightPerMinute: perMinute(LIGHT),
    highPerMinute: perMinute(HIGH),
    lane: laneOf(row),
    standIn,
    own: null,
  };
}
