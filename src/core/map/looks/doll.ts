import type { Look } from "./look";

export const doll: Look = {
  label: "doll",
  says: "longest at the pupil, opens the eye",
  handles: [
    { at: 0, dropMm: 4 },
    { at: "irisInner", dropMm: 1.2 },
    { at: "pupil", dropMm: 0 },
    { at: "irisOuter", dropMm: 1 },
    { at: 1, dropMm: 4 },
  ],
};
