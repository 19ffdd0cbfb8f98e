import "server-only";
import { and, asc, isNotNull, isNull } from "drizzle-orm";
import type { Shield } from "@/core/lift";
import { productAge } from "@/core/care";
import { PRODUCT_KINDS, type Product } from "@/core/mixing";
import { lot as lots, product, shield } from "@/db/schema";
import { together, type StudioTransaction } from "@/server/inStudio";

export type StockedProduct = {
  readonly id: string;
  readonly document: Product;
  /** Counts up with every save; a save names the one it was made from. */
  readonly revision: number;
  /** In use, oldest first; `past` says what is past of one, and that it is not used, or asked about. */
  readonly batches: readonly {
    readonly id: string;
    readonly lot: string;
    readonly openedOn: string;
    readonly expiresOn: string | null;
    readonly past: { readonly weight: "stop" | "ask"; readonly words: string } | null;
  }[];
};
export type StockedShield = { readonly id: string; readonly document: Shield };

export async function stockedProducts(tx: StudioTransaction, today: string): Promise<StockedProduct[]> {
  const [products, batches] = await together([
    tx.select().from(product).orderBy(asc(product.createdAt), asc(product.id)),
    tx
      .select()
      .from(lots)
      .where(and(isNotNull(lots.productId), isNull(lots.emptiedOn)))
      .orderBy(asc(lots.openedOn)),
  ]);
  return products.map(({ id, document, revision }) => ({
    id,
    document,
    revision,
    batches: batches
      .filter(({ productId }) => productId === id)
      .map(({ id: batchId, number: lot, openedOn, expiresOn }) => {
        const { family } = PRODUCT_KINDS[document.kind];
        const { lifeAfterOpeningDays } = document;
        const { weight, words } = productAge({ name: `Lot ${lot}`, family, openedOn, lifeAfterOpeningDays, expiresOn }, today);
        return { id: batchId, lot, openedOn, expiresOn, past: weight && words ? { weight, words } : null };
      }),
  }));
}

export async function stockedShields(tx: StudioTransaction): Promise<StockedShield[]> {
  const rows = await tx.select().from(shield);
  return rows.map(({ id, document }) => ({ id, document })).sort((a, b) => a.document.radiusMm - b.document.radiusMm);
}
