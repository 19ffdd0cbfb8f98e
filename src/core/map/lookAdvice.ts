import { DENSITIES, SIDES, type Survey } from "../eye";
import type { LashMap } from "./schema";

/** Advice of an eye feature: what it speaks for, with its reason. Never a ban. */
export type Advice = { readonly about: string; readonly says: string; readonly reason: string; readonly heeded: boolean };

/** What the eyes of a survey speak for, and whether the map already follows it. Common practice throughout. */
export function lookAdvice(survey: Survey, map: Pick<LashMap, "look" | "fibre">): Advice[] {
  const eyes = SIDES.map((side) => survey.eyes[side]);
  const points = eyes.flatMap((eye) => eye.points);
  const share = (test: (point: (typeof points)[number]) => boolean) => points.filter(test).length / points.length;
  const has = (...shapes: string[]) => eyes.some((eye) => shapes.includes(eye.shape));
  const rising = map.look === "cat" || map.look === "flatLiner";
  const flatBase = map.fibre.curl === "L" || map.fibre.curl === "M";
  const strong = ["CC", "D", "DD", "L", "M"].includes(map.fibre.curl);
  const all: (Advice | false)[] = [
    has("hooded", "monolid", "downturned") && {
      about: "hooded, monolid or downturned",
      says: "take care with a look that rises outwards",
      reason: "It can close the eye or drag it down.",
      heeded: !rising,
    },
    has("downturned") && {
      about: "downturned",
      says: "peak before the corner, with a clear outer drop",
      reason: "Length at the very end follows the lid down.",
      heeded: map.look === "squirrel" || map.look === "doll",
    },
    survey.spacing === "wide" && {
      about: "wide-set",
      says: "open the centre: doll",
      reason: "Length over the pupil draws the eyes together; length outside parts them further.",
      heeded: map.look === "doll",
    },
    survey.spacing === "close" && {
      about: "close-set",
      says: "weight outwards: squirrel or cat",
      reason: "Length outside the pupil draws the eyes apart.",
      heeded: map.look === "squirrel" || rising,
    },
    share((p) => p.direction === "down") > 0.5 && {
      about: "lashes that point down",
      says: "a flat-based curl: L or M",
      reason: "On down lashes L lifts like D, and its straight base holds where a round one does not.",
      heeded: flatBase,
    },
    has("deepSet") && {
      about: "deep-set",
      says: "longer and stronger",
      reason: "The brow hides short, soft lashes.",
      heeded: strong,
    },
    has("prominent") && {
      about: "prominent",
      says: "shorter and softer",
      reason: "Length and strong curl make the eye stand out more.",
      heeded: !strong,
    },
    share((p) => p.density === "sparse" || DENSITIES[p.density].lashesPerMm * (1 - p.gapShare) <= DENSITIES.sparse.lashesPerMm) > 0.5 && {
      about: "sparse lashes",
      says: "more fans for fullness",
      reason: "Few lashes fill a line only when each carries several fine fibres.",
      heeded: map.fibre.count > 1,
    },
  ];
  return all.filter((advice): advice is Advice => advice !== false);
}
