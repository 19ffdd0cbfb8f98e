"use client";
import { AREA_LABELS } from "@/core/eye";
import { lainS, nextTap, offOrder, overrunS, plannedS, runClocks, staggerS, stepOf, areaShort, type RunState } from "@/core/processing";
import { formatClock, sentence } from "@/core/units";
import { cx, Verdict } from "@/ui";
import { nowWords } from "./runWords";

/** The one clock that fills the eye: the coat that is due first, or what is to be done while nothing lies on. */
export function RunNow({ run, nowMs }: { run: RunState; nowMs: number }) {
  const next = nextTap(run, nowMs);
  const [first, second] = offOrder(run);
  if (!first)
    return (
      <div data-testid="run-now" data-state={next.kind}>
        <p className="text-[1.75rem] leading-tight text-ink-2">{next.kind === "coat" ? AREA_LABELS[next.area] : "nothing lies on"}</p>
        <p className="mt-1 font-serif text-[clamp(2.75rem,5vw,4rem)] leading-[1.05]">{headline(run, next)}</p>
        <p className="mt-3 max-w-[32ch] text-2xl leading-snug">{nowWords(run, next)}</p>
      </div>
    );
  const clock = runClocks(run, nowMs).find(({ id }) => id === first.eventId)!;
  const step = stepOf(run, first.stepId)!;
  return (
    <div data-testid="run-now" data-state={clock.state}>
      <p
        className={cx(
          "text-[1.75rem] leading-tight",
          clock.state === "past" || clock.state === "over" ? "font-semibold text-rosehip" : "text-ink-2",
        )}
      >
        {AREA_LABELS[first.area]}, {step.name}
      </p>
      <p
        className={cx(
          "text-[clamp(6rem,12vw,9.5rem)] leading-[0.92] font-semibold tracking-tight",
          (clock.state === "over" || clock.state === "past") && "text-rosehip",
          clock.state === "soon" && "text-brass",
        )}
      >
        {formatClock(clock.leftS)}
      </p>
      <p className="mt-2 max-w-[34ch] text-[1.75rem] leading-tight">
        {clock.state === "past" ? (
          <Verdict tone="stop" plain>
            Past the leaflet’s end by {formatClock(overrunS(run, first, nowMs))}. Off now; it is on record.
          </Verdict>
        ) : clock.state === "over" ? (
          <Verdict tone="stop" plain>
            Time is up. {step.removal}
          </Verdict>
        ) : (
          <>
            {next.kind === "coat" ? `Now ${areaShort(next.area)}: first touch.` : `Then ${areaShort(first.area)} off first.`}{" "}
            {second ? (
              <span className="text-ink-2">
                {sentence(areaShort(second.area))} follows{" "}
                {formatClock(Math.max(0, plannedS(run, second) - lainS(second, nowMs) - (plannedS(run, first) - lainS(first, nowMs))))}{" "}
                later.
              </span>
            ) : (
              <span className="text-ink-2">{staggerWords(run, first.area)}</span>
            )}
          </>
        )}
      </p>
    </div>
  );
}

const staggerWords = (run: RunState, area: string) =>
  run.coats.length > 1 ? `Stagger ${formatClock(staggerS(run, area.startsWith("lash") ? "lashes" : "brows"))}.` : "";

function headline(run: RunState, next: ReturnType<typeof nextTap>): string {
  const step = "stepId" in next ? run.plan?.protocol.steps.find(({ id }) => id === next.stepId) : null;
  switch (next.kind) {
    case "coat":
      return `${step?.name}: ready`;
    case "mix":
      return `Mix: ${step?.name}`;
    case "batch":
      return `Open: ${step?.name}`;
    case "task":
      return step?.name ?? "";
    default:
      return "All is off";
  }
}
