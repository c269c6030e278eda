import { formsOf, settingsOf, usualCmOf } from '../forms/index.ts';
import type { FormRef } from '../move/index.ts';
import type { Constraints } from './constraints.ts';
import type { Law } from './law.ts';

/** Rows of a form's move that are what was asked for but for the hold: same trim and side, at the nearest height here. */
function rowsNear({ table }: Law, form: FormRef): number[] {
  const rows = formsOf(table, form.move);
  const { surfaceCm, trim, side } = form.settings ?? {};
  const alike = rows.filter((f) => {
    const here = settingsOf(table, f);
    return here.trim === trim && here.side === side;
  });
  const usual = surfaceCm ?? usualCmOf(table.index, form.move);
  const away = (f: number) => Math.abs((settingsOf(table, f).surfaceCm ?? usual ?? 0) - (usual ?? 0));
  const least = Math.min(...alike.map(away));
  return alike.filter((f) => away(f) === least);
}

/**
 * A form as everybody may do it here: as it was asked for, else holding on; null where neither is open to all. A
 * height that was asked for is kept where the room has it; where it hasn't, the nearest it has is named.
 */
export function openForAll(law: Law, all: readonly Constraints[], form: FormRef): FormRef | null {
  const rows = rowsNear(law, form).filter((f) => all.every((c) => law.isOpen(f, c)));
  const held = form.settings?.support ?? false;
  const row =
    rows.find((f) => (law.table.support[f] === 1) === held) ?? rows.find((f) => law.table.support[f] === 1);
  if (row === undefined) return null;
  const here = settingsOf(law.table, row);
  const { surfaceCm, ...asked } = form.settings ?? {};
  const settings = {
    ...asked,
    // The height it is open at, unless that is the one it is done at anyway: another may not be open.
    ...(here.surfaceCm !== undefined &&
    (surfaceCm !== undefined || here.surfaceCm !== usualCmOf(law.table.index, form.move))
      ? { surfaceCm: here.surfaceCm }
      : {}),
    ...(here.support ? { support: true } : {}),
  };
  return { move: form.move, ...(Object.keys(settings).length > 0 ? { settings } : {}) };
}
