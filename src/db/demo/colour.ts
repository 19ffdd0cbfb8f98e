import type { ServiceKind } from "@/core/service";
import type { Condition } from "@/core/care";
import type { Shield } from "@/core/lift";
import type { Product, Recipe } from "@/core/mixing";
import type { Protocol } from "@/core/protocol";
import { shippedProtocols } from "@/core/protocol";
import { defaultPolicy } from "@/core/policy";
import type { RunResult } from "@/core/processing";
import type { PersonKey } from "./scenario";

/** Lift and colour at The Tide Room. Makers, lots and people are made up. */
const plain: Omit<Product, "name" | "kind"> = {
  version: 1,
  peroxide: null,
  ready: null,
  consistency: "cream",
  densityGMl: null,
  nozzleMm: null,
  dropsPerGram: null,
  colour: null,
  packG: null,
  packPrice: null,
  lifeAfterOpeningDays: 365,
};
export const PRODUCTS: readonly { key: string; document: Product; lots: readonly { lot: string; openedDaysAgo: number }[] }[] = [
  {
    key: "flood",
    document: { ...plain, name: "Flood 1", kind: "lifting", packG: 8, packPrice: 14 },
    lots: [{ lot: "F1 330", openedDaysAgo: 21 }],
  },
  {
    key: "slack",
    document: { ...plain, name: "Slack 2", kind: "setting", packG: 8, packPrice: 14 },
    lots: [{ lot: "S2 127", openedDaysAgo: 21 }],
  },
  {
    key: "ebb",
    document: { ...plain, name: "Ebb balm", kind: "nourishing", packG: 10, packPrice: 11 },
    lots: [{ lot: "EB 51", openedDaysAgo: 80 }],
  },
  {
    key: "harbourNight",
    document: {
      ...plain,
      name: "Harbour night",
      kind: "tint",
      colour: "#17151f",
      nozzleMm: 5,
      densityGMl: 1.06,
      packG: 15,
      packPrice: 9.5,
    },
    lots: [{ lot: "HN 771", openedDaysAgo: 44 }],
  },
  {
    key: "kelp",
    document: { ...plain, name: "Kelp brown", kind: "tint", colour: "#4a3222", nozzleMm: 5, densityGMl: 1.06, packG: 15, packPrice: 9.5 },
    lots: [{ lot: "KB 338", openedDaysAgo: 60 }],
  },
  {
    key: "shale",
    document: { ...plain, name: "Shale grey", kind: "tint", colour: "#3c3d42", packG: 15, packPrice: 9.5 },
    lots: [{ lot: "SG 102", openedDaysAgo: 12 }],
  },
  {
    key: "dune",
    document: { ...plain, name: "Dune toner", kind: "toner", colour: "#a5825a", packG: 15, packPrice: 12 },
    lots: [{ lot: "DT 09", openedDaysAgo: 30 }],
  },
  {
    key: "lantern3",
    document: {
      ...plain,
      name: "Lantern 3 %",
      kind: "developer",
      peroxide: 0.03,
      consistency: "liquid",
      dropsPerGram: 21,
      densityGMl: 1.01,
      packG: 100,
      packPrice: 6,
    },
    lots: [{ lot: "L3 033", openedDaysAgo: 35 }],
  },
  {
    key: "lantern6",
    document: { ...plain, name: "Lantern cream 6 %", kind: "developer", peroxide: 0.06, packG: 100, packPrice: 7 },
    lots: [{ lot: "L6 018", openedDaysAgo: 35 }],
  },
  {
    key: "chalk",
    document: { ...plain, name: "Chalk lightener", kind: "lightener", consistency: "powder", packG: 30, packPrice: 13 },
    lots: [{ lot: "CH 204", openedDaysAgo: 25 }],
  },
  {
    key: "letgo",
    document: { ...plain, name: "Let go", kind: "remover", packG: 10, packPrice: 8 },
    lots: [{ lot: "LG 66", openedDaysAgo: 50 }],
  },
  {
    key: "primer",
    document: { ...plain, name: "Clear shore", kind: "primer", consistency: "liquid", packG: 15, packPrice: 9 },
    lots: [{ lot: "CS 12", openedDaysAgo: 34 }],
  },
  {
    key: "disinfectant",
    document: { ...plain, name: "Brine bath", kind: "disinfectant", consistency: "liquid", packG: 1000, packPrice: 18 },
    lots: [{ lot: "BB 77", openedDaysAgo: 21 }],
  },
];

export const SHIELDS: readonly { key: string; document: Shield }[] = [
  ["cove", "shield", 3],
  ["bay", "shield", 3.6],
  ["sound", "shield", 4.3],
  ["reach", "shield", 5.1],
  ["line rod", "rod", 2.6],
].map(([name, kind, radiusMm]) => ({ key: `shield ${name}`, document: { version: 1, name, kind, radiusMm } as Shield }));

/** The studio's own copy, with the times of the leaflet that came with its lotions. */
const lift = shippedProtocols.liftTint(defaultPolicy);
export const OWN_PROTOCOL: { key: string; document: Protocol } = {
  key: "own lift",
  document: {
    ...lift,
    name: "Flood and Slack lift, tint after release",
    source: "Leaflets of Flood 1 and Slack 2, edition of March",
    steps: lift.steps.map((step) =>
      step.kind === "process" && step.id === "step-1" ? { ...step, leastS: 300, mostS: 480, defaultS: 390 } : step,
    ),
  },
};

const recipe = (
  colours: readonly [string, number][],
  colourAmount: number,
  colourUnit: Recipe["colourUnit"],
  developer: string,
  developerAmount: number,
  developerUnit: Recipe["developerUnit"],
) => ({
  colours,
  colourAmount,
  colourUnit,
  developer,
  developerAmount,
  developerUnit,
});
export type DemoRecipe = ReturnType<typeof recipe>;
export const LASH_BLEND = recipe(
  [
    ["harbourNight", 7],
    ["kelp", 3],
  ],
  2,
  "cm",
  "lantern3",
  10,
  "drops",
);
export const BROW_BLEND = recipe(
  [
    ["kelp", 4],
    ["shale", 1],
  ],
  2,
  "cm",
  "lantern3",
  10,
  "drops",
);
export const LIGHTENER = recipe([["chalk", 1]], 1, "g", "lantern3", 2, "g");

/** One run of the past: how long each step lay, what was looked at, how it was judged. */
export type DemoRun = {
  readonly daysAgo: number;
  readonly minutes: Readonly<Record<string, number>>;
  readonly looks?: Readonly<Record<string, readonly number[]>>;
  readonly shield?: { readonly key: string; readonly rawDeg: number };
  readonly result: RunResult;
};
export type ColourClient = {
  readonly key: string;
  readonly name: string;
  readonly contact: string;
  readonly notes: string;
  readonly technician: PersonKey;
  readonly bornOn: string;
  readonly kind: ServiceKind;
  readonly lengths: readonly [number, number, number] | null;
  readonly patchDaysAgo: Readonly<Partial<Record<"tint" | "lightener" | "lotion", number>>>;
  readonly conditions: readonly Condition[];
  readonly from: { readonly lashDepth: number; readonly browDepth: number };
  readonly wish: { readonly lift: "soft" | "open" | "high" | null; readonly lashDepth: number | null; readonly browDepth: number | null };
  readonly runs: readonly DemoRun[];
};

export const COLOUR_CLIENTS: readonly ColourClient[] = [
  {
    key: "marigold",
    name: "Marigold Fennick",
    contact: "rings after four",
    notes: "Straight, downward lashes; likes them open, not theatrical.",
    technician: "maren",
    bornOn: "1988-05-17",
    kind: "liftTint",
    lengths: [7.4, 9.6, 9],
    patchDaysAgo: { tint: 70, lotion: 70 },
    conditions: ["contactLenses"],
    from: { lashDepth: 5, browDepth: 5 },
    wish: { lift: "open", lashDepth: 2, browDepth: null },
    runs: [
      {
        daysAgo: 163,
        minutes: { "step-1": 6, "step-2": 5, "tint-lashes": 5 },
        shield: { key: "sound", rawDeg: 113 },
        result: { turn: { seenDeg: 60, by: "card" }, lashDepth: 3, browDepth: null, even: true, comfort: "well" },
      },
      {
        daysAgo: 107,
        minutes: { "step-1": 6.5, "step-2": 5, "tint-lashes": 6 },
        shield: { key: "bay", rawDeg: 135 },
        result: { turn: { seenDeg: 90, by: "card" }, lashDepth: 2, browDepth: null, even: true, comfort: "well" },
      },
      {
        daysAgo: 51,
        minutes: { "step-1": 6.5, "step-2": 5, "tint-lashes": 6.5 },
        shield: { key: "bay", rawDeg: 136 },
        result: { turn: { seenDeg: 84, by: "photo" }, lashDepth: 2, browDepth: null, even: true, comfort: "well" },
      },
    ],
  },
  {
    key: "ysolde",
    name: "Ysolde Carrow",
    contact: "by letter, she says",
    notes: "Dark brows, fair skin; wants them softer than her hair.",
    technician: "jossa",
    bornOn: "1994-11-02",
    kind: "lightening",
    lengths: null,
    patchDaysAgo: { tint: 58, lightener: 58 },
    conditions: [],
    from: { lashDepth: 3, browDepth: 3 },
    wish: { lift: null, lashDepth: null, browDepth: 5 },
    runs: [
      {
        daysAgo: 88,
        minutes: { lighten: 8, tone: 3 },
        looks: { lighten: [3, 4, 4] },
        result: { turn: null, lashDepth: null, browDepth: 5, even: true, comfort: "well" },
      },
      {
        daysAgo: 45,
        minutes: { lighten: 9.5, tone: 3 },
        looks: { lighten: [3, 4, 4, 5] },
        result: { turn: null, lashDepth: null, browDepth: 5, even: true, comfort: "tickled" },
      },
    ],
  },
  {
    key: "petra",
    name: "Petra Windlass",
    contact: "",
    notes: "",
    technician: "pim",
    bornOn: "2001-02-23",
    kind: "lashBrowTint",
    lengths: [7, 9, 8.4],
    patchDaysAgo: { tint: 3 },
    conditions: [],
    from: { lashDepth: 6, browDepth: 6 },
    wish: { lift: null, lashDepth: 2, browDepth: 4 },
    runs: [],
  },
];
