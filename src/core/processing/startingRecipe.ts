import { PROCESS_PRIORS, proposeShade, stillOff, takenAfter, type ShadeProposal } from "../colour";
import type { Product, Recipe } from "../mixing";
import type { ProcessStep } from "../protocol";
import type { PastRun } from "./history";
import type { Wish } from "./proposePlan";
import { lainS } from "./runState";

/** A product on the shelf; `batches` are those in use. */
export type ProductInUse = { readonly id: string; readonly document: Product; readonly batches: readonly unknown[] };

/** A recipe to begin from: the first shade and the weakest developer on the shelf, in the protocol's amounts; null where either is missing. */
export function usualRecipe(step: ProcessStep, products: readonly ProductInUse[]): Recipe | null {
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

/** `shade` says what was made of last time's shades, `cameOff` whether they missed the wish; null where nothing was mixed for this client yet. */
export type StartingRecipe = {
  readonly recipe: Recipe;
  readonly shade: (ShadeProposal & { readonly cameOff: boolean; readonly off: number }) | null;
};

/**
 * What was mixed last for this client where it still can be, its shades shifted where today's minutes would not make up for
 * what it missed; else the usual. `seconds` is how long it is planned to lie today.
 */
export function startingRecipe(
  step: ProcessStep,
  products: readonly ProductInUse[],
  past: readonly PastRun[],
  today: Wish & { readonly seconds: number },
): StartingRecipe | null {
  const open = products.filter(({ batches }) => batches.length > 0);
  const last = past.findLast(({ run }) => run.plan?.recipes[step.id] !== undefined && run.coats.some(({ stepId }) => stepId === step.id));
  const plan = last?.run.plan;
  const recipe = plan?.recipes[step.id];
  if (
    !last ||
    !plan ||
    !recipe ||
    ![...recipe.colours, ...recipe.developers].every(({ productId }) => open.some(({ id }) => id === productId))
  ) {
    const usual = usualRecipe(step, products);
    return usual && { recipe: usual, shade: null };
  }
  const depth = step.on === "lashes" ? ("lashDepth" as const) : ("browDepth" as const);
  const wished = today.wish[depth];
  const came = last.run.result?.[depth];
  const minutes = Math.max(...last.run.coats.filter(({ stepId }) => stepId === step.id).map((coat) => lainS(coat, last.endedAtMs))) / 60;
  const prior = PROCESS_PRIORS[step.product === "toner" ? "toner" : "tint"];
  // Lightener has no shade to shift; and where no depth is wished for or was seen, nothing is known to be missed.
  const known = step.product !== "lightener" && wished !== null && came != null;
  const off = known
    ? stillOff({ from: plan.from[depth], came, minutes }, { from: today.from[depth], wished, minutes: today.seconds / 60 }, prior)
    : 0;
  const colours = open.flatMap(({ id, document: { kind, colour } }) => (kind === step.product && colour ? [[id, colour] as const] : []));
  const taken = takenAfter(today.seconds / 60, prior);
  const shade = proposeShade(recipe.colours, new Map(colours), { off, fromDepth: today.from[depth], taken });
  return { recipe: { ...recipe, colours: [...shade.colours] }, shade: { ...shade, off, cameOff: known && came !== plan.wish[depth] } };
}
