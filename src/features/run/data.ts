import "server-only";
import { and, asc, eq, inArray } from "drizzle-orm";
import { isByProtocol } from "@/core/service";
import { batchesOf } from "@/core/processing";
import { incident, lot, member, product, studio, visit, visitOutcome } from "@/db/schema";
import { newestSurvey } from "@/features/survey/newestSurvey";
import { airOf, sensorsNow } from "@/features/readings/newestAir";
import { eventsOf, marksOf, visitsInFull, visitsWhere } from "@/features/visit/data";
import { inStudio, together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { todayIn } from "@/server/studioTime";
import { careOf } from "@/features/visit/care";
import { pastRuns } from "./pastRuns";
import { offeredProtocols } from "@/features/protocols/data";
import { stockedProducts, stockedShields } from "@/features/shelf/stock";
import { threadOfVisit } from "@/features/thread/threadOfVisit";
import { studioPolicy } from "@/server/studioPolicy";

/** Whether a visit is worked by a protocol rather than from a map, and whether it is over; null when it is not in this studio. */
export function visitKind(me: Member, visitId: string) {
  return inStudio(me, async (tx) => {
    const [row] = await tx
      .select({ service: visit.service, finishedAt: visitOutcome.finishedAt })
      .from(visit)
      .leftJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
      .where(eq(visit.id, visitId));
    return row ? { kind: isByProtocol(row.service) ? row.service : null, isFinished: row.finishedAt !== null } : null;
  });
}

/** Names and lots of batches that a record speaks of, emptied ones too. */
async function batchNames(tx: StudioTransaction, ids: readonly string[]): Promise<Record<string, string>> {
  if (ids.length === 0) return {};
  const rows = await tx
    .select({ id: lot.id, number: lot.number, document: product.document })
    .from(lot)
    .innerJoin(product, and(eq(product.studioId, lot.studioId), eq(product.id, lot.productId)))
    .where(inArray(lot.id, [...ids]));
  return Object.fromEntries(rows.map(({ id, number, document }) => [id, `${document.name}, lot ${number}`]));
}

/** One visit for the colour and lift workspace, or null when it is not one. */
export function colourVisit(me: Member, visitId: string, now: Date) {
  return inStudio(me, async (tx) => {
    const [row] = await visitsInFull(tx, { visitId });
    if (!row || !isByProtocol(row.service)) return null;
    const kind = row.service;
    const policy = await studioPolicy(tx);
    const [[house], sensors, events, past, care, marks, protocols, products, shields, newest, names, incidents, thread] = await together([
      tx.select({ name: studio.name }).from(studio),
      sensorsNow(tx, row.roomId),
      eventsOf(tx, me, visitId),
      pastRuns(tx, row.clientId, row.id),
      careOf(tx, me, row, now),
      marksOf(tx, row.id),
      offeredProtocols(tx, policy, kind),
      stockedProducts(tx, todayIn(me.timeZone, now)),
      stockedShields(tx),
      newestSurvey(tx, row.clientId),
      batchNames(tx, batchesOf(row.state.run)),
      tx
        .select({ id: incident.id, words: incident.words, putOff: incident.putOff, createdAt: incident.createdAt, by: member.name })
        .from(incident)
        .innerJoin(member, eq(member.id, incident.writtenBy))
        .where(eq(incident.visitId, row.id))
        .orderBy(asc(incident.createdAt)),
      threadOfVisit(tx, me, row, now),
    ]);
    return {
      visit: row,
      events,
      kind,
      studioName: house!.name,
      policy,
      past,
      care,
      marks,
      protocols,
      products,
      shields,
      survey: newest,
      air: airOf(sensors, now.getTime()),
      batchNames: names,
      incidents,
      thread,
    };
  });
}
export type ColourVisit = NonNullable<Awaited<ReturnType<typeof colourVisit>>>;

/** Protocols, products and shields of the studio, and the visits that run now, for the overview. */
export function colourOverview(me: Member, now: Date) {
  return inStudio(me, async (tx) => {
    const day = { from: new Date(now.getTime() - 18 * 3_600_000), to: new Date(now.getTime() + 18 * 3_600_000) };
    const [policy, rows, products, shields] = await together([
      studioPolicy(tx),
      visitsWhere(tx, { day }),
      stockedProducts(tx, todayIn(me.timeZone, now)),
      stockedShields(tx),
    ]);
    const open = rows.filter(({ service, finishedAt }) => isByProtocol(service) && finishedAt === null);
    const [protocols, ...visits] = await together([
      offeredProtocols(tx, policy),
      ...open.map(async (visit) => ({ ...visit, events: await eventsOf(tx, me, visit.id) })),
    ]);
    return { policy, protocols, products, shields, visits };
  });
}
