import { EVENT_KINDS, type EventPayload, type EventType } from "@/core/visit";
import { rebuildOutcomes } from "@/db/outcomes/rebuild";
import { actAs } from "../support/memberAs";
import { makeStudio, pointAppAtTests, type TestStudio, urls, withClient } from "../support/studios";

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

const sql = async <T>(text: string, values: unknown[] = []) =>
  withClient(urls().owner, async (db) => (await db.query(text, values)).rows as T[]);
const air = { temperatureC: 22, relativeHumidity: 0.5 };
const why = "Noted too late.";
let studio: TestStudio;
let other: TestStudio;
let somebodyElse: string;

beforeAll(async () => {
  studio = await makeStudio("corrections");
  other = await makeStudio("corrections elsewhere");
  somebodyElse = crypto.randomUUID();
  await sql("insert into studio.client (studio_id, id, name) values ($1, $2, 'Wilmet Sedge')", [studio.ids.studioId, somebodyElse]);
});
beforeEach(() => actAs(studio.member("technician")));

const minutesAgo = (minutes: number) => new Date(Math.floor(Date.now() / 60_000) * 60_000 - minutes * 60_000);
const event = <Type extends EventType>(visitId: string, minutes: number, type: Type, payload: EventPayload<Type>) => ({
  id: crypto.randomUUID() as string,
  visitId,
  at: minutesAgo(minutes).toISOString(),
  clock: "checked" as const,
  type: type as string,
  version: EVENT_KINDS[type].version as number,
  payload: payload as Record<string, unknown>,
});
/** A set of an hour and a half that nobody noted a bottle for, with a map on it. */
async function kept(): Promise<string> {
  const { ids } = studio;
  const id = crypto.randomUUID();
  await sql(
    "insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, map_id, map_revision, keeps_time) values ($1, $2, $3, $4, $5, $6, 'newSet', $7, 90, $8, 1, false)",
    [ids.studioId, id, ids.client, ids.technician, ids.room, ids.chair, minutesAgo(200), ids.map],
  );
  const events = [
    event(id, 200, "started", { bottleId: null, air }),
    event(id, 180, "beadPlaced", { lifeS: 900, air, bottleId: null }),
    event(id, 150, "beadPlaced", { lifeS: 900, air, bottleId: null }),
    event(id, 110, "finished", {}),
  ];
  const { POST } = await import("@/app/api/visits/events/route");
  const answer = await POST(new Request("http://x/", { method: "POST", body: JSON.stringify({ events }) }));
  expect(((await answer.json()) as { kept: unknown[] }).kept).toHaveLength(4);
  return id;
}
const correct = async (visitId: string, wish: Record<string, unknown>, eventId = crypto.randomUUID()) => {
  const actions = await import("@/features/correction/actions");
  return actions.correct({ visitId, eventId, wish: { why, ...wish } });
};
const cameTo = async (visitId: string) =>
  (
    await sql<{
      begun_at: Date;
      finished_at: Date;
      put_on_at: Date;
      worn: unknown;
      lots: number;
      client_id: string;
      map_id: string | null;
    }>(
      `select o.*, v.client_id, v.map_id, (select coalesce(sum(beads), 0)::int from studio.visit_lot l where l.visit_id = o.visit_id) as lots
       from studio.visit_outcome o join studio.visit v on v.studio_id = o.studio_id and v.id = o.visit_id where o.visit_id = $1`,
      [visitId],
    )
  )[0]!;
const lines = async (visitId: string) => {
  const { correctionLines } = await import("@/features/correction/data");
  return correctionLines(studio.member("technician"), visitId);
};
/** A moment on the studio's clock, as its form says it. */
const wall = async (at: Date) => {
  const { timeIn, todayIn } = await import("@/server/studioTime");
  const { timeZone } = studio.member("technician");
  return { day: todayIn(timeZone, at), time: timeIn(timeZone, at) };
};

test("a forgotten bottle counts where drops are counted; what stood before, who and why are readable", async () => {
  const id = await kept();
  expect((await cameTo(id)).lots).toBe(0);
  const { bottle } = studio.ids;
  expect(await correct(id, { what: "bottle", bottleId: bottle, instead: null })).toEqual({ ok: true, data: null });
  expect((await cameTo(id)).lots).toBe(2);
  const [line] = await lines(id);
  expect(line).toMatchObject({ before: "none noted", why, by: studio.member("technician").name });
  expect(line!.now).toMatch(/^Bottle: .+, lot .+/);
});

test("what may be corrected is offered as it stands then, and for a finished visit only", async () => {
  const { correctionChoices } = await import("@/features/correction/actions");
  const id = await kept();
  const offered = async () => {
    const result = await correctionChoices({ visitId: id });
    if (!result.ok) throw new Error(result.message);
    return result.data;
  };
  const { noted, bottles, maps, wornMapId } = await offered();
  expect(noted).toEqual([{ bottleId: null, words: "no bottle noted, 2 beads" }]);
  // A pack of tint is no bottle.
  expect(bottles.map((bottle) => bottle.id)).toEqual([studio.ids.bottle]);
  expect(maps!.map(({ mapId }) => mapId)).toContain(wornMapId);
  await correct(id, { what: "bottle", bottleId: studio.ids.bottle, instead: null });
  await correct(id, { what: "finished", ...(await wall(minutesAgo(140))) });
  const after = await offered();
  expect(after.noted).toEqual([{ bottleId: studio.ids.bottle, words: `${bottles[0]!.name}, 2 beads` }]);
  expect(after.finished).toEqual(await wall(minutesAgo(140)));
  expect(await correctionChoices({ visitId: studio.ids.visit })).toMatchObject({ ok: false });
});

test("times entered later are what minutes and the days between services are counted from", async () => {
  const id = await kept();
  const ended = minutesAgo(140);
  expect(await correct(id, { what: "finished", ...(await wall(ended)) })).toMatchObject({ ok: true });
  expect(await correct(id, { what: "begun", ...(await wall(minutesAgo(215))) })).toMatchObject({ ok: true });
  const came = await cameTo(id);
  expect([came.begun_at, came.finished_at, came.put_on_at]).toEqual([minutesAgo(215), ended, ended]);
  expect((await lines(id)).map(({ now }) => now.split(" ")[0])).toEqual(["Ended", "Began"]);
});

test("a time before the last bead, or still to come, is refused where it was typed", async () => {
  const id = await kept();
  for (const at of [minutesAgo(151), minutesAgo(-60)])
    expect(await correct(id, { what: "finished", ...(await wall(at)) })).toMatchObject({ ok: false, fields: { time: expect.any(String) } });
  expect(await lines(id)).toEqual([]);
});

test("another map is worn from then on, none where there was none; a map of somebody else is refused", async () => {
  const id = await kept();
  expect((await cameTo(id)).worn).not.toBeNull();
  expect(await correct(id, { what: "map", map: null })).toMatchObject({ ok: true });
  expect(await cameTo(id)).toMatchObject({ worn: null, map_id: null });
  expect(await correct(id, { what: "map", map: { mapId: studio.ids.map, revision: 1 } })).toMatchObject({ ok: true });
  expect((await cameTo(id)).worn).not.toBeNull();
  for (const map of [
    { mapId: other.ids.map, revision: 1 },
    { mapId: studio.ids.map, revision: 99 },
  ])
    expect(await correct(id, { what: "map", map })).toMatchObject({ ok: false });
  expect((await lines(id)).map(({ now, before }) => [now === "Map: none", before === "none"])).toEqual([
    [true, false],
    [false, true],
  ]);
});

test("a visit of another client goes to them with its lots; a map drawn for the first one does not", async () => {
  const id = await kept();
  await sql(
    "insert into studio.patch_test (studio_id, id, client_id, family, placed_at, read_after_hours) values ($1, gen_random_uuid(), $2, 'adhesive', now() - interval '30 days', 48)",
    [studio.ids.studioId, somebodyElse],
  );
  expect(await correct(id, { what: "client", clientId: somebodyElse })).toMatchObject({ ok: true });
  expect(await cameTo(id)).toMatchObject({ client_id: somebodyElse, map_id: null, worn: null });
  const words = await lines(id);
  expect(words.map(({ now }) => now)).toEqual(["Client: Wilmet Sedge", "Map: none"]);
  expect(words[1]!.before).not.toBe("none");
  const { careFacts } = await import("@/features/visit/careFacts");
  const { inStudio } = await import("@/server/inStudio");
  const me = studio.member("technician");
  const past = async (clientId: string) =>
    (await inStudio(me, (tx) => careFacts(tx, me.timeZone, new Date(), { clientId, at: new Date() }))).past.filter(
      ({ label, known }) => label === "new set" && known !== "agreed",
    ).length;
  expect(await past(somebodyElse)).toBe(1);
});

test("what would have stopped it is marked of the one it really was; corrected back, nothing of them is left on the first one's record", async () => {
  const id = await kept();
  const { marksOf } = await import("@/features/visit/data");
  const { inStudio } = await import("@/server/inStudio");
  const me = studio.member("technician");
  const marks = async () => (await inStudio(me, (tx) => marksOf(tx, id))).map(({ key }) => key).sort();
  const before = await marks();
  const untested = crypto.randomUUID();
  await sql("insert into studio.client (studio_id, id, name) values ($1, $2, 'Nobody Tested')", [studio.ids.studioId, untested]);
  await correct(id, { what: "client", clientId: untested });
  const theirs = await marks();
  expect(theirs.some((key) => key.includes("patch") || key.includes("Patch"))).toBe(true);
  await correct(id, { what: "client", clientId: studio.ids.client });
  // Judged as of then, with what is known now: whoever they are, no mark of the other is among theirs.
  const kept0 = await sql<{ client_id: string; key: string }>("select client_id, key from studio.visit_mark where visit_id = $1", [id]);
  expect(await marks()).toEqual(
    kept0
      .filter(({ client_id }) => client_id === studio.ids.client)
      .map(({ key }) => key)
      .sort(),
  );
  expect(before.filter((key) => !kept0.some((one) => one.key === key))).toEqual([]);
  expect(
    kept0
      .filter(({ client_id }) => client_id === untested)
      .map(({ key }) => key)
      .sort(),
  ).toEqual([...theirs].sort());
});

test("sent twice it corrects once; a trainee, another studio and a visit that runs are refused", async () => {
  const id = await kept();
  const eventId = crypto.randomUUID();
  const wish = { what: "bottle", bottleId: studio.ids.bottle, instead: null };
  expect(await correct(id, wish, eventId)).toMatchObject({ ok: true });
  expect(await correct(id, wish, eventId)).toMatchObject({ ok: true });
  expect(await lines(id)).toHaveLength(1);
  actAs(studio.member("trainee"));
  expect(await correct(id, { what: "bottle", bottleId: studio.ids.bottle, instead: null })).toMatchObject({ ok: false });
  actAs(other.member("owner"));
  expect(await correct(id, { what: "client", clientId: other.ids.client })).toMatchObject({ ok: false });
  actAs(studio.member("technician"));
  await sql("delete from studio.visit_event where visit_id = $1 and type = 'finished'", [id]);
  await rebuildOutcomes(urls().owner, { onlyBehind: false });
  expect(await correct(id, wish)).toMatchObject({ ok: false, message: expect.stringContaining("finished") });
});

test("what corrected visits came to is made again from their events, to the last figure", async () => {
  const all = () => sql("select * from studio.visit_outcome where studio_id = $1 order by visit_id", [studio.ids.studioId]);
  const before = await all();
  await rebuildOutcomes(urls().owner, { onlyBehind: false });
  expect(await all()).toEqual(before);
});
