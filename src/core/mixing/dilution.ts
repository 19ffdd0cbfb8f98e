/** Molar mass of hydrogen peroxide, g/mol (CODATA), and litres of a mole of gas at 0 °C and 1 atm (IUPAC). */
const H2O2_G_MOL = 34.0147;
const MOLAR_L = 22.414;

/**
 * "Volume" strength as a fraction weight by volume: the litres of O₂ a litre frees, by 2 H₂O₂ → 2 H₂O + O₂.
 * `volumeStrength(10)` → 0.0304
 */
export function volumeStrength(volumes: number): number {
  return (2 * (volumes / MOLAR_L) * H2O2_G_MOL) / 1000;
}

export type Dilution = { readonly stock: number; readonly diluent: number };

/**
 * How much stock and how much water (or base) make `amount` of a weaker strength: C₁V₁ = C₂V₂, any one unit throughout.
 * Null where the stock is not stronger than what is wanted. `dilute(0.06, 0.03, 10)` → 5 and 5
 */
export function dilute(stockStrength: number, wanted: number, amount: number): Dilution | null {
  if (!(wanted >= 0 && stockStrength >= wanted && stockStrength > 0 && amount > 0)) return null;
  const stock = (wanted * amount) / stockStrength;
  return { stock, diluent: amount - stock };
}

export type Alligation = { readonly strong: number; readonly weak: number };

/**
 * Two strengths blended to one between them: the alligation square, parts crosswise by the distances. Null where the
 * wanted strength does not lie between. `alligate(0.06, 0.03, 0.04, 9)` → 3 of the strong, 6 of the weak
 */
export function alligate(strong: number, weak: number, wanted: number, amount: number): Alligation | null {
  if (!(strong > weak && wanted >= weak && wanted <= strong && amount > 0)) return null;
  const partsStrong = wanted - weak;
  const partsWeak = strong - wanted;
  return { strong: (amount * partsStrong) / (partsStrong + partsWeak), weak: (amount * partsWeak) / (partsStrong + partsWeak) };
}
