import type { FibreKind } from "./schema";
import type { Tray } from "./tray";

/** Lengths in stock for a kind of fibre, ascending, mm. */
export function stockedLengths(trays: readonly Tray[], kind: Pick<FibreKind, "curl" | "diameterMm" | "shape">): number[] {
  const lengths = trays
    .filter((tray) => tray.curl === kind.curl && tray.shape === kind.shape && Math.abs(tray.diameterMm - kind.diameterMm) < 1e-9)
    .flatMap((tray) => tray.lengthsMm);
  return [...new Set(lengths)].sort((a, b) => a - b);
}
