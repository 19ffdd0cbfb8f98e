import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { ColourRoute } from "@/features/run/ColourRoute";
import { visitKind } from "@/features/run/data";
import { CorrectionsRoute } from "@/features/correction/CorrectionsRoute";
import { VisitRoute } from "@/features/chair/VisitRoute";
import { requireMember } from "@/server/member";
import { idOr404 } from "@/server/params";

export const metadata: Metadata = { title: "Visit" };

/** A set is worked from a map, colour and lift by a protocol. */
export default async function VisitPage({ params }: { params: Promise<{ visitId: string }> }) {
  const { visitId } = await params;
  const visit = await visitKind(await requireMember(), idOr404(visitId));
  if (!visit) notFound();
  return (
    <>
      {visit.kind ? <ColourRoute visitId={visitId} /> : <VisitRoute visitId={visitId} />}
      {visit.isFinished ? <CorrectionsRoute visitId={visitId} /> : null}
    </>
  );
}
