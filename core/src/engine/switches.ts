import { ROW_SIZE, rowOf } from '../forms/index.ts';
import { pointsOfRow } from '../ladder/index.ts';
import { at, PATTERNS, type Pattern, sameSettings } from '../move/index.ts';
import { type ConditionId, compileCondition } from '../person/index.ts';
import { COSTS, LEAST_INTENT } from './costs.ts';
import type { ScaleRequest, Scaler } from './scaler.ts';
import { similarityOf } from './similarity.ts';
import type { Use, Version } from './version.ts';

/** What somebody may say in the middle of a set that easier or harder doesn't answer, and what then holds. */
export const SIDEWAYS = {
  wrist: { says: 'wrist', condition: 'wrist-no-load' },
  knee: { says: 'knee', condition: 'sore-knees' },
  back: { says: 'back', condition: 'back-worse-bending' },
} as const satisfies Record<string, { readonly says: string; readonly condition: ConditionId }>;
export type Sideways = keyof typeof SIDEWAYS;
export const SIDEWAYS_IDS = Object.keys(SIDEWAYS) as Sideways[];

/** So much of what works is the same. Estimate. */
const LEAST_SHARED = 0.2;
/** Standing, on the floor, lying: what a hold in the place of a move changes nothing of. */
const POSTURES = [at('posture.standing'), at('posture.floor'), at('posture.lying')];
const [PARTS, LEAVES, BEHIND] = [at('coordination.level'), at('hands.leave'), at('shoulder.behind')];
/** What a coach has held in the place of what is moved, by pattern: the middle of a squat, the top of a push-up. Common practice. */
const HELD_AS: Readonly<Partial<Record<Pattern, readonly Pattern[]>>> = {
  squat: ['squat'],
  'split stance': ['squat'],
  'push level': ['brace'],
  brace: ['brace'],
  'anti-turn': ['anti-turn', 'brace'],
  'trunk bend': ['trunk bend', 'brace'],
  'side brace': ['side brace'],
  'pull overhead': ['pull overhead'],
  balance: ['balance'],
};

/** Where somebody can go from what they do at an entry, without stopping. Each is open to them as it stands. */
export interface Switches {
  /** The next form down and up; null where there is none that is open to them. */
  readonly down: Use | null;
  readonly up: Use | null;
  /** Held still instead of moved, no harder than a step; null where it is held already, or nothing of the kind is open. */
  readonly hold: Use | null;
  /** For what hurts: 'same' where what they do spares it already, null where only easy movement is left. */
  readonly sideways: Readonly<Record<Sideways, Use | 'same' | null>>;
}

/** Points of difficulty that a coach calls a step, and the least of them. Estimates. */
const STEP = 10;
const LEAST_STEP = 3;
/** A point away from a step costs as much as a tenth of a rung. */
const POINT = COSTS.rungOff / STEP;
/** Easier in the middle of a jump is first of all without the jump: what lands is dearer by this. Common practice. */
const STILL_LANDS = 1.5 * COSTS.rungOff;

/**
 * For every entry of a version where somebody can go mid-set: down and up by difficulty, as near to what they do
 * as it goes; sideways as if that hurt from now on. All inside their limits and dials, never with more landings
 * than the budget had room for: a switch has no more of them than what they do now, or a minute's bound holds.
 */
export function switchesOf(scaler: Scaler, request: ScaleRequest, version: Version): Switches[] {
  const { table } = scaler;
  const { index, move: moveOf } = table;
  const opened = scaler.open(request);
  const similarity = similarityOf(index, COSTS, LEAST_INTENT);
  const points = new Map<number, number>();
  const pointsOf = (form: number): number => {
    const known = points.get(form) ?? pointsOfRow(table.lo, table.hi, form * ROW_SIZE);
    points.set(form, known);
    return known;
  };
  const sore = SIDEWAYS_IDS.map((id) =>
    scaler.scale({
      ...request,
      subject: {
        ...request.subject,
        limits: [...request.subject.limits, ...compileCondition(SIDEWAYS[id].condition)],
      },
    }),
  );
  return version.uses.map((use, entry): Switches => {
    const sideways = Object.fromEntries(
      SIDEWAYS_IDS.map((id, k) => {
        const to = sore[k]!.uses[entry] ?? null;
        const stays =
          to !== null && use !== null && to.move === use.move && sameSettings(to.settings, use.settings);
        return [id, stays ? 'same' : to];
      }),
    ) as Record<Sideways, Use | 'same' | null>;
    if (!use) return { down: null, up: null, hold: null, sideways };
    const form = scaler.rowOf(use);
    const row = rowOf(index, use.move);
    const here = form < 0 ? Number.NaN : pointsOf(form);
    const { moves, base, far } = similarity.ranking(row);
    const near = new Map(Array.from(moves, (move, k) => [move, { away: base[k]!, far: far[k]! }]));
    const best = {
      down: null as { cost: number; use: Use } | null,
      up: null as { cost: number; use: Use } | null,
      hold: null as { cost: number; use: Use } | null,
    };
    const isHeld = (move: number) => Number.isNaN(index.pace[move * 3]!);
    // In the same posture, so that nobody gets up or down for it.
    const asked = (move: number, key: number) => index.hi[move * ROW_SIZE + key]!;
    const heldInstead = (move: number) =>
      !isHeld(row) &&
      isHeld(move) &&
      POSTURES.every((at) => asked(move, at) === asked(row, at)) &&
      (HELD_AS[PATTERNS[index.pattern[row]!]!] ?? []).includes(PATTERNS[index.pattern[move]!]!) &&
      // Nothing of it moves, and the arms stay on their side of the body.
      similarity.overlap(row, move) >= LEAST_SHARED &&
      asked(move, PARTS) <= 1 &&
      asked(move, LEAVES) === 0 &&
      asked(move, BEHIND) <= asked(row, BEHIND);
    // Nobody goes for a bench in the middle of a set.
    const isFree = form >= 0 && Number.isNaN(table.surfaceCm[form]!);
    const isThere = (other: number) => !isFree || Number.isNaN(table.surfaceCm[other]!);
    for (const choice of opened.options(entry)) {
      const to = near.get(moveOf[choice.form]!);
      if (to === undefined || choice.form === form) continue;
      const by = pointsOf(choice.form) - here;
      if (by <= STEP && isThere(choice.form) && heldInstead(moveOf[choice.form]!)) {
        const cost =
          to.away + Math.round(POINT * Math.abs(by)) + (table.standIn[choice.form] ? COSTS.standIn : 0);
        if (cost < (best.hold?.cost ?? Number.POSITIVE_INFINITY))
          best.hold = { cost, use: opened.use(entry, choice) };
      }
      const way = by <= -LEAST_STEP ? 'down' : by >= LEAST_STEP ? 'up' : null;
      if (!way) continue;
      // Harder in the middle of a set is a rung, never another exercise; easier may be whatever is left.
      if (way === 'up' && to.far >= COSTS.otherLadder) continue;
      const ofForm =
        (way === 'up' ? to.far : to.away) +
        Math.round(POINT * Math.abs(Math.abs(by) - STEP)) +
        (table.trim[choice.form]! >= 0 ? COSTS.trim : 0) +
        (table.standIn[choice.form] ? COSTS.standIn : 0);
      if (ofForm >= (best[way]?.cost ?? Number.POSITIVE_INFINITY)) continue;
      const given = opened.use(entry, choice);
      const lands = given.lightPerMinute + given.highPerMinute;
      const cost = ofForm + (way === 'down' && lands > 0 ? STILL_LANDS : 0);
      if (cost >= (best[way]?.cost ?? Number.POSITIVE_INFINITY)) continue;
      if (given.lightPerMinute > use.lightPerMinute && opened.budget.light < Number.POSITIVE_INFINITY)
        continue;
      if (given.highPerMinute > use.highPerMinute && opened.budget.high < Number.POSITIVE_INFINITY) continue;
      if (way === 'down' && lands > use.lightPerMinute + use.highPerMinute) continue;
      best[way] = { cost, use: given };
    }
    return {
      down: best.down?.use ?? null,
      up: best.up?.use ?? null,
      hold: best.hold?.use ?? null,
      sideways,
    };
  });
}
