import { accents } from "./accents";
import { adhesive } from "./adhesive";
import { atTheChair } from "./atTheChair";
import { care } from "./care";
import { clients } from "./clients";
import { cure } from "./cure";
import { lengths } from "./lengths";
import { lasting } from "./lasting";
import { liftAndTint } from "./liftAndTint";
import { load } from "./load";
import { paceAndStock } from "./paceAndStock";
import { withFormsOfTheirOwn } from "./withFormsOfTheirOwn";

/** Every question of studio policy, in the order it is asked. A new one is one record in its file: schema, defaults and form follow. */
export const QUESTIONS = {
  ...lengths,
  ...accents,
  ...load,
  ...atTheChair,
  ...lasting,
  ...adhesive,
  ...cure,
  ...paceAndStock,
  ...liftAndTint,
  ...care,
  ...clients,
  ...withFormsOfTheirOwn,
};
