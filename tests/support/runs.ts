import type { Area } from "@/core/eye";
import { defaultPolicy } from "@/core/policy";
import type { RunPlan } from "@/core/processing";
import { processSteps, shippedProtocols } from "@/core/protocol";
import { SERVICES, type ServiceKind } from "@/core/service";
import { AREAS, partOf } from "@/core/eye";

/** A plan by a generic protocol with its usual times, for both sides. */
export function planFor(service: ServiceKind, over: Partial<RunPlan> = {}): RunPlan {
  const protocol = shippedProtocols[service](defaultPolicy);
  const parts: readonly string[] = SERVICES[service].parts;
  return {
    protocol,
    protocolId: null,
    revision: 1,
    areas: AREAS.filter((area: Area) => parts.includes(partOf(area))),
    seconds: Object.fromEntries(processSteps(protocol).map(({ id, defaultS }) => [id, defaultS])),
    pace: { hair: "medium", processed: false, filmCover: false },
    density: "usual",
    wish: { lift: null, lashDepth: null, browDepth: null },
    from: { lashDepth: 5, browDepth: 5 },
    shield: null,
    recipes: {},
    ...over,
  };
}

export const liftPlan = () => planFor("lift");
