import "server-only";
import { and, eq, inArray, sql } from "drizzle-orm";
import type { VisitState } from "@/core/visit";
import { adhesive, bottle } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

/** Beads put out from a bottle, a drop each, those taken back left out. */
export const beadsOf = () =>
  sql<number>`(
  select count(*) from studio.visit_event e where e.studio_id = ${bottle.studioId} and e.type = 'beadPlaced' and e.payload->>'bottleId' = ${bottle.id}::text
    and not exists (select 1 from studio.visit_event u where u.studio_id = e.studio_id and u.type = 'undone' and u.payload->>'eventId' = e.id::text)
)`.mapWith(Number);

/** Bottles open in the studio, for choosing one: newest first. */
export async function openBottles(tx: StudioTransaction) {
  const rows = await tx
    .select({
      id: bottle.id,
      adhesiveId: bottle.adhesiveId,
      lot: bottle.lot,
      openedOn: bottle.openedOn,
      emptiedOn: bottle.emptiedOn,
      beads: beadsOf(),
      adhesive: adhesive.document,
    })
    .from(bottle)
    .innerJoin(adhesive, and(eq(adhesive.studioId, bottle.studioId), eq(adhesive.id, bottle.adhesiveId)));
  return rows.filter((row) => row.emptiedOn === null).sort((a, b) => b.openedOn.localeCompare(a.openedOn));
}
export type OpenBottle = Awaited<ReturnType<typeof openBottles>>[number];

/** Every bottle's name and lot by its id, emptied ones too: a visit years ago still names its lot. */
export async function bottleNames(tx: StudioTransaction): Promise<Map<string, string>> {
  const rows = await tx
    .select({ id: bottle.id, lot: bottle.lot, adhesive: adhesive.document })
    .from(bottle)
    .innerJoin(adhesive, and(eq(adhesive.studioId, bottle.studioId), eq(adhesive.id, bottle.adhesiveId)));
  return new Map(rows.map((row) => [row.id, `${row.adhesive.name}, lot ${row.lot}`]));
}

/** Adhesives of the bottles a visit was worked from, emptied ones too. */
export async function usedBottles(tx: StudioTransaction, state: VisitState) {
  const ids = [...new Set([state.bottleId, ...state.beads.map(({ bottleId }) => bottleId)].filter((id) => id !== null))];
  if (ids.length === 0) return [];
  return tx
    .select({ id: bottle.id, adhesiveId: bottle.adhesiveId, adhesive: adhesive.document })
    .from(bottle)
    .innerJoin(adhesive, and(eq(adhesive.studioId, bottle.studioId), eq(adhesive.id, bottle.adhesiveId)))
    .where(inArray(bottle.id, ids));
}

export type UsedBottle = Awaited<ReturnType<typeof usedBottles>>[number];
