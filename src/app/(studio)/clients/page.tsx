import type { Metadata } from "next";
import { after } from "next/server";
import { ClientList } from "@/features/clients/ClientList";
import { listClients, listFilter } from "@/features/clients/list";
import { listLine } from "@/features/clients/listLine";
import { reckonFills } from "@/features/visit/comeBack";
import { log } from "@/server/log";
import { mayActAs, requireMember } from "@/server/member";
import { withoutWords } from "@/server/withoutWords";

export const metadata: Metadata = { title: "Clients" };

export default async function ClientsPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const member = await requireMember();
  const now = new Date();
  const asked = listFilter.parse(await searchParams);
  const { clients, total, page, longDays, unsure } = await listClients(member, asked, now);
  // Nobody waits for it: it is there when the list is next looked at.
  if (unsure.length > 0)
    after(() => reckonFills(member, unsure).catch((error: unknown) => log.warn({ err: withoutWords(error) }, "fills not reckoned")));
  return (
    <ClientList
      clients={clients.map((client) => listLine(client, member.timeZone, now))}
      total={total}
      filter={{ ...asked, page }}
      may={{ archive: mayActAs(member, "technician"), import: mayActAs(member, "technician"), export: mayActAs(member, "owner") }}
      longDays={longDays}
      unsure={unsure.length}
    />
  );
}
