import "server-only";
import { cureSettings } from "@/core/policy";
import { visitWaterFromMs } from "@/core/visit";
import { bottlesOf } from "@/features/shelf/bottles";
import type { StudioTransaction } from "@/server/inStudio";
import type { FullVisit } from "./data";
import { studioPolicy } from "@/server/studioPolicy";

/** From when water is harmless after each finished visit, ms, by visit id. */
export async function waterOf(tx: StudioTransaction, visits: readonly FullVisit[]): Promise<Map<string, number>> {
  const finished = visits.filter(({ state }) => state.head.finishedAtMs !== null);
  const bottleIds = finished.flatMap(({ state }) => state.set.bottleId ?? []);
  const policy = await studioPolicy(tx);
  const settings = cureSettings(policy);
  const bottles = await bottlesOf(tx, bottleIds);
  return new Map(
    finished.flatMap(({ id, state }) => {
      const fromMs = visitWaterFromMs(state, settings, bottles.find((bottle) => bottle.id === state.set.bottleId)?.adhesive.waterHours);
      return fromMs === null ? [] : [[id, fromMs] as const];
    }),
  );
}
