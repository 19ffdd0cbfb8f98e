import { SIDES } from "../../eye";
import { mostCount } from "../../lash";
import { formatMm } from "../../units";
import { judgeLoad } from "../zoneLimit";
import { baseIndex } from "../layers";
import { LOOKS } from "../looks";
import { dropCurve } from "../looks/dropCurve";
import { landmarksOf } from "../landmarksOf";
import { meanOver } from "../meanOver";
import type { LashMap } from "../schema";
import { type Finding, type Rule } from "../finding";

/** So much nearer to the look must the line be when read from the other end, mm² a zone. A model of this product. */
const CLEARLY = 1;

/**
 * Mirrored or upside-down map: read from the outer corner inwards the lengths fit the look far better than as they
 * stand, which is what a map drawn for the wrong side of the bed comes to.
 */
export const mirroredMap: Rule = ({ map, zones, survey, policy }): Finding[] =>
  SIDES.flatMap((side): Finding[] => {
    const line = zones[side];
    if (line.length < 4 || line.some(({ fibre }) => !fibre)) return [];
    const half = Math.floor(line.length / 2);
    const sum = (zones: typeof line) => zones.reduce((total, { fibre }) => total + fibre!.lengthMm, 0);
    // Every look but a bent one is at least as long outside as inside: such a line needs no closer look.
    if (!map.bend && sum(line.slice(0, half)) <= sum(line.slice(-half))) return [];
    const drop = dropCurve(map.bend ? { handles: map.bend } : LOOKS[map.look], landmarksOf(map, survey, side), survey.eyes[side]);
    const lengths = line.map(({ fibre }) => fibre!.lengthMm);
    // What the look could come to on these very lashes: never below them, never past what they carry, corners their own.
    const hung = Math.max(...lengths) + Math.min(...line.map(({ from, to }) => meanOver(drop, from, to)));
    const wanted = line.map(({ from, to, limit }) => {
      if (limit.corner && policy.corners === "match") return limit.usualMm;
      return Math.min(limit.limitMm, Math.max(limit.usualMm, hung - meanOver(drop, from, to)));
    });
    const apart = (worn: number[]) => {
      // However much is added in all, only where it is added is compared.
      const off = worn.map((mm, i) => mm - wanted[i]!);
      const mean = off.reduce((sum, mm) => sum + mm, 0) / off.length;
      return off.reduce((sum, mm) => sum + (mm - mean) ** 2, 0) / off.length;
    };
    const [asIs, turned] = [apart(lengths), apart([...lengths].reverse())];
    if (asIs - turned < CLEARLY) return [];
    // Offered only where every fibre may be worn in its new place and the other eye would not be left behind.
    const wearable = line.every((zone, i) => {
      const fibre = line[line.length - 1 - i]!.fibre!;
      return fibre.lengthMm <= zone.limit.overLengthLimitMm && judgeLoad(zone.limit.loadOf(fibre), mostCount(fibre), policy) !== "stop";
    });
    return [
      {
        rule: "mirroredMap",
        severity: "look",
        where: { side, zones: [] },
        title: `Client's ${side}, the line looks turned round`,
        why: `${lengths.map(formatMm).join(" ")} from the inner corner outwards fits ${LOOKS[map.look].label} on these lashes far better read the other way. Was it drawn for the other side of the bed?`,
        numbers: [
          { label: "Off the look as it stands", value: `${Math.sqrt(asIs).toFixed(1)} mm` },
          { label: "Off the look turned round", value: `${Math.sqrt(turned).toFixed(1)} mm` },
        ],
        source: "A model of ours; wrong-eye and mirrored maps are a known mistake.",
        ...(wearable ? { fix: { label: "Turn the line round", apply: (m: LashMap) => turnLine(m, side) } } : {}),
      },
    ];
  });

/** The base line of one eye read from the other end, each zone keeping its place. */
function turnLine(map: LashMap, side: "right" | "left"): LashMap {
  const base = baseIndex(map, side);
  const layers = map.eyes[side].layers.map((layer, i) => (i === base ? { ...layer, zones: [...layer.zones].reverse() } : layer));
  return { ...map, eyes: { ...map.eyes, [side]: { layers } } };
}
