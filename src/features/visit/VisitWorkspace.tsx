"use client";
import { useEffect, useMemo, useState } from "react";
import { freshAir, type Air } from "@/core/air";
import { visitState } from "@/core/visit";
import { useRooms } from "@/features/live/LiveProvider";
import { useTrail } from "@/features/live/useTrail";
import { judgedBottles } from "@/features/shelf/judged";
import { Button, LinkButton, Notice, Verdict } from "@/ui";
import { AtTheChair } from "./AtTheChair";
import { BottleChoice } from "./BottleChoice";
import { DoneVisit } from "./DoneVisit";
import { Knots } from "./Knots";
import { knotsOf } from "./knotsOf";
import { LengthRows } from "./LengthRows";
import { VisitHeading } from "./VisitHeading";
import type { VisitProps } from "./visitProps";
import { useNow, useVisits, useVisitStore } from "./VisitProvider";

/** The visit: to begin, at the chair, or as it was kept. */
export function VisitWorkspace(visit: VisitProps) {
  const store = useVisitStore();
  const { events } = useVisits();
  const now = useNow();
  useEffect(() => store.adopt(visit.events), [store, visit.events]);
  const own = events.get(visit.id) ?? visit.events;
  const state = useMemo(() => visitState(own), [own]);
  const running = state.startedAtMs !== null && state.finishedAtMs === null;

  const heard = useRooms().find(({ id }) => id === visit.roomId)?.air ?? null;
  const newest = heard && (!visit.air || heard.takenAt > visit.air.takenAt) ? heard : visit.air;
  const readings = useTrail(visit.readings, heard);
  // Air long past is not the air of this bead.
  const fresh = now === null ? null : freshAir(newest, now);
  const [warmth, damp] = [fresh?.temperatureC, fresh?.relativeHumidity];
  const air = useMemo<Air | null>(
    () => (warmth === undefined || damp === undefined ? null : { temperatureC: warmth, relativeHumidity: damp }),
    [warmth, damp],
  );
  const judged = useMemo(
    () => judgedBottles(visit.bottles, visit.knowledge, air, visit.roomVolumeM3, visit.technique, visit.today),
    [visit.bottles, visit.knowledge, air, visit.roomVolumeM3, visit.technique, visit.today],
  );
  const [picked, setPicked] = useState<string | null>(null);
  const bottleId = state.bottleId ?? picked ?? judged[0]?.bottle.id ?? null;

  return (
    <div className="pt-3">
      <VisitHeading visit={visit} service={visit.service} />
      <Knots knots={knotsOf({ hasMap: visit.map !== null, patchTestHeld: visit.patch.held }, state)} />
      {!visit.patch.held && visit.patch.reason ? (
        <p className="text-[0.9375rem] text-ink-2">
          <Verdict tone="look">{visit.patch.words}</Verdict>, goes ahead because: <bdi>{visit.patch.reason}</bdi>
        </p>
      ) : null}

      {state.startedAtMs === null ? (
        visit.map ? (
          <div className="mt-6 grid gap-x-14 gap-y-8 lg:grid-cols-2">
            <div>
              <h2 className="text-3xl">Ready to begin</h2>
              <div className="mt-4 max-w-md">
                <BottleChoice judged={judged} value={bottleId ?? ""} onChange={setPicked} />
              </div>
              <p className="mt-4 text-ink-2">
                Anything in the eye? Lower lashes all under the pad? Look with the mirror before the first lash.
              </p>
              <Button size="bed" className="mt-5" onClick={() => void store.tap(visit.id, "started", { bottleId, air })}>
                Begin the visit
              </Button>
            </div>
            <LengthRows map={visit.map} />
          </div>
        ) : (
          <div className="mt-8">
            <Notice tone="note" title="No map is chosen for this visit yet" className="max-w-xl">
              A visit begins from a map. Open one of the client&rsquo;s maps, or plan a new one, and go “to the chair” from it.
            </Notice>
            <div className="mt-4 flex gap-3">
              <LinkButton href={`/clients/${visit.clientId}`}>To the client&rsquo;s maps</LinkButton>
              <LinkButton href={`/clients/${visit.clientId}/map`} tone="line">
                Plan a new one
              </LinkButton>
            </div>
          </div>
        )
      ) : running ? (
        <AtTheChair visit={visit} state={state} nowMs={now} air={air} readings={readings} judged={judged} />
      ) : (
        <DoneVisit visit={visit} state={state} readings={readings} />
      )}
    </div>
  );
}
