import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { firstSurvey } from "@/core/eye";
import { surveyPage } from "@/features/survey/data";
import { newSeed } from "@/features/survey/newSeed";
import { SurveyWorkspace } from "@/features/survey/SurveyWorkspace";
import { requireMember } from "@/server/member";
import { idOr404 } from "@/server/params";
import { formatIn } from "@/server/studioTime";

export const metadata: Metadata = { title: "Survey" };

export default async function SurveyPage({
  params,
  searchParams,
}: {
  params: Promise<{ clientId: string }>;
  searchParams: Promise<{ from?: string | string[] }>;
}) {
  const member = await requireMember();
  const clientId = idOr404((await params).clientId);
  const page = await surveyPage(member, clientId);
  if (!page) notFound();
  return (
    <SurveyWorkspace
      clientId={clientId}
      clientName={page.name}
      start={page.survey?.document ?? firstSurvey(page.mannequin, newSeed())}
      before={page.survey ? { on: formatIn(member.timeZone, page.survey.createdAt, "d MMMM"), survey: page.survey.document } : null}
      measured={(await searchParams).from === "pictures"}
    />
  );
}
