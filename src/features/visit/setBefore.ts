import "server-only";
import { and, desc, eq, inArray, isNotNull, isNull, lt, sql } from "drizzle-orm";
import type { Survey } from "@/core/eye";
import { bareBelowDays, setFromElsewhere, type SetBefore } from "@/core/fill";
import { cycleOf, type Hazard } from "@/core/growth";
import type { LashMap } from "@/core/map";
import type { Policy } from "@/core/policy";
import { ownHazard, USUAL_CLIENTS, type HazardFrom } from "@/core/retention";
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

/** A set or fill as a client left with it. */
export type LeftSet = SetBefore & { readonly visitId: string; readonly leftAtMs: number };

/** The set or fill a client left with last before a moment; null where there is none, or it was taken off since. */
export async function lastLeft(
  tx: StudioTransaction,
  { clientId, startsAt }: { readonly clientId: string; readonly startsAt: Date },
): Promise<LeftSet | null> {
  return (await lastLeftOf(tx, [clientId], startsAt)).get(clientId) ?? null;
}

/** Sets, fills and removals that some clients left with before a moment: what was taken off since is not there to be found. */
const wasLeftWith = (clientIds: readonly string[], before: Date) =>
  and(
    inArray(visit.clientId, [...clientIds]),
    lt(visit.startsAt, before),
    isNull(visit.withdrawnAt),
    isNotNull(visitOutcome.finishedAt),
    isNotNull(visitOutcome.putOnAt),
    inArray(visit.service, [...SET_SERVICES, "removal"]),
  );

/** The same of some clients: those who wear none are left out. */
export async function lastLeftOf(tx: StudioTransaction, clientIds: readonly string[], before: Date): Promise<Map<string, LeftSet>> {
  if (clientIds.length === 0) return new Map();
  const rows = await tx
    .selectDistinctOn([visit.clientId], {
      clientId: visit.clientId,
      visitId: visit.id,
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
    .where(wasLeftWith(clientIds, before))
    .orderBy(visit.clientId, desc(visit.startsAt));
  return new Map(
    rows.flatMap(({ clientId, visitId, leftAt, worn, map, survey: natural }) =>
      worn && map && natural && leftAt ? [[clientId, { visitId, leftAtMs: leftAt.getTime(), map, survey: natural, worn }]] : [],
    ),
  );
}

/** With which sets some clients left, and when, the longest ago first: the same ones as `lastLeftOf`, without what they are. */
export async function setsLeftWith(
  tx: StudioTransaction,
  clientIds: readonly string[],
  before: Date,
): Promise<{ readonly clientId: string; readonly visitId: string; readonly leftAt: Date }[]> {
  if (clientIds.length === 0) return [];
  const rows = await tx
    .selectDistinctOn([visit.clientId], {
      clientId: visit.clientId,
      visitId: visit.id,
      leftAt: visitOutcome.putOnAt,
      isSet: sql<boolean>`${visitOutcome.worn} is not null and ${visit.mapId} is not null`,
    })
    .from(visit)
    .innerJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
    .where(wasLeftWith(clientIds, before))
    .orderBy(visit.clientId, desc(visit.startsAt));
  return rows
    .flatMap(({ isSet, leftAt, ...row }) => (isSet && leftAt ? [{ ...row, leftAt }] : []))
    .sort((a, b) => a.leftAt.getTime() - b.leftAt.getTime());
}

/** What a client came with to a visit, and what may be expected of it; null where they came with nothing of the studio's. */
export async function setBefore(
  tx: StudioTransaction,
  me: Member,
  row: { readonly id: string; readonly clientId: string; readonly startsAt: Date },
  policy: Policy,
): Promise<FoundSet | null> {
  const [set, lasted, maps] = await together([lastLeft(tx, row), lastedSets(tx, me, [row.clientId], policy), mapsOf(tx, [row.clientId])]);
  if (!set) return null;
  const own = lasted.flatMap(({ facts }) => (facts.visitId === row.id ? [] : [facts]));
  const { hazard, from } = await clientHazard(tx, me, own, policy);
  return {
    set,
    expected: { hazard, bareBelowDays: bareBelowDays(set.map, set.survey, policy.cycleDays), cycleDays: policy.cycleDays },
    from,
    maps: maps.map(titled),
  };
}

const titled = ({ id, revision, map }: { readonly id: string; readonly revision: number; readonly map: LashMap }) => ({
  ...{ id, revision },
  title: map.title,
});

/** A set of which the studio has no record, at a fill by a map. */
export async function fromElsewhere(
  tx: StudioTransaction,
  row: { readonly clientId: string },
  map: LashMap,
  survey: Survey,
  policy: Policy,
): Promise<FoundSet> {
  const maps = await mapsOf(tx, [row.clientId]);
  return {
    set: setFromElsewhere(map, survey),
    expected: {
      hazard: ownHazard([], USUAL_CLIENTS, cycleOf(policy)),
      bareBelowDays: bareBelowDays(map, survey, policy.cycleDays),
      cycleDays: policy.cycleDays,
    },
    from: { of: "usual" },
    maps: maps.map(titled),
  };
}
