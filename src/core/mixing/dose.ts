import type { Product } from "./product";
import { exactly, within, type Range } from "./range";

/** Ways a hand doses: by the scale, the syringe, the ribbon from a tube, the drop. */
export const DOSE_UNITS = ["g", "mL", "cm", "drops"] as const;
export type DoseUnit = (typeof DOSE_UNITS)[number];

/** The least a hand can dose apart. A model of this product; a ribbon is laid along a ruler's half-millimetres. */
export const DOSE_STEPS: Record<DoseUnit, number> = { g: 0.05, mL: 0.05, cm: 0.1, drops: 1 };

/** Drops to a millilitre. European Pharmacopoeia 2.1.1: 20 drops of water from the standard dropper weigh 1.000 ± 0.050 g (recalled from memory). */
export const DROPS_PER_ML = 20;
/** How far creams and soapy liquids differ from it. From memory. */
export const DROP_SPREAD = 0.4;
/** A nozzle nobody measured, mm, and how far its ribbon may be off by volume. A model of this product. */
export const NOZZLE_MM = 5;
export const NOZZLE_SPREAD = 0.2;
/** A density nobody weighed, g/mL, and how far off. A model of this product. */
export const DENSITY_G_ML = 1;
export const DENSITY_SPREAD = 0.05;

export type Dosing = Pick<Product, "densityGMl" | "nozzleMm" | "dropsPerGram">;

/** Volume of a ribbon, mL: `π/4 · nozzle² · length`. `ribbonMl(2, 5)` → 0.393 */
export function ribbonMl(lengthCm: number, nozzleMm: number): number {
  return ((Math.PI / 4) * nozzleMm ** 2 * lengthCm * 10) / 1000;
}

/** Volume of so many drops from the standard dropper, mL. `dropsMl(10)` → 0.5 */
export const dropsMl = (drops: number): number => drops / DROPS_PER_ML;

const times = (a: Range, b: Range): Range => ({ low: a.low * b.low, mid: a.mid * b.mid, high: a.high * b.high });

const densityOf = ({ densityGMl }: Dosing): Range => (densityGMl === null ? within(DENSITY_G_ML, DENSITY_SPREAD) : exactly(densityGMl));

/** What an amount weighs, g, with how sure that is: exact where the product was weighed, counted or measured. */
export function gramsOf(amount: number, unit: DoseUnit, dosing: Dosing): Range {
  switch (unit) {
    case "g":
      return exactly(amount);
    case "mL":
      return times(exactly(amount), densityOf(dosing));
    case "cm":
      return times(
        dosing.nozzleMm === null ? within(ribbonMl(amount, NOZZLE_MM), NOZZLE_SPREAD) : exactly(ribbonMl(amount, dosing.nozzleMm)),
        densityOf(dosing),
      );
    case "drops":
      // Drops counted on a scale need no density.
      return dosing.dropsPerGram === null
        ? times(within(dropsMl(amount), DROP_SPREAD), exactly(dosing.densityGMl ?? DENSITY_G_ML))
        : exactly(amount / dosing.dropsPerGram);
  }
}

/** Drops to a gram from a count on the scale. `dropsPerGram(60, 2.4)` → 25 */
export const dropsPerGram = (drops: number, grams: number): number => drops / grams;

/** The nozzle behind a weighed ribbon, mm: the ribbon formula turned round. */
export function nozzleFromRibbon(lengthCm: number, grams: number, densityGMl = DENSITY_G_ML): number {
  return Math.sqrt(grams / densityGMl / ((Math.PI / 4) * lengthCm * 10)) * Math.sqrt(1000);
}
