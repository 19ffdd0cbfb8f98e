import type { Air } from "@/core/air";
import { DAMP, type PlaneScales, type Point } from "./planeScales";

const STEP = { temperatureC: 0.5, relativeHumidity: 0.01 };
const MOVES: Readonly<Record<string, Point>> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] };
const points = (humidity: number) => Math.round(humidity * 100);

/** The ring that asks what it would take: dragged, or moved by the arrow keys. */
export function PlaneTarget({
  scales: { x, y, place, held: within },
  target,
  now,
  onTarget,
}: {
  scales: PlaneScales;
  target: Air;
  now: Point | null;
  onTarget: (target: Air) => void;
}) {
  const goal = place(target);
  const atNow = now !== null && Math.hypot(goal[0] - now[0], goal[1] - now[1]) < 12;
  const put = (temperatureC: number, relativeHumidity: number) => {
    const air = within({ temperatureC, relativeHumidity });
    onTarget({ temperatureC: Math.round(air.temperatureC * 10) / 10, relativeHumidity: points(air.relativeHumidity) / 100 });
  };
  const drag = (event: React.PointerEvent<SVGGElement>) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const plane = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
    put(x.invert(event.clientX - plane.left), y.invert(event.clientY - plane.top));
  };
  const move = (event: React.KeyboardEvent) => {
    const by = MOVES[event.key];
    if (!by) return;
    event.preventDefault();
    put(target.temperatureC + by[0] * STEP.temperatureC, target.relativeHumidity + by[1] * STEP.relativeHumidity);
  };
  return (
    <g>
      {now ? (
        <line
          x1={now[0]}
          y1={now[1]}
          x2={goal[0]}
          y2={goal[1]}
          stroke="var(--ivy)"
          strokeWidth="2.5"
          strokeDasharray="1 6"
          strokeLinecap="round"
        />
      ) : null}
      <g
        role="slider"
        tabIndex={0}
        aria-label="Target for the room"
        aria-valuemin={points(DAMP[0])}
        aria-valuemax={points(DAMP[1])}
        aria-valuenow={points(target.relativeHumidity)}
        aria-valuetext={`${target.temperatureC.toFixed(1)} °C, ${points(target.relativeHumidity)} %`}
        data-testid="air-target"
        className="group cursor-grab touch-none outline-none active:cursor-grabbing"
        onKeyDown={move}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          event.currentTarget.focus();
        }}
        onPointerMove={drag}
      >
        <circle cx={goal[0]} cy={goal[1]} r="22" fill="transparent" />
        {/* Where nothing is to be changed the ring lies round the room's own dot. */}
        <circle
          cx={goal[0]}
          cy={goal[1]}
          r={atNow ? 15 : 8}
          fill={atNow ? "transparent" : "var(--paper)"}
          stroke="var(--ivy)"
          className="[stroke-width:2.75] group-focus-visible:[stroke-width:6]"
        />
      </g>
    </g>
  );
}
