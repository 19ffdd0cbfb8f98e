"use client";
import { useState } from "react";
import { brushVerdict, type BrushRate, type BrushVerdict } from "@/core/adhesive";
import { lastBrushes, type VisitState } from "@/core/visit";
import { Button, Verdict } from "@/ui";

const STEPS = [-1, 1] as const;

/** Brush through and look at the eyes: everything held, or how many came off of how many; what that says of bead and air. */
export function BrushCheck({
  state,
  rate,
  due,
  onCheck,
  onWillNotGrab,
}: {
  state: VisitState;
  rate: BrushRate;
  due: boolean;
  onCheck: (counted: { off: number; of: number } | null) => void;
  onWillNotGrab: () => void;
}) {
  const [counting, setCounting] = useState<{ off: number; of: number } | null>(null);
  const last = lastBrushes(state);
  const verdict = last ? brushVerdict(last.brushes, rate.rate) : null;
  return (
    <section aria-label="Brush through" className="mt-3 border-t border-line pt-2">
      <div className="flex flex-wrap items-center gap-3">
        <Button size="bed" tone={due ? "ivy" : "line"} onClick={() => onCheck(null)}>
          All held, eyes closed
        </Button>
        <Button size="bed" tone="plain" onClick={() => setCounting(counting ? null : { off: 1, of: 20 })}>
          {counting ? "Not counted" : "Some came off"}
        </Button>
      </div>
      {counting ? (
        <div className="mt-3 flex flex-wrap items-end gap-x-6 gap-y-3">
          <Count label="came off" value={counting.off} onChange={(off) => setCounting({ off, of: Math.max(off, counting.of) })} least={0} />
          <Count
            label="of, since the last brush"
            value={counting.of}
            onChange={(of) => setCounting({ of, off: Math.min(of, counting.off) })}
            least={1}
          />
          <Button
            size="bed"
            onClick={() => {
              onCheck(counting);
              setCounting(null);
            }}
          >
            Keep, eyes closed
          </Button>
        </div>
      ) : null}
      {verdict && last ? (
        <p className="mt-3 text-xl" data-testid="brush-verdict">
          <Verdict tone={verdict.word === "bad" ? "stop" : verdict.word === "as usual" ? "good" : "note"}>
            {brushWords(verdict, last.beadNumber, rate.isOwn)}
          </Verdict>
        </p>
      ) : null}
      {verdict?.word === "bad" ? (
        <Button size="bed" tone="stop" className="mt-2" onClick={onWillNotGrab}>
          It will not grab: look
        </Button>
      ) : null}
    </section>
  );
}

export function brushWords({ word, off, of, baseRate }: BrushVerdict, beadNumber: number, isOwn: boolean): string {
  const share = `${(baseRate * 100).toFixed(baseRate < 0.1 ? 1 : 0)} in a hundred`;
  const usual = isOwn ? `${share} is usual for you` : `supposed is ${share}, until more of yours are counted`;
  if (word === "bad") return `${off} of ${of}: bead ${beadNumber} or this air is bad; ${usual}.`;
  if (word === "as usual") return `${off} of ${of} off from bead ${beadNumber}: as usual.`;
  return `${off} of ${of} off from bead ${beadNumber}: too few to tell; ${usual}.`;
}

function Count({ label, value, onChange, least }: { label: string; value: number; onChange: (value: number) => void; least: number }) {
  return (
    <div role="group" aria-label={label}>
      <span className="block text-[0.9375rem] text-ink-2">{label}</span>
      <span className="flex items-center gap-2">
        {STEPS.map((by) => (
          <span key={by} className="contents">
            {by > 0 ? (
              <output aria-label={label} className="min-w-16 text-center text-5xl font-semibold">
                {value}
              </output>
            ) : null}
            <Button
              size="bedNarrow"
              tone="line"
              aria-label={by < 0 ? `one less ${label}` : `one more ${label}`}
              onClick={() => onChange(Math.max(least, Math.min(400, value + by)))}
            >
              {by < 0 ? "−" : "+"}
            </Button>
          </span>
        ))}
      </span>
    </div>
  );
}
