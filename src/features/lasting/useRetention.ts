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
  const thread = useRef<Worker | null>(null);
  const end = useCallback(() => {
    thread.current?.terminate();
    thread.current = null;
  }, []);
  useEffect(() => end, [end]);

  const begin = useCallback(async () => {
    if (key === null) return;
    setState({ is: "reading" });
    try {
      const answer = await fetch("/api/retention");
      if (!answer.ok) throw new Error(((await answer.json()) as { message?: string }).message ?? "The server did not answer.");
      const data = (await answer.json()) as RetentionData;
      const worker = new Worker(new URL("../../workers/retention.worker.ts", import.meta.url), { type: "module" });
      thread.current = worker;
      const remote: Remote<RetentionWorker> = wrap<RetentionWorker>(worker);
      setState({ is: "working", share: 0 });
      const said = proxy((share: number) => setState((now) => (now.is === "working" ? { is: "working", share } : now)));
      const [holds, where] = await Promise.all([remote.whatHolds(data, said), remote.whereLost(data.places)]);
      // Ended meanwhile: what a thread that is gone would say is nothing.
      if (thread.current !== worker) return;
      const found = { data, holds, where };
      kept.set(key, found);
      setState({ is: "done", found });
    } catch (fault) {
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
