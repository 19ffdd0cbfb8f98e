import "server-only";
import { isMeasured, sideLabel, type Survey } from "@/core/eye";
import type { Paper } from "@/core/formats";
import {
  padLashes,
  padStrip,
  VIEW_LABELS,
  type LashMap,
  type PadLashes,
  type PadStripEye,
  type PadStripLayer,
  type View,
} from "@/core/map";
import { apart } from "@/features/print/runs";
import { openDocument, type Point, type Sheet } from "@/features/print/sheet";

/** How thick lashes are printed, mm: they stand back behind the lengths. */
const LASH_MM = 0.025;
/** Room for a name within the strip, mm. */
const NAME_ROOM_MM = 9;

/**
 * The pad strip as a PDF at true scale, a page a layer: both eyes, zone lines, lengths, landmarks, the layer's legend, and
 * a ruler to check the printer by.
 */
export async function padStripPdf(
  survey: Survey,
  map: LashMap,
  view: View,
  { paper, savedOn, name, wearing }: { paper: Paper; savedOn: string; name: string; wearing: PadLashes },
): Promise<Uint8Array> {
  const { pdf, widthMm, addSheet } = await openDocument(`Pad strip, ${VIEW_LABELS[view]}`, paper, [name, map.title]);
  const { layers, rulerMm } = padStrip(survey, map, view);
  layers.forEach((layer, i) => {
    const sheet = addSheet();
    const of = layers.length > 1 ? ` Layer ${i + 1} of ${layers.length}.` : "";
    sheet.text(name ? `Pad strip, ${apart(name)}` : "Pad strip", 20, 22, 4.6, { bold: true, within: widthMm - 40 });
    if (!isMeasured(survey)) sheet.text("NOT MEASURED: planned on ordinary lashes.", 20, 33.5, 3.6, { bold: true });
    sheet.text(`${apart(map.title)}. Seen ${VIEW_LABELS[view]}. Saved ${savedOn}.${of}`, 20, 28, 3.4, { within: widthMm - 40 });
    const lashes = layer.eyes.map(({ side }, eye) => padLashes(survey, map, side, layer.indexes[eye]!, view, wearing));
    drawLayer(sheet, layer, { widthMm, rulerMm, view, name, lashes });
    sheet.sayWhatIsMissing(20);
  });
  return pdf.save();
}

function drawLayer(
  sheet: Sheet,
  { eyes, legend }: PadStripLayer,
  {
    widthMm,
    rulerMm,
    view,
    name,
    lashes,
  }: { widthMm: number; rulerMm: number; view: View; name: string; lashes: readonly (readonly (readonly Point[])[])[] },
) {
  const top = view === "facing" ? 52 : 76;
  eyes.forEach((eye, i) => drawEye(sheet, eye, { x: widthMm * (i === 0 ? 0.27 : 0.73), y: top, name, lashes: lashes[i]! }));
  sheet.text("nose", widthMm / 2, top, 3.2, { centre: true, faint: true });
  sheet.line([widthMm / 2, top + 2], [widthMm / 2, top + 10], 0.2);

  const rulerY = 106;
  const rulerX = 20;
  sheet.line([rulerX, rulerY], [rulerX + rulerMm, rulerY], 0.3);
  for (let mm = 0; mm <= rulerMm; mm++)
    sheet.line([rulerX + mm, rulerY], [rulerX + mm, rulerY - (mm % 10 === 0 ? 4 : mm % 5 === 0 ? 3 : 1.8)], mm % 5 === 0 ? 0.25 : 0.15);
  sheet.text("0", rulerX, rulerY + 4, 3, { centre: true });
  sheet.text(`${rulerMm} mm`, rulerX + rulerMm, rulerY + 4, 3, { centre: true });
  sheet.text("Lay a ruler on this line. If it is not 20 mm, print again at 100 %, without fitting to the page.", rulerX + 32, rulerY, 3.2);
  sheet.text(
    "Cut along the fine outline, lay it on the pad or copy it by hand. Check left and right against the client before the first lash.",
    20,
    rulerY + 12,
    3.2,
    { faint: true },
  );
  eyes.forEach((eye, i) => {
    // Left to right as drawn, to read from the trolley.
    const inOrder = [...eye.lengths].sort((a, b) => a.at[0] - b.at[0]).map(({ text }) => text);
    sheet.text(sideLabel(eye.side), 20, rulerY + 27 + i * 11, 4.2, { bold: true });
    sheet.text(inOrder.join("   "), 50, rulerY + 27 + i * 11, 5.6, { within: widthMm - 70 });
  });
  sheet.paragraph(`Left to right as drawn. ${legend}`, 20, rulerY + 48, 3.2, widthMm - 40, { faint: true });
}

function drawEye(
  sheet: Sheet,
  eye: PadStripEye,
  { x, y, name, lashes }: { x: number; y: number; name: string; lashes: readonly (readonly Point[])[] },
) {
  const at = ([px, py]: readonly [number, number]) => [x + px, y + py] as const;
  sheet.path(eye.padEdge.map(at), 0.12, true);
  // All of them one path: it stays a small file.
  sheet.svgPath(
    lashes.map((points) => points.map(([px, py], i) => `${i ? "L" : "M"}${px.toFixed(2)} ${py.toFixed(2)}`).join("")).join(""),
    [x, y],
    LASH_MM,
    true,
  );
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
  // What is outside the outline is cut away: which eye and whose stays on the strip.
  const [nx, ny] = at(eye.nameAt);
  sheet.bare([nx, ny - (name ? 0 : 1)], 4.4, name ? 6 : 3.8);
  sheet.text(eye.side === "right" ? "R" : "L", nx, ny, 3, { bold: true, centre: true });
  if (name) sheet.text(name, nx, ny + 2.6, 2, { centre: true, within: NAME_ROOM_MM });
  sheet.text("in", ...at(eye.innerAt), 2.6, { centre: true, faint: true });
  sheet.text("out", ...at(eye.outerAt), 2.6, { centre: true, faint: true });
  const lowest = Math.max(...eye.padEdge.map(([, py]) => py));
  sheet.text(sideLabel(eye.side), x, y + Math.max(lowest, 6) + 5, 3.6, { bold: true, centre: true });
}
