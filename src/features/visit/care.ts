import "server-only";
import { and, desc, eq } from "drizzle-orm";
import { addMonths, ageOn, asksOf, consentStanding, careFindings } from "@/core/care";
import { serviceOf } from "@/core/service";
import { consent, visit } from "@/db/schema";
import { together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { formatIn, todayIn } from "@/server/studioTime";
import { careFacts } from "./careFacts";
import type { CareProps } from "@/features/care/careProps";
import type { VisitRow } from "./data";
import { studioPolicy } from "@/server/studioPolicy";

/** What stands against a visit, and what is known of the client that says so, for its screens. */
export async function careOf(
  tx: StudioTransaction,
  me: Pick<Member, "timeZone">,
  row: Pick<VisitRow, "id" | "clientId" | "clientName" | "service" | "startsAt" | "begunAt" | "finishedAt" | "askReason" | "askKeys">,
  now: Date,
): Promise<CareProps> {
  const { clientId, clientName, service } = row;
  // A visit of another day is judged as of then; one that is begun, or due today, as of now.
  const later = row.begunAt === null && todayIn(me.timeZone, row.startsAt) > todayIn(me.timeZone, now);
  const at = row.finishedAt !== null ? (row.begunAt ?? row.startsAt) : later ? row.startsAt : now;
  const [facts, policy, [signed]] = await together([
    careFacts(tx, me.timeZone, now, { clientId, at, visitId: row.id }),
    studioPolicy(tx),
    tx
      .select()
      .from(consent)
      .where(and(eq(consent.clientId, clientId), eq(consent.service, service)))
      .orderBy(desc(consent.createdAt))
      .limit(1),
  ]);
  const rules = policy;
  const findings = careFindings(service, facts, rules);
  const day = (ms: number) => formatIn(me.timeZone, new Date(ms), "d MMMM yyyy");
  const { consultation } = facts;
  const kind = serviceOf(service).consultation;
  return {
    clientId,
    clientName,
    service,
    visitId: row.id,
    findings,
    bornOn: facts.bornOn,
    today: todayIn(me.timeZone, now),
    ageYears: facts.bornOn === null ? null : ageOn(facts.bornOn, facts.today),
    consultation: consultation && {
      document: consultation.document,
      kinds: consultation.kinds,
      confirmedOn: day(consultation.confirmedAtMs),
      mayConfirm:
        (kind === null || consultation.kinds.includes(kind)) && addMonths(consultation.wholeAtMs, rules.consultationMonths) >= facts.atMs,
      isOfToday: consultation.confirmedAtMs >= facts.dayStartMs,
    },
    consent: signed
      ? {
          words: signed.words,
          signedName: signed.signedName,
          signature: signed.signature,
          signedOn: day(signed.createdAt.getTime()),
          signedBy: signed.signedBy,
          state: consentStanding(facts.consents, service, facts.atMs, rules.consentMonths).state,
        }
      : null,
    reason: await reasonFor(
      tx,
      row,
      asksOf(findings).map(({ key }) => key),
      day,
    ),
  };
}

/** The reason that covers everything asked now: this visit's own, or the newest of the client's that was written for as much. */
async function reasonFor(
  tx: StudioTransaction,
  { id, clientId, askReason, askKeys }: Pick<VisitRow, "id" | "clientId" | "askReason" | "askKeys">,
  asked: readonly string[],
  day: (ms: number) => string,
): Promise<CareProps["reason"]> {
  const covers = (keys: readonly string[]) => asked.length > 0 && asked.every((key) => keys.includes(key));
  if (askReason && covers(askKeys)) return { words: askReason, keys: askKeys, of: "this visit" };
  const rows = await tx
    .select({ id: visit.id, words: visit.askReason, keys: visit.askKeys, startsAt: visit.startsAt })
    .from(visit)
    .where(eq(visit.clientId, clientId))
    .orderBy(desc(visit.startsAt))
    .limit(12);
  const before = rows.find((one) => one.id !== id && one.words !== "" && covers(one.keys));
  return before ? { words: before.words, keys: before.keys, of: day(before.startsAt.getTime()) } : null;
}
