/** Where readings of a room come from, and when it was last heard, ms since 1970. */
export type RoomSource = {
  readonly id: string;
  readonly kind: "device" | "hand" | "file";
  readonly since: number;
  readonly takenAtMs: number;
};

/** A hygrometer silent for longer is no longer listened to first. */
export const HEARD_WITHIN_MS = 10 * 60_000;

/** Older air is not the air of a bead put out now. */
export const FRESH_AIR_MS = 30 * 60_000;

/** Hygrometers first, the longest standing before the others; then files; then what was typed. */
export function inOrderOfTrust<T extends Pick<RoomSource, "kind" | "since">>(sources: readonly T[]): T[] {
  const order = { device: 0, file: 1, hand: 2 };
  return [...sources].sort((a, b) => order[a.kind] - order[b.kind] || a.since - b.since);
}

/**
 * Whose word is the room's air now: the first hygrometer that is heard, so that two which differ do not take turns; where
 * none is heard, whoever spoke last.
 */
export function roomSource<T extends RoomSource>(sources: readonly T[], nowMs: number): T | null {
  const heard = inOrderOfTrust(sources).find(({ kind, takenAtMs }) => kind === "device" && nowMs - takenAtMs < HEARD_WITHIN_MS);
  return heard ?? [...sources].sort((a, b) => b.takenAtMs - a.takenAtMs)[0] ?? null;
}

/** One row of air a minute from several sources: where more than one speaks, the most trusted. In order of time. */
export function onePerMinute<T extends { readonly atMs: number }>(bySource: readonly (readonly T[])[]): T[] {
  const minutes = new Map<number, T>();
  for (const rows of bySource)
    for (const row of rows) {
      const minute = Math.floor(row.atMs / 60_000);
      if (!minutes.has(minute)) minutes.set(minute, row);
    }
  return [...minutes.values()].sort((a, b) => a.atMs - b.atMs);
}
