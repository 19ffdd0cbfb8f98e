import { partOf, SIDES, sideOf, type Survey } from "../eye";
import { chooseShield, learnKeptShare, liftEyes, type KeptShare, type Shield, type ShieldChoice, type ShieldFit } from "../lift";
import type { Recipe } from "../mixing";
import type { Policy } from "../policy";
import { isProcess, type Protocol } from "../protocol";
import { keptReadingsOf, type PastRun } from "./history";
import { planFrom, timesOf, type ChosenPlan } from "./planDraft";
import { planMixes, type PlannedMix } from "./planMixes";
import type { StepProposal } from "./proposePlan";
import type { RunPlan } from "./runPlan";
import { startingRecipe, type ProductInUse, type StartingRecipe } from "./startingRecipe";

/** What a plan is worked out from besides what was chosen. */
export type PlanGround = {
  /** The protocol gone by; `id` null for a generic one. */
  readonly protocol: { readonly id: string | null; readonly revision: number; readonly document: Protocol };
  readonly survey: Survey | null;
  readonly past: readonly PastRun[];
  readonly products: readonly ProductInUse[];
  readonly shields: readonly { readonly id: string; readonly document: Shield }[];
  readonly policy: Pick<Policy, "shield" | "shieldSize" | "lashPeroxidePercent">;
};

/** A draft with all that follows from it. */
export type WorkedOutPlan = {
  readonly times: readonly { readonly proposal: StepProposal; readonly seconds: number }[];
  /** How much of its turn this client's hair keeps, and what each shield would do; null where nothing is lifted. */
  readonly kept: KeptShare;
  readonly choice: ShieldChoice | null;
  /** The shield gone by: the one chosen by hand, else the one advised. */
  readonly shieldId: string | null;
  readonly fit: ShieldFit | null;
  /** Recipes to begin from, by step id, and those that count: changed by hand, or these. */
  readonly proposed: ReadonlyMap<string, StartingRecipe | null>;
  readonly recipes: Readonly<Record<string, Recipe>>;
  readonly mixes: readonly PlannedMix[];
  /** Why it cannot be gone by as it is mixed; null where nothing stands against it. */
  readonly objection: string | null;
  /** The plan as it would be kept. */
  readonly plan: RunPlan;
};

/** Works a draft out: times, shield, recipes, and whether the mixes may lie where they are meant to. */
export function workOutPlan(draft: ChosenPlan, ground: PlanGround): WorkedOutPlan {
  const { protocol, survey, past, products, shields, policy } = ground;
  const { document } = protocol;
  const times = timesOf(document, draft, past);
  const mixed = document.steps.filter(isProcess).filter(({ mix }) => mix);

  const kept = learnKeptShare(keptReadingsOf(past));
  const lifted = draft.areas.filter((area) => partOf(area) === "lashes").map(sideOf);
  const choice =
    draft.wish.lift === null
      ? null
      : chooseShield(
          shields.map((shield) => shield.document),
          liftEyes(survey, lifted.length > 0 ? lifted : SIDES),
          kept,
          draft.wish.lift,
          policy,
        );
  const idOf = ({ shield }: ShieldFit) => shields.find((one) => one.document === shield)!.id;
  const fit = choice ? (choice.fits.find((one) => idOf(one) === draft.shieldId) ?? choice.fits[choice.advised ?? 0] ?? null) : null;
  const shieldId = fit && idOf(fit);

  const proposed = new Map(
    mixed.map((step) => {
      const { seconds } = times.find(({ proposal }) => proposal.stepId === step.id)!;
      return [step.id, startingRecipe(step, products, past, { wish: draft.wish, from: draft.from, seconds })];
    }),
  );
  const recipes = Object.fromEntries(
    mixed.flatMap(({ id }) => {
      const recipe = draft.recipes[id] ?? proposed.get(id)?.recipe;
      return recipe ? [[id, recipe]] : [];
    }),
  );
  const mixes = planMixes(
    { protocol: document, areas: [...draft.areas], density: draft.density, recipes },
    new Map(products.map((product) => [product.id, product.document])),
    policy.lashPeroxidePercent / 100,
  );
  const shield =
    fit && shieldId
      ? { shieldId, name: fit.shield.name, radiusMm: fit.shield.radiusMm, rawDeg: fit.middle.rawDeg, keptDeg: fit.middle.kept.mid }
      : null;
  return {
    times,
    kept,
    choice,
    shieldId,
    fit,
    proposed,
    recipes,
    mixes,
    objection: mixes.find((mix) => mix.objection !== null)?.objection ?? null,
    plan: planFrom(protocol, draft, past, shield, recipes),
  };
}
