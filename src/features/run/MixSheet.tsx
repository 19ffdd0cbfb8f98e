"use client";
import { useState } from "react";
import { partOf } from "@/core/eye";
import { isMix, mixFor, mixObjection, type Recipe } from "@/core/mixing";
import { stepOf, usualRecipe, type MixedPaste, type RunState } from "@/core/processing";
import { formatClock } from "@/core/units";
import { Button, Dialog, SelectField } from "@/ui";
import { dayWords } from "@/ui/dayWords";
import type { ColourProps } from "@/features/plan/colourProps";
import { BlendSwatches, MixAmounts, RecipeEditor } from "@/features/plan/RecipeEditor";

/** Mixing now: amounts for this client, each product's batch, and the paste's clock from the moment it is mixed. */
export function MixSheet({
  visit,
  run,
  stepId,
  onMixed,
  onClose,
}: {
  visit: ColourProps;
  run: RunState;
  stepId: string;
  onMixed: (payload: MixedPaste) => void;
  onClose: () => void;
}) {
  const step = stepOf(run, stepId)!;
  const plan = run.plan!;
  const [recipe, setRecipe] = useState<Recipe | null>(plan.recipes[stepId] ?? usualRecipe(step, visit.products));
  const [chosen, setChosen] = useState<Readonly<Record<string, string>>>({});
  const [changing, setChanging] = useState(false);
  const areas = plan.areas.filter(
    (area) => partOf(area) === step.on && !run.coats.some((coat) => coat.stepId === stepId && coat.area === area),
  );
  const products = new Map(visit.products.map(({ id, document }) => [id, document]));
  const mix = recipe && mixFor(recipe, products, { areas, density: plan.density }, step.on, visit.policy.lashPeroxidePercent / 100);
  const batchesOf = (productId: string) => visit.products.find(({ id }) => id === productId)?.batches ?? [];
  // The oldest that may still be used.
  const batchOf = (productId: string) => chosen[productId] ?? batchesOf(productId).find(({ past }) => past?.weight !== "stop")?.id ?? "";
  const ready = mix && isMix(mix) && mixObjection(mix) === null && mix.lines.every(({ productId }) => batchOf(productId) !== "");
  const target = step.on === "lashes" ? plan.wish.lashDepth : plan.wish.browDepth;
  const mixed = () => {
    if (!mix || !isMix(mix) || !ready) return;
    const { range, known } = mix.peroxide;
    onMixed({
      stepId,
      lines: mix.lines.map(({ productId, dosed, unit, grams }) => ({
        productId,
        batchId: batchOf(productId),
        amount: dosed,
        unit,
        grams: grams.mid,
      })),
      peroxide: { low: range.low, mid: range.mid, high: range.high, known },
      lifeS: step.mix!.pasteLifeS,
      leftoverG: mix.leftoverG,
      cost: mix.cost,
    });
  };
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`Mix: ${step.name}`} wide>
      {!recipe || !mix ? (
        <p>Nothing on the shelf to mix it from. Add a {step.product} and a developer under Colour and lift.</p>
      ) : (
        <div className="grid gap-x-10 gap-y-5 md:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
          <div>
            <MixAmounts mix={mix} on={step.on} />
            <div className="mt-4 flex flex-wrap gap-3">
              <Button size="bed" disabled={!ready} onClick={mixed}>
                Mixed now
              </Button>
              <Button tone="plain" onClick={() => setChanging(!changing)}>
                {changing ? "Recipe is right" : "Change the recipe"}
              </Button>
            </div>
            <p className="mt-2 text-[0.9375rem] text-ink-2">
              For {areas.length === 1 ? "one side" : "both sides"}, {plan.density} hair. Use within {formatClock(step.mix!.pasteLifeS)} of
              mixing; its clock begins with the tap.
            </p>
          </div>
          <div className="space-y-3">
            <BlendSwatches
              recipe={recipe}
              products={visit.products}
              fromDepth={step.on === "lashes" ? plan.from.lashDepth : plan.from.browDepth}
              product={step.product}
              seconds={plan.seconds[stepId] ?? step.defaultS}
              targetDepth={target}
            />
            {isMix(mix)
              ? mix.lines.map(({ productId, product }) => {
                  const batches = batchesOf(productId);
                  const past = batches.find(({ past: one }) => one?.weight === "stop")?.past;
                  return (
                    <SelectField
                      key={productId}
                      label={`${product.name}, from`}
                      value={batchOf(productId)}
                      error={
                        batches.length === 0
                          ? "No open batch: open one with its lot first."
                          : batchOf(productId) === ""
                            ? past?.words
                            : undefined
                      }
                      hint={batchOf(productId) !== "" ? past?.words : undefined}
                      onChange={(event) => setChosen({ ...chosen, [productId]: event.target.value })}
                    >
                      {batches.length === 0 ? <option value="">none open</option> : null}
                      {batches.length > 0 && batchOf(productId) === "" ? <option value="">none that may be used</option> : null}
                      {batches.map(({ id, lot, openedOn, past: gone }) => (
                        <option key={id} value={id} disabled={gone?.weight === "stop"}>
                          lot {lot}, opened {dayWords(openedOn)}
                        </option>
                      ))}
                    </SelectField>
                  );
                })
              : null}
          </div>
          {changing ? (
            <div className="border-t border-line pt-4 md:col-span-2">
              <RecipeEditor step={step} recipe={recipe} products={visit.products} onChange={setRecipe} />
            </div>
          ) : null}
        </div>
      )}
    </Dialog>
  );
}
