import { z } from "zod";
import { onCoat } from "../../processing/runState";
import { eventKind, type Payload } from "./kind";
import { onArea } from "./onArea";

export const wipedPayload = () => z.strictObject(onArea);

/** All of it is off. */
export const wiped = eventKind<Payload<typeof wipedPayload>>({
  version: 1,
  fold: { run: (run, { atMs, payload }) => onCoat(run, payload, (coat) => ({ ...coat, offAtMs: atMs })) },
});
