import type { HairPart } from "../eye/areas";
import type { PatchFamily } from "../mixing/productKinds";

/** A condition as it is asked and what it means: a stop that nothing passes, or a question answered in writing first. */
type Condition_ = {
  /** As the technician reads it. */
  readonly label: string;
  /** What to mind besides asking. */
  readonly advice?: string;
  /** As the client is asked. */
  readonly question: string;
  readonly group: ConditionGroup;
  readonly weight: "stop" | "ask";
  /** Only where one of these families is used, or this part is worked on; everywhere where nothing is named. */
  readonly families?: readonly PatchFamily[];
  readonly part?: HairPart;
};
export type ConditionGroup = "eyes" | "health" | "brows";

/** Common practice and from memory throughout; a doctor's word, local code, licence and insurer come before it. */
export const CONDITIONS = {
  inflamed: {
    label: "inflamed, infected or broken skin or eye",
    question: "A red, sore, sticky or infected eye or lid, a stye, a cold sore or shingles near the eye, or broken skin",
    group: "eyes",
    weight: "stop",
  },
  sunburn: {
    label: "sunburn, or skin still red from the last service",
    question: "Sunburn, or skin that is still red from last time",
    group: "eyes",
    weight: "stop",
  },
  sincePatchTest: {
    label: "itching, redness or swelling since the patch test",
    question: "Itching, redness or swelling since the patch test, where it was placed or elsewhere",
    group: "eyes",
    weight: "stop",
  },
  contactLenses: {
    label: "contact lenses",
    advice: "out before anything",
    question: "Contact lenses, worn today",
    group: "eyes",
    weight: "ask",
  },
  blepharitis: {
    label: "blepharitis, quiet now",
    question: "Blepharitis (lids that get sore and flaky), quiet at the moment",
    group: "eyes",
    weight: "ask",
  },
  dryEye: { label: "dry eyes", question: "Dry eyes", group: "eyes", weight: "ask" },
  serum: {
    label: "lash serum or eye drops that change growth",
    question: "A lash serum, or eye drops from a doctor",
    group: "eyes",
    weight: "ask",
  },
  pregnancy: { label: "pregnant or nursing", question: "Pregnant or nursing", group: "health", weight: "ask" },
  chemotherapy: { label: "chemotherapy", question: "Chemotherapy, now or lately", group: "health", weight: "ask" },
  thyroid: {
    label: "thyroid or hair-loss condition",
    question: "A thyroid condition, or one that makes hair fall out",
    group: "health",
    weight: "ask",
  },
  asthma: {
    label: "asthma",
    advice: "air the room, keep dust and vapour from the face",
    question: "Asthma",
    group: "health",
    weight: "ask",
    families: ["adhesive", "lightener"],
  },
  retinoids: {
    label: "retinoids or isotretinoin",
    question: "Retinol or vitamin A creams near the brows, or isotretinoin",
    group: "brows",
    weight: "ask",
    part: "brows",
  },
  peel: { label: "a peel of late", question: "A peel on the face in the last weeks", group: "brows", weight: "ask", part: "brows" },
  waxedToday: { label: "waxed or threaded today", question: "Brows waxed or threaded today", group: "brows", weight: "ask", part: "brows" },
  permanentMakeUp: {
    label: "permanent make-up",
    question: "Permanent make-up on the brows",
    group: "brows",
    weight: "ask",
    part: "brows",
  },
  injections: {
    label: "injections near the brows",
    question: "Injections near the brows in the last weeks",
    group: "brows",
    weight: "ask",
    part: "brows",
  },
} as const satisfies Record<string, Condition_>;
export type Condition = keyof typeof CONDITIONS;
export const CONDITION_IDS = Object.keys(CONDITIONS) as [Condition, ...Condition[]];
export const conditionOf = (id: Condition): Condition_ => CONDITIONS[id];
