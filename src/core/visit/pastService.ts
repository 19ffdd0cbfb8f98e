import type { PastService } from "../care";
import { STOP_WORDS } from "../processing";
import { serviceOf, type ServiceId } from "../service";
import type { VisitOutcome } from "./outcome";

/** What a visit was, for spacing; null where nothing was put on. */
export function pastService(service: ServiceId, { putOnAtMs, stopped }: Pick<VisitOutcome, "putOnAtMs" | "stopped">): PastService | null {
  if (putOnAtMs === null) return null;
  const { label, counts } = serviceOf(service);
  return { label, treated: counts, atMs: putOnAtMs, stopped: stopped ? STOP_WORDS[stopped].label : null, known: "here" };
}
