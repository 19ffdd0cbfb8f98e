import "server-only";
import { and, desc, eq, lte } from "drizzle-orm";
import { shippedChecklist, type Checklist } from "@/core/checklist";
import { SERVICE_IDS, type ServiceId } from "@/core/service";
import { checklist } from "@/db/schema";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { studioPolicy } from "@/server/studioPolicy";

/** The steps of a service; `revision` 0 where the studio has saved none of its own. */
export type KnownChecklist = { readonly revision: number; readonly document: Checklist };

/** The checklist of a service as it stood at a moment: the studio's own, or the shipped one by its schools. */
export async function checklistAt(tx: StudioTransaction, service: ServiceId, at: Date): Promise<KnownChecklist> {
  const [own] = await tx
    .select({ revision: checklist.revision, document: checklist.document })
    .from(checklist)
    .where(and(eq(checklist.service, service), lte(checklist.savedAt, at)))
    .orderBy(desc(checklist.revision))
    .limit(1);
  return own ?? { revision: 0, document: shippedChecklist(service, await studioPolicy(tx)) };
}

/** A service's steps to read or change; null where there is no such service. */
export function checklistPage(me: Member, service: string) {
  const known = SERVICE_IDS.find((id) => id === service);
  return inStudio(me, async (tx) => {
    if (!known) return null;
    const { revision, document } = await checklistAt(tx, known, new Date());
    return { revision, document, shipped: shippedChecklist(known, await studioPolicy(tx)) };
  });
}
