import type { Look } from "./look";

export const flatLiner: Look = {
  label: "flat liner",
  says: "a cat line in a flat-based curl (L or M), like a drawn liner",
  wants: ["L", "M"],
  rises: true,
  handles: [
    { at: 0, dropMm: 5 },
    { at: "pupil", dropMm: 2.2 },
    { at: "browPeak", dropMm: 0.8 },
    { at: 0.87, dropMm: 0 },
    { at: 1, dropMm: 1.4 },
  ],
};
