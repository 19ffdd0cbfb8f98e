import { z } from "zod";
import { COUNTED_BY } from "../../../fill/choices";
import { LAYER_ROLES } from "../../../map/layerBounds";
import { foundZone } from "./foundZone";

const count = z.int().min(0, "Not fewer than none.").max(200, "A zone has no 200 lashes.");

export const leftCountedPayload = () =>
  z
    .strictObject({
      ...foundZone,
      /** The visit the client left with this on; null where the studio has no record of one. */
      setVisitId: z.uuid().nullable(),
      role: z.enum(LAYER_ROLES),
      from: z.number().min(0).max(1),
      to: z.number().min(0).max(1),
      /** Null clears what was counted of the zone. */
      left: count.nullable(),
      twisted: count.nullable(),
      outgrown: count.nullable(),
      by: z.enum(COUNTED_BY),
    })
    .refine(({ from, to }) => to > from, "A zone has some width.")
    .refine(
      ({ left, twisted, outgrown }) => [twisted, outgrown].every((some) => (some ?? 0) <= (left ?? 0)),
      "No more are twisted or outgrown than are left.",
    );
