import { defaultPolicy, policySchema, POLICY_VERSION, type Policy } from "./policy";
import type { DocumentKind } from "../document";

/** Hours between a lift or tint and extensions, as versions before the fifth asked for them in one figure. */
const OLD_DEFAULT_H = 24;

type Older = Record<string, unknown> & { readonly extensionsAfterHours?: number; readonly colourAge?: number };

const isOlder = (version: unknown) => typeof version === "number" && version >= 1 && version < POLICY_VERSION;

/** A policy document of any version as one of the newest: what an older one was never asked stands at its default. */
export function upgradePolicy(document: unknown): unknown {
  if (typeof document !== "object" || document === null || !isOlder((document as { version?: unknown }).version)) return document;
  const { extensionsAfterHours = OLD_DEFAULT_H, ...rest } = document as Older;
  // A studio that waited longer keeps waiting, after a lift and after a tint.
  const spacing: Policy["spacing"] =
    extensionsAfterHours > OLD_DEFAULT_H
      ? {
          liftThenExtensions: { stopHours: Math.max(48, extensionsAfterHours), askHours: 6 * 7 * 24 },
          tintThenExtensions: { stopHours: null, askHours: extensionsAfterHours },
        }
      : {};
  return {
    ...defaultPolicy,
    spacing,
    ...rest,
    // Sixteen has become the floor.
    colourAge: Math.max(defaultPolicy.colourAge, rest.colourAge ?? 0),
    version: POLICY_VERSION,
  };
}

export const policyDocument: DocumentKind<Policy> = {
  name: "policy",
  version: POLICY_VERSION,
  schema: policySchema,
  upgrade: upgradePolicy,
};
