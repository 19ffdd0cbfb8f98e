import type { Metadata } from "next";
import { ClientList } from "@/features/clients/ClientList";
import { listClients, listFilter } from "@/features/clients/list";
import { listLine } from "@/features/clients/listLine";
import { mayActAs, requireMember } from "@/server/member";

export const metadata: Metadata = { title: "Clients" };

export default async function ClientsPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const member = await requireMember();
  const now = new Date();
  const asked = listFilter.parse(await searchParams);
  const { clients, total, page, longDays } = await listClients(member, asked, now);
  return (
    <ClientList
      clients={clients.map((client) => listLine(client, member.timeZone, now))}
      total={total}
      filter={{ ...asked, page }}
      may={{ archive: mayActAs(member, "technician"), import: mayActAs(member, "technician"), export: mayActAs(member, "owner") }}
      longDays={longDays}
    />
  );
}
