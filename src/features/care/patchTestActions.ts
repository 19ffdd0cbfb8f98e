"use server";
import { and, eq, isNull } from "drizzle-orm";
import { refresh } from "next/cache";
import { mayLift, mayRead, READ_AFTER_H } from "@/core/care";
import { adhesive, patchReading, patchTest, product, reactionLifting } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { note } from "@/server/audit";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import { momentIn } from "@/server/studioTime";
import { knownClient } from "@/features/person/knownClient";
import { lifting, placing, reactionNote, testReading } from "./patchTestSchema";

/** A moment typed on the studio's clock, not later than now. */
function pastMoment(timeZone: string, form: { day: string; time: string }): Date {
  const moment = momentIn(timeZone, form.day, form.time);
  if (!moment) throw new Refusal("There is no such hour on that day.", { time: "The clocks change then." });
  if (moment.getTime() > Date.now() + 60_000) throw new Refusal("That is still to come.", { day: "Not in the future." });
  if (moment.getTime() < Date.now() - 10 * 365 * 86_400_000) throw new Refusal("That is over ten years ago.", { day: "Within ten years." });
  return moment;
}

/** Tests of one family and product placed on a client at one moment. */
const samePlacing = ({
  clientId,
  family,
  productId,
  placedAt,
}: Pick<typeof patchTest.$inferSelect, "clientId" | "family" | "productId" | "placedAt">) =>
  and(
    eq(patchTest.clientId, clientId),
    eq(patchTest.family, family),
    eq(patchTest.placedAt, placedAt),
    productId ? eq(patchTest.productId, productId) : isNull(patchTest.productId),
  );

/** A test placed on skin, with its hour. Tests are only added. */
export const placePatchTest = action({ input: placing }, async (me, { id, clientId, family, productId, leaflet24, ...when }) => {
  const placedAt = pastMoment(me.timeZone, when);
  await inStudio(me, async (tx) => {
    const { id: whose } = await knownClient(tx, clientId);
    if (productId && !(await isOnShelf(tx, productId)))
      throw new Refusal("This product is not on the shelf.", { productId: "Choose another." });
    const readAfterHours = leaflet24 ? 24 : READ_AFTER_H;
    const placed = { clientId: whose, family, productId: productId || null, placedAt };
    const [made] = await tx
      .insert(patchTest)
      .values({ studioId: me.studioId, id, ...placed, readAfterHours, recordedBy: me.id })
      .onConflictDoNothing()
      .returning({ id: patchTest.id });
    // The same placing twice is one; with another hour to be read at it is a slip, and said.
    const [known] = made ? [] : await tx.select().from(patchTest).where(samePlacing(placed));
    if (known && known.readAfterHours !== readAfterHours)
      throw new Refusal(`This placing is written down already, to be read at ${known.readAfterHours} h.`);
  });
  refresh();
  return null;
});

async function isOnShelf(tx: StudioTransaction, id: string): Promise<boolean> {
  const [one] = await tx.select({ id: product.id }).from(product).where(eq(product.id, id));
  const [other] = await tx.select({ id: adhesive.id }).from(adhesive).where(eq(adhesive.id, id));
  return one !== undefined || other !== undefined;
}

/** What was seen of a test. Clear only from its hour on; a reaction at any time, by anybody, and it stands. */
export const readPatchTest = action({ input: testReading }, async (me, { id, testId, result, severe, ...when }) => {
  const readAt = pastMoment(me.timeZone, when);
  await inStudio(me, async (tx) => {
    const [test] = await tx.select().from(patchTest).where(eq(patchTest.id, testId));
    if (!test) throw new Refusal("This test is not on record.");
    const early = mayRead({ placedAtMs: test.placedAt.getTime(), readAfterHours: test.readAfterHours }, result, readAt.getTime());
    if (early) throw new Refusal(early, { result: early });
    await tx
      .insert(patchReading)
      .values({ studioId: me.studioId, id, testId, readAt, result, severe: result === "reaction" ? severe : null, readBy: me.id })
      .onConflictDoNothing();
  });
  refresh();
  return null;
});

/** A reaction seen at work or told by the client, with no test: placed and read in one, and it stands all the same. */
export const noteReaction = action({ input: reactionNote }, async (me, { id, readingId, clientId, family, productId, severe, ...when }) => {
  const at = pastMoment(me.timeZone, when);
  await inStudio(me, async (tx) => {
    const { id: whose } = await knownClient(tx, clientId);
    if (productId && !(await isOnShelf(tx, productId)))
      throw new Refusal("This product is not on the shelf.", { productId: "Choose another." });
    const common = { studioId: me.studioId };
    const placed = { clientId: whose, family, productId: productId || null, placedAt: at };
    await tx
      .insert(patchTest)
      .values({ ...common, id, ...placed, recordedBy: me.id })
      .onConflictDoNothing();
    // A placing of that very minute may stand there already: then the reaction is that one's.
    const [test] = await tx.select({ id: patchTest.id }).from(patchTest).where(samePlacing(placed));
    await tx
      .insert(patchReading)
      .values({ ...common, id: readingId, testId: test?.id ?? id, readAt: at, result: "reaction", severe, readBy: me.id })
      .onConflictDoNothing();
  });
  refresh();
  return null;
});

/** The owner lifts one reaction for one named product, by a dermatologist's written finding; never after a grave one. */
export const liftReaction = action({ input: lifting, least: "owner" }, async (me, { id, readingId, productId, finding }) => {
  await inStudio(me, async (tx) => {
    const [row] = await tx
      .select({ result: patchReading.result, severe: patchReading.severe, family: patchTest.family, clientId: patchTest.clientId })
      .from(patchReading)
      .innerJoin(patchTest, eq(patchTest.id, patchReading.testId))
      .where(eq(patchReading.id, readingId));
    if (!row) throw new Refusal("This reaction is not on record.");
    const why = mayLift(row);
    if (why) throw new Refusal(why);
    if (!(await isOnShelf(tx, productId))) throw new Refusal("This product is not on the shelf.", { productId: "Choose another." });
    await tx
      .insert(reactionLifting)
      .values({ studioId: me.studioId, id, readingId, productId, finding, liftedBy: me.id })
      .onConflictDoNothing();
    await note(tx, me, "stopLifted", { clientId: row.clientId, detail: row.family, onceKey: `lifting ${id}` });
  });
  refresh();
  return null;
});
