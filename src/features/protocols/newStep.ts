import { SERVICES } from "@/core/service";
import { type Protocol, type Step } from "@/core/protocol";

export const STEP_KINDS = [
  { kind: "process", label: "Add a timed step" },
  { kind: "prepare", label: "Add a preparation" },
  { kind: "release", label: "Add a release" },
  { kind: "rinse", label: "Add a rinse" },
  { kind: "care", label: "Add care" },
] as const;

/** A step to begin from, with a name of its own. What it still lacks is said by the check. */
export function newStep(kind: Step["kind"], protocol: Protocol): Step {
  const taken = new Set(protocol.steps.map(({ id }) => id));
  const number = Array.from({ length: 40 }, (_, i) => i + 1).find((n) => !taken.has(`${kind}-${n}`)) ?? 99;
  const id = `${kind}-${number}`;
  const on = SERVICES[protocol.service].parts[0];
  if (kind !== "process") return { kind, id, name: kind, on, checks: [] };
  return {
    kind,
    id,
    name: "new step",
    product: null,
    on,
    where: "skinClear",
    leastS: 120,
    mostS: 480,
    defaultS: 300,
    lookEveryS: null,
    speeds: { filmCover: 0.75, fine: 0.85, coarse: 1.15, processed: 0.8 },
    before: [],
    after: [],
    removal: "Off with a dry tool, all of it.",
    waitsFor: [],
    offAfter: [],
    mix: null,
  };
}
