"use client";
import { memo, useMemo } from "react";
import type { Clock } from "@/core/clock";
import { countLabel, mostCount } from "@/core/lash";
import type { Side } from "@/core/eye";
import { kindLabel } from "@/core/map";
import { whatFollows, type PlannedSpot } from "@/core/placing";
import { formatClock, formatMm } from "@/core/units";
import { haveSameClocks, visitClocks, type VisitState } from "@/core/visit";
import { useClockTime } from "@/features/tablet/TabletProvider";
import { cx } from "@/ui";
import { useAfterFrame } from "@/ui/useAfterFrame";
import type { AtWork } from "./usePlacing";

/** Eye, zone and length of the next lash, at 96 px. */
export const NextLash = memo(function NextLash({
  spot,
  isAllPlaced,
  isPaused,
}: {
  spot: PlannedSpot | null;
  isAllPlaced: boolean;
  isPaused: boolean;
}) {
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
});

/** Which fibre it is, how many of the zone are placed, and the layer where it is not the base. */
export const FibreAndCount = memo(function FibreAndCount({ spot, placed }: { spot: PlannedSpot | null; placed: number }) {
  if (!spot) return null;
  return (
    <>
      <span className="font-normal text-ink-2">
        {kindLabel(spot.fibre)}
        {mostCount(spot.fibre) > 1 ? ` ${countLabel(spot.fibre)}` : ""}
      </span>
      <span className="whitespace-nowrap" data-testid="placed-of-planned">
        {placed} of {spot.planned}
      </span>
      {spot.role === "base" ? null : <span className="font-normal text-ink-2">{spot.role === "accent" ? "accent" : "under layer"}</span>}
    </>
  );
});

const CLOCK_TONES: Partial<Record<Clock["state"], string>> = { soon: "text-brass", over: "text-rosehip" };
const CLOCK_MARKS: Partial<Record<Clock["state"], string>> = { soon: "▲ ", over: "■ ", done: "✓ " };

const secondsOf = (ms: number) => String(Math.floor(ms / 1000));

/** The bead's clock, or the shake's, or how long the work has stood still. It goes by itself: no lash draws it anew. */
export const BedClock = memo(
  function BedClock({ state, pausedAtMs }: { state: VisitState; pausedAtMs: number | null }) {
    const nowMs = useClockTime(secondsOf);
    const clocks = nowMs === null ? [] : visitClocks(state, nowMs);
    const clock = clocks.find(({ kind }) => kind === "shake") ?? clocks.find(({ kind }) => kind === "bead");
    const pauseS = pausedAtMs === null || nowMs === null ? null : Math.max(0, nowMs - pausedAtMs) / 1000;
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
          {pauseS !== null
            ? formatClock(pauseS)
            : clock
              ? formatClock(clock.kind === "shake" ? Math.max(0, clock.leftS) : clock.leftS)
              : "–"}
        </span>
      </p>
    );
  },
  (a, b) => haveSameClocks(a.state, b.state) && a.pausedAtMs === b.pausedAtMs,
);

/** Minutes that placing still takes. */
export const MinutesLeft = memo(function MinutesLeft({ minutes }: { minutes: number }) {
  return (
    <span className="whitespace-nowrap sm:ml-auto" data-testid="minutes-left">
      {minutes} min<span className="hidden text-2xl font-normal text-ink-2 sm:inline"> to place</span>
    </span>
  );
});

/** Which eye is ahead; amber where it is by more than a turn. */
export const Uneven = memo(function Uneven({ side, lashes, isMuch }: { side: Side | null; lashes: number; isMuch: boolean }) {
  return (
    <span className={side === null ? "font-normal text-ink-2" : cx("whitespace-nowrap", isMuch && "text-brass")} data-testid="uneven">
      {side === null ? "even" : `${isMuch ? "▲ " : ""}${side} +${lashes}`}
    </span>
  );
});

/** What comes after this place, and when. Looking ahead may come a moment after the tap. */
export function Then({ work }: { work: AtWork }) {
  const { plan, progress, order, spot, stay, pace } = useAfterFrame(work);
  const then = useMemo(
    () => spot && whatFollows(plan, progress, spot, order, pace(spot.side, spot.isFan), stay),
    [plan, progress, order, spot, stay, pace],
  );
  if (!then) return null;
  const { after } = then;
  return (
    <span data-testid="then">
      then {then.spot.side} {then.spot.zone}, {after === 1 ? "after this one" : `after ${after} more here`}
    </span>
  );
}
