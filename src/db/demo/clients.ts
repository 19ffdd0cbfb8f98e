import { quickPositions, usualSurvey, type Survey } from "@/core/eye";
import type { LookId, MapWish, School, Tray } from "@/core/map";
import type { PersonKey } from "./scenario";

type Place = Partial<Survey["eyes"]["right"]["points"][number]>;
/** A survey from three lengths: inner, middle, outer. */
export const eyes = (
  lengths: readonly [number, number, number],
  options: {
    all?: Place;
    line?: number;
    shape?: Survey["eyes"]["right"]["shape"];
    spacing?: Survey["spacing"];
    oily?: boolean;
    left?: number;
    inner?: Place;
  } = {},
): Survey => {
  const base = usualSurvey();
  const eye = (side: "right" | "left") => ({
    ...base.eyes[side],
    lashLineMm: (options.line ?? 28) + (side === "left" ? 0.4 : 0),
    shape: options.shape ?? "almond",
    points: base.eyes[side].points.map((point, i) => ({
      ...point,
      ...options.all,
      ...(i === 0 ? options.inner : {}),
      at: quickPositions[i]!,
      lengthMm: Math.round(10 * (lengths[i]! + (side === "left" ? (options.left ?? 0) : 0))) / 10,
    })),
  });
  return {
    ...base,
    spacing: options.spacing ?? "average",
    oilyLids: options.oily ?? false,
    eyes: { right: eye("right"), left: eye("left") },
  };
};

export type DemoClient = {
  readonly key: string;
  readonly name: string;
  readonly contact: string;
  readonly notes: string;
  readonly technician: PersonKey;
  readonly survey: Survey;
  readonly look: LookId;
  readonly school: School;
  readonly fibre: { curl: Tray["curl"]; diameterMm: number; shape: "round" | "flat"; count: number };
  /** Layers and ways of planning past a plain line. */
  readonly more?: Partial<Pick<MapWish, "accents" | "under" | "hybrid" | "coupling" | "lashClasses">>;
  /** What an instructor said of the map. */
  readonly said?: readonly { readonly kind: "note" | "approved" | "sentBack"; readonly words: string; readonly by: PersonKey }[];
  readonly everyDays: number;
  readonly firstDaysAgo: number;
  /** Days ago that an adhesive patch test was placed; null for none. */
  readonly patchDaysAgo: number | null;
  readonly patchResult?: "clear" | "waiting" | "reaction";
};

const browPeak: School = { id: "browPeak" };
const equal = (zones: number): School => ({ id: "equal", zones });
const single = (curl: Tray["curl"], diameterMm: number) => ({ curl, diameterMm, shape: "round" as const, count: 1 });

export const CLIENTS: readonly DemoClient[] = [
  {
    key: "ottilie",
    name: "Ottilie Brackwater",
    contact: "prefers a letter",
    notes: "Sleeps on the left. Lashes straight and level.",
    technician: "maren",
    survey: eyes([7.2, 10.2, 9.2], { all: { ownCurl: "straight" } }),
    look: "squirrel",
    school: browPeak,
    fibre: single("C", 0.15),
    everyDays: 17,
    firstDaysAgo: 71,
    patchDaysAgo: 95,
  },
  {
    key: "sunniva",
    name: "Sunniva Lark",
    contact: "",
    notes: "Fine lashes, likes them soft.",
    technician: "jossa",
    survey: eyes([6.6, 9.1, 8.2], { all: { diameter: "fine" }, shape: "round", line: 27 }),
    look: "natural",
    school: browPeak,
    fibre: single("C", 0.1),
    everyDays: 21,
    firstDaysAgo: 64,
    patchDaysAgo: 170,
  },
  {
    key: "hesper",
    name: "Hesper Dunmore",
    contact: "",
    notes: "Hooded; wears contact lenses, takes them out here.",
    technician: "maren",
    survey: eyes([7, 9.6, 8.8], { shape: "hooded", all: { direction: "down", ownCurl: "straight" } }),
    look: "doll",
    school: equal(9),
    fibre: single("L", 0.15),
    everyDays: 20,
    firstDaysAgo: 60,
    patchDaysAgo: 120,
  },
  {
    key: "calla",
    name: "Calla Reedmace",
    contact: "",
    notes: "",
    technician: "jossa",
    survey: eyes([7.4, 10.4, 9.8], { all: { diameter: "coarse", density: "dense" }, line: 29.5, left: -0.5 }),
    look: "cat",
    school: equal(11),
    fibre: single("D", 0.15),
    more: { coupling: "level" },
    everyDays: 15,
    firstDaysAgo: 68,
    patchDaysAgo: 80,
  },
  {
    key: "imke",
    name: "Imke Sandpiper",
    contact: "",
    notes: "Left lashes a good half millimetre shorter.",
    technician: "maren",
    survey: eyes([7, 9.8, 8.9], { left: -0.6 }),
    look: "squirrel",
    school: browPeak,
    fibre: single("C", 0.12),
    everyDays: 18,
    firstDaysAgo: 57,
    patchDaysAgo: 60,
  },
  {
    key: "thandeka",
    name: "Thandeka Moor",
    contact: "",
    notes: "Very curly lashes.",
    technician: "jossa",
    survey: eyes([6.8, 9, 8.4], { all: { ownCurl: "curly", direction: "up", diameter: "coarse" } }),
    look: "natural",
    school: equal(7),
    fibre: single("CC", 0.12),
    everyDays: 22,
    firstDaysAgo: 62,
    patchDaysAgo: 40,
  },
  {
    key: "rosalind",
    name: "Rosalind Featherstonehaugh-Pennywhistle",
    contact: "by way of her sister, who also comes here, on weekdays after four",
    notes: "Talks with her hands.",
    technician: "pim",
    survey: eyes([7.2, 9.4, 8.6], { spacing: "wide", oily: true }),
    look: "doll",
    school: browPeak,
    fibre: single("C", 0.15),
    everyDays: 24,
    firstDaysAgo: 58,
    patchDaysAgo: 195,
  },
  {
    key: "yuki",
    name: "Yuki Harbourlight",
    contact: "",
    notes: "Down and straight; L holds, C never did.",
    technician: "maren",
    survey: eyes([6.4, 8.6, 7.8], { shape: "monolid", all: { direction: "down", ownCurl: "straight" } }),
    look: "natural",
    school: equal(7),
    fibre: single("L", 0.15),
    everyDays: 16,
    firstDaysAgo: 66,
    patchDaysAgo: 30,
  },
  {
    key: "bronagh",
    name: "Bronagh Tidewell",
    contact: "",
    notes: "",
    technician: "jossa",
    survey: eyes([7.6, 10.8, 9.9], { shape: "upturned", line: 30 }),
    look: "cat",
    school: browPeak,
    fibre: single("M", 0.12),
    more: {
      accents: {
        offsetMm: 2,
        placing: { every: 4, cluster: 1, innerEvery: 2 },
        fibre: { curl: "M", diameterMm: 0.07, shape: "round", count: 4, opening: "closed" },
      },
    },
    everyDays: 19,
    firstDaysAgo: 59,
    patchDaysAgo: 20,
  },
  {
    key: "zofia",
    name: "Zofia Marram",
    contact: "",
    notes: "Sparse after a hard winter; keep it light.",
    technician: "pim",
    survey: eyes([5.6, 8.2, 7.4], { all: { density: "sparse", diameter: "fine" } }),
    look: "natural",
    school: equal(5),
    fibre: single("C", 0.1),
    said: [
      {
        kind: "sentBack",
        words: "Five zones is coarse for her: look how the outer one holds two lengths of lash. Try seven, and keep the corner bare.",
        by: "maren",
      },
      { kind: "note", words: "Seven planned beside it, will ask again before she comes.", by: "pim" },
    ],
    everyDays: 28,
    firstDaysAgo: 56,
    patchDaysAgo: 14,
  },
  {
    key: "leila",
    name: "Leïla Oystercatcher",
    contact: "",
    notes: "",
    technician: "jossa",
    survey: eyes([7, 9.9, 9], { shape: "deepSet", spacing: "close" }),
    look: "squirrel",
    school: equal(9),
    fibre: { curl: "D", diameterMm: 0.05, shape: "round", count: 4 },
    more: {
      accents: {
        offsetMm: 3,
        placing: { every: 4, cluster: 1, innerEvery: 2 },
        fibre: { curl: "D", diameterMm: 0.07, shape: "round", count: 3, opening: "closed" },
      },
    },
    everyDays: 18,
    firstDaysAgo: 63,
    patchDaysAgo: 100,
  },
  {
    key: "nura",
    name: "نورا الشاطئ",
    contact: "",
    notes: "New; came by way of Calla.",
    technician: "maren",
    survey: eyes([7.1, 9.7, 8.8]),
    look: "natural",
    school: browPeak,
    fibre: single("C", 0.12),
    everyDays: 30,
    firstDaysAgo: 1,
    patchDaysAgo: 1,
    patchResult: "waiting",
  },
  {
    key: "dagny",
    name: "Dagny Seapink",
    contact: "",
    notes: "",
    technician: "jossa",
    survey: eyes([7.3, 9.5, 8.3], { shape: "downturned" }),
    look: "squirrel",
    school: browPeak,
    fibre: single("C", 0.15),
    everyDays: 23,
    firstDaysAgo: 69,
    patchDaysAgo: null,
  },
];
