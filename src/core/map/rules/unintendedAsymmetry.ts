import { formatMm, sentence } from "../../units";
import { setZone } from "../edit";
import { type Finding, type Rule } from "../finding";
import { kindLabel, sameKind, type TrayKind } from "../stock";
import type { LashMap, ZoneFibre } from "../schema";
import type { ZoneFacts } from "../facts";
import { FLOOR_BELOW_MM, judgeLoad } from "../zoneLimit";
import { mostCount } from "../../lash";
import { ZONE_WORDS } from "../layers";

/** Unintended asymmetry: mirrored zones wear different fibres and nobody said so. */
export const unintendedAsymmetry: Rule = ({ map, layers, policy }) => {
  if (map.differsOnPurpose || layers.right.length !== layers.left.length) return [];
  return layers.right.flatMap((rights, layer) => {
    const lefts = layers.left[layer]!;
    if (rights.length !== lefts.length) return [];
    return rights.flatMap((right, i): Finding[] => {
      const left = lefts[i]!;
      if (!right.fibre || !left.fibre) return [];
      const difference = right.fibre.lengthMm - left.fibre.lengthMm;
      const otherKind = !sameKind(right.fibre, left.fibre) || mostCount(right.fibre) !== mostCount(left.fibre);
      if (Math.abs(difference) < 0.5 && !otherKind) return [];
      // The shorter, or else thinner, is the safer of the two to wear on both; offered only where it may be worn.
      const kept = difference === 0 ? (right.fibre.diameterMm <= left.fibre.diameterMm ? right : left) : difference < 0 ? right : left;
      const other = kept === right ? left : right;
      const carries = (zone: ZoneFacts, fibre: ZoneFibre) =>
        fibre.lengthMm <= zone.limit.limitMm + 1e-9 && judgeLoad(zone.limit.loadOf(fibre), mostCount(fibre), policy) !== "stop";
      // Where one eye cannot carry the longer and the other would hide the shorter, each wears what its own lashes ask.
      const hidden = kept.role !== "base" || kept.fibre!.lengthMm < leastMm(other) - 1e-9;
      if (!otherKind && hidden && !carries(kept, other.fibre!)) return [ownLashes(layer, right, left)];
      const wearable =
        kept.fibre!.classes === undefined &&
        kept.fibre!.hybrid === undefined &&
        kept.stockedMm.includes(kept.fibre!.lengthMm) &&
        carries(other, kept.fibre!);
      return [
        {
          rule: "unintendedAsymmetry",
          severity: "look",
          where: { side: "both", zones: [i], ...(right.role === "base" ? {} : { layer, role: right.role }) },
          title: `${sentence(ZONE_WORDS[right.role])} ${i + 1}, both eyes`,
          why: `Client's right wears ${describe(right.fibre)}, left ${describe(left.fibre)}. If the eyes differ and this is meant, say so on the map.`,
          numbers: [
            { label: "Usual lash, right", value: `${right.limit.usualMm.toFixed(1)} mm` },
            { label: "Usual lash, left", value: `${left.limit.usualMm.toFixed(1)} mm` },
          ],
          source: "Common practice: the eyes mirror each other unless they differ.",
          ...(wearable
            ? {
                fix: {
                  label: `Both to ${formatMm(kept.fibre!.lengthMm)}`,
                  apply: (m: LashMap) => setZone(m, other.side, i, kept.fibre, layer),
                },
              }
            : {}),
        },
      ];
    });
  });
};

/** The shortest that a zone's own lashes do not hide, mm; in a corner what is near its usual lash. */
const leastMm = ({ limit }: ZoneFacts) => (limit.corner ? limit.usualMm - FLOOR_BELOW_MM : limit.floorMm);

/** The eyes differ here because their lashes do: said, and nothing to settle. */
function ownLashes(layer: number, right: ZoneFacts, left: ZoneFacts): Finding {
  return {
    rule: "eyesDiffer",
    severity: "note",
    where: { side: "both", zones: [right.index], ...(right.role === "base" ? {} : { layer, role: right.role }) },
    title: `${sentence(ZONE_WORDS[right.role])} ${right.index + 1}, the eyes differ`,
    topic: "the eyes differ",
    why: `Client's right wears ${formatMm(right.fibre!.lengthMm)} mm, left ${formatMm(left.fibre!.lengthMm)}: each what its own lashes ask for.`,
    numbers: [
      { label: "Usual lash, right", value: `${right.limit.usualMm.toFixed(1)} mm` },
      { label: "Usual lash, left", value: `${left.limit.usualMm.toFixed(1)} mm` },
    ],
    source: "Common practice: the eyes mirror each other unless they differ.",
  };
}

const describe = (fibre: TrayKind & { readonly lengthMm: number }) => `${formatMm(fibre.lengthMm)} mm ${kindLabel(fibre)}`;
