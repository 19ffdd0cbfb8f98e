"use client";
import type { ThreadStep } from "@/core/checklist";
import { useTabletStore } from "@/features/tablet/TabletProvider";
import { cx } from "@/ui";

/** The steps of a part, each with its reason. What the visit's record says is tied by itself; the rest by a tap, and untied by another. */
export function StepList({
  visitId,
  steps,
  timeZone,
  reasons,
}: {
  visitId: string;
  steps: readonly ThreadStep[];
  timeZone: string;
  /** Said under each step. */
  reasons: boolean;
}) {
  const store = useTabletStore();
  const clock = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", timeZone });
  return (
    <ul className="grid gap-x-8 sm:grid-cols-2 xl:grid-cols-3">
      {steps.map(({ step, state, tap }) => {
        const isRecorded = state === "tied" && tap === null;
        const words = (
          <>
            <span
              aria-hidden="true"
              className={cx(
                "mt-0.5 size-5 shrink-0 rounded-full border-2",
                state === "tied" ? "border-ivy bg-ivy" : state === "open" ? "border-rosehip" : "border-line-strong",
                step.when === "whenAsked" && state !== "tied" && "border-dashed",
              )}
            />
            <span className="min-w-0">
              <span className="block leading-snug font-semibold">
                {step.name}
                <span className="ml-2 text-sm font-normal whitespace-nowrap text-ink-2">
                  {tap
                    ? clock.format(tap.atMs)
                    : isRecorded
                      ? "on record"
                      : state === "open"
                        ? "not done"
                        : state === "whenAsked"
                          ? "where wanted"
                          : step.minutes > 0
                            ? `${step.minutes} min`
                            : ""}
                </span>
              </span>
              {reasons && step.why ? <span className="block text-sm leading-snug text-ink-2">{step.why}</span> : null}
            </span>
          </>
        );
        const look = "flex min-h-11 w-full items-start gap-3 rounded-md px-1.5 py-1.5 text-left";
        return (
          <li key={step.id}>
            {isRecorded || step.recordedAs !== null ? (
              <div className={look}>{words}</div>
            ) : (
              <button
                type="button"
                aria-pressed={state === "tied"}
                className={cx(look, "hover:bg-moss-soft")}
                onClick={() =>
                  void (tap ? store.tap(visitId, "undone", { eventId: tap.eventId }) : store.tap(visitId, "stepDone", { stepId: step.id }))
                }
              >
                {words}
              </button>
            )}
          </li>
        );
      })}
    </ul>
  );
}
