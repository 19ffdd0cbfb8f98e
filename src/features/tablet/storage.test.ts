import "fake-indexeddb/auto";
import type { KeptEvent, Tap } from "@/core/visit";
import { openDB } from "idb";
import { TabletStorage } from "./storage";

const idOf = (n: string) => `00000000-0000-4000-8000-${n.padStart(12, "0")}`;
const VISIT = idOf("aaaa");
const tap = (n: string): Tap => ({
  id: idOf(n),
  visitId: VISIT,
  at: "2026-11-02T10:00:00.000Z",
  clock: "checked",
  type: "beadWiped",
  version: 1,
  payload: {},
});
const kept = (n: string): KeptEvent => ({ ...tap(n), serverTime: "2026-11-02T10:00:01.000Z", seq: Number(n) });
const names = async () => (await indexedDB.databases()).map(({ name }) => name);

test("a tap moves from waiting to kept in one go", async () => {
  const tablet = new TabletStorage("a");
  await tablet.keepWaiting(tap("1"));
  await tablet.keepWaiting(tap("1"));
  expect(await tablet.waiting()).toHaveLength(1);
  await tablet.acknowledge(kept("1"));
  expect(await tablet.waiting()).toEqual([]);
  expect(await tablet.events()).toEqual([kept("1")]);
});

test("a visit that is over is forgotten, another is not", async () => {
  const tablet = new TabletStorage("f");
  await tablet.keepEvents([kept("2"), kept("3"), { ...kept("4"), visitId: idOf("bbbb") }]);
  await tablet.dropVisit(VISIT);
  expect((await tablet.events()).map(({ id }) => id)).toEqual([idOf("4")]);
});

test("what an older page left is brought up to date: taps still wait, with the version they were made by; what cannot be read is left", async () => {
  const db = await openDB("ivy-thread-g", 1, {
    upgrade: (old) => {
      for (const name of ["outbox", "events"]) old.createObjectStore(name, { keyPath: "id" });
      old.createObjectStore("drafts", { keyPath: "key" });
      old.createObjectStore("meta", { keyPath: "key" });
    },
  });
  const { version: _, ...older } = tap("1");
  await db.put("outbox", { ...older, refused: "no such visit" });
  await db.put("outbox", { id: "nonsense", at: 7 });
  await db.put("events", { ...older, serverTime: "2026-11-02T10:00:01.000Z" });
  await db.put("meta", { key: "timeAnchor", value: "noon" });
  await db.put("drafts", { key: "map 1", savedAtMs: "late" });
  db.close();
  const tablet = new TabletStorage("g");
  expect(await tablet.waiting()).toEqual([{ ...tap("1"), refused: "no such visit" }]);
  expect([await tablet.events(), await tablet.timeAnchor(), await tablet.draft("map 1")]).toEqual([[], null, null]);
});

test("commands wait until they are dropped, refused ones with the reason; what cannot be read is passed over", async () => {
  const tablet = new TabletStorage("h");
  const command = { id: "1", kind: "book", about: "booking 1", draft: null, words: "A booking", path: "/", input: { a: 1 }, askedAtMs: 5 };
  await tablet.keepCommand(command);
  await tablet.keepCommand({ ...command, id: "2", draft: "survey 1", refused: "The chair is taken." });
  await tablet.keepCommand({ ...command, id: "3", askedAtMs: "late" as unknown as number });
  expect(await tablet.commands()).toEqual([command, { ...command, id: "2", draft: "survey 1", refused: "The chair is taken." }]);
  await tablet.clear();
  await tablet.dropCommand("2");
  expect(await tablet.commands()).toEqual([command]);
});

test("a draft is dropped up to a moment, or whatever its moment", async () => {
  const tablet = new TabletStorage("i");
  await tablet.keepDraft({ key: "a", document: 1, base: null, savedAtMs: 5 });
  await tablet.dropDraft("a", 4);
  expect(await tablet.draft("a")).not.toBeNull();
  await tablet.dropDraft("a", 5);
  expect(await tablet.draft("a")).toBeNull();
});

test("a memory of before commands keeps what it held", async () => {
  const db = await openDB("ivy-thread-j", 2, {
    upgrade: (old) => {
      old.createObjectStore("outbox", { keyPath: "id" });
      old.createObjectStore("drafts", { keyPath: "key" });
      old.createObjectStore("meta", { keyPath: "key" });
      old.createObjectStore("events", { keyPath: "id" }).createIndex("visitId", "visitId");
    },
  });
  await db.put("events", kept("1"));
  db.close();
  const tablet = new TabletStorage("j");
  expect([await tablet.events(), await tablet.commands()]).toEqual([[kept("1")], []]);
});

test("drafts are kept by key until they are dropped", async () => {
  const tablet = new TabletStorage("b");
  await tablet.keepDraft({ key: "map 1", document: { a: 1 }, base: 2, savedAtMs: 5 });
  expect(await tablet.draft("map 1")).toEqual({ key: "map 1", document: { a: 1 }, base: 2, savedAtMs: 5 });
  expect(await tablet.draft("map 2")).toBeNull();
  expect(await tablet.countDrafts()).toBe(1);
  await tablet.dropDraft("map 1");
  expect(await tablet.countDrafts()).toBe(0);
});

test("signing out leaves nothing; with a tap unsent that tap alone stays, for its own person alone", async () => {
  const [mine, other] = [new TabletStorage("c"), new TabletStorage("d")];
  await mine.keepWaiting(tap("1"));
  await mine.keepDraft({ key: "survey", document: {}, base: null, savedAtMs: 1 });
  await mine.keepTimeAnchor({ serverMs: 1, monotonicMs: 1, deviceMs: 1, load: "x" });
  await mine.keepEvents([kept("9")]);
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
  const [one, there] = [new TabletStorage("e"), new TabletStorage("e")];
  await one.keepTimeAnchor({ serverMs: 1, monotonicMs: 1, deviceMs: 1, load: "x" });
  await there.events();
  await one.clear();
  expect(await names()).not.toContain("ivy-thread-e");
  expect(await there.timeAnchor()).toBeNull();
});
