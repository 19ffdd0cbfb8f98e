"use client";
import { EMPTY_RUN, lanesOf, type RunPlan, type StepProposal } from "@/core/processing";
import type { ProcessStep } from "@/core/protocol";
import { useNow } from "@/features/tablet/TabletProvider";
import { Button } from "@/ui";
import { MinutesBar } from "./MinutesBar";
import { whyMinutes } from "./reasonWords";
import { RunLanes } from "@/features/drawing/RunLanes";

/** Minutes of every step, each with its reason and inside its leaflet, and how the whole would run from now. */
export function PlanTimes({
  steps,
  times,
  plan,
  timeZone,
  onChange,
}: {
  steps: readonly ProcessStep[];
  times: readonly { readonly proposal: StepProposal; readonly seconds: number }[];
  plan: RunPlan;
  timeZone: string;
  /** Null gives a step back to what is proposed. */
  onChange: (stepId: string, seconds: number | null) => void;
}) {
  const now = useNow();
  const day = (ms: number) => new Intl.DateTimeFormat("en-GB", { timeZone, day: "numeric", month: "long" }).format(ms);
  return (
    <>
      <ol className="mt-4 space-y-5">
        {steps.map((step) => {
          const { proposal, seconds } = times.find(({ proposal: one }) => one.stepId === step.id)!;
          return (
            <li key={step.id} className="grid gap-x-8 gap-y-1 border-t border-line pt-3 md:grid-cols-[11rem_minmax(0,1fr)_minmax(0,1.1fr)]">
              <div>
                <h2 className="text-xl">{step.name}</h2>
                <p className="text-sm text-ink-2">{step.on}</p>
                {seconds !== proposal.seconds ? (
                  <Button tone="plain" className="-ml-4" onClick={() => onChange(step.id, null)}>
                    As proposed
                  </Button>
                ) : null}
              </div>
              <MinutesBar step={step} seconds={seconds} proposedS={proposal.seconds} onChange={(chosen) => onChange(step.id, chosen)} />
              <p className="text-[0.9375rem] text-ink-2">{whyMinutes(step, proposal, day).join(" ")}</p>
            </li>
          );
        })}
      </ol>
      {now !== null && plan.areas.length > 0 ? (
        <PlanLanes plan={plan} nowMs={Math.floor(now / 60_000) * 60_000} timeZone={timeZone} />
      ) : null}
    </>
  );
}

/** How the plan would run if it were begun now: lanes with the stagger, and when all is off. */
function PlanLanes({ plan, nowMs, timeZone }: { plan: RunPlan; nowMs: number; timeZone: string }) {
  const lanes = lanesOf({ ...EMPTY_RUN, plan }, nowMs);
  const lastOff = Math.max(...lanes.lanes.flatMap(({ phases }) => phases.map(({ toMs }) => toMs)));
  return (
    <section aria-label="If begun now" className="mt-5 border-t border-line pt-3">
      <p className="text-[0.9375rem] text-ink-2">
        First touch now, all off by{" "}
        <b className="text-ink">{new Intl.DateTimeFormat("en-GB", { timeZone, hour: "2-digit", minute: "2-digit" }).format(lastOff)}</b>;
        untimed steps taken at two minutes each.
      </p>
      <RunLanes lanes={lanes} nowMs={nowMs} timeZone={timeZone} begun={false} />
    </section>
  );
}
