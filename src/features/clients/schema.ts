import { z } from "zod";
import { typedDay } from "@/server/typed";

/** Control characters have no place in a name; letters of every script, marks and emoji do. */
const plain = (text: string) => !/\p{Cc}/u.test(text);

export const clientFormSchema = z.strictObject({
  name: z
    .string()
    .trim()
    .min(1, "Give the client's name.")
    .max(120, "A name has 120 characters at most.")
    .refine(plain, "A name cannot hold control characters."),
  contact: z.string().trim().max(300, "300 characters at most."),
  notes: z.string().trim().max(4000, "4,000 characters at most."),
  /** Empty where nobody asked. */
  bornOn: z.union([z.literal(""), typedDay("A date of birth.")]).default(""),
});
export const newClientSchema = clientFormSchema.extend({
  /** A mannequin head for practice; cannot be changed later. */
  mannequin: z.boolean().default(false),
});
export type ClientForm = z.infer<typeof clientFormSchema>;
