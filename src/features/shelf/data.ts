import "server-only";
import { and, asc, desc, isNotNull } from "drizzle-orm";
import { freshAir } from "@/core/air";
import { CURL_IDS } from "@/core/curl";
import { adhesive, lot, tray } from "@/db/schema";
import { airOf, sensorsNow } from "@/features/readings/newestAir";
import { openRooms } from "@/features/readings/openRooms";
import { itsAdhesive, openBottles, type OpenBottle } from "./bottles";
import { inStudio, together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { todayIn } from "@/server/studioTime";
import { fitnessWords } from "./glueWords";
import { rateBottles } from "./ratedBottles";
import { glueKnowledge } from "./knowledge";

/** Older ones stand in the visits they were used at. */
const EMPTIED_SHOWN = 30;

/** Adhesives, their open bottles with how each stands in the air now, those emptied last, and the trays. */
export function shelfPage(me: Member, now: Date) {
  return inStudio(me, async (tx) => {
    const [adhesives, open, emptied, emptiedInAll, trays] = await together([
      tx.select({ id: adhesive.id, document: adhesive.document }).from(adhesive).orderBy(asc(adhesive.createdAt)),
      openBottles(tx),
      tx
        .select({ id: lot.id, adhesiveId: adhesive.id, lot: lot.number, openedOn: lot.openedOn, emptiedOn: lot.emptiedOn })
        .from(lot)
        .innerJoin(adhesive, itsAdhesive)
        .where(isNotNull(lot.emptiedOn))
        .orderBy(desc(lot.emptiedOn), desc(lot.openedOn))
        .limit(EMPTIED_SHOWN),
      tx.$count(lot, and(isNotNull(lot.adhesiveId), isNotNull(lot.emptiedOn))),
      tx.select({ id: tray.id, document: tray.document }).from(tray),
    ]);
    trays.sort(
      (a, b) =>
        CURL_IDS.indexOf(a.document.curl) - CURL_IDS.indexOf(b.document.curl) ||
        b.document.diameterMm - a.document.diameterMm ||
        a.id.localeCompare(b.id),
    );
    return { adhesives, open, emptied, emptiedInAll, trays, standings: await standingsOf(tx, me, open, now) };
  });
}

/** How bottles stand in the air of the studio's first room now for this member's singles, best first; null where there is no room. */
async function standingsOf(tx: StudioTransaction, me: Member, bottles: readonly OpenBottle[], now: Date) {
  const [first] = await openRooms(tx);
  if (!first) return null;
  const [sensors, knowledge] = await together([sensorsNow(tx, first.id), glueKnowledge(tx, me.id)]);
  const air = freshAir(airOf(sensors, now.getTime()), now.getTime());
  const rated = rateBottles(bottles, knowledge, air, first.volumeM3, "single", todayIn(me.timeZone, now));
  return { roomName: first.name, bottles: rated.map(({ bottle: { id }, fitness }) => ({ id, ...fitnessWords(fitness) })) };
}

export type ShelfPage = Awaited<ReturnType<typeof shelfPage>>;
