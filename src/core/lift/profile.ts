import { degToRad } from "../units";
import { FREE_ROOT_MM } from "./turn";

export type ProfilePoint = { readonly reachMm: number; readonly liftMm: number };

const STEPS = 32;

/**
 * A lash seen from the side, from the lid outwards: straight for its free root, then turning evenly by `turnDeg` over the
 * rest. `rootDeg` is the angle it leaves the lid at (down negative). Points of reach and lift, mm, the root at 0, 0.
 */
export function lashProfile(lengthMm: number, turnDeg: number, rootDeg: number, freeRootMm = FREE_ROOT_MM): ProfilePoint[] {
  const straight = Math.min(freeRootMm, lengthMm);
  const rest = lengthMm - straight;
  const start = degToRad(rootDeg);
  const points = [
    { reachMm: 0, liftMm: 0 },
    { reachMm: straight * Math.cos(start), liftMm: straight * Math.sin(start) },
  ];
  if (rest <= 0) return points;
  const turn = degToRad(turnDeg);
  for (let i = 1; i <= STEPS; i++) {
    const along = (rest * i) / STEPS;
    const bend = (turn * i) / STEPS;
    // A chord of an arc: its length by its turn, at the mean of its two ends' angles.
    const chord = Math.abs(bend) < 1e-6 ? along : (along * Math.sin(bend / 2)) / (bend / 2);
    const angle = start + bend / 2;
    points.push({ reachMm: points[1]!.reachMm + chord * Math.cos(angle), liftMm: points[1]!.liftMm + chord * Math.sin(angle) });
  }
  return points;
}
