"use client";
import { useMemo } from "react";
import type { AirAt } from "@/core/adhesive";
import { cureSettings } from "@/core/policy";
import { visitWaterFromMs, type VisitState } from "@/core/visit";
import { LinkButton } from "@/ui";
import { CareCardView } from "@/features/aftercare/CareCardView";
import { caredFor } from "@/features/aftercare/caredFor";
import { StepsKept } from "@/features/thread/StepsKept";
import { useThread, type ThreadedVisit } from "@/features/thread/useThread";
import { adhesiveInUse } from "@/features/visit/adhesiveInUse";
import { KeptVisit } from "./KeptVisit";
import { LedgerSheet } from "./LedgerSheet";
import { LengthRows } from "./LengthRows";
import { useLedger } from "./useLedger";
import type { VisitProps } from "./visitProps";

/** A visit as it was kept, with what the client takes home. */
export function DoneVisit({
  visit,
  threaded,
  state,
  readings,
}: {
  visit: VisitProps;
  threaded: ThreadedVisit;
  state: VisitState;
  readings: readonly AirAt[];
}) {
  const settings = useMemo(() => cureSettings(visit.policy), [visit.policy]);
  const { law, waterHours } = useMemo(() => adhesiveInUse(visit, state.set.bottleId), [visit, state.set.bottleId]);
  const ledger = useLedger(state, readings, state.head.finishedAtMs, settings, law, waterHours);
  const parts = useThread(threaded, state);
  const { thread, policy } = visit;
  const cared = caredFor(visit.service, state, {
    batchNames: thread.lotNames,
    waterFromMs: visitWaterFromMs(state, settings, waterHours),
    next: thread.next?.words ?? null,
    aftercareWords: policy.aftercareWords,
  });
  return (
    <div className="mt-6 grid gap-x-14 gap-y-8 lg:grid-cols-2">
      <div>
        <KeptVisit
          ground={visit.ground}
          policy={policy}
          state={state}
          timeZone={visit.timeZone}
          bottleNames={visit.bottleNames}
          map={visit.map}
          eyes={ledger?.eyes ?? null}
          steps={<StepsKept parts={parts} state={state} lotNames={thread.lotNames} />}
        />
        <LedgerSheet ledger={ledger} needS={settings.eyesOpenS} />
      </div>
      <div className="space-y-8">
        {cared ? <CareCardView visit={visit} studioName={thread.studioName} cared={cared} /> : null}
        {visit.map ? (
          <div>
            <LengthRows map={visit.map} placed={state.set.zones} />
            {visit.mapId ? (
              <LinkButton href={`/clients/${visit.clientId}/map/${visit.mapId}`} tone="line" className="mt-4">
                Open the map
              </LinkButton>
            ) : null}
          </div>
        ) : null}
      </div>
    </div>
  );
}
