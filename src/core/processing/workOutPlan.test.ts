import { usualSurvey } from "../eye";
import type { Product } from "../mixing";
import { defaultPolicy } from "../policy";
import { shippedProtocols } from "../protocol";
import { firstDraft, type PlanDraft } from "./planDraft";
import type { ProductInUse } from "./startingRecipe";
import { workOutPlan, type PlanGround } from "./workOutPlan";

const shield = (id: string, radiusMm: number) => ({ id, document: { version: 1, name: id, kind: "shield", radiusMm } as const });
const product = (id: string, over: Partial<Product>): ProductInUse => ({
  id,
  batches: [{}],
  document: {
    version: 1,
    name: id,
    kind: "tint",
    peroxide: null,
    ready: null,
    consistency: "cream",
    densityGMl: null,
    nozzleMm: null,
    dropsPerGram: null,
    colour: "#17151f",
    packMl: null,
    packPrice: null,
    lifeAfterOpeningDays: null,
    ...over,
  } as Product,
});
const BLACK = "00000000-0000-4000-8000-000000000001";
const WEAK = "00000000-0000-4000-8000-000000000002";
const STRONG = "00000000-0000-4000-8000-000000000003";
const ground = (over: Partial<PlanGround> = {}): PlanGround => ({
  protocol: { id: null, revision: 1, document: shippedProtocols.liftTint(defaultPolicy) },
  survey: usualSurvey(),
  past: [],
  products: [
    product(BLACK, {}),
    product(STRONG, { kind: "developer", peroxide: 0.06, colour: null }),
    product(WEAK, { kind: "developer", peroxide: 0.03, colour: null }),
  ],
  shields: [shield("large", 5), shield("middle", 4), shield("small", 3)],
  policy: defaultPolicy,
  ...over,
});
const draft = (over: Partial<PlanDraft> = {}): PlanDraft => ({
  ...firstDraft({ kind: "liftTint", protocolKey: "generic", survey: usualSurvey(), past: [], processed: false, filmCover: false }),
  ...over,
});

test("the shield is the one advised until another is chosen by hand, and goes into the plan with its turn", () => {
  const advised = workOutPlan(draft(), ground());
  expect(advised.shieldId).toBe(advised.choice!.fits[advised.choice!.advised!]!.shield.name);
  const other = advised.shieldId === "small" ? "large" : "small";
  const chosen = workOutPlan(draft({ shieldId: other }), ground());
  expect([chosen.shieldId, chosen.fit!.shield.name, chosen.plan.shield]).toEqual([
    other,
    other,
    expect.objectContaining({ shieldId: other, rawDeg: chosen.fit!.middle.rawDeg, keptDeg: chosen.fit!.middle.kept.mid }),
  ]);
  expect(workOutPlan(draft({ shieldId: "given away" }), ground()).shieldId).toBe(advised.shieldId);
  expect(workOutPlan(draft(), ground({ shields: [] }))).toMatchObject({ shieldId: null, fit: null });
});
test("no lift, no shield", () => {
  const { choice, fit, plan } = workOutPlan(draft({ wish: { lift: null, lashDepth: 2, browDepth: null } }), ground());
  expect([choice, fit, plan.shield]).toEqual([null, null, null]);
});
test("recipes begin from the shelf, a hand's own stand over them, and both go into the plan", () => {
  const { proposed, recipes, plan } = workOutPlan(draft(), ground());
  const [stepId] = [...proposed.keys()];
  expect(recipes[stepId!]!.developers).toEqual([{ productId: WEAK, parts: 1 }]);
  const typed = { ...recipes[stepId!]!, colourAmount: 3 };
  const changed = workOutPlan(draft({ recipes: { [stepId!]: typed } }), ground());
  expect([changed.recipes[stepId!], changed.plan.recipes[stepId!]]).toEqual([typed, typed]);
  expect(plan.recipes[stepId!]).toEqual(recipes[stepId!]);
});
test("a mix over the lash limit stands against the plan; under a stricter studio a lawful one does too", () => {
  const stepId = [...workOutPlan(draft(), ground()).proposed.keys()][0]!;
  const { recipes, objection } = workOutPlan(draft(), ground());
  expect(objection).toBeNull();
  const strong = { ...recipes[stepId]!, developers: [{ productId: STRONG, parts: 1 }] };
  expect(workOutPlan(draft({ recipes: { [stepId]: strong } }), ground()).objection).toContain("%");
  expect(workOutPlan(draft(), ground({ policy: { ...defaultPolicy, lashPeroxidePercent: 0.5 } })).objection).toContain("%");
});
test("times and the plan's seconds are the same", () => {
  const { times, plan } = workOutPlan(draft({ ownSeconds: { nourish: 240 } }), ground());
  expect(plan.seconds).toEqual(Object.fromEntries(times.map(({ proposal, seconds }) => [proposal.stepId, seconds])));
});
