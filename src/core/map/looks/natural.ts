import type { Look } from "./look";

export const natural: Look = {
  label: "natural",
  says: "adds about the same to every lash, and less than the other looks",
  followsLashes: true,
  hangsLowerMm: 1,
  handles: [
    { at: 0, dropMm: 0.4 },
    { at: "irisInner", dropMm: 0.2 },
    { at: "pupil", dropMm: 0 },
    { at: "irisOuter", dropMm: 0 },
    { at: 1, dropMm: 0.3 },
  ],
};
