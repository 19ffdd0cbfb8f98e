import type { Policy } from "../policy";
import type { LashMap } from "./schema";

/** The studio's policy with what this map sets aside. A caution above a lowered stop comes down with it. */
export function mapPolicy(policy: Policy, map: Pick<LashMap, "limits">): Policy {
  if (!map.limits) return policy;
  const known = overridden.get(map.limits);
  if (known?.policy === policy) return known.own;
  const set = Object.fromEntries(Object.entries(map.limits).filter(([, value]) => value !== undefined)) as Partial<Policy>;
  const merged = { ...policy, ...set };
  merged.fineOverLengthMm = Math.min(merged.fineOverLengthMm, merged.overLengthMm);
  merged.loadAmber = Math.min(merged.loadAmber, merged.loadRed - 0.05);
  merged.loadAmberFan = Math.min(merged.loadAmberFan, merged.loadRed - 0.05);
  overridden.set(map.limits, { policy, own: merged });
  return merged;
}

/** The same limits give the same policy object, so that what is reckoned from it can be kept. */
const overridden = new WeakMap<object, { policy: Policy; own: Policy }>();
