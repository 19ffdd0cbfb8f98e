import { degToRad } from "../units";
import type { Curl } from "./curls";
import { curlSegments } from "./curlSegments";

/** Thickness of the adhesive film that still joins base and lash, mm. A model of this product. */
export const ADHESIVE_FILM_MM = 0.05;
/** Length that carries adhesive, mm. A model of this product; editable. */
export const GLUED_LENGTH_MM = 3;

/**
 * How much of a fibre's base lies against the natural lash, mm: they part when the gap passes the film,
 * `c = √(2g / |κ − κ_nat|)`, capped by the glued length and by the lash. A straight base against a straight lash
 * touches over all of that base.
 * `contactLengthMm(CURLS.C, 12, 0, 9)` → 0.96
 */
export function contactLengthMm(curl: Curl, lengthMm: number, ownCurlDeg: number, naturalLengthMm: number): number {
  const cap = Math.min(GLUED_LENGTH_MM, naturalLengthMm, lengthMm);
  const naturalCurvature = naturalLengthMm > 0 ? degToRad(ownCurlDeg) / naturalLengthMm : 0;
  const first = curlSegments(curl, lengthMm)[0];
  if (!first) return 0;
  const difference = Math.abs(first.curvaturePerMm - naturalCurvature);
  if (difference < 1e-12) return first.curvaturePerMm === 0 ? Math.min(cap, first.lengthMm) : cap;
  return Math.min(cap, Math.sqrt((2 * ADHESIVE_FILM_MM) / difference));
}
