"use client";
import type { Recipe } from "@/core/mixing";
import type { PlanDraft, PlannedMix, StartingRecipe } from "@/core/processing";
import type { ProcessStep } from "@/core/protocol";
import type { ColourProps } from "./colourProps";
import { BlendSwatches, MixAmounts, RecipeEditor } from "./RecipeEditor";

/** Where a recipe comes from, in a sentence. */
function whyShade({ shade }: StartingRecipe, nameOf: (productId: string) => string): string {
  if (!shade) return "Nothing was mixed for this client yet: the protocol’s usual amounts.";
  if (shade.reason === "same")
    return shade.cameOff ? "As last time: today’s minutes make up for what it missed." : "As last time: it came out as wished.";
  const steps = (by: number) => `about ${Math.abs(by).toFixed(1)} ${Math.abs(by).toFixed(1) === "1.0" ? "step" : "steps"}`;
  const missed = `by today’s minutes it would come out ${steps(shade.off)} ${shade.off > 0 ? "lighter" : "darker"} than wished`;
  if (!shade.change)
    return `As last time, though ${missed}, and no shade on the shelf brings it nearer: change the minutes, or wish for what it was.`;
  const { productId, from, to } = shade.change;
  const parts = from === 0 ? `${to} ${to === 1 ? "part" : "parts"} added` : to === 0 ? "left out" : `${from} → ${to} parts`;
  return `As last time but ${nameOf(productId)}, ${parts}: ${missed}, and this blend is ${steps(shade.movedBy)} ${shade.reason} on this hair. A guide.`;
}

/** What will be mixed for each step, with the reason, the amounts and the blend on this hair. */
export function PlanMixes({
  visit,
  draft,
  steps,
  recipes,
  mixes,
  proposedOf,
  secondsOf,
  onChange,
}: {
  visit: ColourProps;
  draft: PlanDraft;
  steps: readonly ProcessStep[];
  recipes: Readonly<Record<string, Recipe>>;
  mixes: readonly PlannedMix[];
  /** What was proposed, or null where a hand changed it. */
  proposedOf: (stepId: string) => StartingRecipe | null;
  secondsOf: (stepId: string) => number;
  onChange: (stepId: string, recipe: Recipe) => void;
}) {
  const nameOf = (productId: string) => visit.products.find(({ id }) => id === productId)?.document.name ?? "a shade";
  return (
    <div className="mt-4 space-y-6">
      {steps.map((step) => {
        const recipe = recipes[step.id];
        const proposed = proposedOf(step.id);
        const mix = mixes.find(({ stepId }) => stepId === step.id)?.mix;
        const [from, wished] =
          step.on === "lashes" ? [draft.from.lashDepth, draft.wish.lashDepth] : [draft.from.browDepth, draft.wish.browDepth];
        return (
          <section key={step.id} className="border-t border-line pt-3">
            <h2 className="text-xl">{step.name}</h2>
            {recipe && mix ? (
              <>
                <p className="text-[0.9375rem] text-ink-2">{proposed ? whyShade(proposed, nameOf) : "Changed by hand."}</p>
                <div className="mt-2 grid gap-x-10 gap-y-4 xl:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
                  <RecipeEditor step={step} recipe={recipe} products={visit.products} onChange={(next) => onChange(step.id, next)} />
                  <div className="space-y-3">
                    <MixAmounts mix={mix} on={step.on} />
                    <BlendSwatches
                      recipe={recipe}
                      products={visit.products}
                      fromDepth={from}
                      product={step.product}
                      seconds={secondsOf(step.id)}
                      targetDepth={wished}
                    />
                  </div>
                </div>
              </>
            ) : (
              <p className="mt-1">
                Nothing open on the shelf to mix it from: a {step.product} and a developer, each with its batch, under <b>Colour</b>.
              </p>
            )}
          </section>
        );
      })}
    </div>
  );
}
