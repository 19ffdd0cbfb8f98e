"use client";
import { formatClock } from "@/core/units";
import type { Clock } from "@/core/clock";
import { visitClocks, type VisitState } from "@/core/visit";
import { useClockTime } from "@/features/tablet/TabletProvider";
import { Verdict, cx, type Tone } from "@/ui";

const LABELS: Record<Clock["state"], string> = {
  running: "text-ink-2",
  soon: "text-brass",
  over: "text-rosehip",
  done: "text-ivy",
  past: "text-rosehip",
};
const TONES: Record<Clock["state"], Tone> = { running: "note", soon: "look", over: "stop", done: "good", past: "stop" };

/** The one clock that fills the eye, with what it asks for in words. */
export function BigClock({ state }: { state: VisitState }) {
  const clockAt = (nowMs: number) => {
    const clocks = visitClocks(state, nowMs);
    return clocks.find(({ kind }) => kind === "shake") ?? clocks.find(({ kind }) => kind === "bead");
  };
  const nowMs = useClockTime((ms) => {
    const clock = clockAt(ms);
    return clock ? `${clock.id} ${clock.state} ${formatClock(clock.leftS)}` : "none";
  });
  const clock = nowMs === null ? undefined : clockAt(nowMs);
  if (!clock)
    return <p className="py-8 font-serif text-3xl">{state.set.beads.length === 0 ? "Shake, then the first bead" : "No bead is out"}</p>;
  const words =
    clock.kind === "shake"
      ? clock.state === "done"
        ? "Shaken. Put the bead out now."
        : "Shake upright, steadily."
      : clock.state === "over"
        ? "This bead is spent. Wipe it and put out a new one."
        : clock.state === "soon"
          ? "Nearly spent: shake for 15 to 20 s and change it."
          : "Good to work from.";
  return (
    <div data-testid="big-clock" data-state={clock.state}>
      <p className={cx("text-4xl leading-tight", LABELS[clock.state])}>{clock.label}</p>
      <p
        data-time
        className={cx(
          "text-[clamp(5.5rem,10vw,8.5rem)] leading-[0.95] font-semibold tracking-tight",
          clock.state === "over" && "text-rosehip",
          clock.state === "soon" && "text-brass",
        )}
      >
        {formatClock(clock.kind === "shake" ? Math.max(0, clock.leftS) : clock.leftS)}
      </p>
      <p className="mt-2 text-[2rem] leading-tight">
        <Verdict tone={TONES[clock.state]} plain>
          {words}
        </Verdict>
      </p>
    </div>
  );
}
