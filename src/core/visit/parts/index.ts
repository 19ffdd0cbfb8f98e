import { NOTHING_FOUND, type FillWork } from "../../fill/work";
import { EMPTY_PLACING, type PlacingWork } from "../../placing/work";
import { EMPTY_RUN, type RunState } from "../../processing";
import { EMPTY_HEAD, type VisitHead } from "./head";
import { EMPTY_SET, type SetWork } from "./set";
import { NO_STEPS, type StepsTaken } from "./steps";

/** A visit as its events tell it, in parts: each kind of event folds into the parts it concerns and knows no other. */
export type VisitState = {
  readonly head: VisitHead;
  readonly steps: StepsTaken;
  readonly set: SetWork;
  readonly fill: FillWork;
  readonly placing: PlacingWork;
  readonly run: RunState;
};

/** A visit at which nothing has happened. A new part is a line here. */
export const EMPTY_VISIT: VisitState = {
  head: EMPTY_HEAD,
  steps: NO_STEPS,
  set: EMPTY_SET,
  fill: NOTHING_FOUND,
  placing: EMPTY_PLACING,
  run: EMPTY_RUN,
};
export const PARTS = Object.keys(EMPTY_VISIT) as readonly (keyof VisitState)[];
