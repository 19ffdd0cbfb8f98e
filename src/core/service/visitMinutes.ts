/** What is known of how long a visit of one service takes. Minutes, newest last. */
export type MinutesKnown = {
  /** Finished visits of this client for this service, by whoever did them. */
  readonly client: readonly number[];
  /** Finished visits of this service by this technician, with any client. */
  readonly technician: readonly number[];
  /** Work on the client's newest map at this technician's pace; null where there is none, or the service wears none. */
  readonly map: number | null;
  readonly usual: number;
};
export type VisitMinutes = { readonly minutes: number; readonly from: "client" | "technician" | "map" | "usual" };

/** So many visits of a hand say something of it. */
const LEAST = 3;
const NEWEST = 5;
/** Welcoming, consultation, pads, drying and tidying beside the lashes themselves. A model of this product. */
const BESIDE_MAP = 45;
const STEP = 15;

/** A visit is agreed for a quarter of an hour at least, eight hours at most, by quarters. */
const rounded = (minutes: number) => Math.min(480, Math.max(STEP, Math.ceil((Math.round(minutes) - 2) / STEP) * STEP));

/** Minutes proposed for a visit: what it took this client, else what the map takes this hand, else what it takes this hand, else the usual. */
export function visitMinutes({ client, technician, map, usual }: MinutesKnown): VisitMinutes {
  if (client.length > 0) return { minutes: rounded(median(client.slice(-NEWEST))), from: "client" };
  if (map !== null) return { minutes: rounded(map + BESIDE_MAP), from: "map" };
  if (technician.length >= LEAST) return { minutes: rounded(median(technician.slice(-12))), from: "technician" };
  return { minutes: usual, from: "usual" };
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}
