"use server";
import { createHash, randomBytes, randomUUID } from "node:crypto";
import { hashPassword } from "better-auth/crypto";
import { and, eq, sql } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { policySchema } from "@/core/policy";
import { policy, room, ROLES, sensor } from "@/db/schema";
import { personSchema } from "@/features/signIn/schema";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";

export const savePolicy = action({ input: z.strictObject({ base: z.int(), policy: policySchema }), least: "owner" }, async (me, input) => {
  const rows = await inStudio(me, (tx) =>
    tx
      .update(policy)
      .set({ document: input.policy, revision: input.base + 1, updatedAt: new Date(), updatedBy: me.id })
      .where(and(eq(policy.studioId, me.studioId), eq(policy.revision, input.base)))
      .returning({ revision: policy.revision }),
  );
  if (!rows[0])
    throw new Refusal("The policy was changed elsewhere since this page was opened. Yours is still here; reload to see theirs.");
  refresh();
  return { revision: rows[0].revision };
});

export const addPerson = action({ input: personSchema.extend({ role: z.enum(ROLES) }), least: "owner" }, async (me, form) => {
  const hash = await hashPassword(form.password);
  const { rows } = await inStudio(me, (tx) =>
    tx.execute<{ outcome: string }>(
      sql`select studio.add_member(${randomUUID()}, ${form.name}, ${form.email}, ${hash}, ${form.role}) as outcome`,
    ),
  );
  if (rows[0]?.outcome === "taken") throw new Refusal("Somebody signs in with this address already.", { email: "Already taken." });
  if (rows[0]?.outcome !== "added") throw new Refusal("Only the owner adds people.");
  refresh();
  return null;
});

const newToken = () => `ivy_${randomBytes(24).toString("base64url")}`;
const hashOf = (token: string) => createHash("sha256").update(token).digest("hex");

/** A hygrometer and its token, shown this once: only its hash is kept. */
export const addSensor = action(
  {
    input: z.strictObject({ roomId: z.uuid(), name: z.string().trim().min(1, "Say where it stands.").max(80, "80 characters at most.") }),
    least: "owner",
  },
  async (me, form) => {
    const id = randomUUID();
    const token = newToken();
    await inStudio(me, async (tx) => {
      const [known] = await tx.select({ id: room.id }).from(room).where(eq(room.id, form.roomId));
      if (!known) throw new Refusal("This room is not in the studio.");
      await tx.insert(sensor).values({ studioId: me.studioId, id, ...form });
      await tx.execute(sql`select studio.give_token(${id}, ${hashOf(token)})`);
    });
    refresh();
    return { token };
  },
);

/** A new token for a hygrometer; the old one ends at once. */
export const renewToken = action({ input: z.strictObject({ id: z.uuid() }), least: "owner" }, async (me, { id }) => {
  const token = newToken();
  const { rows } = await inStudio(me, (tx) =>
    tx.execute<{ done: boolean }>(sql`select studio.give_token(${id}, ${hashOf(token)}) as done`),
  );
  if (!rows[0]?.done) throw new Refusal("This hygrometer is not in the studio.");
  return { token };
});
