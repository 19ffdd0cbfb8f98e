import "server-only";
import { and, count, eq, isNotNull, isNull } from "drizzle-orm";
import { bottleDrift, learnSetTime } from "@/core/adhesive";
import { lookedAtWith, nextLookWith, type FillFacts, type PlaceCounts } from "@/core/retention";
import type { Policy } from "@/core/policy";
import { adhesive, client, lot, member, visit, visitOutcome } from "@/db/schema";
import { setTests } from "@/features/shelf/knowledge";
import { hasCounted, lastedSets } from "@/features/visit/lastedSets";
import { inStudio, together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { studioPolicy } from "@/server/studioPolicy";

/** How many fills counted something, and with how many of them the studio is looked at. */
export function retentionPage(me: Member) {
  return inStudio(me, async (tx) => {
    const fills = await countedFills(tx);
    return { fills, lookedWith: lookedAtWith(fills), nextWith: nextLookWith(fills) };
  });
}

/** A fill that was taken back with its visit counts no more. */
async function countedFills(tx: StudioTransaction): Promise<number> {
  const [row] = await tx
    .select({ fills: count() })
    .from(visitOutcome)
    .innerJoin(visit, and(eq(visit.studioId, visitOutcome.studioId), eq(visit.id, visitOutcome.visitId)))
    .where(and(isNull(visit.withdrawnAt), hasCounted));
  return row!.fills;
}

/** Everything a studio's retention is reckoned from, as a worker wants it. */
export type RetentionData = {
  readonly fills: readonly FillFacts[];
  readonly places: readonly PlaceCounts[];
  readonly supposed: Pick<Policy, "cycleDays" | "cycleSdDays">;
  /** Names of people, adhesives and clients, by their ids. */
  readonly names: Readonly<Record<string, string>>;
};

/** The sets of the fills that are looked at now, the earliest first, with the names that findings are told by. */
export function retentionData(me: Member): Promise<RetentionData> {
  return inStudio(me, async (tx) => {
    const [policy, people, glues, clients, slower, fills] = await together([
      studioPolicy(tx),
      tx.select({ id: member.id, name: member.name }).from(member),
      tx.select({ id: adhesive.id, document: adhesive.document }).from(adhesive),
      tx.select({ id: client.id, name: client.name }).from(client),
      slowerPerWeek(tx),
      countedFills(tx),
    ]);
    const lookedWith = lookedAtWith(fills);
    const sets = lookedWith === null ? [] : await lastedSets(tx, me, null, policy, slower, { most: lookedWith, of: "first" });
    const told = new Set(sets.map(({ facts }) => facts.clientId));
    return {
      fills: sets.map(({ facts }) => facts),
      places: sets.map(({ places }) => places),
      supposed: { cycleDays: policy.cycleDays, cycleSdDays: policy.cycleSdDays },
      names: Object.fromEntries([
        ...people.map(({ id, name }) => [id, name]),
        ...glues.map(({ id, document }) => [id, document.name]),
        ...clients.flatMap(({ id, name }) => (told.has(id) ? [[id, name]] : [])),
      ]),
    };
  });
}

/** How many times slower each tested bottle sets with every week, by the studio's own tests. */
async function slowerPerWeek(tx: StudioTransaction): Promise<Map<string, number>> {
  const [tests, glues, bottles] = await together([
    setTests(tx),
    tx.select({ id: adhesive.id, document: adhesive.document }).from(adhesive),
    tx.select({ id: lot.id, adhesiveId: lot.adhesiveId }).from(lot).where(isNotNull(lot.adhesiveId)),
  ]);
  const models = new Map(
    glues.map(({ id, document }) => [
      id,
      learnSetTime(
        document.setTimeS,
        tests.filter((test) => test.adhesiveId === id && !test.leftOut),
      ),
    ]),
  );
  return new Map(
    bottles.flatMap(({ id, adhesiveId }) => {
      const model = models.get(adhesiveId!);
      const drift = model?.bottles.includes(id) ? bottleDrift(model, id, 7) : null;
      return drift ? [[id, drift.times] as const] : [];
    }),
  );
}
