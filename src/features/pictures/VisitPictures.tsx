"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { photoMoment, type VisitState } from "@/core/visit";
import { Notice } from "@/ui";
import { AddPicture } from "./AddPicture";
import type { VisitPicture } from "./ofVisit";

const MOMENTS = { before: "Before", after: "After" } as const;

/** The pictures taken at a visit, those of before beside those of after; one more can be taken in. */
export function VisitPictures({ clientId, state, pictures }: { clientId: string; state: VisitState; pictures: readonly VisitPicture[] }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <section aria-label="Pictures of this visit">
      <h3 className="text-2xl">Before and after</h3>
      <div className="mt-1 flex flex-wrap gap-x-10 gap-y-3">
        {(Object.keys(MOMENTS) as (keyof typeof MOMENTS)[]).map((moment) => {
          const mine = pictures.filter(({ atMs }) => photoMoment(state, atMs) === moment);
          return mine.length > 0 ? (
            <figure key={moment}>
              <figcaption className="text-[0.9375rem] font-semibold">{MOMENTS[moment]}</figcaption>
              <div className="mt-1 flex flex-wrap gap-2">
                {mine.map(({ id, side, kind }) => (
                  // eslint-disable-next-line @next/next/no-img-element -- private bytes, never through an optimiser's cache
                  <img
                    key={id}
                    src={`/api/pictures/${id}`}
                    alt={`${side}, ${kind}`}
                    className="h-28 rounded-md border border-line object-cover"
                  />
                ))}
              </div>
            </figure>
          ) : null;
        })}
        <AddPicture
          clientId={clientId}
          onProblem={setProblem}
          onTaken={() => {
            setProblem(null);
            router.refresh();
          }}
        />
      </div>
      {problem ? <Notice tone="stop" title={problem} className="mt-2" /> : null}
    </section>
  );
}
