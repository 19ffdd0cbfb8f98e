import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { usualSurvey } from "@/core/eye";
import { surveyPage } from "@/features/survey/data";
import { SurveyWorkspace } from "@/features/survey/SurveyWorkspace";
import { requireMember } from "@/server/member";
import { idOr404 } from "@/server/params";
import { formatIn } from "@/server/studioTime";

export const metadata: Metadata = { title: "Survey" };

export default async function SurveyPage({ params }: { params: Promise<{ clientId: string }> }) {
  const member = await requireMember();
  const clientId = idOr404((await params).clientId);
  const page = await surveyPage(member, clientId);
  if (!page) notFound();
  return (
    <SurveyWorkspace
      clientId={clientId}
      clientName={page.name}
      start={page.survey?.document ?? usualSurvey()}
      before={page.survey ? formatIn(member.timeZone, page.survey.createdAt, "d MMMM") : null}
    />
  );
}
