/** An eye is always the client's: client's right is seen on the left when you face them. */
export const SIDES = ["right", "left"] as const;
export type Side = (typeof SIDES)[number];

export function otherSide(side: Side): Side {
  return side === "right" ? "left" : "right";
}

export function sideLabel(side: Side): string {
  return side === "right" ? "client's right" : "client's left";
}
