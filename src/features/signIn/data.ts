import "server-only";
import { randomUUID } from "node:crypto";
import { hashPassword } from "better-auth/crypto";
import { sql } from "drizzle-orm";
import type { z } from "zod";
import { defaultPolicy } from "@/core/policy";
import { authDatabase } from "@/server/pools";
import type { firstStudioSchema } from "./schema";

export async function anyStudio(): Promise<boolean> {
  const { rows } = await authDatabase().execute<{ any: boolean }>(sql`select auth.any_studio() as any`);
  return rows[0]?.any ?? false;
}

/** Creates the first studio and its owner; false when there is one already. */
export async function createFirstStudio(input: z.output<typeof firstStudioSchema>): Promise<boolean> {
  const hash = await hashPassword(input.password);
  const { rows } = await authDatabase().execute<{ done: boolean }>(
    sql`select auth.create_first_studio(${randomUUID()}, ${randomUUID()}, ${input.studioName}, ${input.timeZone}, ${JSON.stringify(defaultPolicy)}::jsonb, ${input.name}, ${input.email}, ${hash}) as done`,
  );
  return rows[0]?.done ?? false;
}
