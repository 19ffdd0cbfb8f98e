import { z } from "zod";

/** `instead` is what stood before: it stays readable. */
export const correctedPayload = () => {
  const moment = z.iso.datetime({ precision: 3 });
  const map = z.strictObject({ mapId: z.uuid(), revision: z.int32().min(1) });
  const why = z.string().trim().min(3, "Say why, in a few words.").max(500, "500 characters at most.");
  return z.discriminatedUnion("what", [
    z.strictObject({ what: z.literal("bottle"), bottleId: z.uuid(), instead: z.uuid().nullable(), why }),
    z.strictObject({ what: z.literal("begun"), at: moment, instead: moment.nullable(), why }),
    z.strictObject({ what: z.literal("finished"), at: moment, instead: moment.nullable(), why }),
    z.strictObject({ what: z.literal("map"), map: map.nullable(), instead: map.nullable(), why }),
    z.strictObject({ what: z.literal("client"), clientId: z.uuid(), instead: z.uuid(), why }),
  ]);
};
