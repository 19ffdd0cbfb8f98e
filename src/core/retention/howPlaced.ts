import { z } from "zod";
import type { Air } from "../air";
import { airSchema } from "../air/schema";
import type { DocumentKind } from "../document";
import { SIDES, type Survey } from "../eye";
import { bareBelowDays } from "../fill";
import { TECHNIQUES, techniqueOf } from "../lash";
import { fibreOnLash, mapFacts, type LashMap } from "../map";
import { ATTACHMENT_IDS, PRIMER_IDS } from "../placing/choices";
import { defaultPolicy } from "../policy";
import type { VisitState } from "../visit";

/** How a set was placed, as far as its retention may hang on it. Whatever nobody said or measured is null. */
const howPlacedSchema = z.object({
  air: airSchema.nullable(),
  bottleId: z.string().nullable(),
  /** How old beads were as lashes were dipped, s, in the mean over the lashes tapped. */
  beadAgeS: z.number().nullable(),
  primer: z.enum(PRIMER_IDS).nullable(),
  attachment: z.enum(ATTACHMENT_IDS).nullable(),
  talked: z.boolean().nullable(),
  moved: z.boolean().nullable(),
  technique: z.enum(TECHNIQUES).nullable(),
  curl: z.string().nullable(),
  /** Natural lash and extension lie together so long, mm, in the mean over the base, by the shipped figures so that sets compare. */
  contactMm: z.number().nullable(),
  /** Share of the cycle in which its youngest worn lash had been left bare. */
  bareShare: z.number(),
});
export type HowPlaced = z.infer<typeof howPlacedSchema>;
export const howPlacedDocument: DocumentKind<HowPlaced> = {
  name: "how a set was placed",
  version: 1,
  schema: howPlacedSchema,
  versionBeside: true,
};

/** Pauses and lashes redone that say the client moved. */
const MOVED_PAUSES: readonly (string | null)[] = ["sneezed", "leftBed"];

/** Reads it from what was tapped at the visit and from the map that was worked. */
export function howPlaced(map: LashMap, survey: Survey, { set, placing }: Pick<VisitState, "set" | "placing">): HowPlaced {
  const airs = set.beads.flatMap(({ air }) => air ?? []);
  const isTapped = placing.lashes.length > 0;
  const talked = placing.talk.length > 0 || placing.pauses.some(({ why }) => why === "talks");
  const moved =
    placing.pauses.some(({ why }) => MOVED_PAUSES.includes(why)) ||
    [...placing.redone, ...placing.faults].some(({ why }) => why === "clientMoved");
  const { attachedAll, attached, primer } = set.with;
  const places = [...new Set([...(attachedAll ? [attachedAll] : []), ...attached.map(({ is }) => is)])];
  return {
    air: meanAir(airs),
    bottleId: set.bottleId,
    beadAgeS: beadAge(set.beads, placing.lashes),
    primer: primer?.is ?? null,
    attachment: places.length === 1 ? places[0]! : null,
    // Who taps each lash is there to mark it; of a set that was not tapped nobody knows.
    talked: talked || (isTapped ? false : null),
    moved: moved || (isTapped ? false : null),
    technique: techniqueOf(map.fibre),
    curl: map.fibre.curl,
    contactMm: meanContact(map, survey),
    bareShare: bareBelowDays(map, survey, 1),
  };
}

const mean = (of: readonly number[]): number | null => (of.length === 0 ? null : of.reduce((sum, one) => sum + one, 0) / of.length);

function meanAir(airs: readonly Air[]): Air | null {
  const temperatureC = mean(airs.map((air) => air.temperatureC));
  const relativeHumidity = mean(airs.map((air) => air.relativeHumidity));
  return temperatureC === null || relativeHumidity === null ? null : { temperatureC, relativeHumidity };
}

function beadAge(beads: VisitState["set"]["beads"], lashes: VisitState["placing"]["lashes"]): number | null {
  let [seconds, many] = [0, 0];
  for (const { atMs, n } of lashes) {
    const bead = beads.findLast(({ placedAtMs }) => placedAtMs <= atMs);
    if (!bead || (bead.endedAtMs !== null && bead.endedAtMs < atMs)) continue;
    seconds += (n * (atMs - bead.placedAtMs)) / 1000;
    many += n;
  }
  return many === 0 ? null : seconds / many;
}

/** How long natural lash and extension of a map lie together, mm, in the mean over its base, by the shipped figures; null where it is bare. */
export function meanContact(map: LashMap, survey: Survey): number | null {
  const { zones } = mapFacts(map, { survey, policy: defaultPolicy, trays: [] });
  return mean(
    SIDES.flatMap((side) =>
      zones[side].flatMap(({ fibre, limit }) => (fibre ? [fibreOnLash(fibre, limit.natural, defaultPolicy, []).contactMm] : [])),
    ),
  );
}
