import "server-only";
import { and, eq, inArray } from "drizzle-orm";
import { cureSettings } from "@/core/policy";
import { visitWaterFromMs } from "@/core/visit";
import { adhesive, bottle } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";
import type { FullVisit } from "./data";
import { studioPolicy } from "@/server/studioPolicy";

/** From when water is harmless after each finished visit, ms, by visit id. */
export async function waterOf(tx: StudioTransaction, visits: readonly FullVisit[]): Promise<Map<string, number>> {
  const finished = visits.filter(({ state }) => state.head.finishedAtMs !== null);
  const bottleIds = [...new Set(finished.flatMap(({ state }) => state.set.bottleId ?? []))];
  const policy = await studioPolicy(tx);
  const settings = cureSettings(policy);
  const rows =
    bottleIds.length === 0
      ? []
      : await tx
          .select({ id: bottle.id, adhesive: adhesive.document })
          .from(bottle)
          .innerJoin(adhesive, and(eq(adhesive.studioId, bottle.studioId), eq(adhesive.id, bottle.adhesiveId)))
          .where(inArray(bottle.id, bottleIds));
  return new Map(
    finished.flatMap(({ id, state }) => {
      const fromMs = visitWaterFromMs(state, settings, rows.find((row) => row.id === state.set.bottleId)?.adhesive.waterHours);
      return fromMs === null ? [] : [[id, fromMs] as const];
    }),
  );
}
