import { countLabel } from "../lash";
import { LAYER_LABELS } from "./layers";
import type { FibreKind, Layer } from "./schema";
import { kindLabel } from "./stock";

const said = (fibre: FibreKind) => `${kindLabel(fibre)} ${countLabel(fibre)}`;

/** What a layer is worn in, as a sentence: "Accents: C 0.07 4D, one to every 4 lashes, one to every 2 on a single row." */
export function layerLegend({ role, zones, placing }: Layer): string {
  const kinds = new Map<string, number[]>();
  zones.forEach((zone, i) => zone && kinds.set(said(zone), [...(kinds.get(said(zone)) ?? []), i + 1]));
  const worn = kinds.size > 1 ? [...kinds].map(([kind, at]) => `${kind} in ${at.join(" ")}`) : [...kinds.keys()];
  const mixed = zones.find((zone) => zone?.hybrid)?.hybrid;
  const hybrid = mixed ? `, mixed with ${said(mixed.fibre)} on ${Math.round(mixed.share * 100)} %` : "";
  const placed = placing
    ? `, ${placing.cluster > 1 ? `clusters of ${placing.cluster}` : "one"} to every ${placing.every} lashes` +
      `, one to every ${placing.innerEvery} on a single row`
    : "";
  const name = LAYER_LABELS[role].replace(/^./, (letter) => letter.toUpperCase());
  return `${name}: ${worn.length ? worn.join(", ") : "bare"}${hybrid}${placed}.`;
}
