"use client";
import { DndContext, KeyboardSensor, PointerSensor, useDraggable, useSensor, useSensors, type DragMoveEvent } from "@dnd-kit/core";
import { useEffect, useRef, useState } from "react";
import { freeStretches, lanesFor, whatFits } from "@/core/visit";
import { SERVICES } from "@/core/service";
import { MiniSkyline } from "@/features/drawing/MiniSkyline";
import { cx, useWidth, Verdict } from "@/ui";
import { clockOf, gravestOf, lengthWords, type DayLine } from "./dayLine";

export type DayPerson = { readonly id: string; readonly name: string; readonly place: string; readonly chairId: string | null };
/** Where a visit would come to stand. */
export type Target = { readonly line: DayLine; readonly technicianId: string; readonly chairId: string; readonly fromMin: number };

const SNAP_MIN = 5;
const LANE_PX = 124;
const PILL_TOP_PX = 46;
const PILL_PX = 30;
const LEAST_FREE_MIN = 30;
/** The day as it is drawn where no visit lies outside it. */
const [EARLIEST_MIN, LATEST_MIN] = [9 * 60, 18 * 60 + 30];

/** A day as threads in time, one a person: visits on them, what lies free and what fits; a visit is dragged along or to another thread. */
export function DayThreads({
  people,
  lines,
  nowMin,
  onOpen,
  onFree,
  onTarget,
  onDrop,
  said,
}: {
  people: readonly DayPerson[];
  lines: readonly DayLine[];
  /** Now, on this day; null on another. */
  nowMin: number | null;
  onOpen: (line: DayLine) => void;
  onFree: (person: DayPerson, fromMin: number, minutes: number) => void;
  /** While dragging: where it would stand; null when it is let go. */
  onTarget: (target: Target | null) => void;
  onDrop: (target: Target) => void;
  /** What would stand against it there. */
  said: { readonly tone: "stop" | "look" | "good"; readonly words: string } | null;
}) {
  const first = Math.min(EARLIEST_MIN, ...lines.map(({ fromMin }) => fromMin)) - 15;
  const last = Math.max(LATEST_MIN, ...lines.map(({ toMin }) => toMin)) + 15;
  const span = last - first;
  const [ground, width] = useWidth<HTMLDivElement>(1000);
  const pxPerMin = width / span;
  const rows = useRef(new Map<string, HTMLElement>());
  const [target, setTarget] = useState<Target | null>(null);
  const left = (minutes: number) => `${((minutes - first) / span) * 100}%`;

  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, {
      // Not Space: that is the pedal, from any screen.
      keyboardCodes: { start: ["KeyM"], end: ["KeyM", "Enter"], cancel: ["Escape"] },
      coordinateGetter: (event, { currentCoordinates: at }) => {
        const step = SNAP_MIN * pxPerMin;
        const tops = people.map(({ id }) => rows.current.get(id)?.getBoundingClientRect().top ?? 0);
        const row = tops[1] !== undefined && tops[0] !== undefined ? tops[1] - tops[0] : LANE_PX;
        if (event.code === "ArrowRight") return { ...at, x: at.x + step };
        if (event.code === "ArrowLeft") return { ...at, x: at.x - step };
        if (event.code === "ArrowDown") return { ...at, y: at.y + row };
        if (event.code === "ArrowUp") return { ...at, y: at.y - row };
        return undefined;
      },
    }),
  );
  const targetOf = ({ active, delta }: Pick<DragMoveEvent, "active" | "delta">): Target | null => {
    const line = lines.find(({ id }) => id === active.id);
    if (!line) return null;
    const moved = Math.round((line.fromMin + delta.x / pxPerMin) / SNAP_MIN) * SNAP_MIN;
    const fromMin = Math.min(24 * 60 - line.minutes, Math.max(0, moved));
    const row = rows.current.get(line.technicianId)?.getBoundingClientRect();
    const y = row ? row.top + Math.min(row.height / 2, PILL_TOP_PX) + delta.y : 0;
    const person = people.find(({ id }) => {
      const box = rows.current.get(id)?.getBoundingClientRect();
      return box && y >= box.top && y < box.bottom;
    });
    const technicianId = person?.id ?? line.technicianId;
    return { line, fromMin, technicianId, chairId: technicianId === line.technicianId ? line.chairId : (person?.chairId ?? line.chairId) };
  };
  const follow = (event: DragMoveEvent) => {
    const next = targetOf(event);
    if (next && target && next.fromMin === target.fromMin && next.technicianId === target.technicianId) return;
    setTarget(next);
    onTarget(next);
  };
  const letGo = () => {
    setTarget(null);
    onTarget(null);
  };
  const hours = Array.from({ length: Math.floor(last / 60) - Math.ceil(first / 60) + 1 }, (_, i) => (Math.ceil(first / 60) + i) * 60);

  return (
    <DndContext
      sensors={sensors}
      onDragMove={follow}
      onDragCancel={letGo}
      onDragEnd={(event) => {
        const at = targetOf(event);
        letGo();
        if (at && (at.fromMin !== at.line.fromMin || at.technicianId !== at.line.technicianId)) onDrop(at);
      }}
      accessibility={{
        screenReaderInstructions: {
          draggable:
            "Enter opens the visit. M picks it up; arrows move it by five minutes or to another thread; M puts it down, Escape leaves it.",
        },
      }}
    >
      <div className="relative mt-4 grid grid-cols-[8.5rem_minmax(0,1fr)]">
        <span />
        <div aria-hidden="true" className="relative h-6 text-sm text-ink-2">
          {hours.map((minutes) => (
            <span key={minutes} className="absolute -translate-x-1/2" style={{ left: left(minutes) }}>
              {clockOf(minutes)}
            </span>
          ))}
        </div>
        {people.map((person, i) => {
          const visits = lines.filter(({ technicianId }) => technicianId === person.id);
          const { lanes, count } = lanesFor(visits);
          const free = freeStretches(
            visits,
            Math.max(EARLIEST_MIN, nowMin === null ? 0 : Math.ceil(nowMin / SNAP_MIN) * SNAP_MIN),
            LATEST_MIN,
            LEAST_FREE_MIN,
          );
          return (
            <section key={person.id} aria-label={person.name} className="contents">
              <h2 className="pt-9 pr-3 text-xl leading-tight break-words">
                {person.name}
                <span className="block font-sans text-sm text-ink-2">{person.place}</span>
              </h2>
              <div
                ref={(element) => {
                  if (i === 0) ground.current = element;
                  if (element) rows.current.set(person.id, element);
                  else rows.current.delete(person.id);
                }}
                className={cx("relative", target?.technicianId === person.id && "bg-moss-soft/40")}
                style={{ height: count * LANE_PX }}
              >
                {hours.map((minutes) => (
                  <span
                    key={minutes}
                    aria-hidden="true"
                    className="absolute inset-y-0 border-l border-line"
                    style={{ left: left(minutes) }}
                  />
                ))}
                {Array.from({ length: count }, (_, lane) => (
                  <span
                    key={lane}
                    aria-hidden="true"
                    className="absolute inset-x-0 border-t-2 border-dashed border-ivy"
                    style={{ top: lane * LANE_PX + PILL_TOP_PX + PILL_PX / 2 }}
                  />
                ))}
                {free.map(({ fromMin, toMin }) => (
                  <button
                    key={fromMin}
                    type="button"
                    onClick={() => onFree(person, fromMin, toMin - fromMin)}
                    title={fitWords(toMin - fromMin)}
                    className="absolute truncate rounded-md border border-dashed border-moss bg-paper px-2 text-left text-sm text-ink-2 hover:bg-moss-soft"
                    style={{
                      left: left(fromMin),
                      width: `calc(${((toMin - fromMin) / span) * 100}% - 6px)`,
                      marginLeft: 3,
                      top: PILL_TOP_PX,
                      height: PILL_PX,
                    }}
                  >
                    <span className="sr-only">{`Free from ${clockOf(fromMin)}: `}</span>
                    {(toMin - fromMin) * pxPerMin < 90 ? (
                      <span className="sr-only">{fitWords(toMin - fromMin)}</span>
                    ) : (
                      fitWords(toMin - fromMin)
                    )}
                  </button>
                ))}
                {visits.map((line, k) => (
                  <Pill
                    key={line.id}
                    line={line}
                    left={left(line.fromMin)}
                    width={`${((line.toMin - line.fromMin) / span) * 100}%`}
                    room={roomFor(line, visits, lanes, k, last) * pxPerMin - 8}
                    top={lanes[k]! * LANE_PX}
                    dragged={target?.line.id === line.id}
                    onOpen={() => onOpen(line)}
                  />
                ))}
                {target?.technicianId === person.id ? (
                  <div
                    aria-hidden="true"
                    className={cx(
                      "pointer-events-none absolute z-20 rounded-full border-2 border-dashed",
                      said?.tone === "stop" ? "border-rosehip" : "border-ivy",
                    )}
                    style={{
                      left: left(target.fromMin),
                      width: `${(target.line.minutes / span) * 100}%`,
                      top: PILL_TOP_PX,
                      height: PILL_PX,
                    }}
                  >
                    <span className="absolute top-full left-0 mt-1 rounded bg-paper px-1.5 text-sm font-semibold whitespace-nowrap ring-1 ring-line">
                      {clockOf(target.fromMin)} {said ? <Verdict tone={said.tone}>{said.words}</Verdict> : null}
                    </span>
                  </div>
                ) : null}
              </div>
            </section>
          );
        })}
        {nowMin !== null && nowMin >= first && nowMin <= last ? (
          <div aria-hidden="true" className="pointer-events-none absolute inset-y-0 right-0 left-[8.5rem]">
            <span className="absolute inset-y-0 z-10 border-l-2 border-ink" style={{ left: left(nowMin) }} />
            <span className="absolute -bottom-5 -translate-x-1/2 text-sm font-semibold" style={{ left: left(nowMin) }}>
              now {clockOf(nowMin)}
            </span>
          </div>
        ) : null}
      </div>
      <p className="mt-8 hidden text-sm text-ink-2 md:block">
        Drag a visit along its thread or to another; what stands against it is said before it is let go. <kbd>N</kbd> books, <kbd>←</kbd>{" "}
        <kbd>→</kbd> days, <kbd>M</kbd> on a visit moves it by the arrows.
      </p>
    </DndContext>
  );
}

/** Minutes of width that a visit's words may take: to the next one in its lane. */
function roomFor(line: DayLine, others: readonly DayLine[], lanes: readonly number[], k: number, last: number): number {
  const next = others.filter((other, j) => lanes[j] === lanes[k] && other.fromMin > line.fromMin).map(({ fromMin }) => fromMin);
  return Math.min(last, ...next) - line.fromMin;
}

function fitWords(minutes: number): string {
  const [longest] = whatFits(minutes);
  return `${lengthWords(minutes)}${longest ? `, a ${SERVICES[longest].label} fits` : ""}`;
}

function Pill({
  line,
  left,
  width,
  room,
  top,
  dragged,
  onOpen,
}: {
  line: DayLine;
  left: string;
  width: string;
  room: number;
  top: number;
  dragged: boolean;
  onOpen: () => void;
}) {
  const { attributes, listeners, setNodeRef, transform } = useDraggable({ id: line.id, disabled: line.state !== "ahead" });
  const gravest = line.state === "done" ? null : gravestOf(line);
  const running = line.state === "running";
  const element = useRef<HTMLButtonElement | null>(null);
  // A drag that ends over the pill is no tap on it.
  const wasDragged = useRef(false);
  useEffect(() => {
    if (transform) wasDragged.current = true;
  }, [transform]);
  return (
    <div className="absolute" style={{ left, top, width, height: LANE_PX }}>
      <div aria-hidden="true" className="absolute top-0 left-1 overflow-hidden" style={{ width: room }}>
        <bdi className="block truncate text-left font-serif text-[1.0625rem] leading-snug">{line.clientName}</bdi>
        <span className="block truncate text-sm text-ink-2">{SERVICES[line.service].label}</span>
      </div>
      <button
        {...attributes}
        {...listeners}
        ref={(node) => {
          element.current = node;
          setNodeRef(node);
        }}
        type="button"
        data-testid="day-visit"
        // What is not dragged any more still opens.
        aria-disabled={undefined}
        aria-roledescription="visit"
        aria-label={`${clockOf(line.fromMin)} to ${clockOf(line.toMin)}: ${line.clientName}, ${SERVICES[line.service].label}${running ? ", under way" : line.state === "done" ? ", done" : ""}${gravest ? `. ${gravest.words}` : ""}`}
        onClick={() => {
          if (!wasDragged.current) onOpen();
          wasDragged.current = false;
        }}
        className={cx(
          "absolute inset-x-0 flex touch-none items-end overflow-hidden rounded-full border-2 px-3",
          line.state === "done" && "border-ivy bg-moss-soft",
          running && "border-ivy-deep bg-ivy",
          line.state === "ahead" &&
            (gravest?.tone === "stop"
              ? "border-rosehip bg-leaf"
              : gravest?.tone === "look"
                ? "border-brass bg-leaf"
                : "border-ivy bg-leaf"),
          line.state === "ahead" && "cursor-grab",
          dragged && "z-30 opacity-80 shadow-lg",
        )}
        style={{ top: PILL_TOP_PX, height: PILL_PX, ...(transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : {}) }}
      >
        {line.map && !running ? <MiniSkyline profile={line.map} width={Math.min(72, Math.max(24, room - 24))} height={18} /> : null}
        {running ? <span className="m-auto text-sm font-semibold text-on-ivy">under way</span> : null}
      </button>
      <span
        aria-hidden="true"
        className={cx("absolute -left-1.5 size-3.5 rounded-full border-2 border-ivy", line.state === "ahead" ? "bg-paper" : "bg-ivy")}
        style={{ top: PILL_TOP_PX + PILL_PX / 2 - 7 }}
      />
      <div aria-hidden="true" className="absolute left-1 overflow-hidden text-sm" style={{ top: PILL_TOP_PX + PILL_PX + 3, width: room }}>
        <span className="block truncate text-ink-2">
          {line.really?.to ? `${line.really.from} to ${line.really.to}` : `${clockOf(line.fromMin)} to ${clockOf(line.toMin)}`}
          {line.isWalkIn ? ", walk-in" : ""}
        </span>
        {gravest ? (
          <Verdict tone={gravest.tone} className="block truncate">
            {gravest.words}
          </Verdict>
        ) : null}
      </div>
    </div>
  );
}
