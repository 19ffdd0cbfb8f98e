import type { Clock } from "@/core/clock";
import { countLabel, mostCount } from "@/core/lash";
import { kindLabel } from "@/core/map";
import { unevenBy, type PlannedSpot } from "@/core/placing";
import { formatClock, formatMm } from "@/core/units";
import { cx } from "@/ui";
import type { AtWork } from "./usePlacing";

/** Eye, zone and length of the next lash, at 96 px. */
export function NextLash({ spot, isAllPlaced, isPaused }: { spot: PlannedSpot | null; isAllPlaced: boolean; isPaused: boolean }) {
  if (!spot)
    return (
      <p className="font-serif text-[clamp(3rem,7vw,6rem)] font-medium" data-testid="next-lash" data-spot="">
        {isAllPlaced ? "All placed" : "No plan to count by"}
      </p>
    );
  return (
    <p
      data-testid="next-lash"
      data-spot={`${spot.side} ${spot.layer} ${spot.zone} ${spot.piece}`}
      className={cx("contents sm:flex sm:items-baseline sm:gap-x-7", isPaused && "text-ink-2")}
    >
      <span className="flex items-baseline gap-x-7">
        <span>{spot.side}</span>
        <span className="text-ivy">{spot.zone}</span>
      </span>
      <span className="whitespace-nowrap">
        {formatMm(spot.fibre.lengthMm)}
        <span className="sr-only sm:not-sr-only sm:ml-5">mm</span>
      </span>
    </p>
  );
}

/** Which fibre it is, how many of the zone are placed, and the layer where it is not the base. */
export function FibreAndCount({ spot, work }: { spot: PlannedSpot | null; work: AtWork }) {
  if (!spot) return null;
  return (
    <>
      <span className="font-normal text-ink-2">
        {kindLabel(spot.fibre)}
        {mostCount(spot.fibre) > 1 ? ` ${countLabel(spot.fibre)}` : ""}
      </span>
      <span className="whitespace-nowrap" data-testid="placed-of-planned">
        {work.progress.of(spot).placed} of {spot.planned}
      </span>
      {spot.role === "base" ? null : <span className="font-normal text-ink-2">{spot.role === "accent" ? "accent" : "under layer"}</span>}
    </>
  );
}

const CLOCK_TONES: Partial<Record<Clock["state"], string>> = { soon: "text-brass", over: "text-rosehip" };
const CLOCK_MARKS: Partial<Record<Clock["state"], string>> = { soon: "▲ ", over: "■ ", done: "✓ " };

/** The bead's clock, or the shake's, or how long the work has stood still. */
export function BedClock({ clock, pauseS }: { clock: Clock | undefined; pauseS: number | null }) {
  const label =
    pauseS !== null
      ? "paused"
      : clock
        ? `${CLOCK_MARKS[clock.state] ?? ""}${clock.label}${clock.kind === "bead" && clock.state === "over" ? ", spent" : ""}`
        : "no bead out";
  const tone = pauseS !== null ? "text-brass" : clock && CLOCK_TONES[clock.state];
  return (
    <p
      className={cx("ml-auto flex flex-col items-end gap-x-4 lg:flex-row lg:items-baseline", tone)}
      data-testid={pauseS === null ? "big-clock" : "pause-clock"}
      data-state={clock?.state ?? "none"}
    >
      <span className={cx("text-xl leading-6 font-normal tracking-normal sm:text-2xl", !tone && "text-ink-2")}>{label}</span>
      <span data-time>
        {pauseS !== null ? formatClock(pauseS) : clock ? formatClock(clock.kind === "shake" ? Math.max(0, clock.leftS) : clock.leftS) : "–"}
      </span>
    </p>
  );
}

/** Which eye is ahead; amber where it is by more than a turn. */
export function Uneven({ progress, inTurn }: { progress: AtWork["progress"]; inTurn: number }) {
  const uneven = unevenBy(progress);
  if (!uneven)
    return (
      <span className="font-normal text-ink-2" data-testid="uneven">
        even
      </span>
    );
  const isMuch = uneven.lashes > inTurn;
  return (
    <span className={cx("whitespace-nowrap", isMuch && "text-brass")} data-testid="uneven">
      {isMuch ? "▲ " : ""}
      {uneven.side} +{uneven.lashes}
    </span>
  );
}
