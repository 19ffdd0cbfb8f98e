"use client";
import { useMemo, useRef, useState, type ReactNode } from "react";
import { sideLabel } from "@/core/eye";
import { curveThrough, MARKED_PLACES, PLACE_WORDS, type PictureMarks, type Px } from "@/core/measure";
import { Button, Choice, TextField } from "@/ui";
import { readNumber } from "@/ui/readNumber";
import { asPoint, handlesOf, INK, says, SHORT, TOOLS, type Tool } from "./boardMarks";
import type { KeptPicture } from "./data";

/** The picture with everything marked on it. A tap sets a mark of the chosen kind; marks are dragged, keyed, taken away. */
export function MarkingBoard({
  picture,
  marks,
  onMarks,
  countsLayer = null,
  children,
}: {
  picture: Pick<KeptPicture, "id" | "kind" | "side" | "widthPx" | "heightPx">;
  marks: PictureMarks;
  onMarks: (marks: PictureMarks) => void;
  /** Extensions of this layer of a worn set are counted; null where the eye is measured. */
  countsLayer?: number | null;
  /** Laid over the picture, in its own px. */
  children?: ReactNode;
}) {
  const open = picture.kind === "open";
  const counts = countsLayer !== null;
  const tools: readonly Tool[] = counts ? TOOLS.left : TOOLS[picture.kind];
  const [tool, setTool] = useState<Tool>(counts ? (marks.line.length > 1 ? "on" : "line") : "scale");
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
    } else if (tool === "notOn") {
      const nearest = nearestLeft(marks.left, at, countsLayer);
      if (nearest !== null) put({ ...marks, left: marks.left.filter((_, i) => i !== nearest) });
    } else if (tool === "on" || tool === "outgrown" || tool === "twisted") {
      put({ ...marks, left: [...marks.left, { at: point, is: tool, layer: countsLayer ?? 0 }] });
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
  const handles = useMemo(() => handlesOf(marks).filter(({ key }) => !counts || key.startsWith("line ")), [marks, counts]);
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
        {says(tool, begun.length, bends, open, counts)}
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
          {counts ? <LeftMarks left={marks.left} layer={countsLayer} unit={unit} /> : null}
          {children}
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

/** The mark nearest to a tap, of the layer that is counted. */
function nearestLeft(left: PictureMarks["left"], [x, y]: Px, layer: number | null): number | null {
  const off = ({ at }: PictureMarks["left"][number]) => Math.hypot(at[0] - x, at[1] - y);
  return left.reduce<number | null>((best, mark, i) => {
    if (mark.layer !== layer) return best;
    return best !== null && off(left[best]!) <= off(mark) ? best : i;
  }, null);
}

/** Extensions that are on: a ring each, a bar across the outgrown, a cross on the twisted; other layers' pale. */
function LeftMarks({ left, layer, unit }: { left: PictureMarks["left"]; layer: number | null; unit: number }) {
  const r = 4.5 * unit;
  return (
    <g pointerEvents="none" aria-hidden="true">
      {left.map(({ at: [x, y], is, layer: of }, i) => (
        <g key={i} data-left={is} stroke={INK[is]} strokeWidth={2 * unit} fill="none" opacity={of === layer ? 1 : 0.35}>
          <circle cx={x} cy={y} r={r} fill="#FDFBF5" fillOpacity="0.75" />
          {is === "on" ? null : <path d={`M${x - r} ${y}H${x + r}`} />}
          {is === "twisted" ? <path d={`M${x} ${y - r}V${y + r}`} /> : null}
        </g>
      ))}
    </g>
  );
}
