import "server-only";
import { and, desc, eq, inArray, isNotNull } from "drizzle-orm";
import { mostCount } from "@/core/lash";
import { placements, type Pace } from "@/core/map";
import type { Policy } from "@/core/policy";
import { lashMap, lashMapRevision, survey, visit, visitEvent } from "@/db/schema";
import { notTakenBack } from "@/features/visit/data";
import type { StudioTransaction } from "@/server/inStudio";

const SETS = 6;
/** Fewer sets than this say nothing of a pace. */
const LEAST_SETS = 3;

/**
 * A technician's own seconds a lash, from the last finished sets: time from the first to the last tap over the lashes of
 * the map worn. Singles and fans keep the studio's ratio to each other. The studio's own pace where too few are known.
 */
export async function ownPace(tx: StudioTransaction, technicianId: string, policy: Policy): Promise<Pace & { known: boolean }> {
  const studio = { secondsPerSingle: policy.secondsPerSingle, secondsPerFan: policy.secondsPerFan, known: false };
  const sets = await tx
    .select({ id: visit.id, map: lashMapRevision.document, survey: survey.document })
    .from(visit)
    .innerJoin(
      lashMapRevision,
      and(
        eq(lashMapRevision.studioId, visit.studioId),
        eq(lashMapRevision.mapId, visit.mapId),
        eq(lashMapRevision.revision, visit.mapRevision),
      ),
    )
    .innerJoin(lashMap, and(eq(lashMap.studioId, visit.studioId), eq(lashMap.id, visit.mapId)))
    .innerJoin(survey, and(eq(survey.studioId, lashMap.studioId), eq(survey.id, lashMap.surveyId)))
    .innerJoin(
      visitEvent,
      and(eq(visitEvent.studioId, visit.studioId), eq(visitEvent.visitId, visit.id), eq(visitEvent.type, "finished"), notTakenBack),
    )
    .where(and(eq(visit.technicianId, technicianId), eq(visit.service, "newSet"), isNotNull(visit.mapId)))
    .orderBy(desc(visit.startsAt))
    .limit(SETS);
  if (sets.length < LEAST_SETS) return studio;
  const taps = await tx
    .select({ visitId: visitEvent.visitId, type: visitEvent.type, at: visitEvent.at })
    .from(visitEvent)
    .where(
      and(
        inArray(
          visitEvent.visitId,
          sets.map(({ id }) => id),
        ),
        inArray(visitEvent.type, ["started", "finished"]),
        notTakenBack,
      ),
    );
  const paces = sets.flatMap(({ id, map, survey: document }) => {
    const at = (type: string) => taps.find((tap) => tap.visitId === id && tap.type === type)?.at.getTime();
    const [from, to] = [at("started"), at("finished")];
    const worn = (["right", "left"] as const).flatMap((side) => placements(map, document, side)).filter((placement) => placement.worn);
    if (from === undefined || to === undefined || to <= from || worn.length === 0) return [];
    // How many studio seconds these lashes are, so that a set of fans and one of singles say the same of a hand.
    const usual = worn.reduce(
      (sum, placement) => sum + (mostCount(placement.worn!.fibre) > 1 ? policy.secondsPerFan : policy.secondsPerSingle),
      0,
    );
    return [(to - from) / 1000 / usual];
  });
  if (paces.length < LEAST_SETS) return studio;
  const middle = [...paces].sort((a, b) => a - b)[Math.floor(paces.length / 2)]!;
  const held = Math.min(4, Math.max(0.25, middle));
  return {
    secondsPerSingle: Math.round(policy.secondsPerSingle * held),
    secondsPerFan: Math.round(policy.secondsPerFan * held),
    known: true,
  };
}
