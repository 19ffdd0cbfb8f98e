import { z } from "zod";

const isTimeZone = (zone: string) => {
  try {
    new Intl.DateTimeFormat("en", { timeZone: zone });
    return true;
  } catch {
    return false;
  }
};

export const passwordSchema = z.string().min(10, "Ten characters at least.").max(200, "Two hundred characters at most.");
export const personName = z.string().trim().min(1, "Give a name.").max(120, "A name has 120 characters at most.");
export const personEmail = z.email("This is not an e-mail address.").max(200, "Two hundred characters at most.");
export const firstStudioSchema = z.strictObject({
  name: personName,
  email: personEmail,
  password: passwordSchema,
  studioName: z.string().trim().min(1, "Name the studio.").max(120, "A name has 120 characters at most."),
  timeZone: z.string().refine(isTimeZone, "This is not a time zone, e.g. Europe/Dublin."),
});

/** A password by a one-time link, typed twice. */
export const linkForm = z
  .strictObject({ token: z.string().min(20).max(100), password: passwordSchema, again: z.string() })
  .refine(({ password, again }) => password === again, { path: ["again"], message: "Not the same as above." });
export const forgottenForm = z.strictObject({ email: personEmail });
