import { answer } from "@/server/respond";

export const dynamic = "force-dynamic";

const upSince = new Date().toISOString();

/** That this copy of the app answers, and since when. What it stands on is told by /api/ready. */
export function GET() {
  return answer({ ok: true, upSince });
}
