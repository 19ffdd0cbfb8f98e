import { PRODUCT_KINDS, type PatchFamily } from "../mixing/productKinds";
import type { ProcessStep, Protocol, Step } from "./protocol";

export const isProcess = (step: Step): step is ProcessStep => step.kind === "process";
export const processSteps = ({ steps }: Protocol): ProcessStep[] => steps.filter(isProcess);

/** The processing steps of a part in the order they are done. */
export const chainOf = (protocol: Protocol, part: "lashes" | "brows"): ProcessStep[] =>
  processSteps(protocol).filter(({ on }) => on === part);

/** Patch-test families that a protocol's products ask for. */
export function familiesOf(protocol: Protocol): PatchFamily[] {
  const families = processSteps(protocol).flatMap<PatchFamily>(({ product }) =>
    product === null ? [] : (PRODUCT_KINDS[product].family ?? []),
  );
  return [...new Set(families)];
}
