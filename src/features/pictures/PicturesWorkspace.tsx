"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { OWN_CURLS, SIDES, type OwnCurl } from "@/core/eye";
import { fillSurvey, newestMeasures } from "@/core/measure";
import { readKeptForm } from "@/features/survey/keptForm";
import { formOf } from "@/features/survey/surveyForm";
import { useDraft } from "@/features/tablet/useDraft";
import { Button, LinkButton, Notice } from "@/ui";
import { answered } from "@/ui/answered";
import { removePicture } from "./actions";
import { AddPicture } from "./AddPicture";
import type { PicturesPage } from "./data";
import { MarkingBoard } from "./MarkingBoard";
import { MeasuredResults } from "./MeasuredResults";
import { PictureList } from "./PictureList";
import { useMarks } from "./useMarks";

/** Measuring from pictures: an open eye for landmarks, a closed one for lash line and lengths, each with a scale in it. */
export function PicturesWorkspace({ page }: { page: PicturesPage }) {
  const router = useRouter();
  const [chosenId, setChosenId] = useState(page.pictures[0]?.id ?? null);
  const [ownCurl, setOwnCurl] = useState<OwnCurl>(
    page.survey.eyes.right.points[Math.floor(page.survey.eyes.right.points.length / 2)]!.ownCurl,
  );
  const [problem, setProblem] = useState<string | null>(null);
  const { keepNow } = useDraft(`survey ${page.clientId}`, readKeptForm);
  const marks = useMarks(page.pictures, setProblem);
  const chosen = page.pictures.find(({ id }) => id === chosenId) ?? page.pictures[0];

  const measured = newestMeasures(
    page.pictures.map(({ id, side, kind }) => ({ side, kind, marks: marks.marksOf(id) })),
    OWN_CURLS[ownCurl].turnDeg,
  );
  const anything = SIDES.some((side) => measured[side].open ?? measured[side].closed);
  const fill = async () => {
    await keepNow(formOf(fillSurvey(page.survey, measured)));
    router.push(`/clients/${page.clientId}/survey?from=pictures`);
  };
  const remove = async (id: string) => {
    const result = await answered(removePicture({ id }));
    if (!result.ok) setProblem(result.message);
    else setChosenId(null);
  };
  return (
    <div className="pt-5">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-2">
        <h1 className="text-3xl break-words">
          <bdi>{page.clientName}</bdi> <span className="text-ink-2">measured from pictures</span>
        </h1>
        <div className="flex gap-3">
          <Button disabled={!anything} onClick={() => void fill()}>
            Fill the survey with it
          </Button>
          <LinkButton tone="plain" href={`/clients/${page.clientId}/survey`}>
            Back to the survey
          </LinkButton>
        </div>
      </div>
      <p className="mt-1 text-[0.9375rem] text-ink-2">
        From straight in front, with a length you know in the picture. Pictures are stripped of time and place, kept in the studio&rsquo;s
        own database, and seen by nobody outside it.
      </p>
      {problem ? <Notice tone="stop" title={problem} className="mt-3" /> : null}
      <div className="mt-4 grid gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,1fr)_19rem]">
        <div className="min-w-0">
          {chosen ? (
            <MarkingBoard
              key={chosen.id}
              picture={chosen}
              marks={marks.marksOf(chosen.id)}
              onMarks={(next) => marks.change(chosen.id, next)}
            />
          ) : (
            <div className="rounded-lg border border-dashed border-line-strong px-6 py-16 text-center">
              <h2 className="text-2xl">No picture yet</h2>
              <p className="mt-1 text-ink-2">
                Take one in on the right: the eye open for the landmarks, closed on its pad for lash line and lengths.
              </p>
            </div>
          )}
        </div>
        <aside className="space-y-6">
          <AddPicture clientId={page.clientId} onProblem={setProblem} onTaken={(id) => (router.refresh(), setChosenId(id))} />
          {page.pictures.length > 0 ? <PictureList pictures={page.pictures} chosenId={chosen?.id} onChoose={setChosenId} /> : null}
          {chosen ? (
            <MeasuredResults
              picture={chosen}
              marks={marks.marksOf(chosen.id)}
              ownCurl={ownCurl}
              onOwnCurl={setOwnCurl}
              onRemove={page.mayRemove ? () => remove(chosen.id) : null}
            />
          ) : null}
        </aside>
      </div>
    </div>
  );
}
