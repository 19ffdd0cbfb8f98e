import { z } from "zod";
import { SIDES, type Survey } from "../eye";
import { mostCount } from "../lash";
import { placements } from "./placements";
import type { LashMap } from "./schema";
import type { DocumentKind } from "../document";

const count = z.int().min(0);
/**
 * How many natural lashes wear a single and how many a fan, zone by zone; zones count from 1 at the inner corner. A zone is
 * known where it was placed anew, or what was left in it was counted before it was filled; else it is what the map asks for.
 */
export const wornLashesSchema = z.object({
  version: z.literal(2),
  zones: z.array(z.object({ side: z.enum(SIDES), layer: count, zone: z.int().min(1), singles: count, fans: count, isKnown: z.boolean() })),
});
export type WornLashes = z.infer<typeof wornLashesSchema>;

/** What a map puts on the lashes of a survey. */
export function wornLashes(map: LashMap, survey: Survey): WornLashes {
  const zones = new Map<string, WornLashes["zones"][number]>();
  for (const side of SIDES)
    for (const { worn } of placements(map, survey, side)) {
      if (!worn) continue;
      const key = `${side} ${worn.layer} ${worn.zone}`;
      const known = zones.get(key) ?? { side, layer: worn.layer, zone: worn.zone + 1, singles: 0, fans: 0, isKnown: true };
      const isFan = mostCount(worn.fibre) > 1;
      zones.set(key, { ...known, singles: known.singles + (isFan ? 0 : 1), fans: known.fans + (isFan ? 1 : 0) });
    }
  return { version: 2, zones: [...zones.values()] };
}

/** Singles and fans over all zones. */
export const wornTotals = ({ zones }: WornLashes): { readonly singles: number; readonly fans: number } => ({
  singles: zones.reduce((sum, zone) => sum + zone.singles, 0),
  fans: zones.reduce((sum, zone) => sum + zone.fans, 0),
});

type Older = { readonly zones?: unknown };

export const wornLashesDocument: DocumentKind<WornLashes> = {
  name: "count of lashes",
  version: 2,
  schema: wornLashesSchema,
  upgrade: (older) => {
    const { zones } = older as Older;
    return { version: 2, zones: Array.isArray(zones) ? zones.map((zone: object) => ({ ...zone, isKnown: true })) : zones };
  },
};
