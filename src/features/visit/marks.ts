import "server-only";
import type { CareFinding } from "@/core/care";
import { visitMark } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";

/** Marks what stood against an act that happened all the same. Twice does nothing. */
export async function markVisit(
  tx: StudioTransaction,
  me: Pick<Member, "studioId">,
  { visitId, clientId, eventId }: { readonly visitId: string; readonly clientId: string; readonly eventId: string },
  findings: readonly Pick<CareFinding, "key" | "weight" | "words">[],
): Promise<void> {
  if (findings.length === 0) return;
  await tx
    .insert(visitMark)
    .values(
      findings.map(({ key, weight, words }) => ({
        studioId: me.studioId,
        visitId,
        clientId,
        key,
        weight: weight === "stop" ? ("stop" as const) : ("ask" as const),
        words,
        eventId,
      })),
    )
    .onConflictDoNothing();
}
