import { type FormTable, isHere, REGION_AT, rowAt, rowOf, settingsOf } from '../forms/index.ts';
import { REGIONS, RUNG_STEP } from '../ladder/index.ts';
import { at, type FormRef, type Settings, sameSettings } from '../move/index.ts';
import { type Ability, LEVELS } from '../person/index.ts';

const LIGHT = at('impact.landings');
const HIGH = at('impact.highLandings');
const USUAL = at('effort.met');
const STRENGTHS = REGIONS.map((region, i) => ({ region, i })).filter(({ region }) =>
  region.startsWith('strength.'),
);

/** A station's aim: the trainer's form, and what every candidate is compared with. */
export interface Aim {
  readonly move: number;
  /** Row of the form table, −1 where the room has no such form. */
  readonly form: number;
  readonly lo: Float64Array;
  readonly hi: Float64Array;
  readonly settings: Settings;
  readonly met: number;
  /** Position in a demand row of the strength that governs the station, and its rung's worth. */
  readonly governs: number;
  readonly step: number;
  readonly target: number;
  readonly landingsPerMinute: number;
}

/** A height the trainer didn't name is whatever the room has nearest to the usual one. */
function heightHere(table: FormTable, move: number): Settings {
  const { index } = table;
  if (index.law[move]! < 0) return {};
  const usual = index.surface[move * 3 + 2]!;
  let best = Number.NaN;
  for (let f = table.start[move]!; f < table.start[move + 1]!; f++)
    if (Number.isNaN(best) || Math.abs(table.surfaceCm[f]! - usual) < Math.abs(best - usual))
      best = table.surfaceCm[f]!;
  return { surfaceCm: Number.isNaN(best) ? usual : best };
}

/** Null where the library has no such move. `ability` is null while its dial stands as written. */
export function aimOf(
  table: FormTable,
  given: FormRef,
  writtenFor: 0 | 1 | 2 | 3,
  ability: Ability | null,
  /** Positions in CAPABILITY_IDS of what they have with them. */
  brings: readonly number[] = [],
): Aim | null {
  const { index } = table;
  const move = rowOf(index, given.move);
  if (move < 0) return null;
  const settings = given.settings ?? heightHere(table, move);
  const { lo, hi } = rowAt(index, given.move, settings)!;
  const mid = (i: number) => (lo[i]! + hi[i]!) / 2;
  let form = -1;
  for (let f = table.start[move]!; f < table.start[move + 1]! && form < 0; f++)
    if (isHere(table, f, brings) && sameSettings(settingsOf(table, f), settings)) form = f;
  const written = LEVELS[writtenFor].ability;
  let governs = STRENGTHS[0]!;
  for (const strength of STRENGTHS)
    if (mid(REGION_AT[strength.i]!) / written[strength.i]! > mid(REGION_AT[governs.i]!) / written[governs.i]!)
      governs = strength;
  const asked = mid(REGION_AT[governs.i]!);
  const can = ability?.[governs.i];
  const usual = index.pace[move * 3 + 1]!;
  return {
    move,
    form,
    lo,
    hi,
    settings,
    met: mid(USUAL),
    governs: REGION_AT[governs.i]!,
    step: RUNG_STEP[governs.region],
    // The trainer's form where they own it, else what they own; further out only in proportion.
    target:
      can === undefined
        ? asked
        : Math.max(Math.min(asked, can), can * Math.min(1, asked / written[governs.i]!)),
    landingsPerMinute: Number.isNaN(usual) ? 0 : (hi[LIGHT]! + hi[HIGH]!) * usual,
  };
}
