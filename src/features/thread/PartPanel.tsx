"use client";
import { useState } from "react";
import { VISIT_PARTS, type ThreadPart } from "@/core/checklist";
import { looksAtEnd } from "@/core/placing";
import { isByMap, nextService, serviceOf } from "@/core/service";
import type { VisitState } from "@/core/visit";
import { NextVisit } from "@/features/booking/NextVisit";
import { VisitPictures } from "@/features/pictures/VisitPictures";
import { Disinfectant } from "@/features/tidy/Disinfectant";
import { Button } from "@/ui";
import { InspectionRows } from "./InspectionRows";
import { StepList } from "./StepList";
import type { ThreadedVisit } from "./useThread";
import { WorkedWithRows } from "./WorkedWithRows";

/** A part of a visit: its steps, and what of it is answered or done here. */
export function PartPanel({ visit, state, part: { part, steps } }: { visit: ThreadedVisit; state: VisitState; part: ThreadPart }) {
  const [reasons, setReasons] = useState(false);
  const minutes = steps.reduce((sum, { step, state: stands }) => sum + (stands === "ahead" ? step.minutes : 0), 0);
  return (
    <section aria-label={`${VISIT_PARTS[part]}: steps`} className="border-y border-line py-1.5">
      <StepList visitId={visit.id} steps={steps} timeZone={visit.timeZone} reasons={reasons} />
      <p className="flex items-center gap-x-3 pl-1.5 text-sm text-ink-2">
        {minutes > 0 ? <span>About {minutes} min to do.</span> : null}
        <Button tone="plain" className="min-h-8 px-2 text-sm" aria-pressed={reasons} onClick={() => setReasons(!reasons)}>
          {reasons ? "Without reasons" : "Why each"}
        </Button>
      </p>
      <Beside visit={visit} state={state} part={part} />
    </section>
  );
}

function Beside({ visit, state, part }: { visit: ThreadedVisit; state: VisitState; part: ThreadPart["part"] }) {
  const { id, clientId, service, policy, thread } = visit;
  const { onClient } = serviceOf(service);
  switch (part) {
    case "consult":
    case "survey":
      return onClient && (part === "survey" || !isByMap(service)) ? (
        <div className="mt-2 border-t border-line pt-2">
          <VisitPictures clientId={clientId} state={state} pictures={thread.pictures} />
        </div>
      ) : null;
    case "prepare":
      return <WorkedWithRows visitId={id} worked={state.set.with} primers={thread.primers} usual={thread.usual} />;
    case "check":
    case "dry":
      return (
        <div className="mt-2">
          <InspectionRows visitId={id} what={looksAtEnd(onClient, part)} inspections={state.set.inspections} />
        </div>
      );
    case "aftercare":
      return (
        <div className="mt-2 grid gap-x-14 gap-y-3 border-t border-line pt-2 lg:grid-cols-2">
          <NextVisit
            client={{ id: clientId, name: visit.clientName }}
            service={nextService(service)}
            next={thread.next}
            proposed={thread.proposed}
            options={thread.booking}
          />
          <VisitPictures clientId={clientId} state={state} pictures={thread.pictures} />
        </div>
      );
    case "tidy":
      return <Disinfectant visitId={id} soak={state.steps.soak} policy={policy} lots={thread.disinfectants} />;
    default:
      return null;
  }
}
