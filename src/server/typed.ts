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

/** A day of the calendar, ISO, that a studio may mean; beyond these years calendars and databases end, each at its own place. */
export const typedDay = (what = "A day, as 2026-03-02.") =>
  z.iso.date(what).refine((day) => day >= "1900-01-01" && day < "2200-01-01", "A day between 1900 and 2199.");

/** The number of a save, counted up from the first; 0 stands for none yet. As large as the database's own numbers. */
export const saveNumber = (least: 0 | 1) => z.int32().min(least);
