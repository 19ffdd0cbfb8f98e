import "server-only";
import { and, eq } from "drizzle-orm";
import { asksOf, stopsOf } from "@/core/care";
import { isByMap, servicesFor } from "@/core/service";
import { correctionObjection, type Correction } from "@/core/visit";
import { lashMap, lashMapRevision, visit, visitEvent } from "@/db/schema";
import { isBottle } from "@/features/shelf/bottles";
import { clientBehind, NO_CLIENT } from "@/features/person/knownClient";
import { appendEvents, happensNow, lockVisits } from "@/features/visit/appendEvents";
import { visitsInFull, type FullVisit } from "@/features/visit/data";
import { standingFor } from "@/features/visit/door";
import { markVisit } from "@/features/visit/marks";
import { Refusal } from "@/server/action";
import type { StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";

/** What a correction says without what stood before: that is read here, so that nobody's old page says it. */
export type CorrectionWish =
  | { readonly what: "bottle"; readonly bottleId: string; readonly instead: string | null; readonly why: string }
  | { readonly what: "begun" | "finished"; readonly at: Date; readonly why: string }
  | { readonly what: "map"; readonly map: { readonly mapId: string; readonly revision: number } | null; readonly why: string }
  | { readonly what: "client"; readonly clientId: string; readonly why: string };

/** Puts a kept visit right: adds what is so now, what stood before and why; what was counted from it follows. Twice does nothing. */
export async function correctVisit(
  tx: StudioTransaction,
  me: Member,
  now: Date,
  { visitId, eventId, wish }: { readonly visitId: string; readonly eventId: string; readonly wish: CorrectionWish },
): Promise<void> {
  if (!(await lockVisits(tx, [visitId])).has(visitId)) throw new Refusal("This visit is not in the studio (any more).");
  const [again] = await tx.select({ id: visitEvent.id }).from(visitEvent).where(eq(visitEvent.id, eventId));
  if (again) return;
  const [row] = await visitsInFull(tx, { visitId });
  const correction = whole(row!, wish);
  const objection = correctionObjection(row!.state, correction, now.getTime());
  if (objection) throw new Refusal(objection, { [fieldOf(correction)]: objection });
  await mustExist(tx, row!, correction);
  if (correction.what === "map")
    await tx
      .update(visit)
      .set({ mapId: correction.map?.mapId ?? null, mapRevision: correction.map?.revision ?? null })
      .where(eq(visit.id, visitId));
  if (correction.what === "client") await tx.update(visit).set({ clientId: correction.clientId }).where(eq(visit.id, visitId));
  await appendEvents(tx, me, [happensNow(visitId, eventId, now, "corrected", correction)]);
  if (correction.what === "client") await givenToAnother(tx, me, now, row!, correction, eventId);
}

function whole(row: FullVisit, wish: CorrectionWish): Correction {
  const { startedAtMs, finishedAtMs } = row.state.head;
  const iso = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString());
  if (wish.what === "bottle") return wish;
  if (wish.what === "client") return { ...wish, instead: row.clientId };
  if (wish.what === "map") {
    const stood = row.mapId && row.mapRevision ? { mapId: row.mapId, revision: row.mapRevision } : null;
    return { ...wish, instead: stood };
  }
  return { ...wish, at: wish.at.toISOString(), instead: iso(wish.what === "begun" ? startedAtMs : finishedAtMs) };
}

const fieldOf = ({ what }: Correction) => ({ bottle: "bottleId", begun: "time", finished: "time", map: "map", client: "clientId" })[what];

async function mustExist(tx: StudioTransaction, row: FullVisit, correction: Correction): Promise<void> {
  if (correction.what === "bottle") {
    if (!(await isBottle(tx, correction.bottleId)))
      throw new Refusal("This bottle is not on the shelf's record.", { bottleId: "Choose a bottle." });
  }
  if (correction.what === "client") {
    const right = await clientBehind(tx, correction.clientId);
    if (right?.id !== correction.clientId) throw new Refusal(NO_CLIENT, { clientId: "Choose a client." });
    // Practice happened on a mannequin head, a service on a client: a slip of the list does not make one the other.
    if (!servicesFor(right.mannequin).includes(row.service))
      throw new Refusal(right.mannequin ? "That is a mannequin head; this was done on a client." : "That is a client; this was practice.", {
        clientId: "Choose another.",
      });
  }
  if (correction.what !== "map" || correction.map === null) return;
  if (!isByMap(row.service)) throw new Refusal("This service is not worked from a map.");
  const { mapId, revision } = correction.map;
  const [knownMap] = await tx
    .select({ id: lashMap.id })
    .from(lashMapRevision)
    .innerJoin(lashMap, and(eq(lashMap.studioId, lashMapRevision.studioId), eq(lashMap.id, lashMapRevision.mapId)))
    .where(and(eq(lashMap.id, mapId), eq(lashMapRevision.revision, revision), eq(lashMap.clientId, row.clientId)));
  if (!knownMap) throw new Refusal("This map is not one of this client's.", { map: "Choose one of the client's maps." });
}

/**
 * It was another client all along: a map of the first is not theirs, and goes from the visit; what it was stays readable in a
 * correction of its own. What would have stopped it for the one it really was, or been asked first, is marked, as for any act that has happened.
 */
async function givenToAnother(
  tx: StudioTransaction,
  me: Member,
  now: Date,
  row: FullVisit,
  correction: Extract<Correction, { what: "client" }>,
  eventId: string,
): Promise<void> {
  if (row.mapId && row.mapRevision) {
    await tx.update(visit).set({ mapId: null, mapRevision: null }).where(eq(visit.id, row.id));
    const instead = { mapId: row.mapId, revision: row.mapRevision };
    const why = "It was drawn for the client it was first noted for.";
    await appendEvents(tx, me, [happensNow(row.id, crypto.randomUUID(), now, "corrected", { what: "map", map: null, instead, why })]);
  }
  const at = new Date(row.state.head.startedAtMs!);
  const findings = await standingFor(tx, me, now, { service: row.service, clientId: correction.clientId, at, visitId: row.id });
  await markVisit(tx, me, { visitId: row.id, clientId: correction.clientId, eventId }, [...stopsOf(findings), ...asksOf(findings)]);
}
