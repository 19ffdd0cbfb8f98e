import { createHash, randomUUID } from "node:crypto";
import { strFromU8, unzipSync } from "fflate";
import { NOTHING_SO } from "@/core/care";
import { NAMES_A_CLIENT } from "@/db/schema";
import { acting, actAs } from "../support/memberAs";
import { makeStudio, pointAppAtTests, readOutcomesAnew, urls, withClient, type TestStudio } from "../support/studios";

// Whole records on a real PostgreSQL: two entries made one and taken apart, a list read in and taken back, one handed out, one erased.

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

type Answer = { ok: boolean; message?: string; fields?: Record<string, string>; data?: Record<string, unknown> };
type Actions = Record<string, (input: unknown) => Promise<Answer>>;
let studio: TestStudio;
let actions: Actions;
const sql = (text: string, values: unknown[] = []) => withClient(urls().owner, (db) => db.query(text, values));
const form = (name: string, more: object = {}) => ({ name, phone: "", email: "", contact: "", notes: "", bornOn: "", ...more });

beforeEach(async () => {
  studio = await makeStudio(`records ${Math.random()}`);
  actAs(studio.member("owner"));
  actions = {
    ...(await import("@/features/clients/actions")),
    ...(await import("@/features/clients/import/actions")),
    ...(await import("@/features/visit/actions")),
    ...(await import("@/features/care/actions")),
    ...(await import("@/features/care/patchTestActions")),
    ...(await import("@/features/survey/actions")),
    ...(await import("@/features/map/actions")),
  } as unknown as Actions;
});

async function add(name: string, more: object = {}): Promise<string> {
  const id = randomUUID();
  expect(await actions.addClient!({ id, form: form(name, more) })).toMatchObject({ ok: true });
  return id;
}
const merge = (keepId: string, goneId: string, words: object = form("Lina Marsh"), id: string = randomUUID()) =>
  actions.mergeClients!({ id, keepId, goneId, form: words });
const inDays = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
const booking = (clientId: string, service = "lift") => ({
  ...{ id: randomUUID(), clientId, service, technicianId: studio.ids.technician, chairId: studio.ids.chair },
  ...{ day: inDays(5), time: "10:00", minutes: 60 },
});
/** How many rows of each table name a client. */
const namedIn = async (id: string) =>
  Object.fromEntries(
    await Promise.all(
      NAMES_A_CLIENT.map(async (table) => {
        const { rows } = await sql(`select count(*)::int as n from studio.${table} where studio_id = $1 and client_id = $2`, [
          studio.ids.studioId,
          id,
        ]);
        return [table, rows[0].n as number] as const;
      }),
    ),
  );
const row = async (id: string) =>
  (await sql("select * from studio.client where studio_id = $1 and id = $2", [studio.ids.studioId, id])).rows[0];
const pageOf = async (id: string) => (await import("@/features/clients/data")).clientPage(acting(), id, new Date());

test("every table that names a client is moved by a merge, handed out and kept in mind: a new one stands in the list, and in both functions", async () => {
  const { rows } = await sql(
    "select table_name from information_schema.columns where table_schema = 'studio' and column_name = 'client_id' order by 1",
  );
  expect(rows.map(({ table_name }) => table_name)).toEqual([...NAMES_A_CLIENT, "audit_entry"].sort());
  const { rows: triggers } = await sql(
    "select event_object_table as table from information_schema.triggers where trigger_schema = 'studio' and trigger_name = 'of_whom' and event_manipulation = 'INSERT'",
  );
  expect(triggers.map(({ table }) => table).sort()).toEqual([...NAMES_A_CLIENT].sort());
});

describe("likely doubles", () => {
  const find = async (typed: object, ownId: string | null = null) =>
    (await actions.findDoubles!({ name: "", phone: "", email: "", bornOn: "", ownId, ...typed })).data as unknown as {
      name: string;
      why: string;
      archived: boolean;
    }[];
  test("are told by what is typed so far, archived ones too, and never of oneself", async () => {
    const lina = await add("Lina Märsh", { phone: "+44 171 555 0123", bornOn: "1990-03-04" });
    expect(await find({ name: "marsh lina" })).toEqual([{ id: lina, name: "Lina Märsh", why: "the same name", archived: false }]);
    expect(await find({ name: "Somebody", phone: "0171 5550123" })).toMatchObject([{ why: "the same telephone number" }]);
    expect(await find({ name: "Lina Marhs", bornOn: "1990-04-03" })).toMatchObject([{ name: "Lina Märsh" }]);
    expect(await find({ name: "Lina Marsh", bornOn: "1971-01-01" })).toEqual([]);
    expect(await find({ name: "Lina Marsh" }, lina)).toEqual([]);
    await actions.archiveClient!({ id: lina, archived: true });
    expect(await find({ name: "lina marsh" })).toMatchObject([{ archived: true }]);
    expect(await find({ name: "%" })).toEqual([]);
    // What is typed so far may be no day yet.
    expect(await actions.findDoubles!({ name: "lina marsh", phone: "", email: "", bornOn: "19", ownId: null })).toMatchObject({ ok: true });
  });
  test("said to be two people, neither page tells of the other again", async () => {
    const [one, other] = [await add("Lina Marsh"), await add("Lina Marsh")];
    expect((await pageOf(one))!.doubles).toMatchObject([{ id: other }]);
    expect(await actions.notTheSame!({ one, other })).toMatchObject({ ok: true });
    expect(await actions.notTheSame!({ one: other, other: one })).toMatchObject({ ok: true });
    expect((await pageOf(one))!.doubles).toEqual([]);
    expect((await pageOf(other))!.doubles).toEqual([]);
    expect(await actions.notTheSame!({ one, other: one })).toMatchObject({ ok: false });
  });
});

describe("two entries made one", () => {
  test("everything of both is the kept one's, by the words chosen; taken apart, each has what was theirs", async () => {
    const kept = await add("Lina", { notes: "first" });
    const before = await namedIn(studio.ids.client);
    expect(Object.values(before).every((n) => n > 0)).toBe(true);
    const words = form("Lina Marsh", { phone: "0171 555 0123", notes: "first\nprivate", bornOn: "1990-03-04" });
    const id = randomUUID();
    expect(await merge(kept, studio.ids.client, words, id)).toMatchObject({ ok: true });
    expect(await merge(kept, studio.ids.client, words, id)).toMatchObject({ ok: true });
    expect(await namedIn(kept)).toEqual(before);
    expect(Object.values(await namedIn(studio.ids.client)).every((n) => n === 0)).toBe(true);
    expect(await row(kept)).toMatchObject({
      name: "Lina Marsh",
      phone: "0171 555 0123",
      notes: "first\nprivate",
      gone: null,
      archived_at: null,
    });
    expect(await row(studio.ids.client)).toMatchObject({ gone: "merged", merged_into: kept, name: `${studio.name} client` });
    const { mergedInto } = await import("@/features/clients/data");
    expect(await mergedInto(acting(), studio.ids.client)).toBe(kept);
    expect((await pageOf(kept))!.merges).toMatchObject([{ id, name: `${studio.name} client` }]);
    // What comes to the merged one since is the kept one's, and stays so.
    expect(await actions.saveSurvey!({ id: randomUUID(), clientId: studio.ids.client, survey: studio.survey })).toMatchObject({ ok: true });
    expect((await namedIn(kept)).survey).toBe(before.survey! + 1);

    expect(await actions.undoMerge!({ id })).toMatchObject({ ok: true });
    expect(await actions.undoMerge!({ id })).toMatchObject({ ok: true });
    expect(await namedIn(studio.ids.client)).toEqual(before);
    expect(await namedIn(kept)).toMatchObject({ survey: 1, visit: 0 });
    expect(await row(kept)).toMatchObject({ name: "Lina", phone: "", notes: "first", born_on: null });
    expect(await row(studio.ids.client)).toMatchObject({ gone: null, merged_into: null, archived_at: null });
    const { rows } = await sql("select kind from studio.audit_entry where studio_id = $1 order by at", [studio.ids.studioId]);
    expect(rows.map(({ kind }) => kind)).toEqual(expect.arrayContaining(["clientsMerged", "mergeUndone"]));
    expect(rows.filter(({ kind }) => kind === "clientsMerged")).toHaveLength(1);
  });

  test("words that were changed since are not set back when it is taken apart", async () => {
    const [kept, other] = [await add("Lina"), await add("Lina M")];
    const id = randomUUID();
    await merge(kept, other, form("Lina M"), id);
    const { updated_at } = await row(kept);
    expect(
      await actions.changeClient!({ id: kept, seenAt: (updated_at as Date).toISOString(), form: form("Lina Marsh-Oare") }),
    ).toMatchObject({ ok: true });
    await actions.undoMerge!({ id });
    expect((await row(kept)).name).toBe("Lina Marsh-Oare");
  });

  test("a stop of either is a stop of both, by whichever id it is asked", async () => {
    const kept = await add("Lina", { bornOn: "1990-03-04" });
    const other = await add("Lina M", { bornOn: "1990-03-04" });
    const reaction = {
      id: randomUUID(),
      readingId: randomUUID(),
      clientId: other,
      family: "lotion",
      productId: "",
      severe: null,
      day: "2026-01-02",
      time: "10:00",
    };
    expect(await actions.noteReaction!(reaction)).toMatchObject({ ok: true });
    expect(await actions.book!(booking(kept))).toMatchObject({ ok: true });
    expect(
      await actions.cancel!({
        id: (await sql("select id from studio.visit where client_id = $1", [kept])).rows[0].id,
        why: "to try again",
        back: false,
      }),
    ).toMatchObject({ ok: true });
    await merge(kept, other);
    for (const id of [kept, other])
      expect(await actions.book!(booking(id))).toMatchObject({ ok: false, message: expect.stringMatching(/reacted|reaction/i) });
    expect(await actions.openVisit!({ visitId: randomUUID(), clientId: other, service: "lift" })).toMatchObject({
      ok: false,
      message: expect.stringMatching(/reacted|reaction/i),
    });
    expect(await actions.lookAtBooking!({ clientId: other, service: "lift", day: inDays(5), time: "10:00" })).toMatchObject({
      ok: true,
      data: { findings: expect.arrayContaining([expect.objectContaining({ weight: "stop" })]) },
    });
  });

  test("a test noted twice at one moment is one, and the reaction read of either counts", async () => {
    const [kept, other] = [await add("Lina"), await add("Lina M")];
    const placing = { family: "lotion", productId: "", day: "2026-01-02", time: "10:00", leaflet24: false };
    const [a, b] = [randomUUID(), randomUUID()];
    expect(await actions.placePatchTest!({ id: a, clientId: kept, ...placing })).toMatchObject({ ok: true });
    expect(await actions.placePatchTest!({ id: b, clientId: other, ...placing })).toMatchObject({ ok: true });
    expect(
      await actions.readPatchTest!({ id: randomUUID(), testId: b, result: "reaction", severe: null, day: "2026-01-03", time: "10:00" }),
    ).toMatchObject({ ok: true });
    const id = randomUUID();
    expect(await merge(kept, other, form("Lina"), id)).toMatchObject({ ok: true });
    expect((await pageOf(kept))!.tests).toMatchObject([{ id: a, readings: [{ result: "reaction" }] }]);
    expect(await actions.undoMerge!({ id })).toMatchObject({ ok: true });
    expect((await pageOf(other))!.tests).toMatchObject([{ id: b, readings: [{ result: "reaction" }] }]);
    expect((await pageOf(kept))!.tests).toMatchObject([{ id: a, readings: [] }]);
  });

  test("what a page or a tablet from before sends to the merged one reaches the kept one", async () => {
    const kept = await add("Lina");
    await merge(kept, studio.ids.client);
    const old = studio.ids.client;
    const consultation = {
      id: randomUUID(),
      clientId: old,
      visitId: studio.ids.visit,
      service: "fill",
      document: NOTHING_SO,
      bornOn: "1990-03-04",
    };
    expect(await actions.keepConsultation!(consultation)).toMatchObject({ ok: true });
    expect(await row(kept)).toMatchObject({ born_on: expect.anything() });
    const save = { mapId: studio.ids.map, clientId: old, surveyId: studio.ids.survey, base: 1, map: { ...studio.map, title: "Since" } };
    expect(await actions.saveMap!(save)).toMatchObject({ ok: true, data: { state: "saved", revision: 2 } });
    const consent = { clientId: old, service: "lift", signedName: "Lina", signedBy: "client", signature: "M1 1L2 2", onPaper: false };
    expect(await actions.keepConsent!(consent)).toMatchObject({ ok: true });
    for (const n of Object.values(await namedIn(old))) expect(n).toBe(0);
    // Its own words are nobody's to change any more.
    expect(await actions.changeClient!({ id: old, seenAt: new Date().toISOString(), form: form("x") })).toMatchObject({ ok: false });
    expect(await actions.archiveClient!({ id: old, archived: false })).toMatchObject({ ok: false });
    // What is put into the database by any other way follows as well.
    const picture = randomUUID();
    await sql(
      "insert into studio.picture (studio_id, id, client_id, kind, side, width_px, height_px, jpeg, taken_by) values ($1, $2, $3, 'open', 'right', 1, 1, '\\x00', $4)",
      [studio.ids.studioId, picture, old, studio.ids.owner],
    );
    expect((await sql("select client_id from studio.picture where id = $1", [picture])).rows[0].client_id).toBe(kept);
  });

  test("merged on, and on again: old ids lead to the last; they are taken apart from the last to the first", async () => {
    const [a, b, c] = [await add("A"), await add("B"), await add("C")];
    const [first, second] = [randomUUID(), randomUUID()];
    await actions.saveSurvey!({ id: randomUUID(), clientId: a, survey: studio.survey });
    expect(await merge(b, a, form("B"), first)).toMatchObject({ ok: true });
    expect(await merge(c, b, form("C"), second)).toMatchObject({ ok: true });
    expect(await actions.saveSurvey!({ id: randomUUID(), clientId: a, survey: studio.survey })).toMatchObject({ ok: true });
    expect((await namedIn(c)).survey).toBe(2);
    expect(await actions.undoMerge!({ id: first })).toMatchObject({ ok: false });
    expect(await actions.undoMerge!({ id: second })).toMatchObject({ ok: true });
    expect(await actions.undoMerge!({ id: first })).toMatchObject({ ok: true });
    expect((await namedIn(a)).survey).toBe(1);
    expect((await namedIn(c)).survey).toBe(1);
  });

  test("never with oneself, with a head, with who is gone; crosswise at once one of the two is done", async () => {
    const [one, other] = [await add("One"), await add("Other")];
    expect(await merge(one, one)).toMatchObject({ ok: false });
    expect(await merge(one, randomUUID())).toMatchObject({ ok: false });
    expect(await merge(one, studio.ids.merged)).toMatchObject({ ok: false });
    const head = randomUUID();
    await actions.addClient!({ id: head, form: { ...form("Head"), mannequin: true } });
    expect(await merge(one, head)).toMatchObject({ ok: false, message: expect.stringMatching(/mannequin/) });
    const both = await Promise.all([merge(one, other), merge(other, one)]);
    expect(both.map(({ ok }) => ok).sort()).toEqual([false, true]);
  });

  test("bookings and pictures that come while it is merged are the kept one's, none is left behind", async () => {
    const [kept, other] = [await add("Kept"), await add("Other")];
    const surveys = () =>
      Promise.all(Array.from({ length: 12 }, () => actions.saveSurvey!({ id: randomUUID(), clientId: other, survey: studio.survey })));
    const [answers, merged] = await Promise.all([surveys(), merge(kept, other)]);
    expect(merged.ok).toBe(true);
    expect(answers.every(({ ok }) => ok)).toBe(true);
    expect((await namedIn(kept)).survey).toBe(12);
    expect((await namedIn(other)).survey).toBe(0);
  });
});

describe("a list read in", () => {
  const send = async (text: string | Uint8Array, query: Record<string, string> = {}) => {
    const { POST } = await import("@/app/api/clients/import/route");
    const response = await POST(
      new Request(`http://127.0.0.1:9/api/clients/import?${new URLSearchParams(query)}`, { method: "POST", body: text as BodyInit }),
    );
    return { status: response.status, body: (await response.json()) as Record<string, unknown> };
  };
  const FILE = `Name;Phone;Birthday;City
Lina Marsh;0171 555 0123;25.12.1990;Saltmouth
Łucja Żółć;;1.2.85;
;0171 555 0199;;
Lina Marsh;+44 171 555 0123;25.12.1990;twice
`;
  const count = async () =>
    (await sql("select count(*)::int as n from studio.client where studio_id = $1 and gone is null", [studio.ids.studioId])).rows[0]
      .n as number;

  test("is only shown first: columns, dates, what is wrong, who is here already; then kept once, however often it is sent", async () => {
    const known = await add("Lucja Zolc");
    const before = await count();
    const { status, body } = await send(FILE);
    expect(status).toBe(200);
    expect(body).toMatchObject({
      good: 3,
      wrong: 1,
      problems: [{ row: 4, why: "No name in this row." }],
      reading: { columns: { name: 0, phone: 1, bornOn: 2 }, dayOrder: "dmy" },
      doublesInAll: 2,
      doubles: [
        { row: 3, of: { id: known, name: "Lucja Zolc" }, why: "the same name" },
        { row: 5, of: { row: 2, name: "Lina Marsh" }, why: "the same telephone number" },
      ],
    });
    expect(await count()).toBe(before);
    const keep = { keep: randomUUID(), name: "people.csv", add: "3" };
    expect(await send(FILE, keep)).toEqual({ status: 200, body: { kept: 2, doubles: 1, leftOut: 1 } });
    expect((await send(FILE, keep)).body).toMatchObject({ kept: 2 });
    expect(await count()).toBe(before + 2);
    const { rows } = await sql("select name, phone, born_on::text, notes from studio.client where import_id = $1 order by name", [
      keep.keep,
    ]);
    expect(rows).toEqual([
      { name: "Lina Marsh", phone: "0171 555 0123", born_on: "1990-12-25", notes: "City: Saltmouth" },
      { name: "Łucja Żółć", phone: "", born_on: "1985-02-01", notes: "" },
    ]);
  });

  test("is taken back whole but for those worked with or written to since, and brought back", async () => {
    const keep = randomUUID();
    await send("Name,Phone\nAda,0171 555 0101\nBea,0171 555 0102\nCaro,0171 555 0103\nDora,0171 555 0104", { keep, name: "people.csv" });
    const idOf = async (name: string) =>
      (await sql("select id, updated_at from studio.client where import_id = $1 and name = $2", [keep, name])).rows[0] as {
        id: string;
        updated_at: Date;
      };
    await actions.saveSurvey!({ id: randomUUID(), clientId: (await idOf("Bea")).id, survey: studio.survey });
    const caro = await idOf("Caro");
    await actions.changeClient!({ id: caro.id, seenAt: caro.updated_at.toISOString(), form: form("Caro", { notes: "hooded" }) });
    expect(await actions.takeClientsBack!({ id: keep })).toEqual({ ok: true, data: { gone: 2, left: ["Bea", "Caro"] } });
    expect(await actions.takeClientsBack!({ id: keep })).toMatchObject({ ok: false });
    const ada = (await idOf("Ada")).id;
    expect(await actions.book!(booking(ada))).toMatchObject({ ok: false });
    expect(await actions.saveSurvey!({ id: randomUUID(), clientId: ada, survey: studio.survey })).toMatchObject({ ok: false });
    const { listClients, listFilter } = await import("@/features/clients/list");
    for (const show of ["all", "archived"])
      expect((await listClients(acting(), listFilter.parse({ find: "ada", show }), new Date())).clients).toEqual([]);
    expect(await actions.bringClientsBack!({ id: keep })).toEqual({ ok: true, data: { back: 2 } });
    expect(await actions.bringClientsBack!({ id: keep })).toMatchObject({ ok: false });
    expect((await row(ada)).archived_at).toBeNull();
  });

  test("in another encoding its letters are read as they are; a wrong guess is put right by hand", async () => {
    const latin = Uint8Array.from(Buffer.from("Name,Phone\nZo\xeb M\xe4rz,0171 555 0123", "latin1"));
    expect((await send(latin)).body).toMatchObject({ encoding: "windows-1252", rows: [{ name: "Zoë März" }] });
    // Łucja as Central European programs write it.
    const central = Uint8Array.from([...Buffer.from("Name,Phone\n"), 0xa3, ...Buffer.from("ucja,0171 555 0123")]);
    expect((await send(central, { encoding: "windows-1250" })).body).toMatchObject({ rows: [{ name: "Łucja" }] });
    const utf16 = Uint8Array.from([0xff, 0xfe, ...Buffer.from("Name\tPhone\r\nZoë\t0171 555 0123\r\n", "utf16le")]);
    expect((await send(utf16)).body).toMatchObject({ rows: [{ name: "Zoë" }] });
  });

  test.each<[string, string | Uint8Array, Record<string, string>, number]>([
    ["nothing", "", {}, 400],
    ["no names", "1,2\n3,4\n", {}, 400],
    ["no text", Uint8Array.from([0x50, 0x4b, 3, 4, 0, 0, 0, 1]), {}, 400],
    ["a line without an end", "x".repeat(200_000), {}, 400],
    ["too much", "a".repeat(4 * 1024 * 1024 + 1), {}, 413],
    ["too many", `Name\n${"Lina\n".repeat(10_050)}`, {}, 400],
    ["a reading that is none", "Name\nLina\n", { reading: "{" }, 400],
    ["a reading of another table", "Name\nLina\n", { reading: '{"skip":-1}' }, 400],
    ["an encoding of nobody", "Name\nLina\n", { encoding: "utf-7" }, 400],
    ["an id that is none", "Name\nLina\n", { keep: "1" }, 400],
    ["rows that are none", "Name\nLina\n", { keep: randomUUID(), add: "1;drop" }, 400],
    ["nobody to add", "Name,Phone\n,1\n", { keep: randomUUID() }, 400],
  ])("%s is refused in words, and nothing is kept", async (_, text, query, status) => {
    const before = await count();
    const answer = await send(text, query);
    expect([answer.status, typeof answer.body.message]).toEqual([status, "string"]);
    expect(answer.body.message).not.toMatch(/select |insert |\.ts:/);
    expect(await count()).toBe(before);
  });

  test("ten thousand at once, all with one birthday, are read beside everybody else's work and kept in one go", async () => {
    // Names far from one another: digests, each of letters of its own.
    const NAMES = Array.from({ length: 100 }, (_, i) =>
      createHash("sha256")
        .update(String(i))
        .digest("hex")
        .replace(/\d/g, (digit) => "ghijklmnop"[Number(digit)]!)
        .slice(0, 12),
    );
    const people = Array.from(
      { length: 9_990 },
      (_, i) => `${NAMES[i % 100]} ${[...NAMES[Math.floor(i / 100)]!].reverse().join("")}q,0${String(5_550_000_000 + i)},1.1.1900`,
    ).join("\n");
    const keep = randomUUID();
    expect((await send(`Name,Phone,Birthday\n${people}`, { keep, name: "all.csv" })).body).toMatchObject({ kept: 9_990, doubles: 0 });
    expect(await actions.takeClientsBack!({ id: keep })).toMatchObject({ ok: true, data: { gone: 9_990, left: [] } });
  }, 60_000);
});

/** Every text of a studio's rows that holds one of some words, by table, the client's own page of the audit list apart. */
async function whereItStands(words: readonly string[]): Promise<string[]> {
  return withClient(urls().owner, async (db) => {
    const { rows } = await db.query<{ table_name: string }>(
      "select table_name from information_schema.tables where table_schema = 'studio' order by 1",
    );
    const found: string[] = [];
    for (const { table_name } of rows) {
      const { rows: held } = await db.query(
        `select 1 from studio."${table_name}" t where studio_id = $1 and exists (select 1 from unnest($2::text[]) w where position(w in t::text) > 0) limit 1`,
        [studio.ids.studioId, words],
      );
      if (held.length > 0) found.push(table_name);
    }
    return found;
  });
}

describe("everything about one client", () => {
  const fetchIt = async (id: string) => {
    const { GET } = await import("@/app/api/clients/[clientId]/everything/route");
    return GET(new Request("http://127.0.0.1:9/"), { params: Promise.resolve({ clientId: id }) });
  };
  test("in one file: a page to read that runs nothing, the same for a program, the pictures; and it is noted", async () => {
    await sql("update studio.client set name = $2 where id = $1", [studio.ids.client, "<script>alert(1)</script> Lina"]);
    await sql("update studio.visit_outcome set studio_id = studio_id where studio_id = $1", [studio.ids.studioId]);
    const twin = await add("Lina of the door", { phone: "0171 555 0123" });
    await merge(studio.ids.client, twin, form("<script>alert(1)</script> Lina", { notes: "private & own" }));
    const response = await fetchIt(studio.ids.client);
    expect(response.status).toBe(200);
    const files = unzipSync(new Uint8Array(await response.arrayBuffer()));
    expect(Object.keys(files).sort()).toEqual(["record.html", "record.json", expect.stringMatching(/^pictures\/.*\.jpg$/)].sort());
    const html = strFromU8(files["record.html"]!);
    expect(html).toContain("&lt;script&gt;alert(1)&lt;/script&gt; Lina");
    expect(html).not.toContain("<script");
    expect(html).toContain("private &amp; own");
    expect(html).toContain("Lina of the door");
    const record = JSON.parse(strFromU8(files["record.json"]!)) as {
      client: Record<string, unknown>;
      mergedFrom: { name: string }[];
      tables: Record<string, { id?: string; client_id?: string }[]>;
    };
    expect(record.client).toMatchObject({ id: studio.ids.client, notes: "private & own" });
    expect(record.client).not.toHaveProperty("searched");
    expect(record.mergedFrom.map(({ name }) => name).sort()).toEqual(["Lina of the door", "merged"]);
    for (const table of NAMES_A_CLIENT) expect([table, record.tables[table]!.length > 0]).toEqual([table, true]);
    for (const table of ["visit_event", "lash_map_revision", "map_note", "patch_reading", "reaction_lifting", "incident"])
      expect([table, record.tables[table]!.length > 0]).toEqual([table, true]);
    expect(record.tables.picture![0]).not.toHaveProperty("jpeg");
    const { rows } = await sql("select client_id, detail from studio.audit_entry where studio_id = $1 and detail like 'everything%'", [
      studio.ids.studioId,
    ]);
    expect(rows).toEqual([{ client_id: studio.ids.client, detail: "everything about a client" }]);
  });
  test("holds nothing of anybody else", async () => {
    const other = await add("Somebody Else", { notes: "of another" });
    const text = Object.values(unzipSync(new Uint8Array(await (await fetchIt(studio.ids.client)).arrayBuffer())))
      .map((file) => strFromU8(file))
      .join(" ");
    expect(text).not.toContain(other);
    expect(text).not.toContain("of another");
    expect((await fetchIt(studio.ids.merged)).status).toBe(404);
    expect((await fetchIt("nonsense")).status).toBe(404);
  });
});

describe("erased", () => {
  const clear = async () => {
    // The studio of the tests has visits that were begun and not ended.
    await sql("update studio.visit set cancelled_at = null, starts_at = now() - interval '20 days' where studio_id = $1", [
      studio.ids.studioId,
    ]);
    await sql("delete from studio.visit_mark where studio_id = $1", [studio.ids.studioId]);
    const { rows } = await sql("select id from studio.visit where studio_id = $1", [studio.ids.studioId]);
    for (const { id } of rows)
      for (const type of ["started", "finished"])
        await sql(
          "insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id) values ($1, $2, $3, now() - interval '20 days' + $4::interval, 'checked', $5, $6, $7)",
          [
            studio.ids.studioId,
            id,
            randomUUID(),
            type === "started" ? "0" : "1 hour",
            type,
            type === "started" ? '{"bottleId": null, "air": null}' : "{}",
            studio.ids.owner,
          ],
        );
    await readOutcomesAnew();
  };
  /** Words of the studio's own that happen to be the same are no words of the client. */
  const asideFromReadings = () =>
    sql(
      "with f as (update studio.reading_import set file_name = 'x' where studio_id = $1) update studio.readings_taken_back set why = 'x' where studio_id = $1",
      [studio.ids.studioId],
    );
  const WORDS = ["Quillfeather", "0171 555 0123", "quill@post.example", "private", "her sister knows"];

  test("of the person no word is left, in any table; what happened, and with which lots, is", async () => {
    await clear();
    await asideFromReadings();
    const { rows: seen } = await sql("select updated_at from studio.client where id = $1", [studio.ids.client]);
    const words = form("Ona Quillfeather", {
      phone: "0171 555 0123",
      email: "quill@post.example",
      contact: "her sister knows",
      notes: "private",
      bornOn: "1990-03-04",
    });
    expect(
      await actions.changeClient!({ id: studio.ids.client, seenAt: (seen[0].updated_at as Date).toISOString(), form: words }),
    ).toMatchObject({ ok: true });
    const twin = await add("O. Quillfeather", { email: "quill@post.example" });
    expect(await merge(studio.ids.client, twin, words)).toMatchObject({ ok: true });
    const correction = {
      visitId: studio.ids.visit,
      eventId: randomUUID(),
      wish: { what: "bottle", bottleId: studio.ids.bottle, instead: null, why: "Ona Quillfeather said so" },
    };
    const { correct } = (await import("@/features/correction/actions")) as unknown as Actions;
    await sql(
      "insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id) values ($1, $2, $3, now() - interval '20 days' + interval '10 minutes', 'checked', 'beadPlaced', '{\"lifeS\": 900, \"air\": null, \"bottleId\": null}', $4)",
      [studio.ids.studioId, studio.ids.visit, randomUUID(), studio.ids.owner],
    );
    await readOutcomesAnew();
    expect(await correct!(correction)).toMatchObject({ ok: true });
    const facts = async () => {
      const one = async (text: string) => (await sql(text, [studio.ids.studioId])).rows;
      return {
        visits: await one("select id, service, starts_at from studio.visit where studio_id = $1 order by id"),
        events: await one("select id, type, at from studio.visit_event where studio_id = $1 order by id"),
        lots: await one("select visit_id, lot_id, beads from studio.visit_lot where studio_id = $1 order by 1, 2"),
        outcomes: await one("select visit_id, begun_at, finished_at from studio.visit_outcome where studio_id = $1 order by 1"),
        readings: await one("select id, result from studio.patch_reading where studio_id = $1 order by id"),
      };
    };
    const before = await facts();
    expect(before.lots.length).toBeGreaterThan(0);
    expect(await whereItStands(WORDS)).toEqual(
      expect.arrayContaining(["client", "client_merge", "map_note", "reaction_lifting", "visit_event"]),
    );

    expect(await actions.eraseClient!({ id: studio.ids.client, name: "Ona Quill" })).toMatchObject({
      ok: false,
      fields: { name: expect.any(String) },
    });
    expect(await actions.eraseClient!({ id: studio.ids.client, name: "ona quillfeather" })).toEqual({ ok: true, data: null });
    expect(await whereItStands(WORDS)).toEqual([]);
    expect(await facts()).toEqual(before);
    expect(await namedIn(studio.ids.client)).toMatchObject({ picture: 0, consultation: 0, consent: 0 });
    expect((await sql("select count(*)::int as n from studio.consent where studio_id = $1", [studio.ids.studioId])).rows[0].n).toBe(0);
    expect(await row(studio.ids.client)).toMatchObject({
      name: "Erased client",
      gone: "erased",
      born_on: null,
      phone: "",
      email: "",
      notes: "",
      contact: "",
    });
    expect(await row(twin)).toMatchObject({ name: "Erased client", gone: "merged", email: "" });
    const page = await pageOf(studio.ids.client);
    expect(page!.visits.length).toBeGreaterThan(0);
    const { rows } = await sql("select kind, client_id from studio.audit_entry where studio_id = $1 and kind = 'clientErased'", [
      studio.ids.studioId,
    ]);
    expect(rows).toEqual([{ kind: "clientErased", client_id: studio.ids.client }]);
    const { auditPage, auditFilter } = await import("@/features/audit/data");
    const { lines } = await auditPage(acting(), auditFilter.parse({}));
    expect(lines.find(({ words: said }) => said === "erased a client")).toMatchObject({ client: { id: studio.ids.client, name: null } });
  });

  test("nothing brings words back to them: no form, no merge, no booking, no late tablet, not the database's own rules", async () => {
    await clear();
    const name = `${studio.name} client`;
    expect(await actions.eraseClient!({ id: studio.ids.client, name })).toEqual({ ok: true, data: null });
    const other = await add("Other");
    const id = studio.ids.client;
    for (const answer of [
      await actions.changeClient!({ id, seenAt: new Date().toISOString(), form: form("Ona") }),
      await actions.archiveClient!({ id, archived: false }),
      await merge(other, id),
      await merge(id, other),
      await actions.book!(booking(id)),
      await actions.saveSurvey!({ id: randomUUID(), clientId: id, survey: studio.survey }),
      await actions.keepConsultation!({ id: randomUUID(), clientId: id, visitId: null, service: "fill", document: NOTHING_SO, bornOn: "" }),
      await actions.placePatchTest!({
        id: randomUUID(),
        clientId: id,
        family: "lotion",
        productId: "",
        day: "2026-01-02",
        time: "10:00",
        leaflet24: false,
      }),
      await actions.eraseClient!({ id, name: "Erased client" }),
      await actions.undoMerge!({ id: studio.ids.merge }),
    ])
      expect(answer).toMatchObject({ ok: false, message: expect.not.stringMatching(/did not go through/) });
    await expect(
      sql("insert into studio.survey (studio_id, id, client_id, document, taken_by) values ($1, gen_random_uuid(), $2, '{}', $3)", [
        studio.ids.studioId,
        id,
        studio.ids.owner,
      ]),
    ).rejects.toThrow(/erased/);
    const changed = await withClient(urls().app, async (db) => {
      await db.query("begin");
      await db.query("select set_config('ivy.studio_id', $1, true), set_config('ivy.member_id', $2, true)", [
        studio.ids.studioId,
        studio.ids.owner,
      ]);
      const { rowCount } = await db.query("update studio.client set notes = 'back' where id = $1", [id]);
      await db.query("rollback");
      return rowCount;
    });
    expect(changed).toBe(0);
  });

  test("not while a visit of theirs is open or still booked, and a mannequin head never", async () => {
    await clear();
    const lina = await add("Lina Marsh");
    expect(await actions.book!(booking(lina))).toMatchObject({ ok: true });
    expect(await actions.eraseClient!({ id: lina, name: "Lina Marsh" })).toMatchObject({
      ok: false,
      message: expect.stringMatching(/booked for .* Cancel that first/),
    });
    const { rows } = await sql("select id from studio.visit where client_id = $1", [lina]);
    await sql("update studio.visit set starts_at = now() - interval '1 hour' where id = $1", [rows[0].id]);
    await sql(
      "insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id) values ($1, $2, gen_random_uuid(), now() - interval '50 minutes', 'checked', 'started', '{\"bottleId\": null, \"air\": null}', $3)",
      [studio.ids.studioId, rows[0].id, studio.ids.owner],
    );
    await readOutcomesAnew();
    expect(await actions.eraseClient!({ id: lina, name: "Lina Marsh" })).toMatchObject({
      ok: false,
      message: expect.stringMatching(/not finished/),
    });
    expect((await row(lina)).name).toBe("Lina Marsh");
    const head = randomUUID();
    await actions.addClient!({ id: head, form: { ...form("Head"), mannequin: true } });
    expect(await actions.eraseClient!({ id: head, name: "Head" })).toMatchObject({ ok: false });
  });
});
