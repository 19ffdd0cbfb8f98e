import { SIDES } from "../eye";
import { sentence } from "../units";
import type { Finding, Fix } from "./finding";
import { ZONE_WORDS } from "./layers";
import type { LashMap } from "./schema";
import { stretchWords, zonesWords, type Stretch } from "./stretchWords";

/**
 * Findings that say the same told once, with the stretch they hold for and one fix: what is listed and counted wherever
 * findings are shown. The order of the first is kept.
 */
export function gatherFindings(findings: readonly Finding[]): Finding[] {
  const groups = new Map<string, Finding[]>();
  for (const finding of findings) {
    const key = `${finding.rule} ${finding.severity} ${finding.where.layer ?? "base"} ${finding.topic ?? ""} ${finding.where.zones.length ? "" : finding.title}`;
    groups.set(key, [...(groups.get(key) ?? []), finding]);
  }
  return [...groups.values()].map((group) => (group.length === 1 ? group[0]! : gathered(group)));
}

function gathered(group: readonly Finding[]): Finding {
  const [first] = group;
  const worst = group.reduce((most, finding) => ((finding.by ?? 0) > (most.by ?? 0) ? finding : most), first!);
  const zonesOf = (side: Stretch["side"]) =>
    [...new Set(group.filter(({ where }) => where.side === side || where.side === "both").flatMap(({ where }) => where.zones))].sort(
      (a, b) => a - b,
    );
  const each = SIDES.map((side): Stretch => ({ side, zones: zonesOf(side) })).filter(({ zones }) => zones.length > 0);
  const alike = each.length === 2 && each[0]!.zones.join() === each[1]!.zones.join();
  const { layer, role = "base" } = first!.where;
  const word = ZONE_WORDS[role];
  const where: Finding["where"] = {
    side: each.length === 2 ? "both" : (each[0]?.side ?? first!.where.side),
    zones: [...new Set(each.flatMap(({ zones }) => zones))].sort((a, b) => a - b),
    ...(layer === undefined ? {} : { layer, role }),
    ...(each.length === 2 && !alike ? { each } : {}),
  };
  const fix = fixOf(group, worst);
  const place = sentence(stretchWords(each, word));
  const { fix: _, ...told } = worst;
  return {
    ...told,
    where,
    title: first!.topic ? `${place}, ${first!.topic}` : place,
    why: where.zones.length > 1 && worst.where.zones.length ? `Most in ${zonesWords(worst.where.zones, word)}: ${worst.why}` : worst.why,
    ...(fix ? { fix } : {}),
  };
}

/** One fix for all: the one that settles them throughout, or each zone's own one after another. */
function fixOf(group: readonly Finding[], worst: Finding): Fix | null {
  const { throughout } = worst.fix ?? {};
  if (throughout) return throughout;
  // From the outermost zone inwards, so that a zone cut in two does not move those still to be mended.
  const fixes = [...group].sort((a, b) => (b.where.zones[0] ?? 0) - (a.where.zones[0] ?? 0)).flatMap(({ fix }) => (fix ? [fix] : []));
  const [first] = fixes;
  if (!first || fixes.length < group.length) return null;
  const label = fixes.every((fix) => fix.label === first.label) ? first.label : (first.all ?? first.label);
  return { label, apply: (map: LashMap) => fixes.reduce((mended, fix) => fix.apply(mended), map) };
}
