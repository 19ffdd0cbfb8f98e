import "server-only";
import fontkit from "@pdf-lib/fontkit";
import { PDFDocument, rgb, type PDFPage } from "pdf-lib";
import { PAPERS, type Paper } from "@/core/formats";
import { Face } from "./face";
import { filesFor, readFont, type Weight } from "./fontFiles";
import { MISSING, startsAtRight, type Direction } from "./runs";

/** One millimetre in PDF points: 72 points to the inch of 25.4 mm. */
export const POINTS_PER_MM = 72 / 25.4;

const INK = rgb(0.09, 0.13, 0.11);
const FAINT = rgb(0.45, 0.48, 0.45);
export type Point = readonly [xMm: number, yMm: number];
type TextOptions = {
  readonly bold?: boolean;
  readonly centre?: boolean;
  readonly faint?: boolean;
  /** Room there is, mm: longer words are set smaller, and what then still does not fit is cut with an ellipsis. */
  readonly within?: number;
  /** Which way the line goes, where its first letter does not say so; from the right it stands at the right of its room. */
  readonly direction?: Direction;
};
const SMALLEST = 0.6;
/** From line to line, in sizes of the letters. */
const LEADING = 1.32;

/**
 * A document in millimetres. `printed` is whatever its words are taken from: by it the fonts are found that hold them all,
 * names in any script too.
 */
export async function openDocument(title: string, paper: Paper, printed: unknown) {
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  pdf.setTitle(title);
  const missing = new Set<string>();
  const files = filesFor(`${title} ${JSON.stringify(printed)}`);
  const faceIn = async (weight: Weight) => {
    const fonts = files.map(async (file) => {
      const bytes = await readFont(file, weight);
      return { bytes, font: await pdf.embedFont(bytes, { subset: true }) };
    });
    return new Face(await Promise.all(fonts), missing);
  };
  const [regular, bold] = await Promise.all([faceIn("regular"), faceIn("bold")]);
  const { widthMm, heightMm } = PAPERS[paper];
  return {
    pdf,
    widthMm,
    heightMm,
    addSheet: () => new Sheet(pdf.addPage([widthMm * POINTS_PER_MM, heightMm * POINTS_PER_MM]), heightMm, regular, bold, missing),
  };
}

/** A page measured in millimetres from its top left corner. */
export class Sheet {
  constructor(
    private readonly page: PDFPage,
    private readonly heightMm: number,
    private readonly regular: Face,
    private readonly bold: Face,
    private readonly missing: ReadonlySet<string>,
  ) {}

  /** Says at the foot of the page that letters were left out, where some were. */
  sayWhatIsMissing(xMm: number) {
    if (this.missing.size === 0) return;
    this.text(`A ${MISSING} stands for a letter that this print has no type for. The record has them all.`, xMm, this.heightMm - 8, 3, {
      faint: true,
    });
  }

  private point([x, y]: Point) {
    return { x: x * POINTS_PER_MM, y: (this.heightMm - y) * POINTS_PER_MM };
  }
  line(from: Point, to: Point, widthMm: number, faint = false) {
    this.page.drawLine({ start: this.point(from), end: this.point(to), thickness: widthMm * POINTS_PER_MM, color: faint ? FAINT : INK });
  }
  path(points: readonly Point[], widthMm: number, closed = false) {
    const last = closed ? [...points, points[0]!] : points;
    last.slice(1).forEach((point, i) => this.line(last[i]!, point, widthMm));
  }
  /** An SVG path in millimetres, its origin at a place of the page. */
  svgPath(d: string, [x, y]: Point, widthMm: number, faint = false) {
    this.page.drawSvgPath(d, {
      ...this.point([x, y]),
      scale: POINTS_PER_MM,
      borderWidth: widthMm * POINTS_PER_MM,
      borderColor: faint ? FAINT : INK,
    });
  }
  /** Bare paper of a size about a place, so that words stand clear of what is drawn there. */
  bare([x, y]: Point, widthMm: number, heightMm: number) {
    const corner = this.point([x - widthMm / 2, y + heightMm / 2]);
    this.page.drawRectangle({ ...corner, width: widthMm * POINTS_PER_MM, height: heightMm * POINTS_PER_MM, color: rgb(1, 1, 1) });
  }
  text(text: string, x: number, y: number, sizeMm: number, options: TextOptions = {}) {
    const { bold = false, centre = false, faint = false, within = Infinity, direction = "auto" } = options;
    const face = bold ? this.bold : this.regular;
    const room = within * POINTS_PER_MM;
    let words = text.replace(/\s+/g, " ").trim();
    let size = sizeMm * POINTS_PER_MM;
    if (within !== Infinity) {
      size *= Math.max(SMALLEST, Math.min(1, room / (face.width(words) * size)));
      while ([...words].length > 1 && face.width(words) * size > room + 0.01) words = `${[...words].slice(0, -2).join("").trimEnd()}…`;
    }
    const { x: px, y: py } = this.point([x, y]);
    const { runs, width } = face.lay(words, direction);
    let at = centre ? px - (width * size) / 2 : direction === "rtl" && within !== Infinity ? px + room - width * size : px;
    const color = faint ? FAINT : INK;
    for (const { font, text: letters, outline, width: runWidth } of runs) {
      const from = { x: at, y: py - (centre ? size * 0.35 : 0) };
      if (outline) this.page.drawSvgPath(outline.path, { ...from, scale: size / outline.unitsPerSize, color, borderWidth: 0 });
      else this.page.drawText(letters, { ...from, size, font, color });
      at += runWidth * size;
    }
  }
  /** Words broken into lines of a width; returns where the next line would stand, mm. */
  paragraph(text: string, x: number, y: number, sizeMm: number, widthMm: number, options: TextOptions = {}): number {
    const lines = this.broken(text, sizeMm, widthMm, options);
    // A line that a name was broken into goes the way of the whole.
    const direction = startsAtRight(text) ? "rtl" : "ltr";
    lines.forEach((line, i) => this.text(line, x, y + i * sizeMm * LEADING, sizeMm, { ...options, within: widthMm, direction }));
    return y + lines.length * sizeMm * LEADING;
  }
  /** How high a paragraph will stand, mm. */
  heightOf(text: string, sizeMm: number, widthMm: number, options: TextOptions = {}): number {
    return this.broken(text, sizeMm, widthMm, options).length * sizeMm * LEADING;
  }
  private broken(text: string, sizeMm: number, widthMm: number, options: TextOptions): string[] {
    const face = options.bold ? this.bold : this.regular;
    const room = widthMm / sizeMm;
    const space = face.width(" ");
    const lines: string[] = [];
    let filled = 0;
    for (const word of text.trim().split(/\s+/)) {
      const width = face.width(word);
      if (lines.length && filled + space + width <= room) {
        lines[lines.length - 1] = `${lines.at(-1)} ${word}`;
        filled += space + width;
      } else {
        lines.push(word);
        filled = width;
      }
    }
    return lines;
  }
}
