import { PLACE_WORDS, LEFT_MARKS, MARKED_PLACES, type LeftMark, type MarkedPlace, type PictureMarks, type Px } from "@/core/measure";

/** What a tap on a picture marks. */
export type Tool = "scale" | "across" | "line" | "lashes" | MarkedPlace | LeftMark | "notOn";
/** What a closed and an open eye are measured by, and what extensions are counted by. */
export const TOOLS = {
  closed: ["scale", "across", "line", "lashes"],
  open: ["scale", "across", "line", ...MARKED_PLACES],
  left: ["line", ...LEFT_MARKS, "notOn"],
} as const satisfies Readonly<Record<string, readonly Tool[]>>;

/** One mark on the board: where it is, and the marks with it moved or taken away. */
export type Handle = {
  readonly key: string;
  readonly label: string;
  readonly at: Px;
  readonly ink: string;
  readonly move: (to: Px) => PictureMarks;
  readonly remove: () => PictureMarks;
};

export const asPoint = ([x, y]: Px): [number, number] => [Math.round(x * 10) / 10, Math.round(y * 10) / 10];
export const INK = {
  scale: "#9A6F12",
  line: "#1E5B45",
  lash: "#AE3434",
  place: "#1E5B45",
  on: "#1E5B45",
  outgrown: "#9A6F12",
  twisted: "#AE3434",
} as const;
export const SHORT: Readonly<Record<Tool, string>> = {
  scale: "scale",
  across: "across it",
  line: "lash line",
  lashes: "lashes",
  on: "still on",
  outgrown: "outgrown",
  twisted: "twisted",
  notOn: "take a mark away",
  ...PLACE_WORDS,
};

/** What the next tap does. */
export function says(tool: Tool, begun: number, bends: boolean, open: boolean, counts: boolean): string {
  if (tool === "scale") return begun ? "Now its other end." : "Tap both ends of a length you know, the longer the better.";
  if (tool === "across")
    return begun ? "Now its other end." : "Tap both ends of a second known length, square to the first. It takes the lean of the pad out.";
  if (tool === "line" && counts) return "Tap along the lash line from the inner corner to the outer, the more it bends the oftener.";
  if (tool === "on") return "Tap each extension that is still on, at its root.";
  if (tool === "outgrown" || tool === "twisted") return `Tap each one that is ${tool}; it counts as on.`;
  if (tool === "notOn") return "Tap a mark that is wrong: the nearest one goes.";
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

export function handlesOf(marks: PictureMarks): Handle[] {
  const swap = <T>(all: readonly T[], i: number, to: T) => all.map((old, k) => (k === i ? to : old));
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
