import { degToRad } from "../units";
import { curveThrough, fractionNearest, lengthOf, type Mm } from "./curveThrough";
import type { PictureMarks } from "./marks";
import { picturePlane } from "./picturePlane";

/** Natural lashes found at one place of the lash line. */
export type MeasuredPlace = {
  readonly at: number;
  readonly lengthMm: number;
  /** Standard deviation: of the lashes measured there and of the measuring itself together. */
  readonly spreadMm: number;
  readonly lashes: number;
};
export type MeasuredClosed = {
  readonly lashLineMm: number | null;
  readonly lashLineOffMm: number | null;
  readonly places: readonly MeasuredPlace[];
  readonly turnedDeg: number;
  readonly tiltDeg: number | null;
  /** What one lash's length may be off by, mm: taps, lean of the scale, curl and lean towards the camera. */
  readonly lashOffMm: number;
};

/** A finger or mouse finds a root or tip this well, px. A model of this product. */
const TAP_PX = 2;
/** A lash on the pad still comes towards the camera by about this, degrees. A model of this product. */
const LASH_LEAN_DEG = 12;
const MOST_PLACES = 5;

/**
 * How much longer a lash of this own curl is than it is seen from root to tip, and how far that may be off. Pressed flat it
 * shows its chord, `L/seen = (θ/2)/sin(θ/2)`; curling up from the pad it is seen from above, `θ/sin θ`. The truth lies
 * between: the middle is taken, half the difference is spread. Derived: an arc of constant curvature.
 */
export function curlFactor(ownCurlDeg: number): { readonly factor: number; readonly off: number } {
  const theta = Math.min(degToRad(ownCurlDeg), 1.4);
  if (theta < 1e-6) return { factor: 1, off: 0 };
  const [flat, above] = [theta / 2 / Math.sin(theta / 2), theta / Math.sin(theta)];
  return { factor: (flat + above) / 2, off: (above - flat) / 2 };
}

/**
 * Lash line and natural lengths from a closed-eye picture. A lash tapped at root and tip only is corrected for its own
 * curl (see curlFactor); one tapped along its bend is measured along it. Returns words where the marks do not measure
 * anything yet.
 */
export function measureClosed(marks: PictureMarks, ownCurlDeg: number): MeasuredClosed | { readonly problem: string } {
  if (!marks.scale) return { problem: "Mark the scale first: two taps on a length you know." };
  const plane = picturePlane(marks.scale, marks.across);
  if ("problem" in plane) return plane;
  const line = marks.line.length >= 3 ? curveThrough(marks.line.map(plane.toMm)) : null;
  const lashLineMm = line ? lengthOf(line) : null;
  const bend = curlFactor(ownCurlDeg);
  const alongTheirBend = marks.lashes.length > 0 && marks.lashes.every((taps) => taps.length > 2);
  const tapMm = TAP_PX * plane.mmPerPx * Math.SQRT2;
  const places = line
    ? marks.lashes.map((taps) => {
        const path: Mm[] = taps.map(plane.toMm);
        const lengthMm = path.length > 2 ? lengthOf(curveThrough(path)) : lengthOf(path) * bend.factor;
        return { at: fractionNearest(line, path[0]!), lengthMm };
      })
    : [];
  const usual = places.length ? places.reduce((sum, lash) => sum + lash.lengthMm, 0) / places.length : 8;
  // Shortening by the lean of lash and pad only ever makes a lash look shorter; half of it is taken as spread.
  const leanShare = (1 - Math.cos(degToRad(LASH_LEAN_DEG)) + plane.offShare) / 2;
  const lashOffMm = Math.hypot(tapMm, usual * leanShare, alongTheirBend ? 0 : (usual / bend.factor) * bend.off);
  return {
    lashLineMm,
    lashLineOffMm: lashLineMm === null ? null : Math.hypot(tapMm, (lashLineMm * plane.offShare) / 2),
    places: gather(places, lashOffMm),
    turnedDeg: plane.turnedDeg,
    tiltDeg: plane.tiltDeg,
    lashOffMm,
  };
}

/** Lashes near each other taken together, as evenly as they come, at most five places. */
function gather(lashes: readonly { at: number; lengthMm: number }[], offMm: number): MeasuredPlace[] {
  const sorted = [...lashes].sort((a, b) => a.at - b.at);
  const groups = Math.min(MOST_PLACES, sorted.length);
  const places = Array.from({ length: groups }, (_, g) => {
    const group = sorted.slice(Math.round((g * sorted.length) / groups), Math.round(((g + 1) * sorted.length) / groups));
    const mean = (of: (lash: (typeof group)[number]) => number) => group.reduce((sum, lash) => sum + of(lash), 0) / group.length;
    const lengthMm = mean((lash) => lash.lengthMm);
    const variance = group.length > 1 ? group.reduce((sum, lash) => sum + (lash.lengthMm - lengthMm) ** 2, 0) / (group.length - 1) : 0;
    return { at: mean((lash) => lash.at), lengthMm, spreadMm: Math.hypot(Math.sqrt(variance), offMm), lashes: group.length };
  });
  return places.filter((place, i) => i === 0 || place.at > places[i - 1]!.at + 1e-6);
}
