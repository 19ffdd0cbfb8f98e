import { DENSITIES, SIDES, type Survey } from "../eye";
import { LOOKS } from "./looks";
import type { MapWish } from "./planGround";
import type { FibreKind, LashMap } from "./schema";
import { stockedLengths } from "./stock";
import { isFlatBase } from "./texture";
import type { Tray } from "./tray";

/** Advice of an eye feature: what it speaks for, with its reason. Never a ban. */
export type Advice = {
  readonly id: string;
  readonly about: string;
  readonly says: string;
  readonly reason: string;
  readonly heeded: boolean;
  /** Going against it can drag or close the eye: looked at twice, not only known. */
  readonly caution: boolean;
  /** What to plan to follow it; absent where the shelf holds nothing for it. */
  readonly plan?: { readonly label: string; readonly wish: Partial<MapWish> };
};

/** Fans that fill a sparse line without weighing on it. Common practice. */
const LIGHT_FAN = { upToMm: 0.07, count: 3 } as const;

/** What the eyes of a survey speak for, and whether the map already follows it. Common practice throughout. */
export function lookAdvice(survey: Survey, map: Pick<LashMap, "look" | "fibre">, trays: readonly Tray[] = []): Advice[] {
  const eyes = SIDES.map((side) => survey.eyes[side]);
  const points = eyes.flatMap((eye) => eye.points);
  const share = (test: (point: (typeof points)[number]) => boolean) => points.filter(test).length / points.length;
  const has = (...shapes: string[]) => eyes.some((eye) => shapes.includes(eye.shape));
  const { curl } = map.fibre;
  const rising = LOOKS[map.look].rises ?? false;
  const strong = ["CC", "D", "DD", "L", "M"].includes(curl);
  const look = (id: MapWish["look"], inC = false): Advice["plan"] => {
    const c = { ...map.fibre, curl: "C" as const };
    const soft = inC && curl !== "C" && stockedLengths(trays, c).length > 0;
    return {
      label: `Plan it as ${LOOKS[id].label}${soft ? " in C" : ""}`,
      wish: { look: id, bend: undefined, ...(soft ? { fibre: c } : {}) },
    };
  };
  const inCurl = (...curls: readonly FibreKind["curl"][]): Advice["plan"] => {
    const stocked = curls.map((id) => ({ ...map.fibre, curl: id })).find((kind) => stockedLengths(trays, kind).length > 0);
    return stocked && { label: `Plan it in ${stocked.curl}`, wish: { fibre: stocked } };
  };
  const inFans = (): Advice["plan"] => {
    const fine = trays.find(
      (tray) => tray.curl === curl && tray.shape === "round" && tray.diameterMm <= LIGHT_FAN.upToMm && tray.lengthsMm.length > 0,
    );
    return (
      fine && {
        label: `Plan it in ${LIGHT_FAN.count}D of ${fine.diameterMm.toFixed(2)}`,
        wish: { fibre: { curl, diameterMm: fine.diameterMm, shape: "round", count: LIGHT_FAN.count } },
      }
    );
  };
  const downturned = has("downturned");
  const all: (Omit<Advice, "caution"> & { readonly caution?: boolean; readonly when: boolean })[] = [
    {
      id: "catOnDroopingEye",
      when: has("hooded", "monolid", "downturned"),
      about: "hooded, monolid or downturned",
      says: "take care with a look that rises outwards",
      reason: "Length at the outer end can close the eye or drag it down. Peak before the corner with a clear outer drop.",
      heeded: !rising,
      caution: true,
      plan: look(downturned ? "squirrel" : "doll"),
    },
    {
      id: "downturned",
      when: downturned,
      about: "downturned",
      says: "peak before the corner, with a clear outer drop",
      reason: "Length at the very end follows the lid down.",
      heeded: map.look === "squirrel" || map.look === "doll",
      plan: look("squirrel"),
    },
    {
      id: "wideSet",
      when: survey.spacing === "wide",
      about: "wide-set",
      says: "open the centre: doll, in C",
      reason: "Length over the pupil draws the eyes together; length outside parts them further.",
      heeded: map.look === "doll",
      plan: look("doll", true),
    },
    {
      id: "closeSet",
      when: survey.spacing === "close",
      about: "close-set",
      says: "weight outwards: squirrel or cat",
      reason: "Length outside the pupil draws the eyes apart.",
      heeded: map.look === "squirrel" || rising,
      plan: look("squirrel"),
    },
    {
      id: "pointDown",
      when: share((p) => p.direction === "down") > 0.5,
      about: "lashes that point down",
      says: "a flat-based curl: L or M",
      reason: "On down lashes L lifts like D, and its straight base holds where a round one does not.",
      heeded: isFlatBase(map.fibre),
      plan: inCurl("L", "M"),
    },
    {
      id: "deepSet",
      when: has("deepSet"),
      about: "deep-set",
      says: "longer and stronger",
      reason: "The brow hides short, soft lashes.",
      heeded: strong,
      plan: inCurl("D", "CC", "DD"),
    },
    {
      id: "prominent",
      when: has("prominent"),
      about: "prominent",
      says: "shorter and softer",
      reason: "Length and strong curl make the eye stand out more.",
      heeded: !strong,
      plan: inCurl("C", "B"),
    },
    {
      id: "sparse",
      when:
        share((p) => p.density === "sparse" || DENSITIES[p.density].lashesPerMm * (1 - p.gapShare) <= DENSITIES.sparse.lashesPerMm) > 0.5,
      about: "sparse lashes",
      says: "more fans for fullness",
      reason: "Few lashes fill a line only when each carries several fine fibres.",
      heeded: map.fibre.count > 1,
      plan: inFans(),
    },
  ];
  return all.flatMap(({ when, caution = false, ...advice }) => (when ? [{ ...advice, caution }] : []));
}
