"use client";
import { createContext, useContext, useEffect, useState, useSyncExternalStore, type ReactNode } from "react";
import type { RoomWithAir } from "@/core/air";
import { listen } from "@/workers/live/listen";
import type { LiveNews, LiveWord } from "@/workers/live/messages";

const HERE_EVERY_MS = 30_000;

/** What this page has heard, and who on it listens. */
class LiveEar {
  private readonly listeners = new Set<(news: LiveNews) => void>();
  rooms: readonly RoomWithAir[] = NONE;
  connected = true;

  hear = (news: LiveNews): void => {
    if (news.kind === "air") this.rooms = news.rooms;
    if (news.kind === "line") this.connected = news.connected;
    for (const listener of this.listeners) listener(news);
  };
  on = (listener: (news: LiveNews) => void): (() => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };
}
const NONE: readonly RoomWithAir[] = [];
const LiveContext = createContext<LiveEar | null>(null);

/** Listens to the studio while any page is open: through one stream shared by the browser's tabs where that can be had. */
export function LiveProvider({ memberId, children }: { memberId: string; children: ReactNode }) {
  const [ear] = useState(() => new LiveEar());
  useEffect(() => join(memberId, ear.hear), [memberId, ear]);
  return <LiveContext value={ear}>{children}</LiveContext>;
}

function join(memberId: string, hear: (news: LiveNews) => void): () => void {
  if (typeof SharedWorker === "undefined") return listen(hear);
  let worker: SharedWorker;
  try {
    // By name, so that who signs in next does not hear through the last one's stream.
    worker = new SharedWorker(new URL("../../workers/live.worker.ts", import.meta.url), { type: "module", name: `ivy live ${memberId}` });
  } catch {
    return listen(hear);
  }
  let stop: (() => void) | null = null;
  worker.onerror = () => (stop ??= listen(hear));
  const post = (word: LiveWord) => worker.port.postMessage(word);
  worker.port.onmessage = ({ data }: MessageEvent<LiveNews>) => hear(data);
  worker.port.start();
  post("here");
  const every = setInterval(() => post("here"), HERE_EVERY_MS);
  const bye = () => post("bye");
  const back = (event: PageTransitionEvent) => event.persisted && post("here");
  window.addEventListener("pagehide", bye);
  window.addEventListener("pageshow", back);
  return () => {
    clearInterval(every);
    window.removeEventListener("pagehide", bye);
    window.removeEventListener("pageshow", back);
    bye();
    worker.port.close();
    stop?.();
  };
}

function useEar(): LiveEar {
  const ear = useContext(LiveContext);
  if (!ear) throw new Error("LiveProvider is missing above this.");
  return ear;
}

/** Calls back with all news while the component is there. The callback must be stable. */
export function useNews(hear: (news: LiveNews) => void): void {
  const ear = useEar();
  useEffect(() => ear.on(hear), [ear, hear]);
}

/** Rooms with their newest air, as last heard; empty until the first word. */
export function useRooms(): readonly RoomWithAir[] {
  const ear = useEar();
  return useSyncExternalStore(
    ear.on,
    () => ear.rooms,
    () => NONE,
  );
}

/** False while the line to the server is down. */
export function useLine(): boolean {
  const ear = useEar();
  return useSyncExternalStore(
    ear.on,
    () => ear.connected,
    () => true,
  );
}
