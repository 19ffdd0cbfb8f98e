import { defaultPolicy } from "@/core/policy";
import { processSteps, shippedProtocols } from "@/core/protocol";
import { visitClocks, type KeptEvent } from "@/core/visit";
import type { Device } from "./device";
import type { Network } from "./network";
import type { TabletStorage } from "./storage";
import { TabletStore } from "./store";

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
    keepEvents: async (all: readonly KeptEvent[]) => all.forEach((event) => kept.events.set(event.id, event)),
    dropVisit: async () => kept.events.clear(),
    running: async () => [],
    keepRunning: async () => undefined,
    timeAnchor: async () => kept.timeAnchor,
    keepTimeAnchor: async (anchor: unknown) => void (kept.timeAnchor = anchor),
  }) as unknown as TabletStorage;

const network: Network = {
  serverTime: async () => {
    if (!online) throw new TypeError("no network");
    trueMs += LATENCY.there;
    const serverMs = trueMs;
    trueMs += LATENCY.back;
    return serverMs;
  },
  running: async () => {
    if (!online) throw new TypeError("no network");
    const visit = { id: VISIT, clientId: VISIT, clientName: "n", chairName: "1", mine: true, eyesMayAtMs: null };
    return { visits: [{ ...visit, events: [...kept.events.values()] }] };
  },
  send: async (taps) => {
    if (!online) throw new TypeError("no network");
    return {
      kept: taps.map(({ id }, i) => ({ id, serverTime: new Date(trueMs).toISOString(), seq: kept.events.size + 1 + i })),
      refused: [],
    };
  },
};

/** The page loaded anew: its monotonic clock begins again, what the tablet kept is there. */
async function load() {
  loadedAtMs = trueMs;
  const device: Device = {
    wallMs: () => trueMs + deviceOffMs,
    monotonicMs: () => trueMs - loadedAtMs,
    load: String(trueMs),
    // What is meant for the next frame is done; what waits longer is not, while nobody moves the clock.
    later: (ms, work) => {
      if (ms < 100) queueMicrotask(work);
      return () => undefined;
    },
  };
  const store = new TabletStore(tablet(), network, device);
  await store.begin();
  return store;
}

beforeEach(() => {
  trueMs = START;
  deviceOffMs = 0;
  online = true;
  kept = { timeAnchor: null, events: new Map(), outbox: new Map() };
});

const protocol = shippedProtocols.lightening(defaultPolicy);
const plan: KeptEvent = {
  id: "00000000-0000-4000-8000-00000000000a",
  visitId: VISIT,
  at: new Date(START).toISOString(),
  clock: "checked",
  serverTime: new Date(START).toISOString(),
  type: "runPlanned",
  version: 1,
  seq: 1,
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
const leftS = (store: Store) =>
  visitClocks(store.getSnapshot().folds.get(VISIT)!.state, store.now().ms).find(({ kind }) => kind === "coat")!.leftS;
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
