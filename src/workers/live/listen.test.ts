import { listen } from "./listen";
import type { LiveNews } from "./messages";

/** The browser's EventSource as far as it is used here, driven by hand. */
class Line {
  static readonly CLOSED = 2;
  static all: Line[] = [];
  readyState = 0;
  onerror: (() => void) | null = null;
  private readonly on = new Map<string, (event: { data: string }) => void>();
  constructor(readonly url: string) {
    Line.all.push(this);
  }
  addEventListener(name: string, hear: (event: { data: string }) => void) {
    this.on.set(name, hear);
  }
  close() {
    this.readyState = Line.CLOSED;
  }
  says(event: string, data: unknown = {}) {
    this.readyState = 1;
    this.on.get(event)?.({ data: JSON.stringify(data) });
  }
  breaks(forGood: boolean) {
    this.readyState = forGood ? Line.CLOSED : 0;
    this.onerror?.();
  }
}
const newest = () => Line.all.at(-1)!;

let news: LiveNews[];
let stop: () => void;
beforeEach(() => {
  jest.useFakeTimers();
  Line.all = [];
  news = [];
  Object.assign(globalThis, { EventSource: Line });
  stop = listen((one) => news.push(one));
});
afterEach(() => {
  stop();
  jest.useRealTimers();
});
const kinds = () => news.map(({ kind }) => kind);

test("one line is opened, and what comes by it is told", () => {
  expect(Line.all.map(({ url }) => url)).toEqual(["/api/live"]);
  newest().says("hello");
  newest().says("air", { rooms: [] });
  newest().says("visit", { id: "v1", seq: 4 });
  expect(news).toEqual([
    { kind: "line", connected: true },
    { kind: "air", rooms: [] },
    { kind: "visit", id: "v1", seq: 4 },
  ]);
});

test("the first hello misses nothing; after a break the browser mended, all is read anew", () => {
  newest().says("hello");
  newest().breaks(false);
  newest().says("hello");
  expect(kinds()).toEqual(["line", "line", "line", "missed"]);
  expect(Line.all).toHaveLength(1);
});

test("a line the server closed is opened again by us, once, after a while", () => {
  newest().says("hello");
  newest().breaks(true);
  newest().breaks(true);
  expect(news.at(-1)).toEqual({ kind: "line", connected: false });
  jest.advanceTimersByTime(3999);
  expect(Line.all).toHaveLength(1);
  jest.advanceTimersByTime(1);
  expect(Line.all).toHaveLength(2);
  newest().says("hello");
  expect(kinds().slice(-2)).toEqual(["line", "missed"]);
});

test("a line that beats is left alone; one silent for over a minute is dead whatever the browser believes", () => {
  newest().says("hello");
  for (let i = 0; i < 8; i++) {
    jest.advanceTimersByTime(25_000);
    newest().says("beat", { serverMs: 0 });
  }
  expect(Line.all).toHaveLength(1);
  jest.advanceTimersByTime(80_000);
  expect(news.at(-1)).toEqual({ kind: "line", connected: false });
  jest.advanceTimersByTime(4000);
  expect(Line.all).toHaveLength(2);
  expect(Line.all[0]!.readyState).toBe(Line.CLOSED);
});

test("stopped, it stays closed, even with a new line due", () => {
  newest().breaks(true);
  stop();
  jest.advanceTimersByTime(300_000);
  expect(Line.all).toHaveLength(1);
  expect(newest().readyState).toBe(Line.CLOSED);
});
