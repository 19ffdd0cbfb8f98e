import { covers, overlaps, type Placed } from "./Label";
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
  scales,
  windows,
  chosenId,
  names,
}: {
  scales: PlaneScales;
  windows: readonly PlaneWindow[];
  chosenId: string | null;
  names: readonly Placed[];
}) {
  const box = (window: PlaneWindow) => boxOf(scales, window);
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
      {windows.map((window, i) => {
        const { words, x, y, anchor, size } = names[i]!;
        return (
          <text
            key={window.id}
            x={x}
            y={y}
            textAnchor={anchor}
            fontSize={size}
            fontFamily="var(--font-serif)"
            fontWeight="600"
            fill={window === chosen ? "var(--ivy)" : "var(--ink-2)"}
            stroke="var(--paper)"
            strokeWidth="3.5"
            paintOrder="stroke"
          >
            {words}
          </text>
        );
      })}
    </>
  );
}

function boxOf({ x, y }: PlaneScales, window: PlaneWindow) {
  return {
    x: x(window.temperatureLowC),
    y: y(window.humidityHigh),
    width: x(window.temperatureHighC) - x(window.temperatureLowC),
    height: y(window.humidityLow) - y(window.humidityHigh),
    rx: 10,
  };
}

const NAME_SIZE = 15;
/** Words over words are worse than words over the trail. */
const OVER_WORDS = 4;

/** Each window's name in the corner where it covers least of other words and of the day's trail. */
export function windowNames(
  scales: PlaneScales,
  windows: readonly PlaneWindow[],
  taken: readonly Placed[],
  trail: readonly Point[],
): Placed[] {
  return windows.reduce<Placed[]>((names, window) => {
    const { x, y, width, height } = boxOf(scales, window);
    const corner = (place: Pick<Placed, "x" | "y" | "anchor">): Placed => ({ ...place, words: window.name, size: NAME_SIZE });
    const [low, high, left, right] = [y + height - 9, y + 20, x + 10, x + width - 10];
    const corners = [
      corner({ x: right, y: low, anchor: "end" }),
      corner({ x: left, y: high, anchor: "start" }),
      corner({ x: right, y: high, anchor: "end" }),
      corner({ x: left, y: low, anchor: "start" }),
    ];
    const cost = (place: Placed) =>
      OVER_WORDS * [...taken, ...names].filter((other) => overlaps(place, other)).length + (trail.some((at) => covers(place, at)) ? 1 : 0);
    return [...names, corners.reduce((best, one) => (cost(one) < cost(best) ? one : best))];
  }, []);
}
