import { auth } from "@/server/auth";
import { guarded, readBody, refuse } from "@/server/respond";

/** An address and a password are a few hundred bytes. */
const MAX_BYTES = 16 * 1024;

/**
 * What a browser may ask of sign-in by itself. All else (passwords, names, sessions, the second factor) has a server action of
 * its own, which asks for the password, minds in whose hands the tablet is, and keeps the audit list.
 */
const OPEN: ReadonlySet<string> = new Set(
  ["sign-in/email", "two-factor/verify-totp", "two-factor/verify-backup-code", "sign-out"].map((path) => `/api/auth/${path}`),
);

export function POST(request: Request) {
  return guarded(request, async () => {
    const { url, method, headers } = request;
    if (!OPEN.has(new URL(url).pathname)) return refuse(404, "There is nothing here.");
    const read = await readBody(request, MAX_BYTES);
    if (!read.ok) return read.response;
    return auth().handler(new Request(url, { method, headers, body: new Uint8Array(read.body) }));
  });
}
