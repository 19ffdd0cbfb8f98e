import type { Metadata } from "next";
import { hourIn } from "@/features/air/history";
import { todayPage } from "@/features/today/data";
import { TodayView } from "@/features/today/TodayView";
import { requireMember } from "@/server/member";
import { formatIn } from "@/server/studioTime";

export const metadata: Metadata = { title: "Today" };

export default async function Today() {
  const member = await requireMember();
  const now = new Date();
  const { visits, standings, maps, wishes } = await todayPage(member, now);
  const time = (moment: Date) => formatIn(member.timeZone, moment, "HH:mm");
  const own = visits.filter((visit) => visit.technicianId === member.id && visit.state.finishedAtMs === null);
  const next = own.find((visit) => visit.state.startedAtMs !== null) ?? own[0];
  return (
    <TodayView
      title={formatIn(member.timeZone, now, "EEEE d MMMM")}
      nextId={next?.id ?? null}
      nowHour={hourIn(member.timeZone, now)}
      lines={visits.map((visit) => ({
        visit,
        from: time(visit.startsAt),
        to: time(new Date(visit.startsAt.getTime() + visit.minutes * 60_000)),
        standing: standings.get(visit.id) ?? null,
        map: visit.map ?? maps.get(visit.clientId) ?? null,
        wish: wishes.get(visit.id) ?? null,
      }))}
    />
  );
}
