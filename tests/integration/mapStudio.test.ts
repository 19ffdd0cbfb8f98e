import { baseLayer, type LashMap } from "@/core/map";
import { usualSurvey } from "@/core/eye";
import { readMapFile } from "@/core/formats";
import { actAs, acting } from "../support/memberAs";
import { makeStudio, pointAppAtTests, readOutcomesAnew, type TestStudio, urls, withClient } from "../support/studios";

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

let studio: TestStudio;
beforeAll(async () => {
  studio = await makeStudio("mappers");
});
beforeEach(() => {
  actAs(studio.member("technician"));
});
const actions = () => import("@/features/map/actions");
const page = async (mapId: string | null = studio.ids.map) => {
  const { mapPage } = await import("@/features/map/data");
  const page = await mapPage(acting(), studio.ids.client, mapId);
  if (!page || page === "no survey") throw new Error(`no page: ${page}`);
  return page;
};
const rows = async <T>(sql: string, values: unknown[]) => withClient(urls().owner, async (db) => (await db.query(sql, values)).rows as T[]);

describe("looks and templates of the studio", () => {
  test("a look kept is there for every map; a trainee keeps one too but does not take one away", async () => {
    const { keepLook, forgetLook } = await actions();
    actAs(studio.member("trainee"));
    const bend = [0, 0.5, 1].map((at) => ({ at, dropMm: 4 * at }));
    const kept = await keepLook({ version: 1, name: "Harbour wall", from: "cat", bend });
    if (!kept.ok) throw new Error(kept.message);
    expect((await page()).ownLooks.map(({ look }) => look.name)).toEqual(["mappers look", "Harbour wall"]);
    expect(await forgetLook({ id: kept.data.id })).toMatchObject({ ok: false });
    actAs(studio.member("technician"));
    expect(await forgetLook({ id: kept.data.id })).toMatchObject({ ok: true });
    expect(await forgetLook({ id: kept.data.id })).toMatchObject({
      ok: false,
      message: expect.stringMatching(/not in the studio/),
    });
    expect((await page()).ownLooks).toHaveLength(1);
  });
  test.each([
    ["no name", { name: " " }],
    ["handles crossed", { bend: [0.8, 0.2].map((at) => ({ at, dropMm: 1 })) }],
    ["a drop of a metre", { bend: [0, 1].map((at) => ({ at, dropMm: 1000 })) }],
    ["a look nobody knows", { from: "swoosh" }],
  ])("a look with %s is refused in words", async (_, change) => {
    const { keepLook } = await actions();
    const answer = await keepLook({
      version: 1,
      name: "x",
      from: "cat",
      bend: [0, 1].map((at) => ({ at, dropMm: 1 })),
      ...change,
    } as never);
    expect(answer).toMatchObject({ ok: false, message: expect.stringMatching(/\w/) });
  });
  test("a template leaves the client's landmarks behind", async () => {
    const { keepTemplate } = await actions();
    const { landmarks } = usualSurvey().eyes.right;
    const kept = await keepTemplate({ map: { ...studio.map, title: "for anyone", landmarks: { right: landmarks, left: landmarks } } });
    if (!kept.ok) throw new Error(kept.message);
    const [row] = await rows<{ document: LashMap }>("select document from studio.map_template where id = $1", [kept.data.id]);
    expect(row!.document.title).toBe("for anyone");
    expect(row!.document).not.toHaveProperty("landmarks");
  });
});

describe("what is said of a map", () => {
  const said = () =>
    rows<{ kind: string; words: string }>("select kind, words from studio.map_note where map_id = $1 order by created_at", [
      studio.ids.map,
    ]);
  const write = async (kind: "note" | "approved" | "sentBack", words: string, revision = 1) =>
    (await actions()).writeNote({ mapId: studio.ids.map, revision, kind, words } as never);
  test("a trainee may write a note and approves nothing", async () => {
    actAs(studio.member("trainee"));
    expect(await write("note", "is the corner too long?")).toMatchObject({ ok: true });
    expect(await write("approved", "looks good to me")).toMatchObject({
      ok: false,
      message: expect.stringMatching(/technician/),
    });
    expect((await said()).map(({ kind }) => kind)).toEqual(["note", "note"]);
  });
  test("a technician approves without a word, and says why when not", async () => {
    const { MAP_NOTE_KINDS } = await import("@/db/schema");
    const back = MAP_NOTE_KINDS.find((kind) => kind !== "note" && kind !== "approved")!;
    expect(await write(back as never, " ")).toMatchObject({ ok: false, fields: { words: expect.stringMatching(/said/) } });
    expect(await write(back as never, "zone 3 steps by 3")).toMatchObject({ ok: true });
    expect(await write("approved", "")).toMatchObject({ ok: true });
    expect((await said()).slice(-2)).toEqual([
      { kind: back, words: "zone 3 steps by 3" },
      { kind: "approved", words: "" },
    ]);
  });
  test("nothing is said of a save that is not there", async () =>
    expect(await write("note", "hello", 99)).toMatchObject({
      ok: false,
      message: expect.stringMatching(/not in the studio/),
    }));
});

describe("saves of a map", () => {
  test("eight first saves of one new map at once: one is first, the rest are told so, and none gets an apology", async () => {
    const { saveMap } = await actions();
    const mapId = crypto.randomUUID();
    const save = (title: string) =>
      saveMap({ mapId, clientId: studio.ids.client, surveyId: studio.ids.survey, base: 0, map: { ...studio.map, title } });
    const alike = await Promise.all(Array.from({ length: 8 }, () => save("the same")));
    // A save sent again is the same save.
    expect(alike).toEqual(Array(8).fill({ ok: true, data: { state: "saved", revision: 1 } }));
    const another = crypto.randomUUID();
    const apart = await Promise.all(
      Array.from({ length: 8 }, (_, i) =>
        saveMap({
          mapId: another,
          clientId: studio.ids.client,
          surveyId: studio.ids.survey,
          base: 0,
          map: { ...studio.map, title: `the ${i}th` },
        }),
      ),
    );
    const states = apart.map((one) => (one.ok ? one.data.state : one.message));
    expect([...states].sort()).toEqual([...Array(7).fill("newer"), "saved"]);
  });

  test("each can be looked at again; what was saved first is what it was", async () => {
    const { saveMap, savedMap, mapHistory } = await actions();
    const renamed = { ...studio.map, title: "second save" };
    expect(
      await saveMap({ mapId: studio.ids.map, clientId: studio.ids.client, surveyId: studio.ids.survey, base: 1, map: renamed }),
    ).toMatchObject({ ok: true, data: { state: "saved", revision: 2 } });
    const first = await savedMap({ mapId: studio.ids.map, revision: 1 });
    expect(first.ok && first.data.map).toEqual(studio.map);
    const second = await savedMap({ mapId: studio.ids.map, revision: 2 });
    expect(second.ok && second.data.map.title).toBe("second save");
    expect(await savedMap({ mapId: studio.ids.map, revision: 3 })).toMatchObject({ ok: false });
    const history = await mapHistory({ clientId: studio.ids.client, mapId: studio.ids.map });
    expect(JSON.stringify(history)).toContain("mappers technician");
  });
  test("a map of version 1 in the database is opened as one of today", async () => {
    const old = { ...studio.map, version: 1, title: "from long ago" };
    const id = crypto.randomUUID();
    const { ids } = studio;
    await rows("insert into studio.lash_map (studio_id, id, client_id, survey_id, head) values ($1, $2, $3, $4, 1)", [
      ids.studioId,
      id,
      ids.client,
      ids.survey,
    ]);
    await rows("insert into studio.lash_map_revision (studio_id, map_id, revision, document, saved_by) values ($1, $2, 1, $3, $4)", [
      ids.studioId,
      id,
      JSON.stringify(old),
      ids.owner,
    ]);
    const { saved } = await page(id);
    expect(saved!.map).toEqual({ ...studio.map, title: "from long ago" });
  });
});

describe("a length that ran out", () => {
  test("is off the shelf for the next plan, the rest of the tray stays, and once more changes nothing", async () => {
    const { emptyTray } = await actions();
    const kind = { curl: studio.tray.curl, diameterMm: studio.tray.diameterMm, shape: studio.tray.shape };
    expect(await emptyTray({ kind, lengthMm: 9 })).toEqual({ ok: true, data: { trays: 1 } });
    expect((await page()).trays[0]!.lengthsMm).toEqual(studio.tray.lengthsMm.filter((mm) => mm !== 9));
    expect(await emptyTray({ kind, lengthMm: 9 })).toMatchObject({ ok: true });
    expect((await page()).trays[0]!.lengthsMm).toHaveLength(studio.tray.lengthsMm.length - 1);
    const { start } = await page(null);
    for (const side of ["right", "left"] as const) expect(baseLayer(start!.map, side).zones.map((zone) => zone?.lengthMm)).not.toContain(9);
  });
  test("a whole tray that ran out leaves nothing to plan with, and a kind nobody has empties nothing", async () => {
    const { emptyTray } = await actions();
    const kind = { curl: studio.tray.curl, diameterMm: studio.tray.diameterMm, shape: studio.tray.shape };
    expect(await emptyTray({ kind: { ...kind, diameterMm: 0.2 }, lengthMm: null })).toEqual({ ok: true, data: { trays: 0 } });
    expect(await emptyTray({ kind, lengthMm: null })).toEqual({ ok: true, data: { trays: 1 } });
    expect((await page()).trays.flatMap(({ lengthsMm }) => lengthsMm)).toEqual([]);
    expect((await page(null)).start).toBeNull();
  });
});

describe("files of a map", () => {
  const file = async (name: "map.json" | "zones.csv" | "eyes.svg" | "brief.pdf" | "pad-strip.pdf", query = "", id = studio.ids.map) => {
    const { mapFile } = await import("@/features/map/files");
    return mapFile(new Request(`http://x/?${query}`), id, name);
  };
  test.each(["map.json", "zones.csv", "eyes.svg", "brief.pdf", "pad-strip.pdf"] as const)(
    "%s comes with its own type, kept by nobody",
    async (name) => {
      const answer = await file(name, "view=upside&paper=cinema");
      expect(answer.status).toBe(200);
      expect(answer.headers.get("cache-control")).toBe("no-store");
      expect(answer.headers.get("content-disposition")).toContain(name);
      expect((await answer.arrayBuffer()).byteLength).toBeGreaterThan(500);
    },
  );
  test("what goes out as JSON can be taken in again, and says nothing of the person", async () => {
    const text = await (await file("map.json")).text();
    expect(readMapFile(text)).toMatchObject({ ok: true, file: { map: { title: "second save" } } });
    expect(text).not.toContain("mappers client");
    const { importMap } = await actions();
    const taken = await importMap({ clientId: studio.ids.client, text });
    if (!taken.ok) throw new Error(taken.message);
    expect((await page(taken.data.mapId)).saved!.map.title).toBe("second save");
  });
  test("a table of zones: as many rows as zones, a head, and line ends a spreadsheet reads", async () => {
    const lines = (await (await file("zones.csv")).text()).trimEnd().split("\r\n");
    expect(lines).toHaveLength(1 + 2 * baseLayer(studio.map, "right").zones.length);
    expect(lines[0]).toMatch(/^map,eye,layer,role,zone,from,to,length_mm,curl,/);
  });
  test("signed out, or for a map that is not here, there is none", async () => {
    expect((await file("map.json", "", crypto.randomUUID())).status).toBe(404);
    expect((await file("map.json", "", "../etc")).status).toBe(404);
    actAs(null);
    expect((await file("map.json")).status).toBe(401);
  });
});

describe("a technician's own pace", () => {
  const visitOf = async (technician: string, minutes: number, daysAgo: number, finished = true) => {
    const { ids } = studio;
    const id = crypto.randomUUID();
    await rows(
      "insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, map_id, map_revision, keeps_time) values ($1, $2, $3, $4, $5, $8, 'newSet', now() - $6 * interval '1 day', 120, $7, 1, false)",
      [ids.studioId, id, ids.client, technician, ids.room, daysAgo, ids.map, ids.chair],
    );
    for (const [type, after] of [["started", 0], ...(finished ? [["finished", minutes]] : [])] as [string, number][])
      await rows(
        "insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id) values ($1, $2, $3, now() - $4 * interval '1 day' + $5 * interval '1 minute', 'checked', $6, $7, $8)",
        [
          ids.studioId,
          id,
          crypto.randomUUID(),
          daysAgo,
          after,
          type,
          type === "started" ? JSON.stringify({ bottleId: null, air: null }) : "{}",
          technician,
        ],
      );
    await readOutcomesAnew();
  };
  test("is the studio's until three sets are known, then the middle of them; nobody else's sets count", async () => {
    const before = (await page()).pace;
    expect(before.known).toBe(false);
    await visitOf(studio.ids.technician, 100, 20);
    await visitOf(studio.ids.technician, 110, 15);
    await visitOf(studio.ids.owner, 400, 12);
    await visitOf(studio.ids.technician, 500, 11, false);
    expect((await page()).pace).toEqual(before);
    await visitOf(studio.ids.technician, 300, 10);
    const { pace } = await page();
    expect(pace.known).toBe(true);
    const { placements } = await import("@/core/map");
    const lashes = (["right", "left"] as const)
      .flatMap((side) => placements(studio.map, studio.survey, side))
      .filter(({ worn }) => worn).length;
    // Derived: 110 min over the lashes of the map, the middle of 100, 110 and 300.
    expect(Math.abs(pace.secondsPerSingle - (110 * 60) / lashes)).toBeLessThanOrEqual(1);
    expect(Math.abs(pace.secondsPerFan / pace.secondsPerSingle - before.secondsPerFan / before.secondsPerSingle)).toBeLessThan(0.1);
  });
});
