import type { Metadata } from "next";
import { ImportClients } from "@/features/clients/import/ImportClients";
import { Notice } from "@/ui";
import { mayActAs, requireMember } from "@/server/member";

export const metadata: Metadata = { title: "Import clients" };

export default async function ImportClientsPage() {
  const member = await requireMember();
  return (
    <>
      <h1 className="pt-6 pb-4 text-4xl">Import clients</h1>
      {mayActAs(member, "technician") ? <ImportClients /> : <Notice tone="stop" title="Clients are read in by a technician." />}
    </>
  );
}
