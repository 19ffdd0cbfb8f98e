import type { LiveNews } from "./messages";
import { readNews } from "./readNews";

const STREAM = "/api/live";
const AGAIN_MS = 4000;
/** The server beats every 25 s; a line silent for longer is dead, whatever the browser believes. */
const SILENT_MS = 70_000;

/**
 * Holds one event stream open and tells what comes. A broken line is made again, by the browser or, where the server
 * refused it, by us; after every break comes `missed`. Returns how to stop. Runs in a page as well as in a worker.
 */
export function listen(tell: (news: LiveNews) => void): () => void {
  let source: EventSource | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let heardMs = Date.now();
  let wasOpen = false;
  let stopped = false;

  const open = () => {
    source = new EventSource(STREAM);
    const heard = () => (heardMs = Date.now());
    source.addEventListener("hello", () => {
      heard();
      tell({ kind: "line", connected: true });
      if (wasOpen) tell({ kind: "missed" });
      wasOpen = true;
    });
    source.addEventListener("beat", heard);
    for (const kind of ["air", "visit"] as const)
      source.addEventListener(kind, (event: MessageEvent<string>) => {
        heard();
        const news = readNews(kind, event.data);
        if (news) tell(news);
      });
    source.addEventListener("missed", () => tell({ kind: "missed" }));
    source.onerror = () => {
      tell({ kind: "line", connected: false });
      // Closed for good: signed out, or the server said no. A line only broken is made again by the browser itself.
      if (source?.readyState === EventSource.CLOSED) later();
    };
  };
  const later = () => {
    source?.close();
    clearTimeout(timer);
    if (!stopped) timer = setTimeout(open, AGAIN_MS);
  };
  const watch = setInterval(() => {
    if (Date.now() - heardMs < SILENT_MS) return;
    heardMs = Date.now();
    tell({ kind: "line", connected: false });
    later();
  }, 10_000);
  open();
  return () => {
    stopped = true;
    clearTimeout(timer);
    clearInterval(watch);
    source?.close();
  };
}
