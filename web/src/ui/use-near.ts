import { type RefObject, useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';

/** How far outside the window something counts as near, px. */
const NEAR = 800;

/** Whether an element is, or has been, near the window, or is about to be printed: what is dear to draw waits for that. */
export function useNear<E extends Element>(): [RefObject<E | null>, boolean] {
  const ref = useRef<E>(null);
  const [near, setNear] = useState(false);
  useEffect(() => {
    const element = ref.current;
    if (!element || near) return;
    const watch = new IntersectionObserver(
      (entries) => entries.some((entry) => entry.isIntersecting) && setNear(true),
      { rootMargin: `${NEAR}px 0px` },
    );
    watch.observe(element);
    // Paper takes what stands there at once.
    const print = () => flushSync(() => setNear(true));
    addEventListener('beforeprint', print);
    return () => {
      watch.disconnect();
      removeEventListener('beforeprint', print);
    };
  }, [near]);
  return [ref, near];
}
