import "server-only";
import { z } from "zod";
import { eyesSvg, writeMapFile } from "@/core/formats";
import { VIEWS } from "@/core/map";
import { currentMember } from "@/server/member";
import { refuse } from "@/server/respond";
import { formatIn } from "@/server/studioTime";
import { mapForFiles } from "./data";
import { padStripPdf } from "./padStripPdf";

const querySchema = z.object({ view: z.enum(VIEWS).catch("facing"), paper: z.enum(["a4", "letter"]).catch("a4") });
const SEED = 11;

type Kind = "pad-strip.pdf" | "eyes.svg" | "map.json";
const TYPES: Record<Kind, string> = { "pad-strip.pdf": "application/pdf", "eyes.svg": "image/svg+xml", "map.json": "application/json" };

/** A saved map as a file, for members of its studio. */
export async function mapFile(request: Request, mapId: string, kind: Kind): Promise<Response> {
  const member = await currentMember();
  if (!member) return refuse(401, "Signed out.");
  if (!z.uuid().safeParse(mapId).success) return refuse(404, "No such map in this studio.");
  const found = await mapForFiles(member, mapId);
  if (!found) return refuse(404, "No such map in this studio.");
  const { view, paper } = querySchema.parse(Object.fromEntries(new URL(request.url).searchParams));
  const body =
    kind === "map.json"
      ? writeMapFile(found.map, found.survey)
      : kind === "eyes.svg"
        ? eyesSvg(found.survey, found.map, view, { seed: SEED })
        : await padStripPdf(found.survey, found.map, view, paper, formatIn(member.timeZone, found.savedAt, "d MMM yyyy"));
  return new Response(typeof body === "string" ? body : Buffer.from(body), {
    headers: {
      "content-type": TYPES[kind],
      "content-disposition": `attachment; filename="ivy-thread-${kind}"`,
      "cache-control": "no-store",
    },
  });
}
