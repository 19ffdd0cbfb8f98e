import "server-only";
import { and, desc, eq, inArray, isNull, or, sql } from "drizzle-orm";
import { lot, product } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

type Named = { readonly id: string; readonly name: string };

/** Primers and disinfectants that are open, newest first, and the names of some lots, emptied ones too. */
export async function lotNames(tx: StudioTransaction, ids: readonly string[]) {
  const kind = sql<string>`${product.document} ->> 'kind'`;
  const rows = await tx
    .select({ id: lot.id, number: lot.number, emptiedOn: lot.emptiedOn, document: product.document })
    .from(lot)
    .innerJoin(product, and(eq(product.studioId, lot.studioId), eq(product.id, lot.productId)))
    .where(
      or(and(isNull(lot.emptiedOn), inArray(kind, ["primer", "disinfectant"])), ids.length > 0 ? inArray(lot.id, [...ids]) : undefined),
    )
    .orderBy(desc(lot.openedOn), lot.id);
  const named = rows.map(({ id, number, emptiedOn, document }) => ({
    id,
    name: `${document.name}, lot ${number}`,
    kind: document.kind,
    isOpen: emptiedOn === null,
  }));
  const open = (wanted: string): Named[] =>
    named.flatMap(({ id, name, kind: its, isOpen }) => (isOpen && its === wanted ? [{ id, name }] : []));
  return {
    primers: open("primer"),
    disinfectants: open("disinfectant"),
    spokenOf: Object.fromEntries(named.map(({ id, name }) => [id, name])),
  };
}
