import { notFound } from "next/navigation";
import { requireMember } from "@/server/member";
import { idOr404 } from "@/server/params";
import { formatIn, todayIn } from "@/server/studioTime";
import { ColourLoader } from "./ColourLoader";
import { colourVisit } from "./data";

/** A visit of colour or lift: to plan, under way, or as it was kept. */
export async function ColourRoute({ visitId }: { visitId: string }) {
  const member = await requireMember();
  const now = new Date();
  const page = await colourVisit(member, idOr404(visitId), now);
  if (!page) notFound();
  const { visit } = page;
  return (
    <ColourLoader
      key={visit.id}
      id={visit.id}
      clientId={visit.clientId}
      clientName={visit.clientName}
      kind={page.kind}
      chairName={visit.chairName}
      roomName={visit.roomName}
      roomId={visit.roomId}
      technicianName={visit.technicianName}
      studioName={page.studioName}
      day={formatIn(member.timeZone, visit.startsAt, "EEEE d MMMM")}
      time={formatIn(member.timeZone, visit.startsAt, "HH:mm")}
      today={todayIn(member.timeZone, now)}
      timeZone={member.timeZone}
      events={page.events}
      reason={visit.askReason}
      memberName={member.name}
      isoDay={todayIn(member.timeZone, visit.startsAt)}
      policy={page.policy}
      thread={page.thread}
      care={page.care}
      marks={page.marks}
      past={page.past}
      protocols={page.protocols}
      products={page.products}
      shields={page.shields}
      survey={page.survey?.document ?? null}
      air={page.air}
      batchNames={page.batchNames}
      incidents={page.incidents.map(({ id, words, putOff, by, createdAt }) => ({
        id,
        words,
        putOff,
        by,
        when: formatIn(member.timeZone, createdAt, "d MMM HH:mm"),
      }))}
    />
  );
}
