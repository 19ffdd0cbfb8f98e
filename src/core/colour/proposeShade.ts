import { colourDifference } from "./blend";

export type ShadeParts = { readonly productId: string; readonly parts: number };

export type ShadeProposal = {
  readonly colours: readonly ShadeParts[];
  readonly reason: "same" | "darker" | "lighter" | "onlyOne";
};

/** Off the wish by this many steps of depth, a shade is changed. A model of this product. */
const OFF_STEPS = 1;
const MOST_PARTS = 20;

/**
 * Shades for the next time: last time's, with a part more of the darkest where it came out too light, of the lightest
 * where it came out too dark; a shade alone cannot be shifted. How dark a
 * colour is, is its ΔE₀₀ from white.
 */
export function proposeShade(
  last: readonly ShadeParts[],
  colourOf: (productId: string) => string | null,
  wished: number,
  came: number,
): ShadeProposal {
  const off = came - wished;
  if (Math.abs(off) < OFF_STEPS) return { colours: last, reason: "same" };
  const reason = off > 0 ? "darker" : "lighter";
  const ranked = [...last].sort((a, b) => darkness(colourOf(b.productId)) - darkness(colourOf(a.productId)));
  if (ranked.length < 2) return { colours: last, reason: "onlyOne" };
  const more = off > 0 ? ranked[0]! : ranked.at(-1)!;
  return {
    colours: last.map((one) => (one.productId === more.productId ? { ...one, parts: Math.min(MOST_PARTS, one.parts + 1) } : one)),
    reason,
  };
}

const darkness = (colour: string | null): number => (colour === null ? 0 : colourDifference(colour, "#ffffff"));
