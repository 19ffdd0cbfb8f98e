"use client";
import { wrap, type Remote } from "comlink";
import { useEffect, useMemo, useRef } from "react";
import type { Survey } from "@/core/eye";
import type { LimitCost, MapPlan, MapWish, Tray } from "@/core/map";
import type { Policy } from "@/core/policy";
import type { Planner } from "@/workers/planner.worker";

type Ground = { readonly survey: Survey; readonly policy: Policy; readonly trays: readonly Tray[] };

/**
 * Plans in a worker, the page staying free to be dragged on. Where no worker can be had it plans on the page, which is
 * slower to the hand and comes to the same. `first` is what will likely be asked. An answer overtaken by a later question
 * is dropped (`undefined`).
 */
export function usePlanner({ survey, policy, trays }: Ground, first: MapWish) {
  const worker = useRef<{ thread: Worker; planner: Remote<Planner> } | null>(null);
  const asked = useRef(0);
  const likely = useRef(first);
  useEffect(() => {
    try {
      const thread = new Worker(new URL("../../workers/planner.worker.ts", import.meta.url), { type: "module" });
      worker.current = { thread, planner: wrap<Planner>(thread) };
      thread.onerror = () => (worker.current = null);
    } catch {
      worker.current = null;
    }
    return () => {
      worker.current?.thread.terminate();
      worker.current = null;
    };
  }, []);
  useEffect(() => {
    // Messages keep their order: what is asked after this is planned on it.
    void worker.current?.planner.stand(survey, policy, [...trays]).catch(() => undefined);
  }, [survey, policy, trays]);
  useEffect(() => {
    void worker.current?.planner.warmUp(likely.current).catch(() => undefined);
  }, []);
  return useMemo(
    () => ({
      plan: async (wish: MapWish): Promise<MapPlan | null | undefined> => {
        const question = ++asked.current;
        const answer = await answered(worker.current?.planner.planMap(wish), async () =>
          (await planHere()).planMap(survey, wish, policy, trays),
        );
        return question === asked.current ? answer : undefined;
      },
      costs: (wish: MapWish): Promise<LimitCost[]> =>
        answered(worker.current?.planner.limitCosts(wish), async () => (await planHere()).limitCosts(survey, wish, policy, trays)),
    }),
    [survey, policy, trays],
  );
}

/** Fetched only where the worker fails. */
const planHere = () => import("./planHere");

const PATIENCE_MS = 2000;

/** The worker's answer, or our own where there is no worker, or none that answers. */
async function answered<T>(asked: Promise<T> | undefined, onThisThread: () => Promise<T>): Promise<T> {
  if (!asked) return onThisThread();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<"late">((resolve) => (timer = setTimeout(() => resolve("late"), PATIENCE_MS)));
  const first = await Promise.race([asked.then((answer) => ({ answer })), late]).catch(() => "late" as const);
  clearTimeout(timer);
  return first === "late" ? onThisThread() : first.answer;
}
