/** Services worked by a protocol, and the parts they are for. */
export const SERVICE_KINDS = {
  lift: { label: "lash lift", parts: ["lashes"] },
  liftTint: { label: "lash lift and tint", parts: ["lashes"] },
  lashTint: { label: "lash tint", parts: ["lashes"] },
  browTint: { label: "brow tint", parts: ["brows"] },
  lamination: { label: "brow lamination", parts: ["brows"] },
  lightening: { label: "brow lightening and toner", parts: ["brows"] },
  lashBrowTint: { label: "lash and brow tint", parts: ["lashes", "brows"] },
  removal: { label: "extension removal with remover", parts: ["lashes"] },
} as const satisfies Record<string, { label: string; parts: readonly ("lashes" | "brows")[] }>;
export type ServiceKind = keyof typeof SERVICE_KINDS;
