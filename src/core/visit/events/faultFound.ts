import { eventKind, type Payload } from "./kind";
import type { faultFoundPayload } from "./payload/faultFound";

/** Lashes that are off, or are to come off, found at a check: they are placed no more, and the plan asks for them again. */
export const faultFound = eventKind<Payload<typeof faultFoundPayload>>({
  version: 1,
  fold: { placing: (placing, { atMs, payload }) => ({ ...placing, faults: [...placing.faults, { ...payload, atMs }] }) },
});
