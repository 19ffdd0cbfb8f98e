import { onCoat } from "../../processing/runState";
import { eventKind, type Payload } from "./kind";
import type { wipedPayload } from "./payload/wiped";

/** All of it is off. */
export const wiped = eventKind<Payload<typeof wipedPayload>>({
  version: 1,
  fold: { run: (run, { atMs, payload }) => onCoat(run, payload, (coat) => ({ ...coat, offAtMs: atMs })) },
});
