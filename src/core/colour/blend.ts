import { converter, differenceCiede2000, modeLab65, modeRgb, modeXyz65, useMode as readsMode } from "culori/fn";
import { Color, mix } from "spectral.js";
import { DEPTHS } from "./depth";

// Only what a difference needs is taken along; the package's whole would be a quarter of a page's script.
readsMode(modeRgb);
readsMode(modeXyz65);
readsMode(modeLab65);

export type Shade = { readonly colour: string; readonly parts: number };

/** Shades mixed as pigments (Kubelka and Munk, by spectral.js), as #rrggbb. A guide: real tints are not these pigments. */
export function blendShades(shades: readonly Shade[]): string {
  const used = shades.filter(({ parts }) => parts > 0);
  if (used.length === 0) return "#ffffff";
  const [only] = used;
  if (used.length === 1) return only!.colour.toLowerCase();
  return mix(...used.map(({ colour, parts }) => [new Color(colour), parts] as const))
    .toString({ format: "hex" })
    .toLowerCase();
}

/** A stain on hair: the shade over the hair's own colour, taken up to `taken` (0 none .. 1 all there is). A guide. */
export function onHair(shade: string, hair: string, taken: number): string {
  const share = Math.min(1, Math.max(0, taken));
  return blendShades([
    { colour: shade, parts: share },
    { colour: hair, parts: 1 - share },
  ]);
}

const ciede2000 = differenceCiede2000();

/** How different two colours look, ΔE₀₀ (culori; Sharma, Wu, Dalal 2005). About 1 is just seen. */
export function colourDifference(a: string, b: string): number {
  return ciede2000(a, b);
}

const toLab = converter("lab65");
const lightness = (colour: string): number => toLab(colour)!.l;
const SCALE = DEPTHS.map(({ depth, hex }) => ({ depth, l: lightness(hex) }));

/**
 * Where a colour lies on the scale of depth by its lightness (L*, CIELAB), steps and parts of steps; runs on past both ends,
 * so that two blends darker than black still differ. A guide.
 */
export function depthOf(colour: string): number {
  const l = lightness(colour);
  const above = SCALE.findIndex((step) => step.l > l);
  const upper = Math.max(1, above < 0 ? SCALE.length - 1 : above);
  const [a, b] = [SCALE[upper - 1]!, SCALE[upper]!];
  return a.depth + (l - a.l) / (b.l - a.l);
}
