import "server-only";
import { randomUUID } from "node:crypto";
import { parse } from "csv-parse/sync";
import { eq, sql } from "drizzle-orm";
import { z } from "zod";
import { DATE_ORDERS, guessSeparator, guessTable, headingOf, readTable, type TableReading, type TableRow } from "@/core/formats";
import { room } from "@/db/schema";
import { inStudio } from "@/server/inStudio";
import { currentMember, type Member } from "@/server/member";
import { answer, readBody, refuse } from "@/server/respond";
import { ownSource } from "@/features/readings/newestAir";
import { wallClock } from "./wallClock";

const MAX_BYTES = 8 * 1024 * 1024;
const MAX_LINES = 200_000;
const SHOWN_ROWS = 6;
const SHOWN_PROBLEMS = 40;
const AHEAD_MS = 60_000;
const BEHIND_MS = 10 * 366 * 86_400_000;
const AT_ONCE = 10_000;

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

export type TablePreview = {
  readonly reading: TableReading;
  readonly columns: readonly string[];
  readonly doubts: readonly string[];
  readonly good: number;
  readonly problems: readonly { line: number; why: string }[];
  readonly wrong: number;
  /** First and last readings, as they would be kept: ISO times. */
  readonly rows: readonly { line: number; at: string; temperatureC: number; relativeHumidity: number }[];
};

type Dated = { line: number; atMs: number; temperatureC: number; relativeHumidity: number };

/**
 * A logger's file for a room. Without `keep` it is only read and shown; with it the good lines are kept, all or none, and
 * only if no line is wrong or the wrong ones were accepted to be left out (`leave=wrong`).
 */
export async function takeTable(request: Request, roomId: string): Promise<Response> {
  const me = await currentMember();
  if (!me) return refuse(401, "Signed out.");
  if (!z.uuid().safeParse(roomId).success) return refuse(404, "This room is not in the studio.");
  const read = await readBody(request, MAX_BYTES);
  if (!read.ok) return read.response;
  const text = textOf(read.body);
  if (text === null) return refuse(400, "This is not a text file. Save it as CSV first.");
  const { searchParams } = new URL(request.url);
  const wished = readWished(searchParams.get("reading"));
  if (wished === "wrong") return refuse(400, "How the columns are to be read was not understood.");
  const rows = split(text);
  if (typeof rows === "string") return refuse(400, rows);
  const guess = guessTable(rows);
  const reading = wished ?? guess?.reading;
  if (!reading) return refuse(400, "No column of times with temperature and humidity beside it can be found in this file.");
  const { good, problems } = dated(readTable(rows, reading), me.timeZone, Date.now());
  if (searchParams.get("keep") !== "1") return answer(preview(reading, rows, guess?.doubts ?? [], good, problems));
  if (good.length === 0) return refuse(400, "No line of this file is a reading. Nothing was kept.");
  if (problems.length > 0 && searchParams.get("leave") !== "wrong")
    return refuse(409, `${problems.length} ${problems.length === 1 ? "line is" : "lines are"} wrong. Nothing was kept.`);
  const kept = await keep(me, roomId, good);
  return kept === null
    ? refuse(404, "This room is not in the studio.")
    : answer({ kept, known: good.length - kept, leftOut: problems.length });
}

/** UTF-8, or UTF-16 as some loggers write it; null for what is no text. */
function textOf(body: Buffer): string | null {
  if (body.length >= 2 && body[0] === 0xff && body[1] === 0xfe) return body.toString("utf16le").slice(1);
  const text = body.toString("utf8");
  if (text.includes("\u0000")) return null;
  // A degree sign of an older encoding is no reason to refuse a table.
  return text.charCodeAt(0) === 0xfeff ? text.slice(1) : text;
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

/** Lines into cells; words for why not. */
function split(text: string): string[][] | string {
  try {
    const rows = parse(text, {
      delimiter: guessSeparator(text),
      relax_column_count: true,
      relax_quotes: true,
      skip_empty_lines: false,
      trim: true,
      to: MAX_LINES + 1,
    }) as string[][];
    return rows.length > MAX_LINES
      ? `More than ${MAX_LINES.toLocaleString("en-GB")} lines at once are not taken. Cut the file in two.`
      : rows;
  } catch {
    return "The lines of this file cannot be parted into columns.";
  }
}

/** Moments on the studio's clock, and what is wrong with those that are none. */
function dated(rows: readonly TableRow[], timeZone: string, nowMs: number): { good: Dated[]; problems: { line: number; why: string }[] } {
  const momentOf = wallClock(timeZone);
  // Some loggers write the newest first.
  const times = rows.flatMap((row) => (row.ok ? [momentOf(row.time)] : []));
  const backwards = times.length > 1 && times[0]! > times.at(-1)!;
  const good: Dated[] = [];
  const problems: { line: number; why: string }[] = [];
  const seen = new Set<number>();
  for (const row of backwards ? rows.toReversed() : rows) {
    if (!row.ok) {
      problems.push({ line: row.line, why: row.why });
      continue;
    }
    const atMs = momentOf(row.time, good.at(-1)?.atMs);
    if (atMs > nowMs + AHEAD_MS) problems.push({ line: row.line, why: "Its time lies in the future." });
    else if (atMs < nowMs - BEHIND_MS) problems.push({ line: row.line, why: "Its time lies more than ten years back." });
    else if (seen.has(atMs)) problems.push({ line: row.line, why: "Its time stands in the file already." });
    else {
      seen.add(atMs);
      good.push({ line: row.line, atMs, temperatureC: row.temperatureC, relativeHumidity: row.relativeHumidity });
    }
  }
  return backwards ? { good: good.reverse(), problems: problems.reverse() } : { good, problems };
}

function preview(
  reading: TableReading,
  rows: readonly (readonly string[])[],
  doubts: readonly string[],
  good: readonly Dated[],
  problems: readonly { line: number; why: string }[],
): TablePreview {
  const width = Math.max(...rows.slice(reading.skip, reading.skip + 20).map((row) => row.length), 1);
  const heading = headingOf(rows, reading.skip);
  return {
    reading,
    columns: Array.from({ length: width }, (_, i) => heading[i]?.trim() || `column ${i + 1}`),
    doubts,
    good: good.length,
    wrong: problems.length,
    problems: problems.slice(0, SHOWN_PROBLEMS),
    rows: [...good.slice(0, SHOWN_ROWS), ...good.slice(Math.max(SHOWN_ROWS, good.length - 1))].map(({ atMs, ...row }) => ({
      ...row,
      at: new Date(atMs).toISOString(),
    })),
  };
}

/** Keeps all of them in one transaction; how many were new, or null where the room is not in the studio. */
function keep(me: Member, roomId: string, good: readonly Dated[]): Promise<number | null> {
  return inStudio(me, async (tx) => {
    const [known] = await tx.select({ id: room.id }).from(room).where(eq(room.id, roomId));
    if (!known) return null;
    const sensorId = await ownSource(tx, me.studioId, roomId, "file", randomUUID());
    let kept = 0;
    for (let i = 0; i < good.length; i += AT_ONCE) {
      const part = good.slice(i, i + AT_ONCE);
      const list = (values: readonly (string | number)[]) => sql.param(`{${values.join(",")}}`);
      const { rowCount } = await tx.execute(sql`
        insert into studio.reading (studio_id, sensor_id, taken_at, room_id, temperature_c, relative_humidity)
        select ${me.studioId}::uuid, ${sensorId}::uuid, r.at, ${roomId}::uuid, r.t, r.rh
        from unnest(${list(part.map(({ atMs }) => new Date(atMs).toISOString()))}::timestamptz[],
          ${list(part.map(({ temperatureC }) => temperatureC))}::float8[], ${list(part.map(({ relativeHumidity }) => relativeHumidity))}::float8[]) as r(at, t, rh)
        on conflict (studio_id, sensor_id, taken_at) do nothing`);
      kept += rowCount ?? 0;
    }
    return kept;
  });
}
