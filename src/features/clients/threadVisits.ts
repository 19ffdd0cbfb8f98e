import "server-only";
import { lainS, stepOf, type RunState } from "@/core/processing";
import { mapProfile } from "@/core/map";
import { serviceOf } from "@/core/service";
import { formatClock } from "@/core/units";
import type { FullVisit } from "@/features/visit/data";
import { formatIn } from "@/server/studioTime";
import type { ThreadVisit } from "./Thread";

/** Visits as the thread shows them. */
export function threadVisits(
  visits: readonly FullVisit[],
  bottles: ReadonlyMap<string, string>,
  water: ReadonlyMap<string, number>,
  timeZone: string,
  now: Date,
): ThreadVisit[] {
  return visits.map(({ id, startsAt, service, map, state, cancelledAt, cancelledWhy }) => {
    const waterMs = water.get(id);
    const beads = state.set.beads.length;
    const bottle = state.set.bottleId ? bottles.get(state.set.bottleId) : undefined;
    const air = state.set.beads[0]?.air ?? state.run.air ?? state.head.startAir;
    return {
      id,
      date: formatIn(timeZone, startsAt, startsAt.getFullYear() === now.getFullYear() ? "d MMM" : "d MMM yyyy"),
      service: serviceOf(service).label,
      state: cancelledAt
        ? "cancelled"
        : state.head.finishedAtMs !== null
          ? "done"
          : state.head.startedAtMs !== null
            ? "running"
            : startsAt < now
              ? sameDay(startsAt, now)
                ? "agreed"
                : "missed"
              : "agreed",
      map: state.head.startedAtMs !== null && map ? mapProfile(map) : null,
      air: air ? `${air.temperatureC.toFixed(1)} °C, ${Math.round(air.relativeHumidity * 100)} %` : null,
      // Said while it still is to be minded.
      water:
        waterMs !== undefined && waterMs > now.getTime() ? `no water before ${formatIn(timeZone, new Date(waterMs), "EEE HH:mm")}` : null,
      work: cancelledAt
        ? cancelledWhy
        : state.run.plan
          ? runWords(state.run)
          : beads > 0
            ? `${beads} ${beads === 1 ? "bead" : "beads"}${bottle ? ` of ${bottle}` : ""}`
            : null,
    };
  });
}

const sameDay = (a: Date, b: Date) => Math.abs(a.getTime() - b.getTime()) < 18 * 3_600_000;

/** A run in a few words: how long each step lay, and how it turned out. */
function runWords(run: RunState): string {
  const lay = [...new Map(run.coats.map((coat) => [coat.stepId, coat])).values()].map(
    (coat) => `${stepOf(run, coat.stepId)?.name ?? ""} ${coat.offAtMs === null ? "on" : formatClock(lainS(coat, coat.offAtMs))}`,
  );
  const result = run.result;
  const came = [
    result?.turn ? `kept ${Math.round(result.turn.seenDeg)}°` : "",
    result?.lashDepth != null ? `lashes ${result.lashDepth}` : "",
    result?.browDepth != null ? `brows ${result.browDepth}` : "",
  ].filter(Boolean);
  return [...(run.stop ? ["stopped"] : []), lay.join(", "), came.join(", ")].filter(Boolean).join("; ");
}
