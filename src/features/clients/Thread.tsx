"use client";
import Link from "next/link";
import type { MapProfile } from "@/core/map";
import { cx } from "@/ui";
import { FromItsEnd } from "./FromItsEnd";
import { MiniSkyline } from "@/features/drawing/MiniSkyline";

/** A visit of the thread: one visit. */
export type ThreadVisit = {
  readonly id: string;
  readonly date: string;
  readonly service: string;
  readonly state: "done" | "running" | "agreed" | "missed" | "cancelled";
  readonly map: MapProfile | null;
  readonly air: string | null;
  readonly work: string | null;
  readonly water: string | null;
};

const WIDTH = 175;
const MIDDLE = 76;

/** The client's history as a stitched line with a leaf for every visit, oldest first. */
export function Thread({ visits }: { visits: readonly ThreadVisit[] }) {
  return (
    <FromItsEnd aria-label="Visits, oldest first" tabIndex={0} className="flex overflow-x-auto pb-3">
      {visits.map((visit, i) => (
        <li key={visit.id} className="shrink-0" style={{ width: WIDTH }}>
          <Link href={`/visits/${visit.id}`} className="group block rounded-lg px-1 hover:bg-moss-soft">
            <LeafDrawing up={i % 2 === 0} state={visit.state} first={i === 0} last={i === visits.length - 1} />
            <span className="block px-1.5 pb-4">
              <span className="flex items-end justify-between gap-2">
                <span>
                  <span className="block font-semibold">{visit.date}</span>
                  <span className="block text-[0.9375rem] text-ink-2">{visit.service}</span>
                </span>
                {visit.map ? <MiniSkyline profile={visit.map} width={64} /> : null}
              </span>
              <span className="mt-1 block text-sm text-ink-2">
                {visit.state === "running" ? <b className="text-ivy">under way</b> : null}
                {visit.state === "agreed" ? "agreed" : null}
                {visit.state === "missed" ? "not begun" : null}
                {visit.state === "cancelled" ? "cancelled" : null}
                {visit.air ? <span className="block">{visit.air}</span> : null}
                {visit.work ? <span className="block">{visit.work}</span> : null}
                {visit.water ? <b className="block text-brass">{visit.water}</b> : null}
              </span>
            </span>
          </Link>
        </li>
      ))}
    </FromItsEnd>
  );
}

function LeafDrawing({ up, state, first, last }: { up: boolean; state: ThreadVisit["state"]; first: boolean; last: boolean }) {
  const knot = up ? MIDDLE + 12 : MIDDLE - 12;
  const done = state === "done";
  const x = WIDTH / 2;
  return (
    <svg viewBox={`0 0 ${WIDTH} 152`} className="block w-full" aria-hidden="true">
      <path
        d={`M${first ? 18 : 0} ${MIDDLE}C${x * 0.45} ${MIDDLE} ${x * 0.6} ${knot} ${x} ${knot}`}
        fill="none"
        stroke="var(--ivy)"
        strokeWidth="1.75"
        strokeDasharray="8 5"
        strokeLinecap="round"
      />
      <path
        d={`M${x} ${knot}C${x * 1.4} ${knot} ${x * 1.55} ${MIDDLE} ${last ? WIDTH - 18 : WIDTH} ${MIDDLE}`}
        fill="none"
        stroke="var(--ivy)"
        strokeWidth="1.75"
        strokeDasharray={last ? "2 7" : "8 5"}
        strokeLinecap="round"
      />
      <g transform={`translate(${x} ${knot}) scale(1 ${up ? 1 : -1}) rotate(${up ? 8 : -8})`}>
        <path
          d="M0-3c-21-15-22-46-1-66 22 17 24 50 1 66z"
          className={cx(done ? "fill-moss-soft" : "fill-paper", "group-hover:fill-visit")}
          stroke="var(--ivy)"
          strokeWidth="1.25"
          strokeDasharray={state === "agreed" || state === "missed" || state === "cancelled" ? "4 3" : undefined}
        />
        <path d="M0-8c-1-16-2-30-1-46" fill="none" stroke="var(--ivy)" strokeWidth="0.9" />
      </g>
      <circle
        cx={x}
        cy={knot}
        r="4.5"
        fill={done || state === "running" ? "var(--ivy)" : "var(--paper)"}
        stroke="var(--ivy)"
        strokeWidth="1.75"
      />
    </svg>
  );
}
