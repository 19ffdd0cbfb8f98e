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
  readonly where: { readonly side: Side | "both"; readonly zones: readonly number[] };
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
