// Keeps the product's own files in the browser, so that a page opens though no server answers: the newest whole build,
// and nothing of any person. What people had loaded is kept in `api/kept-answers.ts`.
import { clientsClaim } from 'workbox-core';
import { matchPrecache, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkOnly } from 'workbox-strategies';

/** What the build has, put in by it. */
declare const FILES: readonly string[];
declare const self: { skipWaiting(): Promise<void> };

/** A server that has not answered by then is taken to be away. */
const PATIENCE_SECONDS = 5;
/** What the API says is never kept here, and a student's page only for who has its link. */
const NOT_KEPT = [/^\/api\//, /^\/r\//];

// An older build's files are gone from the server too: nothing is won by keeping it any longer.
void self.skipWaiting();
clientsClaim();
const server = new NetworkOnly({ networkTimeoutSeconds: PATIENCE_SECONDS });
// Before what is kept: a server that answers is asked first, for a policy with a nonce of its own.
registerRoute(
  new NavigationRoute(
    asked => server.handle(asked).catch(async error => (await matchPrecache('/')) ?? Promise.reject(error)),
    { denylist: NOT_KEPT },
  ),
);
precacheAndRoute([
  { url: '/', revision: import.meta.env.VITE_BUILD ?? '' },
  ...FILES.map(url => ({ url, revision: null })),
]);
