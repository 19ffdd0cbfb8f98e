import { z } from "zod";
import { saveNumber, typedDay } from "@/server/typed";
import { SERVICE_IDS } from "@/core/service";

export const service = z.enum(SERVICE_IDS);
const minutes = z.int("Whole minutes.").min(5, "Five minutes at least.").max(720, "Twelve hours at most.");
/** A day and an hour on the studio's clock. */
export const when = { day: typedDay("Give the day."), time: z.iso.time({ precision: -1, error: "Give the hour, as 14:30." }) };
const place = { technicianId: z.uuid("Choose who does it."), chairId: z.uuid("Choose a chair."), minutes, ...when };

export const bookingForm = z.strictObject({ id: z.uuid(), clientId: z.uuid("Choose a client."), service, ...place });
export const moveForm = z.strictObject({ id: z.uuid(), revision: saveNumber(1), service: service.optional(), ...place });
export const cancelForm = z.strictObject({
  id: z.uuid(),
  why: z.string().trim().max(500, "500 characters at most."),
  back: z.boolean(),
});
