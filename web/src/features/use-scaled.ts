import type { Asks, Scaled } from '@inner-rung/core/ask';
import type { Library } from '@inner-rung/core/ladder';
import { type FormRef, sameForm } from '@inner-rung/core/move';
import type { Person } from '@inner-rung/core/person';
import type { Room } from '@inner-rung/core/room';
import type { Plan } from '@inner-rung/core/session';
import { useMemo } from 'react';
import { useAnswer } from '../engine/index.ts';
import { today } from '../store/day.ts';

/** A rung of the library by its place, in the order in which the engine is asked about all of them. */
export function rungsOf(library: Library) {
  return library.ladders.flatMap((ladder) =>
    ladder.rungs.map(({ move, settings }, i): { key: string; form: FormRef } => ({
      key: `${ladder.id}/${i}`,
      form: { move, ...(settings ? { settings } : {}) },
    })),
  );
}

/** What keeps a form that is a rung somewhere from whoever a picture is of; none where that isn't known. */
export function barsOf(picture: Picture | null, library: Library, form: FormRef): Scaled['bars'][number] {
  // A rung is of both sides.
  const { side: _, ...settings } = form.settings ?? {};
  const rung = rungsOf(library).find((one) => sameForm(one.form, { move: form.move, settings }));
  return (rung && picture?.barsByRung.get(rung.key)) ?? [];
}

export interface Picture extends Scaled {
  readonly plan: Plan;
  readonly barsByRung: ReadonlyMap<string, Scaled['bars'][number]>;
}

const NOBODY: readonly Person[] = [];

/** The plan scaled by the engine; while the next is worked out it is the one before. */
export function useScaled(
  plan: Plan | null,
  library: Library | null,
  person: Person | null,
  room: Room | null,
  others: readonly Person[] = NOBODY,
): Picture | null {
  const rungs = useMemo(() => (library ? rungsOf(library) : []), [library]);
  const question = useMemo(
    (): Asks<'scale'> | null =>
      plan && {
        session: plan,
        person,
        others: [...others],
        room,
        on: today(),
        forms: rungs.map((rung) => rung.form),
      },
    [plan, person, others, room, rungs],
  );
  const answered = useAnswer(library, 'scale', question);
  return useMemo(
    () =>
      answered && {
        ...answered.answer,
        plan: answered.to.session,
        barsByRung: new Map(rungs.map((rung, i) => [rung.key, answered.answer.bars[i] ?? []])),
      },
    [answered, rungs],
  );
}
