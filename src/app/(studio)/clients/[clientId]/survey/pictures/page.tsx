import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { picturesPage } from "@/features/pictures/data";
import { PicturesWorkspace } from "@/features/pictures/PicturesWorkspace";
import { requireMember } from "@/server/member";
import { idOr404 } from "@/server/params";

export const metadata: Metadata = { title: "Measured from pictures" };

export default async function PicturesPage({ params }: { params: Promise<{ clientId: string }> }) {
  const member = await requireMember();
  const page = await picturesPage(member, idOr404((await params).clientId));
  if (!page) notFound();
  return <PicturesWorkspace page={page} />;
}
