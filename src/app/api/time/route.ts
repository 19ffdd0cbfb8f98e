import { answer } from "@/server/respond";

/** The server's time, ms since 1970, for devices to check theirs against. */
export function GET() {
  return answer({ serverMs: Date.now() });
}
export const dynamic = "force-dynamic";
