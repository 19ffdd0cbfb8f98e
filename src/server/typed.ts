import { z } from "zod";

/** A number as a person types it, with a point or a comma. `what` says what was expected. */
export const typedNumber = (what: string) =>
  z
    .string()
    .trim()
    .max(20, what)
    .regex(/^[-−]?\d+([.,]\d+)?$/, what)
    .transform((text) => Number(text.replace("−", "-").replace(",", ".")));

/** Per cent as a person types them, as a fraction. */
export const typedPercent = (what: string) => typedNumber(what).transform((percent) => percent / 100);
