import { eventKind, type Payload } from "./kind";
import type { pasteMixedPayload } from "./payload/pasteMixed";

export const pasteMixed = eventKind<Payload<typeof pasteMixedPayload>>({
  version: 1,
  fold: { run: (run, { id, atMs, payload }) => ({ ...run, pastes: [...run.pastes, { ...payload, eventId: id, mixedAtMs: atMs }] }) },
});
