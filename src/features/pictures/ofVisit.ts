import "server-only";
import { and, asc, eq, gte, lte } from "drizzle-orm";
import type { Side } from "@/core/eye";
import { picture } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

export type VisitPicture = { readonly id: string; readonly kind: "open" | "closed"; readonly side: Side; readonly atMs: number };

/** So long before it begins, and after it ends, a picture is of the visit. */
const AROUND_MS = 3 * 3_600_000;
const MOST = 24;

/** Pictures of the client that were taken at a visit, earliest first. */
export async function picturesOfVisit(
  tx: StudioTransaction,
  {
    clientId,
    startsAt,
    minutes,
    begunAt,
    finishedAt,
  }: {
    readonly clientId: string;
    readonly startsAt: Date;
    readonly minutes: number;
    readonly begunAt: Date | null;
    readonly finishedAt: Date | null;
  },
): Promise<VisitPicture[]> {
  const from = begunAt ?? startsAt;
  const to = finishedAt ?? new Date(from.getTime() + minutes * 60_000);
  const rows = await tx
    .select({ id: picture.id, kind: picture.kind, side: picture.side, at: picture.createdAt })
    .from(picture)
    .where(
      and(
        eq(picture.clientId, clientId),
        gte(picture.createdAt, new Date(from.getTime() - AROUND_MS)),
        lte(picture.createdAt, new Date(to.getTime() + AROUND_MS)),
      ),
    )
    .orderBy(asc(picture.createdAt))
    .limit(MOST);
  return rows.map(({ at, ...row }) => ({ ...row, atMs: at.getTime() }));
}
