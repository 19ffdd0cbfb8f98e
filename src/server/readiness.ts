import "server-only";
import { sql } from "drizzle-orm";
import journal from "@/db/migrations/meta/_journal.json";
import { appDatabase, authDatabase, deviceDatabase } from "./pools";

/** Roll-ups are settled every few seconds; owed for so long, nobody settles them. */
const OWED_TOO_LONG_S = 600;

export type Readiness = {
  readonly ready: boolean;
  readonly database: "up" | "away";
  readonly migrations: "done" | "behind" | "ahead" | "unknown";
  readonly rollUps: "settled" | "late" | "unknown";
};

const PATIENCE_MS = 3000;
const within = <T>(work: Promise<T>): Promise<T> =>
  Promise.race([work, new Promise<never>((_, reject) => setTimeout(() => reject(new Error("late")), PATIENCE_MS).unref())]);

/** Whether this copy of the app may be sent work: all three of its roles reach a database that is as new as it is itself. */
export async function readiness(): Promise<Readiness> {
  try {
    const [{ rows }] = await within(
      Promise.all([
        authDatabase().execute<{ migrations: number; owed_s: number }>(sql`select * from auth.readiness()`),
        appDatabase().execute(sql`select 1`),
        deviceDatabase().execute(sql`select 1`),
      ]),
    );
    const { migrations: done, owed_s: owedS } = rows[0]!;
    const wanted = journal.entries.length;
    const migrations = done === wanted ? "done" : done < wanted ? "behind" : "ahead";
    const rollUps = owedS > OWED_TOO_LONG_S ? "late" : "settled";
    return { ready: migrations !== "behind" && rollUps === "settled", database: "up", migrations, rollUps };
  } catch {
    return { ready: false, database: "away", migrations: "unknown", rollUps: "unknown" };
  }
}
