import type { KeptEvent } from "@/core/visit";
import { SignedOut, type Network } from "./network";
import type { RunningAnswer, RunningVisit } from "./runningVisit";
import { TabletStore } from "./store";
import type { TabletStorage, WaitingTap } from "./storage";

const VISIT = "00000000-0000-4000-8000-000000000001";
const SERVER = Date.parse("2026-11-02T10:00:00.000Z");

/** A tablet's memory as two maps; `broken` is a browser that keeps nothing. */
function memory() {
  const outbox = new Map<string, WaitingTap>();
  const events = new Map<string, KeptEvent>();
  const running: RunningVisit[] = [];
  const state = { broken: false };
  const or = <T>(value: T) => (state.broken ? Promise.reject(new Error("no storage")) : Promise.resolve(value));
  const tablet = {
    waiting: () => or([...outbox.values()]),
    dropWaiting: (id: string) => or(void outbox.delete(id)),
    keepWaiting: (event: WaitingTap) => or(void outbox.set(event.id, event)),
    acknowledge: (event: KeptEvent) => or(void (events.set(event.id, event), outbox.delete(event.id))),
    events: () => or([...events.values()]),
    keepEvents: (all: readonly KeptEvent[]) => or(all.forEach((event) => events.set(event.id, event))),
    dropVisit: (visitId: string) => or([...events.values()].forEach((event) => event.visitId === visitId && events.delete(event.id))),
    running: () => or([...running]),
    keepRunning: (all: readonly RunningVisit[]) => or(void (running.splice(0), running.push(...all))),
    timeAnchor: () => or(null),
    keepTimeAnchor: () => or(undefined),
  } as unknown as TabletStorage;
  return { tablet, outbox, events, state };
}

/** A server that keeps what it is sent, once, and numbers it. `mode` says how it is today. */
function server() {
  const state = { mode: "well" as "well" | "away" | "signed out" | "knows no such visit", posts: 0, running: true, asked: [] as number[] };
  const kept = new Map<string, KeptEvent>();
  const reach = () => {
    if (state.mode === "away") throw new TypeError("no network");
    if (state.mode === "signed out") throw new SignedOut();
  };
  const network: Network = {
    serverTime: async () => {
      if (state.mode === "away") throw new TypeError("no network");
      return SERVER;
    },
    running: async (known) => {
      reach();
      const since = known.find(({ visitId }) => visitId === VISIT)?.seq ?? 0;
      state.asked.push(since);
      const events = [...kept.values()].filter(({ seq }) => seq! > since);
      const visit = { id: VISIT, clientId: VISIT, clientName: "n", chairName: "1", mine: true, eyesMayAtMs: null, events };
      return { visits: state.running ? [visit] : [] } satisfies RunningAnswer;
    },
    send: async (taps) => {
      reach();
      state.posts += 1;
      if (state.mode === "knows no such visit") return { kept: [], refused: [] };
      for (const tap of taps)
        if (!kept.has(tap.id)) kept.set(tap.id, { ...tap, serverTime: new Date(SERVER + 60_000).toISOString(), seq: kept.size + 1 });
      return { kept: taps.map(({ id }) => ({ id, serverTime: kept.get(id)!.serverTime!, seq: kept.get(id)!.seq! })), refused: [] };
    },
  };
  return { state, kept, network };
}

const settle = () => jest.advanceTimersByTimeAsync(50);
let device: ReturnType<typeof memory>;
let away: ReturnType<typeof server>;
let store: TabletStore;
beforeEach(async () => {
  jest.useFakeTimers();
  device = memory();
  away = server();
  store = new TabletStore(device.tablet, away.network);
  await store.begin();
});
afterEach(() => jest.useRealTimers());

const bead = () => store.tap(VISIT, "beadPlaced", { lifeS: 900, air: null, bottleId: null });
const shown = () => (store.getSnapshot().folds.get(VISIT)?.events ?? []).map(({ type }) => type);

test("without the server after a reload it is still known which visits run, so that their clocks sound", async () => {
  const { network, state } = server();
  const { tablet } = memory();
  await new TabletStore(tablet, network).begin();
  state.mode = "away";
  const again = new TabletStore(tablet, network);
  await again.begin();
  expect(again.getSnapshot().visits.map(({ id, mine }) => [id, mine])).toEqual([[VISIT, true]]);
  expect(again.getSnapshot()).toMatchObject({ asked: true, reach: "no server" });
});

test("the frame that shows a tap is not held up by sending it; two of one moment go together", async () => {
  const posts = away.state.posts;
  await Promise.all([bead(), bead()]);
  expect(shown()).toEqual(["beadPlaced", "beadPlaced"]);
  expect([device.outbox.size, away.state.posts]).toEqual([2, posts]);
  await settle();
  expect([device.outbox.size, away.state.posts, away.kept.size]).toEqual([0, posts + 1, 2]);
});

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
  const again = new TabletStore(device.tablet, away.network);
  await again.begin();
  expect(again.getSnapshot().folds.get(VISIT)?.events).toHaveLength(1);
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
  expect(store.getSnapshot().refused).toEqual([expect.objectContaining({ type: "beadPlaced", why: "the visit is not in this studio" })]);
  expect([...device.outbox.values()][0]!.refused).toMatch(/not in this studio/);
  const { posts } = away.state;
  await jest.advanceTimersByTimeAsync(60_000);
  expect(away.state.posts).toBe(posts);
  await store.forget(store.getSnapshot().refused[0]!.id);
  expect(store.getSnapshot().refused).toEqual([]);
  expect(device.outbox.size).toBe(0);
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
    at: new Date(SERVER + 5000).toISOString(),
    serverTime: new Date(SERVER + 5000).toISOString(),
    type: "beadWiped",
    payload: {},
    seq: 2,
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

test("the server is asked only for what came since", async () => {
  await bead();
  await bead();
  await settle();
  await store.refresh();
  expect(away.state.asked.at(-1)).toBe(2);
  // A gap: the third is another tablet's and has not come; the fourth is known here already.
  const [first] = [...away.kept.values()];
  const theirs = (seq: number) => ({ ...first!, id: `00000000-0000-4000-8000-0000000000f${seq}`, seq });
  store.adopt([theirs(4)]);
  away.kept.set("3", theirs(3));
  await store.refresh();
  expect(away.state.asked.at(-1)).toBe(2);
  await store.refresh();
  expect(away.state.asked.at(-1)).toBe(4);
});

test("when the network is there again what waits goes at once, not when the next try is due", async () => {
  away.state.mode = "away";
  await bead();
  await jest.advanceTimersByTimeAsync(9000);
  away.state.mode = "well";
  await store.wake();
  await Promise.resolve();
  expect(away.kept.size).toBe(1);
});

test("a tap that the server refused is shown no longer; those beside it are", async () => {
  await bead();
  await settle();
  away.state.mode = "knows no such visit";
  await store.tap(VISIT, "beadWiped", {});
  expect(shown()).toEqual(["beadPlaced", "beadWiped"]);
  await settle();
  expect(shown()).toEqual(["beadPlaced"]);
});

test("sending is worth a word only once it has lasted", async () => {
  away.state.mode = "away";
  await bead();
  expect(store.getSnapshot().isSlow).toBe(false);
  await jest.advanceTimersByTimeAsync(800);
  expect(store.getSnapshot().isSlow).toBe(true);
  away.state.mode = "well";
  await store.wake();
  await settle();
  expect(store.getSnapshot()).toMatchObject({ isSlow: false, unsent: 0 });
});

test("taking back takes the last that can be, as it stands at that moment", async () => {
  await store.tap(VISIT, "started", { bottleId: null, air: null });
  await store.takeBackLast(VISIT);
  expect(shown()).toEqual(["started"]);
  await jest.advanceTimersByTimeAsync(20);
  await bead();
  await jest.advanceTimersByTimeAsync(20);
  await store.takeBackLast(VISIT);
  expect(shown()).toEqual(["started", "beadPlaced", "undone"]);
  expect(store.getSnapshot().folds.get(VISIT)!.state.set.beads).toEqual([]);
});

test("news of what this tablet tapped itself asks for nothing; of another's it does", async () => {
  await bead();
  await settle();
  expect([store.knows(VISIT, 1), store.knows(VISIT, 2), store.knows("another", 1)]).toEqual([true, false, false]);
});
