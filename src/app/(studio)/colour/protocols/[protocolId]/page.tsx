import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { protocolPage } from "@/features/protocols/data";
import { ProtocolEditor } from "@/features/protocols/ProtocolEditor";
import { mayActAs, requireMember } from "@/server/member";

export const metadata: Metadata = { title: "Protocol" };

export default async function ProtocolPage({ params }: { params: Promise<{ protocolId: string }> }) {
  const member = await requireMember();
  const page = await protocolPage(member, (await params).protocolId);
  if (!page) notFound();
  return <ProtocolEditor key={page.id ?? page.document.service} {...page} mayChange={mayActAs(member, "technician")} />;
}
