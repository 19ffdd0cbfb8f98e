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

/** A device's clock this far ahead of the monotonic one was set, or the device slept and the monotonic clock stood. */
export const CLOCKS_APART_MS = 1500;

/** How far the device's clock has run ahead of the monotonic one since the anchor, ms; null after a reload. */
export function clocksApartMs(anchor: TimeAnchor, now: { deviceMs: number; monotonicMs: number; load: string }): number | null {
  return anchor.load === now.load ? now.deviceMs - anchor.deviceMs - (now.monotonicMs - anchor.monotonicMs) : null;
}

/**
 * What time it is: the server's time once seen plus what the monotonic clock has counted since; unchecked where the
 * device's clock ran ahead of it, for then the device may have slept. After a reload with
 * no server to ask, the device's clock with the error it had then, marked as unchecked; with nothing ever seen, the
 * device's clock as it is, marked so too.
 */
export function trueTime(anchor: TimeAnchor | null, now: { deviceMs: number; monotonicMs: number; load: string }): TrueTime {
  if (!anchor) return { ms: now.deviceMs, clock: "device" };
  const apart = clocksApartMs(anchor, now);
  if (apart !== null)
    return { ms: anchor.serverMs + (now.monotonicMs - anchor.monotonicMs), clock: apart > CLOCKS_APART_MS ? "device" : "checked" };
  return { ms: now.deviceMs + (anchor.serverMs - anchor.deviceMs), clock: "device" };
}
