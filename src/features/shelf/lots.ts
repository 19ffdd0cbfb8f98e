import "server-only";
import { eq } from "drizzle-orm";
import { adhesive, batch, bottle, product } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";
import type { LotKind } from "./schema";

type OpenedLot = {
  readonly studioId: string;
  readonly id: string;
  readonly productId: string;
  readonly lot: string;
  readonly openedOn: string;
  readonly expiresOn: string | null;
};
type Kept = {
  /** Is there such a product? */
  readonly isKnown: (tx: StudioTransaction, productId: string) => Promise<boolean>;
  /** Twice with the same id opens one. */
  readonly open: (tx: StudioTransaction, lot: OpenedLot) => Promise<unknown>;
  /** On which day it was emptied, or null where it is not empty after all; false where there is no such lot. */
  readonly empty: (tx: StudioTransaction, id: string, on: string | null) => Promise<boolean>;
  /** What one is called. */
  readonly word: string;
};

/**
 * A product and its lots, whatever it is: what is glued with is kept beside what is tinted with, since its leaflet says other
 * things and its bottles are tested, but a lot of either is opened and emptied in one way.
 */
export const LOTS: Readonly<Record<LotKind, Kept>> = {
  bottle: {
    isKnown: async (tx, id) => (await tx.$count(adhesive, eq(adhesive.id, id))) > 0,
    open: (tx, { productId, ...lot }) =>
      tx
        .insert(bottle)
        .values({ ...lot, adhesiveId: productId })
        .onConflictDoNothing(),
    empty: async (tx, id, emptiedOn) => {
      const rows = await tx.update(bottle).set({ emptiedOn }).where(eq(bottle.id, id)).returning({ id: bottle.id });
      return rows.length > 0;
    },
    word: "bottle",
  },
  batch: {
    isKnown: async (tx, id) => (await tx.$count(product, eq(product.id, id))) > 0,
    open: (tx, lot) => tx.insert(batch).values(lot).onConflictDoNothing(),
    empty: async (tx, id, emptiedOn) => {
      const rows = await tx.update(batch).set({ emptiedOn }).where(eq(batch.id, id)).returning({ id: batch.id });
      return rows.length > 0;
    },
    word: "pack",
  },
};
