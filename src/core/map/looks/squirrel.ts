import type { Look } from "./look";

export const squirrel: Look = {
  label: "squirrel",
  says: "longest under the brow peak, down again to the corner",
  handles: [
    { at: 0, dropMm: 5.5 },
    { at: "irisInner", dropMm: 2.4 },
    { at: "pupil", dropMm: 0.6 },
    { at: "browPeak", dropMm: 0 },
    { at: 0.85, dropMm: 2.1 },
    { at: 1, dropMm: 4.6 },
  ],
};
