import { z } from "zod";
import { typedDay } from "@/server/typed";
import { PATCH_RESULTS } from "@/core/care";
import { PATCH_FAMILIES } from "@/core/mixing";

/** A moment typed on the studio's clock. */
const when = { day: typedDay("Give the day."), time: z.iso.time({ precision: -1, error: "Give the hour, as 14:30." }) };
const ofWhat = { family: z.enum(PATCH_FAMILIES), productId: z.union([z.uuid(), z.literal("")]) };

export const placing = z.strictObject({
  id: z.uuid(),
  clientId: z.uuid(),
  ...ofWhat,
  /** The leaflet says it is read at 24 h. */
  leaflet24: z.boolean(),
  ...when,
});
export const testReading = z.strictObject({
  id: z.uuid(),
  testId: z.uuid(),
  result: z.enum(PATCH_RESULTS, "Choose what was seen."),
  severe: z.boolean().nullable(),
  ...when,
});
export const reactionNote = z.strictObject({
  id: z.uuid(),
  readingId: z.uuid(),
  clientId: z.uuid(),
  ...ofWhat,
  severe: z.boolean().nullable(),
  ...when,
});
export const lifting = z.strictObject({
  id: z.uuid(),
  readingId: z.uuid(),
  productId: z.uuid("Name the one product."),
  finding: z.string().trim().min(10, "What the dermatologist wrote, and when.").max(2000, "2,000 characters at most."),
});
