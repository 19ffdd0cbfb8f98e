import "server-only";
import { z } from "zod";
import { careCard, careText } from "@/core/care";
import { openDocument } from "@/features/map/sheet";
import { currentMember } from "@/server/member";
import { refuse } from "@/server/respond";
import { formatIn } from "@/server/studioTime";
import { caredFor } from "./caredFor";
import { colourVisit } from "./data";

const MARGIN_MM = 20;

/** The aftercare card of a finished visit as a file, for members of its studio. */
export async function careFile(visitId: string, kind: "pdf" | "txt"): Promise<Response> {
  const member = await currentMember();
  if (!member) return refuse(401, "Signed out.");
  const page = z.uuid().safeParse(visitId).success ? await colourVisit(member, visitId, new Date()) : null;
  if (!page) return refuse(404, "No such visit in this studio.");
  const { visit, studioName } = page;
  if (visit.state.head.finishedAtMs === null) return refuse(409, "The card is made when the visit is over: its dates count from there.");
  const card = careCard(caredFor(page.kind, visit.state.run, visit.state.head.finishedAtMs, page.batchNames), {
    moment: (ms) => formatIn(member.timeZone, new Date(ms), "EEEE HH:mm"),
    day: (ms) => formatIn(member.timeZone, new Date(ms), "d MMMM yyyy"),
  });
  const body =
    kind === "txt" ? careText(card, studioName, visit.clientName) : Buffer.from(await cardPdf(card, studioName, visit.clientName));
  return new Response(body, {
    headers: {
      "content-type": kind === "txt" ? "text/plain; charset=utf-8" : "application/pdf",
      "content-disposition": `attachment; filename="aftercare.${kind}"`,
      "cache-control": "no-store",
    },
  });
}

async function cardPdf(card: ReturnType<typeof careCard>, studio: string, client: string): Promise<Uint8Array> {
  const { pdf, widthMm, addSheet } = await openDocument(card.title, "a4");
  const sheet = addSheet();
  const width = widthMm - 2 * MARGIN_MM;
  sheet.text(studio, MARGIN_MM, 22, 4, { faint: true, within: width });
  sheet.text(card.title, MARGIN_MM, 34, 8, { bold: true, within: width });
  sheet.text(`For ${client}`, MARGIN_MM, 42, 4.4, { faint: true, within: width });
  let y = 56;
  for (const line of card.lines) {
    sheet.line([MARGIN_MM, y - 1.6], [MARGIN_MM + 3, y - 1.6], 0.6);
    y = sheet.paragraph(line, MARGIN_MM + 7, y, 5, width - 7) + 3;
  }
  if (card.again) sheet.paragraph(card.again, MARGIN_MM, y + 5, 5, width, { bold: true });
  return pdf.save();
}
