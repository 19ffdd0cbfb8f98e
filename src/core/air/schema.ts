import { z } from "zod";

/** Air of a room. Relative humidity is a fraction, 0..1. */
export const airSchema = z.strictObject({
  temperatureC: z
    .number("Give the temperature in °C.")
    .min(-20, "A room under −20 °C cannot be right.")
    .max(60, "A room over 60 °C cannot be right."),
  relativeHumidity: z.number("Give the humidity.").gt(0, "Humidity cannot be zero or less.").max(1, "Humidity cannot pass 100 %."),
});
export type Air = z.infer<typeof airSchema>;
