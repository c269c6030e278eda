import { useSyncExternalStore } from 'react';

/** Long after all that a page is drawn with: nobody waits for what is taken in. */
const QUIET_MS = 12_000;

/** How often a server that was away is asked whether it is back. */
const ASK_MS = 4000;

let since: string | null = null;
const listeners = new Set<() => void>();
let asking: ReturnType<typeof setInterval> | undefined;
const put = (next: string | null) => {
  if (next === since) return;
  since = next;
  clearInterval(asking);
  // Nothing else may ask for long: whether it answers again is asked by itself.
  if (since !== null)
    asking = setInterval(() => {
      fetch('/api/health').then(
        ({ ok }) => ok && put(null),
        () => undefined,
      );
    }, ASK_MS);
  for (const listener of listeners) listener();
};
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

/** Since when what is shown is kept here, in ISO; null while the server answers. */
export const useStanding = (): string | null => useSyncExternalStore(subscribe, () => since);

/** Somebody's own link is gone with what it was for, and is kept nowhere. */
const OWN_LINK = /^\/[pc]\//;

/** Keeps pages and data for when the server is away. Where a browser doesn't do that, off loopback, nothing is missed. */
export function keepForLater(): void {
  const { serviceWorker } = navigator;
  if (serviceWorker === undefined || !window.isSecureContext || OWN_LINK.test(location.pathname)) return;
  if (import.meta.env.DEV) return;
  serviceWorker.addEventListener(
    'message',
    ({ data }: MessageEvent<{ is?: string; since?: string | null }>) => {
      if (data.is === 'standing on') put(data.since ?? null);
    },
  );
  serviceWorker.startMessages();
  const later = () =>
    serviceWorker
      .register('/service.js')
      .then(() => serviceWorker.ready)
      .then(({ active }) => setTimeout(() => active?.postMessage({ is: 'take in' }), QUIET_MS))
      // Storage is denied: everything else goes on.
      .catch(() => undefined);
  if (document.readyState === 'complete') void later();
  else window.addEventListener('load', () => void later(), { once: true });
}
