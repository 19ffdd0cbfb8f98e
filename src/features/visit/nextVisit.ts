import "server-only";
import { and, asc, eq, gt, isNull } from "drizzle-orm";
import type { ServiceId } from "@/core/service";
import { visit } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

/** Something else of the same day is not when a client comes again. */
const SAME_DAY_MS = 12 * 3_600_000;

/** The client's next agreed visit after the day of one of theirs; null where none is booked. */
export async function nextVisitOf(
  tx: StudioTransaction,
  { clientId, startsAt }: { readonly clientId: string; readonly startsAt: Date },
): Promise<{ readonly id: string; readonly service: ServiceId; readonly startsAt: Date } | null> {
  const [next] = await tx
    .select({ id: visit.id, service: visit.service, startsAt: visit.startsAt })
    .from(visit)
    .where(
      and(
        eq(visit.clientId, clientId),
        gt(visit.startsAt, new Date(startsAt.getTime() + SAME_DAY_MS)),
        isNull(visit.cancelledAt),
        isNull(visit.withdrawnAt),
      ),
    )
    .orderBy(asc(visit.startsAt))
    .limit(1);
  return next ?? null;
}
