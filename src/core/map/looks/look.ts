import type { CurlId } from "../../curl/curls";
import type { Landmarks } from "../../eye/survey";

/**
 * A look in numbers: how far the line lies below its longest fibre at a few places, mm. Between them it runs smoothly.
 * Places are landmarks or fractions of the lash line.
 */
export type Look = {
  readonly label: string;
  readonly says: string;
  /** Curls it is worn in; absent is any. */
  readonly wants?: readonly CurlId[];
  readonly handles: readonly { readonly at: keyof Landmarks | number; readonly dropMm: number }[];
};
