"use server";
import { randomUUID } from "node:crypto";
import { and, eq } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { checkProtocol, placeWords, protocolSchema } from "@/core/protocol";
import { protocol } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { saveNumber } from "@/server/typed";
/** A new protocol of the studio's own, or a changed one: refused while it is impossible, with the place and the reason. */
export const keepProtocol = action(
  { input: z.strictObject({ id: z.uuid().nullable(), base: saveNumber(0), document: protocolSchema }), least: "technician" },
  async (me, { id, base, document }) => {
    const problems = checkProtocol(document);
    if (problems.length > 0)
      throw new Refusal(
        `This cannot be worked by: ${placeWords(document, problems[0]!.path)}. ${problems[0]!.why}`,
        Object.fromEntries(problems.map(({ path, why }) => [path, why])),
      );
    const kept = await inStudio(me, async (tx) => {
      if (id === null) {
        const made = randomUUID();
        await tx.insert(protocol).values({ studioId: me.studioId, id: made, document, savedBy: me.id });
        return { id: made, revision: 1 };
      }
      const [row] = await tx
        .update(protocol)
        .set({ document, revision: base + 1, savedBy: me.id, savedAt: new Date() })
        .where(and(eq(protocol.id, id), eq(protocol.revision, base)))
        .returning({ revision: protocol.revision });
      if (!row) throw new Refusal("It was changed elsewhere since you opened it. Yours is still here; reload to see theirs.");
      return { id, revision: row.revision };
    });
    refresh();
    return kept;
  },
);

export const putProtocolAway = action(
  { input: z.strictObject({ id: z.uuid(), away: z.boolean() }), least: "technician" },
  async (me, { id, away }) => {
    const rows = await inStudio(me, (tx) =>
      tx.update(protocol).set({ putAway: away }).where(eq(protocol.id, id)).returning({ id: protocol.id }),
    );
    if (!rows[0]) throw new Refusal("This protocol is not in the studio.");
    refresh();
    return null;
  },
);
