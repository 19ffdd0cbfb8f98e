import type { SetWork } from "./parts/set";

/** When something else than placing was done at a set, ms: beads, checks, looks. A gap over one of them is no pace. */
export const interruptionsOf = ({ beads, checks, inspections }: Pick<SetWork, "beads" | "checks" | "inspections">): number[] => [
  ...beads.map(({ placedAtMs }) => placedAtMs),
  ...checks.map(({ atMs }) => atMs),
  ...inspections.map(({ atMs }) => atMs),
];
