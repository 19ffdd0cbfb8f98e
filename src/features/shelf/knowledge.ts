import "server-only";
import { and, asc, desc, eq, sql } from "drizzle-orm";
import type { SetTest } from "@/core/adhesive";
import type { Technique } from "@/core/lash";
import { bottle, handTime, setTest } from "@/db/schema";
import { together, type StudioTransaction } from "@/server/inStudio";

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
      adhesiveId: bottle.adhesiveId,
      at: setTest.at,
      daysOpen: sql<number>`greatest(0, ${setTest.at}::date - ${bottle.openedOn})`.mapWith(Number),
      seconds: setTest.seconds,
      temperatureC: setTest.temperatureC,
      relativeHumidity: setTest.relativeHumidity,
      leftOut: setTest.leftOut,
    })
    .from(setTest)
    .innerJoin(bottle, and(eq(bottle.studioId, setTest.studioId), eq(bottle.id, setTest.bottleId)))
    .orderBy(desc(setTest.at))
    .limit(TESTS);
  return tests.map(({ temperatureC, relativeHumidity, at, ...test }) => ({
    ...test,
    air: { temperatureC, relativeHumidity },
    at: at.toISOString(),
  }));
}

/** The newest placements of some members, each technique by itself, newest first. One look into the index each. */
export async function handTimes(tx: StudioTransaction, memberIds: readonly string[]): Promise<Map<string, GlueKnowledge["hand"]>> {
  const newestOf = (memberId: string, technique: Technique) =>
    tx
      .select({ seconds: handTime.seconds })
      .from(handTime)
      .where(and(eq(handTime.memberId, memberId), eq(handTime.technique, technique)))
      .orderBy(desc(handTime.at), asc(handTime.id))
      .limit(PLACEMENTS);
  const hands = await together(
    memberIds.map(async (memberId) => {
      const [single, fan] = await together([newestOf(memberId, "single"), newestOf(memberId, "fan")]);
      return [memberId, { single: single.map(({ seconds }) => seconds), fan: fan.map(({ seconds }) => seconds) }] as const;
    }),
  );
  return new Map(hands);
}
