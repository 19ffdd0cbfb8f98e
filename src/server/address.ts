import "server-only";
import { isIPv6 } from "node:net";

/**
 * The address a request came from, as `scripts/start.mjs` wrote it: what a sender says of itself is put aside there, unless a
 * proxy that the settings name passed it on. Null where nobody wrote one.
 */
export function addressOf(headers: Headers): string | null {
  return headers.get("x-forwarded-for")?.split(",").at(-1)?.trim() || null;
}

/** Whose guesses count together: an IPv4 address, or the /64 that one household of IPv6 is given. */
export function networkOf(address: string | null): string {
  if (!address) return "unknown";
  if (!isIPv6(address)) return address;
  const mapped = /^::ffff:(\d+\.\d+\.\d+\.\d+)$/i.exec(address)?.[1];
  if (mapped) return mapped;
  const [head = "", tail] = address.toLowerCase().split("::");
  const before = head ? head.split(":") : [];
  const after = tail ? tail.split(":") : [];
  const whole =
    tail === undefined ? before : [...before, ...Array<string>(Math.max(0, 8 - before.length - after.length)).fill("0"), ...after];
  return whole
    .slice(0, 4)
    .map((group) => group.replace(/^0+(?=.)/, ""))
    .join(":");
}
