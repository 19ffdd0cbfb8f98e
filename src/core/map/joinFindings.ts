import { otherSide } from "../eye";
import type { Finding } from "./finding";

/**
 * Findings that say the same of both eyes told as one, with one fix for both. The order of the first is kept.
 */
export function joinFindings(findings: readonly Finding[]): Finding[] {
  const joined = new Set<Finding>();
  return findings.flatMap((finding) => {
    if (joined.has(finding)) return [];
    const { where } = finding;
    if (where.side === "both") return [finding];
    const twin = findings.find(
      (other) =>
        other.rule === finding.rule &&
        other.severity === finding.severity &&
        other.where.side === otherSide(where.side as "right" | "left") &&
        other.where.zones.join() === where.zones.join() &&
        other.where.layer === where.layer &&
        other.fix?.label === finding.fix?.label,
    );
    if (!twin) return [finding];
    joined.add(twin);
    const both = { ...where, side: "both" as const };
    const title = finding.title.replace(/^Client's (right|left)/, "Both eyes");
    const fix =
      finding.fix && twin.fix
        ? { label: finding.fix.label, apply: (map: Parameters<typeof finding.fix.apply>[0]) => twin.fix!.apply(finding.fix!.apply(map)) }
        : undefined;
    return [{ ...finding, where: both, title, ...(fix ? { fix } : {}) }];
  });
}
