import "server-only";
import { and, desc, eq, isNull } from "drizzle-orm";
import { alias } from "drizzle-orm/pg-core";
import { beforeTheVisit, patchTestStanding, careFindings, wornAt } from "@/core/care";
import { PATCH_FAMILIES, PRODUCT_KINDS } from "@/core/mixing";
import { servicesFor, serviceOf } from "@/core/service";
import { adhesive, client, clientMerge, product } from "@/db/schema";
import { bookingOptions } from "@/features/booking/data";
import { namesOf, usedBottles } from "@/features/shelf/bottles";
import { likelyDoubles } from "@/features/person/doubles";
import { newestSurvey } from "@/features/survey/newestSurvey";
import { careFacts } from "@/features/visit/careFacts";
import { groundOf, mapsOf } from "@/features/visit/clientMaps";
import { comeBackTo } from "@/features/visit/comeBack";
import { visitsInFull } from "@/features/visit/data";
import { clientHazard } from "@/features/visit/clientHazard";
import { lastedSets } from "@/features/visit/lastedSets";
import { nextVisitWords } from "@/features/visit/nextVisit";
import { waterOf } from "@/features/visit/water";
import { inStudio, together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { studioPolicy } from "@/server/studioPolicy";

/** Sets whose lasting a client's page tells of. */
const SETS_SHOWN = 12;

const HALF_A_DAY_MS = 12 * 3_600_000;

/** Everything the client page shows, or null when the client is not in this studio. */
export function clientPage(me: Member, id: string, now: Date) {
  return inStudio(me, async (tx) => {
    const [person] = await tx.select().from(client).where(eq(client.id, id));
    if (!person) return null;
    const isSomebody = person.gone === null && !person.mannequin;
    const [visits, policy, facts, products, options, newest, maps, doubles, merges] = await together([
      visitsInFull(tx, { clientIds: [id], cancelled: true }),
      studioPolicy(tx),
      careFacts(tx, me.timeZone, now, { clientId: id, at: now }),
      testableProducts(tx),
      bookingOptions(tx, me, now),
      newestSurvey(tx, id),
      mapsOf(tx, [id]),
      isSomebody ? likelyDoubles(tx, person, id) : [],
      mergesInto(tx, id),
    ]);
    // The set put on last, as it was drawn: of the visits here, the last one begun with a map.
    const lastSet = visits.filter(({ state, map, mapId }) => state.head.startedAtMs !== null && map && mapId).at(-1);
    const [water, bottles, ground, lasted] = await together([
      waterOf(tx, visits.filter(({ cancelledAt }) => cancelledAt === null).slice(-1)),
      usedBottles(
        tx,
        visits.map(({ state }) => state),
      ),
      lastSet?.mapId ? groundOf(tx, lastSet.mapId) : Promise.resolve(null),
      person.mannequin ? [] : lastedSets(tx, me, [id], policy),
    ]);
    const own = lasted.map(({ facts: learned }) => learned);
    const known = await clientHazard(tx, me, own, policy);
    // What was agreed for this morning may still begin.
    const booked = visits.find(
      ({ startsAt, cancelledAt, state }) =>
        startsAt.getTime() > now.getTime() - HALF_A_DAY_MS && cancelledAt === null && state.head.startedAtMs === null,
    );
    const isOver = person.mannequin || person.archivedAt !== null;
    const back = isOver || booked ? null : await comeBackTo(tx, me, { clientId: id, technicianId: me.id, facts, known }, policy, now);
    // What they were tested for, and what they come for; adhesive for whoever comes for the first time.
    const wanted = visits.flatMap(({ service }) => serviceOf(service).families);
    const families = PATCH_FAMILIES.filter(
      (family) =>
        wanted.includes(family) || facts.tests.some((test) => test.family === family) || (family === "adhesive" && visits.length === 0),
    );
    return {
      person,
      doubles,
      merges,
      services: servicesFor(person.mannequin).map((service) => ({
        service,
        findings: beforeTheVisit(careFindings(service, facts, policy)),
      })),
      answers: facts.consultation,
      patchStandings: families.map((family) => ({
        family,
        standing: patchTestStanding(
          facts.tests.filter((test) => test.family === family),
          now.getTime(),
          policy.patchTestMonths,
        ),
      })),
      tests: facts.tests,
      liftings: facts.liftings,
      products,
      options,
      survey: newest,
      maps,
      visits,
      water,
      bottles: namesOf(bottles),
      policy,
      /** The last sets that a fill counted, the earliest first. */
      lasted: lasted.slice(-SETS_SHOWN),
      next: booked ? { id: booked.id, words: nextVisitWords(me.timeZone, booked) } : null,
      back,
      hazard: known.hazard,
      worn:
        lastSet?.map && ground
          ? {
              map: lastSet.map,
              ...ground,
              onAt: new Date(lastSet.state.head.startedAtMs!),
              /** By the record they are on today. */
              stillOn: wornAt(facts, now.getTime()) !== undefined,
            }
          : null,
    };
  });
}

/** Entries that were merged into a client's and can be taken apart again, the newest first. */
function mergesInto(tx: StudioTransaction, id: string) {
  const gone = alias(client, "gone");
  return tx
    .select({ id: clientMerge.id, name: gone.name, phone: gone.phone, email: gone.email, at: clientMerge.createdAt })
    .from(clientMerge)
    .innerJoin(gone, and(eq(gone.studioId, clientMerge.studioId), eq(gone.id, clientMerge.goneId)))
    .where(and(eq(clientMerge.keptId, id), isNull(clientMerge.undoneAt)))
    .orderBy(desc(clientMerge.createdAt));
}

/** Products that a patch test can be placed with, by family. */
async function testableProducts(tx: StudioTransaction) {
  const [glues, others] = await together([
    tx.select({ id: adhesive.id, document: adhesive.document }).from(adhesive),
    tx.select({ id: product.id, document: product.document }).from(product),
  ]);
  return [
    ...glues.map(({ id, document }) => ({ id, name: document.name, family: "adhesive" as const })),
    ...others.flatMap(({ id, document }) => {
      const { family } = PRODUCT_KINDS[document.kind];
      return family ? [{ id, name: document.name, family }] : [];
    }),
  ];
}
export type ClientPage = NonNullable<Awaited<ReturnType<typeof clientPage>>>;

/** A client's own words, to be changed; null where there is nobody of that id (any more). */
export function clientForm(me: Member, id: string) {
  return inStudio(
    me,
    async (tx) =>
      (
        await tx
          .select()
          .from(client)
          .where(and(eq(client.id, id), isNull(client.gone)))
      )[0] ?? null,
  );
}

/** Into whom an entry was merged; null where it is an entry of its own. */
export function mergedInto(me: Member, id: string): Promise<string | null> {
  return inStudio(me, async (tx) => {
    const [row] = await tx.select({ into: client.mergedInto }).from(client).where(eq(client.id, id));
    return row?.into ?? null;
  });
}
