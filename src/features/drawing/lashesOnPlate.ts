import type { Curl } from "@/core/curl";
import {
  closedEye,
  inMirror,
  naturalBlades,
  NATURALS_OPACITY,
  onPad,
  openEye,
  wornBlades,
  type Look,
  type Palette,
  type Point2,
} from "@/core/drawing";
import { fieldOf, type Side, type Survey } from "@/core/eye";
import type { Fibre } from "@/core/lash";
import { baseIndex, inkOf, onPaper, padZones, zonesBackToFront, type LashMap } from "@/core/map";
import type { LashLayer } from "./LashLayers";
import type { EyePlace, Plate } from "./plate";

/** A pad that no map lies on. */
const BARE_PAD = { pastLongestMm: 5, past: 0.05 } as const;

/** Where the hairs of an eye are seen on its plate. */
export function lookOn(plate: Plate, survey: Survey, { side }: EyePlace): Look {
  if (plate.view === "pad") {
    const eye = closedEye(survey.eyes[side]);
    return (lash, hair) => onPad(eye, lash, hair);
  }
  const eye = openEye(survey.eyes[side]);
  return (lash, hair) => inMirror(eye, lash, hair);
}

export type Drawn = {
  readonly curlOf: (fibre: Fibre) => Curl;
  readonly offsetMm: number;
  readonly palette: Palette;
};

/** An eye's lashes as they lie on each other: the natural ones, then every zone, accents over the rest. */
export function lashLayers(
  survey: Survey,
  map: LashMap | null,
  place: EyePlace,
  look: Look,
  { curlOf, offsetMm, palette }: Drawn,
): LashLayer[] {
  const { side } = place;
  const field = fieldOf(survey, side);
  const zones = map ? zonesBackToFront(map, survey, side) : [];
  return [
    {
      key: side,
      of: [field, look],
      blades: () => naturalBlades(field, look),
      brush: place,
      ink: palette.hair,
      opacity: zones.length ? NATURALS_OPACITY.worn : NATURALS_OPACITY.bare,
    },
    ...zones.map((zone): LashLayer => ({
      key: `${side} ${zone.layer} ${zone.zone}`,
      of: [look, curlOf, offsetMm, ...zone.worn.flatMap(({ lash, fibre }) => [lash, fibre])],
      blades: () => wornBlades(zone.worn, { curlOf, offsetMm }, look),
      brush: place,
      ink: inkOf(zone) ?? palette.lash,
      opacity: 1,
    })),
  ];
}

/** The pad's outline in the closed eye's own millimetres, under the base as it is planned. */
export function padOutline(survey: Survey, map: LashMap | null, side: Side, longestMm: number): Point2[] {
  const eye = closedEye(survey.eyes[side]);
  if (map) return padZones(survey, map, side, baseIndex(map, side), "bedHead", longestMm).padEdge.map(onPaper(side, "bedHead"));
  const deep = longestMm + BARE_PAD.pastLongestMm;
  return [...eye.run(-BARE_PAD.past, 1 + BARE_PAD.past, -1, 48), ...eye.run(-BARE_PAD.past, 1 + BARE_PAD.past, deep, 48).reverse()];
}
