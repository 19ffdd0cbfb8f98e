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

/** Ways to see an eye: open as a mirror shows it, closed on its pad as it is worked on, and from the side. */
export const EYE_VIEWS = ["mirror", "pad", "side"] as const;
export type EyeView = (typeof EYE_VIEWS)[number];
export const EYE_VIEW_LABELS: Readonly<Record<EyeView, string>> = { mirror: "in the mirror", pad: "on the pad", side: "from the side" };

/** Which way up an eye is seen so: on the pad from the bed head, else as one faces the client. */
export function wayUp(view: EyeView): View {
  return view === "pad" ? "bedHead" : "facing";
}

type Point = readonly [xMm: number, yMm: number];

/**
 * A closed eye (x outwards, y down the face) as it lies on paper or screen, x to the right, y down: facing the client as
 * the face is, from the bed head turned half round.
 */
export function onPaper(side: Side, view: View): (p: Point) => Point {
  const down = view === "facing" ? 1 : -1;
  const out = innerCornerOnRight(side, view) ? -1 : 1;
  return ([x, y]) => [x * out, y * down];
}
