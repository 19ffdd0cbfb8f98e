import type { ServiceKind } from "@/core/service";
import type { CaredFor } from "@/core/care";
import { batchesOf, type RunState } from "@/core/processing";

/** What an aftercare card is made of, on the screen and in its files. */
export const caredFor = (
  service: ServiceKind,
  run: RunState,
  endedAtMs: number,
  batchNames: Readonly<Record<string, string>>,
): CaredFor => ({
  service,
  endedAtMs,
  againAfterDays: run.plan?.protocol.againAfterDays ?? 0,
  stopped: run.stop?.kind ?? null,
  used: batchesOf(run).flatMap((id) => batchNames[id] ?? []),
});
