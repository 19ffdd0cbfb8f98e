/** The part of spectral.js 3.0.0 that is used here; the package ships no types. */
declare module "spectral.js" {
  export class Color {
    constructor(colour: string | readonly number[]);
    tintingStrength: number;
    readonly R: readonly number[];
    readonly sRGB: readonly number[];
    readonly OKLab: readonly [number, number, number];
    toString(options?: { format?: "hex" | "rgb"; method?: "map" | "clip" }): string;
  }
  /** Mixes pigments by Kubelka and Munk, each with its part. */
  export function mix(...parts: readonly (readonly [Color, number])[]): Color;
}
