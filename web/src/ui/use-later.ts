import { startTransition, useEffect, useState } from 'react';

/** False for the first drawing of what is shown, then true: what is beside the main thing is drawn after it. */
export function useLater(begun = true): boolean {
  const [later, setLater] = useState(false);
  useEffect(() => {
    if (begun) startTransition(() => setLater(true));
  }, [begun]);
  return later;
}
