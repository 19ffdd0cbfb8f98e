import "server-only";
import { and, asc, desc, eq } from "drizzle-orm";
import { CURL_IDS } from "@/core/curl";
import { adhesive, bottle, tray } from "@/db/schema";
import { beadsOf } from "@/features/visit/data";
import { inStudio } from "@/server/inStudio";
import type { Member } from "@/server/member";

/** Adhesives, their bottles, and the trays. */
export function shelfPage(me: Member) {
  return inStudio(me, async (tx) => ({
    adhesives: await tx.select({ id: adhesive.id, document: adhesive.document }).from(adhesive).orderBy(asc(adhesive.createdAt)),
    bottles: await tx
      .select({
        id: bottle.id,
        adhesiveId: bottle.adhesiveId,
        lot: bottle.lot,
        openedOn: bottle.openedOn,
        emptiedOn: bottle.emptiedOn,
        beads: beadsOf(),
      })
      .from(bottle)
      .innerJoin(adhesive, and(eq(adhesive.studioId, bottle.studioId), eq(adhesive.id, bottle.adhesiveId)))
      .orderBy(desc(bottle.openedOn)),
    trays: (await tx.select({ id: tray.id, document: tray.document }).from(tray)).sort(
      (a, b) =>
        CURL_IDS.indexOf(a.document.curl) - CURL_IDS.indexOf(b.document.curl) ||
        b.document.diameterMm - a.document.diameterMm ||
        a.id.localeCompare(b.id),
    ),
  }));
}
export type ShelfPage = Awaited<ReturnType<typeof shelfPage>>;
