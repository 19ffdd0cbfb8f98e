import "server-only";
import { asc, desc, isNotNull } from "drizzle-orm";
import { freshAir } from "@/core/air";
import { CURL_IDS } from "@/core/curl";
import { adhesive, bottle, room, tray } from "@/db/schema";
import { airOf, sensorsNow } from "@/features/readings/newestAir";
import { openBottles } from "./bottles";
import { inStudio, together } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { todayIn } from "@/server/studioTime";
import { fitnessWords } from "./glueWords";
import { rateBottles } from "./ratedBottles";
import { glueKnowledge } from "./knowledge";

/** Older ones stand in the visits they were used at. */
const EMPTIED_SHOWN = 30;

/** Adhesives, their open bottles and those emptied last, and the trays. */
export function shelfPage(me: Member) {
  return inStudio(me, async (tx) => {
    const [adhesives, open, emptied, emptiedInAll, trays] = await together([
      tx.select({ id: adhesive.id, document: adhesive.document }).from(adhesive).orderBy(asc(adhesive.createdAt)),
      openBottles(tx),
      tx
        .select({ id: bottle.id, adhesiveId: bottle.adhesiveId, lot: bottle.lot, openedOn: bottle.openedOn, emptiedOn: bottle.emptiedOn })
        .from(bottle)
        .where(isNotNull(bottle.emptiedOn))
        .orderBy(desc(bottle.emptiedOn), desc(bottle.openedOn))
        .limit(EMPTIED_SHOWN),
      tx.$count(bottle, isNotNull(bottle.emptiedOn)),
      tx.select({ id: tray.id, document: tray.document }).from(tray),
    ]);
    trays.sort(
      (a, b) =>
        CURL_IDS.indexOf(a.document.curl) - CURL_IDS.indexOf(b.document.curl) ||
        b.document.diameterMm - a.document.diameterMm ||
        a.id.localeCompare(b.id),
    );
    return { adhesives, open, emptied, emptiedInAll, trays };
  });
}

/** How each open bottle stands in a room's air now for this member's singles, best first; by the room's name. */
export function shelfStandings(me: Member, now: Date) {
  return inStudio(me, async (tx) => {
    const [first] = await tx
      .select({ id: room.id, name: room.name, volumeM3: room.volumeM3 })
      .from(room)
      .orderBy(asc(room.createdAt), asc(room.name))
      .limit(1);
    if (!first) return null;
    const [sensors, bottles, knowledge] = await together([sensorsNow(tx, first.id), openBottles(tx), glueKnowledge(tx, me.id)]);
    const air = freshAir(airOf(sensors, now.getTime()), now.getTime());
    const rated = rateBottles(bottles, knowledge, air, first.volumeM3, "single", todayIn(me.timeZone, now));
    return { roomName: first.name, bottles: rated.map(({ bottle: { id }, fitness }) => ({ id, ...fitnessWords(fitness) })) };
  });
}
export type ShelfStandings = Awaited<ReturnType<typeof shelfStandings>>;

export type ShelfPage = Awaited<ReturnType<typeof shelfPage>>;
