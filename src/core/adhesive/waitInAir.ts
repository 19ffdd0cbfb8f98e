import type { Air } from "../air";
import { heldToGood, setTimeRatio, type CureLaw } from "./setTime";

/**
 * How long the rest of a cure would take if the room were brought to another air now, s: seconds in this air, times the
 * ratio of the two. Twice as slow an air made as quick as the reference halves it.
 */
export const waitInAirS = (leftS: number, now: Air, then: Air, law: CureLaw): number =>
  Math.max(0, (leftS * setTimeRatio(heldToGood(then), law)) / setTimeRatio(heldToGood(now), law));
