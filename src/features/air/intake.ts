import "server-only";
import { createHash } from "node:crypto";
import { deviceDatabase } from "@/server/pools";
import { answer, readJson, refuse } from "@/server/respond";
import { readingBatchSchema } from "./readingBatch";

const MAX_BYTES = 128 * 1024;
/** Batches a token may hand in each minute. */
const PER_MINUTE = 120;

/** The hygrometers' intake: device token, checked batch, one definer function. docs/formats.md describes it. */
export async function takeReadings(request: Request): Promise<Response> {
  const token = /^Bearer (\S{16,200})$/.exec(request.headers.get("authorization") ?? "")?.[1];
  if (!token) return refuse(401, "A device token is needed: authorization: Bearer …");
  const read = await readJson(request, MAX_BYTES);
  if (!read.ok) return read.response;
  const parsed = readingBatchSchema(Date.now()).safeParse(read.body);
  if (!parsed.success)
    return refuse(400, "Nothing of this batch was kept.", {
      problems: parsed.error.issues.slice(0, 12).map((issue) => ({ where: issue.path.join("."), what: issue.message })),
    });
  const hash = createHash("sha256").update(token).digest("hex");
  const { readings, sentAt } = parsed.data;
  const { rows } = await deviceDatabase().$client.query<{ status: string; kept: number; clock_off_s: number }>(
    "select status, kept, clock_off_s from device.accept_readings($1, $2, $3, $4, $5, $6)",
    [
      hash,
      readings.map(({ takenAt }) => takenAt),
      readings.map(({ temperatureC }) => temperatureC),
      readings.map(({ relativeHumidity }) => relativeHumidity),
      sentAt ?? null,
      PER_MINUTE,
    ],
  );
  const outcome = rows[0];
  if (outcome?.status === "unknown") return refuse(401, "This token is not known, or was withdrawn.");
  if (outcome?.status === "slow down") return answer({ message: `At most ${PER_MINUTE} batches a minute.` }, 429, { "retry-after": "60" });
  const kept = outcome?.kept ?? 0;
  const clockOffS = outcome?.clock_off_s ?? 0;
  return answer({ kept, known: readings.length - kept, ...(clockOffS === 0 ? {} : { clockOffS }) });
}
