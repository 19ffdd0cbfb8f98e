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

const WARMING = 6;
const WARMING_MM = 8;
/** Plans for nobody, so that the first plan somebody waits for is made by compiled code. The first ones take four times as long. */
function warmUp(...[survey, wish, policy, trays]: Parameters<typeof planMap>): void {
  // Limits are kept by the eye they belong to: a fresh copy each time, or there would be nothing to do. A line wished
  // shorter or longer takes other ways through the code than one left to the limits.
  for (let i = 0; i < WARMING; i++) planMap(structuredClone(survey), i % 2 ? { ...wish, longestMm: WARMING_MM } : wish, policy, trays);
}

/** The planner off the page's own thread. */
const planner = { planMap: timed("plan", planMap), limitCosts: timed("costs", limitCosts), warmUp };
export type Planner = typeof planner;
expose(planner);
