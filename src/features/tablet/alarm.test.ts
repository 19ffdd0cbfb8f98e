import type { Clock } from "@/core/clock";
import { alarmOf } from "./alarm";

const clock = (change: Partial<Clock>): Clock => ({
  id: "e",
  kind: "bead",
  label: "bead 2",
  totalS: 900,
  leftS: 300,
  state: "running",
  ...change,
});
const kinds = (change: Partial<Clock>) => alarmOf(clock(change), "Ottilie")?.kind ?? null;

test("a bead rings two minutes before its end and at it, each once by its own key", () => {
  expect(kinds({})).toBeNull();
  expect(kinds({ state: "soon", leftS: 119 })).toBe("soon");
  expect(kinds({ state: "over", leftS: -0.2 })).toBe("over");
  expect(alarmOf(clock({ state: "soon", leftS: 119 }), "x")!.key).not.toBe(alarmOf(clock({ state: "over", leftS: 0 }), "x")!.key);
});

test("a moment long past is not rung again after a reload", () => {
  expect(kinds({ state: "soon", leftS: 60 })).toBeNull();
  expect(kinds({ state: "over", leftS: -400 })).toBeNull();
  expect(kinds({ kind: "shake", state: "done", leftS: -30 })).toBeNull();
});

test("the words name the client, for two may run at once", () => {
  expect(alarmOf(clock({ state: "over", leftS: -1 }), "Ottilie")!.words).toMatch(/^Ottilie: bead 2 is spent/);
  expect(alarmOf(clock({ kind: "shake", state: "done", leftS: -1 }), "Calla")!.words).toMatch(/^Calla: shaken/);
});

test("what lies on hair rings at twenty seconds, at its time however late the tab woke, and past the leaflet again and again", () => {
  const coat = (change: Partial<Clock>) => alarmOf(clock({ kind: "coat", label: "step 1, right", totalS: 360, ...change }), "Ottilie");
  expect(coat({ state: "running" })).toBeNull();
  expect(coat({ state: "soon", leftS: 19.6 })).toMatchObject({ kind: "soon", words: "Ottilie: step 1, right, twenty seconds." });
  expect(coat({ state: "soon", leftS: 9 })).toBeNull();
  expect(coat({ state: "over", leftS: -40 })).toMatchObject({ kind: "over" });
  const past = [-1, -9, -11, -19, -21].map((leftS) => coat({ state: "past", leftS })!.key);
  expect(new Set(past).size).toBe(3);
  // An exposure after a stop is counted, not rung at: the rinse is what is heard.
  expect(coat({ state: "over", leftS: -2, label: "still on, right" })).toBeNull();
});

test("looks, paste and rinse ring once, at their moment", () => {
  expect(kinds({ kind: "look", state: "soon", leftS: -1 })).toBe("soon");
  expect(kinds({ kind: "look", state: "soon", leftS: -30 })).toBeNull();
  expect(kinds({ kind: "paste", state: "over", leftS: -1 })).toBe("over");
  expect(kinds({ kind: "paste", state: "running", leftS: 100 })).toBeNull();
  expect(kinds({ kind: "rinse", state: "done", leftS: -1 })).toBe("shaken");
  expect(kinds({ kind: "rinse", state: "over", leftS: 300 })).toBeNull();
});
