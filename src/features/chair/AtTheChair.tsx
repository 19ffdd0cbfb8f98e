"use client";
import dynamic from "next/dynamic";
import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { beadLifeS, eyesWaitS, shakeSecondsFor, waitInAirS, windowTarget, type AirAt, type FinishId } from "@/core/adhesive";
import type { Air } from "@/core/air";
import type { Side } from "@/core/eye";
import { cureSettings } from "@/core/policy";
import { serviceOf } from "@/core/service";
import { isLaterBead, nextTap, type VisitState } from "@/core/visit";
import { inspectionOf, isLooked, looksAtEnd, type PlannedSpot } from "@/core/placing";
import { InspectionRows } from "@/features/thread/InspectionRows";
import { useFill } from "@/features/fill/useFill";
import { useFillTaps } from "@/features/fill/useFillTaps";
import { HELD_MS } from "@/features/placing/PlacedButton";
import { useLashTaps } from "@/features/placing/useLashTaps";
import { usePlacing } from "@/features/placing/usePlacing";
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
import { useBeadTaps } from "./useBeadTaps";
import type { VisitProps } from "./visitProps";
import { useKey } from "@/ui/keys";
import { useHeldKey } from "@/ui/useHeldKey";

// The screen at the bed is fetched while the bead is shaken, so that it is there without a network too.
const fetchScreen = () => import("@/features/placing/PlacingScreen").then((module) => module.PlacingScreen);
const PlacingScreen = dynamic(fetchScreen, { ssr: false, loading: () => <div data-bed className="flex-1" aria-hidden="true" /> });

// A fill is looked at before its first bead.
const FillPanel = dynamic(() => import("@/features/fill/FillPanel").then((module) => module.FillPanel), {
  loading: () => <div className="h-96" aria-hidden="true" />,
});

/** By so much a timer may be late and still be of the press that began it, ms. */
const HELD_SLACK_MS = 400;

/** The ledger and the finishes that wait are told by the second. */
const SECOND_MS = 1000;
const MINUTE_MS = 60_000;

/** Under way: lash by lash at the bed, or the visit's page with bead, bottle and brush, or drying. The pedal is heard on all of them. */
export function AtTheChair({
  visit,
  state,
  air,
  readings,
  rated,
  head,
  stopStands,
}: {
  visit: VisitProps;
  state: VisitState;
  air: Air | null;
  readings: readonly AirAt[];
  rated: readonly RatedBottle[];
  /** The visit's heading, thread and notes, over its page. */
  head: ReactNode;
  /** Something stands against the visit now. */
  stopStands: boolean;
}) {
  const store = useTabletStore();
  const { id } = visit;
  const { beads, bottleId, zones } = state.set;
  const beadIsOut = beads.length > 0 && beads.at(-1)!.endedAtMs === null;
  const [chosen, setChosen] = useState<"placing" | "ending" | null>(null);
  // With a bead out there is still placing to be done; with the last one wiped there is none, unless somebody says so. It follows
  // the taps and not what was there when the page came: after a reload some come later, from this tablet or another.
  const ending = !beadIsOut && (chosen === null ? beads.length > 0 : chosen === "ending");
  const settings = useMemo(() => cureSettings(visit.policy), [visit.policy]);
  const glue = useMemo(() => adhesiveInUse(visit, bottleId), [visit, bottleId]);
  // With a bead out the hands are at the bed; who wants the page asks for it, until the next lash.
  const [onPage, setOnPage] = useState(false);
  const atBed = beadIsOut && !ending && visit.map !== null && visit.ground !== null && !onPage;
  const nowMs = useNow(atBed ? MINUTE_MS : SECOND_MS);
  // At the bed nothing is shown of it, and a tap waits for nothing that is not.
  const ledger = useLedger(state, readings, atBed ? null : nowMs, settings, glue.law, glue.waterHours);
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
  const { onClient } = serviceOf(visit.service);

  const looks = looksAtEnd(onClient);
  const inUse = rated.find(({ bottle }) => bottle.id === bottleId)?.fitness;
  const fill = useFill(visit, state, nowMs);
  const fillTaps = useFillTaps(id, fill, state);
  const work = usePlacing(visit, state, inUse?.expected?.known ? inUse.expected.setTimeS : null, fill?.kept);
  const taps = useLashTaps(id, work, visit.policy);
  const { ground, map, policy } = visit;
  const onPads = useMemo(() => (ground && map ? { ...ground, map, policy } : null), [ground, map, policy]);
  const shakeS = shakeSecondsFor(visit.policy, glue.adhesive?.shakeSeconds, isLaterBead(state.set));
  const beadTaps = useBeadTaps(visit, state, air, shakeS);
  useEffect(() => void fetchScreen().catch(() => undefined), []);

  const pressed = useRef<{ readonly spot: PlannedSpot | null; readonly ms: number }>({ spot: null, ms: 0 });
  const finish = (method: FinishId) => void store.tap(id, "finishApplied", { method });
  const done = () => void store.tap(id, "finished", {});
  const pedal = ({ timeStamp }: KeyboardEvent) => {
    const usual = visit.policy.finish;
    const next = nextTap(state, {
      ms: store.now().ms,
      toTakeOff: fillTaps.toGo,
      isAllPlaced: work.isAllPlaced,
      isEnding: ending,
      mayFinish: (eyes?.sinceS ?? 0) >= settings.figures[usual].waitS,
      // Until the cure is counted nobody's eyes may open.
      mayOpen: !onClient || (ledger !== null && (eyes?.may ?? true)),
    });
    const does = {
      takeOff: () => fillTaps.takeOff(false),
      shake: beadTaps.shake,
      bead: beadTaps.bead,
      lash: () => taps.place(timeStamp),
      resume: taps.resume,
      end,
      done,
      finish: () => finish(usual),
      waits: null,
    };
    if (next === "lash") setOnPage(false);
    pressed.current = { spot: next === "lash" ? work.spot : null, ms: performance.now() };
    does[next]?.();
  };
  // The lash is placed as the pedal goes down; held, it means what that zone lacks still.
  useHeldKey("Space", HELD_MS, () => {
    const { spot, ms } = pressed.current;
    // A Space that is held in a field or on a sheet was never the pedal's.
    if (spot && performance.now() - ms < HELD_MS + HELD_SLACK_MS) taps.restOf(spot);
  });
  // Whatever was touched before, Space is the pedal; a button that was reached by Tab is worked by Enter.
  useKey("space", pedal);
  useKey("d", end, { unless: () => !atBed });
  const isBeforeWork = beads.length === 0 && state.set.shake === null;
  useKey("h", () => fillTaps.takeOff(true), { unless: () => !isBeforeWork || fillTaps.toGo === 0 });

  if (atBed && onPads)
    return (
      <PlacingScreen
        title={`${visit.clientName}, at the bed`}
        of={onPads}
        state={state}
        work={work}
        taps={taps}
        beads={beadTaps}
        stopStands={stopStands}
        hand={inUse?.hand ?? null}
        usualBeadLifeS={beadLifeS(visit.policy.beadMinutes, air)}
        eyesS={eyesWaitS(settings, air, glue.law)}
        onEnd={end}
        onPage={() => setOnPage(true)}
      />
    );
  return (
    <>
      {head}
      {fill && visit.found && visit.ground && beads.length === 0 && !ending ? (
        <FillPanel visit={visit} found={visit.found} ground={visit.ground} state={state} outlook={fill} taps={fillTaps} />
      ) : null}
      <div className="mt-4 grid gap-x-14 gap-y-8 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]">
        <div>
          {ending ? (
            <Drying
              state={state}
              ledger={ledger}
              inReachS={eyes && wanted && air ? waitInAirS(eyes.leftS, air, wanted, glue.law) : null}
              usual={visit.policy.finish}
              onClient={onClient}
              figures={settings.figures}
              unanswered={looks.filter((one) => !isLooked(one, state.set.inspections)).map((one) => inspectionOf(one).label)}
              onFinish={finish}
              onDone={done}
              onBack={() => setChosen("placing")}
            />
          ) : (
            <Placing
              visit={visit}
              state={state}
              air={air}
              rated={rated}
              glue={glue}
              settings={settings}
              taps={beadTaps}
              onEnd={end}
              onBed={beadIsOut && visit.ground ? () => setOnPage(false) : null}
            />
          )}
          <LedgerSheet ledger={ledger} needS={settings.eyesOpenS} />
          <SoundAndSleep />
        </div>
        {ending ? (
          <section aria-label="Looks at the end">
            <h2 className="text-2xl">Looks at the end</h2>
            <p className="mb-2 text-[0.9375rem] text-ink-2">Eyes stay shut until the clock says so; the first three need no open eye.</p>
            <InspectionRows visitId={id} what={looks} inspections={state.set.inspections} />
          </section>
        ) : visit.map ? (
          <LengthRows map={visit.map} placed={zones} onPlace={place} />
        ) : null}
        <Pedals />
      </div>
    </>
  );
}
