import "server-only";
import { and, asc, desc, eq, inArray, isNull, sql } from "drizzle-orm";
import type { Policy } from "@/core/policy";
import type { FoundZone } from "@/core/fill";
import { factsOfFill, knownZones, placesOf, type FillFacts, type FillFound, type PlaceCounts } from "@/core/retention";
import { visit, visitOutcome } from "@/db/schema";
import { bottlesOf } from "@/features/shelf/bottles";
import type { StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { clockIn } from "@/server/studioTime";

/** A fill that counted something. */
export const hasCounted = sql`${visitOutcome.found}->>'countedAtMs' is not null`;

/** So many fills are read at once. */
const AT_ONCE = 400;

/** The set that a fill counted; null where it counted none the studio has a record of. */
const setOf = (found: FillFound | null) => found?.zones.find(({ setVisitId }) => setVisitId !== null)?.setVisitId ?? null;

/** A set as its fill found it: what there is to learn from, and where it was lost. */
export type LastedSet = {
  readonly facts: FillFacts;
  readonly places: PlaceCounts;
  readonly zones: readonly (FoundZone & { readonly left: number; readonly worn: number })[];
};

/**
 * Every set that a later fill counted, of some clients or of the whole studio, as facts to learn from; the earliest placed
 * first. Read from what visits came to, never from their events.
 */
export async function lastedSets(
  tx: StudioTransaction,
  me: Pick<Member, "timeZone">,
  clientIds: readonly string[] | null,
  { cycleDays }: Pick<Policy, "cycleDays">,
  /** How many times slower a bottle sets with every week, where its tests tell. */
  slowerPerWeek: ReadonlyMap<string, number> = new Map(),
  /** No more than so many fills: the first ones, or the latest. */
  { most, of }: { readonly most: number; readonly of: "first" | "latest" } = { most: 20_000, of: "first" },
): Promise<LastedSet[]> {
  const fills = await tx
    .select({ id: visit.id })
    .from(visit)
    .innerJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
    .where(and(clientIds ? inArray(visit.clientId, [...clientIds]) : undefined, isNull(visit.withdrawnAt), hasCounted))
    .orderBy((of === "first" ? asc : desc)(visit.startsAt))
    .limit(most);
  const sets: LastedSet[] = [];
  for (let at = 0; at < fills.length; at += AT_ONCE) {
    // What is read is parsed: ten thousand at once would keep everybody else waiting.
    if (at > 0) await new Promise((resolve) => setImmediate(resolve));
    const ids = fills.slice(at, at + AT_ONCE).map(({ id }) => id);
    sets.push(...(await setsOfFills(tx, me, ids, cycleDays, slowerPerWeek)));
  }
  return sets.sort((a, b) => a.facts.placedAtMs - b.facts.placedAtMs);
}

/** The sets that some fills counted; those that no longer stand as they were counted are left out. */
async function setsOfFills(
  tx: StudioTransaction,
  me: Pick<Member, "timeZone">,
  fillIds: readonly string[],
  cycleDays: number,
  slowerPerWeek: ReadonlyMap<string, number>,
): Promise<LastedSet[]> {
  const fills = await tx
    .select({ visitId: visit.id, clientId: visit.clientId, found: visitOutcome.found })
    .from(visit)
    .innerJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
    .where(inArray(visit.id, [...fillIds]));
  const setIds = [...new Set(fills.flatMap(({ found }) => setOf(found) ?? []))];
  const rows =
    setIds.length === 0
      ? []
      : await tx
          .select({
            visitId: visit.id,
            clientId: visit.clientId,
            technicianId: visit.technicianId,
            putOnAt: visitOutcome.putOnAt,
            worn: visitOutcome.worn,
            how: visitOutcome.howPlaced,
          })
          .from(visit)
          .innerJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
          .where(and(inArray(visit.id, setIds), isNull(visit.withdrawnAt)));
  const used = await bottlesOf(
    tx,
    rows.flatMap(({ how }) => how?.bottleId ?? []),
  );
  const bottles = new Map(used.map((bottle) => [bottle.id, bottle]));
  const clock = clockIn(me.timeZone);
  const byId = new Map(rows.map((row) => [row.visitId, row]));
  return fills.flatMap(({ visitId, clientId, found }): LastedSet[] => {
    const set = byId.get(setOf(found) ?? "");
    if (!found || !set?.worn || !set.how || !set.putOnAt || set.clientId !== clientId) return [];
    const { worn, how, putOnAt, technicianId } = set;
    const bottle = bottles.get(how.bottleId ?? "");
    const { day } = clock(putOnAt.getTime());
    const ageDays = bottle ? Math.max(0, daysBetween(bottle.openedOn, day)) : 0;
    const perWeek = bottle && slowerPerWeek.get(bottle.id);
    const counted = { visitId: set.visitId, technicianId, placedAtMs: putOnAt.getTime(), worn, how };
    const learned = factsOfFill(
      { visitId, clientId, found },
      counted,
      bottle ? { adhesiveId: bottle.adhesiveId, ageDays, drift: perWeek ? perWeek ** (ageDays / 7) : null } : null,
      { cycleDays, yearShare: daysBetween(`${day.slice(0, 4)}-01-01`, day) / 365.25 },
    );
    return learned ? [{ facts: learned, places: placesOf({ clientId, found }, counted), zones: knownZones({ found }, counted) }] : [];
  });
}

const daysBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / 86_400_000;
