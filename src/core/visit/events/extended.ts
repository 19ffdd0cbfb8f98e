import { z } from "zod";
import { onCoat } from "../../processing/runState";
import { eventKind, type Payload } from "./kind";
import { onArea } from "./onArea";

export const extendedPayload = () => z.strictObject({ ...onArea, byS: z.int().min(15).max(600) });

/** What lies on is given longer. */
export const extended = eventKind<Payload<typeof extendedPayload>>({
  version: 1,
  fold: { run: (run, { payload }) => onCoat(run, payload, (coat) => ({ ...coat, extraS: coat.extraS + payload.byS })) },
});
