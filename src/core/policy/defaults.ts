import type { Policy } from "./policy";

/** The defaults of the trade; `fields.ts` gives the reason for each. */
export const defaultPolicy: Policy = {
  version: 1,
  overLengthMm: 3,
  fineOverLengthMm: 2,
  corners: "match",
  stepMm: 2,
  outerDropMm: 1,
  loadAmber: 1.2,
  loadAmberFan: 1.1,
  loadRed: 1.6,
  attachmentOffsetMm: 1,
  beadMinutes: 15,
  shakeSeconds: 60,
  patchTestMonths: 6,
};
