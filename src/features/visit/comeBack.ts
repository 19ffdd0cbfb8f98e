import "server-only";
import { group } from "d3";
import { wornAt } from "@/core/care";
import { nextFillDays } from "@/core/growth";
import type { LashMap } from "@/core/map";
import { usualPace } from "@/core/placing";
import type { Policy } from "@/core/policy";
import { nextFill, nextFillDay, nextFillWords } from "@/core/retention";
import { isByMap, serviceOf } from "@/core/service";
import type { Survey } from "@/core/eye";
import { together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { todayIn } from "@/server/studioTime";
import { clientHazard, hazardOfClient, type KnownHazard } from "./clientHazard";
import { groundOf } from "./clientMaps";
import type { FullVisit } from "./data";
import { ownPace } from "./ownPace";
import { lastedSets } from "./lastedSets";
import { lastLeft, lastLeftOf, type LeftSet } from "./setBefore";

type Pace = Parameters<typeof usualPace>[0];

/** The day to come back to a set, and why it. */
function dayOf(
  { map, survey }: { readonly map: LashMap; readonly survey: Survey },
  { hazard, from }: KnownHazard,
  policy: Policy,
  pace: Pace,
) {
  const next = nextFill(map, survey, { hazard, isKnown: from.of !== "usual" }, policy, usualPace(pace));
  return { day: next.day, words: nextFillWords(next, from, policy) };
}

/** When the client of a set or fill is best asked back, and why; null where the studio has a rule of its own, or there is no map. */
export async function comeBack(tx: StudioTransaction, me: Member, row: FullVisit, policy: Policy) {
  if (policy.fill !== "computed" || !isByMap(row.service) || !serviceOf(row.service).onClient || !row.map || !row.mapId) return null;
  const [ground, known, pace] = await together([
    groundOf(tx, row.mapId),
    hazardOfClient(tx, me, row.clientId, policy),
    ownPace(tx, row.technicianId, policy),
  ]);
  return ground && dayOf({ map: row.map, survey: ground.survey }, known, policy, pace);
}

/** Days reckoned for sets, by the visit they were left with at; anew where what they are reckoned by has changed. */
const reckoned = new Map<string, { readonly by: string; readonly day: number }>();
const RECKONED_MOST = 5_000;

/** The days, ISO, on which some clients are best asked back to the sets they were left with; whoever has none is left out. */
export async function fillDays(
  tx: StudioTransaction,
  me: Member,
  clientIds: readonly string[],
  policy: Policy,
  now: Date,
): Promise<Map<string, string>> {
  const sets = await lastLeftOf(tx, clientIds, now);
  const own = policy.fill === "computed" ? group(await lastedSets(tx, me, [...sets.keys()], policy), ({ facts }) => facts.clientId) : null;
  const judgedBy = JSON.stringify(policy);
  const days = new Map<string, string>();
  for (const [clientId, set] of sets) {
    const after = own
      ? await dayOfSet(
          set,
          await clientHazard(
            tx,
            me,
            (own.get(clientId) ?? []).map(({ facts }) => facts),
            policy,
          ),
          policy,
          judgedBy,
        )
      : nextFillDays(policy);
    days.set(clientId, todayIn(me.timeZone, new Date(set.leftAtMs + after * 86_400_000)));
  }
  return days;
}

async function dayOfSet(
  { visitId, map, survey }: LeftSet,
  { hazard, from }: KnownHazard,
  policy: Policy,
  judgedBy: string,
): Promise<number> {
  const by = `${JSON.stringify(hazard)} ${from.of} ${judgedBy}`;
  const kept = reckoned.get(visitId);
  if (kept?.by === by) return kept.day;
  // Some ten milliseconds a set: between two of them others have their turn.
  await new Promise((resolve) => setImmediate(resolve));
  const day = nextFillDay(map, survey, { hazard, isKnown: from.of !== "usual" }, policy);
  if (reckoned.size >= RECKONED_MOST) reckoned.clear();
  reckoned.set(visitId, { by, day });
  return day;
}

/** A day proposed for a client's next fill: so many days after the set they wear was left with, on the studio's calendar. */
export type ProposedDay = { readonly afterDays: number; readonly day: string; readonly why: string | null };

/**
 * When a client is best asked back to what they wear, whether anybody is at a visit or not; null where they wear nothing that the
 * studio has a record of. What is worn is care's own rule.
 */
export async function comeBackTo(
  tx: StudioTransaction,
  me: Member,
  {
    clientId,
    technicianId,
    facts,
    known,
  }: {
    readonly clientId: string;
    readonly technicianId: string;
    readonly facts: Parameters<typeof wornAt>[0];
    readonly known: KnownHazard;
  },
  policy: Policy,
  now: Date,
): Promise<ProposedDay | null> {
  if (!wornAt(facts, now.getTime())) return null;
  const [set, pace] = await together([lastLeft(tx, { clientId, startsAt: now }), ownPace(tx, technicianId, policy)]);
  if (!set) return null;
  const reckoned = policy.fill === "computed" ? dayOf(set, known, policy, pace) : { day: nextFillDays(policy), words: null };
  const today = todayIn(me.timeZone, now);
  const day = todayIn(me.timeZone, new Date(set.leftAtMs + reckoned.day * 86_400_000));
  return { afterDays: reckoned.day, day: day > today ? day : today, why: reckoned.words };
}
