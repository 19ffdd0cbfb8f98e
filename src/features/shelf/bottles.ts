import "server-only";
import { and, asc, desc, eq, inArray, isNull, sql } from "drizzle-orm";
import type { Adhesive } from "@/core/adhesive";
import type { VisitState } from "@/core/visit";
import { adhesive, bottle } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

/** Beads put out from a bottle, a drop each, those taken back left out. */
const beadsOf = () =>
  sql<number>`(
  select coalesce(sum(l.beads), 0) from studio.visit_lot l where l.studio_id = ${bottle.studioId} and l.kind = 'bottle' and l.lot_id = ${bottle.id}
)`.mapWith(Number);

/** Bottles open in the studio, for choosing one: newest first. */
export function openBottles(tx: StudioTransaction) {
  return tx
    .select({
      id: bottle.id,
      adhesiveId: bottle.adhesiveId,
      lot: bottle.lot,
      openedOn: bottle.openedOn,
      expiresOn: bottle.expiresOn,
      beads: beadsOf(),
      adhesive: adhesive.document,
    })
    .from(bottle)
    .innerJoin(adhesive, and(eq(adhesive.studioId, bottle.studioId), eq(adhesive.id, bottle.adhesiveId)))
    .where(isNull(bottle.emptiedOn))
    .orderBy(desc(bottle.openedOn), asc(bottle.id));
}
export type OpenBottle = Awaited<ReturnType<typeof openBottles>>[number];

/** What a bottle is called wherever it is named. */
const bottleName = ({ adhesive: { name }, lot }: { adhesive: Adhesive; lot: string }) => `${name}, lot ${lot}`;

/** Names of bottles by their ids. */
export const namesOf = (bottles: readonly { id: string; adhesive: Adhesive; lot: string }[]): Map<string, string> =>
  new Map(bottles.map((one) => [one.id, bottleName(one)]));

/** The bottles that visits were worked from, emptied ones too: a visit years ago still names its lot. */
export async function usedBottles(tx: StudioTransaction, states: readonly VisitState[]) {
  const named = states.flatMap(({ set: { bottleId, beads } }) => [bottleId, ...beads.map((bead) => bead.bottleId)]);
  const ids = [...new Set(named.filter((id) => id !== null))];
  if (ids.length === 0) return [];
  return tx
    .select({ id: bottle.id, adhesiveId: bottle.adhesiveId, lot: bottle.lot, adhesive: adhesive.document })
    .from(bottle)
    .innerJoin(adhesive, and(eq(adhesive.studioId, bottle.studioId), eq(adhesive.id, bottle.adhesiveId)))
    .where(inArray(bottle.id, ids));
}

export type UsedBottle = Awaited<ReturnType<typeof usedBottles>>[number];
