import type { Landmarks } from "../../eye/survey";
import type { School } from "../schema";
import { browPeakEdges } from "./browPeak";
import { equalEdges } from "./equal";

/** A new zone school is a new file and one line here (and its choices in schema.ts). */
const EDGES: { [Id in School["id"]]: (school: Extract<School, { id: Id }>, landmarks: Landmarks) => number[] } = {
  browPeak: (_, landmarks) => browPeakEdges(landmarks),
  equal: ({ zones }) => equalEdges(zones),
};

export const SCHOOL_LABELS: Readonly<Record<School["id"], string>> = { browPeak: "brow peak", equal: "equal" };

/** Zone edges of a school on an eye with these landmarks, fractions of the lash line, inner corner first. */
export function zoneEdges(school: School, landmarks: Landmarks): number[] {
  const edges = EDGES[school.id] as (s: School, l: Landmarks) => number[];
  return edges(school, landmarks);
}
