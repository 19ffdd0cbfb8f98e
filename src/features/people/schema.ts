import { z } from "zod";
import { personEmail, personName } from "@/features/signIn/schema";

/** Which roles there are, the database says. */
export const invitationForm = z.strictObject({ name: personName, email: personEmail, role: z.string() });
