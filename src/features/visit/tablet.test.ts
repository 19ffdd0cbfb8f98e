import "fake-indexeddb/auto";
import type { KeptEvent, VisitEvent } from "@/core/visit";
import { Tablet } from "./tablet";

const tap = (id: string): VisitEvent => ({
  id,
  visitId: "v",
  at: "2026-11-02T10:00:00.000Z",
  clock: "checked",
  type: "beadWiped",
  payload: {},
});
const kept = (id: string): KeptEvent => ({ ...tap(id), serverTime: "2026-11-02T10:00:01.000Z" });
const names = async () => (await indexedDB.databases()).map(({ name }) => name);

test("a tap moves from waiting to kept in one go", async () => {
  const tablet = new Tablet("a");
  await tablet.keepWaiting(tap("1"));
  await tablet.keepWaiting(tap("1"));
  expect(await tablet.waiting()).toHaveLength(1);
  await tablet.acknowledge(kept("1"));
  expect(await tablet.waiting()).toEqual([]);
  expect(await tablet.events()).toEqual([kept("1")]);
  await tablet.replaceEvents([kept("2"), kept("3")]);
  expect((await tablet.events()).map(({ id }) => id)).toEqual(["2", "3"]);
});

test("drafts are kept by key until they are dropped", async () => {
  const tablet = new Tablet("b");
  await tablet.keepDraft({ key: "map 1", document: { a: 1 }, base: 2, savedAtMs: 5 });
  expect(await tablet.draft("map 1")).toEqual({ key: "map 1", document: { a: 1 }, base: 2, savedAtMs: 5 });
  expect(await tablet.draft("map 2")).toBeNull();
  expect(await tablet.countDrafts()).toBe(1);
  await tablet.dropDraft("map 1");
  expect(await tablet.countDrafts()).toBe(0);
});

test("signing out leaves nothing; with a tap unsent that tap alone stays, for its own person alone", async () => {
  const [mine, other] = [new Tablet("c"), new Tablet("d")];
  await mine.keepWaiting(tap("1"));
  await mine.keepDraft({ key: "survey", document: {}, base: null, savedAtMs: 1 });
  await mine.keepTimeAnchor({ serverMs: 1, monotonicMs: 1, deviceMs: 1, load: "x" });
  await mine.replaceEvents([kept("9")]);
  await mine.clear();
  expect([await mine.countDrafts(), await mine.timeAnchor(), await mine.events()]).toEqual([0, null, []]);
  expect(await mine.waiting()).toEqual([tap("1")]);
  expect(await other.waiting()).toEqual([]);
  await mine.acknowledge(kept("1"));
  await mine.clear();
  expect(await names()).not.toContain("ivy-thread-c");
  expect(await mine.waiting()).toEqual([]);
});

test("another tab's sign-out does not wait for this one", async () => {
  const [here, there] = [new Tablet("e"), new Tablet("e")];
  await here.keepTimeAnchor({ serverMs: 1, monotonicMs: 1, deviceMs: 1, load: "x" });
  await there.events();
  await here.clear();
  expect(await names()).not.toContain("ivy-thread-e");
  expect(await there.timeAnchor()).toBeNull();
});
