import "server-only";
import { asc, eq, isNull } from "drizzle-orm";
import type { Shield } from "@/core/lift";
import type { Product } from "@/core/mixing";
import { shippedProtocols, SERVICE_KINDS, type Protocol, type Schools, type ServiceKind } from "@/core/protocol";
import { batch, product, protocol, shield } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

export type StockedProduct = {
  readonly id: string;
  readonly document: Product;
  /** In use, oldest first. */
  readonly batches: readonly { readonly id: string; readonly lot: string; readonly openedOn: string }[];
};
export type StockedShield = { readonly id: string; readonly document: Shield };
/** A protocol to work by; `id` null for a generic one. */
export type OfferedProtocol = { readonly id: string | null; readonly revision: number; readonly document: Protocol };

export async function stockedProducts(tx: StudioTransaction): Promise<StockedProduct[]> {
  const products = await tx.select().from(product).orderBy(asc(product.createdAt), asc(product.id));
  const batches = await tx.select().from(batch).where(isNull(batch.emptiedOn)).orderBy(asc(batch.openedOn));
  return products.map(({ id, document }) => ({
    id,
    document,
    batches: batches.filter(({ productId }) => productId === id).map(({ id: batchId, lot, openedOn }) => ({ id: batchId, lot, openedOn })),
  }));
}

export async function stockedShields(tx: StudioTransaction): Promise<StockedShield[]> {
  const rows = await tx.select().from(shield);
  return rows.map(({ id, document }) => ({ id, document })).sort((a, b) => a.document.radiusMm - b.document.radiusMm);
}

/** The studio's own protocols, newest first, then the generic ones by the studio's schools. */
export async function offeredProtocols(tx: StudioTransaction, schools: Schools, kind?: ServiceKind): Promise<OfferedProtocol[]> {
  const own = await tx.select().from(protocol).where(eq(protocol.putAway, false)).orderBy(asc(protocol.createdAt));
  const kinds = kind ? [kind] : (Object.keys(SERVICE_KINDS) as ServiceKind[]);
  return [
    ...own.filter(({ document }) => kinds.includes(document.service)).map(({ id, revision, document }) => ({ id, revision, document })),
    ...kinds.map((one) => ({ id: null, revision: 1, document: shippedProtocols[one](schools) })),
  ];
}
