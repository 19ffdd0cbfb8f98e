import { degToRad, mulberry32 } from "../units";
import { brow } from "./brow";
import type { EyeDrawing } from "./drawOpening";
import { line } from "./line";
import { browBaseMm, type OpenEye } from "./openEye";
import type { Blade, Point2, Shape } from "./shapes";

const LOWER_LASHES = 38;
/** What lies over the opening: tear corner, lower lid and lashes, margin, fold, brow. */
export function drawLids(eye: OpenEye, { seed }: Pick<EyeDrawing, "seed">): Shape[] {
  const { lower, fold, widthMm: w, proportions } = eye;
  const folded = fold.length > 0;
  return [
    tearCorner(eye),
    line(lower, "lidLine", 0.16, 0.55),
    line(
      lower.map(([x, y]): Point2 => [x, y + 0.022 * w * Math.sin((Math.PI * x) / w)]),
      "blush",
      0.24,
      0.22,
    ),
    { kind: "blades", blades: lowerLashes(eye, seed), ink: "hair", opacity: 0.5 },
    ...margin(eye),
    ...(folded && proportions.hoodMm > 0 ? hood(eye) : []),
    ...(folded ? foldLine(eye) : [innerFold(eye)]),
    brow(w, (x, up) => [x, browBaseMm(eye) + up], seed),
  ];
}

/** The flesh of the tear corner. */
function tearCorner({ upper, lower, widthMm: w }: OpenEye): Shape {
  const part = (points: readonly Point2[], to: number) => points.filter(([x]) => x <= to * w);
  const [up, low] = [part(upper, 0.03), part(lower, 0.05)];
  const [from, to] = [up[0]!, [0.075 * w, (up.at(-1)![1] + low.at(-1)![1]) / 2] as const];
  return {
    kind: "area",
    outline: [...up, to, ...low.reverse()],
    fill: {
      from,
      to,
      stops: [
        [0, "tear", 0.95],
        [0.6, "tear", 0.7],
        [1, "tear", 0.05],
      ],
    },
    opacity: 1,
  };
}

/** The lid has a thickness: its rim, lighter, under the line its roots make. */
function margin({ upper, widthMm: w }: OpenEye): Shape[] {
  const lifted = (mm: number) => upper.map(([x, y]): Point2 => [x, y + mm]);
  const n = upper.length;
  const stretch = (from: number, to: number, points: readonly Point2[]) => points.slice(Math.floor(n * from), Math.ceil(n * to));
  return [
    line(stretch(0.04, 1, lifted(-0.016 * w)), "blush", 0.3, 0.3),
    line(upper, "margin", 0.16, 0.55),
    line(stretch(0.1, 0.985, upper), "margin", 0.3, 0.5),
    line(stretch(0.3, 0.97, upper), "margin", 0.4, 0.3),
  ];
}

/** A fold that hangs forward: skin over the margin from its edge upwards, with a shade under its edge. */
function hood(eye: OpenEye): Shape[] {
  const { widthMm: w } = eye;
  const end = eye.fold.at(-1)!;
  const fold = [...eye.fold, [1.012 * w, end[1] - 0.02 * w] as const];
  const up = fold.map(([x, y]): Point2 => [
    x,
    y + Math.max(0.02 * w, eye.upperY(x) + 0.035 * w - y) * Math.min(1, (1.02 * w - x) / (0.16 * w)),
  ]);
  return [
    { kind: "area", outline: [...fold, ...[...up].reverse()], fill: "lit", opacity: 1 },
    {
      kind: "area",
      outline: [...fold, ...[...up].reverse()],
      fill: {
        from: [w * 0.5, end[1]],
        to: [w * 0.5, end[1] + 0.24 * w],
        stops: [
          [0, "lid", 0.5],
          [1, "lid", 0.24],
        ],
      },
      opacity: 1,
    },
    {
      kind: "area",
      outline: [...fold, ...[...fold].reverse().map(([x, y]): Point2 => [x, y - 0.022 * w])],
      fill: "shadow",
      opacity: 0.1,
    },
    // It runs on past the outer corner, downwards.
    line([fold.at(-6)!, end, [end[0] + 0.035 * w, end[1] - 0.035 * w], [end[0] + 0.06 * w, end[1] - 0.08 * w]], "lidLine", 0.2, 0.45),
  ];
}

function foldLine({ fold, proportions }: OpenEye): Shape[] {
  // Strongest over the middle, gone at both ends.
  const n = fold.length;
  const part = (from: number, to: number) => fold.slice(Math.floor(n * from), Math.ceil(n * to));
  const strong = proportions.hoodMm > 0 ? 1.15 : 0.9;
  return [
    line(fold, "lidLine", 0.14, 0.4 * strong),
    line(part(0.1, 0.92), "lidLine", 0.2, 0.4 * strong),
    line(part(0.25, 0.8), "lidLine", 0.26, 0.34 * strong),
  ];
}

/** Where there is no fold the skin runs over the inner corner instead. */
function innerFold({ upperY, widthMm: w }: OpenEye): Shape {
  const over = [0.16, 0.1, 0.05].map((t): Point2 => [t * w, upperY(t * w) + 0.006 * w]);
  return line(
    [...over, [0.004 * w, 0.004 * w], [-0.016 * w, -0.02 * w], [-0.014 * w, -0.042 * w], [0.004 * w, -0.056 * w]],
    "lidLine",
    0.22,
    0.7,
  );
}

function lowerLashes({ lower, widthMm: w }: OpenEye, seed: number): Blade[] {
  const random = mulberry32(seed + 3);
  const n = lower.length - 1;
  return Array.from({ length: LOWER_LASHES }, (_, i) => {
    const t = 0.17 + (0.8 * (i + random() * 0.7)) / LOWER_LASHES;
    const [x, y] = lower[Math.round(t * n)]!;
    const a = degToRad(-90 + (t - 0.45) * 80 + (random() - 0.5) * 16);
    const length = w * 0.075 * (0.55 + 0.75 * random()) * (0.6 + 0.6 * t);
    const bend = (t > 0.45 ? 1 : -1) * 0.5;
    return {
      points: [0, 0.33, 0.66, 1].map((u): Point2 => [
        x + Math.cos(a + bend * u) * length * u,
        y + Math.sin(a) * length * u + 0.2 * length * u * u,
      ]),
      widthMm: 0.08,
      taperFrom: 0.1,
      tone: 0.6 + 0.4 * random(),
    };
  });
}
