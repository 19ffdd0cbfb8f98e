import { defaultPolicy } from "@/core/policy";
import { processSteps, shippedProtocols } from "@/core/protocol";
import { visitClocks, visitState, type KeptEvent } from "@/core/visit";
import type { Tablet } from "./tablet";

// A run's clock against true time, with every clock in our hands: the server's is the true one, the device's may be
// wrong and be set, the monotonic one begins anew with each page load and runs on in the background.

const VISIT = "00000000-0000-4000-8000-000000000001";
const START = Date.parse("2026-11-25T10:00:00.000Z");
const MINUTE = 60_000;

let trueMs: number;
let deviceOffMs: number;
let loadedAtMs: number;
let online: boolean;
/** One way there and one back, not the same: half their difference is what can be lost. */
const LATENCY = { there: 30, back: 90 };
let kept: { timeAnchor: unknown; events: Map<string, KeptEvent>; outbox: Map<string, KeptEvent> };

const tablet = () =>
  ({
    waiting: async () => [...kept.outbox.values()],
    keepWaiting: async (event: KeptEvent) => void kept.outbox.set(event.id, event),
    acknowledge: async (event: KeptEvent) => void (kept.events.set(event.id, event), kept.outbox.delete(event.id)),
    events: async () => [...kept.events.values()],
    replaceEvents: async (all: readonly KeptEvent[]) => void (kept.events = new Map(all.map((event) => [event.id, event]))),
    timeAnchor: async () => kept.timeAnchor,
    keepTimeAnchor: async (anchor: unknown) => void (kept.timeAnchor = anchor),
  }) as unknown as Tablet;

/** The page loaded anew: its modules, its monotonic clock, what the tablet kept. */
async function load() {
  loadedAtMs = trueMs;
  let Store!: typeof import("./store").VisitStore;
  await jest.isolateModulesAsync(async () => {
    Store = (await import("./store")).VisitStore;
  });
  const store = new Store(tablet());
  await store.begin();
  return store;
}

beforeEach(() => {
  trueMs = START;
  deviceOffMs = 0;
  online = true;
  kept = { timeAnchor: null, events: new Map(), outbox: new Map() };
  jest.spyOn(Date, "now").mockImplementation(() => trueMs + deviceOffMs);
  jest.spyOn(performance, "now").mockImplementation(() => trueMs - loadedAtMs);
  global.fetch = (async (url: string, init?: { body: string }) => {
    if (!online) throw new TypeError("no network");
    await Promise.resolve();
    if (url === "/api/time") {
      trueMs += LATENCY.there;
      const serverMs = trueMs;
      trueMs += LATENCY.back;
      return new Response(JSON.stringify({ serverMs }));
    }
    if (url === "/api/visits/running") return new Response(JSON.stringify({ visits: [{ id: VISIT, events: [...kept.events.values()] }] }));
    const { events } = JSON.parse(init!.body) as { events: KeptEvent[] };
    return new Response(
      JSON.stringify({ kept: events.map(({ id }) => ({ id, serverTime: new Date(trueMs).toISOString() })), unknown: [] }),
    );
  }) as typeof fetch;
});
afterEach(() => jest.restoreAllMocks());

const protocol = shippedProtocols.lightening(defaultPolicy);
const plan: KeptEvent = {
  id: "00000000-0000-4000-8000-00000000000a",
  visitId: VISIT,
  at: new Date(START).toISOString(),
  clock: "checked",
  serverTime: new Date(START).toISOString(),
  type: "runPlanned",
  payload: {
    air: null,
    plan: {
      protocol,
      protocolId: null,
      revision: 1,
      areas: ["browRight"],
      seconds: Object.fromEntries(processSteps(protocol).map(({ id, defaultS }) => [id, defaultS])),
      pace: { hair: "medium", processed: false, filmCover: false, roomC: null },
      density: "usual",
      wish: { lift: null, lashDepth: null, browDepth: 6 },
      from: { lashDepth: 4, browDepth: 4 },
      shield: null,
      recipes: {},
    },
  },
};
type Store = Awaited<ReturnType<typeof load>>;
const leftS = (store: Store) => {
  const events = store.getSnapshot().events.get(VISIT) ?? [];
  const clock = visitClocks(visitState(events), store.now().ms).find(({ kind }) => kind === "coat")!;
  return clock.leftS;
};
const settle = async () => {
  for (let i = 0; i < 8; i++) await Promise.resolve();
};

test.each([0, 41_000, -3_600_000])(
  "after 30 minutes in the background, a reload, and the clock set back an hour, within 100 ms (device %i ms off)",
  async (off) => {
    deviceOffMs = off;
    kept.events.set(plan.id, plan);
    let store = await load();
    trueMs += 5000;
    const coatedAtMs = trueMs;
    await store.tap(VISIT, "coated", { stepId: "lighten", area: "browRight" });
    await settle();
    // What the clock shows is to the millisecond what true time says, past the leaflet's end and on.
    const truth = () => 15 * MINUTE - (trueMs - coatedAtMs);
    trueMs += 12 * MINUTE;
    deviceOffMs -= 60 * MINUTE;
    trueMs += 18 * MINUTE;
    expect(Math.abs(leftS(store) * 1000 - truth())).toBeLessThan(100);
    store = await load();
    await settle();
    trueMs += 250;
    expect(Math.abs(leftS(store) * 1000 - truth())).toBeLessThan(100);
    expect(store.now().clock).toBe("checked");
  },
);

test("without a server after the reload the clock goes on by the device's, and says that it is unchecked", async () => {
  kept.events.set(plan.id, plan);
  let store = await load();
  await store.tap(VISIT, "coated", { stepId: "lighten", area: "browRight" });
  await settle();
  const coatedAtMs = trueMs;
  trueMs += 10 * MINUTE;
  online = false;
  store = await load();
  // The error the device's clock had is known and taken out; only what it was set by since then is not.
  expect(Math.abs(leftS(store) * 1000 - (7 * MINUTE - (trueMs - coatedAtMs)))).toBeLessThan(150);
  expect(store.now().clock).toBe("device");
});
