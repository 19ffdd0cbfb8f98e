import { CURLS } from "../curl";
import { fieldOf, SHAPES, SIDES, usualSurvey, type EyeShape, type FieldLash } from "../eye";
import type { Fibre } from "../lash";
import {
  closedEye,
  drawClosedEye,
  drawOpenEye,
  fromSide,
  inMirror,
  naturalBlades,
  onPad,
  openEye,
  paletteOf,
  shapesSvg,
  wornBlades,
  type Look,
} from ".";

const shapes = Object.keys(SHAPES) as EyeShape[];
const usual = usualSurvey().eyes.right;
const single: Fibre = { curl: "C", lengthMm: 12, diameterMm: 0.15, shape: "round", count: 1 };

/** FNV-1a over every coordinate in thousandths of a millimetre. */
function hashOf(value: unknown): string {
  let hash = 0x811c9dc5;
  const text = JSON.stringify(value, (_, part: unknown) => (typeof part === "number" ? Math.round(part * 1000) : part));
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return hash.toString(16);
}

describe("the same survey", () => {
  const drawnOf = (seed: number) => {
    const from = usualSurvey(seed);
    // Denser outwards: where lashes stand is summed along the line.
    const points = from.eyes.left.points.map((point, i) => ({ ...point, density: (["sparse", "usual", "dense"] as const)[i]! }));
    const survey = { ...from, eyes: { ...from.eyes, left: { ...from.eyes.left, points } } };
    return SIDES.map((side) => {
      const eye = openEye(survey.eyes[side]);
      const field = fieldOf(survey, side);
      return [
        drawOpenEye(eye, { field, seed: survey.seed, xRunsRight: side === "left" }),
        naturalBlades(field, (lash, hair) => inMirror(eye, lash, hair)),
        drawClosedEye(closedEye(survey.eyes[side]), closedEye(survey.eyes[side]).run(0, 1, 9, 8), survey.seed),
      ];
    });
  };
  test("is drawn the same on every screen, tablet and print: this is its geometry's hash", () => {
    expect(hashOf(drawnOf(11))).toBe("e9e026a9");
    expect(hashOf(drawnOf(12))).not.toBe(hashOf(drawnOf(11)));
  });
  test("in every shape, with singles, open and closed fans, carried out by growth and shed, seen in all three ways", () => {
    const fibres: Fibre[] = [
      single,
      { ...single, curl: "D", diameterMm: 0.05, count: 5, opening: "wide" },
      { ...single, curl: "CC", diameterMm: 0.05, count: 6, opening: "closed" },
      { ...single, curl: "L", diameterMm: 0.07, count: 3, countTo: 4 },
    ];
    const survey = usualSurvey(11);
    const drawn = (shape: EyeShape) => {
      const eye = openEye({ ...survey.eyes.right, shape });
      const field = fieldOf(survey, "right");
      const worn = field.map((lash) => ({ lash, fibre: fibres[lash.index % fibres.length]! }));
      const wearing = {
        curlOf: ({ curl }: Fibre) => CURLS[curl],
        offsetMm: 1,
        grownMm: ({ index }: FieldLash) => index % 3,
        isGone: ({ index }: FieldLash) => index % 7 === 0,
      };
      const looks: Look[] = [(lash, hair) => inMirror(eye, lash, hair), (lash, hair) => onPad(closedEye(usual), lash, hair), fromSide];
      return hashOf([
        drawOpenEye(eye, { field, seed: survey.seed, xRunsRight: false }),
        looks.map((look) => [naturalBlades(field, look), wornBlades(worn, wearing, look)]),
        wornBlades(worn, { ...wearing, steps: 20 }, fromSide),
      ]);
    };
    expect(Object.fromEntries(shapes.map((shape) => [shape, drawn(shape)]))).toEqual({
      almond: "e809c1f8",
      round: "8f9725e9",
      hooded: "8fafc31f",
      monolid: "13912513",
      downturned: "9b9591bd",
      upturned: "b9b850cb",
      deepSet: "7dc910e9",
      prominent: "91d1acc7",
    });
  });
  test("is written as SVG without a number that is none, in a client's own colours where they are noted", () => {
    const [shapesOfRight] = drawnOf(11);
    const svg = shapesSvg(shapesOfRight![0] as ReturnType<typeof drawOpenEye>, {
      palette: paletteOf("paper", { iris: "blue" }),
      place: (p) => p,
      id: "a",
    });
    expect(svg).not.toMatch(/NaN|undefined|Infinity/);
    expect(svg).toContain("#6488a6");
    expect(paletteOf("paper").iris).not.toBe("#6488a6");
    expect(paletteOf("lamp", { iris: "blue" }).iris).not.toBe("#6488a6");
  });
});
