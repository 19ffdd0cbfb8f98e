import type { AirAt } from "@/core/adhesive";
import { Label, type Placed } from "./Label";
import { polyline, type PlaneScales, type Point } from "./planeScales";

/** Shares of the way along the trail where a moment is named, if there is room. */
const MARKED_AT = [0, 0.33, 0.66];
const CLEAR_OF_NOW_PX = 70;
const CLEAR_OF_EACH_OTHER_PX = 55;

export type TrailMark = { readonly at: Point; readonly name: Placed };

/** Up to three moments of the trail that are far enough from each other, and from now, to be named. */
export function trailMarks(scales: PlaneScales, trail: readonly AirAt[], now: Point | null, clock: (atMs: number) => string): TrailMark[] {
  const apart = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1]);
  return MARKED_AT.reduce<TrailMark[]>((marks, share) => {
    const reading = trail[Math.floor(share * (trail.length - 1))];
    if (!reading) return marks;
    const at = scales.place(reading);
    if (now && apart(at, now) < CLEAR_OF_NOW_PX) return marks;
    if (marks.some((other) => apart(at, other.at) < CLEAR_OF_EACH_OTHER_PX)) return marks;
    return [...marks, { at, name: { words: clock(reading.atMs), x: at[0] - 9, y: at[1] + 4, anchor: "end", size: 13 } }];
  }, []);
}

/** The day's air as a path. */
export function PlaneTrail({ scales, trail, marks }: { scales: PlaneScales; trail: readonly AirAt[]; marks: readonly TrailMark[] }) {
  return (
    <>
      {trail.length > 1 ? (
        <polyline points={polyline(trail.map(scales.place))} fill="none" stroke="var(--ink)" strokeWidth="2" strokeLinejoin="round" />
      ) : null}
      {marks.map(({ at, name }) => (
        <g key={name.words}>
          <circle cx={at[0]} cy={at[1]} r="3.5" fill="var(--ink)" />
          <Label {...name} />
        </g>
      ))}
    </>
  );
}
