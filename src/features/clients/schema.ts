import { z } from "zod";
import { isEmail } from "@/core/client/fold";
import { typedDay } from "@/server/typed";

/** Control characters have no place in a name; letters of every script, marks and emoji do. */
const plain = (text: string) => !/\p{Cc}/u.test(text);
const line = (most: number) =>
  z.string().trim().max(most, `${most} characters at most.`).refine(plain, "Control characters cannot be kept here.");

export const nameSchema = z
  .string()
  .trim()
  .min(1, "Give the client's name.")
  .max(120, "A name has 120 characters at most.")
  .refine(plain, "A name cannot hold control characters.");
/** As it is written down, with or without a country's number; empty where there is none. */
export const phoneSchema = line(40).refine((text) => text === "" || /\d{3}/.test(text), "A telephone number has figures in it.");
export const emailSchema = line(200).refine((text) => text === "" || isEmail(text), "An e-mail address, as name@place.example.");

export const clientFormSchema = z.strictObject({
  name: nameSchema,
  phone: phoneSchema.default(""),
  email: emailSchema.default(""),
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

/** What a likely double is looked for by: what is typed so far. */
export const soFarSchema = z.strictObject({
  name: z.string().max(120),
  phone: z.string().max(40),
  email: z.string().max(200),
  bornOn: z.union([z.literal(""), typedDay()]).catch(""),
  /** The client whose form it is; null for a new one. */
  ownId: z.uuid().nullable(),
});
