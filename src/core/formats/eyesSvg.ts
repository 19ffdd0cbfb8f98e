import { CURLS, type Curl } from "../curl";
import {
  CLOSED_ABOVE,
  closedEye,
  drawClosedEye,
  drawOpenEye,
  inMirror,
  naturalBlades,
  NATURALS_OPACITY,
  onPad,
  openEye,
  paletteOf,
  roomOfOpenEyes,
  shapesSvg,
  wornBlades,
  type Look,
  type Point2,
  type Shape,
} from "../drawing";
import { fieldOf, sideLabel, type Side, type Survey } from "../eye";
import type { Fibre } from "../lash";
import {
  EYE_VIEW_LABELS,
  eyesInView,
  innerCornerOnRight,
  baseIndex,
  landmarksOf,
  inkOf,
  onPaper,
  padZones,
  wayUp,
  zonesBackToFront,
  type EyeView,
  type LashMap,
} from "../map";

const GAP_MM = 22;
const SIDE_MM = 12;
const HEAD_MM = 2;
const FOOT_MM = 8;
const WORD_MM = 2.6;

export type SvgOptions = {
  readonly curlOf?: (fibre: Fibre) => Curl;
  /** Where extensions are set, mm along the natural lash. */
  readonly offsetMm?: number;
};

/** One eye of a drawing: its shapes in the eye's own millimetres, and how far it reaches. */
type Drawn = {
  readonly shapes: readonly Shape[];
  /** Ink of those of `shapes` whose fibres are not black. */
  readonly inks: ReadonlyMap<Shape, string>;
  readonly fromMm: number;
  readonly toMm: number;
};

/**
 * Both eyes as an SVG of true millimetres (width and height in mm): in the mirror, or on the pad as seen from the bed
 * head, each fibre a shape of its own. Which eye is which and the nose are written below.
 */
export function eyesSvg(survey: Survey, map: LashMap, view: Exclude<EyeView, "side">, options: SvgOptions = {}): string {
  const order = eyesInView(wayUp(view));
  const eyes = order.map((side) => (view === "mirror" ? open(survey, map, side, options) : closed(survey, map, side, options)));
  const room =
    view === "mirror"
      ? roomOfOpenEyes(survey)
      : { aboveMm: Math.max(...eyes.map(({ reachMm }) => reachMm)), belowMm: Math.max(...eyes.map(({ lidMm }) => lidMm)) };
  const baseline = HEAD_MM + room.aboveMm;
  const height = baseline + room.belowMm + FOOT_MM;
  const palette = paletteOf("paper", survey.colours);
  const written = ([x, y]: Point2, text: string) =>
    `<text x="${x.toFixed(2)}" y="${(y + WORD_MM / 3).toFixed(2)}" font-size="${WORD_MM}" font-weight="600" text-anchor="middle" fill="${palette.lash}" font-family="sans-serif">${text}</text>`;
  let left = SIDE_MM;
  const parts = eyes.map(({ shapes, inks, fromMm, toMm, lengths }, i) => {
    const side = order[i]!;
    const inwards = innerCornerOnRight(side, wayUp(view));
    // The eye's own x runs outwards from its inner corner.
    const place = ([x, y]: Point2): Point2 => [inwards ? left + toMm - x : left - fromMm + x, baseline - y];
    const drawn = shapes.map((shape, k) =>
      shapesSvg([shape], { palette: inks.has(shape) ? { ...palette, lash: inks.get(shape)! } : palette, place, id: `${side}${k}-` }),
    );
    const middle = left + (toMm - fromMm) / 2;
    left += toMm - fromMm + GAP_MM;
    return { markup: drawn.join("") + lengths.map(({ at, text }) => written(place(at), text)).join(""), middle, word: sideLabel(side) };
  });
  const width = left - GAP_MM + SIDE_MM;
  const word = (x: number, text: string) =>
    `<text x="${x.toFixed(2)}" y="${(height - 2.4).toFixed(2)}" font-size="${WORD_MM}" text-anchor="middle" fill="${palette.lash}" font-family="sans-serif">${text}</text>`;
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width.toFixed(2)}mm" height="${height.toFixed(2)}mm" viewBox="0 0 ${width.toFixed(2)} ${height.toFixed(2)}" role="img">` +
    `<title>Lash map, ${EYE_VIEW_LABELS[view]}</title><rect width="100%" height="100%" fill="${palette.paper}"/>` +
    parts.map(({ markup, word: name }) => `<g aria-label="${name}">${markup}</g>`).join("") +
    parts.map(({ middle, word: name }) => word(middle, name)).join("") +
    word((parts[0]!.middle + parts[1]!.middle) / 2, "nose") +
    `</svg>\n`
  );
}

type Sized = Drawn & {
  readonly reachMm: number;
  readonly lidMm: number;
  /** Lengths as they stand on the pad, in the eye's own millimetres. */
  readonly lengths: readonly { readonly at: Point2; readonly text: string }[];
};

function lashShapes(
  survey: Survey,
  map: LashMap,
  side: Side,
  look: Look,
  { curlOf = (fibre) => CURLS[fibre.curl], offsetMm = 1 }: SvgOptions,
) {
  const inks = new Map<Shape, string>();
  const naturals: Shape = {
    kind: "blades",
    blades: naturalBlades(fieldOf(survey, side), look),
    ink: "hair",
    opacity: NATURALS_OPACITY.worn,
  };
  const worn = zonesBackToFront(map, survey, side).map((zone): Shape => {
    const shape: Shape = { kind: "blades", blades: wornBlades(zone.worn, { curlOf, offsetMm }, look), ink: "lash", opacity: 1 };
    const ink = inkOf(zone);
    if (ink) inks.set(shape, ink);
    return shape;
  });
  return { shapes: [naturals, ...worn], inks };
}

function open(survey: Survey, map: LashMap, side: Side, options: SvgOptions): Sized {
  const eye = openEye({ ...survey.eyes[side], landmarks: landmarksOf(map, survey, side) });
  const lashes = lashShapes(survey, map, side, (lash, hair) => inMirror(eye, lash, hair), options);
  const backdrop = drawOpenEye(eye, { field: fieldOf(survey, side), seed: survey.seed, xRunsRight: side === "left" });
  return { shapes: [...backdrop, ...lashes.shapes], inks: lashes.inks, fromMm: 0, toMm: eye.widthMm, reachMm: 0, lidMm: 0, lengths: [] };
}

function closed(survey: Survey, map: LashMap, side: Side, options: SvgOptions): Sized {
  const eye = closedEye(survey.eyes[side]);
  const pad = padZones(survey, map, side, baseIndex(map, side), "bedHead");
  // The pad lies as it is seen from the bed head; turned twice it is the eye's own again.
  const own = onPaper(side, "bedHead");
  const edge = pad.padEdge.map(own);
  const lashes = lashShapes(survey, map, side, (lash, hair) => onPad(eye, lash, hair), options);
  const halfMm = Math.max(...edge.map(([x]) => Math.abs(x)));
  const zoneLines = pad.zoneLines.map(({ from, to }): Shape => ({
    kind: "line",
    points: [from, to].map(own),
    ink: "padLine",
    widthMm: 0.14,
    opacity: 1,
  }));
  return {
    shapes: [...drawClosedEye(eye, edge, survey.seed), ...zoneLines, ...lashes.shapes],
    inks: lashes.inks,
    fromMm: -halfMm,
    toMm: halfMm,
    reachMm: Math.max(...edge.map(([, y]) => y)),
    lidMm: eye.lashLineMm * CLOSED_ABOVE,
    lengths: pad.lengths.map(({ at, text }) => ({ at: own(at), text })),
  };
}
