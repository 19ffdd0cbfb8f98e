import type { Look } from "./look";

export const natural: Look = {
  label: "natural",
  says: "follows the lashes, a little longer past the pupil",
  handles: [
    { at: 0, dropMm: 4 },
    { at: "irisInner", dropMm: 1.6 },
    { at: "pupil", dropMm: 0.4 },
    { at: "irisOuter", dropMm: 0 },
    { at: 1, dropMm: 2.6 },
  ],
};
