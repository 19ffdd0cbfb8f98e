import type { CaredFor } from "@/core/care";
import { batchesOf } from "@/core/processing";
import { serviceOf, type ServiceId } from "@/core/service";
import type { VisitState } from "@/core/visit";

/** What the aftercare card of a finished visit is made of, on the screen and in its files; null where the service has none. */
export function caredFor(
  service: ServiceId,
  { head, run }: VisitState,
  known: {
    /** Names of the lots that a run used, by their ids. */
    readonly batchNames: Readonly<Record<string, string>>;
    readonly waterFromMs: number | null;
    readonly next: string | null;
    readonly aftercareWords: string;
  },
): CaredFor | null {
  const { aftercare } = serviceOf(service);
  if (head.finishedAtMs === null || aftercare === null) return null;
  const { waterFromMs, next, aftercareWords, batchNames } = known;
  return {
    service,
    endedAtMs: head.finishedAtMs,
    againAfterDays: run.plan?.protocol.againAfterDays ?? 0,
    stopped: run.stop?.kind ?? null,
    used: batchesOf(run).flatMap((id) => batchNames[id] ?? []),
    waterFromMs,
    next,
    aftercareWords,
  };
}
