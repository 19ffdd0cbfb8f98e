import { formatMm } from "../../units";
import { setZone } from "../edit";
import { type Finding, type Rule } from "../finding";
import { kindLabel, sameKind, type TrayKind } from "../stock";
import type { LashMap } from "../schema";
import { judgeLoad } from "../zoneLimit";
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
      const wearable =
        kept.fibre!.classes === undefined &&
        kept.fibre!.hybrid === undefined &&
        kept.stockedMm.includes(kept.fibre!.lengthMm) &&
        kept.fibre!.lengthMm <= other.limit.limitMm &&
        judgeLoad(other.limit.loadOf(kept.fibre!), mostCount(kept.fibre!), policy) !== "stop";
      return [
        {
          rule: "unintendedAsymmetry",
          severity: "look",
          where: { side: "both", zones: [i], ...(right.role === "base" ? {} : { layer }) },
          title: `${ZONE_WORDS[right.role].replace(/^./, (c) => c.toUpperCase())} ${i + 1}, both eyes`,
          why: `Client's right wears ${describe(right.fibre)}, left ${describe(left.fibre)}. If the eyes differ and this is meant, say so on the map.`,
          numbers: [
            { label: "Usual lash, right", value: `${right.limit.natural.meanMm.toFixed(1)} mm` },
            { label: "Usual lash, left", value: `${left.limit.natural.meanMm.toFixed(1)} mm` },
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

const describe = (fibre: TrayKind & { readonly lengthMm: number }) => `${formatMm(fibre.lengthMm)} mm ${kindLabel(fibre)}`;
