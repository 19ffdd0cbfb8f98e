import type { Clock } from "@/core/visit";
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
