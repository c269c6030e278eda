/// <reference lib="webworker" />
import { answer, askedBy, changedBy, follow, type Ground, letGo, type Shelf, takeIn } from './keeping.ts';

declare const self: ServiceWorkerGlobalScope;
/** What the built pages are made of; written in when they are. */
declare const FILES: readonly string[];

const shelf = (name: string): Shelf => {
  const open = () => caches.open(name);
  return {
    match: async (path) => (await open()).match(path),
    put: async (path, response) => (await open()).put(path, response),
    delete: async (path) => (await open()).delete(path),
    paths: async () => (await (await open()).keys()).map(({ url }) => new URL(url).pathname),
  };
};

const ground: Ground = {
  origin: self.location.origin,
  shell: shelf('shell'),
  seen: shelf('seen'),
  fetch: (request) => fetch(request),
  now: () => new Date(),
  tell: (since) =>
    void self.clients.matchAll({ type: 'window' }).then((pages) => {
      for (const page of pages) page.postMessage({ is: 'standing on', since });
    }),
};

// No page waits for another version while one of this is open: what an open page asks for stays as it was.
self.addEventListener('activate', (event) => {
  event.waitUntil(
    Promise.all([
      letGo(ground, FILES),
      // A page is asked for while this wakes up, not after.
      self.registration.navigationPreload?.enable(),
    ]).then(() => self.clients.claim()),
  );
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  if (askedBy(request, ground.origin) !== 'pass')
    event.respondWith(answer(ground, request, event.preloadResponse));
  else if (changedBy(request, ground.origin).is !== 'nothing') {
    const response = fetch(request);
    event.respondWith(response);
    event.waitUntil(
      response.then(
        ({ ok }) => (ok ? follow(ground, request) : undefined),
        () => undefined,
      ),
    );
  }
});

// Once the page that asked for it stands still: what comes later isn't waited for.
self.addEventListener('message', (event) => {
  if ((event.data as { is?: string } | null)?.is === 'take in') event.waitUntil(takeIn(ground, FILES));
});
