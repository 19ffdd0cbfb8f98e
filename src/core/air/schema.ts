import { z } from "zod";

/** The driest air that is believed, as a fraction. */
export const LEAST_HUMIDITY = 0.01;

/** Air of a room. Relative humidity is a fraction, 0..1. */
export const airSchema = z.strictObject({
  temperatureC: z
    .number("Give the temperature in °C.")
    .min(-20, "A room under −20 °C cannot be right.")
    .max(60, "A room over 60 °C cannot be right."),
  relativeHumidity: z
    .number("Give the humidity.")
    .min(LEAST_HUMIDITY, "No room is under 1 %: a reading below that is a broken sensor.")
    .max(1, "Humidity cannot pass 100 %."),
});
export type Air = z.infer<typeof airSchema>;
