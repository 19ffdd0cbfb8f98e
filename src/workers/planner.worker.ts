import { expose } from "comlink";
import { limitCosts, planMap, type MapWish, type Tray } from "@/core/map";
import type { Survey } from "@/core/eye";
import type { Policy } from "@/core/policy";

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

type Ground = readonly [survey: Survey, policy: Policy, trays: readonly Tray[]];
let ground: Ground | null = null;
function standing(): Ground {
  if (!ground) throw new Error("Say first what is planned on.");
  return ground;
}

const WARMING = 6;
const WARMING_MM = 8;
/** What is planned on from now on. Kept here, so that what is reckoned of an eye once is not reckoned again with every plan. */
function stand(...next: Ground): void {
  ground = next;
}
/**
 * Plans for nobody, so that the first plan somebody waits for is made by compiled code: the first ones take four times as
 * long, and a line wished shorter takes other ways through the code than one left to the limits.
 */
function warmUp(likely: MapWish): void {
  const [survey, policy, trays] = standing();
  for (let i = 0; i < WARMING; i++) planMap(structuredClone(survey), i % 2 ? { ...likely, longestMm: WARMING_MM } : likely, policy, trays);
}

/** The planner off the page's own thread. */
const planner = {
  stand,
  warmUp,
  planMap: timed("plan", (wish: MapWish) => {
    const [survey, policy, trays] = standing();
    return planMap(survey, wish, policy, trays);
  }),
  limitCosts: timed("costs", (wish: MapWish) => {
    const [survey, policy, trays] = standing();
    return limitCosts(survey, wish, policy, trays);
  }),
};
export type Planner = typeof planner;
expose(planner);
