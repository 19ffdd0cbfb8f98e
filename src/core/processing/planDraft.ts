import { AREAS, hairClass, partOf, type Area, type Survey } from "../eye";
import type { LiftWish } from "../lift";
import type { Recipe } from "../mixing";
import { isProcess, type HairFactors, type Protocol } from "../protocol";
import { SERVICES, type ServiceKind } from "../service";
import type { PastRun } from "./history";
import { proposePlan, type StepProposal } from "./proposePlan";
import type { RunPlan } from "./runPlan";

/** What is chosen while a run is planned; times are kept only where a hand changed them. */
export type PlanDraft = {
  readonly protocolKey: string;
  readonly areas: readonly Area[];
  readonly pace: HairFactors;
  readonly density: RunPlan["density"];
  readonly wish: RunPlan["wish"];
  readonly from: RunPlan["from"];
  readonly ownSeconds: Readonly<Record<string, number>>;
  readonly shieldId: string | null;
  /** Only where a hand changed what is proposed. */
  readonly recipes: Readonly<Record<string, Recipe>>;
  /** Why it goes ahead in spite of what was asked first; nothing of the plan hangs on it. */
  readonly reason: string;
};
export type ChosenPlan = Omit<PlanDraft, "reason">;

/** A protocol's own name among those offered: the generic one has no id. */
export const keyOf = ({ id }: { readonly id: string | null }): string => id ?? "generic";

/** Where a plan begins: last time's wish and recipes, today's hair and room. */
export function firstDraft({
  kind,
  protocolKey,
  survey,
  past,
  processed,
  filmCover,
  liftWish = "open",
}: {
  kind: ServiceKind;
  protocolKey: string;
  survey: Survey | null;
  past: readonly PastRun[];
  processed: boolean;
  filmCover: boolean;
  liftWish?: LiftWish;
}): PlanDraft {
  const parts: readonly string[] = SERVICES[kind].parts;
  const last = past.findLast(({ run }) => run.plan?.protocol.service === kind)?.run.plan ?? null;
  const lift = kind === "lift" || kind === "liftTint";
  const tintsLashes = kind === "liftTint" || kind === "lashTint" || kind === "lashBrowTint";
  const from = last?.from ?? { lashDepth: 5, browDepth: kind === "lightening" ? 4 : 6 };
  return {
    protocolKey,
    areas: last?.areas ?? AREAS.filter((area) => parts.includes(partOf(area))),
    pace: {
      hair: last?.pace.hair ?? hairClass(survey?.eyes.right ?? null),
      processed: processed || (last?.pace.processed ?? false),
      filmCover,
    },
    density: last?.density ?? survey?.eyes.right.points[Math.floor(survey.eyes.right.points.length / 2)]?.density ?? "usual",
    wish: last?.wish ?? {
      lift: lift ? liftWish : null,
      lashDepth: tintsLashes ? 2 : null,
      browDepth: kind === "lightening" ? 6 : kind === "browTint" || kind === "lashBrowTint" ? 4 : null,
    },
    from,
    ownSeconds: {},
    shieldId: null,
    recipes: {},
    reason: "",
  };
}

/** The times of a draft: proposed, and where a hand changed one, that. */
export function timesOf(protocol: Protocol, draft: ChosenPlan, past: readonly PastRun[]): { proposal: StepProposal; seconds: number }[] {
  return proposePlan(protocol, past, draft, draft.pace).map((proposal) => ({
    proposal,
    seconds: draft.ownSeconds[proposal.stepId] ?? proposal.seconds,
  }));
}

export function planFrom(
  { document, id, revision }: { document: Protocol; id: string | null; revision: number },
  draft: ChosenPlan,
  past: readonly PastRun[],
  shield: RunPlan["shield"],
  recipes: Readonly<Record<string, Recipe>>,
): RunPlan {
  const times = timesOf(document, draft, past);
  return {
    protocol: document,
    protocolId: id,
    revision,
    areas: [...draft.areas],
    seconds: Object.fromEntries(times.map(({ proposal, seconds }) => [proposal.stepId, seconds])),
    lookAtS: Object.fromEntries(
      times.flatMap(({ proposal: { stepId, planned } }) => (planned.lookAtS === null ? [] : [[stepId, planned.lookAtS]])),
    ),
    pace: draft.pace,
    density: draft.density,
    wish: draft.wish,
    from: draft.from,
    shield,
    recipes: Object.fromEntries(
      document.steps.filter(isProcess).flatMap(({ id: stepId }) => (recipes[stepId] ? [[stepId, recipes[stepId]]] : [])),
    ),
  };
}
