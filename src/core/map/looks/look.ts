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
  /** It rises to a peak just inside the outer corner. */
  readonly rises?: boolean;
  /** Its drops are counted from a line that adds the same to every lash, not from a level one. */
  readonly followsLashes?: boolean;
  /** It hangs this far below the longest the limits would let it, mm; absent is not at all. */
  readonly hangsLowerMm?: number;
  readonly handles: readonly { readonly at: keyof Landmarks | number; readonly dropMm: number }[];
};
