"use client";
import { Slider } from "radix-ui";
import type { ProcessStep } from "@/core/protocol";
import { formatClock } from "@/core/units";

/** A step's minutes within the leaflet's range: dragged or keyed by quarter minutes, walled at both ends. */
export function MinutesBar({
  step,
  seconds,
  proposedS,
  onChange,
}: {
  step: ProcessStep;
  seconds: number;
  proposedS: number;
  onChange: (seconds: number) => void;
}) {
  const fixed = step.leastS === step.mostS;
  const at = (s: number) => `${fixed ? 50 : ((s - step.leastS) / (step.mostS - step.leastS)) * 100}%`;
  return (
    <div>
      <div className="flex items-baseline justify-between text-sm text-ink-2">
        <span>{formatClock(step.leastS)}</span>
        <span className="text-2xl font-semibold text-ink">{formatClock(seconds)}</span>
        <span className="text-rosehip">{formatClock(step.mostS)}</span>
      </div>
      <Slider.Root
        min={step.leastS}
        max={step.mostS}
        step={15}
        value={[seconds]}
        disabled={fixed}
        onValueChange={([value]) => value !== undefined && onChange(value)}
        className="relative flex h-10 touch-none items-center select-none"
      >
        <Slider.Track className="relative h-3 w-full rounded-l-full border-r-[3px] border-rosehip bg-leaf ring-1 ring-line-strong">
          <Slider.Range className="absolute h-full rounded-l-full bg-moss" />
          {proposedS === seconds ? null : (
            <span aria-hidden="true" className="absolute -top-1 h-5 w-0.5 bg-brass" style={{ left: at(proposedS) }} />
          )}
        </Slider.Track>
        <Slider.Thumb
          aria-label={`Minutes for ${step.name}`}
          aria-valuetext={formatClock(seconds)}
          className="block size-6 rounded-full border-2 border-paper bg-ivy"
        />
      </Slider.Root>
    </div>
  );
}
