import { notFound } from "next/navigation";
import { techniqueOf } from "@/core/lash";
import { requireMember } from "@/server/member";
import { idOr404 } from "@/server/params";
import { formatIn, todayIn } from "@/server/studioTime";
import { visitPage } from "./page";
import { VisitLoader } from "./VisitLoader";

/** A visit: to begin, under way, or as it was kept. */
export async function VisitRoute({ visitId }: { visitId: string }) {
  const member = await requireMember();
  const now = new Date();
  const today = todayIn(member.timeZone, now);
  const page = await visitPage(member, idOr404(visitId), now);
  if (!page) notFound();
  const { visit, bottles, names, air, policy } = page;
  const { readings, knowledge, brushes, baseContact, bottlesUsed } = page;
  return (
    <VisitLoader
      key={visit.id}
      id={visit.id}
      clientId={visit.clientId}
      clientName={visit.clientName}
      service={visit.service}
      chairName={visit.chairName}
      roomName={visit.roomName}
      roomVolumeM3={visit.roomVolumeM3}
      technicianName={visit.technicianName}
      day={formatIn(member.timeZone, visit.startsAt, "EEEE d MMMM")}
      time={formatIn(member.timeZone, visit.startsAt, "HH:mm")}
      timeZone={member.timeZone}
      map={visit.map}
      mapId={visit.mapId}
      ground={page.ground}
      isoDay={todayIn(member.timeZone, visit.startsAt)}
      hasSurvey={page.hasSurvey}
      hasLastMap={page.hasLastMap}
      care={page.care}
      marks={page.marks}
      reason={visit.askReason}
      cancelled={visit.cancelledAt && { why: visit.cancelledWhy }}
      events={page.events}
      bottles={bottles}
      bottleNames={Object.fromEntries(names)}
      air={air}
      policy={policy}
      adhesives={page.adhesives}
      thread={page.thread}
      pace={page.pace}
      found={page.found}
      roomId={visit.roomId}
      today={today}
      readings={readings}
      knowledge={knowledge}
      brushes={brushes}
      baseContact={baseContact}
      bottlesUsed={bottlesUsed}
      technique={visit.map ? techniqueOf(visit.map.fibre) : "single"}
    />
  );
}
