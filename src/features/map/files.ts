import "server-only";
import { stringify } from "csv-stringify/sync";
import { z } from "zod";
import { eyesSvg, stripName, trolleyBrief, writeMapFile, zoneRows } from "@/core/formats";
import { fibreCurl, mapFacts, mapPolicy, VIEWS, type PadLashes, type View } from "@/core/map";
import { note } from "@/server/audit";
import { inStudio } from "@/server/inStudio";
import { currentMember } from "@/server/member";
import { refuse } from "@/server/respond";
import { formatIn } from "@/server/studioTime";
import { briefPdf } from "./briefPdf";
import { mapForFiles } from "./data";
import { padStripPdf } from "./padStripPdf";

/** What is laid beside the lashes is drawn as they are worked on: from the bed head, unless asked otherwise. */
const ON_THE_PAD: View = "bedHead";

const querySchema = z.object({ view: z.enum(VIEWS).optional().catch(undefined), paper: z.enum(["a4", "letter"]).catch("a4") });
type MapSource = NonNullable<Awaited<ReturnType<typeof mapForFiles>>>;
type Asked = z.infer<typeof querySchema> & { readonly savedOn: string };

/** How a saved map's fibres curl, and where they are set, by its own limits. */
function wearingOf({ map, policy: studio, trays }: MapSource): PadLashes {
  const policy = mapPolicy(studio, map);
  return { curlOf: (fibre) => fibreCurl(fibre, trays, policy), offsetMm: policy.attachmentOffsetMm };
}

/** A new file is a line here and a route that names it. */
const FILES = {
  "pad-strip.pdf": {
    type: "application/pdf",
    make: (source: MapSource, { view = ON_THE_PAD, paper, savedOn }: Asked) =>
      padStripPdf(source.survey, source.map, view, {
        paper,
        savedOn,
        name: stripName(source.clientName, source.policy),
        wearing: wearingOf(source),
      }),
  },
  "brief.pdf": {
    type: "application/pdf",
    make: (source: MapSource, { view = ON_THE_PAD, paper, savedOn }: Asked) => {
      const facts = mapFacts(source.map, source);
      return briefPdf(facts, trolleyBrief(facts, source.pace), { view, paper, savedOn, client: source.clientName });
    },
  },
  "eyes.svg": {
    type: "image/svg+xml",
    make: (source: MapSource, { view = "facing" }: Asked) =>
      eyesSvg(source.survey, source.map, view === "facing" ? "mirror" : "pad", wearingOf(source)),
  },
  "map.json": { type: "application/json", make: ({ map, survey }: MapSource) => writeMapFile(map, survey) },
  "zones.csv": {
    type: "text/csv; charset=utf-8",
    make: ({ map }: MapSource) => stringify(zoneRows(map), { header: true, record_delimiter: "windows" }),
  },
} as const;

/** A saved map as a file, for members of its studio. */
export async function mapFile(request: Request, mapId: string, kind: keyof typeof FILES): Promise<Response> {
  const member = await currentMember();
  if (!member) return refuse(401, "Signed out.");
  if (!z.uuid().safeParse(mapId).success) return refuse(404, "No such map in this studio.");
  const source = await mapForFiles(member, mapId);
  if (!source) return refuse(404, "No such map in this studio.");
  const asked = querySchema.parse(Object.fromEntries(new URL(request.url).searchParams));
  await inStudio(member, (tx) => note(tx, member, "exported", { clientId: source.clientId, detail: `map, ${kind}` }));
  const { type, make } = FILES[kind];
  const body = await make(source, { ...asked, savedOn: formatIn(member.timeZone, source.savedAt, "d MMM yyyy") });
  return new Response(typeof body === "string" ? body : Buffer.from(body), {
    headers: {
      "content-type": type,
      "content-disposition": `attachment; filename="ivy-thread-${kind}"`,
      "cache-control": "no-store",
    },
  });
}
