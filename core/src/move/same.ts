import type { FormRef, Settings } from './move.ts';

const sameBut = (a: Settings, b: Settings): boolean =>
  a.surfaceCm === b.surfaceCm && (a.support ?? false) === (b.support ?? false) && a.side === b.side;

/** Whether settings are the same ones, the trim among them. */
export const sameSettings = (a: Settings, b: Settings): boolean => sameBut(a, b) && a.trim === b.trim;

/** Whether two are taught as one form: what a trim changes is only said. */
export const sameForm = (a: FormRef, b: FormRef): boolean =>
  a.move === b.move && sameBut(a.settings ?? {}, b.settings ?? {});

/** Whether a form is the one that was given by hand: a move given without a height is given at any. */
export const isGiven = (given: FormRef, form: FormRef): boolean =>
  given.settings === undefined ? given.move === form.move : sameForm(given, form);
