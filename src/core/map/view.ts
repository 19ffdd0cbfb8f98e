import type { Side } from "../eye";

/** Which way up a drawing is: as one faces the client, or as one sits behind the head (turned half round). */
export const VIEWS = ["facing", "bedHead"] as const;
export type View = (typeof VIEWS)[number];
export const VIEW_LABELS: Readonly<Record<View, string>> = { facing: "facing the client", bedHead: "from the bed head" };

/** The eye on the viewer's left and the one on the right. */
export function eyesInView(view: View): readonly [Side, Side] {
  return view === "facing" ? ["right", "left"] : ["left", "right"];
}

/** A drawing turned half round about a centre, which is what moving from foot to head of the bed does. */
export function turnHalfRound<P extends readonly [number, number]>(points: readonly P[], centre: readonly [number, number]) {
  return points.map(([x, y]) => [2 * centre[0] - x, 2 * centre[1] - y] as const);
}

/** Does the inner corner lie to the right of this eye's drawing? */
export function innerCornerOnRight(side: Side, view: View): boolean {
  return eyesInView(view)[0] === side;
}
