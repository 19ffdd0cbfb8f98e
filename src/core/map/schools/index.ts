import type { Side } from "../../eye/sides";
import type { Landmarks } from "../../eye/survey";
import type { School } from "../schema";
import { browPeakEdges } from "./browPeak";
import { equalEdges } from "./equal";
import { BETWEEN_MARKS_MM, irisMarkEdges } from "./irisMarks";
import { twoHalvesEdges } from "./twoHalves";

type Cut<Id extends School["id"]> = {
  readonly label: string;
  readonly says: string;
  readonly edges: (school: Extract<School, { id: Id }>, landmarks: Landmarks, side: Side) => number[];
  /** How far a zone lies below what the look asks there, mm; absent is not at all. */
  readonly below?: (index: number, zones: number) => number;
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
    edges: (_, landmarks) => irisMarkEdges(landmarks),
    below: (index) => (index % 2 === 1 ? BETWEEN_MARKS_MM : 0),
  },
  equal: { label: "equal", says: "zones of one width", edges: ({ zones }) => equalEdges(zones) },
  twoHalves: {
    label: "two halves",
    says: "short to the pupil, long beyond, a few short at the outer end",
    edges: (_, landmarks) => twoHalvesEdges(landmarks),
  },
  byClass: { label: "by lash", says: "no zones: each natural lash's own length decides", edges: () => [0, 1] },
  own: { label: "your own", says: "zones as drawn by hand", edges: (school, _, side) => school[side] },
};

export const SCHOOL_LABELS = Object.fromEntries(Object.entries(SCHOOLS).map(([id, { label }]) => [id, label])) as Readonly<
  Record<School["id"], string>
>;
export const SCHOOL_SAYS = Object.fromEntries(Object.entries(SCHOOLS).map(([id, { says }]) => [id, says])) as Readonly<
  Record<School["id"], string>
>;

/** Zone edges of a school on an eye with these landmarks, fractions of the lash line, inner corner first. */
export function zoneEdges(school: School, landmarks: Landmarks, side: Side = "right"): number[] {
  const { edges } = SCHOOLS[school.id] as Cut<School["id"]>;
  return edges(school as never, landmarks, side);
}

/** How far a school sets a zone below the look, mm. */
export function belowLook(school: School, index: number, zones: number): number {
  return SCHOOLS[school.id].below?.(index, zones) ?? 0;
}
