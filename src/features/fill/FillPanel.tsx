"use client";
import { useState } from "react";
import dynamic from "next/dynamic";
import type { CountedBy, FillOutlook } from "@/core/fill";
import type { VisitState } from "@/core/visit";
import { Button, Choice, Verdict } from "@/ui";
import type { MapGround } from "@/features/visit/clientMaps";
import type { FoundSet } from "@/features/visit/setBefore";
import { CountLeft } from "./CountLeft";
import { FilledBy } from "./FilledBy";
import type { FillOf } from "./useFill";
import type { FillTaps } from "./useFillTaps";
import { foundWords, workWords } from "./fillWords";
import { Gaps } from "./Gaps";
import { SinceLastRow } from "./SinceLast";
import { TakeOffPads } from "./TakeOffPads";

// Fetched when it is wanted: most count at the eye.
const CountOnPicture = dynamic(() => import("./CountOnPicture").then((module) => module.CountOnPicture), {
  loading: () => <p className="text-ink-2">Opening…</p>,
});

const STEPS = { left: "What is left", since: "Since last time", off: "Take off", gaps: "The gaps" } as const;
type Step = keyof typeof STEPS;

/** A fill before its first bead: what is left, what happened since, what comes off, what is placed. One of them is open at a time. */
export function FillPanel({
  visit,
  found,
  ground,
  state,
  outlook,
  taps,
}: {
  visit: FillOf & { readonly id: string; readonly clientId: string; readonly mapId: string | null };
  found: FoundSet;
  ground: MapGround;
  state: VisitState;
  outlook: FillOutlook;
  taps: FillTaps;
}) {
  // What is to be done next, as the page comes; then whatever is touched.
  const [open, setOpen] = useState<Step | null>(outlook.uncounted > 0 ? "left" : taps.toGo > 0 ? "off" : "gaps");
  const [by, setBy] = useState<CountedBy>("pads");
  const { policy, map } = visit;
  const done: Readonly<Record<Step, string>> = {
    left: `${outlook.zones.length - outlook.uncounted} of ${outlook.zones.length}`,
    since: `${Object.values(state.fill.since).filter((answer) => answer !== null).length} of 5`,
    off: outlook.removals.length === 0 ? "" : `${outlook.removals.reduce((sum, { rest }) => sum + rest, 0)} to go`,
    gaps: "",
  };
  return (
    <section aria-labelledby="fill-head" className="mt-4 border-y border-line py-3">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h2 id="fill-head" className="text-2xl">
          The fill
        </h2>
        <p className="min-w-0 flex-1 text-[1.0625rem]">
          <FillSummary outlook={outlook} found={found} />
        </p>
      </div>
      <div role="group" aria-label="Steps of the fill" className="mt-2 flex flex-wrap gap-2">
        {(Object.keys(STEPS) as Step[]).map((step) => (
          <Button
            key={step}
            tone={open === step ? "ivy" : "line"}
            aria-expanded={open === step}
            className="min-h-11"
            onClick={() => setOpen(open === step ? null : step)}
          >
            {STEPS[step]}
            {done[step] ? <span className="ml-2 font-normal tabular-nums">{done[step]}</span> : null}
          </Button>
        ))}
      </div>
      {open ? (
        <div className="mt-3">
          {open === "left" ? (
            <>
              <Choice
                label="Counted"
                value={by}
                options={[
                  { value: "pads", label: "at the eye" },
                  { value: "picture", label: "on a picture" },
                ]}
                onChange={setBy}
                className="mb-2"
              />
              {by === "pads" ? (
                <CountLeft visitId={visit.id} found={found} trays={ground.trays} policy={policy} outlook={outlook} />
              ) : (
                <CountOnPicture visitId={visit.id} clientId={visit.clientId} found={found} outlook={outlook} />
              )}
            </>
          ) : null}
          {open === "since" ? <SinceLastRow visitId={visit.id} since={state.fill.since} /> : null}
          {open === "off" ? (
            <TakeOffPads
              found={found}
              trays={ground.trays}
              policy={policy}
              outlook={outlook}
              now={taps.now}
              onZone={taps.choose}
              onOff={taps.takeOff}
              onUndo={taps.undo}
            />
          ) : null}
          {open === "gaps" && map ? (
            <Gaps map={map} ground={ground} policy={policy} outlook={outlook}>
              <FilledBy
                visitId={visit.id}
                clientId={visit.clientId}
                mapId={visit.mapId}
                maps={found.maps}
                stands={state.placing.lashes.length > 0 || state.set.zones.length > 0}
              />
            </Gaps>
          ) : null}
        </div>
      ) : null}
    </section>
  );
}

/** How much is left or may be, what that is worked as, and what it takes. */
export function FillSummary({ outlook, found }: { outlook: FillOutlook; found: FoundSet }) {
  const { share, workedAs } = outlook;
  return (
    <>
      {foundWords(outlook, found.from)}. {workWords(outlook)}.{" "}
      {workedAs === "newSet" ? (
        <Verdict tone="look">So little {share ? "is" : "may be"} left that it is planned, timed and priced as a new set.</Verdict>
      ) : (
        <span className="text-ink-2">Worked and priced as a fill.</span>
      )}
    </>
  );
}
