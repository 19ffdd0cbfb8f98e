"use client";
import dynamic from "next/dynamic";
import { SERVICES } from "@/core/service";
import { useEffect, useMemo } from "react";
import { isRunDone } from "@/core/processing";
import { VisitThread } from "@/features/thread/VisitThread";
import type { ThreadedVisit } from "@/features/thread/useThread";
import { PlaceOfVisit } from "@/features/visit/PlaceOfVisit";
import { VisitHeading } from "@/features/visit/VisitHeading";
import { workedWords } from "@/features/visit/workedWords";
import { Marks } from "@/features/visit/Marks";
import { PassedOver } from "@/features/visit/PassedOver";
import { useChairKept, useNow, useTabletStore, useVisit } from "@/features/tablet/TabletProvider";
import { Verdict } from "@/ui";
import { AtTheRun } from "./AtTheRun";
import type { ColourProps } from "@/features/plan/colourProps";
import { IncidentNotes } from "./IncidentNotes";
import { JudgePanel } from "./JudgePanel";
import { PlanPanel } from "@/features/plan/PlanPanel";

// What a run came to is read when it is over: fetched while it runs, so that it is there without a network too.
const fetchKept = () => import("./KeptRun").then((module) => module.KeptRun);
const KeptRun = dynamic(fetchKept);

type Stage = "plan" | "run" | "judge" | "kept";

/** Colour and lift: planned, run, judged, kept. The stage follows from what was tapped. */
export function ColourWorkspace(visit: ColourProps) {
  const store = useTabletStore();
  const now = useNow();
  const { state, passedOver } = useVisit(visit.id, visit.events);
  const { run } = state;
  const done = isRunDone(run);
  const stage: Stage = state.head.finishedAtMs !== null ? "kept" : !run.plan ? "plan" : done ? "judge" : "run";
  useChairKept(visit.id, stage === "run" || stage === "judge");
  useEffect(() => {
    if (stage !== "plan") void fetchKept().catch(() => undefined);
  }, [stage]);
  // What was opened since the page was read is on the shelf; what was emptied since then came with the page.
  const batchNames = useMemo(
    () => ({
      ...Object.fromEntries(
        visit.products.flatMap(({ document, batches }) => batches.map(({ id, lot }) => [id, `${document.name}, lot ${lot}`])),
      ),
      ...visit.batchNames,
    }),
    [visit.products, visit.batchNames],
  );
  const threaded = useMemo<ThreadedVisit>(
    () => ({
      ...visit,
      service: visit.kind,
      hasSurvey: visit.survey !== null,
      hasMap: false,
      isPast: visit.isoDay < visit.today,
    }),
    [visit],
  );
  return (
    <div className="pt-3">
      <VisitHeading visit={visit} service={SERVICES[visit.kind].label} worked={workedWords(state, visit.timeZone)} />
      {stage === "run" ? null : (
        <VisitThread visit={threaded} state={state} opens={stage === "kept" && visit.isoDay === visit.today ? "here" : null} />
      )}
      <Marks marks={visit.marks} />
      <PassedOver count={passedOver} />
      {visit.reason && stage !== "plan" ? (
        <p className="text-[0.9375rem] text-ink-2">
          <Verdict tone="look">Asked first</Verdict>, goes ahead because: <bdi>{visit.reason}</bdi>
        </p>
      ) : null}
      {stage === "plan" ? (
        <>
          <PlanPanel visit={visit} />
          <PlaceOfVisit visit={visit} />
        </>
      ) : null}
      {stage === "run" && now !== null ? (
        <AtTheRun visit={visit} run={run} past={visit.past} nowMs={now} lastUndoableId={state.head.lastUndoable?.id ?? null} />
      ) : null}
      {stage === "judge" ? (
        <>
          {run.stop || run.stopsTakenBack.length > 0 ? <IncidentNotes visit={visit} /> : null}
          <JudgePanel
            visitId={visit.id}
            run={run}
            mayFinish={(!run.stop && run.stopsTakenBack.length === 0) || visit.incidents.length > 0}
            onJudged={(result) => {
              void store.tap(visit.id, "resultJudged", result);
              void store.tap(visit.id, "finished", {});
            }}
          />
        </>
      ) : null}
      {stage === "kept" ? <KeptRun visit={visit} threaded={threaded} state={state} batchNames={batchNames} /> : null}
    </div>
  );
}
