import type { LiveNews, LiveWord } from "./live/messages";

/** What the worker's stream tells it, and how often that was opened and closed. */
const stream = { tell: (_: LiveNews): void => undefined, opened: 0, closed: 0 };
jest.mock("./live/listen", () => ({
  listen: (tell: (news: LiveNews) => void) => {
    stream.tell = tell;
    stream.opened += 1;
    return () => void (stream.closed += 1);
  },
}));

/** A tab, as the worker sees it. */
class Page {
  readonly heard: LiveNews[] = [];
  onmessage: ((event: { data: LiveWord }) => void) | null = null;
  start() {}
  postMessage(news: LiveNews) {
    this.heard.push(news);
  }
  says(word: LiveWord) {
    this.onmessage!({ data: word });
  }
}
const scope: { onconnect: ((event: { ports: Page[] }) => void) | null } = { onconnect: null };
function tab(): Page {
  const page = new Page();
  scope.onconnect!({ ports: [page] });
  page.says("here");
  return page;
}
const air: LiveNews = { kind: "air", rooms: [] };
const line: LiveNews = { kind: "line", connected: true };

beforeEach(async () => {
  jest.useFakeTimers();
  jest.resetModules();
  Object.assign(globalThis, { self: scope });
  Object.assign(stream, { opened: 0, closed: 0 });
  await import("./live.worker");
});
afterEach(() => jest.useRealTimers());

test("many tabs share one stream, and each hears all", () => {
  const [first, second] = [tab(), tab()];
  stream.tell(air);
  expect(stream.opened).toBe(1);
  expect([first.heard, second.heard]).toEqual([[air], [air]]);
});

test("whoever joins later begins from what is known, once", () => {
  tab();
  stream.tell(line);
  stream.tell(air);
  const late = tab();
  expect(late.heard).toEqual([line, air]);
  late.says("here");
  expect(late.heard).toHaveLength(2);
});

test("the last tab that goes closes the stream, and a new one opens another without old air", () => {
  const [first, second] = [tab(), tab()];
  stream.tell(air);
  first.says("bye");
  expect(stream.closed).toBe(0);
  second.says("bye");
  expect(stream.closed).toBe(1);
  expect(tab().heard).toEqual([]);
  expect(stream.opened).toBe(2);
});

test("a tab that fell silent without a word is let go; one that speaks now and then stays", () => {
  const [silent, speaking] = [tab(), tab()];
  for (let i = 0; i < 5; i++) {
    jest.advanceTimersByTime(30_000);
    speaking.says("here");
  }
  stream.tell(air);
  expect([silent.heard.length, speaking.heard.length]).toEqual([0, 1]);
  jest.advanceTimersByTime(150_000);
  expect(stream.closed).toBe(1);
});

test("a tab taken back out of the browser's memory is heard again", () => {
  const page = tab();
  page.says("bye");
  page.says("here");
  stream.tell(air);
  expect(page.heard).toEqual([air]);
});
