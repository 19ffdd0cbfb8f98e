import "server-only";
import { and, asc, eq, gt, isNull } from "drizzle-orm";
import { serviceOf, type ServiceId } from "@/core/service";
import { visit } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";
import { formatIn } from "@/server/studioTime";

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

/** When and for what, as it stands on the page and on the card: "Monday 7 December, 10:00, fill" */
export const nextVisitWords = (timeZone: string, { startsAt, service }: { readonly startsAt: Date; readonly service: ServiceId }): string =>
  `${formatIn(timeZone, startsAt, "EEEE d MMMM, HH:mm")}, ${serviceOf(service).label}`;
