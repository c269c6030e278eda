import type { Library } from '@inner-rung/core/ladder';
import type { Ruler } from '@inner-rung/core/limits';
import type { Person } from '@inner-rung/core/person';
import type { Room } from '@inner-rung/core/room';
import { useMemo } from 'react';
import { useAnswer } from '../engine/index.ts';
import { today } from '../store/day.ts';
import { rungsOf } from './use-scaled.ts';

/**
 * What bars each rung of the library for somebody somewhere, by "ladder/rung"; empty until it is known.
 * By their limits alone, wherever they are, when what they own is still to be found.
 */
export function useBars(
  library: Library | null,
  person: Person | null,
  room: Room | null,
  by: 'limits' | 'own rungs' = 'own rungs',
): ReadonlyMap<string, readonly Ruler[]> {
  const rungs = useMemo(() => (library ? rungsOf(library) : []), [library]);
  const question = useMemo(
    () => ({ person, room, on: today(), by, forms: rungs.map((rung) => rung.form) }),
    [person, room, by, rungs],
  );
  const answered = useAnswer(library, 'bars', question);
  return useMemo(
    () => new Map(answered ? rungs.map((rung, i) => [rung.key, answered.answer[i] ?? []]) : []),
    [answered, rungs],
  );
}
