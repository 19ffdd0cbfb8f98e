import { proposeShade, type ShadeProposal } from "@/core/colour";
import type { Recipe } from "@/core/mixing";
import type { PastRun } from "@/core/processing";
import type { ProcessStep } from "@/core/protocol";
import type { StockedProduct } from "./stock";

/** A recipe to begin from: the first shade and the weakest developer on the shelf, in the protocol's amounts; null where either is missing. */
export function usualRecipe(step: ProcessStep, products: readonly StockedProduct[]): Recipe | null {
  const colour = products.find(({ document, batches }) => document.kind === step.product && batches.length > 0);
  const developer = products
    .filter(({ document }) => document.kind === "developer")
    .sort((a, b) => (a.document.peroxide ?? 1) - (b.document.peroxide ?? 1))
    .find(({ batches }) => batches.length > 0);
  if (!step.mix || !colour || !developer) return null;
  const { colourAmount, colourUnit, developerAmount, developerUnit } = step.mix;
  return {
    colours: [{ productId: colour.id, parts: 1 }],
    colourAmount,
    colourUnit,
    developers: [{ productId: developer.id, parts: 1 }],
    developerAmount,
    developerUnit,
  };
}

export type StartingRecipe = { readonly recipe: Recipe; readonly why: ShadeProposal["reason"] | "usual" };

/** What was mixed last for this client where it still can be, its shades shifted if it came out off the wish; else the usual. */
export function startingRecipe(step: ProcessStep, products: readonly StockedProduct[], past: readonly PastRun[]): StartingRecipe | null {
  const inStock = (id: string) => products.some((product) => product.id === id && product.batches.length > 0);
  const last = past.findLast(
    ({ run }) => run.plan?.recipes[step.id] !== undefined && run.coats.some(({ stepId }) => stepId === step.id),
  )?.run;
  const recipe = last?.plan?.recipes[step.id];
  if (!last || !recipe || ![...recipe.colours, ...recipe.developers].every(({ productId }) => inStock(productId))) {
    const usual = usualRecipe(step, products);
    return usual && { recipe: usual, why: "usual" };
  }
  const wished = step.on === "lashes" ? last.plan!.wish.lashDepth : last.plan!.wish.browDepth;
  const came = step.on === "lashes" ? last.result?.lashDepth : last.result?.browDepth;
  if (wished === null || came == null || step.product === "lightener") return { recipe, why: "same" };
  const colourOf = (id: string) => products.find((product) => product.id === id)?.document.colour ?? null;
  const { colours, reason } = proposeShade(recipe.colours, colourOf, wished, came);
  return { recipe: { ...recipe, colours: [...colours] }, why: reason };
}
