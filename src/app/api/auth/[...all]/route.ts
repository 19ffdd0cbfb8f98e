import { auth } from "@/server/auth";
import { guarded, readBody } from "@/server/respond";

/** An address and a password are a few hundred bytes. */
const MAX_BYTES = 16 * 1024;

export function GET(request: Request) {
  return guarded(request, () => auth().handler(request));
}

export function POST(request: Request) {
  return guarded(request, async () => {
    const read = await readBody(request, MAX_BYTES);
    if (!read.ok) return read.response;
    const { url, method, headers } = request;
    return auth().handler(new Request(url, { method, headers, body: new Uint8Array(read.body) }));
  });
}
