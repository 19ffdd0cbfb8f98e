import "server-only";
import {
  eyesInView,
  innerCornerOnRight,
  landmarksOf,
  lashesByZone,
  drawnZone,
  fibreCurl,
  placements,
  VIEW_LABELS,
  type MapFacts,
  type View,
} from "@/core/map";
import { lidOutline, sideLabel } from "@/core/eye";
import type { Paper, TrolleyBrief } from "@/core/formats";
import { formatMm } from "@/core/units";
import { openDocument, type Sheet } from "./sheet";

const MARGIN_MM = 18;
const EYE_SCALE = 2;

/** The brief for the trolley: one page, the map above, then lengths, order of work, what to lay out, cautions. */
export async function briefPdf(
  facts: MapFacts,
  brief: TrolleyBrief,
  { view, paper, savedOn, client }: { view: View; paper: Paper; savedOn: string; client: string },
): Promise<Uint8Array> {
  const { pdf, widthMm, heightMm, addSheet } = await openDocument(`Trolley brief, ${VIEW_LABELS[view]}`, paper);
  const sheet = addSheet();
  const width = widthMm - 2 * MARGIN_MM;
  sheet.text(client, MARGIN_MM, 20, 6, { bold: true });
  sheet.text(`${facts.map.title}. Seen ${VIEW_LABELS[view]}. Saved ${savedOn}.`, MARGIN_MM, 27, 3.6);
  drawEyes(sheet, facts, view, widthMm);

  let y = 92;
  const heading = (words: string) => {
    sheet.text(words, MARGIN_MM, y, 4.2, { bold: true });
    sheet.line([MARGIN_MM, y + 1.6], [widthMm - MARGIN_MM, y + 1.6], 0.15, true);
    y += 7;
  };
  heading("Lengths, inner corner to outer, mm");
  for (const { side, name, lengths } of brief.layers) {
    sheet.text(side, MARGIN_MM, y, 3.6);
    sheet.text(name, MARGIN_MM + 32, y, 3.6, { faint: true });
    sheet.text(lengths, MARGIN_MM + 54, y, 4.4, { bold: true });
    y += 6.2;
  }
  y += 3;
  heading("Order of work");
  brief.order.forEach((line, i) => (y = sheet.paragraph(`${i + 1}. ${line}`, MARGIN_MM, y, 3.6, width) + 0.8));
  y += 3;
  heading("To lay out");
  y = sheet.paragraph(brief.lashes, MARGIN_MM, y, 3.6, width) + 1;
  // Two columns, so that a map of many lengths still keeps to its page.
  const rows = Math.ceil(brief.picks.length / 2);
  brief.picks.forEach((pick, i) => {
    const x = MARGIN_MM + (i >= rows ? width / 2 : 0);
    const at = y + (i % rows) * 5;
    sheet.text(`${formatMm(pick.lengthMm)} mm`, x, at, 3.6, { bold: true });
    sheet.text(
      `${pick.label}, ${pick.lashes} lashes, ${pick.strips} ${pick.strips === 1 ? "strip" : "strips"}${pick.inStock ? "" : ", NOT IN STOCK"}`,
      x + 15,
      at,
      3.4,
    );
  });
  y += rows * 5 + 4;
  heading("To mind");
  for (const caution of brief.cautions) {
    if (y > heightMm - 20) {
      sheet.text("More stands on the map.", MARGIN_MM, y, 3.4, { faint: true });
      break;
    }
    y = sheet.paragraph(`- ${caution}`, MARGIN_MM, y, 3.5, width) + 0.8;
  }
  sheet.text(
    "Leaflets, local codes and licensed practice come first. Load is a comparison, a model of ours.",
    MARGIN_MM,
    heightMm - 10,
    3,
    {
      faint: true,
    },
  );
  return pdf.save();
}

/** Both eyes twice as large as they are, every lash drawn. */
function drawEyes(sheet: Sheet, facts: MapFacts, view: View, widthMm: number) {
  const { map, survey, trays, policy } = facts;
  eyesInView(view).forEach((side, i) => {
    const eye = { ...survey.eyes[side], landmarks: landmarksOf(map, survey, side) };
    const lid = lidOutline(eye);
    const turned = view === "bedHead";
    const across = innerCornerOnRight(side, view) ? -1 : 1;
    const down = turned ? 1 : -1;
    const centre = widthMm * (i === 0 ? 0.27 : 0.73);
    const origin = [centre - (across * lid.widthMm * EYE_SCALE) / 2, turned ? 42 : 70] as const;
    const d = (points: readonly (readonly [number, number])[]) =>
      points.map(([x, y], k) => `${k ? "L" : "M"}${(across * x * EYE_SCALE).toFixed(2)} ${(down * y * EYE_SCALE).toFixed(2)}`).join("");
    sheet.svgPath(d(lid.lower), origin, 0.15, true);
    sheet.svgPath(d(lid.upper), origin, 0.35);
    for (const zone of lashesByZone(placements(map, survey, side)))
      sheet.svgPath(
        drawnZone(zone, lid, (fibre) => fibreCurl(fibre, trays, policy))
          .map(({ points }) => d(points))
          .join(""),
        origin,
        0.06,
      );
    sheet.text(sideLabel(side), centre, turned ? 34 : 84, 3.6, { bold: true, centre: true });
  });
  sheet.text("nose", widthMm / 2, view === "bedHead" ? 44 : 68, 3, { centre: true, faint: true });
}
