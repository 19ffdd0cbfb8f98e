import { mkdirSync, writeFileSync } from "node:fs";
import path from "node:path";
import type { Curl } from "@/core/curl";
import { fieldOf, SHAPES, SIDES, usualSurvey, type EyeShape, type Survey } from "@/core/eye";
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
  THEMES,
  wornBlades,
  type Look,
  type Point2,
  type Shape,
} from "@/core/drawing";
import type { Fibre } from "@/core/lash";
import {
  baseIndex,
  fibreCurl,
  innerCornerOnRight,
  onPaper,
  padZones,
  placements,
  planMap,
  type LashMap,
  type MapWish,
  type Tray,
} from "@/core/map";
import { defaultPolicy } from "@/core/policy";

// Six looks on eight shapes in three ways to see them, as SVG pages to be looked at: `npm run shots -- eyes`.

const folder = process.argv[2];
if (!folder) throw new Error("Say where the pages go.");

const single = { curl: "C" as const, diameterMm: 0.15, shape: "round" as const, count: 1 };
const fan = { ...single, curl: "CC" as const, diameterMm: 0.05 };
const accents = (fibre: Fibre | Omit<Fibre, "lengthMm">, every: number): MapWish["accents"] => ({
  offsetMm: 3,
  sections: 5,
  placing: { every, cluster: 1, innerEvery: 2 },
  fibre,
});
const LOOKS: Readonly<Record<string, Partial<MapWish> | null>> = {
  "own lashes": null,
  classic: { look: "squirrel", fibre: single },
  wispy: { look: "natural", fibre: { ...fan, count: 4 }, accents: accents({ ...fan, count: 6, opening: "closed" }, 5) },
  wet: {
    look: "squirrel",
    fibre: { ...fan, curl: "C", diameterMm: 0.07, count: 3, opening: "closed" },
    accents: accents({ ...fan, curl: "C", diameterMm: 0.07, count: 5, opening: "closed" }, 4),
  },
  cat: { look: "cat", fibre: { ...single, curl: "D", diameterMm: 0.12 } },
  mega: { look: "doll", fibre: { ...single, curl: "D", diameterMm: 0.03, count: 10 } },
};
const trays: Tray[] = (["C", "CC", "D", "L"] as const).flatMap((curl) =>
  [0.03, 0.05, 0.07, 0.12, 0.15].map((diameterMm) => ({
    curl,
    diameterMm,
    shape: "round" as const,
    lengthsMm: [5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15],
  })),
);
const curlOf = (fibre: Fibre): Curl => fibreCurl(fibre, trays, defaultPolicy);
const wearing = { curlOf, offsetMm: defaultPolicy.attachmentOffsetMm };

function surveyOf(shape: EyeShape): Survey {
  const survey = usualSurvey(11);
  const eye = (from: Survey["eyes"]["right"]) => ({
    ...from,
    shape,
    points: from.points.map((point, i) => ({ ...point, lengthMm: [8, 10.5, 10][i]! })),
  });
  return { ...survey, eyes: { right: eye(survey.eyes.right), left: eye(survey.eyes.left) } };
}

const VIEWS = ["mirror", "pad", "side"] as const;
const K = { mirror: 6.2, pad: 4.6, side: 8 } as const;
const CELL = { width: 452, height: 200 } as const;

function drawn(survey: Survey, map: LashMap | null, view: (typeof VIEWS)[number]): { shapes: Shape[]; place: (p: Point2) => Point2 }[] {
  const k = K[view];
  return SIDES.map((side, i) => {
    const field = fieldOf(survey, side);
    const worn = map ? placements(map, survey, side).flatMap(({ lash, worn }) => (worn ? [{ lash, fibre: worn.fibre }] : [])) : [];
    const [open, closed] = [openEye(survey.eyes[side]), closedEye(survey.eyes[side])];
    const near = ({ at }: { at: number }) => Math.abs(at - 0.5) < 0.04;
    const look: Look = (lash, hair) =>
      view === "mirror" ? inMirror(open, lash, hair) : view === "pad" ? onPad(closed, lash, hair) : near(lash) ? fromSide(lash, hair) : [];
    const under =
      view === "mirror"
        ? drawOpenEye(open, { field, seed: survey.seed, xRunsRight: side === "left" })
        : view === "pad" && map
          ? drawClosedEye(
              closed,
              padZones(survey, map, side, baseIndex(map, side), "bedHead", 14).padEdge.map(onPaper(side, "bedHead")),
              survey.seed,
            )
          : [];
    const shapes: Shape[] = [
      ...under,
      { kind: "blades", blades: naturalBlades(field, look), ink: "hair", opacity: map ? 0.55 : 0.95 },
      { kind: "blades", blades: wornBlades(worn, wearing, look), ink: "lash", opacity: 1 },
    ];
    const middle = (view === "pad" ? (side === "left" ? 0.27 : 0.75) : i === 0 ? 0.27 : 0.75) * CELL.width;
    const turned = onPaper(side, "bedHead");
    const place = (p: Point2): Point2 => {
      if (view === "pad") {
        const [x, y] = turned(p);
        return [middle + x * k, 128 + y * k];
      }
      const out = innerCornerOnRight(side, "facing") ? -1 : 1;
      if (view === "side") return [middle - out * (p[0] - 4) * k, 150 - p[1] * k];
      return [middle + out * (p[0] - open.widthMm / 2) * k, 146 - p[1] * k];
    };
    return { shapes, place };
  });
}

mkdirSync(folder, { recursive: true });
for (const theme of THEMES)
  for (const view of VIEWS) {
    const palette = paletteOf(theme);
    const shapesOf = Object.keys(SHAPES) as EyeShape[];
    const rows = shapesOf.flatMap((shape, r) =>
      Object.entries(LOOKS).map(([name, wish], c) => {
        const survey = surveyOf(shape);
        const map =
          wish &&
          planMap(
            survey,
            { title: name, school: { id: "browPeak" }, longestMm: null, coupling: "mirrored", ...wish } as MapWish,
            defaultPolicy,
            trays,
          )!.map;
        const eyes = drawn(survey, map, view).map(({ shapes, place }, i) =>
          shapesSvg(shapes, { palette, place, scale: K[view], id: `${r}.${c}.${i}.`, leastMm: 0.6 }),
        );
        return `<g transform="translate(${c * CELL.width} ${r * CELL.height})"><text x="8" y="14" font-size="12" fill="#888" font-family="sans-serif">${name}, ${SHAPES[shape]}</text>${eyes.join("")}</g>`;
      }),
    );
    const [width, height] = [Object.keys(LOOKS).length * CELL.width, shapesOf.length * CELL.height];
    const ground = view === "mirror" ? palette.lit : view === "side" && theme === "lamp" ? palette.lit : palette.paper;
    writeFileSync(
      path.join(folder, `eyes-${view}-${theme}.svg`),
      `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect width="100%" height="100%" fill="${ground}"/>${rows.join("")}</svg>`,
    );
  }
