import "server-only";
import { and, asc, desc, eq, sql } from "drizzle-orm";
import type { SetTest } from "@/core/adhesive";
import { TECHNIQUES, type Technique } from "@/core/lash";
import { bottle, handTime, setTest } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

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

export async function glueKnowledge(tx: StudioTransaction, memberId: string): Promise<GlueKnowledge> {
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
  const hand = { single: [] as number[], fan: [] as number[] };
  for (const technique of TECHNIQUES) {
    const rows = await tx
      .select({ seconds: handTime.seconds })
      .from(handTime)
      .where(and(eq(handTime.memberId, memberId), eq(handTime.technique, technique)))
      .orderBy(desc(handTime.at), asc(handTime.id))
      .limit(PLACEMENTS);
    hand[technique] = rows.map(({ seconds }) => seconds);
  }
  return {
    tests: tests.map(({ temperatureC, relativeHumidity, at, ...test }) => ({
      ...test,
      air: { temperatureC, relativeHumidity },
      at: at.toISOString(),
    })),
    hand,
  };
}
