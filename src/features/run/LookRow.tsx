"use client";
import { useMemo } from "react";
import { DEPTHS, PROCESS_PRIORS, timeToTarget, type DepthLook } from "@/core/colour";
import { AREA_LABELS, partOf } from "@/core/eye";
import { coursesOf, lainS, lookDueMs, stepOf, type Coat, type PastRun, type RunState } from "@/core/processing";
import { formatClock } from "@/core/units";
import { cx, Verdict } from "@/ui";

/** A look at the hair: its depth in one tap, and when the wish will be reached as it looks now. */
export function LookRow({
  run,
  coat,
  past,
  nowMs,
  onLook,
}: {
  run: RunState;
  coat: Coat;
  past: readonly PastRun[];
  nowMs: number;
  onLook: (depth: number) => void;
}) {
  const step = stepOf(run, coat.stepId)!;
  const part = partOf(coat.area);
  const target = part === "lashes" ? run.plan!.wish.lashDepth : run.plan!.wish.browDepth;
  const begun = part === "lashes" ? run.plan!.from.lashDepth : run.plan!.from.browDepth;
  const dueMs = lookDueMs(run, coat);
  const due = dueMs !== null && nowMs >= dueMs;
  return (
    <div data-testid="look-row">
      <p className="text-xl">
        {due ? (
          <Verdict tone="look" plain>
            Wipe a spot, look: {AREA_LABELS[coat.area]}
          </Verdict>
        ) : (
          <span className="text-ink-2">
            {AREA_LABELS[coat.area]}, next look in {dueMs === null ? "" : formatClock((dueMs - nowMs) / 1000)}
          </span>
        )}
      </p>
      <div role="group" aria-label={`Depth seen, ${AREA_LABELS[coat.area]}`} className="mt-1.5 grid grid-cols-5 gap-1.5 sm:grid-cols-10">
        {DEPTHS.map(({ depth, hex, label }) => (
          <button
            key={depth}
            type="button"
            title={label}
            onClick={() => onLook(depth)}
            className={cx(
              "relative flex h-16 items-end justify-center rounded-md border-2 pb-0.5",
              depth === target ? "border-ivy" : "border-line-strong",
            )}
            style={{ background: hex }}
          >
            <span className="rounded bg-paper px-1.5 text-lg leading-6 font-semibold text-ink">{depth}</span>
          </button>
        ))}
      </div>
      {target !== null && (step.product === "lightener" || step.product === "tint") ? (
        <LookEstimate
          coat={coat}
          past={past}
          product={step.product}
          begun={begun}
          target={target}
          mostS={step.mostS}
          lainMinutes={lainS(coat, nowMs) / 60}
        />
      ) : null}
    </div>
  );
}

/** When the wish will be reached as it looks now, with its interval; the leaflet's end has the last word. */
function LookEstimate({
  coat,
  past,
  product,
  begun,
  target,
  mostS,
  lainMinutes,
}: {
  coat: Coat;
  past: readonly PastRun[];
  product: "lightener" | "tint";
  begun: number;
  target: number;
  mostS: number;
  lainMinutes: number;
}) {
  const estimate = useMemo(() => {
    const looks: DepthLook[] = [
      { minutes: 0, depth: begun },
      ...coat.looks.map(({ atMs, depth }) => ({ minutes: (atMs - coat.onAtMs) / 60_000, depth })),
    ];
    return timeToTarget(target, { looks }, coursesOf(past, product, partOf(coat.area)), PROCESS_PRIORS[product]);
  }, [target, product, begun, coat, past]);
  const at = (minutes: number) => (minutes * 60 > mostS ? "past the leaflet’s end" : formatClock(minutes * 60));
  return (
    <p className="mt-1.5 text-[1.0625rem] text-ink-2">
      Depth {target} likely at <b className="text-ink">{at(estimate.mid)}</b>, between {formatClock(estimate.low * 60)} and{" "}
      {at(estimate.high)}
      {estimate.mid <= lainMinutes ? "; look now" : ""}. Leaflet ends at {formatClock(mostS)}.
    </p>
  );
}
