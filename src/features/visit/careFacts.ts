import "server-only";
import { group } from "d3";
import { and, asc, desc, eq, gte, inArray, sql, type SQL } from "drizzle-orm";
import type { CareFacts, Consultation, PastService, PatchTest, UsedProduct } from "@/core/care";
import { ALLERGY_IDS } from "@/core/care";
import { serviceOf } from "@/core/service";
import { pastService } from "@/core/visit";
import { client, consent, consultation, patchReading, patchTest, reactionLifting } from "@/db/schema";
import { together, type StudioTransaction } from "@/server/inStudio";
import { dayIn, todayIn } from "@/server/studioTime";
import { servicesOf, type VisitService } from "./data";

/** Whose facts, for when, and with which products. */
export type FactsWanted = {
  readonly clientId: string;
  /** When the service begins. */
  readonly at: Date;
  /** The visit it is asked for: what happens at it is not its past. */
  readonly visitId?: string | null;
  readonly products?: readonly UsedProduct[];
};

/** What care judges by, with what is shown of it besides. */
type ReadFacts = Omit<CareFacts, "tests"> & { readonly tests: readonly KeptPatchTest[] };

/**
 * What care judges by, in one read for all who are asked about. Everything that decides whether a service may go ahead comes
 * from here, whichever way in was taken.
 */
export async function careFactsOf(
  tx: StudioTransaction,
  timeZone: string,
  now: Date,
  wanted: readonly FactsWanted[],
): Promise<ReadFacts[]> {
  const ids = [...new Set(wanted.map(({ clientId }) => clientId))];
  if (ids.length === 0) return [];
  const [people, tests, asked, signed, visits, liftings] = await together([
    tx.select({ id: client.id, bornOn: client.bornOn, mannequin: client.mannequin }).from(client).where(inArray(client.id, ids)),
    patchTestsOf(tx, ids),
    tx
      .select({
        clientId: consultation.clientId,
        document: consultation.document,
        service: consultation.service,
        confirms: consultation.confirms,
        createdAt: consultation.createdAt,
      })
      .from(consultation)
      .where(inArray(consultation.clientId, ids))
      .orderBy(asc(consultation.createdAt)),
    tx
      .select({
        clientId: consent.clientId,
        service: consent.service,
        words: consent.words,
        signedBy: consent.signedBy,
        createdAt: consent.createdAt,
      })
      .from(consent)
      .where(inArray(consent.clientId, ids)),
    servicesOf(tx, ids),
    tx.select().from(reactionLifting),
  ]);
  return wanted.map(({ clientId, at, visitId = null, products = [] }) => {
    const today = todayIn(timeZone, at);
    const consultations = asked.filter((one) => one.clientId === clientId);
    const newest = consultations.at(-1);
    const whole = consultations.filter(({ confirms }) => confirms === null);
    const person = people.find(({ id }) => id === clientId);
    const ownTests = tests.filter((test) => test.clientId === clientId);
    return {
      nowMs: now.getTime(),
      atMs: at.getTime(),
      today,
      dayStartMs: dayIn(timeZone, today).from.getTime(),
      mannequin: person?.mannequin ?? false,
      bornOn: person?.bornOn ?? null,
      tests: ownTests,
      liftings: liftings
        .filter(({ readingId }) => ownTests.some(({ readings }) => readings.some(({ id }) => id === readingId)))
        .map(({ readingId, productId, finding, createdAt }) => ({ readingId, productId, finding, atMs: createdAt.getTime() })),
      allergies: ALLERGY_IDS.filter((id) => consultations.some(({ document }) => document.allergies.includes(id))),
      consultation: newest
        ? {
            document: newest.document,
            wholeAtMs: whole.at(-1)?.createdAt.getTime() ?? newest.createdAt.getTime(),
            confirmedAtMs: newest.createdAt.getTime(),
            // One of before services were noted covers none: its questions were others.
            kinds: whole.flatMap(({ service }) => (service ? (serviceOf(service).consultation ?? []) : [])),
          }
        : null,
      extensionsSeen: seenOf(consultations),
      consents: signed
        .filter((one) => one.clientId === clientId)
        .map(({ service, words, signedBy, createdAt }) => ({ service, words, signedBy, signedAtMs: createdAt.getTime() })),
      past: [
        ...visits.filter((row) => row.clientId === clientId && row.id !== visitId).flatMap((row) => pastOf(row, now)),
        ...elsewhereOf(newest?.document ?? null),
      ],
      products,
    };
  });
}

/** What tells what some clients wear and had done since a day: of all of them at once, without what they may not have. */
export async function wornFactsOf(
  tx: StudioTransaction,
  now: Date,
  clientIds: readonly string[],
  since: Date,
): Promise<Map<string, Pick<CareFacts, "past" | "extensionsSeen">>> {
  if (clientIds.length === 0) return new Map();
  const newest = (where?: SQL) =>
    tx
      .selectDistinctOn([consultation.clientId], {
        clientId: consultation.clientId,
        document: consultation.document,
        createdAt: consultation.createdAt,
      })
      .from(consultation)
      .where(and(inArray(consultation.clientId, [...clientIds]), gte(consultation.createdAt, since), where))
      .orderBy(consultation.clientId, desc(consultation.createdAt));
  const [visits, asked, looked] = await together([
    servicesOf(tx, clientIds, since),
    newest(),
    newest(sql`${consultation.document}->>'extensionsOn' is not null`),
  ]);
  const [of, answers, looks] = [
    group(visits, ({ clientId }) => clientId),
    new Map(asked.map((one) => [one.clientId, one.document])),
    group(looked, ({ clientId }) => clientId),
  ];
  return new Map(
    clientIds.map((clientId) => [
      clientId,
      {
        past: [...(of.get(clientId) ?? []).flatMap((row) => pastOf(row, now)), ...elsewhereOf(answers.get(clientId) ?? null)],
        extensionsSeen: seenOf(looks.get(clientId) ?? []),
      },
    ]),
  );
}

/** The newest look at whether extensions are on. */
function seenOf(asked: readonly { readonly document: Consultation; readonly createdAt: Date }[]): CareFacts["extensionsSeen"] {
  const last = asked.findLast(({ document }) => document.extensionsOn !== null);
  return last ? { on: last.document.extensionsOn!, atMs: last.createdAt.getTime() } : null;
}

/** One client's facts. */
export async function careFacts(tx: StudioTransaction, timeZone: string, now: Date, wanted: FactsWanted): Promise<ReadFacts> {
  const [facts] = await careFactsOf(tx, timeZone, now, [wanted]);
  return facts!;
}

/** What was done at a visit; or, where it is still to come, what will have been. */
function pastOf({ service, putOnAt, stopped, finishedAt, startsAt, minutes }: VisitService, now: Date): PastService[] {
  const done = pastService(service, { putOnAtMs: putOnAt?.getTime() ?? null, stopped });
  if (done) return [done];
  const endsMs = startsAt.getTime() + minutes * 60_000;
  const { label, counts } = serviceOf(service);
  return finishedAt === null && endsMs > now.getTime()
    ? [{ label, treated: counts, atMs: endsMs, fromMs: startsAt.getTime(), stopped: null, known: "agreed" }]
    : [];
}

/** What the client says was done elsewhere, where the day is known. */
const elsewhereOf = (document: Consultation | null): PastService[] =>
  (document?.elsewhere ?? []).flatMap(({ treatment, part, on }) =>
    on === null
      ? []
      : [
          {
            label: `${treatment} elsewhere`,
            treated: [{ treatment, part }],
            atMs: Date.parse(`${on}T12:00:00Z`),
            stopped: null,
            known: "elsewhere",
          },
        ],
  );

export type KeptPatchTest = Omit<PatchTest, "readings"> & {
  readonly clientId: string;
  readonly hourKnown: boolean;
  readonly readings: readonly (PatchTest["readings"][number] & { readonly hourKnown: boolean })[];
};

/** Every test of some clients with what was read of it, oldest first. */
export async function patchTestsOf(tx: StudioTransaction, clientIds: readonly string[]): Promise<KeptPatchTest[]> {
  const [tests, readings] = await together([
    tx
      .select()
      .from(patchTest)
      .where(inArray(patchTest.clientId, [...clientIds]))
      .orderBy(asc(patchTest.placedAt)),
    tx
      .select({ reading: patchReading })
      .from(patchReading)
      .innerJoin(patchTest, eq(patchTest.id, patchReading.testId))
      .where(inArray(patchTest.clientId, [...clientIds]))
      .orderBy(asc(patchReading.readAt)),
  ]);
  return tests.map(({ id, clientId, family, productId, placedAt, hourKnown, readAfterHours }) => ({
    id,
    clientId,
    family,
    productId,
    placedAtMs: placedAt.getTime(),
    hourKnown,
    readAfterHours,
    readings: readings
      .filter(({ reading }) => reading.testId === id)
      .map(({ reading }) => ({
        id: reading.id,
        atMs: reading.readAt.getTime(),
        result: reading.result,
        severe: reading.severe,
        hourKnown: reading.hourKnown,
      })),
  }));
}
