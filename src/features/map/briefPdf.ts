import "server-only";
import {
  eyesInView,
  innerCornerOnRight,
  landmarksOf,
  lashesByZone,
  fibreCurl,
  onPaper,
  placements,
  VIEW_LABELS,
  type MapFacts,
  type View,
} from "@/core/map";
import { closedEye, inMirror, onPad, openEye, roomOfOpenEyes, wornBlades } from "@/core/drawing";
import { sideLabel } from "@/core/eye";
import type { Paper, TrolleyBrief } from "@/core/formats";
import type { Fibre } from "@/core/lash";
import { formatMm } from "@/core/units";
import { apart } from "@/features/print/runs";
import { openDocument, type Point, type Sheet } from "@/features/print/sheet";

const MARGIN_MM = 18;
/** Eyes are drawn twice as large as they are, or as large as their lashes leave room under the title. */
const EYE_SCALE = 2;
const EYE_ROOM_MM = 38;
/** A pad's lashes reach so far from the line at most, mm. */
const PAD_DEEP_MM = 16;
const HEADING_MM = 7;
/** Room kept free at the foot of the page. */
const FOOT_MM = 16;
const CAUTION_MM = 3.5;
const LENGTH_MM = 4.4;
const PICK_MM = 5;

/** The brief for the trolley: one page, the map above, then lengths, order of work, what to lay out, cautions. */
export async function briefPdf(
  facts: MapFacts,
  brief: TrolleyBrief,
  { view, paper, savedOn, client }: { view: View; paper: Paper; savedOn: string; client: string },
): Promise<Uint8Array> {
  const { pdf, widthMm, heightMm, addSheet } = await openDocument(`Trolley brief, ${VIEW_LABELS[view]}`, paper, [
    client,
    facts.map.title,
    brief,
  ]);
  const sheet = addSheet();
  const width = widthMm - 2 * MARGIN_MM;
  sheet.text(client, MARGIN_MM, 20, 6, { bold: true, within: width });
  sheet.text(`${apart(facts.map.title)}. Seen ${VIEW_LABELS[view]}. Saved ${savedOn}.`, MARGIN_MM, 27, 3.6, { within: width });
  drawEyes(sheet, facts, view, widthMm);

  let y = 92;
  const heading = (words: string) => {
    sheet.text(words, MARGIN_MM, y, 4.2, { bold: true });
    sheet.line([MARGIN_MM, y + 1.6], [widthMm - MARGIN_MM, y + 1.6], 0.15, true);
    y += HEADING_MM;
  };
  heading("Lengths, inner corner to outer, mm");
  for (const { side, name, lengths } of brief.layers) {
    sheet.text(side, MARGIN_MM, y, 3.6);
    sheet.text(name, MARGIN_MM + 32, y, 3.6, { faint: true });
    // Lengths are never cut: where lashes are told apart there are many, and they run on over the next line.
    const room = width - 54;
    const one = sheet.heightOf(lengths, LENGTH_MM, room, { bold: true }) < 2 * LENGTH_MM;
    const below = sheet.paragraph(lengths, MARGIN_MM + 54, y, one ? LENGTH_MM : LENGTH_MM * 0.75, room, { bold: true });
    y = Math.max(y + 6.2, below + 0.8);
  }
  y += 3;
  heading("Order of work");
  [...brief.order, ...brief.hand].forEach((line, i) => (y = sheet.paragraph(`${i + 1}. ${line}`, MARGIN_MM, y, 3.6, width) + 0.8));
  y += 3;
  heading("To lay out");
  y = sheet.paragraph(brief.lashes, MARGIN_MM, y, 3.6, width) + 1;
  const floor = heightMm - FOOT_MM;
  const cautionMm = (caution: string) => sheet.heightOf(`- ${caution}`, CAUTION_MM, width) + 0.8;
  // Cautions keep their room, however many lengths there are to lay out.
  const reserved = HEADING_MM + 4 + brief.cautions.reduce((sum, caution) => sum + cautionMm(caution), 0);
  y = layOut(sheet, brief.picks, { y, width, room: floor - reserved - y }) + 4;
  heading("To mind");
  const said = [...brief.cautions, ...brief.findings, ...brief.advice];
  for (const [i, line] of said.entries()) {
    if (y + cautionMm(line) > floor) {
      sheet.text(`${said.length - i} more on the map.`, MARGIN_MM, y, 3.2, { faint: true });
      break;
    }
    y = sheet.paragraph(`- ${line}`, MARGIN_MM, y, CAUTION_MM, width) + 0.8;
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
  sheet.sayWhatIsMissing(MARGIN_MM);
  return pdf.save();
}

/** What to lay out, in two columns or, where that would be too long, in three; what then has no room is counted. */
function layOut(sheet: Sheet, picks: TrolleyBrief["picks"], { y, width, room }: { y: number; width: number; room: number }): number {
  const rowsAtMost = Math.max(1, Math.floor(room / PICK_MM));
  const columns = picks.length > 2 * rowsAtMost ? 3 : 2;
  const rows = Math.min(rowsAtMost, Math.ceil(picks.length / columns));
  const left = picks.length - rows * columns;
  // The last place says how many have none.
  const shown = left > 0 ? picks.slice(0, rows * columns - 1) : picks;
  const place = (i: number) => [MARGIN_MM + (Math.floor(i / rows) * width) / columns, y + (i % rows) * PICK_MM] as const;
  shown.forEach((pick, i) => {
    const [x, at] = place(i);
    sheet.text(`${formatMm(pick.lengthMm)} mm`, x, at, 3.6, { bold: true });
    const strips = `${pick.strips} ${pick.strips === 1 ? "strip" : "strips"}`;
    sheet.text(`${pick.label}, ${pick.lashes} lashes, ${strips}${pick.inStock ? "" : ", NOT IN STOCK"}`, x + 15, at, 3.4, {
      within: width / columns - 17,
    });
  });
  if (left > 0) sheet.text(`${left + 1} more on the map.`, ...place(shown.length), 3.4, { faint: true });
  return y + rows * PICK_MM;
}

/** Both eyes, larger than they are, every lash drawn: open as one faces the client, closed on the pad from the bed head. */
function drawEyes(sheet: Sheet, facts: MapFacts, view: View, widthMm: number) {
  const { map, survey, trays, policy } = facts;
  const onThePad = view === "bedHead";
  const scale = Math.min(EYE_SCALE, EYE_ROOM_MM / (onThePad ? PAD_DEEP_MM : roomOfOpenEyes(survey).aboveMm));
  const wearing = { curlOf: (fibre: Fibre) => fibreCurl(fibre, trays, policy), offsetMm: policy.attachmentOffsetMm };
  eyesInView(view).forEach((side, i) => {
    const open = openEye({ ...survey.eyes[side], landmarks: landmarksOf(map, survey, side) });
    const closed = closedEye(survey.eyes[side]);
    const turned = onPaper(side, view);
    const across = innerCornerOnRight(side, view) ? -1 : 1;
    const centre = widthMm * (i === 0 ? 0.27 : 0.73);
    const origin = [onThePad ? centre : centre - (across * open.widthMm * scale) / 2, 72] as const;
    const place = (p: Point): Point => (onThePad ? turned(p) : [across * p[0], -p[1]]);
    const d = (points: readonly Point[]) =>
      points
        .map(place)
        .map(([x, y], k) => `${k ? "L" : "M"}${(x * scale).toFixed(2)} ${(y * scale).toFixed(2)}`)
        .join("");
    if (onThePad) sheet.svgPath(d(closed.run(0, 1, 0, 48)), origin, 0.35);
    else {
      sheet.svgPath(d(open.lower), origin, 0.15, true);
      if (open.fold.length) sheet.svgPath(d(open.fold), origin, 0.12, true);
      sheet.svgPath(d(open.upper), origin, 0.35);
    }
    for (const zone of lashesByZone(placements(map, survey, side)))
      sheet.svgPath(
        wornBlades(zone.worn, wearing, (lash, hair) => (onThePad ? onPad(closed, lash, hair) : inMirror(open, lash, hair)))
          .map(({ points }) => d(points))
          .join(""),
        origin,
        0.06,
      );
    sheet.text(sideLabel(side), centre, onThePad ? 79 : 84, 3.6, { bold: true, centre: true });
  });
  sheet.text("nose", widthMm / 2, 70, 3, { centre: true, faint: true });
}
