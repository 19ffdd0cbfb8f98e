import "server-only";
import { readFile } from "node:fs/promises";
import path from "node:path";
import fontkit from "@pdf-lib/fontkit";
import { PDFDocument, rgb, type PDFFont, type PDFPage } from "pdf-lib";
import { sideLabel, type Survey } from "@/core/eye";
import { padStrip, PAPERS, type PadStripEye, type Paper } from "@/core/formats";
import { VIEW_LABELS, type LashMap, type View } from "@/core/map";

/** One millimetre in PDF points: 72 points to the inch of 25.4 mm. */
export const POINTS_PER_MM = 72 / 25.4;

const INK = rgb(0.09, 0.13, 0.11);
const FAINT = rgb(0.45, 0.48, 0.45);
const fontFile = (weight: number) =>
  path.join(process.cwd(), "node_modules/@fontsource/hanken-grotesk/files", `hanken-grotesk-latin-${weight}-normal.woff`);

/** The pad strip as a PDF at true scale: both eyes, zone lines, lengths, landmarks, a ruler to check the printer by. */
export async function padStripPdf(survey: Survey, map: LashMap, view: View, paper: Paper, savedOn: string): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  const [regular, bold] = await Promise.all(
    [400, 600].map(async (weight) => pdf.embedFont(await readFile(fontFile(weight)), { subset: true })),
  );
  const { widthMm, heightMm } = PAPERS[paper];
  const page = pdf.addPage([widthMm * POINTS_PER_MM, heightMm * POINTS_PER_MM]);
  const sheet = new Sheet(page, heightMm, regular!, bold!);
  pdf.setTitle(`Pad strip, ${VIEW_LABELS[view]}`);

  sheet.text("Ivy Thread pad strip", 20, 22, 4.6, { bold: true });
  sheet.text(`${printable(map.title)}. Seen ${VIEW_LABELS[view]}. Saved ${savedOn}.`, 20, 28, 3.4);
  const strip = padStrip(survey, map, view);
  const top = view === "facing" ? 52 : 76;
  strip.eyes.forEach((eye, i) => drawEye(sheet, eye, widthMm * (i === 0 ? 0.27 : 0.73), top));
  sheet.text("nose", widthMm / 2, top, 3.2, { centre: true, faint: true });
  sheet.line([widthMm / 2, top + 2], [widthMm / 2, top + 10], 0.2);

  const rulerY = 106;
  const rulerX = 20;
  sheet.line([rulerX, rulerY], [rulerX + strip.rulerMm, rulerY], 0.3);
  for (let mm = 0; mm <= strip.rulerMm; mm++)
    sheet.line([rulerX + mm, rulerY], [rulerX + mm, rulerY - (mm % 10 === 0 ? 4 : mm % 5 === 0 ? 3 : 1.8)], mm % 5 === 0 ? 0.25 : 0.15);
  sheet.text("0", rulerX, rulerY + 4, 3, { centre: true });
  sheet.text(`${strip.rulerMm} mm`, rulerX + strip.rulerMm, rulerY + 4, 3, { centre: true });
  sheet.text("Lay a ruler on this line. If it is not 20 mm, print again at 100 %, without fitting to the page.", rulerX + 32, rulerY, 3.2);
  strip.eyes.forEach((eye, i) => {
    // Left to right as drawn, to read from the trolley.
    const inOrder = [...eye.lengths].sort((a, b) => a.at[0] - b.at[0]).map(({ text }) => text);
    sheet.text(sideLabel(eye.side), 20, rulerY + 27 + i * 11, 4.2, { bold: true });
    sheet.text(inOrder.join("   "), 50, rulerY + 27 + i * 11, 5.6);
  });
  sheet.text(`Left to right as drawn. ${fibreWords(map)}`, 20, rulerY + 48, 3.2, { faint: true });
  sheet.text(
    "Cut along the fine outline, lay it on the pad or copy it by hand. Check left and right against the client before the first lash.",
    20,
    rulerY + 12,
    3.2,
    { faint: true },
  );
  return pdf.save();
}

const fibreWords = ({ fibre }: LashMap) =>
  `${fibre.curl} ${fibre.diameterMm.toFixed(2)} ${fibre.shape}, ${fibre.count === 1 ? "singles" : `${fibre.count}D fans`}.`;

/** Letters the shipped font has; others are left out of the print, never of the record. */
const printable = (text: string) =>
  text
    .replace(/[^\u0020-\u007e\u00a1-\u00ff\u2013\u2014\u2018-\u201d]/gu, "")
    .replace(/\s+/g, " ")
    .trim();

function drawEye(sheet: Sheet, eye: PadStripEye, x: number, y: number) {
  const at = ([px, py]: readonly [number, number]) => [x + px, y + py] as const;
  sheet.path(eye.padEdge.map(at), 0.12, true);
  sheet.path(eye.lashLine.map(at), 0.45);
  for (const { from, to } of eye.zoneLines) sheet.line(at(from), at(to), 0.15);
  for (const arc of eye.lengthArcs) sheet.path(arc.map(at), 0.5);
  for (const { at: p, text, leader } of eye.lengths) {
    sheet.line(at(leader[0]), at(leader[1]), 0.1, true);
    sheet.text(text, ...at(p), eye.lengthTextMm, { bold: true, centre: true });
  }
  for (const { at: p, text } of eye.zoneLabels) sheet.text(text, ...at(p), 2.3, { centre: true, faint: true });
  for (const { tick, label, labelAt, leader } of eye.landmarks) {
    sheet.line(at(tick[0]), at(tick[1]), 0.35);
    sheet.line(at(leader[0]), at(leader[1]), 0.1, true);
    sheet.text(label, ...at(labelAt), 2.2, { centre: true, faint: true });
  }
  sheet.text("in", ...at(eye.innerAt), 2.6, { centre: true, faint: true });
  sheet.text("out", ...at(eye.outerAt), 2.6, { centre: true, faint: true });
  const lowest = Math.max(...eye.padEdge.map(([, py]) => py));
  sheet.text(sideLabel(eye.side), x, y + Math.max(lowest, 6) + 5, 3.6, { bold: true, centre: true });
}

/** A page measured in millimetres from its top left corner. */
class Sheet {
  constructor(
    private readonly page: PDFPage,
    private readonly heightMm: number,
    private readonly regular: PDFFont,
    private readonly bold: PDFFont,
  ) {}

  private point([x, y]: readonly [number, number]) {
    return { x: x * POINTS_PER_MM, y: (this.heightMm - y) * POINTS_PER_MM };
  }
  line(from: readonly [number, number], to: readonly [number, number], widthMm: number, faint = false) {
    this.page.drawLine({ start: this.point(from), end: this.point(to), thickness: widthMm * POINTS_PER_MM, color: faint ? FAINT : INK });
  }
  path(points: readonly (readonly [number, number])[], widthMm: number, closed = false) {
    const last = closed ? [...points, points[0]!] : points;
    last.slice(1).forEach((point, i) => this.line(last[i]!, point, widthMm));
  }
  text(text: string, x: number, y: number, sizeMm: number, { bold = false, centre = false, faint = false } = {}) {
    const font = bold ? this.bold : this.regular;
    const size = sizeMm * POINTS_PER_MM;
    const { x: px, y: py } = this.point([x, y]);
    this.page.drawText(text, {
      x: centre ? px - font.widthOfTextAtSize(text, size) / 2 : px,
      y: py - (centre ? size * 0.35 : 0),
      size,
      font,
      color: faint ? FAINT : INK,
    });
  }
}
