import type { PlaneScales, Point } from "./planeScales";

export type PlaneWindow = {
  readonly id: string;
  readonly name: string;
  readonly humidityLow: number;
  readonly humidityHigh: number;
  readonly temperatureLowC: number;
  readonly temperatureHighC: number;
};

/** Windows are told apart by the stitch of their edge and by name, not by tint alone. */
const STITCHES = ["", "9 4", "2 4", "12 4 2 4", "5 5"];

/** Each bottle's window, the chosen one filled. */
export function PlaneWindows({
  scales: { x, y },
  windows,
  chosenId,
  now,
}: {
  scales: PlaneScales;
  windows: readonly PlaneWindow[];
  chosenId: string | null;
  now: Point | null;
}) {
  const box = (window: PlaneWindow) => ({
    x: x(window.temperatureLowC),
    y: y(window.humidityHigh),
    width: x(window.temperatureHighC) - x(window.temperatureLowC),
    height: y(window.humidityLow) - y(window.humidityHigh),
    rx: 10,
  });
  const chosen = windows.find(({ id }) => id === chosenId);
  return (
    <>
      {chosen ? <rect {...box(chosen)} fill="var(--moss-soft)" fillOpacity="0.6" /> : null}
      {windows.map((window, i) => (
        <rect
          key={window.id}
          {...box(window)}
          fill="none"
          stroke={window === chosen ? "var(--ivy)" : "var(--ink-2)"}
          strokeWidth={window === chosen ? 2.25 : 1.25}
          strokeDasharray={STITCHES[i % STITCHES.length]}
        />
      ))}
      {windows.map((window) => {
        const [at, anchor] = namePlace(box(window), now);
        return (
          <text
            key={window.id}
            x={at[0]}
            y={at[1]}
            textAnchor={anchor}
            fontSize="15"
            fontFamily="var(--font-serif)"
            fontWeight="600"
            fill={window === chosen ? "var(--ivy)" : "var(--ink-2)"}
            stroke="var(--paper)"
            strokeWidth="3.5"
            paintOrder="stroke"
          >
            {window.name}
          </text>
        );
      })}
    </>
  );
}

/** A window's name stands in its lower right corner, or in the upper left where the room's own figures stand there. */
function namePlace(box: { x: number; y: number; width: number; height: number }, now: Point | null): [Point, "start" | "end"] {
  const low: Point = [box.x + box.width - 10, box.y + box.height - 9];
  const inTheWay = now !== null && Math.abs(low[1] - 5 - now[1]) < 22 && low[0] > now[0] - 30 && low[0] - 110 < now[0] + 180;
  return inTheWay ? [[box.x + 10, box.y + 20], "start"] : [low, "end"];
}
