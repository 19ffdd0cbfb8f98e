import "server-only";
import { and, asc, desc, eq, inArray, isNotNull, isNull, sql } from "drizzle-orm";
import type { Adhesive } from "@/core/adhesive";
import type { VisitState } from "@/core/visit";
import { adhesive, lot } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

/** Is this a bottle of adhesive on the studio's record, open or empty? */
export const isBottle = async (tx: StudioTransaction, id: string): Promise<boolean> =>
  (await tx.$count(lot, and(eq(lot.id, id), isNotNull(lot.adhesiveId)))) > 0;

/** The adhesive that a lot is of; joined so, the lots are bottles. */
export const itsAdhesive = and(eq(adhesive.studioId, lot.studioId), eq(adhesive.id, lot.adhesiveId));

/** Beads put out from a bottle, a drop each, those taken back left out. */
const beadsOf = () =>
  sql<number>`(
  select coalesce(sum(l.beads), 0) from studio.visit_lot l where l.studio_id = ${lot.studioId} and l.lot_id = ${lot.id}
)`.mapWith(Number);

/** Bottles open in the studio, for choosing one: newest first. */
export function openBottles(tx: StudioTransaction) {
  return tx
    .select({
      id: lot.id,
      adhesiveId: adhesive.id,
      lot: lot.number,
      openedOn: lot.openedOn,
      expiresOn: lot.expiresOn,
      beads: beadsOf(),
      adhesive: adhesive.document,
    })
    .from(lot)
    .innerJoin(adhesive, itsAdhesive)
    .where(isNull(lot.emptiedOn))
    .orderBy(desc(lot.openedOn), asc(lot.id));
}
export type OpenBottle = Awaited<ReturnType<typeof openBottles>>[number];

/** What a bottle is called wherever it is named. */
const bottleName = ({ adhesive: { name }, lot }: { adhesive: Adhesive; lot: string }) => `${name}, lot ${lot}`;

/** Names of bottles by their ids. */
export const namesOf = (bottles: readonly { id: string; adhesive: Adhesive; lot: string }[]): Map<string, string> =>
  new Map(bottles.map((one) => [one.id, bottleName(one)]));

/** Bottles by their ids, emptied ones too. */
export async function bottlesOf(tx: StudioTransaction, ids: readonly string[]) {
  if (ids.length === 0) return [];
  return tx
    .select({ id: lot.id, adhesiveId: adhesive.id, lot: lot.number, openedOn: lot.openedOn, adhesive: adhesive.document })
    .from(lot)
    .innerJoin(adhesive, itsAdhesive)
    .where(inArray(lot.id, [...new Set(ids)]));
}
export type UsedBottle = Awaited<ReturnType<typeof bottlesOf>>[number];

/** The bottles that visits were worked from: a visit years ago still names its lot. */
export const usedBottles = (tx: StudioTransaction, states: readonly VisitState[]): Promise<UsedBottle[]> =>
  bottlesOf(
    tx,
    states.flatMap(({ set: { bottleId, beads } }) => [bottleId, ...beads.map((bead) => bead.bottleId)]).filter((id) => id !== null),
  );
