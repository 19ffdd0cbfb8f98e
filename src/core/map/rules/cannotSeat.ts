import { contactLengthMm, liftAndReach, CURLS } from "../../curl";
import { formatMm } from "../../units";
import { type Finding, type Rule } from "../finding";
import { kindLabel, fibreCurl, stockedKinds, stockedLengths } from "../stock";
import { LEAST_CONTACT_MM, holdsOn } from "../holdsOn";
import { judgeLoad } from "../zoneLimit";
import { mostCount } from "../../lash";
import { swapThroughout } from "./throughout";
import { at, changeFibre, perPiece, titled } from "./helpers";

/** Curl that cannot seat on straight-down lashes: base and lash part before the glue has anything to hold. */
export const cannotSeat: Rule = (facts) =>
  perPiece("cannotSeat", facts, (zone, piece): Finding[] => {
    const { fibre } = piece;
    const { angleDeg, ownCurlDeg, meanMm } = zone.limit.natural;
    const contactOf = (curl: Parameters<typeof contactLengthMm>[0]) => contactLengthMm(curl, fibre.lengthMm, ownCurlDeg, meanMm);
    const contact = contactOf(fibreCurl(fibre, facts.trays, facts.policy));
    if (holdsOn(contact, angleDeg)) return [];
    const others = zone.pieces.filter(({ ref }) => ref !== piece.ref && ref !== "hybrid");
    const seat = stockedKinds(facts.trays)
      .filter((kind) => kind.curl !== fibre.curl && kind.shape === fibre.shape && kind.diameterMm <= fibre.diameterMm + 1e-9)
      .filter((kind) => {
        const lengths = stockedLengths(facts.trays, kind);
        return lengths.includes(fibre.lengthMm) && others.every((other) => lengths.includes(other.fibre.lengthMm));
      })
      .filter((kind) => contactOf(fibreCurl(kind, facts.trays, facts.policy)) >= LEAST_CONTACT_MM)
      .filter((kind) => judgeLoad(zone.limit.loadOf({ ...fibre, ...kind }), mostCount(fibre), facts.policy) !== "stop")
      .sort((a, b) => b.diameterMm - a.diameterMm || lift(b) - lift(a))[0];
    function lift(kind: Parameters<typeof fibreCurl>[0]) {
      return liftAndReach(fibreCurl(kind, facts.trays, facts.policy), fibre.lengthMm, angleDeg).liftMm;
    }
    return [
      {
        rule: "cannotSeat",
        severity: "look",
        where: at(zone),
        ...titled(zone, `${fibre.curl} does not seat`),
        by: -contact,
        why: `On ${ownCurlDeg < 15 ? "straight lashes" : "lashes"} that point down, ${fibre.curl} lies against the lash over ${contact.toFixed(2)} mm and then parts from it. A flat base, L or M, lies along all of its straight part.`,
        numbers: [
          { label: "Contact now", value: `${contact.toFixed(2)} mm` },
          { label: "Held from", value: `${LEAST_CONTACT_MM} mm` },
          { label: `L ${formatMm(fibre.lengthMm)} would touch over`, value: `${contactOf(CURLS.L).toFixed(1)} mm` },
        ],
        source:
          "A model of ours: the gap between base and lash passes the adhesive film of 0.05 mm. Common practice keeps L and M for such lashes.",
        ...(seat
          ? {
              fix: {
                label: `Take ${kindLabel(seat)}`,
                all: "Take what seats in each",
                apply: changeFibre(zone, piece, { curl: seat.curl, diameterMm: seat.diameterMm }),
                ...swapThroughout(facts.trays, fibre, { ...fibre, ...seat }),
              },
            }
          : {}),
      },
    ];
  });
