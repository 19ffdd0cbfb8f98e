import { expose } from "comlink";
import { limitCosts, planMap } from "@/core/map";

/** The planner off the page's own thread. */
const planner = { planMap, limitCosts };
export type Planner = typeof planner;
expose(planner);
