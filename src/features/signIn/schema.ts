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
export const personSchema = z.strictObject({
  name: z.string().trim().min(1, "Give a name.").max(120, "A name has 120 characters at most."),
  email: z.email("This is not an e-mail address.").max(200),
  password: passwordSchema,
});
export const firstStudioSchema = personSchema.extend({
  studioName: z.string().trim().min(1, "Name the studio.").max(120, "A name has 120 characters at most."),
  timeZone: z.string().refine(isTimeZone, "This is not a time zone, e.g. Europe/Dublin."),
});
