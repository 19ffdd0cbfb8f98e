import { normalBelow } from "../statistics";
import { USUAL_FIGURES, type CycleFigures } from "./lashLives";

/** An attachment so far beyond where it was set is outgrown, mm. A model of this product. */
export const OUTGROWN_MM = 2.5;

/**
 * Share of the lashes that have grown all the while whose attachment is outgrown by then, by the spread of growth:
 * 12 % at 14 days, 35 % at 18, half at 21.
 */
export const outgrownShare = (days: number, { growth }: Pick<CycleFigures, "growth"> = USUAL_FIGURES): number =>
  days > 0 ? 1 - normalBelow((OUTGROWN_MM / days - growth.mean) / growth.sd) : 0;
