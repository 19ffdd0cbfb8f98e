"use client";
import { useCallback, useMemo, useState } from "react";
import { waitInAirS, windowTarget, type AirAt } from "@/core/adhesive";
import type { Air } from "@/core/air";
import type { Side } from "@/core/eye";
import { cureSettings } from "@/core/policy";
import { serviceOf } from "@/core/service";
import type { VisitState } from "@/core/visit";
import type { RatedBottle } from "@/features/shelf/ratedBottles";
import { useNow, useTabletStore } from "@/features/tablet/TabletProvider";
import { Drying } from "./Drying";
import { adhesiveInUse } from "@/features/visit/adhesiveInUse";
import { LedgerSheet } from "./LedgerSheet";
import { LengthRows } from "./LengthRows";
import { Pedals } from "./Pedals";
import { Placing } from "./Placing";
import { SoundAndSleep } from "./SoundAndSleep";
import { useLedger } from "./useLedger";
import type { VisitProps } from "./visitProps";

/** The ledger and the finishes that wait are told by the second. */
const SECOND_MS = 1000;

/** Under way: placing or drying, what has cured, the map in large figures. */
export function AtTheChair({
  visit,
  state,
  air,
  readings,
  rated,
}: {
  visit: VisitProps;
  state: VisitState;
  air: Air | null;
  readings: readonly AirAt[];
  rated: readonly RatedBottle[];
}) {
  const store = useTabletStore();
  const nowMs = useNow(SECOND_MS);
  const { id } = visit;
  const { beads, bottleId, zones } = state.set;
  const beadIsOut = beads.length > 0 && beads.at(-1)!.endedAtMs === null;
  const [chosen, setChosen] = useState<"placing" | "ending" | null>(null);
  // With a bead out there is still placing to be done; with the last one wiped there is none, unless somebody says so. It follows
  // the taps and not what was there when the page came: after a reload some come later, from this tablet or another.
  const ending = !beadIsOut && (chosen === null ? beads.length > 0 : chosen === "ending");
  const settings = useMemo(() => cureSettings(visit.policy), [visit.policy]);
  const glue = useMemo(() => adhesiveInUse(visit, bottleId), [visit, bottleId]);
  const ledger = useLedger(state, readings, nowMs, settings, glue.law, glue.waterHours);
  const place = useCallback(
    (side: Side, layer: number, zone: number) => {
      const done = zones.find((one) => one.side === side && one.layer === layer && one.zone === zone);
      void (done ? store.tap(id, "undone", { eventId: done.eventId }) : store.tap(id, "zonePlaced", { side, layer, zone }));
    },
    [store, id, zones],
  );
  const end = useCallback(() => {
    setChosen("ending");
    // The last lash is placed: from here its cure is counted.
    if (beadIsOut) void store.tap(id, "beadWiped", {});
  }, [store, id, beadIsOut]);
  const wanted = air && glue.adhesive ? windowTarget(glue.adhesive, air, visit.roomVolumeM3) : null;
  const eyes = ledger?.eyes;
  return (
    <div className="mt-4 grid gap-x-14 gap-y-8 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]">
      <div>
        {ending ? (
          <Drying
            state={state}
            ledger={ledger}
            inReachS={eyes && wanted && air ? waitInAirS(eyes.leftS, air, wanted, glue.law) : null}
            usual={visit.policy.finish}
            onClient={serviceOf(visit.service).onClient}
            figures={settings.figures}
            onFinish={(method) => void store.tap(id, "finishApplied", { method })}
            onDone={() => void store.tap(id, "finished", {})}
            onBack={() => setChosen("placing")}
          />
        ) : (
          <Placing visit={visit} state={state} air={air} rated={rated} glue={glue} settings={settings} onEnd={end} />
        )}
        <LedgerSheet ledger={ledger} needS={settings.eyesOpenS} />
        <SoundAndSleep />
      </div>
      {visit.map ? <LengthRows map={visit.map} placed={zones} onPlace={place} /> : null}
      <Pedals />
    </div>
  );
}
