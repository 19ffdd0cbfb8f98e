import { z } from "zod";
import { policySchema } from "@/core/policy";
import { saveNumber } from "@/server/typed";

export const policyChange = z.strictObject({ base: saveNumber(0), policy: policySchema });
export const sensorForm = z.strictObject({
  roomId: z.uuid("Choose a room."),
  name: z.string().trim().min(1, "Say where it stands.").max(80, "80 characters at most."),
});
/** What a room or a chair is called. */
export const placeName = z.string().trim().min(1, "Give it a name.").max(60, "60 characters at most.");
export const nameForm = z.object({ name: placeName });
