import "server-only";
import { cureLedger, doseCurve } from "@/core/adhesive";
import { cureSettings } from "@/core/policy";
import { serviceOf } from "@/core/service";
import { isDrying, placedLashesOf } from "@/core/visit";
import { airByMinute } from "@/features/air/history";
import { sensorsNow } from "@/features/readings/newestAir";
import { usedBottles } from "@/features/shelf/bottles";
import { glueKnowledge } from "@/features/shelf/knowledge";
import type { StudioTransaction } from "@/server/inStudio";
import { READ_BEFORE_MS, type FullVisit } from "./data";
import { adhesiveInUse } from "./adhesiveInUse";
import { studioPolicy } from "@/server/studioPolicy";

/**
 * When the eyes of a visit may open as it looks now, ms: the later end of the estimate, by the readings of its room since
 * the last lash. Null while placing goes on, or before anything was placed.
 */
export async function eyesMayAtMs(
  tx: StudioTransaction,
  { service, roomId, technicianId, state }: FullVisit,
  now: Date,
): Promise<number | null> {
  // A mannequin head opens no eyes.
  if (!serviceOf(service).onClient || !isDrying(state)) return null;
  const nowMs = now.getTime();
  const placings = placedLashesOf(state, nowMs);
  const lastMs = Math.max(...placings.map(({ atMs }) => atMs));
  const policy = await studioPolicy(tx);
  const readings = await airByMinute(tx, await sensorsNow(tx, roomId), new Date(lastMs - READ_BEFORE_MS), now);
  const glue = { bottlesUsed: await usedBottles(tx, [state]), knowledge: await glueKnowledge(tx, technicianId) };
  const { law } = adhesiveInUse(glue, state.set.bottleId);
  // Earlier lashes are ahead of the last one, which the eyes wait for.
  const last = placings.filter(({ atMs }) => atMs === lastMs);
  const { eyes } = cureLedger(last, doseCurve(readings, law), nowMs, cureSettings(policy), { finish: state.set.finish });
  return eyes ? nowMs + eyes.leftHighS * 1000 : null;
}
