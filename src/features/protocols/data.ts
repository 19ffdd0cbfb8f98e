import "server-only";
import { asc, eq } from "drizzle-orm";
import { z } from "zod";
import { shippedProtocols, type Protocol, type Schools } from "@/core/protocol";
import { isByProtocol, PROTOCOL_SERVICES, SERVICES, type ServiceKind } from "@/core/service";
import { protocol } from "@/db/schema";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { studioPolicy } from "@/server/studioPolicy";

/** A protocol to work by; `id` null for a generic one. */
export type OfferedProtocol = { readonly id: string | null; readonly revision: number; readonly document: Protocol };

/** The studio's own protocols, newest first, then the generic ones by the studio's schools. */
export async function offeredProtocols(tx: StudioTransaction, schools: Schools, kind?: ServiceKind): Promise<OfferedProtocol[]> {
  const ofStudio = await tx.select().from(protocol).where(eq(protocol.putAway, false)).orderBy(asc(protocol.createdAt));
  const kinds = kind ? [kind] : PROTOCOL_SERVICES;
  return [
    ...ofStudio
      .filter(({ document }) => kinds.includes(document.service))
      .map(({ id, revision, document }) => ({ id, revision, document })),
    ...kinds.map((one) => ({ id: null, revision: 1, document: shippedProtocols[one](schools) })),
  ];
}

/** A protocol to read or edit: the studio's own by its id, a generic one by its service; "read" begins one from a file. */
export function protocolPage(me: Member, key: string) {
  return inStudio(me, async (tx) => {
    const policy = await studioPolicy(tx);
    if (z.uuid().safeParse(key).success) {
      const [row] = await tx.select().from(protocol).where(eq(protocol.id, key));
      return row ? { id: row.id, revision: row.revision, document: row.document } : null;
    }
    const service = key === "read" ? "lift" : key;
    if (!Object.hasOwn(SERVICES, service) || !isByProtocol(service as ServiceKind)) return null;
    return { id: null, revision: 1, document: shippedProtocols[service as ServiceKind](policy) };
  });
}
