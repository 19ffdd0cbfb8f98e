import { expose } from "comlink";
import { limitCosts, planMap } from "@/core/map";

/** Leaves how long it took in the worker's own timeline, for whoever looks (bench/dragging.ts does). */
const timed =
  <A extends unknown[], T>(name: string, work: (...all: A) => T) =>
  (...all: A): T => {
    const begun = performance.now();
    try {
      return work(...all);
    } finally {
      performance.measure(name, { start: begun });
    }
  };

/** The planner off the page's own thread. */
const planner = { planMap: timed("plan", planMap), limitCosts: timed("costs", limitCosts) };
export type Planner = typeof planner;
expose(planner);
