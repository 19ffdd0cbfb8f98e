"use client";
import { useEffect, useRef, useState } from "react";
import { FINISH_IDS, FINISH_LABELS, type CureLedger, type FinishFigures, type FinishId } from "@/core/adhesive";
import { formatClock } from "@/core/units";
import type { VisitState } from "@/core/visit";
import { Button, Verdict } from "@/ui";
import { tell } from "@/features/tablet/alarm";
import { EyesClock } from "./EyesClock";

/** The end of a set: how it is finished, how long the eyes stay shut, and the last question. */
export function Drying({
  state,
  ledger,
  inReachS,
  usual,
  onClient,
  figures,
  unanswered,
  onFinish,
  onDone,
  onBack,
}: {
  state: VisitState;
  ledger: CureLedger | null;
  inReachS: number | null;
  usual: FinishId;
  /** False on a mannequin head: nobody's eyes wait for the cure. */
  onClient: boolean;
  figures: FinishFigures;
  /** Looks of the end that nobody has answered, in words. */
  unanswered: readonly string[];
  onFinish: (method: FinishId) => void;
  onDone: () => void;
  onBack: () => void;
}) {
  const [sure, setSure] = useState(false);
  const sinceS = ledger?.eyes?.sinceS ?? 0;
  const may = !onClient || (ledger?.eyes?.may ?? true);
  // Told once, by sound and voice, for whoever has turned to the table.
  const told = useRef(may);
  useEffect(() => {
    if (may && !told.current) tell({ key: "eyes", kind: "shaken", words: "Eyes may open." });
    told.current = may;
  }, [may]);
  const methods = [usual, ...FINISH_IDS.filter((id) => id !== usual)];
  return (
    <div>
      {onClient ? <EyesClock ledger={ledger} inReachS={inReachS} /> : null}
      <div role="group" aria-label="Finished by" className="mt-5 flex flex-wrap items-center gap-3">
        {methods.map((id) => {
          const leftS = figures[id].waitS - sinceS;
          return (
            <Button
              key={id}
              tone={state.set.finish?.method === id ? "ivy" : "line"}
              size="bed"
              aria-pressed={state.set.finish?.method === id}
              disabled={leftS > 0}
              onClick={() => onFinish(id)}
            >
              {FINISH_LABELS[id]}
              {leftS > 0 ? <span className="text-lg font-normal"> in {formatClock(leftS)}</span> : null}
            </Button>
          );
        })}
      </div>
      <p className="mt-2 text-[0.9375rem] text-ink-2">Whichever it is, by its leaflet; the figures stand in the studio&rsquo;s policy.</p>
      <div className="mt-5 border-t border-line pt-4">
        {may || sure ? (
          <>
            {may ? null : (
              <p className="max-w-xl text-xl">
                <Verdict tone="stop">The cure is not there yet.</Verdict> Lids kept shut as long as can be, no rubbing, no water; at a sting
                rinse at once. It is written down as left before the cure.
              </p>
            )}
            {unanswered.length > 0 ? (
              <p className="mt-1 max-w-xl text-[0.9375rem] text-ink-2" data-testid="unanswered">
                Not answered yet, and left open on the record: {unanswered.join(", ")}.
              </p>
            ) : null}
            <div className="mt-3 flex flex-wrap gap-3">
              <Button size="bed" tone={may ? "ivy" : "stop"} onClick={onDone}>
                {may ? "Finish the visit" : "Leave before the cure is there"}
              </Button>
              <Button tone="line" size="bed" onClick={onBack}>
                Go on placing
              </Button>
            </div>
          </>
        ) : (
          <div className="flex flex-wrap gap-3">
            <Button tone="line" size="bed" onClick={onBack}>
              Go on placing
            </Button>
            <Button tone="stop" size="bed" onClick={() => setSure(true)}>
              The client must leave now
            </Button>
          </div>
        )}
      </div>
    </div>
  );
}
