import type { Curl } from "../curl";
import { closedEye, onPad, wornBlades } from "../drawing";
import type { Side, Survey } from "../eye";
import type { Fibre } from "../lash";
import { landmarksOf } from "./landmarksOf";
import { layerLegend } from "./layerLegend";
import { baseIndex, lengthWords } from "./layers";
import { placements } from "./placements";
import type { LashMap, Layer } from "./schema";
import { eyesInView, onPaper, type View } from "./view";
import { spreadApart } from "../units";

type Point = readonly [xMm: number, yMm: number];

/** One eye's strip in its own mm, x to the right, y down the paper; the lash line's middle at 0, 0. */
export type PadStripEye = {
  readonly side: Side;
  /** The closed lash line; its arc is exactly the surveyed length. */
  readonly lashLine: readonly Point[];
  readonly padEdge: readonly Point[];
  readonly zoneLines: readonly { readonly from: Point; readonly to: Point }[];
  /** Fibre ends of each zone at true length from the lash line. */
  readonly lengthArcs: readonly (readonly Point[])[];
  /** Every zone's length, inner corner first, on a ring of their own where they have room, each led to by a line. */
  readonly lengths: readonly { readonly at: Point; readonly text: string; readonly leader: readonly [Point, Point] }[];
  readonly lengthTextMm: number;
  readonly zoneLabels: readonly { readonly at: Point; readonly text: string }[];
  readonly landmarks: readonly {
    readonly tick: readonly [Point, Point];
    readonly label: string;
    readonly labelAt: Point;
    readonly leader: readonly [Point, Point];
  }[];
  readonly innerAt: Point;
  /** The middle of the widest worn zone: room for a few letters that stay on the strip when it is cut out. */
  readonly nameAt: Point;
  readonly outerAt: Point;
};
export type PadStripLayer = {
  readonly role: Layer["role"];
  /** Its place among the layers of each eye of `eyes`. */
  readonly indexes: readonly [number, number];
  /** What the layer is, in words for its legend. */
  readonly legend: string;
  readonly eyes: readonly [PadStripEye, PadStripEye];
};
export type PadStrip = {
  /** The base first, then every other layer as the map has them. */
  readonly layers: readonly PadStripLayer[];
  readonly rulerMm: number;
};

/** The ring of lengths stands this far past the longest fibre, mm; zone numbers and the pad's edge follow. */
const RING = { pastLongestMm: 4.6, numbersMm: 3.7, edgeMm: 6 };
/** A length as it is printed, mm high, and the room two figures of it need. */
const LENGTH_TEXT = { sizeMm: 3.6, roomMm: 4.7 };
const LANDMARK = { labelMm: -3.9, roomMm: 5 };

/**
 * The pad strip at true scale. Eyes are closed and the map lies on the pad below the lashes: facing the client the
 * lengths run down the paper, from the bed head the same drawing is turned half round.
 */
export function padStrip(survey: Survey, map: LashMap, view: View): PadStrip {
  const [first, second] = eyesInView(view);
  const base = baseIndex(map, first);
  // Layers of the two eyes belong together by their place in the map; one that the second eye lacks is left out.
  const indexes = map.eyes[first].layers
    .map((_, i) => i)
    .filter((i) => map.eyes[second].layers[i]?.role === map.eyes[first].layers[i]!.role);
  const inOrder = [base, ...indexes.filter((i) => i !== base)];
  const indexOf = (side: Side, index: number) => (index === base ? baseIndex(map, side) : index);
  const strip = (side: Side, index: number) => padZones(survey, map, side, indexOf(side, index), view);
  return {
    layers: inOrder.map((index) => ({
      role: index === base ? "base" : map.eyes[first].layers[index]!.role,
      legend: layerLegend(map.eyes[first].layers[index]!),
      indexes: [indexOf(first, index), indexOf(second, index)],
      eyes: [strip(first, index), strip(second, index)],
    })),
    rulerMm: 20,
  };
}

/**
 * One layer of one eye on its pad. The pad is as deep as fibres of `longestMm` need, or as what is worn does: given, it
 * keeps its size while a map is changed.
 */
export function padZones(survey: Survey, map: LashMap, side: Side, index: number, view: View, longestMm = 10): PadStripEye {
  const layer = map.eyes[side].layers[index]!;
  const eye = { ...survey.eyes[side], landmarks: landmarksOf(map, survey, side) };
  const closed = closedEye(eye);
  const { radiusMm: radius, arcRad: arc } = closed;
  const turned = onPaper(side, view);
  const point = (at: number, outMm: number): Point => turned(closed.point(at, outMm));
  const run = (from: number, to: number, outMm: number, steps: number) => closed.run(from, to, outMm, steps).map(turned);
  const zones = layer.zones.map((fibre, i) => ({
    fibre,
    from: layer.boundaries[i]!,
    to: layer.boundaries[i + 1]!,
    lengthMm: fibre?.lengthMm ?? 0,
  }));
  const ringMm = Math.max(longestMm, ...zones.map((zone) => zone.lengthMm)) + RING.pastLongestMm;
  const edgeMm = ringMm + RING.edgeMm;
  const middles = zones.map(({ from, to }) => (from + to) / 2);
  /** Labels moved along their ring until none touches the next; places may lie a little past the corners. */
  const roomy = (places: readonly number[], outMm: number, roomMm: number) => spreadApart(places, roomMm / ((radius + outMm) * arc));
  const roomMm = Math.min(LENGTH_TEXT.roomMm, ((radius + ringMm) * arc * 1.08) / zones.length);
  const labelled = roomy(middles, ringMm, roomMm);
  /** How far the pad runs on past both corners: as far as its outermost length needs. */
  const half = (0.5 * roomMm) / ((radius + ringMm) * arc);
  const past = Math.max(0.04, half - labelled[0]!, labelled.at(-1)! + half - 1);
  const landmarks = (
    [
      ["irisInner", "iris"],
      ["pupil", "pupil"],
      ["irisOuter", "iris"],
      ["browPeak", "brow"],
    ] as const
  )
    .map(([key, label]) => ({ at: eye.landmarks[key], label }))
    .sort((a, b) => a.at - b.at);
  const landmarksLabelled = roomy(
    landmarks.map(({ at }) => at),
    LANDMARK.labelMm,
    LANDMARK.roomMm,
  );
  const widest = zones.reduce((a, b) => (b.fibre && (!a.fibre || b.to - b.from > a.to - a.from) ? b : a));
  return {
    side,
    nameAt: point((widest.from + widest.to) / 2, Math.max(4, widest.lengthMm * 0.45)),
    lashLine: run(0, 1, 0, 64),
    padEdge: [...run(-past, 1 + past, -1, 64), ...run(-past, 1 + past, edgeMm, 64).reverse()],
    zoneLines: layer.boundaries.map((at) => ({
      from: point(at, 0),
      to: point(at, ringMm - LENGTH_TEXT.sizeMm * 0.8),
    })),
    lengthArcs: zones.flatMap(({ fibre, from, to }) => (fibre ? [run(from, to, fibre.lengthMm, 8)] : [])),
    lengths: zones.map(({ fibre, lengthMm }, i) => ({
      at: point(labelled[i]!, ringMm),
      text: fibre ? lengthWords(fibre) : "–",
      leader: [point(middles[i]!, Math.max(lengthMm, 2) + 0.5), point(labelled[i]!, ringMm - 2.1)],
    })),
    lengthTextMm: LENGTH_TEXT.sizeMm * (roomMm / LENGTH_TEXT.roomMm),
    zoneLabels: labelled.map((at, i) => ({ at: point(at, ringMm + RING.numbersMm), text: String(i + 1) })),
    landmarks: landmarks.map(({ at, label }, i) => ({
      tick: [point(at, -0.9), point(at, 1.6)],
      label,
      labelAt: point(landmarksLabelled[i]!, LANDMARK.labelMm),
      leader: [point(at, -1), point(landmarksLabelled[i]!, LANDMARK.labelMm + 1.5)],
    })),
    innerAt: point(-past - 0.07, 9),
    outerAt: point(1 + past + 0.07, 9),
  };
}

export type PadLashes = {
  readonly curlOf: (fibre: Fibre) => Curl;
  /** Where extensions are set, mm along the natural lash. */
  readonly offsetMm: number;
};

/** Every lash worn in a layer as it lies on the pad, in the strip's own mm: a fan by its outermost fibres and its middle one. */
export function padLashes(survey: Survey, map: LashMap, side: Side, index: number, view: View, wearing: PadLashes): Point[][] {
  const closed = closedEye(survey.eyes[side]);
  const turned = onPaper(side, view);
  return placements(map, survey, side).flatMap(({ lash, worn }) => {
    if (worn?.layer !== index) return [];
    const blades = wornBlades([{ lash, fibre: worn.fibre }], wearing, (one, hair) => onPad(closed, one, hair));
    const shown = blades.length > 3 ? [blades[0]!, blades[Math.floor(blades.length / 2)]!, blades.at(-1)!] : blades;
    return shown.map(({ points }) => points.map(turned));
  });
}
