"use client";
import { proxy, wrap, type Remote } from "comlink";
import { useCallback, useEffect, useRef, useState } from "react";
import type { StudioRetention, WhereLost } from "@/core/retention";
import type { RetentionWorker } from "@/workers/retention.worker";
import type { RetentionData } from "./data";

/** What was found, with the counts it stands on. */
export type Found = { readonly data: RetentionData; readonly holds: StudioRetention; readonly where: WhereLost };

export type Reckoning =
  | { readonly is: "idle" }
  | { readonly is: "reading" }
  | { readonly is: "stopped" }
  | { readonly is: "working"; readonly share: number }
  | { readonly is: "failed"; readonly words: string }
  | { readonly is: "done"; readonly found: Found };

/** Found once with so many fills, it is the same until the next look: kept for as long as the tab lives. */
const kept = new Map<string, Found>();

/** Fetches the counts and reckons with them in a worker, which `stop` ends. `key` names what it stands on. */
export function useRetention(key: string | null) {
  const [state, setState] = useState<Reckoning>(() => {
    const known = key === null ? undefined : kept.get(key);
    return known ? { is: "done", found: known } : { is: "idle" };
  });
  /** How to end what is under way; null where nothing is. */
  const running = useRef<(() => void) | null>(null);
  const end = useCallback(() => {
    running.current?.();
    running.current = null;
  }, []);
  useEffect(() => end, [end]);

  const begin = useCallback(async () => {
    if (key === null) return;
    end();
    const reading = new AbortController();
    let worker: Worker | null = null;
    const endThis = () => {
      reading.abort();
      worker?.terminate();
    };
    running.current = endThis;
    // What was stopped, or begun anew since, has nothing more to say.
    const isOver = () => running.current !== endThis;
    setState({ is: "reading" });
    try {
      const answer = await fetch("/api/retention", { signal: reading.signal });
      if (!answer.ok) throw new Error(((await answer.json()) as { message?: string }).message ?? "The server did not answer.");
      const data = (await answer.json()) as RetentionData;
      if (isOver()) return;
      worker = new Worker(new URL("../../workers/retention.worker.ts", import.meta.url), { type: "module" });
      const remote: Remote<RetentionWorker> = wrap<RetentionWorker>(worker);
      setState({ is: "working", share: 0 });
      const said = proxy((share: number) => setState((now) => (now.is === "working" ? { is: "working", share } : now)));
      const [holds, where] = await Promise.all([remote.whatHolds(data, said), remote.whereLost(data.places)]);
      if (isOver()) return;
      const found = { data, holds, where };
      kept.set(key, found);
      setState({ is: "done", found });
    } catch (fault) {
      if (isOver()) return;
      setState({ is: "failed", words: fault instanceof Error ? fault.message : "It could not be reckoned." });
    }
    end();
  }, [key, end]);
  const stop = useCallback(() => {
    end();
    setState({ is: "stopped" });
  }, [end]);
  return { state, begin, stop };
}
