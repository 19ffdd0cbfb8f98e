"use client";
import { useState } from "react";
import { AREA_LABELS } from "@/core/eye";
import { coatsOn, lainS, RINSE_ENDED_EARLY, STOP_TAKEN_BACK, STOP_WORDS, stepOf, type Coat, type RunState } from "@/core/processing";
import { formatClock } from "@/core/units";
import { Button, Verdict } from "@/ui";

export const ENDED_EARLY_WORDS: Readonly<Record<(typeof RINSE_ENDED_EARLY)[number], string>> = {
  handedOver: "handed over to medical help",
  clientRefused: "the client would not go on",
  nothingInTheEye: "nothing was in the eye",
  lidsOpen: "the lids came apart",
};
export const TAKEN_BACK_WORDS: Readonly<Record<(typeof STOP_TAKEN_BACK)[number], string>> = {
  mistakenTap: "a mistaken tap",
  nothingHappened: "looked, and nothing had happened",
};

/** Something is wrong: the rinse clock, what still lies where and how long, and the right words. No key and no pedal ends it. */
export function StopScreen({
  run,
  nowMs,
  memberName,
  onWiped,
  onKind,
  onEnd,
  onTakeBack,
}: {
  run: RunState;
  nowMs: number;
  memberName: string;
  onWiped: (coat: Coat) => void;
  onKind: (kind: "splash" | "gluedLids") => void;
  /** `why` only where it is ended before its time. */
  onEnd: (why: (typeof RINSE_ENDED_EARLY)[number] | null) => void;
  onTakeBack: (why: (typeof STOP_TAKEN_BACK)[number]) => void;
}) {
  const [asking, setAsking] = useState<"end" | "takeBack" | null>(null);
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
            {on.length > 0 ? (
              <p className="text-[0.9375rem]">First mark every area as it is wiped.</p>
            ) : leftS <= 0 ? (
              <Button size="bedNarrow" tone="line" onClick={() => onEnd(null)}>
                The rinse is over
              </Button>
            ) : asking === "end" ? (
              <Why
                title={`Why before its time, ${memberName}?`}
                options={RINSE_ENDED_EARLY.map((why) => ({ label: ENDED_EARLY_WORDS[why], choose: () => onEnd(why) }))}
                onBack={() => setAsking(null)}
              />
            ) : (
              <Button tone="plain" onClick={() => setAsking("end")}>
                End it before the time
              </Button>
            )}
            {asking === "takeBack" ? (
              <Why
                title={`Take the stop back, in the name of ${memberName}? It stays on the record.`}
                options={STOP_TAKEN_BACK.map((why) => ({ label: TAKEN_BACK_WORDS[why], choose: () => onTakeBack(why) }))}
                onBack={() => setAsking(null)}
              />
            ) : asking === null ? (
              <Button tone="plain" onClick={() => setAsking("takeBack")}>
                It was no stop
              </Button>
            ) : null}
          </div>
        </div>
      </div>
    </section>
  );
}

function Why({
  title,
  options,
  onBack,
}: {
  title: string;
  options: readonly { readonly label: string; readonly choose: () => void }[];
  onBack: () => void;
}) {
  return (
    <div role="group" aria-label={title}>
      <p className="text-lg font-semibold">{title}</p>
      <div className="mt-2 flex flex-wrap gap-2">
        {options.map(({ label, choose }) => (
          <Button key={label} tone="stop" className="min-h-12" onClick={choose}>
            {label}
          </Button>
        ))}
        <Button tone="plain" className="min-h-12" onClick={onBack}>
          Go on rinsing
        </Button>
      </div>
    </div>
  );
}
