/** How a natural lash leaves the lid, as the angle above level in degrees. Models of this product. */
export const DIRECTIONS = {
  down: { label: "down", angleDeg: -25 },
  level: { label: "level", angleDeg: 0 },
  up: { label: "up", angleDeg: 20 },
} as const;

export type Direction = keyof typeof DIRECTIONS;
