import type { Palette, Shade, Shape } from "@/core/drawing";
import { inPx, paintBlades, paintShapes } from "./paint";

/** A path that notes its points, and a canvas that notes what it painted with which ink, opacity and width. */
class NotedPath {
  readonly points: [number, number][] = [];
  closed = false;
  moveTo(x: number, y: number) {
    this.points.push([x, y]);
  }
  lineTo(x: number, y: number) {
    this.points.push([x, y]);
  }
  closePath() {
    this.closed = true;
  }
}
type Painted = { what: "fill" | "stroke"; ink: string; alpha: number; width: number; path: NotedPath };
class NotedCanvas {
  readonly painted: Painted[] = [];
  globalAlpha = 1;
  fillStyle = "";
  strokeStyle = "";
  lineWidth = 1;
  private note(what: Painted["what"], path: NotedPath) {
    this.painted.push({
      what,
      ink: what === "fill" ? this.fillStyle : this.strokeStyle,
      alpha: this.globalAlpha,
      width: this.lineWidth,
      path,
    });
  }
  fill(path: NotedPath) {
    this.note("fill", path);
  }
  stroke(path: NotedPath) {
    this.note("stroke", path);
  }
  createRadialGradient(...circles: number[]) {
    return this.gradient("round", circles);
  }
  createLinearGradient(...line: number[]) {
    return this.gradient("straight", line);
  }
  private gradient(kind: string, where: number[]) {
    const stops: [number, string][] = [];
    return { kind, where, stops, addColorStop: (at: number, colour: string) => stops.push([at, colour]) };
  }
  save() {}
  restore() {}
  clip() {}
}
beforeAll(() => Object.assign(globalThis, { Path2D: NotedPath }));

const canvas = () => {
  const noted = new NotedCanvas();
  return { noted, context: noted as unknown as CanvasRenderingContext2D };
};
const brush = { point: ([x, y]: readonly [number, number]) => [10 * x, 200 - 10 * y] as const, pxPerMm: 10 };
const blade = {
  points: [
    [0, 0],
    [0, 5],
    [1, 10],
  ] as const,
  widthMm: 0.15,
  taperFrom: 1 / 3,
  tone: 1,
};

test("a blade of some width is filled along its outline, a thin one is drawn as a line with a finer tip", () => {
  const { noted, context } = canvas();
  paintBlades(context, [inPx(blade, brush)], "ink", 0.8);
  expect(noted.painted).toHaveLength(1);
  const [wide] = noted.painted;
  expect(wide).toMatchObject({ what: "fill", ink: "ink", alpha: 0.8 });
  expect(wide!.path.closed).toBe(true);
  // There along one side and back along the other, 1.5 px apart at the root.
  expect(wide!.path.points).toHaveLength(6);
  expect(Math.abs(wide!.path.points[0]![0] - wide!.path.points[5]![0])).toBeCloseTo(1.5, 4);

  const thin = canvas();
  paintBlades(thin.context, [inPx({ ...blade, widthMm: 0.05 }, brush)], "ink", 1);
  expect(thin.noted.painted.map(({ what, path }) => [what, path.points])).toEqual([
    [
      "stroke",
      [
        [0, 200],
        [0, 150],
      ],
    ],
    [
      "stroke",
      [
        [0, 150],
        [10, 100],
      ],
    ],
  ]);
  const [stem, tip] = thin.noted.painted;
  expect(tip!.width).toBeCloseTo(stem!.width / 2, 9);
  // As thin as it is it may not be drawn: it is paler instead, and not gone.
  expect(stem!.width).toBeGreaterThan(0.5);
  expect(stem!.alpha).toBeGreaterThan(0.5);
  expect(stem!.alpha).toBeLessThan(1);
});

test("blades of one tone are painted at once, palest first, in ten steps", () => {
  const { noted, context } = canvas();
  const at = (tone: number) => inPx({ ...blade, tone }, brush);
  paintBlades(context, [at(1), at(0.42), at(0.38), at(0.7), at(7)], "ink", 0.5);
  expect(noted.painted.map(({ alpha, path }) => [alpha, path.points.length])).toEqual([
    [expect.closeTo(0.2, 9), 12],
    [expect.closeTo(0.35, 9), 6],
    [expect.closeTo(0.5, 9), 12],
  ]);
});

test("shapes are painted in their own ink and opacity, back to front; a line is never thinner than a screen shows", () => {
  const { noted, context } = canvas();
  const palette = { lid: "#111111", margin: "#222222", hair: "#333333" } as unknown as Palette;
  const square: Shape = {
    kind: "area",
    outline: [
      [0, 0],
      [1, 0],
      [1, 1],
    ],
    fill: "lid",
    opacity: 0.3,
  };
  paintShapes(
    context,
    [
      { kind: "within", outline: square.outline, shapes: [square] },
      {
        kind: "line",
        points: [
          [0, 0],
          [2, 0],
        ],
        ink: "margin",
        widthMm: 0.3,
        opacity: 0.7,
      },
      {
        kind: "line",
        points: [
          [0, 0],
          [2, 0],
        ],
        ink: "margin",
        widthMm: 0.01,
        opacity: 1,
      },
      { kind: "blades", blades: [blade], ink: "hair", opacity: 0.9 },
    ],
    { palette, ...brush },
  );
  expect(noted.painted.map(({ what, ink, alpha }) => [what, ink, alpha])).toEqual([
    ["fill", "#111111", 0.3],
    ["stroke", "#222222", 0.7],
    ["stroke", "#222222", 1],
    ["fill", "#333333", 0.9],
  ]);
  expect(noted.painted[0]!.path).toMatchObject({
    closed: true,
    points: [
      [0, 200],
      [10, 200],
      [10, 190],
    ],
  });
  expect(noted.painted[1]!.path.closed).toBe(false);
  expect(noted.painted[1]!.width).toBeCloseTo(3, 9);
  expect(noted.painted[2]!.width).toBeCloseTo(0.6, 9);
  expect(context.globalAlpha).toBe(1);
});

test("a shade runs from one place to another, or as wide as they stand apart; its inks carry their opacity", () => {
  const palette = { lid: "#111111", shadow: "#222222" } as unknown as Palette;
  const shade: Shade = {
    from: [1, 2],
    to: [4, 6],
    stops: [
      [0, "lid", 1],
      [1, "shadow", 0.2],
    ],
  };
  const shaded = (round: { round?: true }): Shape => ({
    kind: "area",
    outline: [
      [0, 0],
      [1, 0],
      [1, 1],
    ],
    fill: { ...shade, ...round },
    opacity: 1,
  });
  const { noted, context } = canvas();
  paintShapes(context, [shaded({ round: true }), shaded({})], { palette, ...brush });
  const stops = [
    [0, "#111111ff"],
    [1, "#22222233"],
  ];
  // 3 and 4 mm apart: 5 mm, 50 px.
  expect(noted.painted.map(({ ink }) => ink)).toMatchObject([
    { kind: "round", where: [10, 180, 0, 10, 180, 50], stops },
    { kind: "straight", where: [10, 180, 40, 140], stops },
  ]);
});

test("from 0.85 px on a blade has sides; below it is a line of 0.62 px", () => {
  const as = (px: number) => inPx({ ...blade, widthMm: px / 10 }, brush);
  expect([as(0.84).isThin, as(0.86).isThin]).toEqual([true, false]);
  const { noted, context } = canvas();
  paintBlades(context, [as(0.5)], "ink", 1);
  expect(noted.painted.map(({ width }) => width)).toEqual([expect.closeTo(0.62, 9), expect.closeTo(0.31, 9)]);
  expect(context.globalAlpha).toBe(1);
});
