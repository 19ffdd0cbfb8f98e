import { SIDES, type Side } from "../eye";
import { movedOutShare, OUTGROWN_MM, USUAL_FIGURES, type CycleFigures } from "../growth";
import type { Policy } from "../policy";

/** What a studio takes off at a fill (all of it, only what is fully outgrown, or what lever and load condemn), and which share of what was planned stays to build on. */
export type TakeOffRules = Pick<Policy, "outgrown" | "buildOnPercent">;

/** One zone of a layer as it was found. */
export type LeftInZone = {
  readonly side: Side;
  readonly layer: number;
  readonly zone: number;
  readonly planned: number;
  /** Counted as still on, and of those what was marked twisted, and outgrown; null where outgrown ones were not marked. */
  readonly left: number;
  readonly twisted: number;
  readonly outgrown: number | null;
  /** Share of its lashes, 0..1, that lack at least so many mm of their full length: what load is looked ahead by. */
  readonly lacking: (mm: number) => number;
  /** How far out an attachment must have moved for the load to be one to stop at on a growing lash, mm; null where none does. */
  readonly stopsAtMm: number | null;
};

export type TakeOffReason = "twisted" | "load" | "outgrown" | "all";
export type ZoneTakeOff = {
  readonly zone: LeftInZone;
  readonly off: number;
  readonly leave: number;
  /** How many for each reason, the gravest first. */
  readonly why: readonly { readonly reason: TakeOffReason; readonly n: number }[];
  /** How many were spared so that something is left to build on. */
  readonly spared: number;
};
export type TakeOff = { readonly zones: readonly ZoneTakeOff[]; readonly off: number; readonly leave: number; readonly spared: number };

/** What is spared for the sake of what is built on, the least grave first. What is twisted or overloaded never is. */
const SPARED = ["all", "outgrown"] as const satisfies readonly TakeOffReason[];

/**
 * How many extensions of each zone to take off, why, and how many to leave, by the studio's school. What was marked counts as
 * marked; what was not is reckoned from growth over the days. Of each eye at least the studio's share of what was planned stays, twisted
 * ones and overloaded lashes apart.
 */
export function takeOff(zones: readonly LeftInZone[], days: number, rules: TakeOffRules, figures: CycleFigures = USUAL_FIGURES): TakeOff {
  const spared = SIDES.flatMap((side) =>
    spareOn(
      wantedOff(
        zones.filter((zone) => zone.side === side),
        days,
        rules.outgrown,
        figures,
      ),
      rules.buildOnPercent / 100,
    ),
  );
  const found = zones.map((zone) => spared.find((one) => one.zone === zone)!);
  const sum = (of: (one: ZoneTakeOff) => number) => found.reduce((total, one) => total + of(one), 0);
  return { zones: found, off: sum(({ off }) => off), leave: sum(({ leave }) => leave), spared: sum((one) => one.spared) };
}

type Wanted = { readonly zone: LeftInZone; readonly why: readonly { readonly reason: TakeOffReason; readonly n: number }[] };

/** What should come off the zones of an eye. What is reckoned is whole over the eye: one in ten of many narrow zones is not none of each. */
function wantedOff(zones: readonly LeftInZone[], days: number, school: TakeOffRules["outgrown"], figures: CycleFigures): Wanted[] {
  const whole = (shareOf: (zone: LeftInZone) => number) => {
    const exact = zones.map((zone) => zone.left * shareOf(zone));
    return shareOut(Math.round(exact.reduce((sum, n) => sum + n, 0)), exact);
  };
  const overloaded = whole(({ stopsAtMm, lacking }) =>
    school === "fullyOnly" || stopsAtMm === null ? 0 : movedOutShare(days, stopsAtMm, figures, lacking(stopsAtMm)),
  );
  const reckoned = whole((zone) => (zone.outgrown === null ? movedOutShare(days, OUTGROWN_MM, figures) : 0));
  return zones.map((zone, i) => {
    const why: { reason: TakeOffReason; n: number }[] = [];
    let rest = zone.left;
    const take = (reason: TakeOffReason, n: number) => {
      const taken = Math.min(rest, Math.max(0, n));
      rest -= taken;
      if (taken > 0) why.push({ reason, n: taken });
    };
    take("twisted", zone.twisted);
    take("load", overloaded[i]!);
    // One and the same lash is both: the heavier reason has it.
    take("outgrown", (zone.outgrown ?? reckoned[i]!) - overloaded[i]!);
    if (school === "all") take("all", rest);
    return { zone, why };
  });
}

/** Gives back, where too little of an eye would be left, the least grave first and evenly over its zones. */
function spareOn(wanted: readonly Wanted[], buildOn: number): ZoneTakeOff[] {
  const sum = (of: (one: Wanted) => number) => wanted.reduce((total, one) => total + of(one), 0);
  const keep = Math.ceil(buildOn * sum(({ zone }) => zone.planned) - 1e-9);
  const taken = (one: Wanted) => one.why.reduce((total, { n }) => total + n, 0);
  let lacks = Math.max(0, keep - sum((one) => one.zone.left - taken(one)));
  const off = wanted.map(({ why }) => why.map((one) => ({ ...one })));
  for (const reason of SPARED) {
    const shares = off.map((why) => why.find((one) => one.reason === reason)?.n ?? 0);
    const given = shareOut(
      Math.min(
        lacks,
        shares.reduce((total, n) => total + n, 0),
      ),
      shares,
    );
    given.forEach((n, i) => {
      const one = off[i]!.find((each) => each.reason === reason);
      if (one) one.n -= n;
      lacks -= n;
    });
  }
  return wanted.map((one, i) => {
    const why = off[i]!.filter(({ n }) => n > 0);
    const now = why.reduce((total, { n }) => total + n, 0);
    return { zone: one.zone, off: now, leave: one.zone.left - now, why, spared: taken(one) - now };
  });
}

/** So many, shared out by size, each whole and none above its own: the largest remainders have the rest. */
function shareOut(many: number, sizes: readonly number[]): number[] {
  const all = sizes.reduce((total, n) => total + n, 0);
  if (all === 0) return sizes.map(() => 0);
  const exact = sizes.map((n) => (many * n) / all);
  const given = exact.map(Math.floor);
  const byRest = exact.map((value, i) => ({ i, rest: value - given[i]! })).sort((a, b) => b.rest - a.rest || a.i - b.i);
  for (const { i } of byRest.slice(0, many - given.reduce((total, n) => total + n, 0))) given[i]! += 1;
  return given;
}
