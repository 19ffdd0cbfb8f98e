import "server-only";
import { and, desc, eq, sql } from "drizzle-orm";
import type { SetTest } from "@/core/adhesive";
import { TECHNIQUES, type Technique } from "@/core/lash";
import { adhesive, handTime, lot, setTest } from "@/db/schema";
import { together, type StudioTransaction } from "@/server/inStudio";
import { itsAdhesive } from "./bottles";

/** A set test with what is needed to show it. */
export type KeptTest = SetTest & { readonly adhesiveId: string; readonly at: string; readonly leftOut: boolean };

/** What the studio's tests say of its glues, and one hand's times: everything that a bottle is judged by besides the air. */
export type GlueKnowledge = {
  readonly tests: readonly KeptTest[];
  /** Seconds of this member's placements, newest first. */
  readonly hand: Readonly<Record<Technique, readonly number[]>>;
};

const TESTS = 600;
const PLACEMENTS = 30;

/** What the studio's tests say of its glues, and one member's hand. */
export async function glueKnowledge(tx: StudioTransaction, memberId: string): Promise<GlueKnowledge> {
  const [tests, hands] = await together([setTests(tx), handTimes(tx, [memberId])]);
  return { tests, hand: hands.get(memberId)! };
}

/** The studio's newest set tests, whoever made them. */
export async function setTests(tx: StudioTransaction): Promise<KeptTest[]> {
  const tests = await tx
    .select({
      id: setTest.id,
      bottleId: setTest.bottleId,
      adhesiveId: adhesive.id,
      at: setTest.at,
      daysOpen: sql<number>`greatest(0, ${setTest.at}::date - ${lot.openedOn})`.mapWith(Number),
      seconds: setTest.seconds,
      temperatureC: setTest.temperatureC,
      relativeHumidity: setTest.relativeHumidity,
      leftOut: setTest.leftOut,
    })
    .from(setTest)
    .innerJoin(lot, and(eq(lot.studioId, setTest.studioId), eq(lot.id, setTest.bottleId)))
    .innerJoin(adhesive, itsAdhesive)
    .orderBy(desc(setTest.at))
    .limit(TESTS);
  return tests.map(({ temperatureC, relativeHumidity, at, ...test }) => ({
    ...test,
    air: { temperatureC, relativeHumidity },
    at: at.toISOString(),
  }));
}

/** The newest placements of some members, each technique by itself, newest first: one query, one look into the index for each. */
export async function handTimes(tx: StudioTransaction, memberIds: readonly string[]): Promise<Map<string, GlueKnowledge["hand"]>> {
  const hands = new Map(memberIds.map((id) => [id, { single: [] as number[], fan: [] as number[] }]));
  if (memberIds.length === 0) return hands;
  const { rows } = await tx.execute<{ member_id: string; technique: Technique; seconds: number[] }>(sql`
    select m.id as member_id, t.technique, array(
      select ${handTime.seconds}::float8 from ${handTime}
      where ${handTime.memberId} = m.id and ${handTime.technique} = t.technique
      order by ${handTime.at} desc, ${handTime.id} limit ${PLACEMENTS}
    ) as seconds
    from unnest(${sql.param([...memberIds])}::uuid[]) as m (id), unnest(${sql.param(TECHNIQUES)}::text[]) as t (technique)`);
  for (const { member_id, technique, seconds } of rows) hands.get(member_id)![technique] = seconds;
  return hands;
}
