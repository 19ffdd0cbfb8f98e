// Letters of India are shaped by generators that the next one expects to find transpiled.
import "regenerator-runtime/runtime.js";
import fontkit from "@pdf-lib/fontkit";
import type { PDFFont } from "pdf-lib";
import { runsOf, type Direction } from "./runs";

/** A font of a document, and the file it was made from. */
export type EmbeddedFont = { readonly font: PDFFont; readonly bytes: Uint8Array };

type LaidRun = {
  readonly text: string;
  readonly font: PDFFont;
  /** In sizes of the letters. */
  readonly width: number;
  /** Letters whose places the font's own shaping decides, as an SVG path; absent where they stand one after the other. */
  readonly outline?: { readonly path: string; readonly unitsPerSize: number };
};
type Laid = { readonly runs: readonly LaidRun[]; readonly width: number };

/** Scripts in which marks and dots are set by the font: the library that writes text puts each letter at the end of the last. */
const SHAPED = /[\p{Script=Arabic}\p{Script=Hebrew}\p{Script=Devanagari}\p{Script=Thai}]/u;

/** A weight of one document's fonts. Laying words out is what a print waits for most: the same ones are laid once. */
export class Face {
  private readonly laid = new Map<string, Laid>();
  private readonly fontsOf = new Map<string, readonly EmbeddedFont[]>();
  private readonly holds: readonly (readonly [EmbeddedFont, ReadonlySet<number>])[];
  private readonly shapers = new Map<EmbeddedFont, ReturnType<typeof fontkit.create>>();
  constructor(
    private readonly fonts: readonly EmbeddedFont[],
    /** Takes up the characters that no font has. */
    private readonly missing: Set<string>,
  ) {
    this.holds = fonts.map((one) => [one, new Set(one.font.getCharacterSet())]);
  }

  /** Words as they stand, run by run from left to right. */
  lay(words: string, direction: Direction = "auto"): Laid {
    const key = `${direction} ${words}`;
    let laid = this.laid.get(key);
    if (!laid) {
      const runs = runsOf(words, this.having, this.fonts[0]!, (character) => void this.missing.add(character), direction).map(this.layRun);
      this.laid.set(key, (laid = { runs, width: runs.reduce((sum, { width }) => sum + width, 0) }));
    }
    return laid;
  }

  /** How wide words stand, in sizes of the letters. */
  width(words: string): number {
    return this.lay(words).width;
  }

  private layRun = ({ text, font }: { text: string; font: EmbeddedFont }): LaidRun => {
    if (!SHAPED.test(text)) return { text, font: font.font, width: font.font.widthOfTextAtSize(text, 1) };
    let shaper = this.shapers.get(font);
    if (!shaper) this.shapers.set(font, (shaper = fontkit.create(font.bytes)));
    const { glyphs, positions } = shaper.layout(text);
    let [path, pen] = ["", 0];
    glyphs.forEach((glyph, i) => {
      const { xAdvance, xOffset, yOffset } = positions[i]!;
      // A font's y goes up, a path's goes down.
      for (const { command, args } of outlineOf(glyph.path))
        path += `${COMMANDS[command]}${args.map((value, k) => (k % 2 === 0 ? pen + xOffset + value : -(yOffset + value))).join(" ")}`;
      pen += xAdvance;
    });
    return { text, font: font.font, width: pen / shaper.unitsPerEm, outline: { path, unitsPerSize: shaper.unitsPerEm } };
  };

  private having = (character: string): readonly EmbeddedFont[] => {
    let fonts = this.fontsOf.get(character);
    if (!fonts) {
      const point = character.codePointAt(0)!;
      this.fontsOf.set(character, (fonts = this.holds.flatMap(([font, points]) => (points.has(point) ? [font] : []))));
    }
    return fonts;
  };
}

const COMMANDS = { moveTo: "M", lineTo: "L", quadraticCurveTo: "Q", bezierCurveTo: "C", closePath: "Z" } as const;

/** The library keeps an outline's steps, and its types leave them out. */
const outlineOf = (path: object) =>
  (path as { readonly commands: readonly { readonly command: keyof typeof COMMANDS; readonly args: readonly number[] }[] }).commands;
