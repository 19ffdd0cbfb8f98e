import { SHAPES, SIDES } from "../../eye";
import { type Finding, type Rule } from "../finding";

/** Looks that rise outwards. */
const RISING = ["cat", "flatLiner"] as const;
/** Eyes such a look can close or drag. */
const DROOPING = ["hooded", "monolid", "downturned"] as const;

/** Cat on a drooping eye: a caution with its reason, never a ban. */
export const catOnDroopingEye: Rule = ({ map, survey }): Finding[] => {
  const shapes = SIDES.map((side) => survey.eyes[side].shape).filter((shape) => DROOPING.some((drooping) => drooping === shape));
  const shape = shapes[0];
  if (!shape || !RISING.some((look) => look === map.look)) return [];
  return [
    {
      rule: "catOnDroopingEye",
      severity: "look",
      where: { side: "both", zones: [] },
      title: `A look that rises outwards on ${shape === "monolid" ? "a monolid" : `a ${SHAPES[shape]} eye`}`,
      why: "Length at the outer end can close the eye or drag it down. Peak before the corner with a clear outer drop, or take doll or squirrel.",
      numbers: [],
      source: "Common practice. A caution, not a ban.",
    },
  ];
};
