import { together } from "./inStudio";
import { log } from "./log";
import { guarded, readBody, readJson } from "./respond";
import { ago, clockIn, dayIn, formatIn, hourIn, minuteIn, timeIn, todayIn } from "./studioTime";
import { typedNumber, typedPercent } from "./typed";

describe("the studio's own time", () => {
  test("the date is the studio's, not the server's", () => {
    const late = new Date("2026-06-30T23:30:00Z");
    expect(todayIn("Europe/London", late)).toBe("2026-07-01");
    expect(todayIn("America/New_York", late)).toBe("2026-06-30");
    expect(formatIn("Pacific/Auckland", late, "d MMM HH:mm")).toBe("1 Jul 11:30");
    expect(timeIn("Pacific/Auckland", late)).toBe("11:30");
    expect(minuteIn("Pacific/Auckland", late)).toBe(690);
    expect(hourIn("Asia/Kathmandu", new Date("2026-06-30T03:45:00Z"))).toBe(9.5);
  });
  test.each([
    // Clocks in London go forward on 29 March and back on 25 October 2026.
    ["2026-03-29", 23],
    ["2026-10-25", 25],
    ["2026-11-02", 24],
  ])("%s in London has %d hours", (day, hours) => {
    const { from, to } = dayIn("Europe/London", day);
    expect((to.getTime() - from.getTime()) / 3_600_000).toBe(hours);
  });
  test.each(["Europe/London", "Asia/Kathmandu", "America/New_York", "Australia/Lord_Howe"])(
    "a year of hours in %s is read as it is written one by one, over both changes of the clocks",
    (timeZone) => {
      const read = clockIn(timeZone);
      for (let hour = 0; hour < 366 * 24; hour += 7) {
        const moment = new Date(Date.UTC(2026, 0, 1, 0, 7) + hour * 3_600_000);
        const shown = read(moment.getTime());
        expect(`${shown.day} ${shown.hour} ${shown.minute} ${shown.time}`).toBe(formatIn(timeZone, moment, "yyyy-MM-dd H m HH:mm"));
      }
    },
  );
  test.each([
    [0, "0 s ago"],
    [95, "2 min ago"],
    [7200, "2 h ago"],
    [200_000, "2 days ago"],
    [-30, "0 s ago"],
  ])("%d s are %s", (seconds, words) => {
    const then = new Date("2026-11-02T10:00:00Z");
    expect(ago(then, new Date(then.getTime() + seconds * 1000))).toBe(words);
  });
});

describe("reads that go together", () => {
  test("come back in their order", async () => {
    expect(await together([Promise.resolve("rooms"), 7, null])).toEqual(["rooms", 7, null]);
  });
  test("one that fails is not told before the others have ended: none may still ask when its transaction is over", async () => {
    let ended = false;
    const slow = new Promise((resolve) => setTimeout(resolve, 20)).then(() => (ended = true));
    await expect(together([Promise.reject(new Error("no such table")), slow])).rejects.toThrow("no such table");
    expect(ended).toBe(true);
  });
});

describe("a body at the door", () => {
  const post = (body: BodyInit, headers: Record<string, string> = {}) =>
    new Request("http://x/", { method: "POST", body, headers, duplex: "half" } as RequestInit);
  const flood = (bytes: number) =>
    new ReadableStream<Uint8Array>({
      pull(controller) {
        controller.enqueue(new Uint8Array(16_384));
        bytes -= 16_384;
        if (bytes <= 0) controller.close();
      },
    });

  test("is read up to its size and no further, whatever length it claims", async () => {
    const fits = await readBody(post("a".repeat(1000)), 1000);
    expect(fits.ok && fits.body.length).toBe(1000);
    const claimed = await readBody(post("a", { "content-length": "99999999" }), 1000);
    const streamed = await readBody(post(flood(10_000_000)), 64 * 1024);
    for (const refused of [claimed, streamed]) {
      expect(refused.ok).toBe(false);
      if (!refused.ok)
        expect([refused.response.status, await refused.response.json()]).toEqual([413, { message: expect.stringMatching(/kB at once/) }]);
    }
  });
  test("that breaks off on the way is no JSON", async () => {
    const broken = new ReadableStream<Uint8Array>({
      start(controller) {
        controller.enqueue(new TextEncoder().encode('{"readings":['));
        controller.error(new Error("gone"));
      },
    });
    const read = await readJson(post(broken), 1000);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.response.status).toBe(400);
  });
  test("what nobody foresaw is an apology with a number, never a stack", async () => {
    const said = jest.spyOn(log, "error").mockImplementation(() => undefined);
    const answer = await guarded(new Request("http://127.0.0.1/x"), async () => {
      throw new Error("secret table studio.client");
    });
    expect(answer.status).toBe(503);
    const { message } = (await answer.json()) as { message: string };
    expect(message).toMatch(/\([0-9a-f]{8}\)$/);
    expect(message).not.toContain("secret");
    // What happened is in the log, under that number.
    expect(JSON.stringify(said.mock.calls)).toContain(message.match(/\(([0-9a-f]{8})\)$/)![1]);
    said.mockRestore();
  });
});

describe("figures as a person types them", () => {
  const number = typedNumber("A number, e.g. 21.5.");
  test.each([
    ["21.5", 21.5],
    ["21,5", 21.5],
    [" 7 ", 7],
    ["-3", -3],
    ["−0,4", -0.4],
    ["007", 7],
  ])("%j is %d", (text, value) => expect(number.parse(text)).toBe(value));
  test.each(["", " ", "twenty", "1e9", "0x10", "1.2.3", "1,234.5", "NaN", "Infinity", "--2", "1 2", "9".repeat(21), "٣"])(
    "%j is none, and it says what was wanted",
    (text) => {
      const parsed = number.safeParse(text);
      expect(parsed.success).toBe(false);
      if (!parsed.success) expect(parsed.error.issues[0]!.message).toBe("A number, e.g. 21.5.");
    },
  );
  test("per cent come out as a fraction", () => expect(typedPercent("Per cent.").parse("42,5")).toBeCloseTo(0.425, 12));
});
