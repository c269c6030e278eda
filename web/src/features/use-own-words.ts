import type { Library } from '@inner-rung/core/ladder';
import type { Plan } from '@inner-rung/core/session';
import { inOwnWords } from '@inner-rung/core/words';
import { useMemo } from 'react';

/** The library as the trainer speaks of it in a session, for the faces of that session; engines get it as it is. */
export function useOwnWords(
  library: Library | null,
  plan: Pick<Plan, 'blocks'> | null | undefined,
): Library | null {
  const blocks = plan?.blocks;
  return useMemo(() => (library && blocks ? inOwnWords(library, blocks) : library), [library, blocks]);
}
