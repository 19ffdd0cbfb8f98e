import { SIDES } from "../../eye";
import { fibreMassMg, meanCount, mostCount } from "../../lash";
import { formatHours } from "../../units";
import { mapDarkness } from "../darkness";
import { type Finding, type Rule } from "../finding";
import { placements } from "../placements";
import { mapTotals } from "../totals";

/** A set that takes longer than this is long, seconds. Common practice. */
const LONG_SET_S = 4 * 3600;
/** A dense line as dark as this loses nothing that is seen with fewer fibres. A model of this product. */
const DARK_ENOUGH = 0.8;
/** The last tenth of the lashes is what a shorter set leaves. Common practice. */
const LEFT_OUT = 0.1;

/** Many lashes: a set over four hours, or a dense line that is dark already; fewer fibres a fan or nine lashes in ten do as well. */
export const longSet: Rule = (facts): Finding[] => {
  const { map, survey } = facts;
  const totals = mapTotals(facts);
  const long = totals.seconds > LONG_SET_S;
  const points = SIDES.flatMap((side) => survey.eyes[side].points);
  const dense = points.filter(({ density }) => density === "dense").length > points.length / 2;
  const fan = mostCount(map.fibre) > 2;
  if (!long && !(dense && fan)) return [];
  const darkness = long ? null : Math.min(...SIDES.map((side) => mapDarkness(facts)[side].darkness));
  if (darkness !== null && darkness < DARK_ENOUGH) return [];
  const lashes = totals.lashes.right + totals.lashes.left;
  const massMg = SIDES.flatMap((side) => placements(map, survey, side)).reduce(
    (sum, { worn }) => sum + (worn ? fibreMassMg({ ...worn.fibre, count: meanCount(worn.fibre) }) : 0),
    0,
  );
  const { countTo: _, ...one } = map.fibre;
  const fewer = fan ? { ...one, count: mostCount(map.fibre) - 1 } : null;
  const savedMg = massMg * (fewer ? 1 / mostCount(map.fibre) : LEFT_OUT);
  return [
    {
      rule: "longSet",
      severity: "note",
      where: { side: "both", zones: [] },
      title: long ? `${lashes} lashes: about ${formatHours(totals.seconds)}` : `${lashes} lashes: dark enough with less`,
      why:
        `Nine lashes in ten save about ${formatHours(totals.seconds * LEFT_OUT)}` +
        (fewer
          ? `; fans of ${fewer.count} instead of ${mostCount(map.fibre)} save ${savedMg.toFixed(0)} mg of ${massMg.toFixed(0)} and read hardly lighter on a dense line.`
          : ` and ${savedMg.toFixed(1)} mg of ${massMg.toFixed(1)}.`) +
        (map.accents ? " Thinner spikes save weight too." : ""),
      numbers: [
        { label: "Placing", value: formatHours(totals.seconds) },
        { label: "Fibre in all", value: `${massMg.toFixed(1)} mg` },
        ...(darkness === null ? [] : [{ label: "Darkness", value: `${Math.round(darkness * 100)} %` }]),
      ],
      source: "Common practice: the last tenth costs about an hour more.",
      ...(fewer ? { plan: { label: `Plan it in ${fewer.count}D`, wish: { fibre: fewer } } } : {}),
    },
  ];
};
