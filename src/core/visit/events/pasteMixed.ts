import { mixedPasteSchema } from "../../processing/paste";
import { eventKind } from "./kind";

export const pasteMixed = eventKind({
  version: 1,
  payload: mixedPasteSchema,
  fold: { run: (run, { id, atMs, payload }) => ({ ...run, pastes: [...run.pastes, { ...payload, eventId: id, mixedAtMs: atMs }] }) },
});
