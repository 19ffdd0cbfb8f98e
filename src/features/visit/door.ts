import "server-only";
import { and, eq, inArray } from "drizzle-orm";
import type { Adhesive } from "@/core/adhesive";
import { asksOf, isCovered, careFindings, stopsOf, type CareFinding, type UsedProduct } from "@/core/care";
import { PRODUCT_KINDS, type Product } from "@/core/mixing";
import type { ServiceId } from "@/core/service";
import { adhesive, lot, product, visit } from "@/db/schema";
import { Refusal } from "@/server/action";
import type { StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { careFacts } from "./careFacts";
import { studioPolicy } from "@/server/studioPolicy";

/** What stands against a service for a client at a moment: the one question that every way into a visit asks. */
export async function standingFor(
  tx: StudioTransaction,
  me: Pick<Member, "timeZone">,
  now: Date,
  wanted: {
    readonly service: ServiceId;
    readonly clientId: string;
    readonly at?: Date;
    readonly visitId?: string | null;
    readonly products?: readonly UsedProduct[];
  },
): Promise<CareFinding[]> {
  const policy = await studioPolicy(tx);
  const facts = await careFacts(tx, me.timeZone, now, { ...wanted, at: wanted.at ?? now });
  return careFindings(wanted.service, facts, policy);
}

/** Lets nobody in against a stop, and against a question only with a reason; returns the questions that the reason passes. */
export function passOrRefuse(findings: readonly CareFinding[], reason: string, keys: readonly string[] = []): CareFinding[] {
  refuseStops(findings);
  const asks = asksOf(findings);
  if (asks.length > 0 && !isCovered(findings, reason, keys.length > 0 ? keys : asks.map(({ key }) => key)))
    throw new Refusal(`To be asked first: ${asks.map(({ words }) => words).join(" ")} Write why it goes ahead.`, {
      reason: "A reason is needed.",
    });
  return asks;
}

/** The first stop in words, for booking and moving too: what is asked is asked on the day. */
export function refuseStops(findings: readonly CareFinding[]): void {
  const [stop] = stopsOf(findings);
  if (stop) throw new Refusal(stop.words, { standing: stop.words });
}

/** Writes down why a visit goes ahead, and for what that was written. */
export async function keepReason(
  tx: StudioTransaction,
  visitId: string,
  reason: string,
  asks: readonly Pick<CareFinding, "key">[],
): Promise<void> {
  if (asks.length > 0)
    await tx
      .update(visit)
      .set({ askReason: reason.trim(), askKeys: asks.map(({ key }) => key) })
      .where(eq(visit.id, visitId));
}

/** Lots of adhesive, lotion, colour, lightener as products that care judges. */
export async function lotsAsProducts(tx: StudioTransaction, lotIds: readonly string[]): Promise<UsedProduct[]> {
  if (lotIds.length === 0) return [];
  const rows = await tx
    .select({ number: lot.number, openedOn: lot.openedOn, expiresOn: lot.expiresOn, adhesive, product })
    .from(lot)
    .leftJoin(adhesive, and(eq(adhesive.studioId, lot.studioId), eq(adhesive.id, lot.adhesiveId)))
    .leftJoin(product, and(eq(product.studioId, lot.studioId), eq(product.id, lot.productId)))
    .where(inArray(lot.id, [...lotIds]));
  return rows.map(({ number, openedOn, expiresOn, adhesive: glue, product: other }) => {
    const used = glue ? adhesiveAsProduct(glue.id, glue.document) : asProduct(other!.id, other!.document);
    return { ...used, name: `${used.name}, lot ${number}`, openedOn, expiresOn };
  });
}

/** Products as they are planned, before a batch is taken. */
export async function plannedProducts(tx: StudioTransaction, productIds: readonly string[]): Promise<UsedProduct[]> {
  if (productIds.length === 0) return [];
  const rows = await tx
    .select()
    .from(product)
    .where(inArray(product.id, [...new Set(productIds)]));
  return rows.map(({ id, document }) => asProduct(id, document));
}

const asProduct = (productId: string, document: Product): UsedProduct => ({
  productId,
  name: document.name,
  family: PRODUCT_KINDS[document.kind].family,
  isPowder: document.consistency === "powder",
  openedOn: null,
  lifeAfterOpeningDays: document.lifeAfterOpeningDays,
  expiresOn: null,
});

const adhesiveAsProduct = (productId: string, { name, lifeAfterOpeningDays }: Adhesive): UsedProduct => ({
  productId,
  name,
  family: "adhesive",
  isPowder: false,
  openedOn: null,
  lifeAfterOpeningDays,
  expiresOn: null,
});
