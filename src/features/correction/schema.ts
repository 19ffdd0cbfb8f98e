import { z } from "zod";
import { saveNumber, typedDay } from "@/server/typed";

const why = z.string().trim().min(3, "Say why, in a few words.").max(500, "500 characters at most.");
const time = { day: typedDay("Give the day."), time: z.iso.time({ precision: -1, error: "Give the hour, as 14:30." }), why };
const wish = z.discriminatedUnion("what", [
  z.strictObject({ what: z.literal("bottle"), bottleId: z.uuid("Choose a bottle."), instead: z.uuid().nullable(), why }),
  z.strictObject({ what: z.literal("begun"), ...time }),
  z.strictObject({ what: z.literal("finished"), ...time }),
  z.strictObject({
    what: z.literal("map"),
    map: z.strictObject({ mapId: z.uuid(), revision: saveNumber(1) }, "Choose a map, or none.").nullable(),
    why,
  }),
  z.strictObject({ what: z.literal("client"), clientId: z.uuid("Choose a client."), why }),
]);

export const correctionForm = z.strictObject({ visitId: z.uuid(), eventId: z.uuid(), wish });
