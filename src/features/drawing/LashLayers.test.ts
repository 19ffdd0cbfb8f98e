import { LashLayers, type LashLayer } from "./LashLayers";

/** A canvas that notes what is asked of it: the same calls a browser's has, of those that are used. */
class Noted {
  readonly calls: string[] = [];
  readonly canvas = { width: 300, height: 200 };
  globalAlpha = 1;
  fillStyle = "";
  strokeStyle = "";
  lineWidth = 1;
  lineCap = "";
  lineJoin = "";
  setTransform(...matrix: number[]) {
    matrices.push(matrix);
  }
  clearRect(...rect: number[]) {
    this.calls.push("clear");
    cleared.push(rect);
  }
  fill() {
    this.calls.push(`fill ${this.fillStyle}`);
  }
  stroke() {
    this.calls.push(`stroke ${this.strokeStyle}`);
  }
  drawImage({ name }: { name: string }, x: number, y: number) {
    this.calls.push(`lay ${name}`);
    places.push([x, y]);
  }
  /** What was asked since it was asked last. */
  take(): string[] {
    return this.calls.splice(0);
  }
}

let made = 0;
/** Where pictures were laid, and how large they were made. */
const places: [number, number][] = [];
const sizes: [number, number][] = [];
const inks: string[] = [];
/** How canvases were turned and what of them was cleared. */
const matrices: number[][] = [];
const cleared: number[][] = [];
beforeAll(() => {
  Object.assign(globalThis, {
    Path2D: class {
      moveTo() {}
      lineTo() {}
      closePath() {}
    },
    OffscreenCanvas: class {
      name = `picture ${++made}`;
      constructor(width: number, height: number) {
        sizes.push([width, height]);
      }
      getContext() {
        const noted = new Noted();
        noted.fill = () => {
          inks.push(String(noted.fillStyle));
        };
        return noted;
      }
    },
  });
});

const brush = { point: (p: readonly [number, number]) => p, pxPerMm: 10 };
const layer = (key: string, of: unknown, ink = key): LashLayer => ({
  key,
  of: [of],
  blades: () => [
    {
      points: [
        [0, 0],
        [0, 5],
        [1, 10],
      ],
      widthMm: 0.15,
      taperFrom: 0.3,
      tone: 1,
    },
  ],
  brush,
  ink,
  opacity: 1,
});
const canvases = (ratio = 1) => {
  const [resting, moving] = [new Noted(), new Noted()];
  const at = (layers: readonly LashLayer[], hand = false) => {
    const [a, b] = [resting, moving].map((noted) => noted as unknown as CanvasRenderingContext2D);
    if (hand) lashes.paintMoving(a!, b!, layers, ratio);
    else lashes.paint(a!, b!, layers, ratio);
    return { resting: resting.take(), moving: moving.take(), drawn: inks.splice(0) };
  };
  const lashes = new LashLayers();
  return at;
};

test("at rest only what changed is drawn anew, and all is laid on each other in order", () => {
  made = 0;
  const at = canvases();
  expect(at([layer("base", 1), layer("accent", 1)])).toEqual({
    resting: ["clear", "lay picture 1", "lay picture 2"],
    moving: [],
    drawn: ["base", "accent"],
  });
  expect(at([layer("base", 2), layer("accent", 1)])).toMatchObject({
    resting: ["clear", "lay picture 3", "lay picture 2"],
    drawn: ["base"],
  });
  // Another ink is another picture; a zone that is bare now is not laid.
  expect(at([layer("base", 2, "brown")])).toMatchObject({ resting: ["clear", "lay picture 4"], drawn: ["brown"] });
});

test("what a hand moves is drawn by itself, over the rest standing still without it, and lies with the others once it is let go", () => {
  made = 0;
  const at = canvases();
  at([layer("base", 1), layer("accent", 1)]);
  expect(at([layer("base", 2), layer("accent", 1)], true)).toEqual({
    resting: ["clear", "lay picture 2"],
    moving: ["clear", "fill base"],
    drawn: [],
  });
  // The next move touches the second canvas alone, and the same place again nothing at all.
  expect(at([layer("base", 3), layer("accent", 1)], true)).toEqual({ resting: [], moving: ["clear", "fill base"], drawn: [] });
  expect(at([layer("base", 3), layer("accent", 1)], true)).toEqual({ resting: [], moving: [], drawn: [] });
  // Back where it began it is the picture it was; another zone that moves along is lifted too.
  expect(at([layer("base", 1), layer("accent", 2)], true)).toEqual({
    resting: ["clear"],
    moving: ["clear", "fill accent", "lay picture 1"],
    drawn: [],
  });
  expect(at([layer("base", 3), layer("accent", 1)])).toEqual({
    resting: ["clear", "lay picture 3", "lay picture 2"],
    moving: ["clear"],
    drawn: ["base"],
  });
});

test("pulled to bare a zone is gone at once", () => {
  made = 0;
  const at = canvases();
  at([layer("base", 1), layer("accent", 1)]);
  expect(at([layer("base", 1)], true)).toMatchObject({ resting: ["clear", "lay picture 1"], moving: ["clear"] });
});

test("a zone's picture is as large as its lashes and lies where they stand", () => {
  const at = canvases();
  const far = {
    ...layer("base", 1),
    brush: { point: ([x, y]: readonly [number, number]) => [x * 10 + 40, 190 - y * 10] as const, pxPerMm: 10 },
  };
  places.length = sizes.length = 0;
  at([far]);
  const [[x, y], [width, height]] = [places[0]!, sizes[0]!];
  // From x 40 to 50, y 90 to 190, and half a blade to either side.
  expect(x).toBeLessThan(40);
  expect(x).toBeGreaterThan(34);
  expect(y).toBeLessThanOrEqual(90);
  expect(y).toBeGreaterThan(84);
  expect(x + width).toBeGreaterThan(50);
  expect(x + width).toBeLessThan(57);
  expect(y + height).toBeGreaterThanOrEqual(190);
  expect(y + height).toBeLessThan(197);
});

test("on a screen of two pixels a point all is drawn at two, laid at one, and a canvas is cleared whole", () => {
  const at = canvases(2);
  matrices.length = cleared.length = places.length = sizes.length = 0;
  at([layer("base", 1)]);
  // The picture of the zone: twice as large, its corner at the blade's left and top, 2 px of bleed about it.
  expect(places).toEqual([[-4, -2]]);
  expect(sizes).toEqual([[9, 25]]);
  expect(matrices).toEqual([
    [2, 0, 0, 2, 4, 2],
    [1, 0, 0, 1, 0, 0],
  ]);
  matrices.length = 0;
  at([layer("base", 2)], true);
  expect(matrices).toEqual([
    [1, 0, 0, 1, 0, 0],
    [1, 0, 0, 1, 0, 0],
    [2, 0, 0, 2, 0, 0],
    [1, 0, 0, 1, 0, 0],
  ]);
  expect(new Set(cleared.map(String))).toEqual(new Set(["0,0,300,200"]));
});
