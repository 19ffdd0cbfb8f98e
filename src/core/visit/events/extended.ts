import { onCoat } from "../../processing/runState";
import { eventKind, type Payload } from "./kind";
import type { extendedPayload } from "./payload/extended";

/** What lies on is given longer. */
export const extended = eventKind<Payload<typeof extendedPayload>>({
  version: 1,
  fold: { run: (run, { payload }) => onCoat(run, payload, (coat) => ({ ...coat, extraS: coat.extraS + payload.byS })) },
});
