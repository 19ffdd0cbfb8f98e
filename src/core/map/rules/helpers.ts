import { SIDES, sideLabel, type Side } from "../../eye";
import type { MapFacts, PieceFacts, ZoneFacts } from "../facts";
import type { Finding } from "../finding";
import { setZone } from "../edit";
import type { LashMap, Layer } from "../schema";
import { changePiece } from "../pieces";
import type { Fibre } from "../../lash";
import { ZONE_WORDS } from "../layers";
import { sentence } from "../../units";

/**
 * Runs a check over every zone of every layer of both eyes. What it finds must follow from the zone's facts, the policy
 * and the trays alone: a zone whose facts did not change is not checked again.
 */
export function perZone(name: string, facts: MapFacts, check: (zone: ZoneFacts) => Finding[]): Finding[] {
  const all: Finding[] = [];
  for (const side of SIDES)
    for (const layer of facts.layers[side])
      for (const zone of layer) {
        let known = checked.get(zone);
        if (!known || known.policy !== facts.policy) checked.set(zone, (known = { policy: facts.policy, findings: new Map() }));
        let findings = known.findings.get(name);
        if (!findings) known.findings.set(name, (findings = check(zone)));
        if (findings.length) all.push(...findings);
      }
  return all;
}

const checked = new WeakMap<ZoneFacts, { policy: MapFacts["policy"]; findings: Map<string, Finding[]> }>();

/** Runs a check over every fibre of every zone. */
export function perPiece(name: string, facts: MapFacts, check: (zone: ZoneFacts, piece: PieceFacts) => Finding[]): Finding[] {
  return perZone(name, facts, (zone) => {
    // A zone is told once of one rule: its gravest piece stands for the rest.
    const findings = zone.pieces.flatMap((piece) => check(zone, piece));
    return findings.length > 1 ? [findings.find(({ severity }) => severity === "stop") ?? findings[0]!] : findings;
  });
}

/** "Client's left, zone 7", "Client's right, accent 2"; zones count from the inner corner. */
export function placeOf(zone: Pick<ZoneFacts, "side" | "index" | "role">): string {
  return `${sentence(sideLabel(zone.side))}, ${ZONE_WORDS[zone.role]} ${zone.index + 1}`;
}

/** Title of a finding about one zone, and what it says after the place. */
export const titled = (zone: Parameters<typeof placeOf>[0], topic: string): Pick<Finding, "title" | "topic"> => ({
  title: `${placeOf(zone)}, ${topic}`,
  topic,
});

export function pairPlace(side: Side, role: Layer["role"], first: number, second: number): string {
  const word = role === "base" ? "zones" : role === "accent" ? "accents" : "under layer";
  return `${sentence(sideLabel(side))}, ${word} ${first + 1} and ${second + 1}`;
}

/** Where a finding about one zone points. */
export const at = (zone: ZoneFacts): Finding["where"] => ({
  side: zone.side,
  zones: [zone.index],
  ...(zone.role === "base" ? {} : { layer: zone.layer, role: zone.role }),
});

/** Longest stocked length not past a limit, mm; null when even the shortest is. */
export function shortenTo({ stockedMm }: { readonly stockedMm: readonly number[] }, limitMm: number): number | null {
  return stockedMm.filter((mm) => mm <= limitMm + 1e-9).at(-1) ?? null;
}

/** A fix that gives one fibre of a zone another length or kind; null leaves the zone bare. */
export const changeFibre =
  (zone: ZoneFacts, piece: Pick<PieceFacts, "ref">, change: Partial<Fibre> | null) =>
  (map: LashMap): LashMap => {
    const planned = map.eyes[zone.side].layers[zone.layer]?.zones[zone.index];
    if (change === null || !planned) return setZone(map, zone.side, zone.index, null, zone.layer);
    return setZone(map, zone.side, zone.index, changePiece(planned, piece.ref, change), zone.layer);
  };
