import type { Clock } from "@/core/clock";
import { alarmOf, MOST_WORDS, readAlarmChoice, sayAtBed, say, shortPhrase, writeAlarmChoice } from "./alarm";

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

describe("by ear", () => {
  const spoken: string[] = [];
  let ended: () => void = () => undefined;
  const synthesis = {
    speaking: false,
    pending: false,
    speak: ({ text, onend }: { text: string; onend: () => void }) => {
      spoken.push(text);
      ended = onend;
    },
  };
  const kept = new Map<string, string>();
  beforeAll(() => {
    const storage = { getItem: (key: string) => kept.get(key) ?? null, setItem: (key: string, value: string) => void kept.set(key, value) };
    class Utterance {
      lang = "";
      onend = () => undefined;
      constructor(readonly text: string) {}
    }
    Object.assign(globalThis, {
      localStorage: storage,
      window: { speechSynthesis: synthesis },
      speechSynthesis: synthesis,
      SpeechSynthesisUtterance: Utterance,
    });
  });
  afterAll(() => {
    for (const name of ["localStorage", "window", "speechSynthesis", "SpeechSynthesisUtterance"]) Reflect.deleteProperty(globalThis, name);
  });
  beforeEach(() => {
    spoken.length = 0;
    kept.clear();
    Object.assign(synthesis, { speaking: false, pending: false });
  });

  test("at first clocks sound and nothing is spoken; each is turned on and off by itself", () => {
    expect(readAlarmChoice()).toEqual({ sound: true, speech: false, zones: false, minutes: false });
    writeAlarmChoice({ sound: false, speech: true, zones: true, minutes: false });
    expect(readAlarmChoice()).toEqual({ sound: false, speech: true, zones: true, minutes: false });
    // As it was kept before zones and minutes were spoken.
    kept.set("ivy-alarm", "sound speech");
    expect(readAlarmChoice()).toEqual({ sound: true, speech: true, zones: false, minutes: false });
  });
  test("a zone is said where zones are to be said, and never over what is being said", () => {
    writeAlarmChoice({ sound: true, speech: false, zones: true, minutes: false });
    sayAtBed("zones", "left 6, 12");
    sayAtBed("minutes", "40 minutes");
    expect(spoken).toEqual(["left 6, 12"]);
    synthesis.speaking = true;
    sayAtBed("zones", "right 6, 12");
    sayAtBed("zones", "right 7, 11");
    expect(spoken).toHaveLength(1);
    // The newest is said once there is silence; what was passed meanwhile is not.
    synthesis.speaking = false;
    ended();
    expect(spoken.splice(1)).toEqual(["right 7, 11"]);
    ended();
    expect(spoken).toHaveLength(1);
    // A warning waits for its turn in the browser's own queue instead.
    synthesis.speaking = true;
    say("bead 2 is spent.");
    expect(spoken).toEqual(["left 6, 12", "bead 2 is spent."]);
  });
  test("no phrase is longer than about four seconds, whoever the client is", () => {
    const who = "Wilhelmina Constantia Saltwhistle of the Upper Ferry";
    const all = (["bead", "shake", "check", "eyes", "coat"] as const).flatMap((kind) =>
      (["soon", "over", "done"] as const).flatMap(
        (state) => alarmOf(clock({ kind, state, leftS: state === "soon" ? 119.9 : -0.5 }), who)?.words ?? [],
      ),
    );
    expect(all.length).toBeGreaterThan(4);
    for (const words of all) expect(shortPhrase(words).split(/\s+/).length).toBeLessThanOrEqual(MOST_WORDS);
    expect(shortPhrase("Calla: brush through. Are both eyes closed?")).toBe("Calla: brush through. Are both eyes closed?");
    expect(shortPhrase("One two three four five. Six seven eight nine ten eleven.")).toBe("One two three four five.");
  });
});
