import type { ServiceId } from "../service";
import { serviceOf } from "../service";

/** The parts of a visit, in the order of work. */
export const VISIT_PARTS = {
  consult: "Consult",
  survey: "Survey",
  map: "Map",
  plan: "Plan",
  room: "Room",
  prepare: "Prepare",
  place: "Place",
  check: "Check",
  dry: "Dry",
  run: "Mix and run",
  judge: "Judge",
  aftercare: "Aftercare",
  tidy: "Tidy",
} as const;
export type VisitPart = keyof typeof VISIT_PARTS;
export const VISIT_PART_IDS = Object.keys(VISIT_PARTS) as [VisitPart, ...VisitPart[]];

const BY_MAP: readonly VisitPart[] = ["consult", "survey", "map", "room", "prepare", "place", "check", "dry", "aftercare", "tidy"];
const BY_PROTOCOL: readonly VisitPart[] = ["consult", "plan", "run", "judge", "aftercare", "tidy"];
const ON_A_HEAD: readonly VisitPart[] = BY_MAP.filter((part) => part !== "consult" && part !== "aftercare");

/** Which parts a visit of a service has. A mannequin head is asked nothing and told nothing. */
export function partsOf(service: ServiceId): readonly VisitPart[] {
  const { workedBy, onClient } = serviceOf(service);
  return workedBy === "protocol" ? BY_PROTOCOL : onClient ? BY_MAP : ON_A_HEAD;
}
