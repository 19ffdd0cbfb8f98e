"use client";
import dynamic from "next/dynamic";
import { useEffect, useMemo, useState } from "react";
import { freshAir, type Air } from "@/core/air";
import { stopsOf } from "@/core/care";
import { serviceOf } from "@/core/service";
import { Findings } from "@/features/care/Findings";
import { useRooms } from "@/features/live/LiveProvider";
import { useTrail } from "@/features/live/useTrail";
import { rateBottles } from "@/features/shelf/ratedBottles";
import { Notice, Verdict } from "@/ui";
import { VisitThread } from "@/features/thread/VisitThread";
import type { ThreadedVisit } from "@/features/thread/useThread";
import { LateReason } from "./LateReason";
import { Marks } from "@/features/visit/Marks";
import { PassedOver } from "@/features/visit/PassedOver";
import { PlaceOfVisit } from "@/features/visit/PlaceOfVisit";
import { VisitHeading } from "@/features/visit/VisitHeading";
import { workedWords } from "@/features/visit/workedWords";
import type { VisitProps } from "./visitProps";
import { useChairKept, useNow, useVisit } from "@/features/tablet/TabletProvider";

// What a visit came to is read when it is over: fetched while it runs, so that it is there without a network too.
const fetchDone = () => import("./DoneVisit").then((module) => module.DoneVisit);
const DoneVisit = dynamic(fetchDone);
// A visit is one of these at a time; the work is fetched while it is begun, so that it is there without a network too.
const fetchChair = () => import("./AtTheChair").then((module) => module.AtTheChair);
const AtTheChair = dynamic(fetchChair);
const BeforeBeginning = dynamic(() => import("./BeforeBeginning").then((module) => module.BeforeBeginning));
const NoMapYet = dynamic(() => import("./NoMapYet").then((module) => module.NoMapYet));

/** Often enough for whether a reading is still of now. */
const COARSE_MS = 5000;

/** The visit: to begin, at the chair, or as it was kept. */
export function VisitWorkspace(visit: VisitProps) {
  const now = useNow(COARSE_MS);
  const { state, passedOver } = useVisit(visit.id, visit.events);
  const running = state.head.startedAtMs !== null && state.head.finishedAtMs === null;
  useChairKept(visit.id, running);
  const isOver = state.head.finishedAtMs !== null;
  // Of an old one the record is read; what follows a visit is done on its day.
  const isOfToday = visit.isoDay === visit.today;
  useEffect(() => {
    if (running) void fetchDone().catch(() => undefined);
    else if (isOfToday && !isOver) void fetchChair().catch(() => undefined);
  }, [running, isOfToday, isOver]);

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
  const rated = useMemo(
    () => rateBottles(visit.bottles, visit.knowledge, air, visit.roomVolumeM3, visit.technique, visit.today),
    [visit.bottles, visit.knowledge, air, visit.roomVolumeM3, visit.technique, visit.today],
  );
  const { label } = serviceOf(visit.service);
  const threaded = useMemo<ThreadedVisit>(() => ({ ...visit, hasMap: visit.map !== null, isPast: visit.isoDay < visit.today }), [visit]);
  const [picked, setPicked] = useState<string | null>(null);
  const bottleId = state.set.bottleId ?? picked ?? rated[0]?.bottle.id ?? null;

  // A fill begins with what is left: that has the page, and its steps are a touch away.
  const countsFirst = visit.found !== null;
  const stands = stopsOf(visit.care.findings);
  const head = (
    <>
      <VisitHeading visit={visit} service={label} worked={workedWords(state, visit.timeZone)} />
      <VisitThread
        visit={threaded}
        state={state}
        opens={isOver ? (isOfToday ? "here" : null) : running && state.set.beads.length === 0 && !countsFirst ? "prepare" : null}
      />
      <Marks marks={visit.marks} />
      <PassedOver count={passedOver} />
      {state.head.startedAtMs !== null ? <LateReason visitId={visit.id} /> : null}
      {state.head.startedAtMs !== null && visit.reason ? (
        <p className="text-[0.9375rem] text-ink-2">
          <Verdict tone="look">Asked first</Verdict>, goes ahead because: <bdi>{visit.reason}</bdi>
        </p>
      ) : null}
      {running && stands.length > 0 ? (
        <Notice tone="stop" title="Something stands against it now" className="mt-2 max-w-2xl">
          <Findings findings={stands} />
        </Notice>
      ) : null}
    </>
  );

  if (running && !visit.cancelled)
    return (
      <AtTheChair
        visit={visit}
        state={state}
        air={air}
        readings={readings}
        rated={rated}
        head={<div className="pt-3">{head}</div>}
        stopStands={stands.length > 0}
      />
    );
  return (
    <div className="pt-3">
      {head}
      {visit.cancelled ? (
        <Notice tone="note" title="This visit is cancelled" className="mt-6 max-w-xl">
          {visit.cancelled.why}. Take it up again on its day.
          <PlaceOfVisit visit={visit} />
        </Notice>
      ) : state.head.startedAtMs === null ? (
        visit.map ? (
          <BeforeBeginning visit={visit} rated={rated} bottleId={bottleId} air={air} onBottle={setPicked} />
        ) : (
          <NoMapYet visit={visit} />
        )
      ) : (
        <DoneVisit visit={visit} threaded={threaded} state={state} readings={readings} />
      )}
    </div>
  );
}
