import { randomUUID } from "node:crypto";
import { actAs } from "../support/memberAs";
import { makeStudio, pointAppAtTests, type TestStudio, urls, withClient } from "../support/studios";

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

let studio: TestStudio;
let ask: typeof import("@/features/shelf/lotActions");
beforeAll(async () => {
  studio = await makeStudio("lots");
  actAs(studio.member("trainee"));
  ask = await import("@/features/shelf/lotActions");
});

const sql = async (text: string, values: unknown[]) => (await withClient(urls().owner, (db) => db.query(text, values))).rows;
const kept = (id: string) =>
  sql(
    `select adhesive_id, product_id, number, opened_on::text as opened, expires_on::text as expires, emptied_on::text as emptied
     from studio.lot where id = $1`,
    [id],
  );

// A bottle of adhesive and a pack of anything else: opened, emptied and taken back in one way.
describe.each(["adhesive", "product"] as const)("a lot of an %s", (of) => {
  const lot = (part: object = {}) => ({
    id: randomUUID(),
    productId: studio.ids[of],
    lot: " K 7 ",
    openedOn: "2026-01-05",
    expiresOn: "",
    ...part,
  });

  test("is opened once, however often it is sent, with the lot as it stands on it", async () => {
    const sent = lot({ expiresOn: "2027-03-01" });
    for (let i = 0; i < 2; i++) expect(await ask.openLot(sent)).toEqual({ ok: true, data: { id: sent.id } });
    expect(await kept(sent.id)).toEqual([
      {
        adhesive_id: of === "adhesive" ? studio.ids.adhesive : null,
        product_id: of === "product" ? studio.ids.product : null,
        number: "K 7",
        opened: "2026-01-05",
        expires: "2027-03-01",
        emptied: null,
      },
    ]);
  });
  test("without a lot, or opened tomorrow, or of a product that is not there, it is refused where that stands", async () => {
    expect(await ask.openLot(lot({ lot: "  " }))).toMatchObject({ ok: false, fields: { lot: expect.stringContaining("traced") } });
    const soon = new Date(Date.now() + 2 * 86_400_000).toISOString().slice(0, 10);
    expect(await ask.openLot(lot({ openedOn: soon }))).toMatchObject({ ok: false, fields: { openedOn: "Not in the future." } });
    expect(await ask.openLot(lot({ productId: randomUUID() }))).toMatchObject({ ok: false, fields: { productId: "Choose another." } });
  });
  test("is empty by one tap and not empty after all by the next; one that is not there is said", async () => {
    const sent = lot();
    await ask.openLot(sent);
    expect(await ask.emptyLot({ id: sent.id, emptied: true })).toMatchObject({ ok: true });
    expect((await kept(sent.id))[0].emptied).toMatch(/^\d{4}-\d{2}-\d{2}$/);
    expect(await ask.emptyLot({ id: sent.id, emptied: false })).toMatchObject({ ok: true });
    expect((await kept(sent.id))[0].emptied).toBeNull();
    expect(await ask.emptyLot({ id: randomUUID(), emptied: true })).toMatchObject({ ok: false });
  });
});

test("a pack is no bottle: nothing is timed, begun or corrected with it", async () => {
  const { isBottle, bottlesOf, openBottles } = await import("@/features/shelf/bottles");
  const { inStudio } = await import("@/server/inStudio");
  const me = studio.member("technician");
  await inStudio(me, async (tx) => {
    expect(await isBottle(tx, studio.ids.bottle)).toBe(true);
    expect(await isBottle(tx, studio.ids.batch)).toBe(false);
    expect((await bottlesOf(tx, [studio.ids.bottle, studio.ids.batch, studio.ids.bottle])).map(({ id }) => id)).toEqual([
      studio.ids.bottle,
    ]);
    expect((await openBottles(tx)).map(({ id }) => id)).not.toContain(studio.ids.batch);
  });
});

test("care judges a lot by the family of what it is of", async () => {
  const { lotsAsProducts } = await import("@/features/visit/door");
  const { inStudio } = await import("@/server/inStudio");
  const both = await inStudio(studio.member("technician"), (tx) => lotsAsProducts(tx, [studio.ids.bottle, studio.ids.batch]));
  const of = (productId: string) => both.find((one) => one.productId === productId);
  expect(both).toHaveLength(2);
  expect(of(studio.ids.adhesive)).toMatchObject({ family: "adhesive", name: expect.stringMatching(/, lot L1$/), isPowder: false });
  expect(of(studio.ids.product)).toMatchObject({ name: expect.stringMatching(/, lot B1$/) });
  expect(of(studio.ids.product)!.family).not.toBe("adhesive");
});

test("the database keeps no lot of nothing, and none of two things", async () => {
  const put = (adhesiveId: string | null, productId: string | null) =>
    sql("insert into studio.lot (studio_id, id, adhesive_id, product_id, number, opened_on) values ($1, $2, $3, $4, 'X', current_date)", [
      studio.ids.studioId,
      randomUUID(),
      adhesiveId,
      productId,
    ]);
  await expect(put(null, null)).rejects.toThrow("lot_of_one");
  await expect(put(studio.ids.adhesive, studio.ids.product)).rejects.toThrow("lot_of_one");
});

test("bottles are judged in a room that is worked in, never in one that is closed", async () => {
  const { shelfPage } = await import("@/features/shelf/data");
  const judgedIn = async () => (await shelfPage(studio.member("technician"), new Date())).standings?.roomName ?? null;
  const close = (at: string) => sql(`update studio.room set closed_at = ${at} where studio_id = $1`, [studio.ids.studioId]);
  expect(await judgedIn()).not.toBeNull();
  await close("now()");
  expect(await judgedIn()).toBeNull();
  await close("null");
});
