import type { Side } from "../eye";
import type { MapFacts } from "./facts";
import type { LashMap } from "./schema";

/** `stop` should not be worn, `look` wants a second look, `note` is for knowing. */
export type Severity = "stop" | "look" | "note";
export const SEVERITIES: readonly Severity[] = ["note", "look", "stop"];

/** Something the map deserves to be told. */
export type Finding = {
  readonly rule: string;
  readonly severity: Severity;
  /** Zones of one layer (the base where none is said); no zones means the whole map. */
  readonly where: { readonly side: Side | "both"; readonly zones: readonly number[]; readonly layer?: number };
  readonly title: string;
  readonly why: string;
  /** The numbers behind the verdict, in words. */
  readonly numbers: readonly { readonly label: string; readonly value: string }[];
  /** Where the rule comes from. */
  readonly source: string;
  readonly fix?: { readonly label: string; readonly apply: (map: LashMap) => LashMap };
};

/** One check of a map: pure, reads facts, returns findings. */
export type Rule = (facts: MapFacts) => Finding[];

/** What makes one finding the same as another: its rule and its place. */
export function findingKey({ rule, where }: Pick<Finding, "rule" | "where">): string {
  return `${rule} ${where.side} ${where.layer ?? "base"} ${where.zones.join()}`;
}
