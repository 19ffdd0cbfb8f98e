import { vapourDensityGm3 } from "../air";
import { isSameZone } from "../fill";
import type { WornLashes } from "../map";
import type { FillFacts } from "./fillFacts";
import type { FillFound } from "./fillFound";
import type { HowPlaced } from "./howPlaced";
import type { Count } from "./shareLeft";

/** A fill that counted something. */
export type CountingFill = { readonly visitId: string; readonly clientId: string; readonly found: FillFound };
/** The set it counted, as its own visit came to it. */
export type CountedSet = {
  readonly visitId: string;
  readonly technicianId: string;
  readonly placedAtMs: number;
  readonly worn: WornLashes;
  readonly how: HowPlaced;
};
/** The bottle it was placed from. Age in days and set time beside when it was new, at the placing; null where not known. */
export type BottleThen = { readonly adhesiveId: string; readonly ageDays: number | null; readonly drift: number | null };

const DAY_MS = 86_400_000;

/** Zones of that very set that were counted, and whose own number is known, each with how many had been on. */
export const knownZones = ({ found }: Pick<CountingFill, "found">, set: Pick<CountedSet, "visitId" | "worn">) =>
  found.zones.flatMap((zone) => {
    const before = set.worn.zones.find((one) => one.isKnown && isSameZone(one, zone));
    return before && zone.setVisitId === set.visitId ? [{ ...zone, worn: before.singles + before.fans }] : [];
  });

/** What was counted of what the client had left with: over zones that were counted and whose own number is known. Null where there is none. */
export function countOf(fill: Pick<CountingFill, "found">, set: Pick<CountedSet, "visitId" | "worn">): Count | null {
  const zones = knownZones(fill, set);
  const worn = zones.reduce((sum, zone) => sum + zone.worn, 0);
  return worn > 0 ? { left: zones.reduce((sum, { left }) => sum + left, 0), worn } : null;
}

/** One set as its fill found it, ready to learn from; null where nothing was counted that is known. */
export function factsOfFill(
  fill: CountingFill,
  set: CountedSet,
  bottle: BottleThen | null,
  { cycleDays, yearShare }: { readonly cycleDays: number; readonly yearShare: number },
): FillFacts | null {
  const count = countOf(fill, set);
  const { countedAtMs, since } = fill.found;
  if (!count || countedAtMs === null || countedAtMs <= set.placedAtMs) return null;
  const { how } = set;
  return {
    ...count,
    visitId: fill.visitId,
    clientId: fill.clientId,
    technicianId: set.technicianId,
    placedAtMs: set.placedAtMs,
    days: (countedAtMs - set.placedAtMs) / DAY_MS,
    bareBelowDays: how.bareShare * cycleDays,
    yearShare,
    relativeHumidity: how.air?.relativeHumidity ?? null,
    temperatureC: how.air?.temperatureC ?? null,
    vapourDensityGm3: how.air ? vapourDensityGm3(how.air) : null,
    adhesiveId: bottle?.adhesiveId ?? null,
    bottleAgeDays: bottle?.ageDays ?? null,
    setTimeDrift: bottle?.drift ?? null,
    beadAgeS: how.beadAgeS,
    primer: how.primer,
    curl: how.curl,
    contactMm: how.contactMm,
    attachment: how.attachment,
    technique: how.technique,
    ...since,
    talked: how.talked,
    moved: how.moved,
  };
}
