import { z } from "zod";
import { bendSchema } from "./schema";
import { LOOK_IDS } from "./looks/ids";
import type { DocumentKind } from "../document";

/** A look the studio bent and kept: a look of its own, with the family it came from for the advice it deserves. */
export const ownLookSchema = z.strictObject({
  version: z.literal(1),
  name: z.string().trim().min(1, "Give the look a name.").max(40, "A name has 40 characters at most."),
  from: z.enum(LOOK_IDS),
  bend: bendSchema,
});
export type OwnLook = z.infer<typeof ownLookSchema>;

export const ownLookDocument: DocumentKind<OwnLook> = { name: "look", version: 1, schema: ownLookSchema };
