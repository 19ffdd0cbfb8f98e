import { lawOf, learnSetTime, type CureLaw } from "@/core/adhesive";
import type { UsedBottle } from "@/features/shelf/bottles";
import type { GlueKnowledge } from "@/features/shelf/knowledge";

/** How the glue of a visit follows the air, as its product's tests have taught; and its leaflet's hours without water. */
export function adhesiveInUse(
  { bottlesUsed, knowledge }: { readonly bottlesUsed: readonly UsedBottle[]; readonly knowledge: Pick<GlueKnowledge, "tests"> },
  bottleId: string | null,
) {
  const used = bottlesUsed.find(({ id }) => id === bottleId);
  const tests = used ? knowledge.tests.filter((test) => test.adhesiveId === used.adhesiveId && !test.leftOut) : [];
  const law: CureLaw = lawOf(learnSetTime(used?.adhesive.setTimeS ?? 1, tests));
  return { law, waterHours: used?.adhesive.waterHours, adhesive: used?.adhesive ?? null };
}
