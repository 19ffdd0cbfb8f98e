"use client";
import dynamic from "next/dynamic";
import { Button, Empty, Notice } from "@/ui";
import { useRetention } from "./useRetention";

const Findings = dynamic(() => import("./RetentionFindings").then((module) => module.RetentionFindings));

/** How a studio's sets last: what was found with the fills there are, or how many more are wanted. */
export function WhatHolds({ fills, lookedWith, nextWith }: { fills: number; lookedWith: number | null; nextWith: number }) {
  const { state, begin, stop } = useRetention(lookedWith === null ? null : String(lookedWith));
  return (
    <div className="pt-4">
      <h1 className="text-4xl">How sets last</h1>
      <p className="mt-1 max-w-3xl text-ink-2">
        {lookedWith === null
          ? `${fills} fills were counted; from ${nextWith} on something can be told.`
          : `${fills} fills were counted. It is looked at with the first ${lookedWith}, and next when there are ${nextWith}: whoever looks at every few finds what chance made.`}
      </p>
      {lookedWith === null ? (
        <div className="mt-8 max-w-xl">
          <Empty title="Nothing can be told yet">
            Count what is left at each fill, zone by zone, before anything is taken off. What nature took is told from what the work lost,
            and which habits hold.
          </Empty>
        </div>
      ) : null}
      {state.is === "done" ? <Findings found={state.found} /> : null}
      {lookedWith !== null && state.is !== "done" ? (
        <div className="mt-6 max-w-xl" aria-live="polite">
          {state.is === "failed" ? <Notice tone="stop" title={state.words} className="mb-3" /> : null}
          {state.is === "reading" || state.is === "working" ? (
            <>
              <p>{state.is === "reading" ? "Reading the counts…" : `Reckoning, ${Math.round(state.share * 100)} %`}</p>
              <progress
                className="mt-2 h-2 w-full accent-ivy"
                value={state.is === "working" ? state.share : undefined}
                aria-label="Reckoning"
              />
              <Button tone="line" className="mt-3" onClick={stop}>
                Stop
              </Button>
            </>
          ) : (
            <>
              {state.is === "stopped" ? <p className="mb-2">Stopped. Nothing was changed by it.</p> : null}
              <Button onClick={() => void begin()}>Look at {lookedWith} fills</Button>
            </>
          )}
        </div>
      ) : null}
    </div>
  );
}
