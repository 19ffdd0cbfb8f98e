import { naturalZone, SIDES, type Survey } from "@/core/eye";
import { mapFacts, placements, planMap, type LookId, type MapPlan, type MapWish, type Tray } from "@/core/map";
import { defaultPolicy } from "@/core/policy";
import { lengthsFrom } from "./surveys";

/** A shelf with every length of a few curls and diameters. */
export const WIDE_SHELF: readonly Tray[] = [0.15, 0.12, 0.1, 0.07, 0.05].flatMap((diameterMm) =>
  (["C", "CC", "D", "L"] as const).map((curl) => ({ curl, diameterMm, shape: "round" as const, lengthsMm: lengthsFrom(5, 16) })),
);
export const FOUR_LOOKS: readonly LookId[] = ["natural", "doll", "squirrel", "cat"];
export const classicWish = (look: LookId, change: Partial<MapWish> = {}): MapWish => ({
  title: "trial",
  look,
  school: { id: "browPeak" },
  fibre: { curl: "C", diameterMm: 0.15, shape: "round", count: 1 },
  longestMm: null,
  coupling: "mirrored",
  ...change,
});

/** What a practitioner would look for in many plans, as shares 0..1. */
export type PlanShares = {
  /** Zones of fills shorter than the usual lash they sit on less half a millimetre, corners left out, and not named. */
  readonly hidden: number;
  /** Corners whose length is over half a millimetre off their usual lash. */
  readonly cornersMissed: number;
  readonly steps: number;
  /** Eyes on which all four looks came out as one. */
  readonly looksAlike: number;
  /** Cats whose longest lies nowhere outside 0.68 of the line, and nothing is said of it. */
  readonly catsInside: number;
  /** Accents past the corner rule, accents on lashes shorter than their limit is read from, sections at least 2 mm over the base. */
  readonly cornerAccents: number;
  readonly shortAccents: number;
  readonly accentsSeen: number;
};

/** Plans four looks on each survey and counts. `onPlan` gets each with how long it took, ms. */
export function planShares(
  surveys: readonly Survey[],
  wishOf: (look: LookId, survey: number) => MapWish,
  onPlan: (plan: MapPlan, took: number, survey: number) => void = () => undefined,
): PlanShares {
  const tally = () => ({ hits: 0, of: 0 });
  const counts = {
    hidden: tally(),
    cornersMissed: tally(),
    steps: tally(),
    looksAlike: tally(),
    catsInside: tally(),
    cornerAccents: tally(),
    shortAccents: tally(),
    accentsSeen: tally(),
  };
  const count = (what: keyof typeof counts, hit: boolean) => {
    counts[what].of += 1;
    counts[what].hits += hit ? 1 : 0;
  };
  surveys.forEach((survey, k) => {
    const lines = new Set<string>();
    for (const look of FOUR_LOOKS) {
      const wish = wishOf(look, k);
      const begun = performance.now();
      const plan = planMap(survey, wish, defaultPolicy, WIDE_SHELF)!;
      onPlan(plan, performance.now() - begun, k);
      lines.add(JSON.stringify(plan.map.eyes.right.layers.map(({ zones }) => zones.map((zone) => zone?.lengthMm))));
      for (const side of SIDES) {
        const usualOver = (from: number, to: number) => naturalZone(survey.eyes[side], from, to).quantileMm(0.5);
        const { zones, boundaries } = plan.map.eyes[side].layers[0]!;
        const named = (i: number) => plan.breaches.some((b) => b.limit === "natural" && b.side === side && b.zones.includes(i));
        zones.forEach((zone, i) => {
          const usual = usualOver(boundaries[i]!, boundaries[i + 1]!);
          if (i === 0 || i === zones.length - 1) count("cornersMissed", !zone || Math.abs(zone.lengthMm - usual) > 0.501);
          else count("hidden", zone !== null && zone.lengthMm < usual - 0.501 && !named(i));
          const before = zones[i - 1];
          if (zone && before) count("steps", Math.abs(zone.lengthMm - before.lengthMm) > 2);
        });
        const accents = plan.map.eyes[side].layers.findIndex(({ role }) => role === "accent");
        if (accents < 0) continue;
        const layer = plan.map.eyes[side].layers[accents]!;
        const read = mapFacts(plan.map, { survey, policy: defaultPolicy, trays: WIDE_SHELF }).layers[side][accents]!;
        for (const { lash, worn } of placements(plan.map, survey, side))
          if (worn?.layer === accents) count("shortAccents", lash.lengthMm < read[worn.zone]!.limit.shorterMm - 1e-9);
        layer.zones.forEach((zone, i) => {
          if (!zone) return;
          const [from, to] = [layer.boundaries[i]!, layer.boundaries[i + 1]!];
          const base = zones[boundaries.findIndex((edge) => edge > (from + to) / 2) - 1]?.lengthMm ?? 0;
          if (i === 0 || i === layer.zones.length - 1) count("cornerAccents", zone.lengthMm > Math.round(usualOver(from, to) - 0.001) + 1);
          else count("accentsSeen", zone.lengthMm >= base + 2);
        });
      }
      if (look === "cat" && wish.school.id === "browPeak" && !wish.accents) {
        const { zones, boundaries } = plan.map.eyes.right.layers[0]!;
        const longest = Math.max(...zones.map((zone) => zone?.lengthMm ?? 0));
        const outside = zones.some((zone, i) => zone?.lengthMm === longest && (boundaries[i]! + boundaries[i + 1]!) / 2 > 0.68);
        count("catsInside", !outside && !plan.cuts.some(({ wish }) => wish === "look"));
      }
    }
    count("looksAlike", lines.size === 1);
  });
  return Object.fromEntries(Object.entries(counts).map(([what, { hits, of }]) => [what, of ? hits / of : 0])) as PlanShares;
}
