"use client";
import dynamic from "next/dynamic";
import { memo, useEffect, useState } from "react";
import type { VisitPart } from "@/core/checklist";
import type { VisitState } from "@/core/visit";
import { Knots } from "./Knots";
import { useThread, type ThreadedVisit } from "./useThread";

// Fetched at once while the visit is not over, so that it is there without a network too.
const fetchPanel = () => import("./PartPanel").then((module) => module.PartPanel);
const PartPanel = dynamic(fetchPanel);

/** The thread of a visit, the same for every kind: its parts, and under them the steps of one with what belongs to it. */
export const VisitThread = memo(function VisitThread({
  visit,
  state,
  opens,
}: {
  visit: ThreadedVisit;
  state: VisitState;
  /** Whose steps are shown until somebody touches another: a part, the one it stands at, or none. */
  opens: VisitPart | "here" | null;
}) {
  const parts = useThread(visit, state);
  const isOver = state.head.finishedAtMs !== null;
  useEffect(() => {
    if (!isOver) void fetchPanel().catch(() => undefined);
  }, [isOver]);
  const opensAt = opens === "here" ? (parts.find((one) => one.state === "here")?.part ?? null) : opens;
  const [touched, setTouched] = useState<{ readonly part: VisitPart | null; readonly from: VisitPart | null } | null>(null);
  // What was touched holds until the visit has come to another part.
  const wanted = touched && touched.from === opensAt ? touched.part : opensAt;
  const shown = parts.find(({ part }) => part === wanted) ?? null;
  return (
    <div>
      <Knots parts={parts} shown={shown?.part ?? null} onShow={(part) => setTouched({ part, from: opensAt })} />
      <div id="steps-of-visit">{shown ? <PartPanel visit={visit} state={state} part={shown} /> : null}</div>
    </div>
  );
});
