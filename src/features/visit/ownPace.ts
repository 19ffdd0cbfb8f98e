import "server-only";
import { and, desc, eq, isNotNull } from "drizzle-orm";
import { technicianPace, wornTotals } from "@/core/map";
import type { Policy } from "@/core/policy";
import { visit, visitOutcome } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

const SETS = 6;

/** A technician's own seconds a lash, from the last finished sets: time from the first to the last tap over the lashes of the map worn. */
export async function ownPace(tx: StudioTransaction, technicianId: string, policy: Policy) {
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
  return technicianPace(
    sets.map(({ begunAt, finishedAt, worn }) => ({
      ...wornTotals(worn!),
      seconds: (finishedAt!.getTime() - begunAt!.getTime()) / 1000,
    })),
    policy,
  );
}
