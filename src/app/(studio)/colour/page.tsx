import type { Metadata } from "next";
import { ColourOverview } from "@/features/run/ColourOverview";
import { colourOverview } from "@/features/run/data";
import { mayActAs, requireMember } from "@/server/member";
import { timeIn, todayIn } from "@/server/studioTime";

export const metadata: Metadata = { title: "Colour and lift" };

export default async function ColourPage() {
  const member = await requireMember();
  const now = new Date();
  const { visits, protocols, products, shields } = await colourOverview(member, now);
  return (
    <ColourOverview
      visits={visits.map(({ id, clientName, service, roomName, chairName, startsAt, events }) => ({
        id,
        clientName,
        service,
        where: `${roomName}, ${chairName}`,
        time: timeIn(member.timeZone, startsAt),
        events,
      }))}
      protocols={protocols}
      products={products}
      shields={shields}
      timeZone={member.timeZone}
      today={todayIn(member.timeZone, now)}
      mayChange={mayActAs(member, "technician")}
    />
  );
}
