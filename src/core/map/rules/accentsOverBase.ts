import { SIDES } from "../../eye";
import { formatMm } from "../../units";
import { type Finding, type Rule } from "../finding";
import { baseLayer, meanLength } from "../layers";
import { LEAST_ACCENT_MM } from "../planLayers";
import { at, titled } from "./helpers";

/** From so far over the base accents are dramatic, mm. Common practice. */
const DRAMATIC_FROM_MM = 4;
/** What accents stand over their base as a rule, mm. Common practice. */
const USUAL_OVER_MM = 3;

/**
 * How far accents stand over the base beneath them: from 4 mm on dramatic, with what it costs; under 2 mm hardly seen.
 * Corners, where a millimetre is all there may be, are left out.
 */
export const accentsOverBase: Rule = (facts) => {
  const bases = { right: baseLayer(facts.map, "right"), left: baseLayer(facts.map, "left") };
  if (!SIDES.some((side) => facts.layers[side].some((zones) => zones[0]?.role === "accent"))) return [];
  return SIDES.flatMap((side) =>
    facts.layers[side].flatMap((zones) =>
      zones.flatMap((zone): Finding[] => {
        const beneath = meanLength(bases[side], zone.from, zone.to);
        if (zone.role !== "accent" || !zone.fibre || zone.limit.corner || beneath === null) return [];
        const over = Math.floor(zone.fibre.lengthMm - beneath + 0.5);
        if (over >= LEAST_ACCENT_MM && over < DRAMATIC_FROM_MM) return [];
        const dramatic = over >= DRAMATIC_FROM_MM;
        const usual = dramatic ? zone.limit.loadOf({ ...zone.fibre, lengthMm: zone.fibre.lengthMm - (over - USUAL_OVER_MM) }) : null;
        const now = zone.limit.loadOf(zone.fibre);
        return [
          {
            rule: dramatic ? "dramaticAccents" : "faintAccents",
            severity: "note",
            where: at(zone),
            ...titled(zone, dramatic ? "dramatic" : "hardly seen"),
            by: Math.abs(over - USUAL_OVER_MM),
            why: usual
              ? `${formatMm(over)} mm over the base is dramatic. It asks ${Math.round((now.resting / usual.resting - 1) * 100)} % more of these lashes than ${USUAL_OVER_MM} mm would.`
              : `${over < 0 ? "−" : "+"}${formatMm(Math.abs(over))} mm over the base: accents are seen from ${LEAST_ACCENT_MM} mm on. Better none here.`,
            numbers: [
              { label: "Load, resting", value: `${now.resting.toFixed(2)} ×` },
              ...(usual ? [{ label: `At +${USUAL_OVER_MM} mm`, value: `${usual.resting.toFixed(2)} ×` }] : []),
            ],
            source: "Common practice: 3 mm as a rule, 2 with a flat-base curl, up to 4 for drama.",
          },
        ];
      }),
    ),
  );
};
