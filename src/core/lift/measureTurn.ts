import { radToDeg } from "../units";

/** A place in a picture, any unit, y downwards. */
export type PicturePoint = { readonly x: number; readonly y: number };

/**
 * Turn of a lash in a picture from the side, degrees, from four places along it: at the root, a little along, a little
 * before the tip, at the tip. The angle between its first and its last stretch, counted upwards whichever way it faces;
 * null where two places fall together.
 */
export function measuredTurnDeg(root: PicturePoint, along: PicturePoint, before: PicturePoint, tip: PicturePoint): number | null {
  const out = { x: along.x - root.x, y: root.y - along.y };
  const end = { x: tip.x - before.x, y: before.y - tip.y };
  if (Math.hypot(out.x, out.y) < 1e-9 || Math.hypot(end.x, end.y) < 1e-9) return null;
  // A lash that faces left is turned over, so that up is always the same turn.
  const facing = tip.x - root.x + (along.x - root.x) >= 0 ? 1 : -1;
  const angle = (v: { x: number; y: number }) => Math.atan2(v.y, v.x * facing);
  const turn = radToDeg(angle(end) - angle(out));
  return ((((turn + 90) % 360) + 360) % 360) - 90;
}
