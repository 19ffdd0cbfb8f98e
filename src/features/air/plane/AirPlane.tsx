"use client";
import type { AirAt } from "@/core/adhesive";
import { machineWays, type Air, type RoomTraits } from "@/core/air";
import { useWidth } from "@/ui";
import { Label, type Placed } from "./Label";
import { PlaneGround } from "./PlaneGround";
import { planeScales } from "./planeScales";
import { PlaneTarget } from "./PlaneTarget";
import { PlaneTrail, trailMarks } from "./PlaneTrail";
import { PlaneWays, wayNames } from "./PlaneWays";
import { PlaneWindows, windowNames, type PlaneWindow } from "./PlaneWindows";

/** A machine's way is drawn this far, with a knot every half hour. */
const WAY = { minutes: 90, everyMinutes: 5 };
const POINTS_A_KNOT = 30 / WAY.everyMinutes;
/** Room that the words beside the room's own dot take, px. */
const NOW_WORDS_PX = 190;

/**
 * The room as a place: warmth across, damp up; each bottle's window, lines of equal water and of equal dew point, the
 * day's trail, where the room's machines would take it, and a target to be dragged (or moved by the arrow keys).
 */
export function AirPlane({
  air,
  isNow,
  trail,
  windows,
  chosenId,
  target,
  onTarget,
  room,
  people,
  label,
}: {
  air: Air | null;
  /** False where that air was read too long ago to be the room's now. */
  isNow: boolean;
  trail: readonly AirAt[];
  windows: readonly PlaneWindow[];
  chosenId: string | null;
  target: Air | null;
  onTarget: (target: Air) => void;
  room: { volumeM3: number; traits: RoomTraits };
  people: number;
  label: (ms: number) => string;
}) {
  const [ref, width] = useWidth<HTMLDivElement>(760);
  const scales = planeScales(width);
  const now = air ? scales.place(air) : null;
  const marks = trailMarks(scales, trail, now, label);
  const ways = air && isNow ? machineWays(room, air, people, WAY) : [];
  const waysNamed = wayNames(scales, ways, WAY.minutes);
  const nowName = air && now ? nameOfAir(air, isNow, now, width) : null;
  const taken = [...waysNamed, ...marks.map(({ name }) => name), ...(nowName ? [nowName] : [])];
  const windowsNamed = windowNames(scales, windows, taken, trail.map(scales.place));
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={scales.height}
        role="group"
        aria-label="The room's temperature and humidity, with each bottle's window"
        className="touch-pan-y select-none"
      >
        <PlaneGround scales={scales} taken={[...taken, ...windowsNamed]} />
        <PlaneWindows scales={scales} windows={windows} chosenId={chosenId} names={windowsNamed} />
        <PlaneTrail scales={scales} trail={trail} marks={marks} />
        <PlaneWays scales={scales} ways={ways} names={waysNamed} pointsAKnot={POINTS_A_KNOT} />
        {now && nowName ? (
          <g>
            <circle cx={now[0]} cy={now[1]} r="9" fill={isNow ? "var(--ink)" : "var(--paper)"} stroke="var(--ink)" strokeWidth="2" />
            <circle cx={now[0]} cy={now[1]} r="3" fill={isNow ? "var(--paper)" : "var(--ink)"} />
            <Label {...nowName} strong />
          </g>
        ) : null}
        {target ? <PlaneTarget scales={scales} target={target} now={now} onTarget={onTarget} /> : null}
      </svg>
    </div>
  );
}

function nameOfAir(air: Air, isNow: boolean, [x, y]: [number, number], width: number): Placed {
  const words = `${isNow ? "now" : "last read"} ${air.temperatureC.toFixed(1)} °C, ${Math.round(air.relativeHumidity * 100)} %`;
  const onRight = x > width - NOW_WORDS_PX;
  return { words, x: x + (onRight ? -22 : 22), y: y + 5, anchor: onRight ? "end" : "start", size: 15.5 };
}
