import { equalCount, fibreMassMg, mostCount, type Fibre } from "../lash";
import { stockedKinds, stockedLengths } from "./stock";
import type { Tray } from "./tray";

/** The same fibre mass in another diameter. `exactCount` is the count that would weigh the same to the last fibre. */
export type Equivalent = { readonly fibre: Fibre; readonly exactCount: number; readonly massRatio: number };

const MOST_FIBRES = 20;

/**
 * "This 0.15 weighs as 9D of 0.05": stocked fibres of the same curl and length with the number of them nearest to the
 * same cross-section, as near as whole fibres come (within a third). The nearest in mass first.
 */
export function equivalents(fibre: Fibre, trays: readonly Tray[]): Equivalent[] {
  const fullest = { ...fibre, count: mostCount(fibre) };
  return stockedKinds(trays)
    .filter((kind) => kind.curl === fibre.curl && (kind.diameterMm !== fibre.diameterMm || kind.shape !== fibre.shape))
    .filter((kind) => stockedLengths(trays, kind).includes(fibre.lengthMm))
    .flatMap((kind): Equivalent[] => {
      const exactCount = equalCount(fullest, kind);
      const count = Math.round(exactCount);
      if (count < 1 || count > MOST_FIBRES) return [];
      const { countTo: _, ...one } = fibre;
      const swapped: Fibre = { ...one, ...kind, count };
      const massRatio = fibreMassMg(swapped) / fibreMassMg(fullest);
      return Math.abs(massRatio - 1) <= 1 / 3 ? [{ fibre: swapped, exactCount, massRatio }] : [];
    })
    .sort((a, b) => Math.abs(a.massRatio - 1) - Math.abs(b.massRatio - 1));
}
