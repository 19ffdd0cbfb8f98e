import type { VisitState } from "@/core/visit";
import { caredFor } from "@/features/aftercare/caredFor";
import { CareCardView } from "@/features/aftercare/CareCardView";
import type { ColourProps } from "@/features/plan/colourProps";
import { StepsKept } from "@/features/thread/StepsKept";
import { useThread, type ThreadedVisit } from "@/features/thread/useThread";
import { IncidentNotes } from "./IncidentNotes";
import { RunRecord } from "./RunRecord";

/** A visit of lift or colour that is over: its record, what went wrong, and the card for the client. */
export function KeptRun({
  visit,
  threaded,
  state,
  batchNames,
}: {
  visit: ColourProps;
  threaded: ThreadedVisit;
  state: VisitState;
  batchNames: Readonly<Record<string, string>>;
}) {
  const { run } = state;
  const parts = useThread(threaded, state);
  const { thread, policy } = visit;
  const cared = caredFor(visit.kind, state, {
    batchNames,
    waterFromMs: null,
    next: thread.next?.words ?? null,
    aftercareWords: policy.aftercareWords,
  });
  return (
    <div className="mt-5 grid gap-x-14 gap-y-8 lg:grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)]">
      <div>
        {run.plan ? (
          <RunRecord run={run} endedAtMs={state.head.finishedAtMs!} timeZone={visit.timeZone} batchNames={batchNames} />
        ) : (
          <p className="text-ink-2">Nothing was planned at this visit.</p>
        )}
        <dl className="mt-4 grid grid-cols-[auto_1fr] gap-x-6 gap-y-1.5">
          <StepsKept parts={parts} state={state} lotNames={{ ...batchNames, ...thread.lotNames }} />
        </dl>
        {run.stop || run.stopsTakenBack.length > 0 ? <IncidentNotes visit={visit} /> : null}
      </div>
      {run.plan && cared ? <CareCardView visit={visit} studioName={thread.studioName} cared={cared} /> : null}
    </div>
  );
}
