import { ADDRESSES } from '@kibble/contract';
import { clientsClaim } from 'workbox-core';
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';
import { isFromKibble, SAVED_HEADER } from '../outbox/answered.ts';
import { sendWaiting } from '../outbox/sendWaiting.ts';

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: { url: string; revision: string | null }[] };
/** Background sync (WICG): not in every browser, and not in TypeScript's library. */
interface SyncEvent extends ExtendableEvent {
  readonly tag: string;
}

/** A home that takes longer than this is taken to be out of reach, s. */
const PATIENCE_S = 10;
/** What was saved before everything became one log speaks of entries by other numbers: it is let go of. */
const SAVED_BEFORE = 'kibble-kept';
const KEPT = 'kibble-kept-2';

/** Addresses of what is asked for anew each time, or is nobody's to keep. */
const NEVER = Object.values(ADDRESSES)
  .filter(({ method, unsaved }) => method === 'GET' && unsaved)
  .map(({ path }) => new RegExp(`^${path.replace(/:\w+/g, '[^/]+')}$`));

// The page itself and everything it is made of.
void self.skipWaiting();
clientsClaim();
cleanupOutdatedCaches();
void caches.delete(SAVED_BEFORE);
precacheAndRoute(self.__WB_MANIFEST);
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('/index.html'), {
    denylist: [/^\/api\//, /^\/calendar\//, /\.[a-z0-9]+$/i],
  }),
);

// What was last seen of the garden, marked with when that was.
registerRoute(
  ({ url, request }) =>
    url.pathname.startsWith('/api/') &&
    request.method === 'GET' &&
    !NEVER.some((address) => address.test(url.pathname)),
  new NetworkFirst({
    cacheName: KEPT,
    networkTimeoutSeconds: PATIENCE_S,
    plugins: [
      {
        // What is not Kibble's own answer counts as none: what was saved of the garden is shown, and stays saved.
        fetchDidSucceed: ({ response }) =>
          isFromKibble(response) ? Promise.resolve(response) : Promise.reject(new Error('not Kibble')),
        cacheWillUpdate: ({ response }) =>
          Promise.resolve(response.status === 200 && isFromKibble(response) ? response : null),
        cachedResponseWillBeUsed: ({ cachedResponse }) => {
          if (!cachedResponse) return Promise.resolve(null);
          const headers = new Headers(cachedResponse.headers);
          headers.set(SAVED_HEADER, headers.get('Date') ?? '');
          return Promise.resolve(new Response(cachedResponse.body, { status: 200, headers }));
        },
      },
    ],
  }),
);

// What was done without a way home goes there also when every page is closed, where the browser wakes the worker for it.
self.addEventListener('sync', ((event: SyncEvent) => {
  if (event.tag === 'kibble-outbox')
    event.waitUntil(
      sendWaiting().then((sent) => {
        if (sent === 'no way') throw new Error('no way home yet');
      }),
    );
}) as EventListener);

// A device that is let in no longer keeps nothing of the garden.
self.addEventListener('message', (event) => {
  if (event.data === 'forget') event.waitUntil(caches.delete(KEPT));
});
