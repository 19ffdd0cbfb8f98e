import { randomUUID } from "node:crypto";
import { parse } from "csv-parse/sync";
import { fold } from "@/core/client";
import { acting, actAs } from "../support/memberAs";
import { makeStudio, pointAppAtTests, readOutcomesAnew, urls, withClient, type TestStudio } from "../support/studios";

// The list of clients on a real PostgreSQL: what a search finds, in which order, all of it reachable, and who is due.

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

let studio: TestStudio;
const sql = (text: string, values: unknown[] = []) => withClient(urls().owner, (db) => db.query(text, values));

beforeEach(async () => {
  studio = await makeStudio(`list ${Math.random()}`);
  for (const table of ["client_apart", "client_merge"])
    await sql(`delete from studio.${table} where studio_id = $1`, [studio.ids.studioId]);
  await sql("delete from studio.client where studio_id = $1 and id = any($2)", [
    studio.ids.studioId,
    [studio.ids.double, studio.ids.merged],
  ]);
  await sql("update studio.client set name = 'Zzz', notes = '' where studio_id = $1", [studio.ids.studioId]);
  actAs(studio.member("owner"));
});

type Words = { name: string; phone?: string; email?: string; contact?: string; notes?: string; bornOn?: string };
async function add(...people: Words[]): Promise<string[]> {
  const { addClient } = await import("@/features/clients/actions");
  const ids = people.map(() => randomUUID());
  for (const [i, person] of people.entries())
    expect(await addClient({ id: ids[i], form: { contact: "", notes: "", ...person } })).toMatchObject({ ok: true });
  return ids;
}
async function list(asked: Record<string, unknown> = {}) {
  const { listClients, listFilter } = await import("@/features/clients/list");
  return listClients(acting(), listFilter.parse(asked), new Date());
}
const names = async (asked: Record<string, unknown> = {}) => (await list(asked)).clients.map(({ name }) => name);

describe("a search", () => {
  test("finds by name, number, address and note, accents and capitals or not, every word of it", async () => {
    await add(
      { name: "Leïla Öster", phone: "+44 171 555 0123" },
      { name: "Łucja Żółć", email: "lucja@post.example" },
      { name: "Tove Marsh", notes: "Is Leïla’s cousin; takes lenses out here." },
      { name: "Ada O’Brien", contact: "by letter, Harbour Row 4" },
      { name: "Bea Kept Nationally", phone: "0171 777 0199" },
    );
    expect(await names({ find: "leila" })).toEqual(["Leïla Öster", "Tove Marsh"]);
    expect(await names({ find: "LEÏLA ost" })).toEqual(["Leïla Öster"]);
    expect(await names({ find: "zolc" })).toEqual(["Łucja Żółć"]);
    expect(await names({ find: "lenses" })).toEqual(["Tove Marsh"]);
    expect(await names({ find: "obrien" })).toEqual(["Ada O’Brien"]);
    expect(await names({ find: "o'brien harbour" })).toEqual(["Ada O’Brien"]);
    expect(await names({ find: "post.example" })).toEqual(["Łucja Żółć"]);
    for (const number of ["0171 5550", "0171555", "+44171 555", "555-0123", "01715550123"])
      expect(await names({ find: number })).toEqual(["Leïla Öster"]);
    for (const number of ["+44 171 777 0199", "0044 1717770199", "0171 777"])
      expect(await names({ find: number })).toEqual(["Bea Kept Nationally"]);
    expect(await names({ find: "+44 171 777 0188" })).toEqual([]);
    expect(await names({ find: "marsh leila" })).toEqual(["Tove Marsh"]);
    expect(await names({ find: "nobody" })).toEqual([]);
  });

  test("takes its letters as they are, and says what it found where the name does not", async () => {
    await add({ name: "100 % Lina", notes: "first_note" }, { name: "Other", notes: "Some words. She likes D curls! More." });
    expect(await names({ find: "%" })).toEqual(["100 % Lina"]);
    expect(await names({ find: "first_n" })).toEqual(["100 % Lina"]);
    expect(await names({ find: "firstxn" })).toEqual([]);
    expect(await names({ find: "\\" })).toEqual([]);
    expect((await list({ find: "curls" })).clients[0]).toMatchObject({ foundBy: "She likes D curls!" });
    expect((await list({ find: "other" })).clients[0]).toMatchObject({ foundBy: "" });
  });

  test("who is called so stands before whose note says so", async () => {
    await add({ name: "Bea Onasson" }, { name: "Anna Ona" }, { name: "Aaron", notes: "with Ona" }, { name: "Ona Marsh" });
    expect(await names({ find: "ona" })).toEqual(["Ona Marsh", "Anna Ona", "Bea Onasson", "Aaron"]);
  });

  test("the database folds by the same rules as the core does", async () => {
    const texts = [
      "Leïla ÖSTER",
      "Łucja Żółć-Ćmiel",
      "O’Brien  'n' ʼx`y",
      "GROẞ Straße Æsa Œuvre Þór Đặng Øystein ħ ŋ ŧ ð ı İ",
      "Ｌｉｎａ ﬁn",
      "مُحَمَّد شَاطِئ",
      "שָׁלוֹם",
      "Νίκος ΝΊΚΟΣ",
      "क्षमा देवी",
      "김지우",
      "a‐b‑c‒d–e—f―g-h\u00a0i\tj\n\nk",
      "Nguyễn Thị Ánh Tuyết",
      "Дзмітрый Ёлкін",
      "  spaces  ",
      "",
      "𝓛𝓲𝓷𝓪 🌿",
    ];
    const { rows } = await sql("select studio.fold(t) as folded from unnest($1::text[]) with ordinality as u(t, i) order by i", [texts]);
    expect(rows.map(({ folded }) => folded)).toEqual(texts.map(fold));
  });
});

test("names stand in the order of the studio's language", async () => {
  await add({ name: "Örn" }, { name: "Zoe" }, { name: "Åke" }, { name: "Ola" }, { name: "Ana" }, { name: "ola" });
  const inOrderOf = async (nameOrder: string) => {
    await sql("update studio.policy set document = document || jsonb_build_object('nameOrder', $2::text) where studio_id = $1", [
      studio.ids.studioId,
      nameOrder,
    ]);
    return (await names()).filter((name) => name !== "Zzz");
  };
  // Swedish has å, ä, ö after z; English and German have them beside a and o.
  expect(await inOrderOf("sv")).toEqual(["Ana", "ola", "Ola", "Zoe", "Åke", "Örn"]);
  expect(await inOrderOf("en")).toEqual(["Åke", "Ana", "ola", "Ola", "Örn", "Zoe"]);
  const { NAME_ORDERS } = await import("@/core/policy/questions/clients");
  for (const nameOrder of Object.keys(NAME_ORDERS)) expect(await inOrderOf(nameOrder)).toHaveLength(6);
});

test("all of them are reached, page by page, none twice; a page past the end is the last one", async () => {
  await sql(
    "insert into studio.client (studio_id, id, name) select $1, gen_random_uuid(), case when i % 3 = 0 then 'Same Name' else 'Person ' || i end from generate_series(1, 142) i",
    [studio.ids.studioId],
  );
  const pages = await Promise.all([1, 2, 3].map((page) => list({ page })));
  expect(pages.map(({ clients, total }) => [clients.length, total])).toEqual([
    [60, 143],
    [60, 143],
    [23, 143],
  ]);
  expect(new Set(pages.flatMap(({ clients }) => clients.map(({ id }) => id))).size).toBe(143);
  expect(await list({ page: 99 })).toMatchObject({ page: 3, total: 143 });
  expect(await list({ page: 99, find: "nobody at all" })).toMatchObject({ page: 1, total: 0, clients: [] });
});

test("what the address says and nobody meant is left out", async () => {
  const { listFilter } = await import("@/features/clients/list");
  for (const asked of [
    { page: "-1" },
    { page: "x" },
    { page: "1e99" },
    { show: "constructor" },
    { find: ["a", "b"] },
    { find: 7 },
    { find: "\ud800" },
    { find: "\u0000" },
  ])
    expect((await list(asked)).page).toBe(1);
  expect(listFilter.parse({ find: "x".repeat(500) }).find).toHaveLength(120);
});

describe("who comes back", () => {
  /** A visit of so many days ago, begun and finished; or one still to come. */
  async function visit(clientId: string, service: string, daysAgo: number, { begun = daysAgo > 0, cancelled = false } = {}) {
    const id = randomUUID();
    await sql(
      `insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time, cancelled_at, last_seq)
       values ($1, $2, $3, $4, $5, $6, $7, now() - make_interval(hours => $8), 60, false, case when $9 then now() end, 0)`,
      [studio.ids.studioId, id, clientId, studio.ids.technician, studio.ids.room, studio.ids.chair, service, daysAgo * 24, cancelled],
    );
    if (!begun) return;
    const event = (type: string, minutes: number, payload: object) =>
      sql(
        "insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id) values ($1, $2, $3, now() - make_interval(hours => $4, mins => $5), 'checked', $6, $7, $8)",
        [studio.ids.studioId, id, randomUUID(), daysAgo * 24, -minutes, type, JSON.stringify(payload), studio.ids.technician],
      );
    await event("started", 0, { bottleId: null, air: null });
    await event("beadPlaced", 10, { lifeS: 900, air: null, bottleId: null });
    await event("finished", 55, {});
  }
  const settle = () => readOutcomesAnew();

  test("due is who has nothing booked and whose day has come, the first to call first; long not here who stayed away", async () => {
    const [early, late, booked, away, never, cancelled, fresh, today] = await add(
      { name: "Early" },
      { name: "Late" },
      { name: "Booked" },
      { name: "Away" },
      { name: "Never" },
      { name: "Cancelled" },
      { name: "Fresh" },
      { name: "Today" },
    );
    // Booked for just now, and not begun yet.
    await visit(today!, "newSet", 30);
    await visit(today!, "fill", 0);
    await visit(early!, "newSet", 30);
    await visit(late!, "newSet", 12);
    await visit(booked!, "newSet", 30);
    await visit(booked!, "fill", -3);
    await visit(away!, "newSet", 120);
    await visit(cancelled!, "fill", 20);
    await visit(cancelled!, "fill", -2, { cancelled: true });
    await visit(fresh!, "newSet", 2);
    // A day they did not come on is no day they were here.
    await visit(away!, "fill", 10, { begun: false });
    await settle();
    expect(await names({ show: "due" })).toEqual(["Early", "Cancelled", "Late"]);
    expect(await names({ show: "due", find: "late" })).toEqual(["Late"]);
    expect(await names({ show: "longNotHere" })).toEqual(["Away"]);
    expect((await list({ find: "booked" })).clients[0]).toMatchObject({ nextBooked: expect.any(Date), lastVisit: expect.any(Date) });
    expect((await list({ find: "never" })).clients[0]).toMatchObject({ nextBooked: null, lastVisit: null });
    const { archiveClient } = await import("@/features/clients/actions");
    await archiveClient({ id: early!, archived: true });
    expect(await names({ show: "due" })).toEqual(["Cancelled", "Late"]);
    // A studio may wait longer before it calls somebody away.
    await sql("update studio.policy set document = document || '{\"longNotHereDays\": 200}' where studio_id = $1", [studio.ids.studioId]);
    expect(await names({ show: "longNotHere" })).toEqual([]);
    expect(never).toBeDefined();
  });

  test("the list and the client's page name one day for the fill of a set with its map", async () => {
    const { clientPage } = await import("@/features/clients/data");
    await sql("delete from studio.visit_mark where studio_id = $1", [studio.ids.studioId]);
    await sql("delete from studio.incident where studio_id = $1", [studio.ids.studioId]);
    await sql("delete from studio.visit_event where studio_id = $1", [studio.ids.studioId]);
    await sql("delete from studio.visit where studio_id = $1", [studio.ids.studioId]);
    await sql("delete from studio.consultation where studio_id = $1", [studio.ids.studioId]);
    await visit(studio.ids.client, "newSet", 16);
    await sql("update studio.visit set map_id = $2, map_revision = 1 where studio_id = $1", [studio.ids.studioId, studio.ids.map]);
    await settle();
    const { todayIn } = await import("@/server/studioTime");
    const days: number[] = [];
    // The same again once the studio has answered otherwise: what was reckoned before is not told on.
    for (const fillDuePercent of [60, 95]) {
      await sql("update studio.policy set document = document || jsonb_build_object('fillDuePercent', $2::int) where studio_id = $1", [
        studio.ids.studioId,
        fillDuePercent,
      ]);
      const [line] = (await list({ show: "due" })).clients;
      const now = new Date();
      const page = (await clientPage(acting(), studio.ids.client, now))!;
      const today = now.toISOString().slice(0, 10);
      const standing = line!.standing as { kind: "due"; what: string; day: string };
      expect(standing).toMatchObject({ kind: "due", what: "fill" });
      // The page proposes no day that is over.
      expect(page.back!.day).toBe(standing.day > today ? standing.day : today);
      const { rows } = await sql("select put_on_at from studio.visit_outcome where studio_id = $1 and put_on_at is not null", [
        studio.ids.studioId,
      ]);
      const leftMs = (rows[0].put_on_at as Date).getTime();
      expect(standing.day).toBe(todayIn("Europe/London", new Date(leftMs + page.back!.afterDays * 86_400_000)));
      days.push(page.back!.afterDays);
    }
    expect(days[0]).not.toBe(days[1]);
    // Of more sets than are reckoned at once the rest stands at the latest day, said to be unsure, until it is reckoned.
    const { fillDays, reckonFills } = await import("@/features/visit/comeBack");
    const { inStudio } = await import("@/server/inStudio");
    const { studioPolicy } = await import("@/server/studioPolicy");
    await sql("update studio.policy set document = document || '{\"fillDuePercent\": 90}' where studio_id = $1", [studio.ids.studioId]);
    const ask = () => inStudio(acting(), async (tx) => fillDays(tx, acting(), [studio.ids.client], await studioPolicy(tx), new Date(), 0));
    const { rows } = await sql("select put_on_at from studio.visit_outcome where studio_id = $1 and put_on_at is not null", [
      studio.ids.studioId,
    ]);
    const dayAfter = (days: number) => todayIn("Europe/London", new Date((rows[0].put_on_at as Date).getTime() + days * 86_400_000));
    expect(await ask()).toEqual({ days: new Map([[studio.ids.client, dayAfter(21)]]), unsure: [studio.ids.client] });
    await Promise.all([reckonFills(acting(), [studio.ids.client]), reckonFills(acting(), [studio.ids.client])]);
    const known = await ask();
    expect(known.unsure).toEqual([]);
    const page = (await clientPage(acting(), studio.ids.client, new Date()))!;
    expect(known.days.get(studio.ids.client)).toBe(dayAfter(page.back!.afterDays));
    expect(page.back!.afterDays).toBeLessThan(21);
  });
});

describe("archived", () => {
  test("out of the lists, the finder and the bookings, found where archived ones are, and brought back as they were", async () => {
    const { archiveClient, findClients } = await import("@/features/clients/actions");
    const [id] = await add({ name: "Lina Marsh", phone: "0171 555 0123" });
    expect(await archiveClient({ id: id!, archived: true })).toEqual({ ok: true, data: { name: "Lina Marsh", booked: null } });
    expect(await names({ find: "lina" })).toEqual([]);
    expect(await names({ show: "archived" })).toEqual(["Lina Marsh"]);
    expect(await findClients({ search: "lina" })).toEqual({ ok: true, data: [] });
    const { book } = await import("@/features/visit/actions");
    const booking = {
      ...{ id: randomUUID(), clientId: id!, service: "lift", technicianId: studio.ids.technician, chairId: studio.ids.chair },
      ...{ day: new Date(Date.now() + 5 * 86_400_000).toISOString().slice(0, 10), time: "10:00", minutes: 60 },
    };
    expect(await book(booking)).toMatchObject({ ok: false, message: expect.stringMatching(/archived/) });
    expect(await archiveClient({ id: id!, archived: false })).toMatchObject({ ok: true });
    expect(await names({ find: "lina" })).toEqual(["Lina Marsh"]);
    expect(await names({ show: "archived" })).toEqual([]);
  });

  test("who is archived with a visit still booked is told so", async () => {
    const { archiveClient } = await import("@/features/clients/actions");
    const [id] = await add({ name: "Lina Marsh" });
    await sql(
      `insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time)
       values ($1, gen_random_uuid(), $2, $3, $4, $5, 'fill', now() + interval '4 days', 60, false)`,
      [studio.ids.studioId, id, studio.ids.technician, studio.ids.room, studio.ids.chair],
    );
    expect(await archiveClient({ id: id!, archived: true })).toMatchObject({
      ok: true,
      data: { booked: expect.stringMatching(/\d{1,2} \w{3}, \d\d:\d\d/) },
    });
  });
});

test("the finder finds clients as the list does, bottles and packs by name and lot, protocols by what they are for", async () => {
  const { findAnything } = await import("@/features/shell/actions");
  await add({ name: "Leïla Öster", notes: "likes Harbour" });
  type Found = { clients: { label: string; hint: string }[]; bottles: { label: string; href: string }[]; protocols: { label: string }[] };
  const find = async (search: string) => ((await findAnything({ search })) as { ok: true; data: Found }).data;
  expect((await find("leila")).clients).toMatchObject([{ label: "Leïla Öster", hint: "" }]);
  expect((await find("harbour")).clients).toMatchObject([{ label: "Leïla Öster", hint: "likes Harbour" }]);
  const { bottles } = await find(`${studio.name} glue`);
  expect(bottles.map(({ href }) => href)).toContain(`/shelf#lot-${studio.ids.bottle}`);
  expect((await find("lash lift")).protocols.length).toBeGreaterThan(0);
  expect((await find("nothing of that name")).protocols).toEqual([]);
  await sql("update studio.lot set emptied_on = '2026-01-01' where studio_id = $1", [studio.ids.studioId]);
  expect((await find(`${studio.name} glue`)).bottles).toEqual([]);
});

test("the exported list holds what the filter lets through, reads as it was written, runs no formula, and stands in the audit list", async () => {
  const { GET } = await import("@/app/api/clients/list/route");
  await add(
    { name: "=1+1", phone: "+44 171 555 0123", contact: "at the harbour shop", notes: 'He said "hello";\nand left, twice' },
    { name: "Leïla", email: "leila@post.example" },
  );
  const response = await GET(new Request("http://127.0.0.1:9/api/clients/list?find=%2B44"));
  const text = await response.text();
  const rows = parse(text, { columns: true, bom: true }) as Record<string, string>[];
  expect(rows).toHaveLength(1);
  expect(rows[0]).toMatchObject({ name: "'=1+1", phone: "'+44 171 555 0123", notes: 'He said "hello";\nand left, twice' });
  const all = parse(await (await GET(new Request("http://127.0.0.1:9/api/clients/list"))).text(), { columns: true, bom: true }) as Record<
    string,
    string
  >[];
  expect(all.map(({ name }) => name)).toEqual(expect.arrayContaining(["Leïla", "Zzz"]));
  // Read in again, each column is what it was.
  const { readClientFile } = await import("@/features/clients/import/readClientFile");
  const again = readClientFile({ bytes: new TextEncoder().encode(text), wished: null, encoding: null, today: "2026-11-29", known: [] });
  expect(again).toMatchObject({
    ok: true,
    preview: { reading: { columns: { name: 0, phone: 1, contact: 4, notes: 5 } } },
    clients: [
      {
        client: {
          name: "=1+1",
          phone: "+44 171 555 0123",
          contact: "at the harbour shop",
          notes: expect.stringContaining('He said "hello";\nand left, twice'),
        },
      },
    ],
  });
  const { rows: noted } = await sql("select kind, detail from studio.audit_entry where studio_id = $1", [studio.ids.studioId]);
  expect(noted.filter(({ detail }) => detail === "list of clients")).toHaveLength(2);
});
