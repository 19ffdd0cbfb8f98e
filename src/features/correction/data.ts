import "server-only";
import { and, eq, inArray, sql } from "drizzle-orm";
import { isByMap } from "@/core/service";
import { bottlesNoted, readEvent, type Correction } from "@/core/visit";
import { keptEvents } from "@/db/outcomes/writeOutcomes";
import { adhesive, client, lashMap, lashMapRevision, lot, member } from "@/db/schema";
import { bottlesOf, itsAdhesive, namesOf } from "@/features/shelf/bottles";
import { mapsOf } from "@/features/visit/clientMaps";
import { visitsInFull } from "@/features/visit/data";
import { inStudio, together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { formatIn, timeIn, todayIn } from "@/server/studioTime";

/** A correction as it is read: what it put right, what stood before, why, who, when. */
export type CorrectionLine = {
  readonly id: string;
  readonly now: string;
  readonly before: string;
  readonly why: string;
  readonly by: string;
  readonly when: string;
};
/** What may be chosen to put a visit right by. */
export type CorrectionChoices = {
  readonly visitId: string;
  readonly clientName: string;
  /** How beads are noted as it stands; empty where nothing was placed. */
  readonly noted: readonly { readonly bottleId: string | null; readonly words: string }[];
  readonly bottles: readonly { readonly id: string; readonly name: string }[];
  /** Null where the service is not worked from a map. */
  readonly maps: readonly { readonly mapId: string; readonly revision: number; readonly words: string }[] | null;
  readonly wornMapId: string | null;
  readonly begun: { readonly day: string; readonly time: string };
  readonly finished: { readonly day: string; readonly time: string };
};

/** Bottles offered: those opened nearest to the visit. */
const BOTTLES = 60;

/** What was put right at a visit, as it is read, in the order it was done. */
export function correctionLines(me: Member, visitId: string): Promise<CorrectionLine[]> {
  return inStudio(me, async (tx) => {
    const corrections = (await keptEvents(tx, me.studioId, [visitId])).get(visitId)!.flatMap((event) => {
      const read = readEvent(event);
      return read?.type === "corrected" ? [{ ...read, memberId: event.memberId }] : [];
    });
    if (corrections.length === 0) return [];
    const names = await namesIn(
      tx,
      corrections.map(({ payload }) => payload),
      corrections.map(({ memberId }) => memberId),
    );
    const moment = (iso: string | null) => (iso === null ? "no time" : formatIn(me.timeZone, new Date(iso), "d MMM HH:mm"));
    return corrections.map(({ id, at, payload, memberId }) => ({
      id,
      ...wordsOf(payload, names, moment),
      why: payload.why,
      by: names.get(memberId) ?? "somebody who has left",
      when: formatIn(me.timeZone, new Date(at), "d MMM yyyy, HH:mm"),
    }));
  });
}

/** What a finished visit may be corrected by, as it stands; null where it is not finished, or not here. */
export function choicesFor(me: Member, visitId: string): Promise<CorrectionChoices | null> {
  return inStudio(me, async (tx) => {
    const [row] = await visitsInFull(tx, { visitId });
    if (!row || row.state.head.startedAtMs === null || row.state.head.finishedAtMs === null) return null;
    const day = todayIn(me.timeZone, new Date(row.state.head.startedAtMs));
    const isSet = isByMap(row.service);
    const noted = isSet ? bottlesNoted(row.state) : [];
    const [near, bottlesUsed, maps] = await together([
      bottlesNear(tx, day),
      bottlesOf(
        tx,
        noted.flatMap(({ bottleId }) => bottleId ?? []),
      ),
      isSet ? mapsOf(tx, [row.clientId]) : [],
    ]);
    const names = namesOf([...near, ...bottlesUsed]);
    const beads = (count: number) => `${count} ${count === 1 ? "bead" : "beads"}`;
    const wall = (ms: number) => ({ day: todayIn(me.timeZone, new Date(ms)), time: timeIn(me.timeZone, new Date(ms)) });
    return {
      visitId,
      clientName: row.clientName,
      noted: noted.map(({ bottleId, beads: count }) => ({
        bottleId,
        words: `${bottleId ? (names.get(bottleId) ?? "a bottle no longer known") : "no bottle noted"}, ${beads(count)}`,
      })),
      bottles: near.map(({ id }) => ({ id, name: names.get(id)! })),
      maps: isSet ? maps.map(({ id, revision, map }) => ({ mapId: id, revision, words: `${map.title}, save ${revision}` })) : null,
      wornMapId: row.mapId,
      begun: wall(row.state.head.startedAtMs),
      finished: wall(row.state.head.finishedAtMs),
    };
  });
}

const bottlesNear = (tx: StudioTransaction, day: string) =>
  tx
    .select({ id: lot.id, lot: lot.number, adhesive: adhesive.document })
    .from(lot)
    .innerJoin(adhesive, itsAdhesive)
    .orderBy(sql`abs(${lot.openedOn} - ${day}::date)`, lot.id)
    .limit(BOTTLES);

/** Names of all that corrections speak of: bottles, clients, maps (by map and save), members. */
async function namesIn(
  tx: StudioTransaction,
  corrections: readonly Correction[],
  memberIds: readonly string[],
): Promise<Map<string, string>> {
  const corrected = corrections.flatMap((one) => (one.what === "bottle" ? [one.bottleId, ...(one.instead ? [one.instead] : [])] : []));
  const clientsOf = corrections.flatMap((one) => (one.what === "client" ? [one.clientId, one.instead] : []));
  const mapsIn = corrections.flatMap((one) => (one.what === "map" ? [one.map, one.instead].flatMap((map) => map?.mapId ?? []) : []));
  const [bottles, clients, maps, members] = await together([
    bottlesOf(tx, corrected),
    tx.select({ id: client.id, name: client.name }).from(client).where(inArray(client.id, clientsOf)),
    tx
      .select({ id: lashMap.id, revision: lashMapRevision.revision, document: lashMapRevision.document })
      .from(lashMap)
      .innerJoin(lashMapRevision, and(eq(lashMapRevision.studioId, lashMap.studioId), eq(lashMapRevision.mapId, lashMap.id)))
      .where(inArray(lashMap.id, mapsIn)),
    tx
      .select({ id: member.id, name: member.name })
      .from(member)
      .where(inArray(member.id, [...memberIds])),
  ]);
  return new Map([
    ...namesOf(bottles),
    ...clients.map(({ id, name }) => [id, name] as const),
    ...maps.map(({ id, revision, document }) => [`${id} ${revision}`, `${document.title}, save ${revision}`] as const),
    ...members.map(({ id, name }) => [id, name] as const),
  ]);
}

function wordsOf(
  correction: Correction,
  names: ReadonlyMap<string, string>,
  moment: (iso: string | null) => string,
): { readonly now: string; readonly before: string } {
  const named = (id: string) => names.get(id) ?? "no longer known";
  if (correction.what === "bottle")
    return { now: `Bottle: ${named(correction.bottleId)}`, before: correction.instead ? named(correction.instead) : "none noted" };
  if (correction.what === "client") return { now: `Client: ${named(correction.clientId)}`, before: named(correction.instead) };
  if (correction.what === "map") {
    const map = (one: typeof correction.map) => (one ? named(`${one.mapId} ${one.revision}`) : "none");
    return { now: `Map: ${map(correction.map)}`, before: map(correction.instead) };
  }
  return { now: `${correction.what === "begun" ? "Began" : "Ended"} ${moment(correction.at)}`, before: moment(correction.instead) };
}
