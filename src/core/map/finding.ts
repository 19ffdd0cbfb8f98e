import type { Side } from "../eye";
import type { MapFacts } from "./facts";
import type { MapWish } from "./planGround";
import type { LashMap, Layer } from "./schema";
import type { Stretch } from "./stretchWords";

/** `stop` should not be worn, `look` wants a second look, `note` is for knowing. */
export type Severity = "stop" | "look" | "note";
export const SEVERITIES: readonly Severity[] = ["note", "look", "stop"];

/** A change that settles a finding, made with one tap. */
export type Fix = {
  readonly label: string;
  readonly apply: (map: LashMap) => LashMap;
  /** What it is called where several zones are mended at once, each in its way. */
  readonly all?: string;
  /** One change that settles all of its kind. */
  readonly throughout?: { readonly label: string; readonly apply: (map: LashMap) => LashMap };
};

/** Something the map deserves to be told. */
export type Finding = {
  readonly rule: string;
  readonly severity: Severity;
  /** Zones of one layer (the base where none is said); no zones means the whole map. */
  readonly where: {
    readonly side: Side | "both";
    readonly zones: readonly number[];
    readonly layer?: number;
    /** What that layer is; absent is the base. */
    readonly role?: Layer["role"];
    /** Of a gathered finding, the zones of each eye where they are not the same. */
    readonly each?: readonly Stretch[];
  };
  readonly title: string;
  /** What its title says after the place; absent where the place says all. */
  readonly topic?: string;
  /** How far past its rule it is, so that of several the worst is told. */
  readonly by?: number;
  readonly why: string;
  /** The numbers behind the verdict, in words. */
  readonly numbers: readonly { readonly label: string; readonly value: string }[];
  /** Where the rule comes from. */
  readonly source: string;
  readonly fix?: Fix;
  /** What to plan instead. */
  readonly plan?: { readonly label: string; readonly wish: Partial<MapWish> };
};

/** One check of a map: pure, reads facts, returns findings. */
export type Rule = (facts: MapFacts) => Finding[];

/** What makes one finding the same as another: its rule and its place. */
export function findingKey({ rule, where }: Pick<Finding, "rule" | "where">): string {
  const each = (where.each ?? []).map(({ side, zones }) => `${side} ${zones.join()}`).join(" ");
  return `${rule} ${where.side} ${where.layer ?? "base"} ${where.zones.join()} ${each}`.trim();
}
