import { DOSE_STEPS, gramsOf, type DoseUnit } from "./dose";
import { needShare, type Need } from "./need";
import { judgePeroxide, LASH_PEROXIDE_LIMIT, peroxideInMix, type PeroxideVerdict } from "./peroxide";
import type { Product } from "./product";
import { isExact, sumOfRanges, type Range } from "./range";
import type { Recipe } from "./recipe";
import { ratioError, roundDoses, type Dose } from "./roundDoses";
import { formatPercent } from "../units";

export type MixLine = {
  readonly productId: string;
  readonly product: Product;
  readonly unit: DoseUnit;
  /** By the recipe, before a hand rounds it. */
  readonly exact: number;
  readonly dosed: number;
  readonly grams: Range;
};

export type Mix = {
  readonly lines: readonly MixLine[];
  readonly grams: Range;
  /** Share of the recipe that areas and hair take. */
  readonly share: number;
  /** Worst error of any two shares by rounding, as a fraction. */
  readonly ratioError: number;
  readonly peroxide: PeroxideVerdict;
  /** Mixed beyond what is needed, g. */
  readonly leftoverG: number;
  /** Null where a pack's price or contents are not written down. */
  readonly cost: number | null;
  /** Products whose drops or ribbon nobody has measured yet. */
  readonly uncalibrated: readonly string[];
};

export type MixProblem = { readonly problem: string };

/**
 * The amounts to dose for this client: the recipe scaled to areas and hair, rounded to what a hand can dose, with the
 * peroxide verdict by the lash stop. Rounding never makes that verdict worse.
 */
export function mixFor(
  recipe: Recipe,
  products: ReadonlyMap<string, Product>,
  need: Need,
  on: "lashes" | "brows",
  limit = LASH_PEROXIDE_LIMIT,
): Mix | MixProblem {
  const share = needShare(need);
  if (share === 0) return { problem: "No area is chosen to mix for." };
  const split = (shares: Recipe["colours"], amount: number, unit: DoseUnit) => {
    const all = shares.reduce((sum, { parts }) => sum + parts, 0);
    return shares.map(({ productId, parts }) => ({ productId, unit, amount: (amount * share * parts) / all }));
  };
  const wanted = [
    ...split(recipe.colours, recipe.colourAmount, recipe.colourUnit),
    ...split(recipe.developers, recipe.developerAmount, recipe.developerUnit),
  ];
  if (wanted.some(({ productId }) => !products.has(productId))) return { problem: "A product of this recipe is no longer on the shelf." };
  const ingredients = wanted.map((one) => ({ ...one, product: products.get(one.productId)! }));
  const unlike = ingredients.find(({ product }, i) => i < recipe.colours.length === (product.kind === "developer"));
  if (unlike) return { problem: `${unlike.product.name} is not what it is taken for in this recipe.` };
  if (on === "lashes" && ingredients.some(({ product }) => product.kind === "lightener"))
    return { problem: "Lightener is never mixed for lashes: it would run into the eye, and lashes break." };

  const judge = (doses: readonly Dose[]) =>
    judgePeroxide(
      peroxideInMix(
        doses.map(({ amount, unit }, i) => ({
          grams: gramsOf(amount, unit, ingredients[i]!.product),
          peroxide: ingredients[i]!.product.peroxide ?? 0,
        })),
      ),
      on,
      limit,
    );
  const truly = judge(ingredients);
  const most = (bound: number) => Math.max(limit, bound) + 1e-9;
  const doses = roundDoses(ingredients, (tried) => {
    const { range } = judge(tried);
    return on === "brows" || (range.mid <= most(truly.range.mid) && (range.high <= limit + 1e-9 || truly.range.high > limit));
  });
  if (!doses) return { problem: "So little cannot be dosed by hand without passing the lash limit. Mix for both eyes, or weigh it." };

  const lines = ingredients.map(({ productId, product, unit, amount }, i) => ({
    productId,
    product,
    unit,
    exact: amount,
    dosed: doses[i]!.amount,
    grams: gramsOf(doses[i]!.amount, unit, product),
  }));
  const needed = ingredients.reduce((sum, { amount, unit, product }) => sum + gramsOf(amount, unit, product).mid, 0);
  const grams = sumOfRanges(lines.map((line) => line.grams));
  const prices = lines.map(({ product, grams: { mid } }) =>
    product.packG === null || product.packPrice === null ? null : (product.packPrice / product.packG) * mid,
  );
  return {
    lines,
    grams,
    share,
    ratioError: ratioError(ingredients, doses),
    peroxide: withLeaflet(judge(doses), lines, recipe, limit, on),
    leftoverG: Math.max(0, grams.mid - needed),
    cost: prices.some((price) => price === null) ? null : prices.reduce<number>((sum, price) => sum + price!, 0),
    uncalibrated: lines.filter(({ grams: weighed }) => !isExact(weighed)).map(({ product }) => product.name),
  };
}

/** A leaflet's own figure for its mix ready for use settles what drops leave open, as long as no more developer goes in than it says. */
function withLeaflet(
  verdict: PeroxideVerdict,
  lines: readonly MixLine[],
  recipe: Recipe,
  limit: number,
  on: "lashes" | "brows",
): PeroxideVerdict {
  if (verdict.known) return verdict;
  const colours = lines.slice(0, recipe.colours.length);
  if (colours.some(({ product }) => product.ready === null)) return verdict;
  const least = Math.min(...colours.map(({ product }) => product.ready!.developerParts));
  const peroxide = Math.max(...colours.map(({ product }) => product.ready!.peroxide));
  const developer = lines.slice(recipe.colours.length).reduce((sum, { grams }) => sum + grams.mid, 0);
  const colour = colours.reduce((sum, { grams }) => sum + grams.mid, 0);
  if (colour === 0 || developer / colour > least) return verdict;
  return {
    ...judgePeroxide({ low: peroxide, mid: peroxide, high: peroxide }, on, limit),
    range: { low: 0, mid: peroxide, high: peroxide },
  };
}

export const isMix = (mix: Mix | MixProblem): mix is Mix => "lines" in mix;

/** Why a mix may not be mixed, in words; null where it may. */
export function mixObjection(mix: Mix | MixProblem): string | null {
  if (!isMix(mix)) return mix.problem;
  const { state, range, limit } = mix.peroxide;
  if (state !== "stopped") return null;
  return `${formatPercent(range.mid, 1)} peroxide in the mix, over the ${formatPercent(limit!, 1)} for lashes. Less developer, or a weaker one.`;
}

/** An amount as it is read off: "1.4 cm", "10 drops". */
export function doseWords(amount: number, unit: DoseUnit): string {
  const step = DOSE_STEPS[unit];
  const digits = step >= 1 ? 0 : step >= 0.1 ? 1 : 2;
  return unit === "drops" && amount === 1 ? "1 drop" : `${amount.toFixed(digits)} ${unit}`;
}
