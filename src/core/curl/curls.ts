/**
 * Geometry of a curl letter. Letters have no standard: these are working values from memory, and a studio or a
 * tray may override them. `turnOver` says how the turn is spread: over the whole fibre, or over a share of its
 * length after a straight base.
 */
export type Curl = {
  readonly turnDeg: number;
  /** Straight length at the base, mm. */
  readonly baseStraightMm: number;
  /** Share of the fibre's whole length over which it turns; 1 spreads it over all that is left. */
  readonly turnOver: number;
};

export const CURL_IDS = ["J", "B", "C", "CC", "D", "DD", "L", "M"] as const;
export type CurlId = (typeof CURL_IDS)[number];

export const CURLS: Readonly<Record<CurlId, Curl>> = {
  J: { turnDeg: 30, baseStraightMm: 0, turnOver: 1 },
  B: { turnDeg: 50, baseStraightMm: 0, turnOver: 1 },
  C: { turnDeg: 75, baseStraightMm: 0, turnOver: 1 },
  CC: { turnDeg: 95, baseStraightMm: 0, turnOver: 1 },
  D: { turnDeg: 110, baseStraightMm: 0, turnOver: 1 },
  DD: { turnDeg: 130, baseStraightMm: 0, turnOver: 1 },
  L: { turnDeg: 88, baseStraightMm: 3, turnOver: 1 / 5 },
  M: { turnDeg: 85, baseStraightMm: 3, turnOver: 1 / 3 },
};
