import { EVENT_KINDS, type EventPayload, type EventType } from "@/core/visit";
import { defaultPolicy } from "@/core/policy";
import { processSteps, shippedProtocols } from "@/core/protocol";
import { rebuildOutcomes } from "@/db/outcomes/rebuild";
import { actAs, acting } from "../support/memberAs";
import { makeStudio, pointAppAtTests, type TestStudio, urls, withClient } from "../support/studios";

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

const sql = async <T>(text: string, values: unknown[] = []) =>
  withClient(urls().owner, async (db) => (await db.query(text, values)).rows as T[]);
let studio: TestStudio;
let other: TestStudio;
beforeAll(async () => {
  studio = await makeStudio("outcomes");
  other = await makeStudio("outcomes elsewhere");
  actAs(studio.member("technician"));
});

/** A visit of the studio's client, agreed for now. */
async function agreed(service: string, { map = false } = {}): Promise<string> {
  const { ids } = studio;
  const id = crypto.randomUUID();
  await sql(
    "insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, map_id, map_revision, keeps_time) values ($1, $2, $3, $4, $5, $6, $7, now(), 90, $8, $9, false)",
    [ids.studioId, id, ids.client, ids.technician, ids.room, ids.chair, service, map ? ids.map : null, map ? 1 : null],
  );
  return id;
}
let second = 0;
const tap = <Type extends EventType>(visitId: string, type: Type, payload: EventPayload<Type>) => ({
  id: crypto.randomUUID() as string,
  visitId,
  at: new Date(Date.now() - 3_600_000 + (second += 5) * 1000).toISOString(),
  clock: "checked" as const,
  type: type as string,
  version: EVENT_KINDS[type].version as number,
  payload: payload as Record<string, unknown>,
});
const keep = async (taps: readonly ReturnType<typeof tap>[]) => {
  const { POST } = await import("@/app/api/visits/events/route");
  const answer = await POST(new Request("http://x/", { method: "POST", body: JSON.stringify({ events: taps }) }));
  return (await answer.json()) as { kept: { id: string; seq: number }[]; refused: { id: string; why: string }[] };
};
const outcome = async (visitId: string) =>
  (
    await sql<{
      begun_at: Date | null;
      finished_at: Date | null;
      put_on_at: Date | null;
      stopped: string | null;
      worn: unknown;
      through_seq: number;
    }>("select * from studio.visit_outcome where visit_id = $1", [visitId])
  )[0]!;
const air = { temperatureC: 22, relativeHumidity: 0.5 };
const bead = (visitId: string, bottleId: string | null = studio.ids.bottle) => tap(visitId, "beadPlaced", { lifeS: 900, air, bottleId });

/** A set with everything in it, and some of it taken back. */
async function workedSet(): Promise<string> {
  const id = await agreed("newSet", { map: true });
  const wrong = bead(id);
  const miscounted = tap(id, "checked", { off: 9, of: 10 });
  await keep([tap(id, "started", { bottleId: studio.ids.bottle, air }), bead(id), wrong, tap(id, "undone", { eventId: wrong.id })]);
  await keep([miscounted, tap(id, "undone", { eventId: miscounted.id }), tap(id, "checked", { off: 2, of: 24 }), bead(id, null)]);
  await keep([
    tap(id, "zonePlaced", { side: "right", layer: 0, zone: 1 }),
    tap(id, "setTested", { seconds: 1.3, air, bottleId: studio.ids.bottle }),
  ]);
  await keep([tap(id, "finishApplied", { method: "fan" }), tap(id, "finished", {})]);
  return id;
}
/** A lift that was stopped. */
async function stoppedLift(): Promise<string> {
  const id = await agreed("lift");
  const protocol = shippedProtocols.lift(defaultPolicy);
  const plan = {
    protocol,
    protocolId: null,
    revision: 1,
    areas: ["lashRight", "lashLeft"],
    seconds: Object.fromEntries(processSteps(protocol).map((step) => [step.id, step.defaultS])),
    pace: { hair: "medium", processed: false, filmCover: false },
    density: "usual",
    wish: { lift: "open", lashDepth: null, browDepth: null },
    from: { lashDepth: 5, browDepth: 5 },
    shield: null,
    recipes: {},
  };
  await sql(
    "insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id) values ($1, $2, gen_random_uuid(), now() - interval '2 hours', 'checked', 'runPlanned', $3, $4)",
    [studio.ids.studioId, id, { plan, air }, studio.ids.technician],
  );
  await keep([
    tap(id, "started", { bottleId: null, air }),
    tap(id, "taskDone", { stepId: "cleanse" }),
    tap(id, "batchTaken", { stepId: "step-1", productId: studio.ids.product, batchId: studio.ids.batch }),
    tap(id, "coated", { stepId: "step-1", area: "lashRight" }),
    tap(id, "runStopped", { kind: "splash", rinseS: 900 }),
    tap(id, "wiped", { stepId: "step-1", area: "lashRight" }),
  ]);
  return id;
}

test("what a visit came to is written with its taps, what was taken back left out", async () => {
  const id = await workedSet();
  const came = await outcome(id);
  expect(came.begun_at).not.toBeNull();
  expect(came.put_on_at).toEqual(came.finished_at);
  expect(came.stopped).toBeNull();
  expect(came.through_seq).toBe(12);
  expect(await sql("select lot_id, beads from studio.visit_lot where visit_id = $1", [id])).toEqual([
    { lot_id: studio.ids.bottle, beads: 1 },
  ]);
  expect(await sql("select came_off, of_lashes, member_id from studio.visit_brush where visit_id = $1", [id])).toEqual([
    { came_off: 2, of_lashes: 24, member_id: studio.ids.technician },
  ]);
  const { wornLashes } = await import("@/core/map");
  expect(came.worn).toEqual(wornLashes(studio.map, studio.survey));
  const last = tap(id, "undone", {
    eventId: (await sql<{ id: string }>("select id from studio.visit_event where visit_id = $1 and type = 'finished'", [id]))[0]!.id,
  });
  await keep([last]);
  expect(await outcome(id)).toMatchObject({ finished_at: null, worn: null, through_seq: 13 });
});

test("a lift that was broken off says so, with the batch that touched the client", async () => {
  const id = await stoppedLift();
  const came = await outcome(id);
  expect(came.stopped).toBe("splash");
  expect(came.finished_at).toBeNull();
  expect(came.put_on_at).not.toBeNull();
  expect(await sql("select lot_id, beads from studio.visit_lot where visit_id = $1", [id])).toEqual([
    { lot_id: studio.ids.batch, beads: 0 },
  ]);
});

test("made again from the events, all of it is the same to the last figure", async () => {
  await workedSet();
  await stoppedLift();
  const all = async () =>
    Object.fromEntries(
      await Promise.all(
        ["visit_outcome", "visit_lot", "visit_brush"].map(async (table) => [
          table,
          (await sql<{ row: string }>(`select t::text as row from studio.${table} t order by t::text`)).map(({ row }) => row),
        ]),
      ),
    ) as Record<string, string[]>;
  const before = await all();
  expect(before.visit_outcome!.length).toBeGreaterThan(4);
  expect(before.visit_brush!.length).toBeGreaterThan(2);
  await rebuildOutcomes(urls().owner);
  expect(await all()).toEqual(before);
  await sql("delete from studio.visit_outcome");
  await sql("delete from studio.visit_lot");
  await sql("delete from studio.visit_brush");
  expect(await rebuildOutcomes(urls().owner, { onlyBehind: true })).toBe(before.visit_outcome!.length);
  expect(await all()).toEqual(before);
  expect(await rebuildOutcomes(urls().owner, { onlyBehind: true })).toBe(0);
});

test("one that is behind its events, or of another version, is written anew where it is read", async () => {
  const { knownVisit } = await import("@/features/visit/life");
  const { inStudio } = await import("@/server/inStudio");
  const { visitsInFull } = await import("@/features/visit/data");
  const id = await agreed("fill", { map: true });
  // A copy of the app from before writes an event and nothing else.
  await sql(
    "insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id) values ($1, $2, gen_random_uuid(), now(), 'checked', 'started', $3, $4)",
    [studio.ids.studioId, id, { bottleId: null, air: null }, studio.ids.technician],
  );
  expect((await inStudio(acting(), (tx) => knownVisit(tx, id))).begunAt).not.toBeNull();
  expect(await outcome(id)).toMatchObject({ through_seq: 1 });
  await sql("update studio.visit_outcome set state = state || '{\"version\": 0}' where visit_id = $1", [id]);
  const [full] = await inStudio(acting(), (tx) => visitsInFull(tx, { visitId: id }));
  expect(full!.state.head.startedAtMs).not.toBeNull();
  expect(
    (await sql<{ v: number }>("select (state->>'version')::int as v from studio.visit_outcome where visit_id = $1", [id]))[0]!.v,
  ).toBeGreaterThan(0);
});

test("events are numbered without gaps, however many tablets tap at once, and sending again numbers nothing anew", async () => {
  const id = await agreed("fill", { map: true });
  const taps = Array.from({ length: 24 }, () => bead(id));
  const answers = await Promise.all([0, 6, 12, 18].flatMap((i) => [keep(taps.slice(i, i + 6)), keep(taps.slice(i, i + 6))]));
  const seqs = new Map(answers.flatMap(({ kept }) => kept.map((one) => [one.id, one.seq] as const)));
  expect([...seqs.values()].sort((a, b) => a - b)).toEqual(Array.from({ length: 24 }, (_, i) => i + 1));
  const again = await keep(taps.slice(3, 5));
  expect(again.kept.map(({ id: event, seq }) => [event, seq])).toEqual(again.kept.map(({ id: event }) => [event, seqs.get(event)]));
  expect(await outcome(id)).toMatchObject({ through_seq: 24 });
});

test("a tablet is told only what came since the number it names; nonsense counts as not known", async () => {
  const { GET } = await import("@/app/api/visits/running/route");
  const id = await agreed("fill", { map: true });
  await keep([tap(id, "started", { bottleId: null, air: null }), bead(id), bead(id)]);
  const heard = async (search: string) => {
    const { visits } = (await (await GET(new Request(`http://x/api/visits/running${search}`))).json()) as {
      visits: { id: string; events: { seq: number }[] }[];
    };
    return visits.find((one) => one.id === id)!.events.map(({ seq }) => seq);
  };
  expect(await heard("")).toEqual([1, 2, 3]);
  expect(await heard(`?since=${id}.2`)).toEqual([3]);
  expect(await heard(`?since=${id}.3&since=${crypto.randomUUID()}.0`)).toEqual([]);
  for (const odd of [`?since=${id}.two`, `?since=${id}`, "?since=", `?since=${id}.-1`]) expect(await heard(odd)).toEqual([1, 2, 3]);
});

test("an undo leaves out a set test of its own visit, and no other test of the studio", async () => {
  const id = await agreed("fill", { map: true });
  const leftOut = async (testId: string) =>
    (await sql<{ left_out: boolean }>("select left_out from studio.set_test where id = $1", [testId]))[0]!.left_out;
  const timed = tap(id, "setTested", { seconds: 1.1, air, bottleId: studio.ids.bottle });
  await keep([timed, tap(id, "undone", { eventId: studio.ids.setTest }), tap(id, "undone", { eventId: other.ids.setTest })]);
  expect([await leftOut(studio.ids.setTest), await leftOut(other.ids.setTest), await leftOut(timed.id)]).toEqual([false, false, false]);
  const elsewhere = await agreed("fill", { map: true });
  await keep([tap(elsewhere, "undone", { eventId: timed.id })]);
  expect(await leftOut(timed.id)).toBe(false);
  await keep([tap(id, "undone", { eventId: timed.id })]);
  expect(await leftOut(timed.id)).toBe(true);
  // Another tablet was quicker: the test comes after it was taken back.
  const late = tap(id, "setTested", { seconds: 1.2, air, bottleId: studio.ids.bottle });
  await keep([tap(id, "undone", { eventId: late.id })]);
  await keep([late]);
  expect(await leftOut(late.id)).toBe(true);
});

test("a tap of a kind or version that this server does not know is kept as it came, and passed over", async () => {
  const { visitPage } = await import("@/features/chair/page");
  const id = await agreed("fill", { map: true });
  const newer = [
    { ...tap(id, "beadWiped", {}), type: "lashBraided", version: 1, payload: { side: "right", lash: 12 } },
    { ...tap(id, "beadWiped", {}), version: 9, payload: { why: "pause" } },
  ];
  const { kept, refused } = await keep([tap(id, "started", { bottleId: null, air: null }), ...newer, bead(id)]);
  expect([kept.length, refused]).toEqual([4, []]);
  expect(
    await sql("select type, version, payload from studio.visit_event where visit_id = $1 and seq in (2, 3) order by seq", [id]),
  ).toEqual([
    { type: "lashBraided", version: 1, payload: { side: "right", lash: 12 } },
    { type: "beadWiped", version: 9, payload: { why: "pause" } },
  ]);
  const page = await visitPage(acting(), id, new Date());
  expect(page!.visit.state.set.beads).toHaveLength(1);
  expect(page!.events).toHaveLength(4);
  const { refused: bent } = await keep([{ ...tap(id, "beadWiped", {}), payload: { why: "pause" } }]);
  expect(bent).toHaveLength(1);
});

describe("lashes, one by one", () => {
  const spot = { side: "right" as const, layer: 0, zone: 4, piece: 0 };
  const lash = (visitId: string, over: Record<string, unknown> = {}) => ({
    ...tap(visitId, "lashPlaced", { ...spot, n: 1 }),
    payload: { ...spot, n: 1, ...over },
  });

  test("a set lash by lash is kept, survives its state's way into the database and back, and a rebuild makes the same", async () => {
    const { visitPage } = await import("@/features/chair/page");
    const id = await agreed("newSet", { map: true });
    const lashes = Array.from({ length: 40 }, (_, i) => lash(id, { zone: 1 + (i % 9), side: i % 2 ? "left" : "right" }));
    const { kept, refused } = await keep([
      tap(id, "started", { bottleId: null, air: null }),
      bead(id),
      ...lashes,
      tap(id, "lashRedone", { ...spot, n: 1, why: "leaned" }),
      tap(id, "paused", { why: null }),
      tap(id, "resumed", {}),
      tap(id, "talkMarked", { on: true }),
      tap(id, "taped", { what: "innerDrawn", side: "left", on: true }),
      tap(id, "replanned", { minutes: 30, targets: [{ ...spot, planned: 5 }] }),
    ]);
    expect([kept.length, refused]).toEqual([48, []]);
    const state = async () => (await sql<{ state: unknown }>("select state from studio.visit_outcome where visit_id = $1", [id]))[0]!.state;
    const before = await state();
    const { placing } = (await visitPage(acting(), id, new Date()))!.visit.state;
    expect(placing.lashes).toHaveLength(40);
    expect(placing).toMatchObject({ redone: [{ why: "leaned" }], targets: { minutes: 30 }, tapes: [{ what: "innerDrawn" }] });
    await sql("update studio.visit_outcome set state = '{}'::jsonb where visit_id = $1", [id]);
    await rebuildOutcomes(urls().owner, { onlyBehind: false });
    expect(await state()).toEqual(before);
  });

  test("a zone that is not there, another layer, more than was planned, after the end: kept, and the visit still reads", async () => {
    const { visitPage } = await import("@/features/chair/page");
    const id = await agreed("newSet", { map: true });
    const odd = [{ zone: 40 }, { layer: 9 }, { n: 200 }, { piece: 9 }].map((over) => lash(id, over));
    const { kept, refused } = await keep([
      tap(id, "started", { bottleId: null, air: null }),
      bead(id),
      ...odd,
      tap(id, "finished", {}),
      lash(id),
    ]);
    expect([kept.length, refused]).toEqual([8, []]);
    const { state } = (await visitPage(acting(), id, new Date()))!.visit;
    expect(state.head.finishedAtMs).not.toBeNull();
    expect(state.placing.lashes).toHaveLength(5);
  });

  test.each([
    ["no lash at all", { n: 0 }],
    ["more than any tap", { n: 201 }],
    ["half a lash", { n: 0.5 }],
    ["zone 0", { zone: 0 }],
    ["zone 41", { zone: 41 }],
    ["a layer below the first", { layer: -1 }],
    ["a third eye", { side: "middle" }],
    ["a word more", { zone: 4, note: "x" }],
  ])("%s is refused in words, and the tap beside it is kept", async (_, over) => {
    const id = await agreed("newSet", { map: true });
    const bad = lash(id, over);
    const { kept, refused } = await keep([tap(id, "started", { bottleId: null, air: null }), bad, lash(id)]);
    expect(kept).toHaveLength(2);
    expect(refused.map((one) => one.id)).toEqual([bad.id]);
    expect(refused[0]!.why.length).toBeGreaterThan(10);
  });

  test("nobody of another studio adds a lash to a visit", async () => {
    const id = await agreed("newSet", { map: true });
    await keep([tap(id, "started", { bottleId: null, air: null })]);
    actAs(other.member("owner"));
    const answer = await keep([lash(id)]).finally(() => actAs(studio.member("technician")));
    expect(answer.kept ?? []).toEqual([]);
    expect(await sql("select 1 from studio.visit_event where visit_id = $1 and type = 'lashPlaced'", [id])).toEqual([]);
  });
});
