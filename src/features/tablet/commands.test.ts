import type { ActionResult } from "@/server/actionResult";
import type { Command } from "./command";
import { CommandQueue } from "./commands";
import type { KeptCommand, TabletStorage } from "./storage";

/** A tablet's memory as two maps; drafts hold the moment they were last changed at. */
function memory() {
  const commands = new Map<string, KeptCommand>();
  const drafts = new Map<string, number>();
  const storage = {
    commands: async () => [...commands.values()],
    keepCommand: async (command: KeptCommand) => void commands.set(command.id, command),
    dropCommand: async (id: string) => void commands.delete(id),
    dropDraft: async (key: string, upToMs: number) => void ((drafts.get(key) ?? Infinity) <= upToMs && drafts.delete(key)),
  } as unknown as TabletStorage;
  return { storage, commands, drafts };
}

/** A server that keeps what it is asked, once an id. `mode` says how it is today. */
function server() {
  const state = { mode: "well" as "well" | "away" | "signed out" | "full" | "silent", asked: [] as string[] };
  const kept = new Set<string>();
  const save = async (input: unknown): Promise<ActionResult<{ id: string }>> => {
    const { id } = input as { id: string };
    state.asked.push(id);
    if (state.mode === "away" || state.mode === "silent") throw new TypeError("no answer");
    if (state.mode === "signed out") return { ok: false, message: "Signed out.", fields: {}, signedOut: true };
    if (state.mode === "full") return { ok: false, message: "The chair is taken.", fields: { time: "Choose another hour." } };
    kept.add(id);
    return { ok: true, data: { id } };
  };
  const look = async () => {
    if (state.mode === "away") throw new TypeError("no line");
  };
  return { state, kept, save, look };
}

let tablet: ReturnType<typeof memory>;
let studio: ReturnType<typeof server>;
let told: [string, string | null][];
const queue = () =>
  new CommandQueue(tablet.storage, { save: studio.save }, studio.look, ({ words }, refused) => told.push([words, refused]));
const what = (id: string, about = id): Omit<Command, "id" | "askedAtMs"> => ({
  kind: "save",
  about,
  draft: `draft ${about}`,
  words: id,
  path: "/",
  input: { id },
});
const settle = (ms = 20_000) => jest.advanceTimersByTimeAsync(ms);

beforeEach(() => {
  jest.useFakeTimers({ now: 1_000_000 });
  tablet = memory();
  studio = server();
  told = [];
});
afterEach(() => jest.useRealTimers());

test("answered at once, it is kept nowhere any more and nothing is said of it elsewhere", async () => {
  const commands = queue();
  tablet.drafts.set("draft a", 999_000);
  expect(await commands.ask(what("a"), studio.save)).toEqual({ waits: false, result: { ok: true, data: { id: "a" } } });
  expect([tablet.commands.size, tablet.drafts.size, told, commands.getSnapshot()]).toEqual([0, 0, [], { waiting: [], refused: [] }]);
});

test("refused at once, the form says it and the list does not; the draft stays", async () => {
  studio.state.mode = "full";
  tablet.drafts.set("draft a", 999_000);
  const commands = queue();
  expect(await commands.ask(what("a"), studio.save)).toMatchObject({ waits: false, result: { ok: false, message: "The chair is taken." } });
  expect(commands.getSnapshot()).toEqual({ waiting: [], refused: [] });
  expect([tablet.commands.size, tablet.drafts.size]).toEqual([0, 1]);
});

test("without a server they wait, in order, and are sent once it is back; who asked hears of it", async () => {
  studio.state.mode = "away";
  const commands = queue();
  const first = await commands.ask(what("a"), studio.save);
  const second = await commands.ask(what("b"), studio.save);
  expect([first.waits, second.waits]).toEqual([true, true]);
  expect(commands.getSnapshot().waiting.map(({ words }) => words)).toEqual(["a", "b"]);
  expect(tablet.commands.size).toBe(2);
  const heard: unknown[] = [];
  if (first.waits) void first.later.then((result) => heard.push(result));
  studio.state.asked = [];
  studio.state.mode = "well";
  await settle();
  expect(studio.state.asked).toEqual(["a", "b"]);
  expect(heard).toEqual([{ ok: true, data: { id: "a" } }]);
  expect([commands.getSnapshot().waiting, tablet.commands.size]).toEqual([[], 0]);
  expect(told).toEqual([
    ["a", null],
    ["b", null],
  ]);
});

test("after a reload without a server they still wait, and are sent by the actions of the new page", async () => {
  studio.state.mode = "away";
  await queue().ask(what("a"), studio.save);
  const again = queue();
  await again.begin();
  expect(again.getSnapshot().waiting).toHaveLength(1);
  studio.state.mode = "well";
  await again.wake();
  expect(studio.kept).toEqual(new Set(["a"]));
  expect(tablet.commands.size).toBe(0);
});

test("asked anew about the same before it was sent, the newer takes the place of the older", async () => {
  studio.state.mode = "away";
  const commands = queue();
  await commands.ask(what("a1", "map"), studio.save);
  await commands.ask(what("b"), studio.save);
  await commands.ask(what("a2", "map"), studio.save);
  expect(commands.getSnapshot().waiting.map(({ words }) => words)).toEqual(["b", "a2"]);
  expect([...tablet.commands.values()].map(({ words }) => words)).toEqual(["b", "a2"]);
  studio.state.mode = "well";
  await settle();
  expect(studio.kept).toEqual(new Set(["b", "a2"]));
});

test("what was changed after it was asked stays a draft; what was not is done with", async () => {
  studio.state.mode = "away";
  const commands = queue();
  await commands.ask(what("a"), studio.save);
  await commands.ask(what("b"), studio.save);
  tablet.drafts.set("draft a", 1_000_000).set("draft b", 1_000_001);
  studio.state.mode = "well";
  await settle();
  expect([...tablet.drafts.keys()]).toEqual(["draft b"]);
});

test("refused after waiting, it stays with the reason until it is seen, over a reload too", async () => {
  studio.state.mode = "away";
  const commands = queue();
  await commands.ask(what("a"), studio.save);
  studio.state.mode = "full";
  await settle();
  const why = "The chair is taken. Choose another hour.";
  expect(told).toEqual([["a", why]]);
  expect(commands.getSnapshot()).toMatchObject({ waiting: [], refused: [{ words: "a", refused: why }] });
  const asked = studio.state.asked.length;
  const again = queue();
  await again.begin();
  await settle();
  expect(again.getSnapshot().refused).toHaveLength(1);
  expect(studio.state.asked).toHaveLength(asked);
  await again.forget(again.getSnapshot().refused[0]!.id);
  expect([again.getSnapshot().refused, tablet.commands.size]).toEqual([[], 0]);
});

test("an answer that leaves something to be settled counts as refused to who has left the page, not to the page itself", async () => {
  const newer = async (): Promise<ActionResult<{ unsettled: string }>> => {
    if (studio.state.mode === "away") throw new TypeError("no line");
    return { ok: true, data: { unsettled: "Somebody saved in between." } };
  };
  const commands = queue();
  tablet.drafts.set("draft a", 1);
  expect((await commands.ask(what("a"), newer)).waits).toBe(false);
  expect(commands.getSnapshot().refused).toEqual([]);
  studio.state.mode = "away";
  await commands.ask(what("a"), newer);
  studio.state.mode = "well";
  await settle();
  expect(commands.getSnapshot().refused).toMatchObject([{ refused: "Somebody saved in between." }]);
  expect(tablet.drafts.size).toBe(1);
});

test("signed out, it waits until somebody signs in", async () => {
  studio.state.mode = "signed out";
  const commands = queue();
  expect(await commands.ask(what("a"), studio.save)).toMatchObject({ waits: true, signedOut: true });
  expect(commands.getSnapshot().waiting).toHaveLength(1);
  studio.state.mode = "well";
  await commands.wake();
  expect(studio.kept).toEqual(new Set(["a"]));
});

test("what the server never answers to, though it is there, gives way to what waits behind it", async () => {
  studio.state.mode = "silent";
  const commands = queue();
  await commands.ask(what("a"), studio.save);
  await commands.ask(what("b"), async (input) => ({ ok: true, data: input }));
  // Asked at once, again with the second command, and then after 1, 2 and 4 seconds more.
  await settle(6_900);
  expect([studio.state.asked.length, commands.getSnapshot().refused.length]).toEqual([4, 0]);
  await settle(200);
  expect(studio.state.asked).toHaveLength(5);
  expect(commands.getSnapshot()).toMatchObject({ waiting: [], refused: [{ words: "a" }] });
  expect(told.map(([words, refused]) => [words, refused === null])).toEqual([
    ["a", false],
    ["b", true],
  ]);
});

test("without a line it waits as long as it takes", async () => {
  studio.state.mode = "away";
  const commands = queue();
  await commands.ask(what("a"), studio.save);
  await settle(3_600_000);
  expect(commands.getSnapshot().waiting).toHaveLength(1);
});

test("an answer that hangs keeps nobody waiting: it is kept, the next is asked too, and both are heard of when it comes", async () => {
  let answer: (result: ActionResult<{ id: string }>) => void = () => undefined;
  const commands = queue();
  const hanging = commands.ask(what("a"), () => new Promise<ActionResult<{ id: string }>>((resolve) => (answer = resolve)));
  await jest.advanceTimersByTimeAsync(7_900);
  expect(commands.getSnapshot().waiting).toEqual([]);
  await jest.advanceTimersByTimeAsync(200);
  expect((await hanging).waits).toBe(true);
  expect([commands.getSnapshot().waiting.length, tablet.commands.size]).toEqual([1, 1]);
  // Asked about the same while the first is on its way: that one is not called back.
  const second = commands.ask(what("b", "a"), studio.save);
  await jest.advanceTimersByTimeAsync(8_100);
  expect((await second).waits).toBe(true);
  expect(tablet.commands.size).toBe(2);
  answer({ ok: true, data: { id: "a" } });
  await settle();
  expect(told).toEqual([
    ["a", null],
    ["b", null],
  ]);
  expect([studio.kept, tablet.commands.size]).toEqual([new Set(["b"]), 0]);
});

test("two asked at once are both sent", async () => {
  const commands = queue();
  const both = await Promise.all([commands.ask(what("a"), studio.save), commands.ask(what("b"), studio.save)]);
  expect(both.map(({ waits }) => waits)).toEqual([false, false]);
  expect(studio.kept).toEqual(new Set(["a", "b"]));
});

test("after a reload they are sent in the order they were asked in, however the browser hands them back", async () => {
  const kept = (id: string, askedAtMs: number) => tablet.commands.set(id, { ...what(id), id, askedAtMs });
  kept("later", 20);
  kept("first", 10);
  await queue().begin();
  expect(studio.state.asked).toEqual(["first", "later"]);
});

test("without a line it is tried again after a second", async () => {
  studio.state.mode = "away";
  await queue().ask(what("a"), studio.save);
  await settle(999);
  expect(studio.state.asked).toHaveLength(1);
  await settle(1);
  expect(studio.state.asked).toHaveLength(2);
});

test("of an action that this page does not know, it is kept and not lost", async () => {
  studio.state.mode = "away";
  await queue().ask({ ...what("a"), kind: "older" }, studio.save);
  const again = queue();
  studio.state.mode = "well";
  await again.begin();
  expect([studio.kept.size, tablet.commands.size]).toEqual([0, 1]);
});
