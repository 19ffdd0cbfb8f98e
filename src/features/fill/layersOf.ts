import type { ZoneFound } from "@/core/fill";

/** Layers that the set had, each once. */
export const layersOf = (zones: readonly ZoneFound[]) =>
  [...new Map(zones.map(({ layer, role }) => [layer, role])).entries()].sort(([a], [b]) => a - b);
