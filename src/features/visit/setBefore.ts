import "server-only";
import { and, desc, eq, inArray, isNotNull, isNull, lt } from "drizzle-orm";
import type { Survey } from "@/core/eye";
import { bareBelowDays, setFromElsewhere, type SetBefore } from "@/core/fill";
import { cycleOf, type Hazard } from "@/core/growth";
import type { LashMap } from "@/core/map";
import type { Policy } from "@/core/policy";
import { hazardFrom, ownHazard, USUAL_CLIENTS, type HazardFrom } from "@/core/retention";
import { SET_SERVICES } from "@/core/service";
import { lashMap, lashMapRevision, survey, visit, visitOutcome } from "@/db/schema";
import { together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { clientHazard } from "./clientHazard";
import { mapsOf } from "./clientMaps";
import { lastedSets } from "./lastedSets";

/** The set a fill finds, and what bonds this client is expected to have lost a day. */
export type FoundSet = {
  readonly set: SetBefore;
  readonly expected: { readonly hazard: Hazard; readonly bareBelowDays: number; readonly cycleDays: number };
  readonly from: HazardFrom;
  /** Maps of the client that it may be filled by, newest first. */
  readonly maps: readonly { readonly id: string; readonly revision: number; readonly title: string }[];
};

/** What a client came with to a visit: the last set or fill finished before it; null where there is none, or it was taken off since. */
export async function setBefore(
  tx: StudioTransaction,
  me: Member,
  row: { readonly id: string | null; readonly clientId: string; readonly startsAt: Date },
  policy: Policy,
): Promise<FoundSet | null> {
  const [[last], lasted, maps] = await together([
    tx
      .select({
        visitId: visit.id,
        service: visit.service,
        leftAt: visitOutcome.putOnAt,
        worn: visitOutcome.worn,
        map: lashMapRevision.document,
        survey: survey.document,
      })
      .from(visit)
      .innerJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
      .leftJoin(
        lashMapRevision,
        and(
          eq(lashMapRevision.studioId, visit.studioId),
          eq(lashMapRevision.mapId, visit.mapId),
          eq(lashMapRevision.revision, visit.mapRevision),
        ),
      )
      .leftJoin(lashMap, and(eq(lashMap.studioId, visit.studioId), eq(lashMap.id, visit.mapId)))
      .leftJoin(survey, and(eq(survey.studioId, visit.studioId), eq(survey.id, lashMap.surveyId)))
      .where(
        and(
          eq(visit.clientId, row.clientId),
          lt(visit.startsAt, row.startsAt),
          isNull(visit.withdrawnAt),
          isNotNull(visitOutcome.finishedAt),
          isNotNull(visitOutcome.putOnAt),
          // What was taken off since is not there to be found.
          inArray(visit.service, [...SET_SERVICES, "removal"]),
        ),
      )
      .orderBy(desc(visit.startsAt))
      .limit(1),
    lastedSets(tx, me, [row.clientId], policy),
    mapsOf(tx, [row.clientId]),
  ]);
  if (!last?.worn || !last.map || !last.survey || !last.leftAt) return null;
  const own = lasted.flatMap(({ facts }) => (facts.visitId === row.id ? [] : [facts]));
  const { hazard, from } = await clientHazard(tx, me, own, policy);
  return {
    set: { visitId: last.visitId, leftAtMs: last.leftAt.getTime(), map: last.map, survey: last.survey, worn: last.worn },
    expected: {
      hazard,
      bareBelowDays: bareBelowDays(last.map, last.survey, policy.cycleDays),
      cycleDays: policy.cycleDays,
    },
    from,
    maps: maps.map(({ id, revision, map }) => ({ id, revision, title: map.title })),
  };
}

/** A set of which the studio has no record, at a fill by a map. */
export async function fromElsewhere(
  tx: StudioTransaction,
  row: { readonly clientId: string },
  map: LashMap,
  survey: Survey,
  policy: Policy,
): Promise<FoundSet> {
  const maps = await mapsOf(tx, [row.clientId]);
  const clients = USUAL_CLIENTS;
  return {
    set: setFromElsewhere(map, survey),
    expected: {
      hazard: ownHazard([], clients, cycleOf(policy)),
      bareBelowDays: bareBelowDays(map, survey, policy.cycleDays),
      cycleDays: policy.cycleDays,
    },
    from: hazardFrom([], clients),
    maps: maps.map(({ id, revision, map: one }) => ({ id, revision, title: one.title })),
  };
}
