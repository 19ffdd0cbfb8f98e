import "server-only";
import { randomUUID } from "node:crypto";
import { hashPassword } from "better-auth/crypto";
import { sql } from "drizzle-orm";
import type { z } from "zod";
import { defaultPolicy } from "@/core/policy";
import { LINK_HOURS } from "@/server/passwords";
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

/** A link that somebody asked for themselves, beside any that an owner made; null where nobody signs in with the address. */
export async function putOwnLink(email: string, hash: string): Promise<string | null> {
  const { rows } = await authDatabase().execute<{ user_id: string }>(sql`
    insert into auth.password_link (hash, user_id, kind, expires_at)
    select ${hash}, u.id, case when a.password is null then 'invitation' else 'reset' end, now() + make_interval(hours => ${LINK_HOURS})
    from auth."user" u join auth.account a on a.user_id = u.id and a.provider_id = 'credential' join lateral auth.member_of(u.id) m on true
    where u.email = ${email} returning user_id`);
  return rows[0]?.user_id ?? null;
}
