import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { protocolPage } from "@/features/protocols/data";
import { ProtocolEditor } from "@/features/protocols/ProtocolEditor";
import { mayActAs, requireMember } from "@/server/member";

export const metadata: Metadata = { title: "Protocol" };

export default async function ProtocolPage({ params }: { params: Promise<{ protocolId: string }> }) {
  const member = await requireMember();
  const found = await protocolPage(member, (await params).protocolId);
  if (!found) notFound();
  return <ProtocolEditor key={found.id ?? found.document.service} {...found} mayChange={mayActAs(member, "technician")} />;
}
