"use client";
import { useState } from "react";
import { AREA_LABELS } from "@/core/eye";
import { coatsOn, lainS, STOP_WORDS, stepOf, type Coat, type RunState } from "@/core/processing";
import { formatClock } from "@/core/units";
import { Button, Verdict } from "@/ui";

/** Something is wrong: the rinse clock, what still lies where and how long, and the right words. */
export function StopScreen({
  run,
  nowMs,
  onWiped,
  onKind,
  onEnd,
}: {
  run: RunState;
  nowMs: number;
  onWiped: (coat: Coat) => void;
  onKind: (kind: "splash" | "gluedLids") => void;
  onEnd: () => void;
}) {
  const [sure, setSure] = useState(false);
  const stop = run.stop!;
  const words = STOP_WORDS[stop.kind];
  const leftS = stop.rinseS - (nowMs - stop.atMs) / 1000;
  const on = coatsOn(run);
  return (
    <section aria-label="Stopped" data-testid="stop-screen" className="mt-3 rounded-lg border-2 border-rosehip bg-rosehip-soft p-5">
      <div className="grid gap-x-12 gap-y-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)]">
        <div>
          <h2 className="text-[2.75rem] text-rosehip">{words.title}</h2>
          <p className="text-[clamp(6rem,12vw,9rem)] leading-[0.95] font-semibold tracking-tight text-rosehip" data-testid="rinse-clock">
            {formatClock(leftS)}
          </p>
          <div className="mt-5 flex flex-wrap gap-3">
            {on.map((coat) => (
              <Button key={coat.eventId} size="bedNarrow" tone="stop" onClick={() => onWiped(coat)}>
                {AREA_LABELS[coat.area]} wiped
                <span className="font-normal">
                  {stepOf(run, coat.stepId)?.name} {formatClock(lainS(coat, nowMs))}
                </span>
              </Button>
            ))}
            {on.length === 0 ? (
              <p className="text-xl">
                <Verdict tone="good">Everything is wiped off.</Verdict>
              </p>
            ) : null}
          </div>
        </div>
        <div>
          <ol className="space-y-2 text-[1.5rem] leading-snug">
            {words.lines.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ol>
          <div className="mt-5 flex flex-wrap gap-3">
            {(
              [
                ["splash", "Splash or sting"],
                ["gluedLids", "Lids stuck"],
              ] as const
            ).map(([kind, label]) => (
              <Button
                key={kind}
                size="bedNarrow"
                tone={stop.kind === kind ? "ivy" : "line"}
                aria-pressed={stop.kind === kind}
                onClick={() => onKind(kind)}
              >
                {label}
              </Button>
            ))}
          </div>
          <div className="mt-4 border-t border-rosehip pt-4">
            {leftS <= 0 || sure ? (
              <Button size="bedNarrow" tone="line" disabled={on.length > 0} onClick={onEnd}>
                The rinse is over
              </Button>
            ) : (
              <Button tone="plain" onClick={() => setSure(true)}>
                End it before the time
              </Button>
            )}
            {on.length > 0 ? <p className="mt-1 text-[0.9375rem]">First mark every area as it is wiped.</p> : null}
          </div>
        </div>
      </div>
    </section>
  );
}
