import "server-only";
import { desc, eq } from "drizzle-orm";
import type { Survey } from "@/core/eye";
import { survey } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

/** Newest survey of a client, or null. */
export async function newestSurvey(
  tx: StudioTransaction,
  clientId: string,
): Promise<{ id: string; document: Survey; createdAt: Date } | null> {
  const [row] = await tx
    .select({ id: survey.id, document: survey.document, createdAt: survey.createdAt })
    .from(survey)
    .where(eq(survey.clientId, clientId))
    .orderBy(desc(survey.createdAt))
    .limit(1);
  return row ?? null;
}
