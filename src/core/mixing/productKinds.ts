/** Families a patch test is placed for. */
export const PATCH_FAMILIES = ["adhesive", "tint", "lightener", "lotion"] as const;
export type PatchFamily = (typeof PATCH_FAMILIES)[number];

/** What a product does in a protocol, and which patch test speaks for it. */
export const PRODUCT_KINDS = {
  lifting: { label: "lifting lotion", family: "lotion" },
  setting: { label: "setting lotion", family: "lotion" },
  nourishing: { label: "nourishing lotion", family: null },
  tint: { label: "tint", family: "tint" },
  toner: { label: "toner", family: "tint" },
  developer: { label: "developer", family: null },
  lightener: { label: "lightener", family: "lightener" },
  remover: { label: "remover", family: null },
  primer: { label: "primer or pH balancer", family: null },
  disinfectant: { label: "disinfectant", family: null },
} as const satisfies Record<string, { label: string; family: PatchFamily | null }>;
export type ProductKind = keyof typeof PRODUCT_KINDS;

/** Kinds that colour, and so carry a swatch. */
export const COLOURING: readonly ProductKind[] = ["tint", "toner"];
