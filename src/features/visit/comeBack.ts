import "server-only";
import { group } from "d3";
import { wornAt } from "@/core/care";
import { LATEST_DAYS, nextFillDays } from "@/core/growth";
import type { LashMap } from "@/core/map";
import { usualPace } from "@/core/placing";
import type { Policy } from "@/core/policy";
import { nextFill, nextFillDay, nextFillWords } from "@/core/retention";
import { isByMap, serviceOf } from "@/core/service";
import type { Survey } from "@/core/eye";
import { inStudio, together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { studioPolicy } from "@/server/studioPolicy";
import { todayIn } from "@/server/studioTime";
import { clientHazard, hazardOfClient, type KnownHazard } from "./clientHazard";
import { groundOf } from "./clientMaps";
import type { FullVisit } from "./data";
import { ownPace } from "./ownPace";
import { lastedSets } from "./lastedSets";
import { lastLeft, lastLeftOf, setsLeftWith } from "./setBefore";

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

/** Days reckoned for sets, by the visit they were left with at: for half a day, as long as the studio's answers are the same. */
const reckoned = new Map<string, { readonly by: string; readonly day: number; readonly atMs: number }>();
const [RECKONED_MOST, STANDS_MS] = [20_000, 12 * 3_600_000];
/** A set takes some ten milliseconds: no more of them while somebody waits. */
const RECKONED_AT_ONCE = 80;

/** Days for the fills of some clients: the day, ISO, or the latest it can be where it is not reckoned yet, and who those are. */
export type FillDays = { readonly days: ReadonlyMap<string, string>; readonly unsure: readonly string[] };

/**
 * On which days some clients are best asked back to the sets they were left with; who has none the studio knows of is left out.
 * The sets worn longest are reckoned first, and only so many at once: `reckonFills` does the rest where nobody waits.
 */
export async function fillDays(
  tx: StudioTransaction,
  me: Member,
  clientIds: readonly string[],
  policy: Policy,
  now: Date,
  most = RECKONED_AT_ONCE,
): Promise<FillDays> {
  const sets = await setsLeftWith(tx, clientIds, now);
  const by = JSON.stringify(policy);
  const isKnown = (visitId: string) => {
    const kept = reckoned.get(visitId);
    return kept?.by === by && now.getTime() - kept.atMs < STANDS_MS;
  };
  const isReckoned = policy.fill === "computed";
  const wanted = isReckoned ? sets.filter(({ visitId }) => !isKnown(visitId)).map(({ clientId }) => clientId) : [];
  await reckon(tx, me, wanted.slice(0, most), policy, by, now);
  const dayOn = (leftAt: Date, days: number) => todayIn(me.timeZone, new Date(leftAt.getTime() + days * 86_400_000));
  return {
    days: new Map(
      sets.map(({ clientId, visitId, leftAt }) => {
        const known = isKnown(visitId) ? reckoned.get(visitId)!.day : LATEST_DAYS;
        return [clientId, dayOn(leftAt, isReckoned ? known : nextFillDays(policy))];
      }),
    ),
    unsure: wanted.slice(most),
  };
}

/** Studios whose sets are being reckoned; a list that is looked at again meanwhile begins it no second time. */
const underWay = new Set<string>();
const [CHUNK, PAUSE_MS] = [25, 40];

/** Reckons what is still to be reckoned, a few at a time, so that it is known when it is next asked for. */
export async function reckonFills(me: Member, clientIds: readonly string[]): Promise<void> {
  if (underWay.has(me.studioId)) return;
  underWay.add(me.studioId);
  try {
    for (let i = 0; i < clientIds.length; i += CHUNK) {
      await inStudio(me, async (tx) => {
        const policy = await studioPolicy(tx);
        await reckon(tx, me, clientIds.slice(i, i + CHUNK), policy, JSON.stringify(policy), new Date());
      });
      await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
    }
  } finally {
    underWay.delete(me.studioId);
  }
}

async function reckon(
  tx: StudioTransaction,
  me: Member,
  clientIds: readonly string[],
  policy: Policy,
  by: string,
  now: Date,
): Promise<void> {
  if (clientIds.length === 0) return;
  const [sets, lasted] = await together([lastLeftOf(tx, clientIds, now), lastedSets(tx, me, clientIds, policy)]);
  const own = group(lasted, ({ facts }) => facts.clientId);
  for (const [clientId, { visitId, map, survey }] of sets) {
    const { hazard, from } = await clientHazard(
      tx,
      me,
      (own.get(clientId) ?? []).map(({ facts }) => facts),
      policy,
    );
    // Between two of them others have their turn.
    await new Promise((resolve) => setImmediate(resolve));
    const day = nextFillDay(map, survey, { hazard, isKnown: from.of !== "usual" }, policy);
    if (reckoned.size >= RECKONED_MOST) reckoned.clear();
    reckoned.set(visitId, { by, day, atMs: now.getTime() });
  }
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
