/// <reference lib="webworker" />
import { clientsClaim, type WorkboxPlugin } from "workbox-core";
import { ExpirationPlugin } from "workbox-expiration";
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from "workbox-precaching";
import { NavigationRoute, registerRoute } from "workbox-routing";
import { NetworkFirst } from "workbox-strategies";

declare const self: ServiceWorkerGlobalScope;

// After a first visit the application works with no server at all: its own files are kept in the browser, and so are
// the cases as they were read last. A new version waits until no page of the old one is open: it never changes under
// somebody who types.
precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();
clientsClaim();

/** Every view is the same page. */
registerRoute(new NavigationRoute(createHandlerBoundToURL("/"), { denylist: [/^\/(?:api|schema)\//] }));

/** What the browser answers in the server's stead says so. */
const marked: WorkboxPlugin = {
  cachedResponseWillBeUsed: async ({ cachedResponse }) => {
    if (!cachedResponse) return null;
    const headers = new Headers(cachedResponse.headers);
    headers.set("x-kept-here", "1");
    return new Response(await cachedResponse.blob(), { status: cachedResponse.status, headers });
  },
};
/** Cases that can be read without a server; the ones read longest ago go first. */
const MOST_KEPT = 200;
registerRoute(
  ({ url, request }) => request.method === "GET" && /^\/api\/cases(?:\/[\w-]+)?$/.test(url.pathname),
  new NetworkFirst({
    cacheName: "cases",
    plugins: [new ExpirationPlugin({ maxEntries: MOST_KEPT, purgeOnQuotaError: true }), marked],
  }),
);
