import { PROTOCOL_SERVICES, type ServiceKind } from "@/core/service";
import fc from "fast-check";
import { usualSurvey } from "@/core/eye";
import type { Product, Recipe } from "@/core/mixing";
import { defaultPolicy } from "@/core/policy";
import { eventAt, runOf } from "../../../tests/support/visitEvents";
import { runPlanSchema, type PastRun, type RunPlan } from "@/core/processing";
import { processSteps, shippedProtocols } from "@/core/protocol";
import { firstDraft, planFrom, timesOf, type PlanDraft } from "./planDraft";
import { startingRecipe, usualRecipe, type ProductInUse } from "./startingRecipe";

const protocol = (kind: ServiceKind) => shippedProtocols[kind](defaultPolicy);
const draftOf = (kind: ServiceKind, past: readonly PastRun[] = [], surveyed = true): PlanDraft =>
  firstDraft({
    kind,
    protocolKey: "generic",
    survey: surveyed ? usualSurvey() : null,
    past,
    processed: false,
    filmCover: false,
  });
const offered = (kind: ServiceKind) => ({ document: protocol(kind), id: null, revision: 1 });

const id = (n: number) => `00000000-0000-4000-8000-00000000000${n}`;
const [NIGHT, BROWN, WEAK, STRONG] = [1, 2, 3, 4].map(id) as [string, string, string, string];
const product = (over: Partial<Product> & Pick<Product, "name" | "kind">): Product => ({
  version: 1,
  colour: null,
  peroxide: null,
  ready: null,
  consistency: "cream",
  densityGMl: 1,
  nozzleMm: 5,
  dropsPerGram: 20,
  packG: null,
  packPrice: null,
  lifeAfterOpeningDays: null,
  ...over,
});
const stocked = (productId: string, document: Product, open = true): ProductInUse => ({
  id: productId,
  document,
  batches: open ? [{ id: id(9), lot: "L", openedOn: "2026-11-01", expiresOn: null, past: null }] : [],
});
const shelf = [
  stocked(NIGHT, product({ name: "night", kind: "tint", colour: "#17151f" })),
  stocked(BROWN, product({ name: "brown", kind: "tint", colour: "#4a3222" })),
  stocked(STRONG, product({ name: "strong", kind: "developer", peroxide: 0.06 })),
  stocked(WEAK, product({ name: "weak", kind: "developer", peroxide: 0.03 })),
];
const tint = processSteps(protocol("lashTint")).find(({ product: kind }) => kind === "tint")!;
const brownAlone: Recipe = {
  colours: [{ productId: BROWN, parts: 2 }],
  colourAmount: 2,
  colourUnit: "cm",
  developers: [{ productId: WEAK, parts: 1 }],
  developerAmount: 10,
  developerUnit: "drops",
};
const YEAR = Date.UTC(2026, 0);
/** A lash tint of the past that came out at a depth, wished at 2. */
function tinted(lashDepth: number, recipe = brownAlone): PastRun {
  const plan: RunPlan = { ...planFrom(offered("lashTint"), draftOf("lashTint"), [], null, { [tint.id]: recipe }) };
  const run = runOf([
    eventAt(0 + YEAR, "runPlanned", { plan, air: null }),
    eventAt(1000 + YEAR, "coated", { stepId: tint.id, area: "lashRight" }),
    eventAt(601_000 + YEAR, "wiped", { stepId: tint.id, area: "lashRight" }),
    eventAt(700_000 + YEAR, "resultJudged", { turn: null, lashDepth, browDepth: null, even: true, comfort: "well" }),
  ]);
  return { visitId: id(8), endedAtMs: 700_000 + YEAR, run };
}

describe("a plan's beginning", () => {
  test("of every service, surveyed or not, whatever the hair and the room, is a plan that may be kept", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...PROTOCOL_SERVICES),
        fc.boolean(),
        fc.record({
          hair: fc.constantFrom("fine" as const, "medium" as const, "coarse" as const),
          processed: fc.boolean(),
          filmCover: fc.boolean(),
        }),
        (kind, surveyed, pace) => {
          const plan = planFrom(offered(kind), { ...draftOf(kind, [], surveyed), pace }, [], null, {});
          expect(runPlanSchema.safeParse(plan).error?.issues).toBeUndefined();
        },
      ),
      { seed: 5, numRuns: 60 },
    );
  });
  test("wishes only for what the service changes", () => {
    const wish = (kind: ServiceKind) => draftOf(kind).wish;
    expect(wish("lift")).toEqual({ lift: "open", lashDepth: null, browDepth: null });
    expect(wish("liftTint")).toMatchObject({ lift: "open", lashDepth: 2 });
    expect(wish("lightening")).toEqual({ lift: null, lashDepth: null, browDepth: 6 });
    expect(wish("lashBrowTint")).toMatchObject({ lift: null, lashDepth: 2, browDepth: 4 });
    expect(wish("removal")).toEqual({ lift: null, lashDepth: null, browDepth: null });
  });
  test("is the last wish, areas and hair of the same service, and of no other", () => {
    const last = tinted(2);
    const plan = { ...last.run.plan!, areas: ["lashLeft" as const], density: "dense" as const };
    const past = [{ ...last, run: { ...last.run, plan } }];
    expect(draftOf("lashTint", past)).toMatchObject({ areas: ["lashLeft"], density: "dense", wish: plan.wish });
    expect(draftOf("browTint", past)).toMatchObject({ areas: ["browRight", "browLeft"], density: "usual" });
  });
  test("a time changed by hand stands over what is proposed, and only there", () => {
    const draft = draftOf("lift");
    const [first, second] = timesOf(protocol("lift"), draft, []);
    const changed = timesOf(protocol("lift"), { ...draft, ownSeconds: { [first!.proposal.stepId]: 420 } }, []);
    expect(changed.map(({ seconds }) => seconds)).toEqual([420, second!.seconds]);
    expect(changed[0]!.proposal).toEqual(first!.proposal);
  });
});

describe("a recipe's beginning", () => {
  /** As long as last time lay, for the same wish. */
  const today = { wish: { lift: null, lashDepth: 2, browDepth: null }, from: { lashDepth: 5, browDepth: 5 }, seconds: 600 };
  test("with nothing known: the first open shade, the weakest developer, the protocol's amounts", () => {
    expect(usualRecipe(tint, shelf)).toEqual({
      colours: [{ productId: NIGHT, parts: 1 }],
      colourAmount: tint.mix!.colourAmount,
      colourUnit: tint.mix!.colourUnit,
      developers: [{ productId: WEAK, parts: 1 }],
      developerAmount: tint.mix!.developerAmount,
      developerUnit: tint.mix!.developerUnit,
    });
    expect(startingRecipe(tint, shelf, [], today)).toMatchObject({ shade: null });
  });
  test("nothing open to mix it from: none", () => {
    expect(usualRecipe(tint, [])).toBeNull();
    expect(
      usualRecipe(
        tint,
        shelf.filter(({ document }) => document.kind === "tint"),
      ),
    ).toBeNull();
    expect(
      startingRecipe(
        tint,
        shelf.map((one) => ({ ...one, batches: [] })),
        [],
        today,
      ),
    ).toBeNull();
  });
  test("what came out as wished is mixed again, amounts and all", () => {
    expect(startingRecipe(tint, shelf, [tinted(2)], today)).toMatchObject({ recipe: brownAlone, shade: { reason: "same" } });
  });
  test("what came out too light is darkened from the shelf; a shade no longer open is not proposed", () => {
    const darker = startingRecipe(tint, shelf, [tinted(4)], today)!;
    expect(darker.shade).toMatchObject({ reason: "darker", change: { productId: NIGHT, from: 0 } });
    expect(darker.recipe).toMatchObject({ colourAmount: 2, developers: brownAlone.developers });
    const shut = shelf.map((one) => (one.id === NIGHT ? { ...one, batches: [] } : one));
    expect(startingRecipe(tint, shut, [tinted(4)], today)!.shade).toMatchObject({ reason: "none" });
    const gone = shelf.filter(({ id: one }) => one !== BROWN);
    expect(startingRecipe(tint, gone, [tinted(4)], today)).toMatchObject({ recipe: { colours: [{ productId: NIGHT }] }, shade: null });
  });
  test("time is changed before shades are: where longer lying makes up for it, the shades stay", () => {
    // After five minutes it was a step lighter than wished; in eight the same shades come near it, in two no shade can.
    const five = {
      ...tinted(3),
      run: { ...tinted(3).run, coats: tinted(3).run.coats.map((coat) => ({ ...coat, offAtMs: YEAR + 301_000 })) },
    };
    const shade = (seconds: number) => startingRecipe(tint, shelf, [five], { ...today, seconds })!.shade;
    expect(shade(480)).toMatchObject({ reason: "same", cameOff: true });
    expect(shade(300)).toMatchObject({ reason: "darker", off: 1, cameOff: true });
    expect(shade(120)).toMatchObject({ reason: "none" });
  });
  test("today's wish counts, not last time's", () => {
    expect(startingRecipe(tint, shelf, [tinted(2)], { ...today, wish: { ...today.wish, lashDepth: 4 } })!.shade).toMatchObject({
      reason: expect.stringMatching(/lighter|none/),
      off: -2,
    });
  });
  test("only what lay on counts: a recipe planned and never used says nothing", () => {
    const unused = tinted(4);
    const past = [{ ...unused, run: { ...unused.run, coats: [] } }];
    expect(startingRecipe(tint, shelf, past, today)).toMatchObject({ shade: null });
  });
});
