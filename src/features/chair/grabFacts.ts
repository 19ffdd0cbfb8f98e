import type { GrabFacts } from "@/core/adhesive";
import type { Air } from "@/core/air";
import type { VisitState } from "@/core/visit";
import { fitnessWords } from "@/features/shelf/glueWords";
import type { RatedBottle } from "@/features/shelf/ratedBottles";
import type { VisitProps } from "./visitProps";

/** What is known already when nothing will hold, at a moment of a visit (ms). */
export function grabFacts(
  { policy, baseContact }: Pick<VisitProps, "policy" | "baseContact">,
  { set }: VisitState,
  air: Air | null,
  inUse: RatedBottle | undefined,
  nowMs: number,
): GrabFacts {
  const bead = set.beads.at(-1);
  const verdict = inUse?.fitness.verdict;
  return {
    primer: policy.primer,
    air:
      air && inUse && verdict
        ? {
            fits: verdict.inWindow,
            words: `${air.temperatureC.toFixed(1)} °C, ${Math.round(air.relativeHumidity * 100)} %: ${verdict.inWindow ? "inside this bottle's window." : fitnessWords(inUse.fitness).says}`,
          }
        : null,
    bottle: inUse
      ? {
          daysLeft: inUse.fitness.age.daysLeft,
          old: inUse.fitness.drift?.old ?? false,
          name: `${inUse.bottle.adhesive.name}, lot ${inUse.bottle.lot}`,
        }
      : null,
    shakenS: set.shakenAtMs === null ? null : (nowMs - set.shakenAtMs) / 1000,
    bead: bead && bead.endedAtMs === null ? { ageS: (nowMs - bead.placedAtMs) / 1000, lifeS: bead.lifeS } : null,
    baseContact,
  };
}
