import "server-only";
import { and, desc, eq } from "drizzle-orm";
import { pastService, type ClientStanding, type PastService } from "@/core/care";
import type { PastRun } from "@/core/processing";
import type { ServiceKind } from "@/core/protocol";
import { client, consent, consultation, patchTest } from "@/db/schema";
import { visitsWhere, type VisitRow } from "@/features/visit/data";
import type { StudioTransaction } from "@/server/inStudio";
import { KIND_OF } from "./services";

/** Older runs say little of hair that has grown out since. */
const MOST_RUNS = 24;

/** What a client's visits before one say: services for spacing, runs for learning, newest last. */
export async function clientPast(
  tx: StudioTransaction,
  clientId: string,
  exceptVisitId: string | null,
): Promise<{ services: PastService[]; runs: PastRun[] }> {
  const visits = (await visitsWhere(tx, { clientId })).filter(({ id }) => id !== exceptVisitId);
  return {
    services: visits.flatMap(({ service, state }) => pastService(kindOf(service), state) ?? []),
    runs: visits
      .flatMap(({ id, state }) =>
        state.finishedAtMs !== null && state.run.coats.length > 0 ? [{ visitId: id, endedAtMs: state.finishedAtMs, run: state.run }] : [],
      )
      .slice(-MOST_RUNS),
  };
}

/** What is known of a client that decides whether a service may go ahead. */
export async function clientStanding(
  tx: StudioTransaction,
  clientId: string,
  kind: ServiceKind,
  past: readonly PastService[],
): Promise<ClientStanding> {
  const [person] = await tx.select({ bornOn: client.bornOn }).from(client).where(eq(client.id, clientId));
  const tests = await tx
    .select({ family: patchTest.family, placedOn: patchTest.placedOn, result: patchTest.result })
    .from(patchTest)
    .where(eq(patchTest.clientId, clientId));
  const [asked] = await tx
    .select({ document: consultation.document })
    .from(consultation)
    .where(eq(consultation.clientId, clientId))
    .orderBy(desc(consultation.createdAt))
    .limit(1);
  const [signed] = await tx
    .select({ signedOn: consent.signedOn })
    .from(consent)
    .where(and(eq(consent.clientId, clientId), eq(consent.service, kind)))
    .orderBy(desc(consent.createdAt))
    .limit(1);
  return { bornOn: person?.bornOn ?? null, tests, consultation: asked?.document ?? null, consentOn: signed?.signedOn ?? null, past };
}

export const kindOf = (service: VisitRow["service"]): ServiceKind | null => KIND_OF[service] ?? null;
