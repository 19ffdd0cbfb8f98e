"use client";
import { useState } from "react";
import { AREA_LABELS, type Area } from "@/core/eye";
import {
  coatsOn,
  isRinsing,
  lainS,
  lanesOf,
  longer,
  mayCoat,
  mayWipe,
  nextStep,
  nextTap,
  offOrder,
  order,
  plannedS,
  runMistakes,
  stepOf,
  type Coat,
  type Objection,
  type PastRun,
  type RunState,
} from "@/core/processing";
import { formatClock, sentence } from "@/core/units";
import { useTabletStore } from "@/features/tablet/TabletProvider";
import { useWakeLock } from "@/features/tablet/useWakeLock";
import { readAlarmChoice, soundIsOpen } from "@/features/tablet/alarm";
import { Button, cx, Verdict } from "@/ui";
import { useReserve } from "@/ui/useReserve";
import { BatchChoice } from "./BatchChoice";
import type { ColourProps } from "@/features/plan/colourProps";
import { LookRow } from "./LookRow";
import { RunLanes } from "@/features/drawing/RunLanes";
import { RunNow } from "./RunNow";
import { tapWords } from "./runWords";
import { StopScreen } from "./StopScreen";
import { StepReasons } from "./StepReasons";
import { useRunKeys } from "./useRunKeys";

/** How long a question stays open for the second tap that answers it, ms. */
const ASKED_MS = 5000;
/** Of what went wrong the newest are shown; all of it stays on record. */
const SHOWN = 3;

type Asked = { readonly objection: Objection; readonly key: string; readonly untilMs: number };

/** Wanted with a line or without. */
const loadMix = () => import("./MixSheet");

/** Under way: lanes in time, the one clock that fills the eye, the next tap, the way to stop. */
export function AtTheRun({
  visit,
  run,
  past,
  nowMs,
  lastUndoableId,
}: {
  visit: ColourProps;
  run: RunState;
  past: readonly PastRun[];
  nowMs: number;
  lastUndoableId: string | null;
}) {
  const store = useTabletStore();
  const awake = useWakeLock(true);
  const [asked, setAsked] = useState<Asked | null>(null);
  const [mixing, setMixing] = useState<string | null>(null);
  const sheet = useReserve(loadMix, mixing !== null);
  const next = nextTap(run, nowMs);
  const lanes = lanesOf(run, nowMs);
  const begun = run.coats.length > 0;
  const on = coatsOn(run);

  /** Does it, or says what stands against it; what may be passed is passed by the same tap within a few seconds. */
  const tapOnce = (key: string, objection: Objection | null, work: () => void) => {
    if (objection && (objection.hard || asked?.key !== key || asked.untilMs < nowMs))
      return setAsked({ objection, key, untilMs: nowMs + ASKED_MS });
    setAsked(null);
    work();
  };
  const coat = (stepId: string, area: Area) =>
    tapOnce(`coat ${stepId} ${area}`, mayCoat(run, stepId, area, nowMs), () => void store.tap(visit.id, "coated", { stepId, area }));
  const wipe = (one: Coat) =>
    tapOnce(
      `wipe ${one.eventId}`,
      mayWipe(run, one, nowMs),
      () => void store.tap(visit.id, "wiped", { stepId: one.stepId, area: one.area }),
    );
  const lane = (area: Area) => {
    const lies = on.find((one) => one.area === area);
    if (lies) return wipe(lies);
    const step = nextStep(run, area);
    if (step) coat(step.id, area);
  };
  const goOn = () => {
    if (next.kind === "coat") coat(next.stepId, next.area);
    else if (next.kind === "wipe" || next.kind === "wait") {
      const lies = on.find((one) => one.stepId === next.stepId && one.area === next.area);
      if (lies) wipe(lies);
    } else if (next.kind === "task") void store.tap(visit.id, "taskDone", { stepId: next.stepId });
    else if (next.kind === "mix") setMixing(next.stepId);
  };
  const stop = (kind: "splash" | "gluedLids" = "splash") =>
    void store.tap(visit.id, "runStopped", { kind, rinseS: visit.policy.rinseMinutes * 60 });
  // On the stop's own screen a pedal undoes nothing.
  const undo = () => !run.stop && lastUndoableId && void store.tap(visit.id, "undone", { eventId: lastUndoableId });
  const first = offOrder(run)[0];
  const more = first ? longer(run, first.stepId, nowMs) : null;
  const extend = () =>
    first && more?.areas.forEach((area) => void store.tap(visit.id, "extended", { stepId: first.stepId, area, byS: more.byS }));
  useRunKeys({ next: goOn, lane: (i) => order(run)[i] && lane(order(run)[i]!), stop: () => !run.stop && stop(), undo, extend });

  if (isRinsing(run) || run.stop)
    return (
      <StopScreen
        run={run}
        nowMs={nowMs}
        onWiped={(one) => void store.tap(visit.id, "wiped", { stepId: one.stepId, area: one.area })}
        onKind={stop}
        memberName={visit.memberName}
        onEnd={(why) => void store.tap(visit.id, "rinseEnded", { why })}
        onTakeBack={(why) => void store.tap(visit.id, "stopTakenBack", { why })}
      />
    );

  const looked = on.filter((one) => stepOf(run, one.stepId)?.lookEveryS != null);
  const mistakes = runMistakes(run, nowMs);
  const standing = asked && asked.untilMs >= nowMs ? asked : null;
  return (
    // A button touched by a finger gives the focus back: the pedal's Space is for what is next, not for it.
    <div
      className="mt-1"
      onClick={(event) => event.detail > 0 && document.activeElement instanceof HTMLElement && document.activeElement.blur()}
    >
      <RunLanes
        lanes={lanes}
        nowMs={nowMs}
        timeZone={visit.timeZone}
        begun={begun}
        laneButton={(area) => {
          const lies = on.find((one) => one.area === area);
          const step = lies ? stepOf(run, lies.stepId) : nextStep(run, area);
          const words = laneWords(lies, step?.name);
          return (
            <button
              type="button"
              disabled={!step}
              onClick={() => lane(area)}
              aria-label={`${AREA_LABELS[area]}: ${words}`}
              className={cx(
                "mt-0.5 flex h-[calc(100%-4px)] w-full items-center gap-2.5 rounded-md border px-2 text-left leading-5 disabled:opacity-60",
                lies ? "border-ivy bg-leaf" : "border-transparent hover:bg-moss-soft",
              )}
            >
              <kbd className="hidden rounded border border-line-strong px-2 font-sans text-lg sm:inline">
                {order(run).indexOf(area) + 1}
              </kbd>
              <span className="min-w-0">
                <span className="block text-base font-semibold sm:text-lg">{AREA_LABELS[area]}</span>
                <span className="block text-sm text-ink-2 sm:text-base">
                  {lies ? `${step?.name}: ${formatClock(plannedS(run, lies) - lainS(lies, nowMs))}` : words}
                </span>
              </span>
            </button>
          );
        }}
      />
      <div className="mt-4 grid gap-x-12 gap-y-5 lg:grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)]">
        <div>
          <RunNow run={run} nowMs={nowMs} />
          {standing ? (
            <p role="alert" className="mt-2 text-xl">
              <Verdict tone={standing.objection.hard ? "stop" : "look"} plain>
                {standing.objection.why}
                {standing.objection.hard ? "" : " The same tap again does it all the same."}
              </Verdict>
            </p>
          ) : null}
          {next.kind === "batch" ? (
            <BatchChoice
              products={visit.products.filter(({ document }) => document.kind === stepOf(run, next.stepId)?.product)}
              onChoose={(productId, batchId) => void store.tap(visit.id, "batchTaken", { stepId: next.stepId, productId, batchId })}
            />
          ) : null}
          <div className="mt-4 flex flex-wrap gap-2">
            {next.kind === "batch" ? null : next.kind === "done" ? null : (
              <Button size="bed" tone={next.kind === "wait" ? "line" : "ivy"} onClick={goOn}>
                {tapWords(run, next)}
              </Button>
            )}
            {begun ? (
              <Button size="bedNarrow" tone="stop" onClick={() => stop()}>
                Stop, rinse
              </Button>
            ) : null}
            {more ? (
              <Button size="bedNarrow" tone="plain" onClick={extend}>
                + {more.byS} s
              </Button>
            ) : null}
            <Button size="bedNarrow" tone="plain" disabled={!lastUndoableId} onClick={undo}>
              Take back
            </Button>
          </div>
        </div>
        <div className="space-y-4">
          {looked.map((one) => (
            <LookRow
              key={one.eventId}
              run={run}
              coat={one}
              past={past}
              nowMs={nowMs}
              onLook={(depth) => void store.tap(visit.id, "looked", { stepId: one.stepId, area: one.area, depth })}
            />
          ))}
          {mistakes.slice(-SHOWN).map(({ rule, severity, words }) => (
            <p key={rule + words} className={cx("text-xl", rule === "secondEyeForgotten" && "text-2xl")}>
              <Verdict tone={severity}>{sentence(words)}</Verdict>
            </p>
          ))}
          {looked.length === 0 ? <StepReasons visit={visit} run={run} nowMs={nowMs} onMix={(stepId) => setMixing(stepId)} /> : null}
          {readAlarmChoice().sound && !soundIsOpen() ? (
            <p className="text-[0.9375rem] text-ink-2">Touch anything once, and the clocks can sound.</p>
          ) : null}
          {awake ? null : (
            <p className="text-[0.9375rem]">
              <Verdict tone="look">This browser lets the screen sleep.</Verdict>{" "}
              <span className="text-ink-2">Asleep, no clock can sound: set the tablet to stay on, or reach the studio by HTTPS.</span>
            </p>
          )}
          <p className="text-[0.9375rem] text-ink-2">
            <kbd>Space</kbd> or pedal: what is next. <kbd>1</kbd> to <kbd>{order(run).length}</kbd>: a lane. <kbd>E</kbd> longer,{" "}
            <kbd>S</kbd> stop, <kbd>Backspace</kbd> take back. Behind another window a clock sounds within a second of its time; a tablet
            asleep sounds nothing.
          </p>
        </div>
      </div>
      {mixing && sheet ? (
        <sheet.MixSheet
          visit={visit}
          run={run}
          stepId={mixing}
          onMixed={(payload) => {
            void store.tap(visit.id, "pasteMixed", payload);
            setMixing(null);
          }}
          onClose={() => setMixing(null)}
        />
      ) : null}
    </div>
  );
}

const laneWords = (lies: Coat | undefined, step: string | undefined) =>
  lies ? `${step} on: wipe off` : step ? `${step}: first touch` : "all off";
