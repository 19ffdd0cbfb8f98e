import { mixedPasteSchema } from "../../processing/paste";
import { eventKind, type Payload } from "./kind";

export const pasteMixedPayload = () => mixedPasteSchema;

export const pasteMixed = eventKind<Payload<typeof pasteMixedPayload>>({
  version: 1,
  fold: { run: (run, { id, atMs, payload }) => ({ ...run, pastes: [...run.pastes, { ...payload, eventId: id, mixedAtMs: atMs }] }) },
});
