"use client";
import { useEffect, useEffectEvent, useMemo, useState } from "react";
import { baseRate, beadLifeS, isolation, setTimeRatio, windowTarget, type AirAt, type GrabFacts } from "@/core/adhesive";
import type { Air } from "@/core/air";
import { cureSettings } from "@/core/policy";
import { formatClock } from "@/core/units";
import type { VisitState } from "@/core/visit";
import type { JudgedBottle } from "@/features/shelf/judged";
import { fitnessWords } from "@/features/shelf/glueWords";
import { Stopwatch } from "@/features/shelf/Stopwatch";
import { Button, isTyping, Verdict } from "@/ui";
import { readAlarmChoice, soundIsOpen } from "@/features/tablet/alarm";
import { ChangeBottle } from "./ChangeBottle";
import { BigClock } from "./BigClock";
import { BrushCheck } from "./BrushCheck";
import { Drying } from "./Drying";
import { glueInUse } from "./glueInUse";
import { GrabSheet } from "./GrabSheet";
import { LedgerSheet } from "./LedgerSheet";
import { LengthRows } from "./LengthRows";
import { Pedals } from "./Pedals";
import { useLedger } from "./useLedger";
import { useTabletStore } from "@/features/tablet/TabletProvider";
import { useWakeLock } from "@/features/tablet/useWakeLock";
import type { VisitProps } from "./visitProps";

/** Under way: one clock that fills the eye, the next tap, what has cured, the map in large figures. */
export function AtTheChair({
  visit,
  state,
  nowMs,
  air,
  readings,
  judged,
}: {
  visit: VisitProps;
  state: VisitState;
  nowMs: number | null;
  air: Air | null;
  readings: readonly AirAt[];
  judged: readonly JudgedBottle[];
}) {
  const store = useTabletStore();
  const awake = useWakeLock(true);
  const out = state.set.beads.at(-1);
  const beadIsOut = out !== undefined && out.endedAtMs === null;
  const [wantsEnd, setWantsEnd] = useState(!beadIsOut && state.set.beads.length > 0);
  // With a bead out there is still placing to be done.
  const ending = wantsEnd && !beadIsOut;
  const end = () => {
    setWantsEnd(true);
    // The last lash is placed: from here its cure is counted.
    if (beadIsOut) void store.tap(visit.id, "beadWiped", {});
  };
  const [looking, setLooking] = useState(false);
  const settings = useMemo(() => cureSettings(visit.policy), [visit.policy]);
  const { law, waterHours, adhesive } = useMemo(() => glueInUse(visit, state.set.bottleId), [visit, state.set.bottleId]);
  const ledger = useLedger(state, readings, nowMs, settings, law, waterHours);
  const inUse = judged.find(({ bottle }) => bottle.id === state.set.bottleId);

  const shakeS = adhesive?.shakeSeconds ?? visit.policy.shakeSeconds;
  const shake = () => store.tap(visit.id, "shakeStarted", { durationS: shakeS });
  const bead = () =>
    store.tap(visit.id, "beadPlaced", { lifeS: beadLifeS(visit.policy.beadMinutes, air), air, bottleId: state.set.bottleId });
  const undo = () => state.head.lastUndoable && store.tap(visit.id, "undone", { eventId: state.head.lastUndoable.id });
  const timed = (seconds: number) =>
    air && state.set.bottleId && seconds >= 0.1 && seconds <= 60
      ? void store.tap(visit.id, "setTested", { seconds, air, bottleId: state.set.bottleId })
      : undefined;

  const press = useEffectEvent((event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || document.querySelector('[role="dialog"]')) return;
    if (isTyping(event.target)) return;
    const key = event.key.toLowerCase();
    if (key === "s") void shake();
    else if (key === "n") void bead();
    else if (key === "backspace") {
      event.preventDefault();
      void undo();
    }
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => press(event);
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);

  const eyes = ledger?.eyes;
  const wanted = air && adhesive ? windowTarget(adhesive, air, visit.roomVolumeM3) : null;
  const inReachS = eyes && wanted && air ? Math.max(0, (eyes.leftS * setTimeRatio(wanted, law)) / setTimeRatio(air, law)) : null;
  const held = air ? isolation(settings, air, law) : null;
  const rate = baseRate(visit.brushes);
  const facts = (): GrabFacts => {
    const words = inUse ? fitnessWords(inUse.fitness) : null;
    return {
      primer: visit.policy.primer,
      air:
        air && inUse?.fitness.verdict
          ? {
              fits: inUse.fitness.verdict.inWindow,
              words: `${air.temperatureC.toFixed(1)} °C, ${Math.round(air.relativeHumidity * 100)} %: ${inUse.fitness.verdict.inWindow ? "inside this bottle's window." : words!.says}`,
            }
          : null,
      bottle: inUse
        ? {
            daysLeft: inUse.fitness.age.daysLeft,
            old: inUse.fitness.drift?.old ?? false,
            name: `${inUse.bottle.adhesive.name}, lot ${inUse.bottle.lot}`,
          }
        : null,
      shakenS: state.set.shakenAtMs === null || nowMs === null ? null : (nowMs - state.set.shakenAtMs) / 1000,
      bead: out && beadIsOut && nowMs !== null ? { ageS: (nowMs - out.placedAtMs) / 1000, lifeS: out.lifeS } : null,
      seat: visit.seat,
    };
  };

  return (
    <div className="mt-4 grid gap-x-14 gap-y-8 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]">
      <div>
        {ending ? (
          <Drying
            state={state}
            ledger={ledger}
            inReachS={inReachS}
            usual={visit.policy.finish}
            figures={settings.figures}
            onFinish={(method) => void store.tap(visit.id, "finishApplied", { method })}
            onDone={() => void store.tap(visit.id, "finished", {})}
            onBack={() => setWantsEnd(false)}
          />
        ) : (
          <>
            <BigClock state={state} nowMs={nowMs} />
            <div className="mt-4 flex flex-wrap gap-3">
              <Button tone={state.set.beads.length === 0 && !state.set.shake ? "ivy" : "line"} size="bed" onClick={() => void shake()}>
                Shake {shakeS} s
              </Button>
              <Button tone={state.set.beads.length > 0 || state.set.shake ? "ivy" : "line"} size="bed" onClick={() => void bead()}>
                {state.set.beads.length === 0 ? "First bead" : "New bead"}
              </Button>
              <Button tone="plain" size="bed" disabled={!state.head.lastUndoable} onClick={() => void undo()}>
                Take back
              </Button>
            </div>
            <p className="mt-3 text-[0.9375rem] text-ink-2">
              {visit.bottleNames[state.set.bottleId ?? ""] ? `${visit.bottleNames[state.set.bottleId ?? ""]}. ` : ""}
              {air
                ? `Air ${air.temperatureC.toFixed(1)} °C, ${Math.round(air.relativeHumidity * 100)} %: a bead keeps ${formatClock(beadLifeS(visit.policy.beadMinutes, air))}`
                : "No fresh reading of the air: a bead is given the studio's full time"}
              {held ? `, a lash is held ${held.seconds.toFixed(0)} s.` : "."}{" "}
              {held?.tooSlow ? <Verdict tone="look">Over 8 s: change the air or the bottle.</Verdict> : null}
              {judged.length > 0 ? <ChangeBottle visitId={visit.id} judged={judged} bottleId={state.set.bottleId} /> : null}
            </p>
            {state.set.beads.length > 0 ? (
              <BrushCheck
                state={state}
                rate={rate}
                due={state.set.checkDueSinceMs !== null}
                onCheck={(counted) => void store.tap(visit.id, "checked", counted ?? { off: null, of: null })}
                onWillNotGrab={() => setLooking(true)}
              />
            ) : null}
            <div className="mt-4 flex flex-wrap items-center gap-2 border-t border-line pt-3">
              <Button tone="line" size="bedNarrow" onClick={end}>
                Dry and finish
              </Button>
              <Stopwatch keyName="T" label="Time a lash" size="bedNarrow" onTime={timed} disabled={!air || !state.set.bottleId} />
              <Button tone="plain" size="bedNarrow" onClick={() => setLooking(true)}>
                It will not grab
              </Button>
            </div>
            {state.set.tests.length > 0 ? (
              <p className="mt-2 text-[0.9375rem] text-ink-2">
                Timed here: {state.set.tests.map(({ seconds }) => `${seconds.toFixed(1)} s`).join(", ")}.
              </p>
            ) : null}
          </>
        )}
        <LedgerSheet ledger={ledger} needS={settings.eyesOpenS} />
        {nowMs !== null && readAlarmChoice().sound && !soundIsOpen() ? (
          <p className="mt-3 text-[0.9375rem] text-ink-2">Touch anything once, and the clocks can sound.</p>
        ) : null}
        {awake ? null : (
          <p className="mt-3 text-[0.9375rem]">
            <Verdict tone="look">This browser lets the screen sleep.</Verdict>{" "}
            <span className="text-ink-2">Set the tablet to stay on, or reach the studio by HTTPS. Asleep, no clock can sound.</span>
          </p>
        )}
      </div>
      {visit.map ? (
        <LengthRows
          map={visit.map}
          placed={state.set.zones}
          onPlace={(side, layer, zone) => {
            const done = state.set.zones.find((one) => one.side === side && one.layer === layer && one.zone === zone);
            void (done
              ? store.tap(visit.id, "undone", { eventId: done.eventId })
              : store.tap(visit.id, "zonePlaced", { side, layer, zone }));
          }}
        />
      ) : null}
      <Pedals />
      {looking ? <GrabSheet facts={facts()} onClose={() => setLooking(false)} /> : null}
    </div>
  );
}
