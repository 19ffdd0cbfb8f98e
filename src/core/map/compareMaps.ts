import { SIDES, type Side } from "../eye";
import { countLabel } from "../lash";
import { baseLayer } from "./layers";
import type { LashMap, Layer } from "./schema";
import { kindLabel } from "./stock";

/** One thing two maps differ in, in words. */
export type Difference = { readonly what: string; readonly before: string; readonly after: string };

const line = (layer: Layer) => layer.zones.map((zone) => zone?.lengthMm ?? "–").join(" ");
const fibre = ({ fibre }: Pick<LashMap, "fibre">) => `${kindLabel(fibre)}, ${countLabel(fibre)}`;
const accents = ({ accents }: LashMap) =>
  accents ? `+${accents.offsetMm} mm, ${accents.sections} sections, ${kindLabel(accents.fibre)} ${countLabel(accents.fibre)}` : "none";
const under = ({ under }: LashMap) => (under ? `−${under.belowMm} mm, ${kindLabel(under.fibre)}` : "none");
const layerLines = (map: LashMap, side: Side, role: Layer["role"]) =>
  map.eyes[side].layers
    .filter((layer) => layer.role === role)
    .map(line)
    .join(" / ") || "none";

/** What changed from one map to another, empty where nothing did. */
export function compareMaps(before: LashMap, after: LashMap): Difference[] {
  const rows: Difference[] = [
    { what: "look", before: before.look, after: after.look },
    { what: "fibre", before: fibre(before), after: fibre(after) },
    { what: "accents", before: accents(before), after: accents(after) },
    { what: "under layer", before: under(before), after: under(after) },
    ...SIDES.flatMap((side) => [
      { what: `client's ${side}`, before: line(baseLayer(before, side)), after: line(baseLayer(after, side)) },
      { what: `client's ${side}, accents`, before: layerLines(before, side, "accent"), after: layerLines(after, side, "accent") },
    ]),
  ];
  return rows.filter((row) => row.before !== row.after);
}
