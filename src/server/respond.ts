import "server-only";
import { randomUUID } from "node:crypto";
import { log } from "./log";
import { isFromElsewhere } from "./origin";
import { withoutWords } from "./withoutWords";

const noStore = { "cache-control": "no-store" };

/** A JSON answer that no cache keeps. */
export function answer(body: unknown, status = 200, headers: Record<string, string> = {}): Response {
  return Response.json(body, { status, headers: { ...noStore, ...headers } });
}

/** An answer in words for what went wrong. */
export function refuse(status: number, message: string, more: Record<string, unknown> = {}): Response {
  return answer({ message, ...more }, status);
}

/** Runs a route, unless another site's page sent it; what it did not foresee becomes an apology with a number that finds it in the log. */
export async function guarded(request: Request, work: () => Promise<Response>): Promise<Response> {
  try {
    if (isFromElsewhere(request)) return refuse(403, "This was sent from another site's page, and is not taken.");
    return await work();
  } catch (error) {
    return apologise(error);
  }
}

/** An apology for what was not foreseen, with a number that finds it in the log. */
export function apologise(error: unknown): Response {
  const id = randomUUID().slice(0, 8);
  log.error({ id, err: withoutWords(error) }, "route failed");
  return refuse(503, `The server could not do this just now. Try again. (${id})`);
}

type Read<T> = { readonly ok: true; readonly body: T } | { readonly ok: false; readonly response: Response };

/** Reads a body up to a size, without trusting its stated length; what was cut off on the way comes as far as it came. */
export async function readBody(request: Request, maxBytes: number): Promise<Read<Buffer>> {
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
  return { ok: true, body: Buffer.concat(chunks) };
}

/** Reads a JSON body up to a size; what is wrong with it comes as an answer in words. */
export async function readJson(request: Request, maxBytes: number): Promise<Read<unknown>> {
  const read = await readBody(request, maxBytes);
  if (!read.ok) return read;
  try {
    const body: unknown = JSON.parse(read.body.toString("utf8"));
    return { ok: true, body };
  } catch {
    return { ok: false, response: refuse(400, "This is not JSON, or it was cut off on the way.") };
  }
}
