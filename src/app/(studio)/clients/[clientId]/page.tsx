import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { ClientView } from "@/features/clients/ClientView";
import { clientPage } from "@/features/clients/data";
import { careDates } from "@/features/clients/careDates";
import { threadVisits } from "@/features/clients/threadVisits";
import { mayActAs, requireMember } from "@/server/member";
import { idOr404 } from "@/server/params";
import { formatIn } from "@/server/studioTime";

export const metadata: Metadata = { title: "Client" };

export default async function ClientPage({ params }: { params: Promise<{ clientId: string }> }) {
  const member = await requireMember();
  const now = new Date();
  const page = await clientPage(member, idOr404((await params).clientId), now);
  if (!page) notFound();
  const day = (moment: Date) => formatIn(member.timeZone, moment, "d MMM");
  return (
    <ClientView
      page={page}
      visits={threadVisits(page.visits, page.bottles, page.water, member.timeZone, now)}
      dates={{
        since: formatIn(member.timeZone, page.person.createdAt, "MMMM yyyy"),
        worn: page.worn ? day(page.worn.onAt) : null,
        lasted: page.lasted.map(({ facts }) => day(new Date(facts.placedAtMs))),
        maps: page.maps.map((map) => day(map.savedAt)),
        merges: page.merges.map(({ id, name, phone, email, at }) => ({ id, name, hint: phone || email, on: day(at) })),
        ...careDates(page, member.timeZone, now),
      }}
      may={{ archive: mayActAs(member, "technician"), own: mayActAs(member, "owner") }}
    />
  );
}
