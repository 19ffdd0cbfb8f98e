"use client";
import type { Recipe } from "@/core/mixing";
import type { PlannedMix } from "@/core/processing";
import type { ProcessStep } from "@/core/protocol";
import type { ColourProps } from "./colourProps";
import type { PlanDraft } from "./planDraft";
import { BlendSwatches, MixAmounts, RecipeEditor } from "./RecipeEditor";
import type { StartingRecipe } from "./usualRecipe";

const WHY_SHADE: Record<StartingRecipe["why"] | "own", string> = {
  usual: "Nothing was mixed for this client yet: the protocol’s usual amounts.",
  same: "As last time: it came out as wished.",
  darker: "As last time with a part more of the darkest shade: it came out lighter than wished.",
  lighter: "As last time with a part more of the lightest shade: it came out darker than wished.",
  onlyOne: "As last time. It came out off the wish, and one shade alone cannot be shifted: add another, or change the minutes.",
  own: "Changed by hand.",
};

/** What will be mixed for each step, with the reason, the amounts and the blend on this hair. */
export function PlanMixes({
  visit,
  draft,
  steps,
  recipes,
  mixes,
  whyOf,
  secondsOf,
  onChange,
}: {
  visit: ColourProps;
  draft: PlanDraft;
  steps: readonly ProcessStep[];
  recipes: Readonly<Record<string, Recipe>>;
  mixes: readonly PlannedMix[];
  whyOf: (stepId: string) => keyof typeof WHY_SHADE;
  secondsOf: (stepId: string) => number;
  onChange: (stepId: string, recipe: Recipe) => void;
}) {
  return (
    <div className="mt-4 space-y-6">
      {steps.map((step) => {
        const recipe = recipes[step.id];
        const mix = mixes.find(({ stepId }) => stepId === step.id)?.mix;
        const [from, wished] =
          step.on === "lashes" ? [draft.from.lashDepth, draft.wish.lashDepth] : [draft.from.browDepth, draft.wish.browDepth];
        return (
          <section key={step.id} className="border-t border-line pt-3">
            <h2 className="text-xl">{step.name}</h2>
            {recipe && mix ? (
              <>
                <p className="text-[0.9375rem] text-ink-2">{WHY_SHADE[whyOf(step.id)]}</p>
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
