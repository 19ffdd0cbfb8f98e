import { listen } from "./live/listen";
import type { LiveNews, LiveWord } from "./live/messages";

/** One event stream for all tabs of a browser. A page says that it is there now and then; one that falls silent is let go. */
const scope = self as unknown as { onconnect: ((event: MessageEvent) => void) | null };
const SILENT_MS = 90_000;
const pages = new Map<MessagePort, number>();
let stop: (() => void) | null = null;
let air: LiveNews | null = null;
let line: LiveNews | null = null;

function tell(news: LiveNews): void {
  if (news.kind === "air") air = news;
  if (news.kind === "line") line = news;
  for (const page of pages.keys()) page.postMessage(news);
}
function goes(page: MessagePort): void {
  pages.delete(page);
  if (pages.size > 0) return;
  stop?.();
  [stop, air, line] = [null, null, null];
}

scope.onconnect = (event) => {
  const page = event.ports[0]!;
  page.onmessage = ({ data }: MessageEvent<LiveWord>) => {
    if (data === "bye") return goes(page);
    const isNew = !pages.has(page);
    pages.set(page, Date.now());
    stop ??= listen(tell);
    // Whoever joins begins from what is known.
    if (isNew) for (const news of [line, air]) if (news) page.postMessage(news);
  };
  page.start();
};
setInterval(() => {
  for (const [page, heardMs] of pages) if (Date.now() - heardMs > SILENT_MS) goes(page);
}, 30_000);
