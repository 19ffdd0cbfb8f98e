import type { MachineWay } from "@/core/air";
import { Label, type Placed } from "./Label";
import { polyline, type PlaneScales } from "./planeScales";

const NAMES: Readonly<Record<MachineWay["machine"], string>> = { humidifier: "humidifier", dehumidifier: "dryer", heater: "heater" };
/** A way's name stands beyond its end: over what rises, under what falls, beside what goes across. */
const BESIDE: Readonly<Record<MachineWay["machine"], Pick<Placed, "x" | "y" | "anchor">>> = {
  humidifier: { x: 0, y: -7, anchor: "middle" },
  dehumidifier: { x: 0, y: 16, anchor: "middle" },
  heater: { x: 6, y: -7, anchor: "start" },
};

const UNDER_THE_EDGE: Pick<Placed, "x" | "y" | "anchor"> = { x: 8, y: 14, anchor: "start" };
const WAY_NAME_PX = 12;

/** Where the names of the ways stand. */
export function wayNames(scales: PlaneScales, ways: readonly MachineWay[], minutes: number): Placed[] {
  return ways.map(({ machine, points }) => {
    const [x, y] = scales.place(points.at(-1)!);
    // At the plane's upper edge there is no room over it.
    const by = y + BESIDE[machine].y < WAY_NAME_PX ? UNDER_THE_EDGE : BESIDE[machine];
    return { words: `${NAMES[machine]}, ${minutes} min`, x: x + by.x, y: y + by.y, anchor: by.anchor, size: WAY_NAME_PX };
  });
}

/** Where the room's machines lead, a knot every half hour. */
export function PlaneWays({
  scales,
  ways,
  names,
  pointsAKnot,
}: {
  scales: PlaneScales;
  ways: readonly MachineWay[];
  names: readonly Placed[];
  pointsAKnot: number;
}) {
  return (
    <>
      {ways.map(({ machine, points }, n) => {
        const places = points.map(scales.place);
        return (
          <g key={machine}>
            <polyline points={polyline(places)} fill="none" stroke="var(--ivy)" strokeWidth="1.5" strokeDasharray="6 4" opacity="0.8" />
            {places
              .filter((_, i) => i > 0 && i % pointsAKnot === 0)
              .map(([x, y], i) => (
                <circle key={i} cx={x} cy={y} r="2.5" fill="var(--ivy)" />
              ))}
            <Label {...names[n]!} />
          </g>
        );
      })}
    </>
  );
}
