import type { Course } from "../colour/processing";
import type { HairPart } from "../eye/areas";
import { partOf } from "../eye/areas";
import type { KeptReading } from "../lift/keptShare";
import type { LiftOutcome } from "../lift/nextLift";
import type { ProductKind } from "../mixing/productKinds";
import { processSteps } from "../protocol/steps";
import { lainS, stepOf, type RunState } from "./runState";

/** A run of the past, with when it ended, ms. */
export type PastRun = { readonly visitId: string; readonly endedAtMs: number; readonly run: RunState };

/** Products that change how deep hair is. */
const COLOURS: readonly ProductKind[] = ["tint", "toner", "lightener"];

/**
 * How a product went on a part of this client, run by run: depth at the beginning, at each look, and as it was endDepth at the
 * end. The longest-lying side speaks for the run.
 */
export function coursesOf(past: readonly PastRun[], product: ProductKind, part: HairPart): Course[] {
  return past.flatMap(({ run, endedAtMs }): Course[] => {
    if (!run.plan) return [];
    const coats = run.coats.filter((coat) => stepOf(run, coat.stepId)?.product === product && partOf(coat.area) === part);
    const longest = coats.reduce<(typeof coats)[number] | null>((a, b) => (a && lainS(a, endedAtMs) >= lainS(b, endedAtMs) ? a : b), null);
    if (!longest) return [];
    // A toner begins from what the lightener left, which only the looks can tell.
    const colours = processSteps(run.plan.protocol).filter(({ on, product: its }) => on === part && its !== null && COLOURS.includes(its));
    const isFirst = colours[0]?.id === longest.stepId;
    const isLast = colours.at(-1)?.id === longest.stepId;
    const from = part === "lashes" ? run.plan.from.lashDepth : run.plan.from.browDepth;
    const endDepth = part === "lashes" ? run.result?.lashDepth : run.result?.browDepth;
    const looks = longest.looks.map(({ atMs, depth }) => ({ minutes: (atMs - longest.onAtMs) / 60_000, depth }));
    const last = isLast && endDepth != null ? [{ minutes: lainS(longest, endedAtMs) / 60, depth: endDepth }] : [];
    return isFirst && looks.length + last.length > 0 ? [{ looks: [{ minutes: 0, depth: from }, ...looks, ...last] }] : [];
  });
}

/** Every result of a lift, run to its end, that says how much of the turn was kept. */
export function keptReadingsOf(past: readonly PastRun[]): KeptReading[] {
  return past.flatMap(({ run }) =>
    run.plan?.shield && run.result?.turn && !run.stop
      ? [{ rawDeg: run.plan.shield.rawDeg, seenDeg: run.result.turn.seenDeg, by: run.result.turn.by }]
      : [],
  );
}

/** What was done that can be endDepth: a turn where lotion lay on lashes, a depth where colour or lightener lay. */
export function judgeable(run: RunState): { readonly turn: boolean; readonly lashDepth: boolean; readonly browDepth: boolean } {
  const lay = (products: readonly ProductKind[], part: HairPart) =>
    run.coats.some((coat) => partOf(coat.area) === part && products.includes(stepOf(run, coat.stepId)?.product as ProductKind));
  return { turn: lay(["lifting"], "lashes"), lashDepth: lay(COLOURS, "lashes"), browDepth: lay(COLOURS, "brows") };
}

/** Every batch that touched the client, in the order it came. */
export const batchesOf = ({ batches, pastes }: RunState): string[] => [
  ...new Set([...batches.map(({ batchId }) => batchId), ...pastes.flatMap(({ lines }) => lines.map(({ batchId }) => batchId))]),
];

/** How the newest lift that was run to its end turned out, and by which pace; null where there was none. */
export function lastLiftOf(past: readonly PastRun[]): { readonly outcome: LiftOutcome; readonly past: PastRun } | null {
  const lifts = past.filter(
    ({ run }) =>
      run.plan && !run.stop && processSteps(run.plan.protocol).some(({ product, on }) => product === "lifting" && on === "lashes"),
  );
  const newest = [...lifts].sort((a, b) => b.endedAtMs - a.endedAtMs)[0];
  if (!newest?.run.result) return null;
  const { run } = newest;
  const step = processSteps(run.plan!.protocol).find(({ product }) => product === "lifting")!;
  const coat = run.coats.find(({ stepId }) => stepId === step.id);
  return {
    past: newest,
    outcome: {
      wish: run.plan!.wish.lift ?? "open",
      seenDeg: run.result!.turn?.seenDeg ?? null,
      step1S: coat ? lainS(coat, newest.endedAtMs) : run.plan!.seconds[step.id]!,
      even: run.result!.even,
      comfort: run.result!.comfort,
    },
  };
}
