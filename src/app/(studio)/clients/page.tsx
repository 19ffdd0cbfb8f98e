import type { Metadata } from "next";
import { ClientList } from "@/features/clients/ClientList";
import { listClients } from "@/features/clients/data";
import { isStorable } from "@/core/units";
import { requireMember } from "@/server/member";
import { formatIn } from "@/server/studioTime";

export const metadata: Metadata = { title: "Clients" };

export default async function ClientsPage({ searchParams }: { searchParams: Promise<{ find?: string | string[] }> }) {
  const member = await requireMember();
  const { find } = await searchParams;
  const asked = typeof find === "string" ? find.slice(0, 120).trim() : "";
  // What no name can hold finds nobody.
  const search = isStorable(asked) ? asked : asked.replace(/[^\p{L}\p{N}\p{P}\p{Zs}]/gu, "\uFFFD");
  const { clients, more } = await listClients(member, search);
  return (
    <ClientList
      clients={clients.map((client) => ({
        ...client,
        last: client.lastVisit ? formatIn(member.timeZone, client.lastVisit, "d MMM") : null,
      }))}
      more={more}
      search={search}
    />
  );
}
