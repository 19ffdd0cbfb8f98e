import "server-only";
import { standingOf } from "@/features/clients/standing";
import { visitsWhere } from "@/features/visit/data";
import { inStudio } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { dayIn, todayIn } from "@/server/studioTime";

/** The day's visits of the studio, each with where its client stands with the patch test. */
export function todayPage(me: Member, now: Date) {
  const today = todayIn(me.timeZone, now);
  return inStudio(me, async (tx) => {
    const visits = await visitsWhere(tx, { day: dayIn(me.timeZone, today) });
    const standings = new Map<string, Awaited<ReturnType<typeof standingOf>>>();
    for (const { clientId } of visits) if (!standings.has(clientId)) standings.set(clientId, await standingOf(tx, clientId, today));
    return { today, visits, standings };
  });
}
export type TodayPage = Awaited<ReturnType<typeof todayPage>>;
