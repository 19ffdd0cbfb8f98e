import { SIDES, sideLabel, type Side } from "../../eye";
import type { MapFacts, ZoneFacts } from "../facts";
import type { Finding } from "../finding";

/** Runs a check over every zone of both eyes. */
export function perZone(facts: MapFacts, check: (zone: ZoneFacts) => Finding[]): Finding[] {
  return SIDES.flatMap((side) => facts.zones[side].flatMap(check));
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** "Client's left, zone 7"; zones count from the inner corner. */
export function placeOf(zone: Pick<ZoneFacts, "side" | "index">): string {
  return `${capital(sideLabel(zone.side))}, zone ${zone.index + 1}`;
}

export function pairPlace(side: Side, first: number, second: number): string {
  return `${capital(sideLabel(side))}, zones ${first + 1} and ${second + 1}`;
}

/** Longest stocked length not past a limit, mm; null when even the shortest is. */
export function shortenTo(zone: ZoneFacts, limitMm: number): number | null {
  return zone.stockedMm.filter((mm) => mm <= limitMm + 1e-9).at(-1) ?? null;
}
