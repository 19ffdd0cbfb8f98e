"use client";
import { useMemo, useRef, useState } from "react";
import { sideLabel } from "@/core/eye";
import { curveThrough, MARKED_PLACES, PLACE_WORDS, type MarkedPlace, type PictureMarks, type Px } from "@/core/measure";
import { Button, Choice, TextField } from "@/ui";
import { readNumber } from "@/ui/readNumber";
import type { KeptPicture } from "./data";

type Tool = "scale" | "across" | "line" | "lashes" | MarkedPlace;
/** One mark on the board: where it is, and the marks with it moved or taken away. */
type Handle = {
  readonly key: string;
  readonly label: string;
  readonly at: Px;
  readonly ink: string;
  readonly move: (to: Px) => PictureMarks;
  readonly remove: () => PictureMarks;
};

const asPoint = ([x, y]: Px): [number, number] => [Math.round(x * 10) / 10, Math.round(y * 10) / 10];
const INK = { scale: "#9A6F12", line: "#1E5B45", lash: "#AE3434", place: "#1E5B45" } as const;
const SHORT: Readonly<Record<Tool, string>> = { scale: "scale", across: "across it", line: "lash line", lashes: "lashes", ...PLACE_WORDS };

/** The picture with everything marked on it. A tap sets a mark of the chosen kind; marks are dragged, keyed, taken away. */
export function MarkingBoard({
  picture,
  marks,
  onMarks,
}: {
  picture: KeptPicture;
  marks: PictureMarks;
  onMarks: (marks: PictureMarks) => void;
}) {
  const open = picture.kind === "open";
  const tools: readonly Tool[] = open ? ["scale", "across", "line", ...MARKED_PLACES] : ["scale", "across", "line", "lashes"];
  const [tool, setTool] = useState<Tool>("scale");
  const [begun, setBegun] = useState<readonly Px[]>([]);
  const [bends, setBends] = useState(false);
  const [zoom, setZoom] = useState<1 | 2>(1);
  const [past, setPast] = useState<readonly PictureMarks[]>([]);
  const board = useRef<SVGSVGElement>(null);
  const pulled = useRef<{ handle: string; before: PictureMarks } | null>(null);

  const put = (next: PictureMarks) => {
    setPast([...past.slice(-99), marks]);
    onMarks(next);
  };
  const placeOf = (event: { clientX: number; clientY: number }): Px => {
    const box = board.current!.getBoundingClientRect();
    return [((event.clientX - box.left) / box.width) * picture.widthPx, ((event.clientY - box.top) / box.height) * picture.heightPx];
  };
  const tap = (at: Px) => {
    const point = asPoint(at);
    if (tool === "scale" || tool === "across") {
      const first = begun[0];
      if (!first) return setBegun([point]);
      setBegun([]);
      put({ ...marks, [tool]: { from: asPoint(first), to: point, mm: marks[tool]?.mm ?? (tool === "scale" ? 20 : 10) } });
      if (tool === "scale") setTool(open ? "line" : "across");
    } else if (tool === "line") put({ ...marks, line: [...marks.line, point] });
    else if (tool === "lashes") {
      const taps = [...begun, point];
      if (taps.length < 2 || (bends && taps.length < 6)) return setBegun(taps);
      setBegun([]);
      put({ ...marks, lashes: [...marks.lashes, taps.map(asPoint)] });
    } else {
      put({ ...marks, places: { ...marks.places, [tool]: point } });
      const next = MARKED_PLACES[MARKED_PLACES.indexOf(tool) + 1];
      if (next) setTool(next);
    }
  };
  const endLash = () => {
    if (begun.length >= 2) put({ ...marks, lashes: [...marks.lashes, begun.map(asPoint)] });
    setBegun([]);
  };
  // Roots lie on the lash line: only marks of the kind worked on take the pointer, so that a tap beside another one counts.
  const handles = useMemo(() => handlesOf(marks), [marks]);
  const isWorkedOn = (key: string) => key === tool || key.startsWith(`${tool} `) || (tool === "lashes" && key.startsWith("lash "));
  const line = marks.line.length > 1 ? curveThrough(marks.line) : [];
  const unit = picture.widthPx / 900;
  const path = (points: readonly Px[]) => (points.length ? `M${points.map(([x, y]) => `${x} ${y}`).join("L")}` : "");
  const known = tool === "scale" || tool === "across" ? marks[tool] : null;
  return (
    <section aria-label={`Picture of ${sideLabel(picture.side)}, ${picture.kind}`}>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2 pb-2">
        <Choice
          label="Mark"
          value={tool}
          options={tools.map((value) => ({ value, label: SHORT[value] }))}
          onChange={(next) => {
            setTool(next);
            setBegun([]);
          }}
        />
        {known ? (
          <div className="w-28">
            <TextField
              label={tool === "scale" ? "It is" : "Across it is"}
              unit="mm"
              inputMode="decimal"
              defaultValue={known.mm}
              key={tool}
              onChange={(event) => {
                const mm = readNumber(event.target.value) ?? NaN;
                if (mm >= 1 && mm <= 200) put({ ...marks, [tool]: { ...known, mm } });
              }}
            />
          </div>
        ) : null}
        {tool === "lashes" ? (
          <label className="flex min-h-8 items-center gap-2 text-[0.9375rem]">
            <input
              type="checkbox"
              className="size-4 accent-[var(--ivy)]"
              checked={bends}
              onChange={(event) => setBends(event.target.checked)}
            />
            along the bend
          </label>
        ) : null}
        {tool === "lashes" && bends && begun.length >= 2 ? (
          <Button tone="line" onClick={endLash}>
            Lash done
          </Button>
        ) : null}
        <Choice
          label="Size"
          value={String(zoom)}
          options={[
            { value: "1", label: "whole" },
            { value: "2", label: "twice" },
          ]}
          onChange={(value) => setZoom(value === "2" ? 2 : 1)}
        />
        <Button
          tone="plain"
          className="-ml-4"
          disabled={past.length === 0 && begun.length === 0}
          onClick={() => {
            if (begun.length) return setBegun(begun.slice(0, -1));
            onMarks(past.at(-1)!);
            setPast(past.slice(0, -1));
          }}
        >
          Undo
        </Button>
      </div>
      <p className="pb-2 text-sm text-ink-2" aria-live="polite">
        {says(tool, begun.length, bends, open)}
      </p>
      <div className="max-h-[70vh] overflow-auto rounded-md border border-line" tabIndex={0} role="region" aria-label="The picture">
        <svg
          ref={board}
          viewBox={`0 0 ${picture.widthPx} ${picture.heightPx}`}
          style={{ width: `${zoom * 100}%` }}
          className="block cursor-crosshair touch-pan-y"
          role="group"
          aria-label="Marks on the picture"
          data-testid="board"
          onClick={(event) => {
            if ((event.target as Element).closest("[data-handle]")) return;
            tap(placeOf(event));
          }}
          onPointerMove={(event) => {
            const from = pulled.current;
            const handle = from && handles.find(({ key }) => key === from.handle);
            if (handle) onMarks(handle.move(asPoint(placeOf(event))));
          }}
          onPointerUp={() => {
            if (pulled.current && pulled.current.before !== marks) setPast([...past.slice(-99), pulled.current.before]);
            pulled.current = null;
          }}
        >
          <image href={`/api/pictures/${picture.id}`} width={picture.widthPx} height={picture.heightPx} />
          <path d={path(line)} fill="none" stroke={INK.line} strokeWidth={2.5 * unit} />
          {[marks.scale, marks.across].map((scale, i) =>
            scale ? <path key={i} d={path([scale.from, scale.to])} stroke={INK.scale} strokeWidth={2.5 * unit} /> : null,
          )}
          {marks.lashes.map((lash, i) => (
            <path key={i} d={path(curveThrough(lash))} fill="none" stroke={INK.lash} strokeWidth={2 * unit} />
          ))}
          <path d={path(begun)} fill="none" stroke={INK.lash} strokeWidth={1.5 * unit} strokeDasharray={`${4 * unit} ${3 * unit}`} />
          {begun.map(([x, y], i) => (
            <circle key={i} cx={x} cy={y} r={4 * unit} fill={INK.lash} />
          ))}
          {handles.map((handle) => (
            <g
              key={handle.key}
              data-handle={handle.key}
              role="button"
              tabIndex={0}
              aria-label={`${handle.label}, ${Math.round(handle.at[0])} by ${Math.round(handle.at[1])}; arrows move it, Delete takes it away`}
              className="cursor-move touch-none"
              pointerEvents={isWorkedOn(handle.key) ? undefined : "none"}
              onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                pulled.current = { handle: handle.key, before: marks };
              }}
              onKeyDown={(event) => {
                const step = event.shiftKey ? 10 : 1;
                const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key];
                if (by) {
                  event.preventDefault();
                  put(handle.move([handle.at[0] + by[0]!, handle.at[1] + by[1]!]));
                } else if (event.key === "Delete") put(handle.remove());
              }}
            >
              <circle cx={handle.at[0]} cy={handle.at[1]} r={9 * unit} fill="transparent" />
              <circle cx={handle.at[0]} cy={handle.at[1]} r={4.5 * unit} fill="#FDFBF5" stroke={handle.ink} strokeWidth={2 * unit} />
            </g>
          ))}
          {MARKED_PLACES.map((place) => {
            const at = marks.places[place];
            return at ? (
              <text
                key={place}
                x={at[0] + 9 * unit}
                y={at[1] - 7 * unit}
                fontSize={13 * unit}
                fill={INK.place}
                stroke="#FDFBF5"
                strokeWidth={3 * unit}
                paintOrder="stroke"
              >
                {PLACE_WORDS[place]}
              </text>
            ) : null;
          })}
        </svg>
      </div>
    </section>
  );
}

/** What the next tap does. */
function says(tool: Tool, begun: number, bends: boolean, open: boolean): string {
  if (tool === "scale") return begun ? "Now its other end." : "Tap both ends of a length you know, the longer the better.";
  if (tool === "across")
    return begun ? "Now its other end." : "Tap both ends of a second known length, square to the first. It takes the lean of the pad out.";
  if (tool === "line")
    return open
      ? "Tap along the upper lid between the corners, three times or more."
      : "Tap along the lash line from the inner corner to the outer, five times or more.";
  if (tool === "lashes")
    return begun
      ? bends
        ? "On along the bend to the tip, then Lash done."
        : "Now the tip of this lash."
      : "Tap the root of a lash, then its tip. Three or more in each part of the line tell its spread.";
  return `Tap the ${PLACE_WORDS[tool]}.`;
}

function handlesOf(marks: PictureMarks): Handle[] {
  const swap = <T,>(all: readonly T[], i: number, to: T) => all.map((old, k) => (k === i ? to : old));
  const scales = (["scale", "across"] as const).flatMap((key) => {
    const scale = marks[key];
    if (!scale) return [];
    return (["from", "to"] as const).map((end): Handle => ({
      key: `${key} ${end}`,
      label: `${SHORT[key]}, ${end === "from" ? "first" : "second"} end`,
      at: scale[end],
      ink: INK.scale,
      move: (to) => ({ ...marks, [key]: { ...scale, [end]: asPoint(to) } }),
      remove: () => ({ ...marks, [key]: null }),
    }));
  });
  const line = marks.line.map((at, i): Handle => ({
    key: `line ${i}`,
    label: `lash line, point ${i + 1}`,
    at,
    ink: INK.line,
    move: (to) => ({ ...marks, line: swap(marks.line, i, asPoint(to)) }),
    remove: () => ({ ...marks, line: marks.line.filter((_, k) => k !== i) }),
  }));
  const lashes = marks.lashes.flatMap((lash, l) =>
    lash.map((at, i): Handle => ({
      key: `lash ${l} ${i}`,
      label: `lash ${l + 1}, ${i === 0 ? "root" : i === lash.length - 1 ? "tip" : `bend ${i}`}`,
      at,
      ink: INK.lash,
      move: (to) => ({ ...marks, lashes: swap(marks.lashes, l, swap(lash, i, asPoint(to))) }),
      remove: () => ({ ...marks, lashes: marks.lashes.filter((_, k) => k !== l) }),
    })),
  );
  const places = MARKED_PLACES.flatMap((place): Handle[] => {
    const at = marks.places[place];
    if (!at) return [];
    return [
      {
        key: place,
        label: PLACE_WORDS[place],
        at,
        ink: INK.place,
        move: (to) => ({ ...marks, places: { ...marks.places, [place]: asPoint(to) } }),
        remove: () => ({ ...marks, places: Object.fromEntries(Object.entries(marks.places).filter(([key]) => key !== place)) }),
      },
    ];
  });
  return [...scales, ...line, ...lashes, ...places];
}
