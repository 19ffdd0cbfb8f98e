"use client";
import { useMemo } from "react";
import type { AirAt } from "@/core/adhesive";
import { cureSettings } from "@/core/policy";
import { serviceOf } from "@/core/service";
import { visitWaterFromMs, type VisitState } from "@/core/visit";
import { LinkButton } from "@/ui";
import { AftercareCard } from "./AftercareCard";
import { adhesiveInUse } from "@/features/visit/adhesiveInUse";
import { KeptVisit } from "./KeptVisit";
import { LedgerSheet } from "./LedgerSheet";
import { LengthRows } from "./LengthRows";
import { useLedger } from "./useLedger";
import type { VisitProps } from "./visitProps";

/** A visit as it was kept, with what the client takes home. */
export function DoneVisit({ visit, state, readings }: { visit: VisitProps; state: VisitState; readings: readonly AirAt[] }) {
  const settings = useMemo(() => cureSettings(visit.policy), [visit.policy]);
  const { law, waterHours } = useMemo(() => adhesiveInUse(visit, state.set.bottleId), [visit, state.set.bottleId]);
  const ledger = useLedger(state, readings, state.head.finishedAtMs, settings, law, waterHours);
  const waterMs = visitWaterFromMs(state, settings, waterHours);
  const moment = new Intl.DateTimeFormat("en-GB", { weekday: "long", hour: "2-digit", minute: "2-digit", timeZone: visit.timeZone });
  return (
    <div className="mt-6 grid gap-x-14 gap-y-8 lg:grid-cols-2">
      <div>
        <KeptVisit
          ground={visit.ground}
          state={state}
          timeZone={visit.timeZone}
          bottleNames={visit.bottleNames}
          map={visit.map}
          eyes={ledger?.eyes ?? null}
        />
        <LedgerSheet ledger={ledger} needS={settings.eyesOpenS} />
      </div>
      <div className="space-y-8">
        {serviceOf(visit.service).aftercare ? (
          <AftercareCard clientName={visit.clientName} waterWords={waterMs === null ? null : moment.format(new Date(waterMs))} />
        ) : null}
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
