import { mostCount } from "../../lash";
import { formatMm } from "../../units";
import { type Finding, type Rule } from "../finding";
import { judgeLoad } from "../zoneLimit";
import { at, perZone, titled } from "./helpers";

/** A bare zone, and why: too short for anything in stock, too fine for this fibre, or left so by hand. */
export const leftBare: Rule = (facts) =>
  perZone("leftBare", facts, (zone): Finding[] => {
    if (zone.fibre || zone.role !== "base") return [];
    const { fibre } = facts.map;
    const shortest = zone.stockedMm[0];
    const tooShort = shortest !== undefined && shortest > zone.limit.limitMm;
    const tooHeavy =
      shortest !== undefined &&
      !tooShort &&
      judgeLoad(zone.limit.loadOf({ ...fibre, lengthMm: shortest }), mostCount(fibre), facts.policy) === "stop";
    return [
      {
        rule: "leftBare",
        severity: tooHeavy ? "look" : "note",
        where: at(zone),
        ...titled(zone, "left bare"),
        why: tooShort
          ? `Its lashes take ${formatMm(zone.limit.limitMm)} mm at most and the shortest in stock is ${formatMm(shortest)}.`
          : tooHeavy
            ? `Even ${formatMm(shortest)} mm of ${fibre.diameterMm.toFixed(2)} is too heavy for these lashes. Choose a finer fibre.`
            : "Nothing is planned there.",
        numbers: [{ label: "Three quarters of the lashes reach", value: `${zone.limit.shorterMm.toFixed(1)} mm` }],
        source: "Common practice: a lash shorter than the shortest fibre is left alone.",
      },
    ];
  });
