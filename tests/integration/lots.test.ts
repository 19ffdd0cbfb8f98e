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

const kept = async (table: "bottle" | "batch", id: string) => {
  const { rows } = await withClient(urls().owner, (db) =>
    db.query(
      `select lot, opened_on::text as opened, expires_on::text as expires, emptied_on::text as emptied from studio.${table} where id = $1`,
      [id],
    ),
  );
  return rows;
};

// A bottle of adhesive and a pack of anything else: opened, emptied and taken back in one way.
describe.each(["bottle", "batch"] as const)("a %s", (kind) => {
  const lot = (part: object = {}) => ({
    id: randomUUID(),
    kind,
    productId: kind === "bottle" ? studio.ids.adhesive : studio.ids.product,
    lot: " K 7 ",
    openedOn: "2026-01-05",
    expiresOn: "",
    ...part,
  });

  test("is opened once, however often it is sent, with the lot as it stands on it", async () => {
    const sent = lot({ expiresOn: "2027-03-01" });
    for (let i = 0; i < 2; i++) expect(await ask.openLot(sent)).toEqual({ ok: true, data: { id: sent.id } });
    expect(await kept(kind, sent.id)).toEqual([{ lot: "K 7", opened: "2026-01-05", expires: "2027-03-01", emptied: null }]);
  });
  test("without a lot, or opened tomorrow, or of a product that is not there, it is refused where that stands", async () => {
    expect(await ask.openLot(lot({ lot: "  " }))).toMatchObject({ ok: false, fields: { lot: expect.stringContaining("traced") } });
    const soon = new Date(Date.now() + 2 * 86_400_000).toISOString().slice(0, 10);
    expect(await ask.openLot(lot({ openedOn: soon }))).toMatchObject({ ok: false, fields: { openedOn: "Not in the future." } });
    const other = kind === "bottle" ? studio.ids.product : studio.ids.adhesive;
    expect(await ask.openLot(lot({ productId: other }))).toMatchObject({ ok: false, fields: { productId: "Choose another." } });
  });
  test("is empty by one tap and not empty after all by the next; one that is not there is said", async () => {
    const sent = lot();
    await ask.openLot(sent);
    expect(await ask.emptyLot({ kind, id: sent.id, emptied: true })).toMatchObject({ ok: true });
    expect((await kept(kind, sent.id))[0].emptied).toMatch(/^\d{4}-\d{2}-\d{2}$/);
    expect(await ask.emptyLot({ kind, id: sent.id, emptied: false })).toMatchObject({ ok: true });
    expect((await kept(kind, sent.id))[0].emptied).toBeNull();
    expect(await ask.emptyLot({ kind, id: randomUUID(), emptied: true })).toMatchObject({ ok: false });
    // Another kind's lot is not this one's.
    expect(await ask.emptyLot({ kind: kind === "bottle" ? "batch" : "bottle", id: sent.id, emptied: true })).toMatchObject({ ok: false });
  });
});
