"use client";
import { coatsOn, stepOf, nextTap, lanesOf, type RunState } from "@/core/processing";
import { formatClock, sentence } from "@/core/units";
import { doseWords } from "@/core/mixing";
import { Button } from "@/ui";
import type { ColourProps } from "@/features/plan/colourProps";

/** Beside the clock: what is mixed and when, and why these minutes. */
export function StepReasons({
  visit,
  run,
  nowMs,
  onMix,
}: {
  visit: ColourProps;
  run: RunState;
  nowMs: number;
  onMix: (stepId: string) => void;
}) {
  const next = nextTap(run, nowMs);
  const { pastes } = lanesOf(run, nowMs);
  const ahead = pastes.find(({ state }) => state === "ahead");
  const clock = new Intl.DateTimeFormat("en-GB", { timeZone: visit.timeZone, hour: "2-digit", minute: "2-digit" });
  const paste = run.pastes.at(-1);
  const stepId = "stepId" in next ? next.stepId : null;
  const step = stepId ? stepOf(run, stepId) : null;
  const off = run.coats.filter(({ offAtMs }) => offAtMs !== null).at(-1);
  const after = off && coatsOn(run).length === 0 ? (stepOf(run, off.stepId)?.after ?? []) : [];
  const name = (productId: string) => visit.products.find(({ id }) => id === productId)?.document.name ?? "";
  return (
    <div className="grid gap-5 sm:grid-cols-2 lg:grid-cols-1">
      {after.length > 0 ? (
        <div>
          <h2 className="text-xl">After {stepOf(run, off!.stepId)?.name}</h2>
          <p className="mt-0.5 text-[1.0625rem] text-ink-2">{after.join(". ")}.</p>
        </div>
      ) : null}
      {ahead && !(paste && paste.stepId === ahead.stepId && nowMs < paste.mixedAtMs + paste.lifeS * 1000) ? (
        <div>
          <h2 className="text-xl">Mix at {clock.format(ahead.fromMs)}, not before</h2>
          <p className="mt-0.5 text-[1.0625rem] text-ink-2">
            {stepOf(run, ahead.stepId)?.name}, used at once.{" "}
            <Button tone="plain" className="-my-1.5 -ml-2" onClick={() => onMix(ahead.stepId)}>
              Look at the amounts
            </Button>
          </p>
        </div>
      ) : paste ? (
        <div>
          <h2 className="text-xl">Mixed at {clock.format(paste.mixedAtMs)}</h2>
          <p className="mt-0.5 text-[1.0625rem] text-ink-2">
            {paste.lines.map(({ productId, amount, unit }) => `${doseWords(amount, unit)} ${name(productId)}`).join(", ")}.{" "}
            {(paste.peroxide.mid * 100).toFixed(1)} % peroxide.
          </p>
        </div>
      ) : null}
      {step ? (
        <div>
          <h2 className="text-xl">{sentence(step.name)}</h2>
          <p className="mt-0.5 text-[1.0625rem] text-ink-2">
            Leaflet {formatClock(step.leastS)} to {formatClock(step.mostS)}, planned {formatClock(run.plan!.seconds[step.id] ?? 0)}.{" "}
            {step.before.join(". ")}
            {step.before.length > 0 ? "." : ""}
          </p>
        </div>
      ) : null}
    </div>
  );
}
