import type { HairPart } from "../eye/areas";
import type { PatchFamily } from "../mixing/productKinds";

type Allergy_ = {
  readonly label: string;
  /** As the client is asked. */
  readonly question: string;
  /** Nothing of this family on this client, whatever the brand; null where it is asked and a substitute is named. */
  readonly stops: PatchFamily | null;
  /** What is used instead; only where it is asked. */
  readonly substitute?: string;
  readonly part?: HairPart;
};

/**
 * Allergies that are known. They cross brands: another bottle is no way round. Common practice and from memory; a
 * dermatologist's word comes before it.
 */
export const ALLERGIES = {
  acrylate: {
    label: "acrylates or cyanoacrylate",
    question: "Acrylates or cyanoacrylate: lash adhesive, artificial nails, skin glue",
    stops: "adhesive",
  },
  dye: {
    label: "hair dye or black henna",
    question: "A reaction to hair dye, black henna or a lash or brow tint, ever",
    stops: "tint",
  },
  persulfate: {
    label: "persulfates (powder lightener)",
    question: "Persulfates: hair bleach",
    stops: "lightener",
  },
  thioglycolate: {
    label: "thioglycolate and its kin (lift lotion)",
    question: "Thioglycolate and the like: perm or lift lotion",
    stops: "lotion",
  },
  latex: { label: "latex", question: "Latex", stops: null, substitute: "nitrile gloves, latex-free tape" },
  tape: {
    label: "tape or plasters",
    question: "Tape or plasters",
    stops: null,
    substitute: "silicone tape, or pads without tape",
    part: "lashes",
  },
  gelPads: { label: "gel pads", question: "Gel or collagen pads", stops: null, substitute: "foam pads or tape", part: "lashes" },
} as const satisfies Record<string, Allergy_>;
export type Allergy = keyof typeof ALLERGIES;
export const ALLERGY_IDS = Object.keys(ALLERGIES) as [Allergy, ...Allergy[]];
export const allergyOf = (id: Allergy): Allergy_ => ALLERGIES[id];
