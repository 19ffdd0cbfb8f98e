import type { Side } from "../../eye/sides";
import type { Landmarks } from "../../eye/survey";
import type { LineZone } from "../line";
import type { LashMap, School } from "../schema";
import { browPeakEdges } from "./browPeak";
import { byClassEdges } from "./byClass";
import { equalEdges } from "./equal";
import { BETWEEN_MARKS_MM, irisMarkEdges, irisMarkOf } from "./irisMarks";
import { belowInShortHalf, twoHalvesEdges } from "./twoHalves";

type Cut<Id extends School["id"]> = {
  readonly label: string;
  readonly says: string;
  readonly edges: (school: Extract<School, { id: Id }>, landmarks: Landmarks, look: LashMap["look"], side: Side) => number[];
  /** A texture of steps: which zones stand out and which lie between; absent is none. */
  readonly mark?: (index: number) => LineZone["mark"];
  /** How far a zone lies below what the look asks there, mm; absent is not at all. */
  readonly below?: (index: number) => number;
};

/** A new zone school is a new file and one line here (and its choices in schema.ts). */
const SCHOOLS: { readonly [Id in School["id"]]: Cut<Id> } = {
  browPeak: {
    label: "brow peak",
    says: "a line at the pupil, the longest from there half way out, four going down to the corner",
    edges: (_, landmarks) => browPeakEdges(landmarks),
  },
  irisMarks: {
    label: "iris marks",
    says: "lines at the corners and the iris edges, each gap halved; long on the lines, short between",
    edges: (_, landmarks, look) => irisMarkEdges(landmarks, look),
    mark: irisMarkOf,
    below: (index) => (irisMarkOf(index) === "between" ? BETWEEN_MARKS_MM : 0),
  },
  equal: { label: "equal", says: "zones of one width", edges: ({ zones }) => equalEdges(zones) },
  twoHalves: {
    label: "two halves",
    says: "short to the pupil, long beyond, a few short ones at either end",
    edges: (_, landmarks) => twoHalvesEdges(landmarks),
    below: belowInShortHalf,
  },
  byClass: {
    label: "by lash",
    says: "each natural lash's own length decides; only the corners are zones",
    edges: () => byClassEdges(),
  },
  own: { label: "your own", says: "zones as drawn by hand", edges: (school, _landmarks, _look, side) => school[side] },
};

export const SCHOOL_LABELS = Object.fromEntries(Object.entries(SCHOOLS).map(([id, { label }]) => [id, label])) as Readonly<
  Record<School["id"], string>
>;
export const SCHOOL_SAYS = Object.fromEntries(Object.entries(SCHOOLS).map(([id, { says }]) => [id, says])) as Readonly<
  Record<School["id"], string>
>;

/** Zone edges of a school for a look on an eye with these landmarks, fractions of the lash line, inner corner first. */
export function zoneEdges(school: School, landmarks: Landmarks, look: LashMap["look"], side: Side = "right"): number[] {
  const { edges } = SCHOOLS[school.id] as Cut<School["id"]>;
  return edges(school as never, landmarks, look, side);
}

/** Whether a zone of a school lies on a mark or between two; undefined where the school has no texture. */
export function markOf(school: School, index: number): LineZone["mark"] {
  return SCHOOLS[school.id].mark?.(index);
}

/** How far a school sets a zone below the look, mm. */
export function belowLook(school: School, index: number): number {
  return SCHOOLS[school.id].below?.(index) ?? 0;
}
