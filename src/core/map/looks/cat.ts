import type { Look } from "./look";

export const cat: Look = {
  label: "cat",
  says: "rises outwards, with a drop only in the last zone",
  rises: true,
  handles: [
    { at: 0, dropMm: 5.5 },
    { at: "pupil", dropMm: 2.6 },
    { at: "browPeak", dropMm: 0.7 },
    { at: 0.86, dropMm: 0 },
    { at: 1, dropMm: 1.8 },
  ],
};
