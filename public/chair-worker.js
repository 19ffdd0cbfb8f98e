/**
 * Answers for the server where it does not: the page of a visit that is under way on this tablet, and the scripts, styles and
 * fonts it needs. It keeps nothing itself; what is kept, and when it is forgotten, is `src/features/tablet/chairCache.ts`.
 */
const PATIENCE_MS = 5000;

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== "GET" || origin !== self.location.origin) return;
  if (request.mode === "navigate" && pathname.startsWith("/visits/")) event.respondWith(pageOf(request, pathname));
  // Their names change with what is in them: one that is kept is the right one.
  else if (pathname.startsWith("/_next/static/")) event.respondWith(caches.match(pathname).then((kept) => kept ?? fetch(request)));
});

/** The server's page, unless it does not answer and this one is kept. */
async function pageOf(request, pathname) {
  const kept = await caches.match(pathname);
  if (!kept) return fetch(request);
  const tooLong = new Promise((resolve) => setTimeout(() => resolve(kept), PATIENCE_MS));
  const answered = fetch(request).catch(() => kept);
  return Promise.race([answered, tooLong]);
}
