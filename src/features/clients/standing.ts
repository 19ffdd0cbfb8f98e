import "server-only";
import { and, eq } from "drizzle-orm";
import { patchTestStanding, type PatchTestStanding } from "@/core/visit";
import { patchTest, policy } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

/** Where a client stands with the adhesive patch test on a day (ISO date), by the studio's policy. */
export async function standingOf(tx: StudioTransaction, clientId: string, today: string): Promise<PatchTestStanding> {
  const tests = await tx
    .select({ placedOn: patchTest.placedOn, result: patchTest.result })
    .from(patchTest)
    .where(and(eq(patchTest.clientId, clientId), eq(patchTest.family, "adhesive")));
  const [held] = await tx.select().from(policy);
  return patchTestStanding(tests, today, held!.document.patchTestMonths);
}
