/** The server's time as it was once seen, with the device's two clocks at that moment. All in ms. */
export type TimeAnchor = {
  readonly serverMs: number;
  /** Monotonic: counts on whatever is done to the device's clock, but begins anew with every page load. */
  readonly monotonicMs: number;
  readonly deviceMs: number;
  /** Names the page load that the monotonic reading belongs to. */
  readonly load: string;
};

export type TrueTime = { readonly ms: number; readonly clock: "checked" | "device" };

/**
 * What time it is: the server's time once seen plus what the monotonic clock has counted since. After a reload with
 * no server to ask, the device's clock with the error it had then, marked as unchecked; with nothing ever seen, the
 * device's clock as it is, marked so too.
 */
export function trueTime(anchor: TimeAnchor | null, now: { deviceMs: number; monotonicMs: number; load: string }): TrueTime {
  if (!anchor) return { ms: now.deviceMs, clock: "device" };
  if (anchor.load === now.load) return { ms: anchor.serverMs + (now.monotonicMs - anchor.monotonicMs), clock: "checked" };
  return { ms: now.deviceMs + (anchor.serverMs - anchor.deviceMs), clock: "device" };
}
