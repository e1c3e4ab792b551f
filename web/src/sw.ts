/// <reference lib="webworker" />
import { clientsClaim } from "workbox-core";
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from "workbox-precaching";
import { NavigationRoute, registerRoute } from "workbox-routing";

// The service worker: keeps the shell of the application, and what an open card needs, so that the card goes on where the
// shop's network does not reach.

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: { url: string; revision: string | null }[] };

/** What was answered last, for where nothing answers; emptied when somebody logs out. */
const KEPT = "kept";
/** Says on an answer that it is one that was kept. */
const FROM_KEPT = "X-Kept";
const CARD = /^\/api\/(shop|session|blanks\/\d+\/card)$/;

void self.skipWaiting();
clientsClaim();
cleanupOutdatedCaches();
precacheAndRoute(self.__WB_MANIFEST);
registerRoute(new NavigationRoute(createHandlerBoundToURL("/index.html"), { denylist: [/^\/api\//, /^\/authority/] }));
registerRoute(
  ({ url, request }) => request.method === "GET" && CARD.test(url.pathname),
  async ({ request }) => {
    const cache = await caches.open(KEPT);
    try {
      const answer = await fetch(request);
      if (answer.ok) await cache.put(request, answer.clone());
      return answer;
    } catch (away) {
      const kept = await cache.match(request);
      if (!kept) throw away;
      const headers = new Headers(kept.headers);
      headers.set(FROM_KEPT, "1");
      return new Response(kept.body, { status: kept.status, headers });
    }
  },
);
