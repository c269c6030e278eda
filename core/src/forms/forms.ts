import {
  at,
  CAPABILITY_IDS,
  LAW_IDS,
  LAWS,
  type Settings,
  type SettingsSpec,
  settle,
} from '../move/index.ts';
import { clearMetres, offersOf, type Room } from '../room/index.ts';
import { heightsAt, type LibraryIndex, ROW_SIZE, rowOf } from './library-index.ts';

/**
 * Every form of every move in one room, with its demand at final settings. A move that the room can't
 * host has one form, at its usual settings, with the capability that is missing. Built once a room.
 */
export interface FormTable {
  readonly count: number;
  readonly index: LibraryIndex;
  /** First form of each move, n + 1 offsets. */
  readonly start: Int32Array;
  readonly move: Int32Array;
  readonly surfaceCm: Float64Array;
  readonly support: Uint8Array;
  /** Row of the trim in the index, −1 without. */
  readonly trim: Int32Array;
  /** 0 both sides, 1 the left only, 2 the right only. */
  readonly side: Uint8Array;
  readonly standIn: Uint8Array;
  /** CAPABILITY_IDS position of what the room lacks; −1 when feasible. −2: space, −3: noise. */
  readonly missing: Int8Array;
  /** 1 where that is all it lacks, so that whoever has it with them can do it here. */
  readonly onlyThat: Uint8Array;
  /** The balance it asks with nothing held and nothing eased: what decides whether it is done holding on. */
  readonly unheld: Float64Array;
  readonly lo: Float64Array;
  readonly hi: Float64Array;
  /** One figure of all forms, by its place in a row: what looks at thousands of forms reads side by side, not row by row. */
  readonly most: (key: number) => Float64Array;
  /** The same, the middle between least and most. */
  readonly middle: (key: number) => Float64Array;
}

export const LACKS_SPACE = -2;
export const LACKS_QUIET = -3;

const METRES = at('space.metres');
const NOISE = at('space.noise');
const BEARING = at('hands.bearing');
const BUSY = at('hands.busy');
const HAND_HOLD = CAPABILITY_IDS.indexOf('hand hold');
const BALANCE = at('balance.level');
const QUIET_NOISE = 1;
/** What somebody may bring that a room lacks: forms are laid out for it all the same. */
const BROUGHT = CAPABILITY_IDS.indexOf('seat');

const specs = new WeakMap<LibraryIndex, SettingsSpec[]>();
/** How each move of an index answers its settings: made once, since every form of every room asks. */
function specOf(index: LibraryIndex, move: number): SettingsSpec {
  const known = specs.get(index) ?? Array.from({ length: index.count }, (_, row) => specAt(index, row));
  specs.set(index, known);
  return known[move]!;
}

function specAt(index: LibraryIndex, move: number): SettingsSpec {
  const law = index.law[move]!;
  return {
    law: law < 0 ? null : LAWS[LAW_IDS[law]!],
    usualCm: index.surface[move * 3 + 2]!,
    pace: [index.pace[move * 3]!, index.pace[move * 3 + 1]!, index.pace[move * 3 + 2]!] as const,
    supportBalance: index.supportBalance[move]!,
    supportHands: index.supportHands[move]!,
    leasts: heightsAt(index, move),
  };
}

function trimOf(index: LibraryIndex, trim: number): [number, number][] {
  if (trim < 0) return [];
  const effects: [number, number][] = [];
  for (let i = index.trimEffectStart[trim]!; i < index.trimEffectStart[trim + 1]!; i++)
    effects.push([index.trimDemand[i]!, index.trimBy[i]!]);
  return effects;
}

/** Demand of one move at given settings, on the index: the row a form of the table would have. */
export function rowAt(index: LibraryIndex, id: string, settings: Settings = {}) {
  const move = rowOf(index, id);
  if (move < 0) return null;
  const lo = index.lo.slice(move * ROW_SIZE, (move + 1) * ROW_SIZE);
  const hi = index.hi.slice(move * ROW_SIZE, (move + 1) * ROW_SIZE);
  let trim = -1;
  for (let t = index.trimStart[move]!; t < index.trimStart[move + 1]!; t++)
    if (index.trimIds[t] === settings.trim) trim = t;
  settle(lo, hi, specOf(index, move), settings.surfaceCm, settings.support ?? false, trimOf(index, trim));
  return { move, lo, hi };
}

const SIDES = ['left', 'right'] as const;

interface Draft {
  move: number;
  surfaceCm: number;
  support: number;
  trim: number;
  side: 0 | 1 | 2;
  standIn: number;
  missing: number;
  onlyThat: 0 | 1;
}

export function tabulateForms(index: LibraryIndex, room: Room): FormTable {
  const offers = offersOf(room);
  const byNeed = CAPABILITY_IDS.map((what) => offers.get(what)!);
  const holds = byNeed[HAND_HOLD]!.length > 0;
  const drafts: Draft[] = [];
  const start = new Int32Array(index.count + 1);
  for (let move = 0; move < index.count; move++) {
    const usualCm = index.law[move]! < 0 ? Number.NaN : index.surface[move * 3 + 2]!;
    let missing = -1;
    let onlyThat: 0 | 1 = 0;
    let standIn = 0;
    let surfaces: { cm: number; standIn: number }[] = [{ cm: Number.NaN, standIn: 0 }];
    for (let n = index.needStart[move]!; n < index.needStart[move + 1]!; n++) {
      const min = index.needMin[n]!;
      const max = index.needMax[n]!;
      const fits = byNeed[index.needWhat[n]!]!.filter(
        (offer) => offer.size === null || (offer.size >= min && offer.size <= max),
      );
      // Pieces of one size that are of one kind make a pair; two kinds never do.
      const enough = fits.filter((offer) => offer.count >= index.needCount[n]!);
      if (enough.length === 0) {
        onlyThat = missing === -1 && index.needWhat[n] === BROUGHT ? 1 : 0;
        missing = missing === -1 ? index.needWhat[n]! : missing;
        // Theirs is taken to be as high as is usual.
        if (onlyThat && index.needSets[n]) surfaces = [{ cm: usualCm, standIn: 0 }];
      } else if (index.needSets[n]!) {
        const heights = new Map<number, number>();
        for (const offer of enough) {
          const cm = offer.size ?? usualCm;
          heights.set(cm, Math.min(heights.get(cm) ?? 1, offer.standIn ? 1 : 0));
        }
        surfaces = [...heights].map(([cm, s]) => ({ cm, standIn: s }));
      } else if (enough.every((offer) => offer.standIn)) standIn = 1;
    }
    if (missing === -1 || onlyThat) {
      const had = missing;
      if (!(index.hi[move * ROW_SIZE + METRES]! <= clearMetres(room))) missing = LACKS_SPACE;
      else if (room.quiet && !(index.hi[move * ROW_SIZE + NOISE]! <= QUIET_NOISE)) missing = LACKS_QUIET;
      if (missing !== had) onlyThat = 0;
    }
    if (missing !== -1 && !onlyThat) {
      drafts.push({ move, surfaceCm: usualCm, support: 0, trim: -1, side: 0, standIn: 0, missing, onlyThat });
    } else {
      const hands = index.supportHands[move]!;
      const mayHold =
        holds &&
        hands > 0 &&
        index.hi[move * ROW_SIZE + BUSY]! + hands <= 2 &&
        index.hi[move * ROW_SIZE + BEARING]! === 0;
      for (const surface of surfaces) {
        const draft: Draft = {
          move,
          surfaceCm: surface.cm,
          support: 0,
          trim: -1,
          side: 0,
          standIn: standIn | surface.standIn,
          missing,
          onlyThat,
        };
        drafts.push(draft);
        if (mayHold) drafts.push({ ...draft, support: 1 });
        for (let t = index.trimStart[move]!; t < index.trimStart[move + 1]!; t++)
          drafts.push({ ...draft, trim: t });
        if (index.alone[move]! > 0) {
          const held = mayHold ? [0, 1] : [0];
          for (const support of held)
            drafts.push({ ...draft, support, side: 1 }, { ...draft, support, side: 2 });
        }
      }
    }
    start[move + 1] = drafts.length;
  }
  const count = drafts.length;
  const lo = new Float64Array(count * ROW_SIZE);
  const hi = new Float64Array(count * ROW_SIZE);
  const table: FormTable = {
    count,
    index,
    start,
    move: Int32Array.from(drafts, (d) => d.move),
    surfaceCm: Float64Array.from(drafts, (d) => d.surfaceCm),
    support: Uint8Array.from(drafts, (d) => d.support),
    trim: Int32Array.from(drafts, (d) => d.trim),
    side: Uint8Array.from(drafts, (d) => d.side),
    standIn: Uint8Array.from(drafts, (d) => d.standIn),
    missing: Int8Array.from(drafts, (d) => d.missing),
    onlyThat: Uint8Array.from(drafts, (d) => d.onlyThat),
    unheld: new Float64Array(count),
    lo,
    hi,
    most: byPlace((key) => columnOf(count, (at) => hi[at + key]!)),
    middle: byPlace((key) => columnOf(count, (at) => (lo[at + key]! + hi[at + key]!) / 2)),
  };
  for (let f = 0; f < count; f++) {
    const { move, surfaceCm, support, trim } = drafts[f]!;
    const least = lo.subarray(f * ROW_SIZE, (f + 1) * ROW_SIZE);
    const most = hi.subarray(f * ROW_SIZE, (f + 1) * ROW_SIZE);
    least.set(index.lo.subarray(move * ROW_SIZE, (move + 1) * ROW_SIZE));
    most.set(index.hi.subarray(move * ROW_SIZE, (move + 1) * ROW_SIZE));
    const cm = Number.isNaN(surfaceCm) ? undefined : surfaceCm;
    settle(least, most, specOf(index, move), cm, support === 1, trimOf(index, trim));
    const held = support === 1 ? index.supportBalance[move]! : 0;
    // No surface's law writes balance, so that the base figure is what it asks before anything eases it.
    table.unheld[f] = Math.max(index.hi[move * ROW_SIZE + BALANCE]!, most[BALANCE]! + held);
  }
  return table;
}

function columnOf(count: number, read: (at: number) => number): Float64Array {
  const column = new Float64Array(count);
  for (let f = 0; f < count; f++) column[f] = read(f * ROW_SIZE);
  return column;
}
/** Made when it is first asked for, and kept. */
function byPlace(make: (key: number) => Float64Array): (key: number) => Float64Array {
  const made: Float64Array[] = [];
  return (key) => {
    made[key] ??= make(key);
    return made[key];
  };
}

export function settingsOf(table: FormTable, form: number): Settings {
  const surfaceCm = table.surfaceCm[form]!;
  const trim = table.trim[form]!;
  return {
    ...(Number.isNaN(surfaceCm) ? {} : { surfaceCm }),
    ...(table.support[form] ? { support: true } : {}),
    ...(trim >= 0 ? { trim: table.index.trimIds[trim]! } : {}),
    ...(table.side[form] ? { side: SIDES[table.side[form]! - 1]! } : {}),
  };
}

/** The rows of a move's forms; none where the library has no such move. */
export function formsOf({ index, start }: FormTable, id: string): number[] {
  const move = rowOf(index, id);
  return move < 0 ? [] : Array.from({ length: start[move + 1]! - start[move]! }, (_, i) => start[move]! + i);
}

/** The height a move is usually done at, in cm; undefined for one that has none. */
export function usualCmOf(index: LibraryIndex, id: string): number | undefined {
  const move = rowOf(index, id);
  return move < 0 || index.law[move]! < 0 ? undefined : index.surface[move * 3 + 2]!;
}

/** Whether somebody can do a form here with what they bring: positions in CAPABILITY_IDS. */
export const isHere = (table: FormTable, form: number, brings: readonly number[]): boolean =>
  table.missing[form] === -1 || (table.onlyThat[form] === 1 && brings.includes(table.missing[form]!));

const taughtBefore = new WeakMap<
  FormTable,
  { readonly of: Int32Array; readonly count: number; readonly first: Int32Array }
>();

/**
 * What is taught of each form: its move, height, hold and side; a trim is said, not shown. `of` numbers every
 * row, `first` gives a row of each number.
 */
export function taughtForms(table: FormTable) {
  const made = taughtBefore.get(table);
  if (made) return made;
  const of = new Int32Array(table.count);
  const numbers = new Map<string, number>();
  const first: number[] = [];
  for (let f = 0; f < table.count; f++) {
    const key = `${table.move[f]}/${table.surfaceCm[f]}/${table.support[f]}/${table.side[f]}`;
    let number = numbers.get(key);
    if (number === undefined) {
      number = first.length;
      numbers.set(key, number);
      first.push(f);
    }
    of[f] = number;
  }
  const taught = { of, count: first.length, first: Int32Array.from(first) };
  taughtBefore.set(table, taught);
  return taught;
}
