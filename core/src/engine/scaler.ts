import { type FormTable, type LibraryIndex, rowOf, settingsOf, tabulateForms } from '../forms/index.ts';
import { compileConstraints, createLaw, type Ruler } from '../limits/index.ts';
import type { FormRef } from '../move/index.ts';
import type { Room } from '../room/index.ts';
import { type Choice, type LandingBudget, withinBudgets } from './budget.ts';
import { contextOf, HIGH, LIGHT, type ScaleRequest } from './context.ts';
import { costsFor } from './costs.ts';
import { NEAR_CM } from './doses.ts';
import { choiceOf } from './price.ts';
import type { Scratch } from './scratch.ts';
import { type Cheapest, type Choices, cheapestOf, freely, optionsOf, parted } from './search.ts';
import { originalOf, settle, useFor } from './settle.ts';
import type { Use, Version } from './version.ts';

export type { ScaleRequest };

/** What somebody could do in a session, and what comes of choosing. */
export interface Opened {
  /** Left to themselves: the cheapest choice of each entry, the session's landings not counted yet; null is rest. */
  readonly free: () => Choices;
  /** Choices of which two that came to one move for different ones are parted, where that costs little. */
  readonly varied: (choices: Choices) => Choices;
  readonly cheapest: (entry: number, scratch?: Scratch) => Cheapest;
  /** A form at a pace as a choice of an entry. */
  readonly choice: (entry: number, form: number, pace: number, cost: number) => Choice;
  /** All legal choices of an entry; none where the library has no such move. */
  readonly options: (entry: number) => readonly Choice[];
  readonly budget: LandingBudget;
  /** What a choice of theirs comes to. */
  readonly use: (entry: number, choice: Choice) => Use;
  /** The trainer's own form at an entry as a row of the table; −1 where the room has none. */
  readonly written: (entry: number) => number;
  /** Choices made into a version with its reasons. */
  readonly settle: (choices: Choices) => Omit<Version, 'cost'>;
}

/** Scales sessions in one room; holds what doesn't change while a dial is dragged. */
export interface Scaler {
  readonly table: FormTable;
  readonly scale: (request: ScaleRequest) => Version;
  /** Everything that is open to somebody, before any of it is chosen. */
  readonly open: (request: ScaleRequest) => Opened;
  /** The row of the table that a use is, or of its move at the nearest height; −1 where the room has none. */
  readonly rowOf: (use: FormRef) => number;
  /** For each form in turn, what bars it for this subject at these dials: empty when it is open. */
  readonly bars: (
    forms: readonly FormRef[],
    request: Pick<ScaleRequest, 'subject' | 'dials' | 'reach'>,
  ) => Ruler[][];
}

/**
 * A scaler for one room over one library. Making one multiplies out every form that the room offers; scaling then
 * looks up and weighs.
 *
 *     const scaler = createScaler(indexOf(library), room);
 *     const version = scaler.scale({ session, writtenFor: 2, dials: AS_WRITTEN, subject });
 *     version.uses[0]; // what they do first, or null for rest
 */
export function createScaler(index: LibraryIndex, room: Room): Scaler {
  const table = tabulateForms(index, room);
  const law = createLaw(table);

  const open = (request: ScaleRequest): Opened => {
    const context = contextOf({ index, table, law }, request);
    const original = originalOf(context);
    const perSession = (key: number) =>
      Math.min(
        Number.POSITIVE_INFINITY,
        ...context.limits.landings.filter((b) => b.per === 'session' && b.at === key).map((b) => b.max),
      );
    return {
      free: () => freely(context),
      varied: (choices) => parted(context, choices),
      cheapest: (entry, scratch) => cheapestOf(context, entry, scratch),
      choice: (entry, form, pace, cost) => choiceOf(context, entry, form, pace, cost),
      options: (entry) => optionsOf(context, entry),
      budget: { light: perSession(LIGHT), high: perSession(HIGH) },
      use: (entry, choice) => useFor(context, entry, choice),
      written: (entry) => context.aims[entry]?.form ?? -1,
      settle: (choices) => settle(context, original, choices),
    };
  };

  const scale = (request: ScaleRequest): Version => {
    const opened = open(request);
    const rest = (request.costs ?? costsFor(request.dials.keep)).rest;
    const cheapest = withinBudgets(opened.free(), opened.budget, rest, opened.options);
    const varied = opened.varied(cheapest);
    const fits = (['light', 'high'] as const).every(
      (key) => varied.reduce((sum, choice) => sum + (choice?.[key] ?? 0), 0) <= opened.budget[key],
    );
    // Proven least is what it came to before two stations were parted, so that is what is told.
    const cost = cheapest.reduce((sum, choice) => sum + (choice?.cost ?? rest), 0);
    return { ...opened.settle(fits ? varied : cheapest), cost };
  };

  const bars: Scaler['bars'] = (forms, request) => {
    const c = compileConstraints(request.subject, request.dials, request.reach ?? 0);
    return forms.map((form) => {
      const move = rowOf(index, form.move);
      if (move < 0) return [];
      const cm = form.settings?.surfaceCm;
      let fewest: number[] | null = null;
      for (let f = table.start[move]!; f < table.start[move + 1]!; f++) {
        if ((table.support[f] === 1) !== (form.settings?.support ?? false)) continue;
        if (settingsOf(table, f).side !== form.settings?.side) continue;
        if ((table.trim[f]! < 0 ? undefined : index.trimIds[table.trim[f]!]) !== form.settings?.trim)
          continue;
        // A rung's height is a guide: the nearest this room offers answers for it.
        const far = cm !== undefined && Math.abs(table.surfaceCm[f]! - cm) > NEAR_CM;
        if (far && table.missing[f] === -1) continue;
        const found = law.bars(f, c, 99);
        if (fewest === null || found.length < fewest.length) fewest = found;
      }
      return fewest === null
        ? [{ kind: 'room', id: 'size', says: 'not at this height here', mayLoosen: true }]
        : fewest.map((r) => law.ruler(c, r));
    });
  };

  const rowOfUse = (use: FormRef): number => {
    const move = rowOf(index, use.move);
    if (move < 0) return -1;
    const { surfaceCm, support, trim, side } = use.settings ?? {};
    let best = -1;
    let gap = Number.POSITIVE_INFINITY;
    for (let f = table.start[move]!; f < table.start[move + 1]!; f++) {
      const here = settingsOf(table, f);
      if ((here.support ?? false) !== (support ?? false) || here.trim !== trim || here.side !== side)
        continue;
      // A height that isn't here is the nearest that is.
      const away = Math.abs((here.surfaceCm ?? surfaceCm ?? 0) - (surfaceCm ?? here.surfaceCm ?? 0));
      if (away < gap) {
        gap = away;
        best = f;
      }
    }
    return best;
  };

  return { table, scale, open, bars, rowOf: rowOfUse };
}
