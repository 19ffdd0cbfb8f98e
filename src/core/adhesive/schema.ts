import { z } from "zod";
import type { DocumentKind } from "../document";

/** What a leaflet says of an adhesive. Humidities are fractions. What a leaflet is silent on is left out. */
export const adhesiveSchema = z
  .strictObject({
    name: z.string().trim().min(1, "Name the adhesive.").max(80),
    setTimeS: z.number("Give the set time in seconds.").min(0.2, "Set times start near 0.2 s.").max(10, "Set times end near 10 s."),
    humidityLow: z.number().min(0.05, "Humidity windows start at 5 %.").max(0.95),
    humidityHigh: z.number().min(0.05).max(0.95, "Humidity windows end at 95 %."),
    temperatureLowC: z.number().min(5, "Temperature windows start at 5 °C.").max(40),
    temperatureHighC: z.number().min(5).max(40, "Temperature windows end at 40 °C."),
    lifeAfterOpeningDays: z.int().min(7, "At least a week.").max(365, "At most a year."),
    shakeSeconds: z.int().min(10, "From 10 to 180 seconds.").max(180, "From 10 to 180 seconds.").optional(),
    /** Drops in a full bottle. */
    dropsIn: z.int().min(10, "From 10 to 2,000 drops.").max(2000, "From 10 to 2,000 drops.").optional(),
    keptIn: z.enum(["fridge until opened", "fridge always", "cool and dry"]).optional(),
    /** Hours without water, where this leaflet differs from the studio's own. */
    waterHours: z.number().min(0, "From 0 to 72 hours.").max(72, "From 0 to 72 hours.").optional(),
  })
  .refine((a) => a.humidityLow < a.humidityHigh, {
    message: "The window runs from the lower humidity to the higher.",
    path: ["humidityHigh"],
  })
  .refine((a) => a.temperatureLowC < a.temperatureHighC, {
    message: "The window runs from the lower temperature to the higher.",
    path: ["temperatureHighC"],
  });
export type Adhesive = z.infer<typeof adhesiveSchema>;

export const adhesiveDocument: DocumentKind<Adhesive> = { name: "adhesive", version: 1, schema: adhesiveSchema, versionBeside: true };
