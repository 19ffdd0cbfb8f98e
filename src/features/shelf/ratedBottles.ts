import { bottleAge, bottleFitness, handTime, learnSetTime, type BottleFitness, type SetTimeModel } from "@/core/adhesive";
import type { Air } from "@/core/air";
import type { Technique } from "@/core/lash";
import type { OpenBottle } from "./bottles";
import type { GlueKnowledge } from "./knowledge";

export type RatedBottle = { readonly bottle: OpenBottle; readonly model: SetTimeModel; readonly fitness: BottleFitness };

/** What each open bottle's product has been learned to do, by its id. Left-out tests teach nothing. */
export function modelsOf(bottles: readonly OpenBottle[], { tests }: Pick<GlueKnowledge, "tests">): Map<string, SetTimeModel> {
  const models = new Map<string, SetTimeModel>();
  for (const { adhesiveId, adhesive } of bottles)
    if (!models.has(adhesiveId))
      models.set(
        adhesiveId,
        learnSetTime(
          adhesive.setTimeS,
          tests.filter((test) => test.adhesiveId === adhesiveId && !test.leftOut),
          bottles.filter((one) => one.adhesiveId === adhesiveId).map(({ id }) => id),
        ),
      );
  return models;
}

/** Open bottles as they stand in this air for this hand and technique, best first. */
export function rateBottles(
  bottles: readonly OpenBottle[],
  knowledge: GlueKnowledge,
  air: Air | null,
  volumeM3: number,
  technique: Technique,
  today: string,
): RatedBottle[] {
  const models = modelsOf(bottles, knowledge);
  const hand = handTime(knowledge.hand[technique]);
  return bottles
    .map((bottle) => {
      const model = models.get(bottle.adhesiveId)!;
      const age = bottleAge(bottle.openedOn, today, bottle.adhesive.lifeAfterOpeningDays);
      return { bottle, model, fitness: bottleFitness(bottle, model, age, air, volumeM3, hand) };
    })
    .sort((a, b) => Number(b.fitness.fits) - Number(a.fitness.fits) || a.fitness.rank - b.fitness.rank);
}
