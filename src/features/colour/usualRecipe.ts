import { PROCESS_PRIORS, proposeShade, takenAfter, type ShadeProposal } from "@/core/colour";
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

/** `shade` says what was made of last time's shades; null where nothing was mixed for this client yet. */
export type StartingRecipe = { readonly recipe: Recipe; readonly shade: ShadeProposal | null };

/** What was mixed last for this client where it still can be, its shades shifted if it came out off the wish; else the usual. */
export function startingRecipe(step: ProcessStep, products: readonly StockedProduct[], past: readonly PastRun[]): StartingRecipe | null {
  const open = products.filter(({ batches }) => batches.length > 0);
  const last = past.findLast(
    ({ run }) => run.plan?.recipes[step.id] !== undefined && run.coats.some(({ stepId }) => stepId === step.id),
  )?.run;
  const recipe = last?.plan?.recipes[step.id];
  if (
    !last?.plan ||
    !recipe ||
    ![...recipe.colours, ...recipe.developers].every(({ productId }) => open.some(({ id }) => id === productId))
  ) {
    const usual = usualRecipe(step, products);
    return usual && { recipe: usual, shade: null };
  }
  const { wish, from, seconds } = last.plan;
  const [wished, fromDepth, came] =
    step.on === "lashes"
      ? [wish.lashDepth, from.lashDepth, last.result?.lashDepth]
      : [wish.browDepth, from.browDepth, last.result?.browDepth];
  // Lightener has no shade to shift; and where no depth was wished for or seen, nothing is known to be missed.
  const off = step.product === "lightener" || wished === null || came == null ? 0 : came - wished;
  const colours = open.flatMap(({ id, document: { kind, colour } }) => (kind === step.product && colour ? [[id, colour] as const] : []));
  const taken = takenAfter((seconds[step.id] ?? step.defaultS) / 60, PROCESS_PRIORS[step.product === "toner" ? "toner" : "tint"]);
  const shade = proposeShade(recipe.colours, new Map(colours), { off, fromDepth, taken });
  return { recipe: { ...recipe, colours: [...shade.colours] }, shade };
}
