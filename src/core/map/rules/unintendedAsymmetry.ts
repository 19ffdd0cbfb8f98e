import { formatMm } from "../../units";
import { setZone } from "../edit";
import { type Finding, type Rule } from "../finding";
import type { LashMap } from "../schema";
import { judgeLoad } from "../zoneLimit";

/** Unintended asymmetry: mirrored zones wear different fibres and nobody said so. */
export const unintendedAsymmetry: Rule = ({ map, zones, policy }) => {
  if (map.differsOnPurpose || zones.right.length !== zones.left.length) return [];
  return zones.right.flatMap((right, i): Finding[] => {
    const left = zones.left[i]!;
    if (!right.fibre || !left.fibre) return [];
    const difference = right.fibre.lengthMm - left.fibre.lengthMm;
    const otherKind = right.fibre.curl !== left.fibre.curl || right.fibre.diameterMm !== left.fibre.diameterMm;
    if (Math.abs(difference) < 0.5 && !otherKind) return [];
    // The shorter, or else thinner, is the safer of the two to wear on both; offered only where it may be worn.
    const kept = difference === 0 ? (right.fibre.diameterMm <= left.fibre.diameterMm ? right : left) : difference < 0 ? right : left;
    const other = kept === right ? left : right;
    const wearable =
      kept.stockedMm.includes(kept.fibre!.lengthMm) &&
      kept.fibre!.lengthMm <= other.limit.limitMm &&
      judgeLoad(other.limit.loadOf(kept.fibre!), kept.fibre!.count, policy) !== "stop";
    return [
      {
        rule: "unintendedAsymmetry",
        severity: "look",
        where: { side: "both", zones: [i] },
        title: `Zone ${i + 1}, both eyes`,
        why: `Client's right wears ${describe(right.fibre)}, left ${describe(left.fibre)}. If the eyes differ and this is meant, say so on the map.`,
        numbers: [
          { label: "Usual lash, right", value: `${right.limit.natural.meanMm.toFixed(1)} mm` },
          { label: "Usual lash, left", value: `${left.limit.natural.meanMm.toFixed(1)} mm` },
        ],
        source: "Common practice: the eyes mirror each other unless they differ.",
        ...(wearable
          ? { fix: { label: `Both to ${formatMm(kept.fibre!.lengthMm)}`, apply: (m: LashMap) => setZone(m, other.side, i, kept.fibre) } }
          : {}),
      },
    ];
  });
};

const describe = (fibre: { lengthMm: number; curl: string; diameterMm: number }) =>
  `${formatMm(fibre.lengthMm)} mm ${fibre.curl} ${fibre.diameterMm.toFixed(2)}`;
