import { EVENT_KINDS, type EventPayload, type EventType } from "@/core/visit";
import { defaultPolicy } from "@/core/policy";
import { rebuildOutcomes } from "@/db/outcomes/rebuild";
import { todayIn } from "@/server/studioTime";
import { actAs } from "../support/memberAs";
import { makeStudio, pointAppAtTests, type TestStudio, urls, withClient } from "../support/studios";

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

const DAY = 86_400_000;
const sql = async <T>(text: string, values: unknown[] = []) =>
  withClient(urls().owner, async (db) => (await db.query(text, values)).rows as T[]);
let studio: TestStudio;
const today = () => todayIn(studio.member("technician").timeZone, new Date());
beforeAll(async () => {
  studio = await makeStudio("fill");
  actAs(studio.member("technician"));
});

/** A visit of the studio's client so many days ago; by the studio's map, or by none. */
async function agreed(service: string, daysAgo: number, { map = true, clientId = studio.ids.client } = {}): Promise<string> {
  const { ids } = studio;
  const id = crypto.randomUUID();
  await sql(
    "insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, map_id, map_revision, keeps_time) values ($1, $2, $3, $4, $5, $6, $7, $8, 90, $9, $10, false)",
    [
      ids.studioId,
      id,
      clientId,
      ids.technician,
      ids.room,
      ids.chair,
      service,
      new Date(Date.now() - daysAgo * DAY),
      map ? ids.map : null,
      map ? 1 : null,
    ],
  );
  return id;
}
let seconds = 0;
const tap = <Type extends EventType>(visitId: string, daysAgo: number, type: Type, payload: EventPayload<Type>) => ({
  id: crypto.randomUUID() as string,
  visitId,
  at: new Date(Date.now() - daysAgo * DAY - 7_200_000 + (seconds += 5) * 1000).toISOString(),
  type: type as string,
  version: EVENT_KINDS[type].version as number,
  payload: payload as Record<string, unknown>,
});
/** Written as they would have come then: the server receives a tap when it is made. */
async function keep(taps: readonly ReturnType<typeof tap>[]) {
  for (const { id, visitId, at, type, version, payload } of taps)
    await sql(
      "insert into studio.visit_event (studio_id, visit_id, id, at, server_time, clock, type, version, payload, member_id) values ($1, $2, $3, $4, $4, 'checked', $5, $6, $7, $8)",
      [studio.ids.studioId, visitId, id, at, type, version, payload, studio.ids.technician],
    );
}
const air = { temperatureC: 22, relativeHumidity: 0.36 };
const { bottle } = { bottle: () => studio.ids.bottle };
type Zone = { side: "right" | "left"; layer: number; zone: number; singles: number; fans: number; isKnown: boolean };
type Outcome = { worn: { zones: Zone[] } | null; found: { zones: { left: number }[]; off: number } | null; how_placed: object | null };
const outcome = async (id: string) =>
  (await sql<Outcome>("select worn, found, how_placed from studio.visit_outcome where visit_id = $1", [id]))[0]!;
const total = ({ worn }: Outcome) => worn!.zones.reduce((sum, { singles, fans }) => sum + singles + fans, 0);

async function finishedSet(daysAgo: number): Promise<string> {
  const id = await agreed("newSet", daysAgo);
  await keep([
    tap(id, daysAgo, "started", { bottleId: bottle(), air }),
    tap(id, daysAgo, "beadPlaced", { lifeS: 900, air, bottleId: bottle() }),
    tap(id, daysAgo, "finished", {}),
  ]);
  await rebuildOutcomes(urls().owner);
  return id;
}
const zoneCount = (setVisitId: string, { side, layer, zone }: Zone, left: number | null): EventPayload<"leftCounted"> => ({
  ...{ side, layer, zone, left, setVisitId, role: "base", twisted: null, outgrown: null, by: "pads" },
  from: studio.map.eyes[side].layers[layer]!.boundaries[zone - 1]!,
  to: studio.map.eyes[side].layers[layer]!.boundaries[zone]!,
});
const lasted = async () => {
  const { inStudio } = await import("@/server/inStudio");
  const { lastedSets } = await import("@/features/visit/lastedSets");
  const me = studio.member("technician");
  return (await inStudio(me, (tx) => lastedSets(tx, me, [studio.ids.client], defaultPolicy))).map(({ facts }) => facts);
};

test("a set, its fill and the next: what the client left with is the count of the next, and each is learned from", async () => {
  const set = await finishedSet(42);
  const { zones } = (await outcome(set)).worn!;
  const worn = total(await outcome(set));
  expect(worn).toBeGreaterThan(50);
  const fill = await agreed("fill", 21);
  const { setBefore } = await import("@/features/visit/setBefore");
  const { inStudio } = await import("@/server/inStudio");
  const me = studio.member("technician");
  const before = (id: string, daysAgo: number) =>
    inStudio(me, (tx) =>
      setBefore(tx, me, { id, clientId: studio.ids.client, startsAt: new Date(Date.now() - daysAgo * DAY) }, defaultPolicy),
    );
  expect(await before(fill, 21)).toMatchObject({ set: { visitId: set }, from: { of: "usual" } });

  await keep([
    tap(fill, 21, "started", { bottleId: bottle(), air }),
    ...zones.map((zone) => tap(fill, 21, "leftCounted", zoneCount(set, zone, zone.singles - 2))),
    tap(fill, 21, "sinceLastTold", { of: "sleepsOn", is: "left" }),
    tap(fill, 21, "takenOff", { side: zones[0]!.side, layer: 0, zone: zones[0]!.zone, n: 1, hurt: false }),
    tap(fill, 21, "beadPlaced", { lifeS: 900, air, bottleId: null }),
    tap(fill, 21, "lashPlaced", { side: zones[0]!.side, layer: 0, zone: zones[0]!.zone, piece: 0, n: 3 }),
    tap(fill, 21, "finished", {}),
  ]);
  await rebuildOutcomes(urls().owner);
  const came = await outcome(fill);
  expect(came.found).toMatchObject({ off: 1, hurt: 0, since: { sleepsOn: "left", oil: null } });
  expect(came.found!.zones).toHaveLength(zones.length);
  // All that was counted, less the one taken off, with the three placed.
  expect(total(came)).toBe(worn - 2 * zones.length - 1 + 3);
  expect(came.worn!.zones.every(({ isKnown }) => isKnown)).toBe(true);

  const [facts] = await lasted();
  expect(facts).toMatchObject({
    visitId: fill,
    left: worn - 2 * zones.length,
    worn,
    relativeHumidity: 0.36,
    sleepsOn: "left",
    technicianId: studio.ids.technician,
  });
  expect(facts!.days).toBeCloseTo(21, 1);
  expect(facts!.adhesiveId).toBe(studio.ids.adhesive);

  const second = await agreed("fill", 1);
  const found = await before(second, 1);
  expect(found).toMatchObject({ set: { visitId: fill }, from: { of: "client", fills: 1 } });
  expect(found!.set.worn.zones).toEqual(came.worn!.zones);
  // A client who keeps nearly all is expected to keep more.
  expect(found!.expected.hazard.mid).toBeLessThan(0.0117);

  // Asked without any visit: so many days after the client left with the last of it.
  const { proposeDay } = await import("@/features/booking/actions");
  const proposed = await proposeDay({ clientId: studio.ids.client, technicianId: studio.ids.technician });
  if (!proposed.ok) throw new Error(proposed.message);
  const { afterDays, day, why } = proposed.data!;
  // That day may have come already: then it is today.
  expect(day >= today()).toBe(true);
  expect(afterDays).toBeLessThanOrEqual(21);
  expect(why).toContain(`Day ${afterDays}`);
  expect(why).toContain("by this client’s own 1 fill");
  expect(await proposeDay({ clientId: crypto.randomUUID(), technicianId: studio.ids.technician })).toMatchObject({ ok: false });
  const { howTheyLast } = await import("@/features/lasting/actions");
  expect(await howTheyLast({ clientId: studio.ids.client })).toMatchObject({
    ok: true,
    data: { from: { of: "client", fills: 1 }, hazard: found!.expected.hazard },
  });
});

test("taken back and counted again: the rebuild writes the same, and nothing is learned from what is not there", async () => {
  const all = () =>
    sql("select visit_id, worn, found, how_placed, state from studio.visit_outcome where studio_id = $1 order by visit_id", [
      studio.ids.studioId,
    ]);
  const [{ visit_id: fill } = { visit_id: "" }] = await sql<{ visit_id: string }>(
    "select visit_id from studio.visit_outcome where studio_id = $1 and found is not null",
    [studio.ids.studioId],
  );
  const before = await all();
  await rebuildOutcomes(urls().owner);
  expect(await all()).toEqual(before);
  const counts = await sql<{ id: string }>("select id from studio.visit_event where visit_id = $1 and type = 'leftCounted'", [fill]);
  await keep(counts.map(({ id }) => tap(fill, 20, "undone", { eventId: id })));
  await rebuildOutcomes(urls().owner);
  expect((await outcome(fill)).found!.zones).toEqual([]);
  expect(await lasted()).toEqual([]);
});

test("after a removal there is no set to find; a set of another client is none of this one's", async () => {
  const { setBefore } = await import("@/features/visit/setBefore");
  const { inStudio } = await import("@/server/inStudio");
  const me = studio.member("technician");
  const removal = await agreed("removal", 0.2, { map: false });
  await keep([tap(removal, 0.2, "started", { bottleId: null, air: null }), tap(removal, 0.2, "finished", {})]);
  await rebuildOutcomes(urls().owner);
  const at = { id: crypto.randomUUID(), clientId: studio.ids.client, startsAt: new Date() };
  expect(await inStudio(me, (tx) => setBefore(tx, me, at, defaultPolicy))).toBeNull();
  expect(await inStudio(me, (tx) => setBefore(tx, me, { ...at, clientId: crypto.randomUUID() }, defaultPolicy))).toBeNull();
  const { proposeDay } = await import("@/features/booking/actions");
  expect(await proposeDay({ clientId: studio.ids.client, technicianId: studio.ids.technician })).toEqual({ ok: true, data: null });
  // A fill after it fills what was put on elsewhere: counted by its own map, no set of the studio's behind it.
  const { visitPage } = await import("@/features/chair/page");
  const fill = await agreed("fill", 0);
  const page = await visitPage(me, fill, new Date());
  expect(page!.found).toMatchObject({ set: { visitId: null, leftAtMs: null }, from: { of: "usual" } });
  expect(page!.found!.maps.map(({ id }) => id)).toContain(studio.ids.map);
  const [zone] = page!.found!.set.worn.zones;
  await keep([
    tap(fill, 0, "started", { bottleId: bottle(), air }),
    tap(fill, 0, "leftCounted", { ...zoneCount(fill, zone as Zone, 2), setVisitId: null }),
    tap(fill, 0, "beadPlaced", { lifeS: 900, air, bottleId: null }),
    tap(fill, 0, "finished", {}),
  ]);
  await rebuildOutcomes(urls().owner);
  // It is known from then on what was on in that zone, and there is nothing to learn from the count itself.
  expect((await outcome(fill)).worn!.zones.filter(({ isKnown }) => isKnown)).toHaveLength(1);
  expect(await lasted()).toEqual([]);
  expect((await visitPage(me, await agreed("newSet", 0), new Date()))!.found).toBeNull();
  expect((await visitPage(me, await agreed("fill", 0, { map: false }), new Date()))!.found).toMatchObject({ set: { visitId: fill } });
});

test("a date is proposed for what is worn by care's own rule: not for a set of seven weeks ago", async () => {
  const { proposeDay } = await import("@/features/booking/actions");
  const proposedFor = async (daysAgo: number) => {
    const clientId = crypto.randomUUID();
    await sql("insert into studio.client (studio_id, id, name) values ($1, $2, 'Long Gone')", [studio.ids.studioId, clientId]);
    const id = await agreed("newSet", daysAgo, { clientId });
    await keep([
      tap(id, daysAgo, "started", { bottleId: bottle(), air }),
      tap(id, daysAgo, "beadPlaced", { lifeS: 900, air, bottleId: bottle() }),
      tap(id, daysAgo, "finished", {}),
    ]);
    await rebuildOutcomes(urls().owner);
    const answer = await proposeDay({ clientId, technicianId: studio.ids.technician });
    if (!answer.ok) throw new Error(answer.message);
    return answer.data;
  };
  expect(await proposedFor(49)).toBeNull();
  // Its day has passed: as soon as may be.
  const late = await proposedFor(30);
  expect(late!.day).toBe(today());
  const soon = await proposedFor(3);
  expect(soon!.day > late!.day).toBe(true);
});

test("a fill takes another map until something is placed by the one it has", async () => {
  const { fillByMap } = await import("@/features/visit/actions");
  const fill = await agreed("fill", 0);
  await keep([tap(fill, 0, "started", { bottleId: null, air: null })]);
  await rebuildOutcomes(urls().owner);
  const by = (over: object = {}) => fillByMap({ visitId: fill, mapId: studio.ids.map, revision: 1, ...over });
  expect(await by()).toMatchObject({ ok: true });
  expect(await by({ mapId: crypto.randomUUID() })).toMatchObject({
    ok: false,
    message: expect.stringContaining("map is not in the studio"),
  });
  expect(await by({ visitId: await agreed("newSet", 0) })).toMatchObject({ ok: false, message: expect.stringContaining("Only a fill") });
  expect(await by({ visitId: crypto.randomUUID() })).toMatchObject({ ok: false });
  await keep([
    tap(fill, 0, "beadPlaced", { lifeS: 900, air: null, bottleId: null }),
    tap(fill, 0, "lashPlaced", { side: "right", layer: 0, zone: 2, piece: 0, n: 1 }),
  ]);
  await rebuildOutcomes(urls().owner);
  expect(await by()).toMatchObject({ ok: false, message: expect.stringContaining("placed by this map already") });
});

test("a count that cannot be is refused in words, and the rest is kept", async () => {
  const { POST } = await import("@/app/api/visits/events/route");
  const fill = await agreed("fill", 0);
  const good = zoneCount(crypto.randomUUID(), { side: "right", layer: 0, zone: 1, singles: 9, fans: 0, isKnown: true }, 5);
  const send = [good, { ...good, twisted: 6 }, { ...good, to: 0 }, { ...good, left: -1 }, { ...good, left: null }].map((payload) => ({
    ...tap(fill, 0, "leftCounted", payload),
    clock: "checked",
  }));
  const answer = await POST(new Request("http://x/", { method: "POST", body: JSON.stringify({ events: send }) }));
  const { kept, refused } = (await answer.json()) as { kept: unknown[]; refused: { why: string }[] };
  expect(kept).toHaveLength(2);
  expect(refused.map(({ why }) => why)).toEqual([
    expect.stringContaining("No more are twisted or outgrown"),
    expect.stringContaining("A zone has some width"),
    expect.stringContaining("Not fewer than none"),
  ]);
});
