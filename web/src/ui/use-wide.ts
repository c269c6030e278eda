import { useSyncExternalStore } from 'react';

/** Tailwind's md. */
const WIDE = '(min-width: 48rem)';

/** Whether the window is wider than a phone: what is shown in one of two ways is drawn in one of them alone. */
export const useWide = (): boolean =>
  useSyncExternalStore(
    (changed) => {
      const wide = matchMedia(WIDE);
      wide.addEventListener('change', changed);
      return () => wide.removeEventListener('change', changed);
    },
    () => matchMedia(WIDE).matches,
  );
