"use client";
import { memo, useState } from "react";
import { baseRate, beadLifeS, isolation, shakeSecondsFor, type LedgerSettings } from "@/core/adhesive";
import type { Air } from "@/core/air";
import { formatClock } from "@/core/units";
import { isLaterBead, type VisitState } from "@/core/visit";
import type { RatedBottle } from "@/features/shelf/ratedBottles";
import { Stopwatch } from "@/features/shelf/Stopwatch";
import { useTabletStore } from "@/features/tablet/TabletProvider";
import { Button, Verdict } from "@/ui";
import { useReserve } from "@/ui/useReserve";
import { BigClock } from "./BigClock";
import { BrushCheck } from "./BrushCheck";
import { ChangeBottle } from "./ChangeBottle";
import type { adhesiveInUse } from "@/features/visit/adhesiveInUse";
import { TypeAir } from "./TypeAir";
import { grabFacts } from "./grabFacts";
import type { useBeadTaps } from "./useBeadTaps";
import type { VisitProps } from "./visitProps";

/** Wanted when nothing holds, with a line or without. */
const loadGrab = () => import("./GrabSheet");

type Props = {
  visit: VisitProps;
  state: VisitState;
  air: Air | null;
  rated: readonly RatedBottle[];
  glue: ReturnType<typeof adhesiveInUse>;
  settings: LedgerSettings;
  taps: ReturnType<typeof useBeadTaps>;
  onEnd: () => void;
  /** To the screen at the bed; null while no bead is out. */
  onBed: (() => void) | null;
};

/** Of a set's work everything but its zones, which are tapped most and stand beside it. */
const SHOWN = ["bottleId", "shake", "beads", "shakenAtMs", "checks", "checkDueSinceMs", "tests"] as const;

function isDrawnTheSame(a: Props, b: Props): boolean {
  return (
    a.visit === b.visit &&
    a.air === b.air &&
    a.rated === b.rated &&
    a.glue === b.glue &&
    a.settings === b.settings &&
    a.onEnd === b.onEnd &&
    (a.onBed === null) === (b.onBed === null) &&
    (a.state.head.lastUndoable === null) === (b.state.head.lastUndoable === null) &&
    SHOWN.every((part) => a.state.set[part] === b.state.set[part])
  );
}

/** While lashes are placed: one clock that fills the eye, the next tap, the brush, and what to do when nothing holds. */
export const Placing = memo(function Placing({ visit, state, air, rated, glue, settings, taps, onEnd, onBed }: Props) {
  const store = useTabletStore();
  const [askedMs, setAskedMs] = useState<number | null>(null);
  const sheet = useReserve(loadGrab, askedMs !== null);
  const { beads, bottleId, shake, checkDueSinceMs, tests } = state.set;
  const shakeS = shakeSecondsFor(visit.policy, glue.adhesive?.shakeSeconds, isLaterBead(state.set));
  const willNotGrab = () => setAskedMs(store.now().ms);
  const inUse = rated.find(({ bottle }) => bottle.id === bottleId);
  return (
    <>
      <BigClock state={state} />
      <div className="mt-4 flex flex-wrap gap-x-2 gap-y-3">
        <Button tone={beads.length === 0 && !shake ? "ivy" : "line"} size={onBed ? "bedNarrow" : "bed"} onClick={taps.shake}>
          Shake {shakeS} s
        </Button>
        <Button tone={beads.length > 0 || shake ? "ivy" : "line"} size={onBed ? "bedNarrow" : "bed"} onClick={taps.bead}>
          {beads.length === 0 ? "First bead" : "New bead"}
        </Button>
        {onBed ? (
          <Button tone="line" size="bedNarrow" onClick={onBed}>
            To the bed
          </Button>
        ) : null}
        <Button tone="plain" size="bedNarrow" disabled={!state.head.lastUndoable} onClick={taps.undo}>
          Take back
        </Button>
      </div>
      <p className="mt-3 text-[0.9375rem] text-ink-2">
        <AirAndBottle visit={visit} bottleId={bottleId} air={air} glue={glue} settings={settings} />
        {air ? null : <TypeAir roomId={visit.roomId} />}
        <ChangeBottle
          visitId={visit.id}
          rated={rated}
          bottleId={bottleId}
          hasBeads={beads.length > 0}
          adhesives={visit.adhesives}
          today={visit.today}
        />
      </p>
      {beads.length > 0 ? (
        <BrushCheck
          state={state}
          rate={baseRate(visit.brushes)}
          due={checkDueSinceMs !== null}
          onCheck={(counted) => void store.tap(visit.id, "checked", counted ?? { off: null, of: null })}
          onWillNotGrab={willNotGrab}
        />
      ) : null}
      <div className="mt-3 flex flex-wrap items-center gap-2 border-t border-line pt-2">
        <Button tone="line" size="bedNarrow" onClick={onEnd}>
          Dry and finish
        </Button>
        <Stopwatch keyName="T" label="Time a lash" size="bedNarrow" onTime={taps.timed} disabled={!air || !bottleId} />
        <Button tone="plain" size="bedNarrow" onClick={willNotGrab}>
          It will not grab
        </Button>
      </div>
      {tests.length > 0 ? (
        <p className="mt-2 text-[0.9375rem] text-ink-2">Timed here: {tests.map(({ seconds }) => `${seconds.toFixed(1)} s`).join(", ")}.</p>
      ) : null}
      {askedMs !== null && sheet ? (
        <sheet.GrabSheet facts={grabFacts(visit, state, air, inUse, askedMs)} onClose={() => setAskedMs(null)} />
      ) : null}
    </>
  );
}, isDrawnTheSame);

/** Which bottle, in which air, and what follows from it: how long a bead keeps and a lash is held. */
function AirAndBottle({
  visit,
  bottleId,
  air,
  glue,
  settings,
}: {
  visit: VisitProps;
  bottleId: string | null;
  air: Air | null;
  glue: ReturnType<typeof adhesiveInUse>;
  settings: LedgerSettings;
}) {
  const name = visit.bottleNames[bottleId ?? ""];
  const apart = air ? isolation(settings, air, glue.law) : null;
  return (
    <>
      {name ? `${name}. ` : ""}
      {air
        ? `Air ${air.temperatureC.toFixed(1)} °C, ${Math.round(air.relativeHumidity * 100)} %: a bead keeps ${formatClock(beadLifeS(visit.policy.beadMinutes, air))}`
        : "No fresh reading of the air: a bead is given the studio's full time"}
      {apart ? `, a lash is held ${apart.seconds.toFixed(0)} s.` : "."}{" "}
      {apart?.tooSlow ? <Verdict tone="look">Over 8 s: change the air or the bottle.</Verdict> : null}
    </>
  );
}
