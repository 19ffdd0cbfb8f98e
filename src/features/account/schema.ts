import { z } from "zod";
import { passwordSchema, personEmail, personName } from "@/features/signIn/schema";

export const nameForm = z.strictObject({ name: personName });

/** What only the one whose account it is knows. */
export const ownPassword = z.string().min(1, "Your password.").max(200, "Two hundred characters at most.");

export const passwordForm = z
  .strictObject({ current: ownPassword, password: passwordSchema, again: z.string() })
  .refine(({ password, again }) => password === again, { path: ["again"], message: "Not the same as above." })
  .refine(({ password, current }) => password !== current, { path: ["password"], message: "This is the one you have." });

/** The address one signs in with, small as it is kept. */
export const emailForm = z.strictObject({ current: ownPassword, email: personEmail.toLowerCase() });

export const passwordOnly = z.strictObject({ current: ownPassword });
export const codeForm = z.strictObject({
  code: z
    .string()
    .transform((code) => code.replace(/\s/g, ""))
    .pipe(z.string().regex(/^\d{6}$/, "Six figures, as they stand in the app.")),
});
