import { WIDEST_CORNER, type Side } from "../eye";
import { benjaminiHochberg } from "../statistics/benjaminiHochberg";
import { fBeyond, studentTQuantile } from "../statistics/distributions";
import { knownZones, type CountedSet, type CountingFill } from "./factsOfFill";
import type { Count } from "./shareLeft";
import { lossRatio, type LossRatio, type PairedCounts } from "./sides";

/** One set as its fill found it, by place: each eye, and the corners beside the rest. */
export type PlaceCounts = {
  readonly clientId: string;
  readonly technicianId: string;
  readonly right: Count;
  readonly left: Count;
  readonly corners: Count;
  readonly rest: Count;
};

/** Counts of the zones that were counted and are known, by place. */
export function placesOf({ clientId, found }: Pick<CountingFill, "clientId" | "found">, set: CountedSet): PlaceCounts {
  const zones = knownZones({ found }, set).map((zone) => ({
    ...zone,
    isCorner: zone.to <= WIDEST_CORNER || zone.from >= 1 - WIDEST_CORNER,
  }));
  const sum = (is: (zone: (typeof zones)[number]) => boolean): Count =>
    zones.filter(is).reduce((all, { left, worn }) => ({ left: all.left + left, worn: all.worn + worn }), { left: 0, worn: 0 });
  return {
    clientId,
    technicianId: set.technicianId,
    right: sum(({ side }) => side === "right"),
    left: sum(({ side }) => side === "left"),
    corners: sum(({ isCorner }) => isCorner),
    rest: sum(({ isCorner }) => !isCorner),
  };
}

/** A place beside another over several clients, each of which counts once. */
export type AcrossClients = {
  readonly ratio: number;
  readonly low: number;
  readonly high: number;
  readonly chance: number;
  readonly clients: number;
};

export type WhereLost = {
  /** One eye of one client, over several fills. `side` is the one that lost more. */
  readonly clients: readonly (LossRatio & { readonly clientId: string; readonly side: Side; readonly isFound: boolean })[];
  /** One eye of all clients of one technician: the hand that reaches across. */
  readonly technicians: readonly (AcrossClients & { readonly technicianId: string; readonly side: Side; readonly isFound: boolean })[];
  /** Corners beside the rest of the line, over all clients; null where too few tell. */
  readonly corners: (AcrossClients & { readonly isFound: boolean }) | null;
};

/** Fewer clients than these say nothing of a hand. */
const LEAST_CLIENTS = 8;
/** Of what is called found, at most this share shall be false. */
const FALSE_SHARE = 0.1;

/** Where a studio's losses lie: sides of a client, sides of a technician, corners; compared within each fill. */
export function whereLost(sets: readonly PlaceCounts[]): WhereLost {
  const fit = sets.filter((set) => [set.right, set.left, set.corners, set.rest].every(({ left, worn }) => left <= worn));
  const sides = (of: readonly PlaceCounts[]): PairedCounts[] => of.map(({ right, left }) => ({ one: right, other: left }));
  const clients = [...grouped(fit, ({ clientId }) => clientId)].flatMap(([clientId, of]) => {
    const ratio = lossRatio(sides(of));
    return ratio ? [{ clientId, ...towardsOne(ratio) }] : [];
  });
  const technicians = [...grouped(fit, ({ technicianId }) => technicianId)].flatMap(([technicianId, of]) => {
    const ratio = acrossClients(of, sides);
    return ratio ? [{ technicianId, ...towardsOne(ratio) }] : [];
  });
  const corners = acrossClients(fit, (of) => of.map(({ corners: one, rest: other }) => ({ one, other })));
  const all = [...clients, ...technicians, ...(corners ? [corners] : [])];
  const found = benjaminiHochberg(
    all.map(({ chance }) => chance),
    FALSE_SHARE,
  );
  return {
    clients: clients.map((one, i) => ({ ...one, isFound: found[i]! })),
    technicians: technicians.map((one, i) => ({ ...one, isFound: found[clients.length + i]! })),
    corners: corners && { ...corners, isFound: found.at(-1)! },
  };
}

/** A ratio of the right to the left, told of the eye that lost more. */
function towardsOne<Ratio extends { readonly ratio: number; readonly low: number; readonly high: number }>(
  ratio: Ratio,
): Ratio & { readonly side: Side } {
  if (ratio.ratio >= 1) return { ...ratio, side: "right" };
  return { ...ratio, side: "left", ratio: 1 / ratio.ratio, low: 1 / ratio.high, high: 1 / ratio.low };
}

function grouped<T>(all: readonly T[], keyOf: (one: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const one of all) groups.set(keyOf(one), [...(groups.get(keyOf(one)) ?? []), one]);
  return groups;
}

/** Each client's own ratio once, Student's t over clients. Half a lash is added to each loss, so that none is no ratio at all. */
function acrossClients(sets: readonly PlaceCounts[], pairsOf: (of: readonly PlaceCounts[]) => PairedCounts[]): AcrossClients | null {
  const logs = [...grouped(sets, ({ clientId }) => clientId).values()].flatMap((of) => {
    const pairs = pairsOf(of).filter(({ one, other }) => one.worn > 0 && other.worn > 0);
    if (pairs.length === 0) return [];
    const sum = (part: (pair: PairedCounts) => number) => pairs.reduce((total, pair) => total + part(pair), 0);
    const lost = (place: "one" | "other") =>
      (sum((pair) => pair[place].worn - pair[place].left) + 0.5) / (sum((pair) => pair[place].worn) + 0.5);
    return [Math.log(lost("one") / lost("other"))];
  });
  if (logs.length < LEAST_CLIENTS) return null;
  const mean = logs.reduce((sum, log) => sum + log, 0) / logs.length;
  const df = logs.length - 1;
  const variance = Math.max(1e-12, logs.reduce((sum, log) => sum + (log - mean) ** 2, 0) / df / logs.length);
  const off = studentTQuantile(0.975, df) * Math.sqrt(variance);
  return {
    ratio: Math.exp(mean),
    low: Math.exp(mean - off),
    high: Math.exp(mean + off),
    chance: fBeyond(mean ** 2 / variance, 1, df),
    clients: logs.length,
  };
}
