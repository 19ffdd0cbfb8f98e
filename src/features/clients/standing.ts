import "server-only";
import { and, eq, inArray } from "drizzle-orm";
import type { PatchFamily } from "@/core/mixing";
import { gravest, patchTestStanding, type PatchTestStanding } from "@/core/visit";
import { patchTest, policy } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

/** Where a client stands, and with the test of which product family. */
export type FamilyStanding = PatchTestStanding & { readonly family: PatchFamily };

/** Where a client stands with the tests of some families on a day (ISO date), by the studio's policy. */
export async function standingsOf(
  tx: StudioTransaction,
  clientId: string,
  today: string,
  families: readonly PatchFamily[],
): Promise<FamilyStanding[]> {
  const tests = await tx
    .select({ family: patchTest.family, placedOn: patchTest.placedOn, result: patchTest.result })
    .from(patchTest)
    .where(and(eq(patchTest.clientId, clientId), inArray(patchTest.family, [...families])));
  const [held] = await tx.select().from(policy);
  return families.map((family) => ({
    ...patchTestStanding(
      tests.filter((test) => test.family === family),
      today,
      held!.document.patchTestMonths,
    ),
    family,
  }));
}

/** The gravest of them; null for no family at all. */
export async function standingWith(tx: StudioTransaction, clientId: string, today: string, families: readonly PatchFamily[]) {
  return families.length === 0 ? null : gravest(await standingsOf(tx, clientId, today, families));
}

/** Where a client stands with the adhesive patch test on a day. */
export async function standingOf(tx: StudioTransaction, clientId: string, today: string): Promise<FamilyStanding> {
  return (await standingWith(tx, clientId, today, ["adhesive"]))!;
}
