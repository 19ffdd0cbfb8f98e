import { SIDES } from "../../eye";
import { formatMm } from "../../units";
import { type Finding, type Rule } from "../finding";
import { BABY_WEARS, placements } from "../placements";

/** Baby lashes: how many there are, and whether they are left alone or wear something short and fine. */
export const babyLashes: Rule = ({ map, survey }): Finding[] => {
  const babies = SIDES.flatMap((side) => placements(map, survey, side).filter(({ lash }) => lash.baby));
  if (babies.length === 0) return [];
  const worn = babies.filter((placement) => placement.worn).length;
  const left = babies.length - worn;
  const all = [...(left ? [`${left} left alone`] : []), ...(worn ? [`${worn} worn fine`] : [])].join(", ");
  return [
    {
      rule: "babyLashes",
      severity: "note",
      where: { side: "both", zones: [] },
      title: `Baby lashes: ${all}`,
      why: `A baby lash wears ${formatMm(BABY_WEARS.upToMm)} mm or less of ${BABY_WEARS.diameterMm.toFixed(2)} or finer, or is left alone: it outgrows anything else.`,
      numbers: SIDES.map((side) => ({
        label: `Client's ${side}`,
        value: String(placements(map, survey, side).filter(({ lash }) => lash.baby).length),
      })),
      source: "Common practice.",
    },
  ];
};
