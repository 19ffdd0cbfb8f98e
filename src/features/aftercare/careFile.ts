import "server-only";
import { z } from "zod";
import { careCard, careText } from "@/core/care";
import { batchesOf } from "@/core/processing";
import { studio } from "@/db/schema";
import { apart } from "@/features/print/runs";
import { openDocument } from "@/features/print/sheet";
import { lotNames } from "@/features/shelf/lotNames";
import { visitsInFull } from "@/features/visit/data";
import { nextVisitOf, nextVisitWords } from "@/features/visit/nextVisit";
import { waterOf } from "@/features/visit/water";
import { note } from "@/server/audit";
import { inStudio, together } from "@/server/inStudio";
import { currentMember, type Member } from "@/server/member";
import { refuse } from "@/server/respond";
import { studioPolicy } from "@/server/studioPolicy";
import { formatIn } from "@/server/studioTime";
import { caredFor } from "./caredFor";

const MARGIN_MM = 20;

/** What the card of a visit needs; null where it is not in this studio. */
function careOfVisit(me: Member, visitId: string) {
  return inStudio(me, async (tx) => {
    const [row] = await visitsInFull(tx, { visitId });
    if (!row) return null;
    const [policy, water, next, names, [house]] = await together([
      studioPolicy(tx),
      waterOf(tx, [row]),
      nextVisitOf(tx, row),
      lotNames(tx, batchesOf(row.state.run)),
      tx.select({ name: studio.name }).from(studio),
    ]);
    const isOver = row.state.head.finishedAtMs !== null;
    const cared = caredFor(row.service, row.state, {
      batchNames: names.spokenOf,
      waterFromMs: water.get(row.id) ?? null,
      next: next && nextVisitWords(me.timeZone, next),
      aftercareWords: policy.aftercareWords,
    });
    if (isOver && cared) await note(tx, me, "exported", { clientId: row.clientId, detail: "aftercare card" });
    return {
      clientName: row.clientName,
      studioName: house!.name,
      isOver,
      cared,
    };
  });
}

/** The aftercare card of a finished visit as a file, for members of its studio. */
export async function careFile(visitId: string, kind: "pdf" | "txt"): Promise<Response> {
  const member = await currentMember();
  if (!member) return refuse(401, "Signed out.");
  const found = z.uuid().safeParse(visitId).success ? await careOfVisit(member, visitId) : null;
  if (!found) return refuse(404, "No such visit in this studio.");
  const { cared, studioName, clientName, isOver } = found;
  if (!isOver) return refuse(409, "The card is made when the visit is over: its dates count from there.");
  if (!cared) return refuse(404, "Nothing of this visit goes home with anybody.");
  const card = careCard(cared, {
    moment: (ms) => formatIn(member.timeZone, new Date(ms), "EEEE HH:mm"),
    day: (ms) => formatIn(member.timeZone, new Date(ms), "d MMMM yyyy"),
  });
  const body = kind === "txt" ? careText(card, studioName, clientName) : Buffer.from(await cardPdf(card, studioName, clientName));
  return new Response(body, {
    headers: {
      "content-type": kind === "txt" ? "text/plain; charset=utf-8" : "application/pdf",
      "content-disposition": `attachment; filename="aftercare.${kind}"`,
      "cache-control": "no-store",
    },
  });
}

async function cardPdf(card: ReturnType<typeof careCard>, studio: string, client: string): Promise<Uint8Array> {
  const { pdf, widthMm, addSheet } = await openDocument(card.title, "a4", [card, studio, client]);
  const sheet = addSheet();
  const width = widthMm - 2 * MARGIN_MM;
  sheet.text(studio, MARGIN_MM, 22, 4, { faint: true, within: width });
  sheet.text(card.title, MARGIN_MM, 34, 8, { bold: true, within: width });
  sheet.text(`For ${apart(client)}`, MARGIN_MM, 42, 4.4, { faint: true, within: width });
  let y = 56;
  for (const line of card.lines) {
    sheet.line([MARGIN_MM, y - 1.6], [MARGIN_MM + 3, y - 1.6], 0.6);
    y = sheet.paragraph(line, MARGIN_MM + 7, y, 5, width - 7) + 3;
  }
  if (card.again) sheet.paragraph(card.again, MARGIN_MM, y + 5, 5, width, { bold: true });
  sheet.sayWhatIsMissing(MARGIN_MM);
  return pdf.save();
}
