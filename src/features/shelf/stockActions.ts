"use server";
import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { shieldSchema } from "@/core/lift";
import { dropsPerGram, nozzleFromRibbon, productSchema } from "@/core/mixing";
import { product, shield } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { measureForm, productForm } from "./schema";

/** A product from its leaflet, or its changed document. */
export const keepProduct = action(
  {
    input: productForm,
    least: "technician",
  },
  async (me, { id, base, document }) => {
    const kept = await inStudio(me, async (tx) => {
      if (id === null) {
        const made = randomUUID();
        await tx.insert(product).values({ studioId: me.studioId, id: made, document });
        return made;
      }
      const [row] = await tx.select().from(product).where(eq(product.id, id)).for("update");
      if (!row) throw new Refusal("This product is not on the shelf.");
      if (row.document.kind !== document.kind)
        throw new Refusal("What it is cannot change: runs and patch tests speak of it. Add it as another product.");
      if (row.revision !== base)
        throw new Refusal("It was changed elsewhere since you opened it. Yours is still here; close it and open it again to see theirs.");
      await tx
        .update(product)
        .set({ document, revision: base + 1 })
        .where(eq(product.id, id));
      return id;
    });
    refresh();
    return { id: kept };
  },
);

/** Counts or weighs a product's own drops or ribbon, so that its doses are known instead of guessed. */
export const calibrateProduct = action(
  {
    input: measureForm,
    least: "technician",
  },
  async (me, form) => {
    await inStudio(me, async (tx) => {
      const [row] = await tx.select().from(product).where(eq(product.id, form.id)).for("update");
      if (!row) throw new Refusal("This product is not on the shelf.");
      const density = row.document.densityGMl ?? 1;
      const change =
        form.how === "drops"
          ? { dropsPerGram: Math.round(dropsPerGram(form.drops, form.grams) * 100) / 100 }
          : { nozzleMm: Math.round(nozzleFromRibbon(form.lengthCm, form.grams, density) * 100) / 100, densityGMl: density };
      const parsed = productSchema.safeParse({ ...row.document, ...change });
      if (!parsed.success) throw new Refusal(`That cannot be: ${parsed.error.issues[0]!.message} Count again.`);
      await tx
        .update(product)
        .set({ document: parsed.data, revision: row.revision + 1 })
        .where(eq(product.id, form.id));
    });
    refresh();
    return null;
  },
);

export const addShield = action({ input: shieldSchema, least: "technician" }, async (me, document) => {
  await inStudio(me, (tx) => tx.insert(shield).values({ studioId: me.studioId, id: randomUUID(), document }));
  refresh();
  return null;
});

export const removeShield = action({ input: z.strictObject({ id: z.uuid() }), least: "technician" }, async (me, { id }) => {
  const rows = await inStudio(me, (tx) => tx.delete(shield).where(eq(shield.id, id)).returning({ document: shield.document }));
  if (!rows[0]) throw new Refusal("This shield is not in stock.");
  refresh();
  return rows[0].document;
});
