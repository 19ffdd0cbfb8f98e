export { DEPTHS, LEAST_DEPTH, MOST_DEPTH, hairColour, depthWords } from "./depth";
export { blendShades, onHair, colourDifference, depthOf, type Shade } from "./blend";
export {
  timeToTarget,
  depthAfter,
  minutesTo,
  takenAfter,
  PROCESS_PRIORS,
  LOOK_SD,
  type DepthLook,
  type Course,
  type ProcessPrior,
  type TimeToTarget,
} from "./processing";
export { proposeMinutes, type MinutesProposal } from "./proposeMinutes";
export { proposeShade, stillOff, type ShadeProposal, type ShadeParts, type ShadeShelf } from "./proposeShade";
