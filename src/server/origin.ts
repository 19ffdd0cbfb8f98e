import "server-only";
import { env } from "./env";

/** Where the app's own pages come from: a tablet may come by either name of the same machine. */
export function ownOrigins(): string[] {
  const base = new URL(env().IVY_BASE_URL).origin;
  return [...new Set([base, base.replace("127.0.0.1", "localhost")])];
}

/**
 * Whether a request that may change something was sent by another site's page, with the member's cookie. A browser says so by
 * `Sec-Fetch-Site` (another port of the same machine is "same-site", and another site here) or by `Origin`; what is no
 * browser sends neither, and no cookie that it was not given.
 */
export function isFromElsewhere({ method, headers }: Pick<Request, "method" | "headers">): boolean {
  if (method === "GET" || method === "HEAD" || method === "OPTIONS") return false;
  const site = headers.get("sec-fetch-site");
  if (site !== null && site !== "same-origin" && site !== "none") return true;
  const origin = headers.get("origin");
  return origin !== null && !ownOrigins().includes(origin);
}
