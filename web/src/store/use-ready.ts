import { useDeferredValue, useEffect } from 'react';

let begun = false;

/**
 * Whether what is here may be drawn. A first page that had to wait for it is drawn in slices, between which the browser
 * answers, rather than in one piece; from then on, and where nothing was waited for, it is at once.
 */
export function useReady(here: boolean): boolean {
  const calm = useDeferredValue(here, here || begun);
  const ready = here && calm;
  useEffect(() => {
    begun ||= ready;
  }, [ready]);
  return ready;
}
