/** What the browser's own trace tells of the page's main thread. Times in ms from here on. */
export type TraceEvent = {
  name: string;
  ph: string;
  ts: number;
  dur?: number;
  pid: number;
  tid: number;
  args: { data?: { type?: string } };
};

/** Script: what these events span, nested ones once. */
export const SCRIPT = new Set([
  "EventDispatch",
  "FunctionCall",
  "RunMicrotasks",
  "TimerFire",
  "FireAnimationFrame",
  "EvaluateScript",
  "v8.callFunction",
  "MinorGC",
  "MajorGC",
]);
/** Script, and what the page then does to show it. */
export const SCRIPT_AND_PAINT = new Set([...SCRIPT, "UpdateLayoutTree", "Layout", "PrePaint", "Paint", "Layerize", "Commit", "HitTest"]);

export type Followed = {
  /** Until the first frame after it is handed over to be shown. */
  readonly untilShown: number;
  /** The longest stretch that nothing could break into. */
  readonly longest: number;
  /** Everything up to the next. */
  readonly all: number;
};

/** What follows each input of a kind on the main thread; inputs that changed nothing are followed by no frame and left out. */
export function whatFollows(trace: Buffer, inputType: string, work: ReadonlySet<string>): Followed[] {
  const { traceEvents } = JSON.parse(trace.toString()) as { traceEvents: TraceEvent[] };
  const inputs = traceEvents.filter(({ name, args }) => name === "EventDispatch" && args.data?.type === inputType);
  const { pid, tid } = inputs[0]!;
  const pageEvents = traceEvents
    .filter((event) => event.pid === pid && event.tid === tid && event.ph === "X" && work.has(event.name))
    .sort((a, b) => a.ts - b.ts || (b.dur ?? 0) - (a.dur ?? 0));
  const outer: TraceEvent[] = [];
  let end = -Infinity;
  for (const event of pageEvents) {
    if (event.ts < end) continue;
    outer.push(event);
    end = event.ts + (event.dur ?? 0);
  }
  // A frame ends where its layers are handed over to be shown.
  const frames = traceEvents
    .filter(({ name, ...event }) => name === "Layerize" && event.pid === pid && event.tid === tid)
    .map(({ ts, dur = 0 }) => ts + dur)
    .sort((a, b) => a - b);
  const followed = inputs.slice(0, -1).flatMap((input, i) => {
    const next = inputs[i + 1]!.ts;
    const shown = frames.find((ts) => ts > input.ts);
    if (shown === undefined || shown > next) return [];
    const ran = outer.filter(({ ts }) => ts >= input.ts && ts < next);
    if (process.env.IVY_TRACE)
      console.log(
        ran
          .map(
            (e) => `${((e.ts - input.ts) / 1000).toFixed(1)} ${e.name} ${((e.dur ?? 0) / 1000).toFixed(2)}${e.ts < shown ? "" : " later"}`,
          )
          .join("\n"),
        "\n----",
      );
    const sum = (events: readonly TraceEvent[]) => events.reduce((total, { dur = 0 }) => total + dur, 0) / 1000;
    return [
      {
        untilShown: sum(ran.filter(({ ts }) => ts < shown)),
        longest: Math.max(...ran.map(({ dur = 0 }) => dur)) / 1000,
        all: sum(ran),
      },
    ];
  });
  if (followed.length < inputs.length / 3) throw new Error(`Only ${followed.length} of ${inputs.length} inputs were followed by a frame.`);
  return followed;
}
