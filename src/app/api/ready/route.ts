import { readiness } from "@/server/readiness";
import { answer } from "@/server/respond";

export const dynamic = "force-dynamic";

/** Whether this copy may be sent work: database, migrations, roll-ups. 503 where it may not. Tells of nobody. */
export async function GET() {
  const found = await readiness();
  return answer(found, found.ready ? 200 : 503);
}
