import type { RunState } from "@/core/processing";
import { CareCardView } from "./CareCardView";
import type { ColourProps } from "@/features/plan/colourProps";
import { IncidentNotes } from "./IncidentNotes";
import { RunRecord } from "./RunRecord";

/** A visit of lift or colour that is over: its record, what went wrong, and the card for the client. */
export function KeptRun({
  visit,
  run,
  endedAtMs,
  batchNames,
}: {
  visit: ColourProps;
  run: RunState;
  endedAtMs: number;
  batchNames: Readonly<Record<string, string>>;
}) {
  return (
    <div className="mt-5 grid gap-x-14 gap-y-8 lg:grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)]">
      <div>
        {run.plan ? (
          <RunRecord run={run} endedAtMs={endedAtMs} timeZone={visit.timeZone} batchNames={batchNames} />
        ) : (
          <p className="text-ink-2">Nothing was planned at this visit.</p>
        )}
        {run.stop || run.stopsTakenBack.length > 0 ? <IncidentNotes visit={visit} /> : null}
      </div>
      {run.plan ? <CareCardView visit={visit} run={run} endedAtMs={endedAtMs} batchNames={batchNames} /> : null}
    </div>
  );
}
