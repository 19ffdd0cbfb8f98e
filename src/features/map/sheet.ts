import "server-only";
import { readFile } from "node:fs/promises";
import path from "node:path";
import fontkit from "@pdf-lib/fontkit";
import { PDFDocument, rgb, type PDFFont, type PDFPage } from "pdf-lib";
import { PAPERS, type Paper } from "@/core/formats";
import { unpackWoff } from "./unpackWoff";

/** One millimetre in PDF points: 72 points to the inch of 25.4 mm. */
export const POINTS_PER_MM = 72 / 25.4;

const INK = rgb(0.09, 0.13, 0.11);
const FAINT = rgb(0.45, 0.48, 0.45);
const FONTS = path.join(process.cwd(), "node_modules/@fontsource/hanken-grotesk/files");
const readFont = async (weight: number) => unpackWoff(await readFile(path.join(FONTS, `hanken-grotesk-latin-${weight}-normal.woff`)));

export type Point = readonly [xMm: number, yMm: number];
type TextOptions = {
  readonly bold?: boolean;
  readonly centre?: boolean;
  readonly faint?: boolean;
  /** Room there is, mm: longer words are set smaller, and what then still does not fit is cut with an ellipsis. */
  readonly within?: number;
};
const SMALLEST = 0.6;
/** From line to line, in sizes of the letters. */
const LEADING = 1.32;

/** A document in millimetres, with the fonts every print has. */
export async function openDocument(title: string, paper: Paper) {
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  pdf.setTitle(title);
  const [regular, bold] = await Promise.all(
    [400, 600].map(async (weight) => new Face(await pdf.embedFont(await readFont(weight), { subset: true }))),
  );
  const { widthMm, heightMm } = PAPERS[paper];
  return {
    pdf,
    widthMm,
    heightMm,
    addSheet: () => new Sheet(pdf.addPage([widthMm * POINTS_PER_MM, heightMm * POINTS_PER_MM]), heightMm, regular!, bold!),
  };
}

/** Letters the shipped font has; others are left out of the print, never of the record. */
export const printable = (text: string) =>
  text
    .replace(/[^\u0020-\u007e\u00a1-\u00ff\u2013\u2014\u2018-\u201d\u2026]/gu, "")
    .replace(/\s+/g, " ")
    .trim();

/** A font of one document. Laying words out is what a print waits for most: the same ones are measured once. */
class Face {
  private readonly widths = new Map<string, number>();
  constructor(readonly font: PDFFont) {}
  /** How wide words stand, in sizes of the letters. */
  width(words: string): number {
    let width = this.widths.get(words);
    if (width === undefined) this.widths.set(words, (width = this.font.widthOfTextAtSize(words, 1)));
    return width;
  }
}

/** A page measured in millimetres from its top left corner. */
export class Sheet {
  constructor(
    private readonly page: PDFPage,
    private readonly heightMm: number,
    private readonly regular: Face,
    private readonly bold: Face,
  ) {}

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
    const { bold = false, centre = false, faint = false, within = Infinity } = options;
    const face = bold ? this.bold : this.regular;
    const room = within * POINTS_PER_MM;
    let words = printable(text);
    let size = sizeMm * POINTS_PER_MM;
    if (within !== Infinity) {
      size *= Math.max(SMALLEST, Math.min(1, room / (face.width(words) * size)));
      while (words.length > 1 && face.width(words) * size > room + 0.01) words = `${words.slice(0, -2).trimEnd()}…`;
    }
    const { x: px, y: py } = this.point([x, y]);
    this.page.drawText(words, {
      x: centre ? px - (face.width(words) * size) / 2 : px,
      y: py - (centre ? size * 0.35 : 0),
      size,
      font: face.font,
      color: faint ? FAINT : INK,
    });
  }
  /** Words broken into lines of a width; returns where the next line would stand, mm. */
  paragraph(text: string, x: number, y: number, sizeMm: number, widthMm: number, options: TextOptions = {}): number {
    const lines = this.broken(text, sizeMm, widthMm, options);
    lines.forEach((line, i) => this.text(line, x, y + i * sizeMm * LEADING, sizeMm, { ...options, within: widthMm }));
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
    for (const word of printable(text).split(" ")) {
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
