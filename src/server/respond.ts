import "server-only";
import { randomUUID } from "node:crypto";
import { log } from "./log";

const noStore = { "cache-control": "no-store" };

/** A JSON answer that no cache keeps. */
export function answer(body: unknown, status = 200, headers: Record<string, string> = {}): Response {
  return Response.json(body, { status, headers: { ...noStore, ...headers } });
}

/** An answer in words for what went wrong. */
export function refuse(status: number, message: string, more: Record<string, unknown> = {}): Response {
  return answer({ message, ...more }, status);
}

/** Runs a route; what it did not foresee becomes an apology with a number that finds it in the log. */
export async function guarded(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    const id = randomUUID().slice(0, 8);
    log.error({ id, err: error instanceof Error ? error.stack : String(error) }, "route failed");
    return refuse(503, `The server could not do this just now. Try again. (${id})`);
  }
}

/** Reads a JSON body up to a size, without trusting its stated length; null says what was wrong. */
export async function readJson(request: Request, maxBytes: number): Promise<{ ok: true; body: unknown } | { ok: false; response: Response }> {
  const tooBig = { ok: false as const, response: refuse(413, `More than ${Math.round(maxBytes / 1024)} kB at once is not taken.`) };
  if (Number(request.headers.get("content-length") ?? 0) > maxBytes) return tooBig;
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read().catch(() => ({ done: true as const, value: undefined }));
    if (done) break;
    size += value.byteLength;
    if (size > maxBytes) {
      await reader.cancel();
      return tooBig;
    }
    chunks.push(value);
  }
  try {
    return { ok: true, body: JSON.parse(Buffer.concat(chunks).toString("utf8")) };
  } catch {
    return { ok: false, response: refuse(400, "This is not JSON, or it was cut off on the way.") };
  }
}
