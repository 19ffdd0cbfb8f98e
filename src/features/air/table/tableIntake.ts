import "server-only";
import { randomUUID } from "node:crypto";
import { eq, sql } from "drizzle-orm";
import { z } from "zod";
import { DATE_ORDERS, type TableReading } from "@/core/formats";
import { isStorable } from "@/core/units";
import { readingImport, room } from "@/db/schema";
import { ownSource } from "@/features/readings/newestAir";
import { GivenUp, inThread } from "@/server/inThread";
import { inStudio } from "@/server/inStudio";
import { currentMember, type Member } from "@/server/member";
import { answer, apologise, readBody, refuse } from "@/server/respond";
import { readTableFile, type TableColumns, type TableFile, type TableFound } from "./readTableFile";

const MAX_BYTES = 8 * 1024 * 1024;
const AT_ONCE = 10_000;
/** Read sooner than a thread is begun. */
const READ_AT_ONCE_BYTES = 256 * 1024;
const READS = { file: "src/features/air/table/readTableFile.ts", name: "readTableFile" };

const column = z.int().min(0).max(200);
const readingSchema: z.ZodType<TableReading> = z.strictObject({
  skip: z.int().min(0).max(1000),
  time: column,
  hour: column.nullable(),
  temperature: column,
  humidity: column,
  dateOrder: z.enum(DATE_ORDERS),
  temperatureUnit: z.enum(["C", "F"]),
  humidityUnit: z.enum(["percent", "fraction"]),
});

/**
 * A logger's file for a room. Without `keep` it is only read and shown; with it the good lines are kept, all or none, and
 * only if no line is wrong or the wrong ones were accepted to be left out (`leave=wrong`). Who asks for lines of JSON hears how
 * far it is, `{"done": 0.4}`, and at last `{"status": 200, "body": …}`; who goes away before has kept nothing.
 */
export async function takeTable(request: Request, roomId: string): Promise<Response> {
  const me = await currentMember();
  if (!me) return refuse(401, "Signed out.");
  if (!z.uuid().safeParse(roomId).success) return refuse(404, "This room is not in the studio.");
  const read = await readBody(request, MAX_BYTES);
  if (!read.ok) return read.response;
  const { searchParams } = new URL(request.url);
  const wished = readWished(searchParams.get("reading"));
  if (wished === "wrong") return refuse(400, "How the columns are to be read was not understood.");
  const file: TableFile = { bytes: new Uint8Array(read.body), wished, timeZone: me.timeZone, nowMs: Date.now() };
  const name = searchParams.get("name") ?? "";
  const asked = {
    keep: searchParams.get("keep") === "1",
    leaveWrong: searchParams.get("leave") === "wrong",
    fileName: (isStorable(name) ? name.trim().slice(0, 200) : "") || "a file",
  };
  const work = (tell: (done: number) => void, signal: AbortSignal) => workOut(me, roomId, file, asked, tell, signal);
  if (!request.headers.get("accept")?.includes("application/x-ndjson")) return work(() => undefined, request.signal);
  return told(request.signal, work);
}

async function workOut(
  me: Member,
  roomId: string,
  file: TableFile,
  asked: { readonly keep: boolean; readonly leaveWrong: boolean; readonly fileName: string },
  tell: (done: number) => void,
  signal: AbortSignal,
): Promise<Response> {
  const readShare = asked.keep ? 0.5 : 1;
  const toldOf = (done: number) => tell(done * readShare);
  const isSmall = file.bytes.length <= READ_AT_ONCE_BYTES;
  const found = isSmall ? readTableFile(file, toldOf) : await inThread<TableFound>(READS, file, { signal, tell: toldOf });
  if (!found.ok) return refuse(400, found.why);
  const { preview, columns } = found;
  if (!asked.keep) return answer(preview);
  if (preview.good === 0) return refuse(400, "No line of this file is a reading. Nothing was kept.");
  if (preview.wrong > 0 && !asked.leaveWrong)
    return refuse(409, `${preview.wrong} ${preview.wrong === 1 ? "line is" : "lines are"} wrong. Nothing was kept.`);
  const kept = await keep(me, roomId, asked.fileName, columns, (share) => tell(readShare + share * (1 - readShare)), signal);
  return kept === null
    ? refuse(404, "This room is not in the studio.")
    : answer({ kept, known: preview.good - kept, leftOut: preview.wrong });
}

/** An answer in lines: how far it is, and at last what came of it. */
function told(signal: AbortSignal, work: (tell: (done: number) => void, signal: AbortSignal) => Promise<Response>): Response {
  const gone = new AbortController();
  signal.addEventListener("abort", () => gone.abort());
  const encoder = new TextEncoder();
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      const say = (line: unknown) => {
        if (!gone.signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(line)}\n`));
      };
      // What the route did not foresee is told as any route tells it.
      const response = await guardedWork(() => work((done) => say({ done }), gone.signal));
      if (gone.signal.aborted) return;
      say({ status: response.status, body: await response.json() });
      controller.close();
    },
    cancel: () => gone.abort(),
  });
  return new Response(stream, {
    headers: { "content-type": "application/x-ndjson", "cache-control": "no-store, no-transform", "x-accel-buffering": "no" },
  });
}

async function guardedWork(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof GivenUp) return refuse(499, "Given up. Nothing was kept.");
    return apologise(error);
  }
}

function readWished(text: string | null): TableReading | null | "wrong" {
  if (text === null) return null;
  try {
    const parsed = readingSchema.safeParse(JSON.parse(text));
    return parsed.success ? parsed.data : "wrong";
  } catch {
    return "wrong";
  }
}

/** Keeps all of them in one transaction; how many were new, or null where the room is not in the studio. */
function keep(
  me: Member,
  roomId: string,
  fileName: string,
  { atMs, temperatureC, relativeHumidity }: TableColumns,
  tell: (share: number) => void,
  signal: AbortSignal,
): Promise<number | null> {
  return inStudio(me, async (tx) => {
    const [known] = await tx.select({ id: room.id }).from(room).where(eq(room.id, roomId));
    if (!known) return null;
    const sensorId = await ownSource(tx, me.studioId, roomId, "file", randomUUID());
    const importId = randomUUID();
    let kept = 0;
    for (let i = 0; i < atMs.length; i += AT_ONCE) {
      // Thrown out of the transaction: of what was given up nothing is kept.
      if (signal.aborted) throw new GivenUp();
      const list = (values: Iterable<string | number>) => sql.param(`{${[...values].join(",")}}`);
      const part = (values: Float64Array) => values.subarray(i, i + AT_ONCE);
      const { rowCount } = await tx.execute(sql`
        insert into studio.reading (studio_id, sensor_id, taken_at, room_id, temperature_c, relative_humidity, import_id)
        select ${me.studioId}::uuid, ${sensorId}::uuid, r.at, ${roomId}::uuid, r.t, r.rh, ${importId}::uuid
        from unnest(${list(Array.from(part(atMs), (ms) => new Date(ms).toISOString()))}::timestamptz[],
          ${list(part(temperatureC))}::float8[], ${list(part(relativeHumidity))}::float8[]) as r(at, t, rh)
        on conflict (studio_id, sensor_id, taken_at) do nothing`);
      kept += rowCount ?? 0;
      tell(Math.min(1, (i + AT_ONCE) / atMs.length));
    }
    if (kept > 0)
      await tx
        .insert(readingImport)
        .values({ studioId: me.studioId, id: importId, roomId, sensorId, fileName, readings: kept, byId: me.id });
    return kept;
  });
}
