import "server-only";
import { and, desc, eq } from "drizzle-orm";
import type { Brush } from "@/core/adhesive";
import { seatOf, type LashMap } from "@/core/map";
import type { Policy } from "@/core/policy";
import { lashMap, policy, survey, tray, visitBrush } from "@/db/schema";
import { airByMinute } from "@/features/air/history";
import { airOf, sensorsNow } from "@/features/readings/newestAir";
import { namesOf, openBottles, usedBottles } from "@/features/shelf/bottles";
import { glueKnowledge } from "@/features/shelf/knowledge";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { careOf } from "./care";
import { eventsOf, lastMapOf, marksOf, READ_BEFORE_MS, visitsInFull } from "./data";

const BRUSHES = 200;

/** What came off at this member's last counted brushes. */
async function pastBrushes(tx: StudioTransaction, memberId: string): Promise<Brush[]> {
  return tx
    .select({ off: visitBrush.cameOff, of: visitBrush.ofLashes })
    .from(visitBrush)
    .where(eq(visitBrush.memberId, memberId))
    .orderBy(desc(visitBrush.at))
    .limit(BRUSHES);
}

async function readSeat(tx: StudioTransaction, mapId: string, map: LashMap, held: Policy) {
  const [found] = await tx
    .select({ survey: survey.document })
    .from(lashMap)
    .innerJoin(survey, and(eq(survey.studioId, lashMap.studioId), eq(survey.id, lashMap.surveyId)))
    .where(eq(lashMap.id, mapId));
  if (!found) return null;
  const trays = await tx.select({ document: tray.document }).from(tray);
  return seatOf(map, { survey: found.survey, policy: held, trays: trays.map(({ document }) => document) });
}

/** One visit for its workspace, or null when it is not in this studio. */
export function visitPage(me: Member, visitId: string, now: Date) {
  return inStudio(me, async (tx) => {
    const [row] = await visitsInFull(tx, { visitId });
    if (!row) return null;
    const [held] = await tx.select().from(policy);
    const sensors = await sensorsNow(tx, row.roomId);
    const begun = row.state.head.startedAtMs;
    const until = row.state.head.finishedAtMs ?? now.getTime();
    const bottles = await openBottles(tx);
    const bottlesUsed = await usedBottles(tx, [row.state]);
    return {
      visit: row,
      events: await eventsOf(tx, me, visitId),
      bottles,
      names: namesOf([...bottles, ...bottlesUsed]),
      bottlesUsed,
      air: airOf(sensors, now.getTime()),
      readings: begun === null ? [] : await airByMinute(tx, sensors, new Date(begun - READ_BEFORE_MS), new Date(until)),
      knowledge: await glueKnowledge(tx, me.id),
      brushes: await pastBrushes(tx, me.id),
      seat: row.map && row.mapId ? await readSeat(tx, row.mapId, row.map, held!.document) : null,
      policy: held!.document,
      hasSurvey: (await tx.select({ id: survey.id }).from(survey).where(eq(survey.clientId, row.clientId)).limit(1)).length > 0,
      hasLastMap: (await lastMapOf(tx, row.clientId, row.id)) !== null,
      marks: await marksOf(tx, visitId),
      care: await careOf(tx, me, row, now),
    };
  });
}
