import { curlPath, curlSegments } from "../curl";
import { openEye } from "../drawing";
import { SIDES, type FieldLash, type Side } from "../eye";
import { closedFanWidth, meanCount, mostCount, taperFactor, type Fibre } from "../lash";
import { degToRad, formatPercent } from "../units";
import type { MapFacts } from "./facts";
import { placements } from "./placements";
import { fibreCurl } from "./stock";

/** The band darkness is measured in: this high over the lid, mm. One height for all maps, so that they compare. */
export const LASH_BAND_MM = 6;

export type Darkness = {
  /** Extensions over usable lashes, 0..1. */
  readonly coverage: number;
  /** Share of the lash band covered by fibre seen from the front, 0..1. */
  readonly darkness: number;
};

/**
 * How dense and how dark a map comes out, seen from the front: the area the fibres project onto the band over the lid,
 * laid on each other at random, `1 − exp(−A/A_band)`. A model of this product, for comparing two maps.
 */
export function mapDarkness(facts: MapFacts): Readonly<Record<Side, Darkness>> {
  const of = (side: Side): Darkness => {
    const placed = placements(facts.map, facts.survey, side);
    const usable = placed.filter(({ lash }) => !lash.baby).length;
    const worn = placed.filter((placement) => placement.worn);
    const bandMm2 = openEye(facts.survey.eyes[side]).widthMm * LASH_BAND_MM;
    const areaMm2 = worn.reduce((sum, { lash, worn }) => sum + lashArea(worn!.fibre, lash, facts), 0);
    return { coverage: usable ? Math.min(1, worn.length / usable) : 0, darkness: 1 - Math.exp(-areaMm2 / bandMm2) };
  };
  const [right, left] = SIDES.map(of);
  return { right: right!, left: left! };
}

/** From how much of the band on a set reads so. A model of this product. */
const WORDS: readonly (readonly [from: number, word: string])[] = [
  [0.7, "dark"],
  [0.5, "full"],
  [0.3, "medium"],
  [0, "soft"],
];

/** How dark a set reads: "full, 55 %; narrow fans read darker". `darknessWords(0.22, single)` → "soft, 22 %" */
export function darknessWords(darkness: number, fibre: Pick<Fibre, "count" | "countTo" | "opening">): string {
  const word = WORDS.find(([from]) => darkness >= from)![1];
  const opened = mostCount(fibre) > 1 ? { narrow: "; narrow fans read darker", wide: "; wide fans read lighter" } : {};
  return `${word}, ${formatPercent(darkness)}${(opened as Partial<Record<string, string>>)[fibre.opening ?? "usual"] ?? ""}`;
}

/** Area one extension covers of the band, mm²: each piece of it as wide as the fibre and as long as it is seen. */
export function lashArea(fibre: Fibre, { angleDeg, azimuthDeg }: FieldLash, { trays, policy }: Pick<MapFacts, "trays" | "policy">): number {
  const path = curlPath(curlSegments(fibreCurl(fibre, trays, policy), fibre.lengthMm), angleDeg, 12);
  const across = Math.sin(degToRad(azimuthDeg));
  let seenMm = 0;
  path.slice(1).forEach((point, i) => {
    const before = path[i]!;
    if ((point.liftMm + before.liftMm) / 2 > LASH_BAND_MM) return;
    seenMm += Math.hypot((point.reachMm - before.reachMm) * across, point.liftMm - before.liftMm);
  });
  // Closed, fibres hide each other; open, each is seen.
  const fibres = meanCount(fibre);
  const widths = fibre.opening === "closed" ? closedFanWidth(fibres) : fibres;
  return widths * fibre.diameterMm * seenMm * taperFactor();
}
