import { naturalZone, type EyeSurvey, type Side, type Survey } from "../eye";
import type { LiftEye, LiftZone } from "./chooseShield";

/** Five stretches of the lash line: where a shield's turn is looked at, and corners kept apart. A model of this product. */
const STRETCHES = [
  { name: "inner corner", from: 0, to: 0.15 },
  { name: "inner", from: 0.15, to: 0.4 },
  { name: "middle", from: 0.4, to: 0.62 },
  { name: "outer", from: 0.62, to: 0.86 },
  { name: "outer corner", from: 0.86, to: 1 },
] as const;
/** Usual lashes where no survey was taken: 8 to 12 mm on an upper lid (dermatology textbooks, from memory). */
const USUAL: readonly LiftZone[] = STRETCHES.map(({ name }, i) => ({
  name,
  lengthMm: [7, 8.5, 10, 10, 8][i]!,
  shortMm: [6, 7.5, 9, 9, 7][i]!,
}));

/** Natural lengths for a lift, from a survey of the eye; usual ones where there is none. */
export function liftZones(eye: EyeSurvey | null): readonly LiftZone[] {
  if (!eye) return USUAL;
  return STRETCHES.map(({ name, from, to }) => {
    const zone = naturalZone(eye, from, to);
    return { name, lengthMm: zone.meanMm, shortMm: Math.max(1, zone.quantileMm(0.1)) };
  });
}

/** The eyes a lift is planned for, each by its own lengths: the two are never equal. */
export const liftEyes = (survey: Survey | null, sides: readonly Side[]): LiftEye[] =>
  sides.map((side) => ({ side, zones: liftZones(survey?.eyes[side] ?? null) }));
