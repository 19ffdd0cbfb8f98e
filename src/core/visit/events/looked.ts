import { onCoat } from "../../processing/runState";
import { eventKind, type Payload } from "./kind";
import type { lookedPayload } from "./payload/looked";

/** Looked at on a wiped spot: how deep the hair is by now. */
export const looked = eventKind<Payload<typeof lookedPayload>>({
  version: 1,
  fold: {
    run: (run, { atMs, payload }) => onCoat(run, payload, (coat) => ({ ...coat, looks: [...coat.looks, { atMs, depth: payload.depth }] })),
  },
});
