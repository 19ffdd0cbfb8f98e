import { memo } from "react";
import { closedEye, openEye, type Point2 } from "@/core/drawing";
import type { Survey } from "@/core/eye";
import type { LashMap } from "@/core/map";
import type { EyePlace, Plate } from "./plate";

/** What is said of a zone at its roots, so that the look over them can still be judged. */
export type ZoneMark = "stop" | "chosen" | "none";
const STROKES = { stop: "var(--rosehip)", chosen: "var(--ivy)" } as const;

const STEPS = 10;
/** Marks lie so far from the roots, mm: under the open lid's margin, on the closed lid. */
const OFF_MM = { mirror: -0.75, pad: -1.1 } as const;

/** A line along the roots of every zone of which something is said. */
export const ZoneMarks = memo(function ZoneMarks({
  plate,
  place,
  survey,
  map,
  markOf,
}: {
  plate: Plate;
  place: EyePlace;
  survey: Survey;
  map: LashMap;
  markOf: (layer: number, zone: number) => ZoneMark;
}) {
  const { side } = place;
  const rootAt = rootsOf(plate, survey, side);
  return map.eyes[side].layers.map((layer, l) =>
    layer.zones.map((_, z) => {
      const mark = markOf(l, z);
      if (mark === "none") return null;
      const [from, to] = [layer.boundaries[z]!, layer.boundaries[z + 1]!];
      const points = Array.from({ length: STEPS + 1 }, (_, i) => place.point(rootAt(from + ((to - from) * i) / STEPS)));
      return (
        <path
          key={`${l} ${z}`}
          d={`M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join("L")}`}
          fill="none"
          stroke={STROKES[mark]}
          strokeWidth="4"
          strokeLinecap="round"
          data-mark={mark}
          pointerEvents="none"
        />
      );
    }),
  );
});

function rootsOf(plate: Plate, survey: Survey, side: EyePlace["side"]): (at: number) => Point2 {
  if (plate.view === "pad") {
    const eye = closedEye(survey.eyes[side]);
    return (at) => eye.point(at, OFF_MM.pad);
  }
  const eye = openEye(survey.eyes[side]);
  return (at) => {
    const [x, y] = eye.marginAt(at);
    return [x, y + OFF_MM.mirror];
  };
}
