import { SIDES } from "../eye";
import { countLabel } from "../lash";
import type { LashMap } from "../map";

/** A cell that a spreadsheet would take for a formula is written with an apostrophe before it. */
const plain = (text: string) => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text);

/**
 * Zones of every layer as rows of a table, one a zone, inner corner first. Lengths mm, edges as fractions of the lash
 * line; bare zones have empty fibre cells.
 */
export function zoneRows(map: LashMap): Record<string, string | number>[] {
  return SIDES.flatMap((side) =>
    map.eyes[side].layers.flatMap((layer, index) =>
      layer.zones.map((zone, i) => ({
        map: plain(map.title),
        eye: side,
        layer: index + 1,
        role: layer.role,
        zone: i + 1,
        from: layer.boundaries[i]!.toFixed(4),
        to: layer.boundaries[i + 1]!.toFixed(4),
        length_mm: zone?.lengthMm ?? "",
        curl: zone?.curl ?? "",
        diameter_mm: zone?.diameterMm ?? "",
        shape: zone?.shape ?? "",
        placed_as: zone ? countLabel(zone) : "",
        opening: zone ? (zone.opening ?? "usual") : "",
        colour: zone ? (zone.colour ?? "black") : "",
        classes: zone?.classes?.map((c) => `${c.lengthMm} up to ${c.upToMm}`).join("; ") ?? "",
        mixed_with: zone?.hybrid
          ? `${zone.hybrid.fibre.lengthMm} ${zone.hybrid.fibre.curl} ${zone.hybrid.fibre.diameterMm} ${countLabel(zone.hybrid.fibre)}`
          : "",
        mixed_share: zone?.hybrid?.share ?? "",
      })),
    ),
  );
}
