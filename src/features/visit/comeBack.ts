import "server-only";
import { cycleOf } from "@/core/growth";
import type { Policy } from "@/core/policy";
import { nextFill, nextFillWords, ownHazard, USUAL_CLIENTS } from "@/core/retention";
import { isByMap, serviceOf } from "@/core/service";
import { usualPace } from "@/core/placing";
import { together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { groundOf } from "./clientMaps";
import type { FullVisit } from "./data";
import { lastedSets } from "./lastedSets";
import { ownPace } from "./ownPace";

/** When the client of a set or fill is best asked back, and why; null where the studio has a rule of its own, or there is no map. */
export async function comeBack(tx: StudioTransaction, me: Member, row: FullVisit, policy: Policy) {
  if (policy.fill !== "computed" || !isByMap(row.service) || !serviceOf(row.service).onClient || !row.map || !row.mapId) return null;
  const [ground, lasted, pace] = await together([
    groundOf(tx, row.mapId),
    lastedSets(tx, me, [row.clientId], policy),
    ownPace(tx, row.technicianId, policy),
  ]);
  if (!ground) return null;
  const fills = lasted.map(({ facts }) => facts);
  const hazard = ownHazard(fills, USUAL_CLIENTS, cycleOf(policy));
  const next = nextFill(row.map, ground.survey, { hazard, isKnown: fills.length > 0 }, policy, usualPace(pace));
  return { day: next.day, words: nextFillWords(next, fills.length, policy) };
}
