import type { ProcessStep, Speeds, TaskStep } from "./protocol";

/** How the usual things speed or slow a step. A model of this product; the directions are common practice. */
export const USUAL_SPEEDS: Speeds = { filmCover: 0.75, fine: 0.85, coarse: 1.15, processed: 0.8 };

const minutes = (m: number) => m * 60;
const LOTION_OFF = "Off with a dry tool, all of it; the eye that was coated first comes off first.";
const TINT_OFF = "Off with dry, then damp cotton, three passes, eyes shut to the last wipe.";
const BASE: Pick<ProcessStep, "kind" | "speeds" | "lookEveryS" | "waitsFor" | "offAfter" | "mix"> = {
  kind: "process",
  speeds: USUAL_SPEEDS,
  lookEveryS: null,
  waitsFor: [],
  offAfter: [],
  mix: null,
};

/** 2 cm of colour to 10 drops of liquid developer, used at once. Common practice; the paste's life is a model of this product. */
const TINT_MIX: ProcessStep["mix"] = {
  colourAmount: 2,
  colourUnit: "cm",
  developerAmount: 10,
  developerUnit: "drops",
  pasteLifeS: minutes(5),
};

/** Common practice: step 1 for 6 minutes, step 2 for 5. The ranges are from memory. */
export const liftStep = (n: 1 | 2, where: "rootOnly" | "rootToMiddle"): ProcessStep => ({
  ...BASE,
  id: `step-${n}`,
  name: `step ${n}`,
  product: n === 1 ? "lifting" : "setting",
  on: "lashes",
  where,
  leastS: minutes(n === 1 ? 5 : 4),
  mostS: minutes(n === 1 ? 8 : 7),
  defaultS: minutes(n === 1 ? 6 : 5),
  before:
    n === 1
      ? ["Glue dry, every lash straight, parted and stretched on the shield", "No glue on top of the lashes", "Lotion never on the tips"]
      : ["Step 1 wiped off dry, all of it", "Same place as step 1, never the tips"],
  after: [],
  removal: LOTION_OFF,
});

/** From memory: brow lamination 6 to 8 minutes and 6 to 8. */
export const laminationStep = (n: 1 | 2): ProcessStep => ({
  ...BASE,
  id: `step-${n}`,
  name: `step ${n}`,
  product: n === 1 ? "lifting" : "setting",
  on: "brows",
  where: "wholeLength",
  leastS: minutes(4),
  mostS: minutes(8),
  defaultS: minutes(7),
  before: n === 1 ? ["Combed to shape and held", "Skin around free of lotion"] : ["Step 1 wiped off dry, all of it"],
  after: n === 2 ? ["Combed to shape"] : [],
  removal: LOTION_OFF,
});

/** Common practice: 10 minutes alone, 5 after a lift, for lifted hair takes colour faster. Ranges from memory. */
export const lashTintStep = (over: Partial<ProcessStep> = {}): ProcessStep => ({
  ...BASE,
  id: "tint-lashes",
  name: "lash tint",
  product: "tint",
  on: "lashes",
  where: "skinClear",
  leastS: minutes(5),
  mostS: minutes(12),
  defaultS: minutes(10),
  before: ["Barrier cream on the skin, none on the hair", "Pads close to the lashes, eyes shut from here to the last wipe", "Lashes dry"],
  after: ["Looked at dry, a minute later"],
  removal: TINT_OFF,
  mix: TINT_MIX,
  ...over,
});

/** Common practice: 5 to 10 minutes; longer is darker. */
export const browTintStep = (over: Partial<ProcessStep> = {}): ProcessStep => ({
  ...lashTintStep(),
  id: "tint-brows",
  name: "brow tint",
  on: "brows",
  leastS: minutes(3),
  mostS: minutes(10),
  defaultS: minutes(6),
  lookEveryS: minutes(2),
  before: ["Barrier cream round the brow, none on the hair", "Same shade as the lashes or lighter"],
  after: [],
  removal: "Edges first, then off with dry and damp cotton, three passes.",
  ...over,
});

/** From memory throughout: 5 to 10 minutes typical, 15 the ceiling, a look every two. */
export const lightenerStep: ProcessStep = {
  ...BASE,
  id: "lighten",
  name: "lightener",
  product: "lightener",
  on: "brows",
  where: "skinClear",
  leastS: minutes(2),
  mostS: minutes(15),
  defaultS: minutes(7),
  lookEveryS: minutes(2),
  before: ["Strand test and patch test seen", "Barrier cream round the brow", "Brows only, never lashes"],
  after: ["Rinsed with lukewarm water until it runs clear"],
  removal: "Off at the target, at the maximum, or at any sting; wiped, then rinsed.",
  mix: { colourAmount: 1, colourUnit: "g", developerAmount: 2, developerUnit: "g", pasteLifeS: minutes(10) },
};

/** From memory: 3 to 5 minutes. */
export const tonerStep: ProcessStep = {
  ...BASE,
  id: "tone",
  name: "toner",
  product: "toner",
  on: "brows",
  where: "skinClear",
  leastS: minutes(1),
  mostS: minutes(5),
  defaultS: minutes(4),
  lookEveryS: minutes(2),
  before: ["Lightener rinsed out, brows dry"],
  after: [],
  removal: "Off with damp cotton, three passes.",
};

/** By the leaflet; the range is from memory. */
export const removerStep: ProcessStep = {
  ...BASE,
  id: "remover",
  name: "remover",
  product: "remover",
  on: "lashes",
  where: "skinClear",
  leastS: minutes(1),
  mostS: minutes(5),
  defaultS: minutes(3),
  before: ["A thin coat on the extensions only", "Eyes shut, lower lashes under the pad"],
  after: ["Slid off, never pulled"],
  removal: "Extensions slid off with two tweezers, never pulled; cleansed twice.",
};

const task = (kind: TaskStep["kind"], id: string, name: string, on: TaskStep["on"], checks: string[]): TaskStep => ({
  kind,
  id,
  name,
  on,
  checks,
});

export const cleanse = (on: TaskStep["on"]) =>
  task("prepare", "cleanse", "cleanse and dry", on, ["Lenses out", "Cleansed with a non-oily cleanser, dry"]);
export const shieldUp = task("prepare", "shield", "shield and glue", "lashes", [
  "Pads over the lower lashes, lid taped",
  "Shield tried dry, then glued",
  "Lashes glued in small sections, inner and outer corners not forgotten",
]);
export const release = task("release", "release", "dissolve the glue, release", "lashes", [
  "All glue dissolved with lukewarm water",
  "Released, cleansed, dry: glue left on lashes keeps tint out",
]);
export const newPads = task("prepare", "new-pads", "new pads", "lashes", ["New pads, the lower lashes on show too"]);
export const rinse = (on: TaskStep["on"]) => task("rinse", "rinse", "rinse", on, ["Rinsed until it runs clear, patted dry"]);
export const nourish = (on: TaskStep["on"]) => task("care", "nourish", "nourishing lotion", on, ["Nourished; left 12 hours"]);
export const sunCare = task("care", "care", "care", "brows", ["Soothing cream and sun protection"]);
