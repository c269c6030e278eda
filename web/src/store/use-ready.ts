import { useDeferredValue, useEffect } from 'react';

let begun = false;

/**
 * Whether what is here may be drawn. The first page that is drawn comes in slices, between which the browser answers,
 * rather than in one piece; from then on it is at once.
 */
export function useReady(here: boolean): boolean {
  const calm = useDeferredValue(here, begun);
  const ready = here && calm;
  useEffect(() => {
    begun ||= ready;
  }, [ready]);
  return ready;
}
