"use client";
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useEffectEvent,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from "react";
import { EMPTY_VISIT, haveSameClocks, VisitFold, type KeptEvent, type VisitState } from "@/core/visit";
import { useNews } from "@/features/live/LiveProvider";
import type { LiveNews } from "@/workers/live/messages";
import { toast } from "@/ui/toast";
import { dropChair, dropOtherChairs, keepChair } from "./chairCache";
import type { Command } from "./command";
import { CommandQueue, type CommandState, type Senders } from "./commands";
import { studioNetwork } from "./network";
import type { RunningVisit } from "./runningVisit";
import { TabletStorage } from "./storage";
import { TabletStore, type TabletState } from "./store";

type Kept = { memberId: string; store: TabletStore; storage: TabletStorage; commands: CommandQueue };
const TabletContext = createContext<Kept | null>(null);

const TIME_EVERY_MS = 5 * 60_000;
/** Other tablets' taps come by the live stream; this is for when it is down. */
const REFRESH_EVERY_MS = 30_000;
/** Taps come in flurries: one look after them is enough. */
const GATHER_MS = 120;

/** Holds the tablet's memory for the person signed in, on every screen. `senders` are the actions that may wait for a server. */
export function TabletProvider({ memberId, senders, children }: { memberId: string; senders: Senders; children: ReactNode }) {
  const [kept] = useState((): Kept => {
    const storage = new TabletStorage(memberId);
    const commands = new CommandQueue(storage, senders, () => studioNetwork.serverTime(), sayWhatBecameOf);
    return { memberId, storage, store: new TabletStore(storage), commands };
  });
  useEffect(() => {
    void dropOtherChairs(memberId).catch(() => undefined);
    void kept.store.begin();
    void kept.commands.begin();
    const time = setInterval(() => void kept.store.syncTime(), TIME_EVERY_MS);
    const refresh = setInterval(() => void kept.store.refresh(), REFRESH_EVERY_MS);
    const back = () => {
      void kept.store.wake();
      void kept.commands.wake();
    };
    const woken = () => document.visibilityState === "visible" && back();
    window.addEventListener("online", back);
    document.addEventListener("visibilitychange", woken);
    return () => {
      clearInterval(time);
      clearInterval(refresh);
      window.removeEventListener("online", back);
      document.removeEventListener("visibilitychange", woken);
    };
  }, [kept, memberId]);
  const heard = useRef(new Map<string, number>());
  const gathering = useRef<ReturnType<typeof setTimeout> | null>(null);
  useNews(
    useCallback(
      (news: LiveNews) => {
        const isBack = news.kind === "line" && news.connected && kept.store.getSnapshot().reach === "no server";
        // The line is there again, so the server is: what waits is sent at once.
        if (news.kind === "line" && news.connected) void kept.commands.wake();
        if (news.kind === "missed" || isBack) return void kept.store.wake();
        if (news.kind !== "visit") return;
        heard.current.set(news.id, news.seq);
        if (gathering.current) return;
        gathering.current = setTimeout(() => {
          gathering.current = null;
          const isNew = [...heard.current].some(([id, seq]) => !kept.store.knows(id, seq));
          heard.current.clear();
          if (isNew) void kept.store.refresh();
        }, GATHER_MS);
      },
      [kept],
    ),
  );
  return <TabletContext value={kept}>{children}</TabletContext>;
}

/** One that had to wait was answered, perhaps on another page. */
function sayWhatBecameOf({ words }: Command, refused: string | null): void {
  if (refused === null) toast.good(`${words} has reached the server.`);
  else toast.stop(`${words} was not accepted. ${refused}`);
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

/** While a visit is under way its page is kept for a reload without the server; once it is over it is not. */
export function useChairKept(visitId: string, isUnderWay: boolean): void {
  const { memberId } = useKept();
  useEffect(() => {
    if (isUnderWay) return keepChair(memberId);
    void dropChair(memberId, visitId).catch(() => undefined);
    return undefined;
  }, [memberId, visitId, isUnderWay]);
}

/** Asks the server for what may wait where there is no answer. */
export function useCommands(): CommandQueue {
  return useKept().commands;
}

/** The commands that wait, and those that were refused. */
export function useCommandState(): CommandState {
  const commands = useCommands();
  return useSyncExternalStore(commands.subscribe, commands.getSnapshot, commands.getServerSnapshot);
}

/** A part of what the tablet knows; the caller is drawn anew only when that part changes, so it picks no fresh object. */
export function useTabletState<Part>(pick: (state: TabletState) => Part): Part {
  const store = useTabletStore();
  return useSyncExternalStore(
    store.subscribe,
    () => pick(store.getSnapshot()),
    () => pick(store.getServerSnapshot()),
  );
}

/** A running visit with what its clocks hang on. */
export type ClockedVisit = RunningVisit & { readonly state: VisitState };

/** The running visits, the same list until one of them, or something that its clocks hang on, has changed. */
export function useRunningVisits(): readonly ClockedVisit[] {
  const [pick] = useState(() => {
    let last: { visits: readonly RunningVisit[]; list: readonly ClockedVisit[] } = { visits: [], list: [] };
    return ({ visits, folds }: TabletState) => {
      const list = visits.map((visit) => ({ ...visit, state: folds.get(visit.id)?.state ?? EMPTY_VISIT }));
      if (visits !== last.visits || list.some(({ state }, i) => !haveSameClocks(state, last.list[i]!.state))) last = { visits, list };
      return last.list;
    };
  });
  return useTabletState(pick);
}

/**
 * A visit as it is known on this tablet, with what its page brought from the server. Drawn anew when something happened at
 * it, not when what happened is acknowledged.
 */
export function useVisit(visitId: string, events: readonly KeptEvent[]): Pick<VisitFold, "state" | "passedOver"> {
  const store = useTabletStore();
  useEffect(() => store.adopt(events), [store, events]);
  const brought = useMemo(() => VisitFold.empty.add(events), [events]);
  const state = useTabletState(({ folds }) => folds.get(visitId)?.state ?? brought.state);
  const passedOver = useTabletState(({ folds }) => folds.get(visitId)?.passedOver ?? brought.passedOver);
  return { state, passedOver };
}

/**
 * The true time, ms, for clocks: looked at four times a second, and renewed only when what is shown by it has changed.
 * `shown` says what that is at a moment. Null until the page is alive.
 */
export function useClockTime(shown: (nowMs: number) => string): number | null {
  const store = useTabletStore();
  const [now, setNow] = useState<number | null>(null);
  const last = useRef("");
  const tick = useEffectEvent(() => {
    const { ms } = store.now();
    const words = shown(ms);
    if (words === last.current) return;
    last.current = words;
    setNow(ms);
  });
  useEffect(() => everyTick(() => tick()), []);
  // A tap changed what is shown at that time: it is told by the time it is now, before it is painted.
  const isChanged = useEffectEvent(() => now !== null && shown(now) !== last.current);
  useLayoutEffect(() => {
    if (isChanged()) tick();
  });
  return now;
}

/**
 * The true time, ms, in steps of a quarter second or coarser, and about once a second in the background; null until the page
 * is alive. The caller is drawn anew with each step: whoever shows minutes asks for coarse ones.
 */
export function useNow(stepMs = 250): number | null {
  const store = useTabletStore();
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    let last: number | null = null;
    // A fine step is the time itself; a coarse one is the same until the next, and is not even told: React would draw for it.
    const tick = () => {
      const ms = stepMs <= 250 ? store.now().ms : Math.floor(store.now().ms / stepMs) * stepMs;
      if (ms === last) return;
      last = ms;
      setNow(ms);
    };
    return everyTick(tick);
  }, [store, stepMs]);
  return now;
}

/** Does something with the true time, ms, four times a second: for what is painted by hand. Nothing is drawn anew by it. */
export function useTick(tick: (nowMs: number) => void): void {
  const store = useTabletStore();
  const onTick = useEffectEvent(() => tick(store.now().ms));
  useEffect(() => everyTick(() => onTick()), []);
}

/** At once, four times a second, and once a second in the background. */
function everyTick(tick: () => void): () => void {
  const first = setTimeout(tick, 0);
  const every = setInterval(tick, 250);
  const stop = whileHidden(tick);
  return () => {
    clearTimeout(first);
    clearInterval(every);
    stop();
  };
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
