import { endSpan } from "../../placing/work";
import { eventKind, type Payload } from "./kind";
import type { resumedPayload } from "./payload/resumed";

export const resumed = eventKind<Payload<typeof resumedPayload>>({
  version: 1,
  fold: { placing: (placing, { atMs }) => ({ ...placing, pauses: endSpan(placing.pauses, atMs) }) },
});
