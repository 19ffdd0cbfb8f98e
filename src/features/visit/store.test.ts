import type { KeptEvent } from "@/core/visit";
import { VisitStore } from "./store";
import type { Tablet, WaitingEvent } from "./tablet";

const VISIT = "00000000-0000-4000-8000-000000000001";
const SERVER = Date.parse("2026-11-02T10:00:00.000Z");

/** A tablet's memory as two maps; `broken` is a browser that keeps nothing. */
function memory() {
  const outbox = new Map<string, WaitingEvent>();
  const events = new Map<string, KeptEvent>();
  const state = { broken: false };
  const or = <T>(value: T) => (state.broken ? Promise.reject(new Error("no storage")) : Promise.resolve(value));
  const tablet = {
    waiting: () => or([...outbox.values()]),
    keepWaiting: (event: WaitingEvent) => or(void outbox.set(event.id, event)),
    acknowledge: (event: KeptEvent) => or(void (events.set(event.id, event), outbox.delete(event.id))),
    events: () => or([...events.values()]),
    replaceEvents: (all: readonly KeptEvent[]) => or(void (events.clear(), all.forEach((event) => events.set(event.id, event)))),
    timeAnchor: () => or(null),
    keepTimeAnchor: () => or(undefined),
  } as unknown as Tablet;
  return { tablet, outbox, events, state };
}

/** A server that keeps what it is sent, once. `mode` says how it is today. */
function server() {
  const state = { mode: "well" as "well" | "away" | "signed out" | "knows no such visit", posts: 0, running: true };
  const kept = new Map<string, KeptEvent>();
  const answer = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status });
  global.fetch = (async (url: string, init?: { body: string }) => {
    if (state.mode === "away") throw new TypeError("no network");
    if (url === "/api/time") return answer({ serverMs: SERVER });
    if (state.mode === "signed out") return answer({ message: "Signed out." }, 401);
    if (url === "/api/visits/running")
      return answer({
        visits: state.running ? [{ id: VISIT, clientId: "c", clientName: "n", chair: 1, mine: true, events: [...kept.values()] }] : [],
      });
    state.posts += 1;
    const { events } = JSON.parse(init!.body) as { events: KeptEvent[] };
    if (state.mode === "knows no such visit") return answer({ kept: [], unknown: events.map(({ id }) => id) });
    for (const event of events) if (!kept.has(event.id)) kept.set(event.id, { ...event, serverTime: new Date(SERVER).toISOString() });
    return answer({ kept: events.map(({ id }) => ({ id, serverTime: kept.get(id)!.serverTime })), unknown: [] });
  }) as typeof fetch;
  return { state, kept };
}

const settle = () => jest.advanceTimersByTimeAsync(50);
let device: ReturnType<typeof memory>;
let away: ReturnType<typeof server>;
let store: VisitStore;
beforeEach(async () => {
  jest.useFakeTimers();
  device = memory();
  away = server();
  store = new VisitStore(device.tablet);
  await store.begin();
});
afterEach(() => jest.useRealTimers());

const bead = () => store.tap(VISIT, "beadPlaced", { lifeS: 900, air: null, bottleId: null });
const shown = () => (store.getSnapshot().events.get(VISIT) ?? []).map(({ type }) => type);

test("a tap is shown and kept on the tablet at once, dated by the server's time, then acknowledged and let go", async () => {
  const tapped = bead();
  expect(shown()).toEqual(["beadPlaced"]);
  await tapped;
  await settle();
  expect(store.getSnapshot()).toMatchObject({ unsent: 0, reach: "safe", clock: "checked" });
  expect([...away.kept.values()][0]).toMatchObject({ clock: "checked", visitId: VISIT });
  expect(Math.abs(Date.parse([...away.kept.values()][0]!.at) - SERVER)).toBeLessThan(1000);
  expect(device.outbox.size).toBe(0);
  expect(device.events.size).toBe(1);
});

test("without a server taps wait on the tablet, in order, and arrive once when it is back", async () => {
  away.state.mode = "away";
  await bead();
  await bead();
  await settle();
  expect(store.getSnapshot()).toMatchObject({ unsent: 2, reach: "no server" });
  expect(device.outbox.size).toBe(2);
  away.state.mode = "well";
  await jest.advanceTimersByTimeAsync(20_000);
  expect(store.getSnapshot()).toMatchObject({ unsent: 0, reach: "safe" });
  expect(away.kept.size).toBe(2);
  expect(shown()).toHaveLength(2);
});

test("after a reload without a server, the taps that waited are still shown and still sent", async () => {
  away.state.mode = "away";
  await bead();
  const again = new VisitStore(device.tablet);
  await again.begin();
  expect(again.getSnapshot().events.get(VISIT)).toHaveLength(1);
  expect(again.getSnapshot()).toMatchObject({ unsent: 1, clock: "device" });
  away.state.mode = "well";
  await jest.advanceTimersByTimeAsync(20_000);
  expect(again.getSnapshot().unsent).toBe(0);
  expect(away.kept.size).toBe(1);
});

test("signed out, nothing is lost and the header says so", async () => {
  away.state.mode = "signed out";
  await bead();
  await settle();
  expect(store.getSnapshot()).toMatchObject({ unsent: 1, reach: "signed out" });
  expect(device.outbox.size).toBe(1);
});

test("a tap that the server will not have is kept with the reason and not sent again", async () => {
  away.state.mode = "knows no such visit";
  await bead();
  await settle();
  expect(store.getSnapshot().refused[0]).toMatch(/beadPlaced/);
  expect([...device.outbox.values()][0]!.refused).toMatch(/not in this studio/);
  const { posts } = away.state;
  await jest.advanceTimersByTimeAsync(60_000);
  expect(away.state.posts).toBe(posts);
});

test("a visit just finished keeps its events on its open page, though it no longer runs", async () => {
  await bead();
  await settle();
  away.state.running = false;
  await store.tap(VISIT, "finished", {});
  await settle();
  await store.refresh();
  expect(shown()).toEqual(["beadPlaced", "finished"]);
  expect(store.getSnapshot().visits).toEqual([]);
  expect(device.events.size).toBe(0);
});

test("another tablet's taps come in with a refresh, each once", async () => {
  await bead();
  await settle();
  const theirs = {
    ...[...away.kept.values()][0]!,
    id: "00000000-0000-4000-8000-0000000000ff",
    type: "beadWiped",
    payload: {},
  } as KeptEvent;
  away.kept.set(theirs.id, theirs);
  await store.refresh();
  store.adopt([theirs]);
  expect(shown()).toEqual(["beadPlaced", "beadWiped"]);
});

test("in a browser that keeps nothing, taps are still sent and the header says so", async () => {
  device.state.broken = true;
  await bead();
  await settle();
  expect(store.getSnapshot()).toMatchObject({ keeps: false, unsent: 0 });
  expect(away.kept.size).toBe(1);
});
