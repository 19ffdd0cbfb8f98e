"use client";
import Link from "next/link";
import { usePathname } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { formatClock } from "@/core/units";
import { byUrgency, type Clock } from "@/core/clock";
import { visitClocks } from "@/core/visit";
import { cx } from "@/ui";
import { isPressable, useKey } from "@/ui/keys";
import { alarmOf, tell, unlockSound } from "./alarm";
import { useClockTime, useRunningVisits, useTabletState, useTabletStore } from "./TabletProvider";
import { useWakeLock } from "./useWakeLock";

const LOOKS: Record<Clock["state"], string> = {
  running:
    "bg-ivy-deep text-paper border-ivy-deep [[data-theme=lamp]_&]:bg-moss-soft [[data-theme=lamp]_&]:text-ink [[data-theme=lamp]_&]:border-line-strong",
  soon: "bg-paper text-brass border-brass border-t-4",
  over: "bg-rosehip text-paper border-rosehip",
  done: "bg-paper text-ivy border-ivy border-t-4",
  past: "bg-rosehip text-paper border-ink border-t-4 border-b-4",
};
/** The row that clocks hang in. */
const ROW = "ivy-clocks-row sticky top-0 z-30 min-h-[3.375rem] border-b border-line bg-paper px-2 pb-1 print:hidden";
const MARKS: Record<Clock["state"], string> = { running: "", soon: "▲ ", over: "■ ", done: "✓ ", past: "■■ " };

/** No more than this many hang at once, or none could be read; a touch unfolds the rest. */
const MOST = 3;

/** Clocks of running visits, hanging from the top edge of every screen in a row of their own. Reckoned from events: a reload changes nothing. */
export function HangingClocks({ hung }: { hung: readonly string[] }) {
  const visits = useRunningVisits();
  const store = useTabletStore();
  const path = usePathname();
  const rung = useRef(new Set<string>());
  const [unfolded, setUnfolded] = useState(false);
  const asked = useTabletState((state) => state.asked);
  const clocksAt = (nowMs: number) =>
    visits
      .filter((visit) => visit.mine)
      .flatMap((visit) => visitClocks(visit.state, nowMs, visit.eyesMayAtMs).map((clock) => ({ visit, clock })));
  const now = useClockTime((nowMs) =>
    clocksAt(nowMs)
      .map(({ clock: { id, state, leftS } }) => `${id} ${state} ${formatClock(leftS)}`)
      .join(),
  );
  const all = now === null ? [] : clocksAt(now);
  const hanging = all
    // A visit's own page shows its clocks itself, and larger: here they step back.
    .filter(({ visit }) => path !== `/visits/${visit.id}`)
    .sort((a, b) => byUrgency(a.clock, b.clock));
  /** On a visit's own page the pedal is the visit's; what is owed keeps its letter. */
  const pedalTaken = visits.some(({ id }) => path === `/visits/${id}`);

  useEffect(() => {
    const touch = () => unlockSound();
    window.addEventListener("pointerdown", touch);
    window.addEventListener("keydown", touch);
    return () => {
      window.removeEventListener("pointerdown", touch);
      window.removeEventListener("keydown", touch);
    };
  }, []);
  // One key from any screen, or the pedal: what is owed is done; on a visit's own page that visit's, else the one owed longest.
  const acknowledge = (visitId: string) => void store.tap(visitId, "checked", { off: null, of: null });
  const checkOwed = () => {
    const owed = all.filter(({ clock }) => clock.kind === "check").sort((a, b) => a.clock.leftS - b.clock.leftS);
    // Who stands at a client's bed has looked at that client's eyes.
    const meant = owed.find(({ visit }) => path === `/visits/${visit.id}`) ?? owed[0];
    if (meant) acknowledge(meant.visit.id);
  };
  const owesNone = () => !all.some(({ clock }) => clock.kind === "check");
  useKey("c", checkOwed, { unless: owesNone });
  useKey("space", checkOwed, { unless: (event) => pedalTaken || isPressable(event) || owesNone() });
  useEffect(() => {
    // Whether it hangs here or fills its own page, it sounds; the eyes' own page tells that one itself.
    for (const { visit, clock } of all) {
      if (clock.kind === "eyes" && path === `/visits/${visit.id}`) continue;
      const alarm = alarmOf(clock, visit.clientName.split(" ")[0]!);
      if (!alarm || rung.current.has(alarm.key)) continue;
      rung.current.add(alarm.key);
      tell(alarm);
    }
  });

  // Held on every screen while a visit of one's own runs.
  useWakeLock(visits.some(({ mine }) => mine));

  useEffect(() => {
    if (now !== null && asked) rememberHung([...new Set(all.map(({ visit }) => visit.id))]);
  });

  if (hanging.length === 0) {
    // Clocks that hung on the page before have their room before they are known again: nothing jumps under a finger.
    const isToCome = (now === null || !asked) && hung.some((id) => path !== `/visits/${id}`);
    return isToCome ? <div className={ROW} /> : null;
  }
  // With two clients in hand, or at another client's visit, each clock says whose it is; with three clocks they move together.
  const named =
    new Set(hanging.map(({ visit }) => visit.id)).size > 1 ||
    hanging.some(({ visit }) => path.startsWith("/visits/") && path !== `/visits/${visit.id}`);
  const shape = cx("flex min-h-11 items-center gap-x-2.5 rounded-b-lg border leading-none", hanging.length > 2 ? "px-2" : "px-4");
  return (
    <section aria-label="Running clocks" className={ROW}>
      <ul className={cx("flex flex-wrap justify-center", hanging.length > 2 ? "gap-1.5" : "gap-3")}>
        {(unfolded ? hanging : hanging.slice(0, MOST)).map(({ visit, clock }) => (
          <li key={clock.id}>
            <span aria-hidden="true" className="mx-auto block h-1 w-px bg-line-strong" />
            {clock.kind === "check" ? (
              <button
                type="button"
                data-testid="clock-check"
                data-state={clock.state}
                onClick={() => acknowledge(visit.id)}
                className={cx(shape, LOOKS[clock.state])}
              >
                <Label clock={clock} who={visit.clientName} place={visit.chairName} named={named} />
                <span className="text-[1.0625rem] leading-7 font-semibold">
                  yes <kbd className="rounded border border-current px-1.5 font-sans text-sm font-normal">C</kbd>
                </span>
              </button>
            ) : (
              <Link
                href={`/visits/${visit.id}`}
                data-testid={`clock-${clock.kind}`}
                data-state={clock.state}
                className={cx(shape, LOOKS[clock.state])}
              >
                <Label clock={clock} who={visit.clientName} place={visit.chairName} named={named} />
                <span data-time className="text-[1.625rem] leading-7 font-semibold">
                  {formatClock(clock.state === "done" ? 0 : clock.leftS)}
                </span>
              </Link>
            )}
          </li>
        ))}
        {hanging.length > MOST ? (
          <li className="self-start">
            <button
              type="button"
              aria-expanded={unfolded}
              onClick={() => setUnfolded(!unfolded)}
              className="min-h-11 min-w-11 rounded-b-lg border border-line-strong bg-paper px-2 font-semibold"
            >
              {unfolded ? "−" : "+"}
              {hanging.length - MOST}
              <span className="sr-only"> more clocks</span>
            </button>
          </li>
        ) : null}
      </ul>
    </section>
  );
}

/** Which visits' clocks hang, for the next page as the server draws it. */
const HUNG_COOKIE = "ivy-clocks";
let remembered = "";
function rememberHung(visitIds: readonly string[]): void {
  const ids = visitIds.join(".");
  if (ids === remembered) return;
  remembered = ids;
  document.cookie = `${HUNG_COOKIE}=${ids}; path=/; samesite=lax`;
}

/** What a clock counts, and whose it is: seen where two clients run at once, heard always. */
function Label({ clock, who, place, named }: { clock: Clock; who: string; place: string; named: boolean }) {
  return (
    <span className="text-left">
      <span className={cx("flex max-w-36 text-[0.8125rem] leading-4 font-semibold", !named && "sr-only")}>
        <bdi className="truncate">{who}</bdi>
        <span className="shrink-0">, {place}</span>
      </span>
      <span className="block text-[0.8125rem] leading-4">
        {MARKS[clock.state]}
        {clock.label}
        {clock.state === "over" && clock.kind === "bead" ? ", spent" : ""}
      </span>
    </span>
  );
}
