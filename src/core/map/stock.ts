import { curlOf, type Curl } from "../curl";
import type { Fibre } from "../lash";
import type { Policy } from "../policy";
import type { Tray } from "./tray";

/** What tells one tray's fibre from another's. */
export type TrayKind = Pick<Fibre, "curl" | "diameterMm" | "shape" | "colour">;

/** The same fibre: curl, diameter, shape and colour. */
export function sameKind(a: TrayKind, b: TrayKind): boolean {
  return (
    a.curl === b.curl &&
    a.shape === b.shape &&
    Math.abs(a.diameterMm - b.diameterMm) < 1e-9 &&
    (a.colour ?? "black") === (b.colour ?? "black")
  );
}

/** Lengths in stock for a kind of fibre, ascending, mm. */
export function stockedLengths(trays: readonly Tray[], kind: TrayKind): readonly number[] {
  let known = shelves.get(trays);
  if (!known) shelves.set(trays, (known = new Map()));
  const key = `${kind.curl} ${kind.diameterMm} ${kind.shape} ${kind.colour ?? "black"}`;
  let lengths = known.get(key);
  if (!lengths) {
    lengths = [...new Set(trays.filter((tray) => sameKind(tray, kind)).flatMap((tray) => tray.lengthsMm))].sort((a, b) => a - b);
    known.set(key, lengths);
  }
  return lengths;
}

/** A shelf is asked for the same few kinds by every zone and every rule. */
const shelves = new WeakMap<readonly Tray[], Map<string, readonly number[]>>();

/** The kinds of fibre on the shelf, each once, in the shelf's order. */
export function stockedKinds(trays: readonly Tray[]): TrayKind[] {
  return trays.reduce<TrayKind[]>(
    (kinds, { curl, diameterMm, shape, colour }) =>
      kinds.some((kind) => sameKind(kind, { curl, diameterMm, shape, colour }))
        ? kinds
        : [...kinds, { curl, diameterMm, shape, ...(colour ? { colour } : {}) }],
    [],
  );
}

/** Geometry of a fibre's curl: its tray's where it was measured, else the studio's, else the working value. */
export function fibreCurl(fibre: TrayKind, trays: readonly Tray[], policy: Pick<Policy, "curls">): Curl {
  return trays.find((tray) => tray.geometry && sameKind(tray, fibre))?.geometry ?? curlOf(fibre.curl, policy.curls);
}

/** "C 0.15", "D 0.05 flat", "C 0.15 brown" */
export function kindLabel({ curl, diameterMm, shape, colour }: TrayKind): string {
  return [curl, diameterMm.toFixed(2), shape === "flat" ? "flat" : "", colour && colour !== "black" ? colour : ""]
    .filter(Boolean)
    .join(" ");
}
