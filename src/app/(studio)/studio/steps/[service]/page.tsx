import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { ChecklistEditor } from "@/features/checklists/ChecklistEditor";
import { checklistPage } from "@/features/checklists/data";
import { mayActAs, requireMember } from "@/server/member";

export const metadata: Metadata = { title: "Steps of a visit" };

export default async function StepsPage({ params }: { params: Promise<{ service: string }> }) {
  const member = await requireMember();
  const page = await checklistPage(member, (await params).service);
  if (!page) notFound();
  return <ChecklistEditor key={page.document.service} {...page} mayChange={mayActAs(member, "technician")} />;
}
