import "server-only";
import { asc, desc, eq } from "drizzle-orm";
import type { Brush } from "@/core/adhesive";
import { baseContactOf } from "@/core/map";
import { adhesive, survey, visitBrush } from "@/db/schema";
import { airByMinute } from "@/features/air/history";
import { airOf, sensorsNow } from "@/features/readings/newestAir";
import { namesOf, openBottles, usedBottles } from "@/features/shelf/bottles";
import { glueKnowledge } from "@/features/shelf/knowledge";
import { threadOfVisit } from "@/features/thread/threadOfVisit";
import { inStudio, together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { careOf } from "@/features/visit/care";
import { groundOf } from "@/features/visit/clientMaps";
import { fromElsewhere, setBefore } from "@/features/visit/setBefore";
import { ownPace } from "@/features/visit/ownPace";
import { eventsOf, lastMapOf, marksOf, READ_BEFORE_MS, visitsInFull } from "@/features/visit/data";
import { studioPolicy } from "@/server/studioPolicy";

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

/** One visit for its workspace, or null when it is not in this studio. */
export function visitPage(me: Member, visitId: string, now: Date) {
  return inStudio(me, async (tx) => {
    const [row] = await visitsInFull(tx, { visitId });
    if (!row) return null;
    const begun = row.state.head.startedAtMs;
    const until = row.state.head.finishedAtMs ?? now.getTime();
    const [policy, { air, readings }, bottles, bottlesUsed, events, knowledge, brushes, surveys, lastMap, marks, care, thread, adhesives] =
      await together([
        studioPolicy(tx),
        sensorsNow(tx, row.roomId).then(async (sensors) => ({
          air: airOf(sensors, now.getTime()),
          readings: begun === null ? [] : await airByMinute(tx, sensors, new Date(begun - READ_BEFORE_MS), new Date(until)),
        })),
        openBottles(tx),
        usedBottles(tx, [row.state]),
        eventsOf(tx, me, visitId),
        glueKnowledge(tx, me.id),
        pastBrushes(tx, me.id),
        tx.select({ id: survey.id }).from(survey).where(eq(survey.clientId, row.clientId)).limit(1),
        lastMapOf(tx, row.clientId, row.id),
        marksOf(tx, visitId),
        careOf(tx, me, row, now),
        threadOfVisit(tx, me, row, now),
        tx.select({ id: adhesive.id, document: adhesive.document }).from(adhesive).orderBy(asc(adhesive.id)),
      ]);
    const [ground, pace, found] = await together([
      row.mapId ? groundOf(tx, row.mapId) : null,
      ownPace(tx, row.technicianId, policy),
      row.service === "fill" ? setBefore(tx, me, row, policy) : null,
    ]);
    // Whoever comes with a set from elsewhere is filled as well: counted, with nothing supposed of what was on.
    const elsewhere =
      row.service === "fill" && !found && row.map && ground ? await fromElsewhere(tx, row, row.map, ground.survey, policy) : null;
    return {
      visit: row,
      events,
      bottles,
      names: namesOf([...bottles, ...bottlesUsed]),
      bottlesUsed,
      air,
      readings,
      knowledge,
      brushes,
      ground,
      baseContact: row.map && ground ? baseContactOf(row.map, { ...ground, policy }) : null,
      policy,
      pace,
      found: found ?? elsewhere,
      hasSurvey: surveys.length > 0,
      hasLastMap: lastMap !== null,
      marks,
      care,
      thread,
      adhesives: adhesives.map(({ id, document }) => ({ id, name: document.name })),
    };
  });
}
