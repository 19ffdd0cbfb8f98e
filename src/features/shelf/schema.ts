import { z } from "zod";
import { adhesiveSchema } from "@/core/adhesive";
import { productSchema } from "@/core/mixing";
import { saveNumber, typedDay, typedNumber, typedPercent } from "@/server/typed";

const percent = typedPercent("A number of per cent.");
/** What a leaflet is silent on comes as an empty field, and is left out. */
const leftOpen = <T extends z.ZodType>(field: T) => z.preprocess((text) => (text === "" ? undefined : text), field.optional()).optional();

/** An adhesive as typed from its leaflet: per cent, degrees, seconds as text. */
export const adhesiveForm = z
  .strictObject({
    name: z.string(),
    setTimeS: typedNumber("Seconds, e.g. 1.5."),
    humidityLow: percent,
    humidityHigh: percent,
    temperatureLowC: typedNumber("Degrees, e.g. 18."),
    temperatureHighC: typedNumber("Degrees, e.g. 26."),
    lifeAfterOpeningDays: typedNumber("Days, e.g. 42."),
    shakeSeconds: leftOpen(typedNumber("Seconds, e.g. 60.")),
    dropsIn: leftOpen(typedNumber("Drops in a full bottle, e.g. 200.")),
    waterHours: leftOpen(typedNumber("Hours, e.g. 24.")),
    keptIn: leftOpen(z.enum(["fridge until opened", "fridge always", "cool and dry"])),
  })
  .pipe(adhesiveSchema);

/** A bottle or a pack just opened, by the lot that stands on it. */
export const lotForm = z.strictObject({
  id: z.uuid(),
  /** The adhesive or the product it is of. */
  productId: z.uuid("Choose a product."),
  lot: z.string().trim().min(1, "The lot stands on the pack; without it nothing can be traced.").max(60, "60 characters at most."),
  openedOn: typedDay("Give the day it was opened."),
  /** As printed on it; empty where nothing is. */
  expiresOn: z
    .union([z.literal(""), typedDay("A date, or nothing.")])
    .default("")
    .transform((text) => text || null),
});
export const emptiedForm = z.strictObject({ id: z.uuid(), emptied: z.boolean() });

/** A product's document; `base` is the revision it was made from: of two edits the second does not lose the first. */
export const productForm = z.strictObject({ id: z.uuid().nullable(), base: saveNumber(0).default(0), document: productSchema });

/** Drops counted, or a ribbon measured, to a weight. */
export const measureForm = z.discriminatedUnion("how", [
  z.strictObject({
    id: z.uuid(),
    how: z.literal("drops"),
    drops: z.int("A whole number of drops.").min(10, "Ten drops at least, or the count says little.").max(400, "400 at most."),
    grams: z.number("Grams, e.g. 1.2.").min(0.1, "From 0.1 g.").max(20, "20 g at most."),
  }),
  z.strictObject({
    id: z.uuid(),
    how: z.literal("ribbon"),
    lengthCm: z.number("Centimetres, e.g. 5.").min(1, "A centimetre at least.").max(30, "30 cm at most."),
    grams: z.number("Grams, e.g. 1.2.").min(0.02, "From 0.02 g.").max(20, "20 g at most."),
  }),
]);
