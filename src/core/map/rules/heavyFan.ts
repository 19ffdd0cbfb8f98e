import { equalCount, mostCount } from "../../lash";
import { type Finding, type Rule } from "../finding";
import { stockedLengths } from "../stock";
import { swapThroughout } from "./throughout";
import { FINE_UP_TO_MM, judgeLoad } from "../zoneLimit";
import { at, changeFibre, perPiece, titled } from "./helpers";

/** A fan that outweighs the classic single it stands for is heavy on lashes that would not get that single. */
const CLASSIC = { diameterMm: 0.15, shape: "round" as const };
/** From this share on a zone's baby lashes are reckoned with. A model of this product. */
const MANY_BABIES = 0.3;

/** Heavy fan on fine or baby lash: more fibre than a 0.15 single, on lashes that wear less than that. */
export const heavyFan: Rule = (facts) =>
  perPiece("heavyFan", facts, (zone, piece): Finding[] => {
    const { fibre } = piece;
    const { natural } = zone.limit;
    const fine = natural.diameterMm <= FINE_UP_TO_MM;
    const baby = natural.babyShare >= MANY_BABIES - 1e-9;
    if (mostCount(fibre) < 2 || !(fine || baby)) return [];
    const weighs = equalCount({ ...fibre, count: mostCount(fibre) }, CLASSIC);
    if (weighs <= 1 + 1e-9) return [];
    const lighter = Math.floor(equalCount({ ...CLASSIC, count: 1 }, fibre) + 1e-9);
    const { countTo: _, ...alike } = fibre;
    const carried = (fan: typeof fibre) => judgeLoad(zone.limit.loadOf(fan), mostCount(fan), facts.policy) !== "stop";
    // Finer fibres first, as many of them; then fewer of these.
    const finer = facts.trays
      .filter(({ curl, shape, diameterMm }) => curl === fibre.curl && shape === fibre.shape && diameterMm < fibre.diameterMm - 1e-9)
      .sort((a, b) => b.diameterMm - a.diameterMm)
      .map(({ diameterMm }) => ({ ...fibre, diameterMm }))
      .find(
        (fan) =>
          equalCount({ ...fan, count: mostCount(fan) }, CLASSIC) <= 1 + 1e-9 &&
          stockedLengths(facts.trays, fan).includes(fibre.lengthMm) &&
          carried(fan),
      );
    const fewer = lighter >= 2 && carried({ ...alike, count: lighter }) ? { ...alike, count: lighter } : null;
    const to = finer ?? fewer;
    return [
      {
        rule: "heavyFan",
        severity: "look",
        where: at(zone),
        ...titled(zone, "heavy fan"),
        by: weighs,
        why: `${mostCount(fibre)} fibres of ${fibre.diameterMm.toFixed(2)} weigh as ${weighs.toFixed(1)} singles of 0.15, on ${fine ? "fine lashes" : "a stretch with many baby lashes"}.`,
        numbers: [
          { label: "Natural lash here", value: `${natural.diameterMm.toFixed(3)} mm thick` },
          { label: "Baby lashes here", value: `${Math.round(natural.babyShare * 100)} %` },
          { label: "Load, resting", value: `${piece.load.resting.toFixed(2)} ×` },
        ],
        source: "Common practice; the comparison is by cross-section.",
        ...(to
          ? {
              fix: {
                label: to === finer ? `Take ${to.diameterMm.toFixed(2)}` : `Make it ${to.count}D`,
                all: "Take a lighter fan in each",
                apply: changeFibre(zone, piece, to === finer ? { diameterMm: to.diameterMm } : { count: to.count, countTo: undefined }),
                ...swapThroughout(facts.trays, fibre, to),
              },
            }
          : {}),
      },
    ];
  });
