"use client";
import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState, useSyncExternalStore, type ReactNode } from "react";
import { VisitFold, type KeptEvent } from "@/core/visit";
import { useNews } from "@/features/live/LiveProvider";
import type { LiveNews } from "@/workers/live/messages";
import { TabletStorage } from "./storage";
import { TabletStore, type TabletState } from "./store";

type Kept = { store: TabletStore; storage: TabletStorage };
const TabletContext = createContext<Kept | null>(null);

const TIME_EVERY_MS = 5 * 60_000;
/** Other tablets' taps come by the live stream; this is for when it is down. */
const REFRESH_EVERY_MS = 30_000;
/** Taps come in flurries: one look after them is enough. */
const GATHER_MS = 120;

/** Holds the tablet's memory for the person signed in, on every screen. */
export function TabletProvider({ memberId, children }: { memberId: string; children: ReactNode }) {
  const kept = useMemo(() => {
    const storage = new TabletStorage(memberId);
    return { storage, store: new TabletStore(storage) };
  }, [memberId]);
  useEffect(() => {
    void kept.store.begin();
    const time = setInterval(() => void kept.store.syncTime(), TIME_EVERY_MS);
    const refresh = setInterval(() => void kept.store.refresh(), REFRESH_EVERY_MS);
    const back = () => void kept.store.wake();
    const woken = () => document.visibilityState === "visible" && back();
    window.addEventListener("online", back);
    document.addEventListener("visibilitychange", woken);
    return () => {
      clearInterval(time);
      clearInterval(refresh);
      window.removeEventListener("online", back);
      document.removeEventListener("visibilitychange", woken);
    };
  }, [kept]);
  const gathering = useRef<ReturnType<typeof setTimeout> | null>(null);
  useNews(
    useCallback(
      (news: LiveNews) => {
        const isBack = news.kind === "line" && news.connected && kept.store.getSnapshot().reach === "no server";
        // The line is there again, so the server is: what waits is sent at once.
        if (news.kind === "missed" || isBack) return void kept.store.wake();
        if (news.kind !== "visit" || gathering.current) return;
        gathering.current = setTimeout(() => {
          gathering.current = null;
          void kept.store.refresh();
        }, GATHER_MS);
      },
      [kept],
    ),
  );
  return <TabletContext value={kept}>{children}</TabletContext>;
}

function useKept(): Kept {
  const kept = useContext(TabletContext);
  if (!kept) throw new Error("TabletProvider is missing above this.");
  return kept;
}

export function useTabletStore(): TabletStore {
  return useKept().store;
}

export function useTabletStorage(): TabletStorage {
  return useKept().storage;
}

export function useTabletState(): TabletState {
  const store = useTabletStore();
  return useSyncExternalStore(store.subscribe, store.getSnapshot, store.getServerSnapshot);
}

/** A visit as it is known on this tablet, with what its page brought from the server. */
export function useVisitFold(visitId: string, events: readonly KeptEvent[]): VisitFold {
  const store = useTabletStore();
  const { folds } = useTabletState();
  useEffect(() => store.adopt(events), [store, events]);
  const brought = useMemo(() => VisitFold.empty.add(events), [events]);
  return folds.get(visitId) ?? brought;
}

/** The true time, ms, renewed four times a second, and about once a second in the background; null until the page is alive. */
export function useNow(): number | null {
  const store = useTabletStore();
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    const tick = () => setNow(store.now().ms);
    const first = setTimeout(tick, 0);
    const every = setInterval(tick, 250);
    const stop = whileHidden(tick);
    return () => {
      clearTimeout(first);
      clearInterval(every);
      stop();
    };
  }, [store]);
  return now;
}

/**
 * Browsers slow a hidden page's own timers down to a minute apart, but not a worker's: while the page is hidden a worker
 * wakes it, so that clocks sound when they are due. A tab that is frozen, or a tablet that sleeps, is woken by nothing.
 */
function whileHidden(tick: () => void): () => void {
  if (typeof Worker === "undefined") return () => undefined;
  let worker: Worker | null = null;
  const change = () => {
    if (document.visibilityState === "hidden" && !worker) {
      try {
        worker = new Worker(new URL("../../workers/ticker.worker.ts", import.meta.url), { type: "module" });
        worker.onmessage = tick;
      } catch {
        worker = null;
      }
    } else if (document.visibilityState === "visible") {
      worker?.terminate();
      worker = null;
    }
  };
  document.addEventListener("visibilitychange", change);
  change();
  return () => {
    document.removeEventListener("visibilitychange", change);
    worker?.terminate();
  };
}
