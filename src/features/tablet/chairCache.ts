"use client";

/** One cache a person, so that nobody is shown what another had open. */
const PREFIX = "ivy-chair-";
const nameOf = (memberId: string) => `${PREFIX}${memberId}`;
/** What a page still fetches is looked for so long after it stands, ms. */
const LOOK_AFTER_MS = [2000, 8000, 30_000] as const;

/** Pages of visits that are over: one that is just being fetched is not kept after all. */
const over = new Set<string>();

const isThere = () => typeof window !== "undefined" && "caches" in window && "serviceWorker" in navigator;

/** Keeps the page of a visit under way, with the scripts, styles and fonts it has, so that it loads again without the server. Returns how to stop looking. */
export function keepChair(memberId: string): () => void {
  if (!isThere()) return () => undefined;
  const { pathname } = window.location;
  over.delete(pathname);
  void navigator.serviceWorker.register("/chair-worker.js").catch(() => undefined);
  const look = async () => {
    try {
      const cache = await caches.open(nameOf(memberId));
      const page = await fetch(pathname, { credentials: "same-origin", redirect: "error" });
      if (page.ok) await cache.put(pathname, page);
      if (over.has(pathname)) return void (await cache.delete(pathname));
      const parts = performance
        .getEntriesByType("resource")
        .flatMap(({ name }) => (name.startsWith(`${window.location.origin}/_next/static/`) ? [new URL(name).pathname] : []));
      for (const part of new Set(parts)) if (!(await cache.match(part))) await cache.add(part).catch(() => undefined);
    } catch {
      // Without a line there is nothing new to keep; what is kept stays.
    }
  };
  const timers = LOOK_AFTER_MS.map((ms) => setTimeout(() => void look(), ms));
  return () => timers.forEach(clearTimeout);
}

/** The visit is over: its page is not kept any longer. */
export async function dropChair(memberId: string, visitId: string): Promise<void> {
  if (!isThere()) return;
  const pathname = `/visits/${visitId}`;
  over.add(pathname);
  const cache = await caches.open(nameOf(memberId));
  await cache.delete(pathname);
}

/** Leaves no page but this person's own; of nobody, none at all: at signing out. */
export async function dropOtherChairs(memberId: string | null): Promise<void> {
  if (!isThere()) return;
  for (const name of await caches.keys())
    if (name.startsWith(PREFIX) && (memberId === null || name !== nameOf(memberId))) await caches.delete(name);
}
