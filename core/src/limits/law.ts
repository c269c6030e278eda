import {
  type FormTable,
  indexOf,
  isHere,
  LACKS_QUIET,
  LACKS_SPACE,
  OTHER_AT,
  OTHER_SIZE,
  paceFor,
  ROW_SIZE,
  tabulateForms,
} from '../forms/index.ts';
import type { Library } from '../ladder/index.ts';
import { at, CAPABILITIES, CAPABILITY_IDS, DEMAND_COUNT, LIMB_KEYS, LIMBS } from '../move/index.ts';
import type { Room } from '../room/index.ts';
import { type Constraints, type Ruler, SHORTEST_HOLD_SECONDS } from './constraints.ts';

const SLOW = at('effort.metSlow');
const USUAL = at('effort.met');
const FAST = at('effort.metFast');
const HOLD = at('strain.holdSeconds');

/** Two different rulers and more count alike: such a form is no near miss. */
const MANY = 2;

/** Verdict on every form for one subject and one setting of the dials. */
export interface Verdict {
  /** How many different rulers bar the form: 0, 1, or 2 for two and more. */
  readonly barred: Uint8Array;
  /** The first of them, for {@link Law.ruler}; −1 when the form is open. */
  readonly ruler: Int16Array;
  /** A form's quickest whole pace within every bound; NaN for holds. Worked out when first asked for. */
  readonly quickest: (form: number) => number;
}

/** For each demand the limb whose own it is: 0 none, 1 arm, 2 leg. */
const LIMB_OF = new Uint8Array(DEMAND_COUNT);
LIMBS.forEach((limb, i) => {
  for (const key of LIMB_KEYS[limb]) LIMB_OF[at(key)] = i + 1;
});

/** Caps as columns: every form of the table is held against every one of them. */
interface CapColumns {
  readonly at: Uint8Array;
  readonly max: Float64Array;
  /** Each demand once, as it lies in a row, with the least that any cap leaves of it: within these, within all. */
  readonly leastAt: Uint8Array;
  readonly least: Float64Array;
}
const columns = new WeakMap<Constraints, CapColumns>();
function capsOf(c: Constraints): CapColumns {
  const known = columns.get(c);
  if (known) return known;
  const least = new Map<number, number>();
  for (const cap of c.caps) least.set(cap.at, Math.min(cap.max, least.get(cap.at) ?? cap.max));
  const once = [...least].sort(([a], [b]) => a - b);
  const made = {
    at: Uint8Array.from(c.caps, (cap) => cap.at),
    max: Float64Array.from(c.caps, (cap) => cap.max),
    leastAt: Uint8Array.from(once, ([at]) => at),
    least: Float64Array.from(once, ([, max]) => max),
  };
  columns.set(c, made);
  return made;
}

export interface Law {
  /** The forms that it judges. */
  readonly table: FormTable;
  readonly isOpen: (form: number, c: Constraints) => boolean;
  readonly verdict: (c: Constraints) => Verdict;
  /** Every different ruler that bars a form, at most `most`. */
  readonly bars: (form: number, c: Constraints, most: number) => number[];
  readonly ruler: (c: Constraints, ruler: number) => Ruler;
}

const standing = new WeakMap<Library, { readonly room: string; readonly law: Law }>();
/** The law of what a library's forms are in a room; the last room's is kept. */
export function lawIn(library: Library, room: Room): Law {
  const key = JSON.stringify(room);
  const known = standing.get(library);
  if (known?.room === key) return known.law;
  const law = createLaw(tabulateForms(indexOf(library), room));
  standing.set(library, { room: key, law });
  return law;
}

export function createLaw(table: FormTable): Law {
  const { index, hi, missing, support, move: moveOf } = table;

  // What a room lacks stands behind the constraints' own rulers, shifted past space and quiet.
  const roomRuler = (c: Constraints, lacks: number) => c.rulers.length + lacks + 3;
  const ruler = (c: Constraints, i: number): Ruler => {
    if (i < c.rulers.length) return c.rulers[i]!;
    const lacks = i - c.rulers.length - 3;
    const what = CAPABILITY_IDS[lacks];
    return {
      kind: 'room',
      id: lacks === LACKS_SPACE ? 'space' : lacks === LACKS_QUIET ? 'quiet' : what!,
      says:
        lacks === LACKS_SPACE
          ? 'not enough clear floor here'
          : lacks === LACKS_QUIET
            ? 'too loud for whoever is below'
            : `${CAPABILITIES[what!]} isn’t here`,
      mayLoosen: true,
    };
  };

  /**
   * Runs every comparison in a fixed order and hands each ruler that bars to `found`, which says when
   * to stop. `!(x <= max)` and never `x > max`, so that a figure that isn't known bars.
   */
  const examine = (
    form: number,
    c: Constraints,
    { at: capAt, max: capMax, leastAt, least }: CapColumns,
    found: (ruler: number) => boolean,
  ): void => {
    const o = form * ROW_SIZE;
    const move = moveOf[form]!;
    const slow = index.pace[move * 3]!;
    const isHold = Number.isNaN(slow);
    const side = table.side[form]!;
    if (!isHere(table, form, c.brings) && found(roomRuler(c, missing[form]!))) return;
    let within = 0;
    while (within < least.length && hi[o + leastAt[within]!]! <= least[within]!) within++;
    for (let k = within < least.length ? 0 : capAt.length; k < capAt.length; k++) {
      if (hi[o + capAt[k]!]! <= capMax[k]!) continue;
      const cap = c.caps[k]!;
      if (cap.ability && c.owns.has(index.ids[move]!)) continue;
      const spared =
        side !== 0 &&
        cap.sparedBy === side &&
        LIMB_OF[cap.at] === index.alone[move] &&
        index.other[move * OTHER_SIZE + OTHER_AT[cap.at]!]! <= cap.max;
      if (!spared && found(cap.ruler)) return;
    }
    for (const one of c.never) if (index.ids[move] === one.move && found(one.ruler)) return;
    for (const ban of c.bans) if (index.pattern[move] === ban.pattern && found(ban.ruler)) return;
    for (const s of c.supports)
      if (!(table.unheld[form]! <= s.above) && !support[form] && !index.holdsOn[move] && found(s.ruler))
        return;
    for (const bound of c.met)
      if (!(hi[o + (isHold ? USUAL : SLOW)]! <= bound.max) && found(bound.ruler)) return;
    for (const bound of c.hold)
      if (!((isHold ? SHORTEST_HOLD_SECONDS : hi[o + HOLD]!) <= bound.max) && found(bound.ruler)) return;
    for (const bound of c.landings)
      if (bound.per === 'minute' && !isHold && !(hi[o + bound.at]! * slow <= bound.max) && found(bound.ruler))
        return;
  };

  /** MET rises with pace, so that of several caps the lowest alone decides. */
  const quickestPace = (form: number, metMax: number, perMinute: Constraints['landings']): number => {
    const m = moveOf[form]! * 3;
    const slow = index.pace[m]!;
    if (Number.isNaN(slow)) return Number.NaN;
    const usual = index.pace[m + 1]!;
    const fast = index.pace[m + 2]!;
    const o = form * ROW_SIZE;
    const p = paceFor(metMax, slow, usual, fast, hi[o + SLOW]!, hi[o + USUAL]!, hi[o + FAST]!);
    let quickest = Number.isNaN(p) ? slow : p;
    for (const bound of perMinute)
      if (hi[o + bound.at]! > 0) quickest = Math.min(quickest, bound.max / hi[o + bound.at]!);
    return Math.max(slow, Math.floor(quickest));
  };

  const verdict = (c: Constraints): Verdict => {
    const n = table.count;
    const barred = new Uint8Array(n);
    const rulers = new Int16Array(n).fill(-1);
    const paces = new Float64Array(n).fill(-1);
    const metMax = Math.min(Number.POSITIVE_INFINITY, ...c.met.map((bound) => bound.max));
    const perMinute = c.landings.filter((bound) => bound.per === 'minute');
    const caps = capsOf(c);
    let count = 0;
    let first = -1;
    const found = (by: number): boolean => {
      if (count === 0) {
        first = by;
        count = 1;
      } else if (by !== first) count = MANY;
      return count === MANY;
    };
    for (let f = 0; f < n; f++) {
      count = 0;
      first = -1;
      examine(f, c, caps, found);
      barred[f] = count;
      rulers[f] = first;
    }
    const quickest = (form: number): number => {
      if (paces[form] === -1) paces[form] = quickestPace(form, metMax, perMinute);
      return paces[form]!;
    };
    return { barred, ruler: rulers, quickest };
  };

  const bars = (form: number, c: Constraints, most: number): number[] => {
    const list: number[] = [];
    examine(form, c, capsOf(c), (by) => {
      if (!list.includes(by)) list.push(by);
      return list.length >= most;
    });
    return list;
  };

  const isOpen = (form: number, c: Constraints): boolean => {
    let open = true;
    examine(form, c, capsOf(c), () => {
      open = false;
      return true;
    });
    return open;
  };

  return { table, isOpen, verdict, bars, ruler };
}
