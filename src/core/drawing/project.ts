import type { FieldLash } from "../eye";
import { degToRad } from "../units";
import type { ClosedEye } from "./closedEye";
import type { InPlane } from "./lashInPlane";
import { ROW_MM, type OpenEye } from "./openEye";
import type { Point2, Point3 } from "./shapes";

/** So far over its edge the hood stands as far forward as it does, mm. */
const ROUNDED_MM = 2;

/** Where a lash stands on an open eye: its root, the way it leaves by, and the way it lifts. */
type Stand = {
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly sin: number;
  readonly cos: number;
  readonly ux: number;
  readonly uy: number;
};

/** Every fibre of a fan asks for the same: it is found once an eye and lash. */
const stands = new WeakMap<OpenEye, WeakMap<FieldLash, Stand>>();

function standOf(eye: OpenEye, lash: FieldLash): Stand {
  let ofEye = stands.get(eye);
  if (!ofEye) stands.set(eye, (ofEye = new WeakMap()));
  const known = ofEye.get(lash);
  if (known) return known;
  const [x, y, z] = eye.marginAt(lash.at);
  const [ux, uy] = eye.uprightAt(lash.at);
  const azimuth = degToRad(lash.azimuthDeg);
  const stand = { x, y: y - lash.row * ROW_MM.down, z: z - lash.row * ROW_MM.back, sin: Math.sin(azimuth), cos: Math.cos(azimuth), ux, uy };
  ofEye.set(lash, stand);
  return stand;
}

/** A hair of an open eye in three dimensions: its plane stands on its root, upright on the lid, turned out by the lash's azimuth. */
export function standing(eye: OpenEye, lash: FieldLash, { points }: InPlane): Point3[] {
  const { x, y, z, sin, cos, ux, uy } = standOf(eye, lash);
  return points.map(([reach, lift, aside]) => [x + reach * sin + aside * cos + lift * ux, y + lift * uy, z + reach * cos - aside * sin]);
}

/** In the mirror: from the front, depth left out. Of a hair, only what comes out from under the fold. Empty where nothing does. */
export function inMirror(eye: OpenEye, lash: FieldLash, hair: InPlane): Point2[] {
  const { hoodMm } = eye.proportions;
  if (hoodMm === 0) {
    const { x, y, sin, cos, ux, uy } = standOf(eye, lash);
    return hair.points.map(([reach, lift, aside]) => [x + reach * sin + aside * cos + lift * ux, y + lift * uy]);
  }
  const points = standing(eye, lash, hair);
  const margin = eye.marginAt(lash.at)[2];
  // The hood is rounded: thin at its edge, as far forward as it comes a little higher.
  const hidden = ([x, y, z]: Point3) => {
    const over = y - eye.foldY(x);
    return over > 0 && z - margin < hoodMm * Math.sqrt(Math.min(1, over / ROUNDED_MM));
  };
  let first = 0;
  while (first < points.length && hidden(points[first]!)) first += 1;
  if (first === points.length) return [];
  const seen = points.slice(first).map(([x, y]): Point2 => [x, y]);
  if (first === 0) return seen;
  // Where it comes out, found between the last hidden point and the first seen one.
  const [a, b] = [points[first - 1]!, points[first]!];
  let [low, high] = [0, 1];
  const between = (t: number): Point3 => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t];
  for (let i = 0; i < 12; i++) {
    const middle = (low + high) / 2;
    if (hidden(between(middle))) low = middle;
    else high = middle;
  }
  const [x, y] = between(high);
  return [[x, y], ...seen];
}

/** On the pad: closed, from straight above. The lash's plane lies out over the pad, and its lift stands towards who looks. */
export function onPad(eye: ClosedEye, lash: FieldLash, { points }: InPlane): Point2[] {
  const [x, y] = eye.point(lash.at, -lash.row * ROW_MM.back);
  const [sin, cos] = [Math.sin(degToRad(lash.azimuthDeg)), Math.cos(degToRad(lash.azimuthDeg))];
  return points.map(([reach, , aside]) => [x + reach * sin + aside * cos, y + reach * cos - aside * sin]);
}

/** From the side: reach across, lift up, from the root at 0, 0. */
export function fromSide({ row }: Pick<FieldLash, "row">, { points }: InPlane): Point2[] {
  return points.map(([reach, lift]) => [reach - row * ROW_MM.back, lift - row * ROW_MM.down]);
}
