// Apart from the schema: what draws and plans layers needs these, and not the library that parses them.

/** What a layer is for. */
export const LAYER_ROLES = ["base", "accent", "under"] as const;
/** Zones a layer holds at most. */
export const MOST_ZONES = 40;
