import type { FieldLash } from "../eye";
import { degToRad, mulberry32 } from "../units";
import { line } from "./line";
import type { OpenEye } from "./openEye";
import type { Blade, Point2, Shape } from "./shapes";

const IRIS_RAYS = 84;

/** How an eye is drawn: its natural lashes, whose shadow falls on the white; the seed hairs and rays are drawn from; which way x runs. */
export type EyeDrawing = {
  readonly field: readonly FieldLash[];
  readonly seed: number;
  /** Does x run to the right where it will be seen? Light comes from the same side on both eyes. */
  readonly xRunsRight: boolean;
};

/** The lid's skin, and the white and the iris within the lids: what moves with a landmark. */
export function drawOpening(eye: OpenEye, { field, seed, xRunsRight }: EyeDrawing): Shape[] {
  const opening = [...eye.upper, ...[...eye.lower].reverse()];
  return [
    ...lidSkin(eye),
    ...lidShine(eye),
    { kind: "area", outline: opening, fill: "white", opacity: 1 },
    { kind: "within", outline: opening, shapes: inTheOpening(eye, field, seed, xRunsRight) },
  ];
}

/** The lid's skin between margin and fold, and the shade over the fold. */
function lidSkin(eye: OpenEye): Shape[] {
  const { upper, fold, widthMm: w, proportions } = eye;
  const middle = upper[Math.floor(upper.length / 2)]!;
  const over = fold.length ? fold : upper.map(([x, y]): Point2 => [x, y + 0.1 * w * Math.sin((Math.PI * x) / w)]);
  const highest = Math.max(...over.map(([, y]) => y));
  const shade = proportions.brow;
  // Above the fold the skin rises to the brow: a shade over it that runs out upwards and towards both ends.
  const rise = 0.1 + 0.1 * shade;
  const below: Point2 = [middle[0], highest - 0.42 * w];
  const above = over.map(([x, y]): Point2 => [x, y + 2 * rise * w]);
  return [
    {
      kind: "area",
      outline: [...over, ...[...above].reverse()],
      fill: {
        round: true,
        from: below,
        to: [below[0], highest + rise * w],
        stops: [
          [0.5, "lid", 0.22 + 0.45 * shade],
          [0.8, "lid", 0.12 + 0.3 * shade],
          [1, "lid", 0],
        ],
      },
      opacity: 1,
    },
    {
      kind: "area",
      outline: [...upper, ...[...over].reverse()],
      fill: {
        from: [middle[0], highest],
        to: [middle[0], middle[1] - 0.04 * w],
        stops: [
          [0, "lid", 0.55 - 0.2 * proportions.lidLight],
          [0.45, "lid", 0.3 - 0.22 * proportions.lidLight],
          [1, "lid", 0.34],
        ],
      },
      opacity: 1,
    },
  ];
}

/** Light on a lid that stands forward. */
function lidShine({ upper, fold, widthMm: w, proportions }: OpenEye): Shape[] {
  if (proportions.lidLight < 0.5 || fold.length === 0) return [];
  const middle: Point2 = [w * 0.5, (fold[Math.floor(fold.length / 2)]![1] + upper[Math.floor(upper.length / 2)]![1]) / 2];
  return [
    {
      kind: "area",
      outline: [...upper, ...[...fold].reverse()],
      fill: {
        round: true,
        from: middle,
        to: [middle[0] + 0.3 * w, middle[1]],
        stops: [
          [0, "shine", 0.6 * proportions.lidLight],
          [0.5, "shine", 0.3 * proportions.lidLight],
          [1, "shine", 0],
        ],
      },
      opacity: 1,
    },
  ];
}

function inTheOpening(eye: OpenEye, field: readonly FieldLash[], seed: number, xRunsRight: boolean): Shape[] {
  const { iris, widthMm: w, upper, lower } = eye;
  const { x, y, radius: r } = iris;
  const random = mulberry32(seed + 7);
  const round = (cx: number, cy: number, rx: number, ry = rx, steps = 40): Point2[] =>
    Array.from({ length: steps }, (_, i) => {
      const a = (i / steps) * 2 * Math.PI;
      return [cx + Math.cos(a) * rx, cy + Math.sin(a) * ry];
    });
  const light = xRunsRight ? -1 : 1;
  const rays = Array.from({ length: IRIS_RAYS }, (_, i): Shape => {
    const a = (i / IRIS_RAYS) * 2 * Math.PI + random() * 0.06;
    const [from, to] = [r * (0.4 + 0.12 * random()), r * (0.7 + 0.22 * random())];
    return line(
      [
        [x + Math.cos(a) * from, y + Math.sin(a) * from],
        [x + Math.cos(a) * to, y + Math.sin(a) * to],
      ],
      "irisLight",
      0.05,
      0.25 + 0.35 * random(),
    );
  });
  const top = Math.max(...upper.map(([, up]) => up));
  const bottom = Math.min(...lower.map(([, low]) => low));
  return [
    // The white is round: it darkens to its corners.
    {
      kind: "area",
      outline: [
        [-0.05 * w, bottom - w * 0.1],
        [1.05 * w, bottom - w * 0.1],
        [1.05 * w, top + w * 0.1],
        [-0.05 * w, top + w * 0.1],
      ],
      fill: {
        round: true,
        from: [w * 0.5, y],
        to: [w * 1.04, y],
        stops: [
          [0, "blush", 0],
          [0.42, "blush", 0.02],
          [0.8, "blush", 0.24],
          [1, "blush", 0.5],
        ],
      },
      opacity: 1,
    },
    {
      kind: "area",
      outline: round(x, y, r, r, 64),
      fill: {
        round: true,
        from: [x, y],
        to: [x + r, y],
        stops: [
          [0.3, "irisLight", 1],
          [0.55, "iris", 1],
          [0.86, "iris", 1],
          [0.94, "irisRim", 1],
          [1, "irisRim", 0.85],
        ],
      },
      opacity: 1,
    },
    ...rays,
    { kind: "area", outline: round(x, y, r * 0.37), fill: "pupil", opacity: 1 },
    { kind: "area", outline: round(x + light * r * 0.3, y + r * 0.3, r * 0.13, r * 0.17), fill: "glint", opacity: 0.95 },
    { kind: "area", outline: round(x - light * r * 0.3, y - r * 0.36, r * 0.06), fill: "glint", opacity: 0.5 },
    // The lid's shadow follows its margin, softer the further down.
    ...[0.022, 0.05, 0.085, 0.13].map((deep, i): Shape => ({
      kind: "area",
      outline: [
        ...upper.map(([px, py]): Point2 => [px, py + 0.02 * w]),
        ...[...upper].reverse().map(([px, py]): Point2 => [px, py - deep * w * (0.5 + 0.5 * Math.sin((Math.PI * px) / w))]),
      ],
      fill: "shadow",
      opacity: [0.2, 0.12, 0.08, 0.05][i]!,
    })),
    { kind: "blades", blades: lashShadows(eye, field), ink: "shadow", opacity: 0.16 },
  ];
}

/** The lashes' shadow on the white: every third, short and soft, fanned as they are. */
function lashShadows(eye: OpenEye, field: readonly FieldLash[]): Blade[] {
  return field
    .filter((lash) => lash.index % 3 === 0 && !lash.baby)
    .map((lash) => {
      const [x, y] = eye.marginAt(lash.at);
      const aside = Math.sin(degToRad(lash.azimuthDeg)) * lash.lengthMm * 0.16;
      const down = lash.lengthMm * 0.26;
      return {
        points: [
          [x, y],
          [x + aside * 0.6, y - down * 0.55],
          [x + aside, y - down],
        ],
        widthMm: 0.34,
        taperFrom: 0.2,
        tone: 1,
      };
    });
}
