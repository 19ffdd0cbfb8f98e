import "server-only";
import { and, desc, eq, isNotNull } from "drizzle-orm";
import { wornTotals, type Pace } from "@/core/map";
import type { Policy } from "@/core/policy";
import { visit, visitOutcome } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

const SETS = 6;
/** Fewer sets than this say nothing of a pace. */
const LEAST_SETS = 3;

/**
 * A technician's own seconds a lash, from the last finished sets: time from the first to the last tap over the lashes of
 * the map worn. Singles and fans keep the studio's ratio to each other. The studio's own pace where too few are known.
 */
export async function ownPace(tx: StudioTransaction, technicianId: string, policy: Policy): Promise<Pace & { known: boolean }> {
  const studio = { secondsPerSingle: policy.secondsPerSingle, secondsPerFan: policy.secondsPerFan, known: false };
  const sets = await tx
    .select({ begunAt: visitOutcome.begunAt, finishedAt: visitOutcome.finishedAt, worn: visitOutcome.worn })
    .from(visit)
    .innerJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
    .where(
      and(
        eq(visit.technicianId, technicianId),
        eq(visit.service, "newSet"),
        isNotNull(visitOutcome.begunAt),
        isNotNull(visitOutcome.finishedAt),
        isNotNull(visitOutcome.worn),
      ),
    )
    .orderBy(desc(visit.startsAt))
    .limit(SETS);
  const paces = sets.flatMap(({ begunAt, finishedAt, worn }) => {
    const { singles, fans } = wornTotals(worn!);
    const seconds = (finishedAt!.getTime() - begunAt!.getTime()) / 1000;
    // How many studio seconds these lashes are, so that a set of fans and one of singles say the same of a hand.
    const usual = fans * policy.secondsPerFan + singles * policy.secondsPerSingle;
    return seconds > 0 && usual > 0 ? [seconds / usual] : [];
  });
  if (paces.length < LEAST_SETS) return studio;
  const middle = [...paces].sort((a, b) => a - b)[Math.floor(paces.length / 2)]!;
  const held = Math.min(4, Math.max(0.25, middle));
  return {
    secondsPerSingle: Math.round(policy.secondsPerSingle * held),
    secondsPerFan: Math.round(policy.secondsPerFan * held),
    known: true,
  };
}
